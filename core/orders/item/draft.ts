import type { Ratio } from "./ratio";
import type { Catalogue, ReadLine, Understood, DoubtDetails, Doubt } from "../types";
import type { SizesRead } from "../sizes";
import type { Coded } from "../../errors";
import type { Span } from "../spans";
import { isCourteousWord } from "../asides";
import { fold, nearest } from "../nearest";
import type { Stretch } from "../stretch";
import { plainColour } from "../names";

/** Words that say how a quantity goes with what follows: they are never part of a name. */
export const FILLER =
  /^(?:all|alle[nr]?|alles|of|the|in|sizes?|sz|x|and|und|@|-|–|#|patterns?|from|with|mit|von|in|flies|hooks?|please|bitte|also|likewise|w\/?|plus|along|together|some|colou?rs?|farbe|die|der|den|das|as|well|auch|noch|again|more|same|ditto|dito|dto|desgl|gleiche[rnms]?|dasselbe|those|ones?|qty|quantity|menge|anzahl|item|fly|artikel|a|an|to|for|für|at|&|\+|stück|dann|then|sowie|dazu|mix|mixture|assortment|nochmals?|wieder|only|nur|lieferbar|zu|inclusive|inkl|split|außerdem|zusätzlich|additionally|another|further|weitere|we|need|i|want|would|like|take|haken)$/iu;

export type Pattern = Catalogue["patterns"][number];

export type Named = { id: string; name: string };

/** A colour and the size in which it is wanted. */
export interface Pair {
  size: string;
  colour: Named;
}

export interface Draft {
  line: ReadLine;
  pattern?: Pattern;
  /** Whether its words name the pattern, or it is that of the line before. */
  isNamed: boolean;
  sizes: SizesRead | undefined;
  colours: Named[];
  /** Colours that each have sizes of their own. */
  pairs?: Pair[];
  formSaid: boolean;
  /** How the quantity goes with several sizes or colours. */
  ratio?: Ratio;
  /** Weights, where several are said: “weighted & unweighted, 1 dz each”. */
  forms?: Named[];
}

/** Sizes, colours and weights of which there is a line each. */
export interface Spread {
  sizes: ReadLine["size"][];
  variants: ReadLine["variant"][];
  forms: ReadLine["form"][];
}

/** What the statements before one leave for it. */
export interface ItemState {
  readonly catalogue: Catalogue;
  /** The fly that was named last. */
  lastPattern?: string;
  /** The line that was read last. */
  before?: ReadLine;
  /** Among what the statement before went. */
  spreadBefore: Spread;
  /** Among what the statements so far went, as long as they differed in one thing only. */
  goneThrough: Spread;
  readonly soFar: readonly ReadLine[];
}

export const sizesSoFar = (s: ItemState, pattern: string): ReadLine["size"][] => [
  ...new Set(s.soFar.filter((l) => l.pattern === pattern && l.size !== undefined).map((l) => l.size)),
];

export function coloursSoFar(s: ItemState, { id, variants }: Pattern): Named[] {
  return variants.filter((v) => s.soFar.some((l) => l.pattern === id && l.variant === v.id));
}

export function ask(
  line: ReadLine,
  field: Understood["field"],
  at: [number, number],
  why: Coded<DoubtDetails>,
  candidates: Doubt["candidates"],
): void {
  line.doubts.push({ ...why, field, at, candidates });
}

/** Where the words of a line end: before the mark that ends its sentence. */
export const endOf = ({ text, at }: ReadLine): number => at[1] - (/[\s.!?]+$/.exec(text)?.[0].length ?? 0);

/** A word that must not be passed over. */
export const isOpen = (word: Span): boolean =>
  !FILLER.test(word.text) && !isCourteousWord(word.text) && /[\p{L}\d]/u.test(word.text);

/** Signs and numbers belong to no name: a run of words must not reach across them unseen. */
export const isName = (word: Span): boolean => !/\d/.test(word.text) && fold(word.text) !== "";

/** Words one by one: what stands between them is still to be read. */
export function takeWords(stretch: Stretch, words: Span[]): void {
  for (const w of words) stretch.takeOut([w.start, w.end]);
}

export const rangeOf = (words: Span[]): [number, number] => [words[0]?.start ?? 0, words[words.length - 1]?.end ?? 0];
export const plain = (words: Span[]): Span[] => words.map((w) => ({ ...w, text: plainColour(w.text) }));

/** “Weighted” is near to “unweighted”, and its opposite. */
const isOpposite = (a: string, b: string): boolean => fold(a) === `un${fold(b)}` || fold(b) === `un${fold(a)}`;
/** Answers that are plausible: what is merely the nearest of strings is not. */
export const findClose = (said: string, names: readonly { name: string }[], least: number): Doubt["candidates"] =>
  nearest(said, names, (n) => n.name, { least }).flatMap(({ item: { name } }) =>
    isOpposite(said, name) ? [] : [{ label: name, text: name }],
  );
