import type { MaterialForm } from "../materials";
import type { Role } from "../recipe";
import type { CabinetIndex } from "./cabinet";
import { formSaid, type Description } from "./description";
import type { Kind, Said } from "./said";
import type { VerbId } from "./verbs/ids";

/** A stretch of the line. */
export interface Span {
  at: number;
  end: number;
}
/** One thing that a line tells: a verb, what it is done with, and what is said of it. */
export interface Told extends Span {
  verb?: VerbId;
  role?: Role;
  /** The part as it was called. */
  part?: string;
  description?: Description;
  /** Materials that do as well: “claret or black”. */
  alternates: Description[];
  /** “it”, “them”, “the rest of the fibres”: what was told of last. */
  refers?: "it" | "the rest" | "the same";
  /** The winding of what was just wound goes on, in turns of its own. */
  isInTurn?: true;
  /** It is of the stuff that was named before: “thorax: same”; what else is said of it is read once that is known. */
  isOfSame?: true;
  /** The part is that of the line's head, not its own. */
  isInherited?: boolean;
  /** What a coat goes on, where that is told by its stuff. */
  onto?: Description;
  /** Other parts on which it goes as well: “coat the head and the eyes”. */
  alsoOn?: Role[];
  kind: Kind;
  said: Said;
  understood: Span[];
  /** Words kept as they were said: a manner, an instruction in brackets. */
  kept: Span[];
  loose: (Span & { words: string; noun: string })[];
  rest: Span[];
}

/** What the scanning of a line asks of the bench as the lines before it left it. */
export interface ScanContext {
  index: CabinetIndex;
  /** Form of what a part is tied of already, where the line names no material. */
  formOf: (role: Role | undefined, description: Description | undefined) => MaterialForm | undefined;
  /** A strand of this part only waits to be wound: a length said of it is that of the piece. */
  waits: (role: Role | undefined, form: MaterialForm | undefined) => boolean;
  /** A noun by which a list ahead of the steps has named something: “lace”, of black stretch lace. */
  isNamed?: (noun: string) => boolean;
}

/** What comes of one look at a place: more of what is told, or where another thing begins. */
export type Next = { told: Told; end: number } | "verb" | "another";

/** The form of what is told of, as far as its words say it. */
export const formTold = ({ description }: Told): MaterialForm | undefined => formSaid(description);

/** A clause of its own for a stretch of another, all of which was read. */
export const splitOff = (t: Told, span: Span, own: Pick<Told, "verb" | "kind" | "role" | "part" | "said">): Told => ({
  ...t,
  ...own,
  ...span,
  understood: [span],
  kept: [],
  loose: [],
  rest: [],
});

/** The words of two clauses that become one. */
export const wordsOf = (a: Told, b: Told): Pick<Told, "understood" | "kept" | "loose" | "rest"> => ({
  understood: [...a.understood, ...b.understood],
  kept: [...a.kept, ...b.kept],
  loose: [...a.loose, ...b.loose],
  rest: [...a.rest, ...b.rest],
});

/** “Red hackle, small bunch”: that a feather is one is only its noun, and answers nothing. */
const isOneFeather = (amount: NonNullable<Said["amount"]>): boolean =>
  "feathers" in amount && amount.feathers === 1 && amount.part === undefined;
/** A bunch whose thickness is said, a pinch that is told how full or how long it is, are no loose words any more. */
export const looseLeft = (loose: Told["loose"], said: Said): Told["loose"] =>
  (said.amount && !isOneFeather(said.amount)) ||
  said.rule?.turns !== undefined ||
  said.thickLike !== undefined ||
  said.fullness ||
  said.noodle
    ? loose.filter((l) => !/^some$|bunch|clump|bundle|tuft|wisp|pinch|amount|little|bit|touch/.test(l.words))
    : loose;
