import type { MaterialForm } from "../materials";
import { formTold, type Told } from "./told";
import { goesOver, isBareBundle } from "./verbs/across";
import { ofBand, pulledRole } from "./verbs/takeOver";

/** Something that a recipe pulls over without naming a part. */
export interface Pull {
  line: number;
  at: number;
  /** What it is called, where it is called anything. */
  stuff?: string;
  /** Where that was tied in of which only “it” or “the slip” is said; and whether more than a thorax comes under it. */
  of?: { line: number; at: number; isBack: boolean };
}

/** What can cover something when it is pulled over. */
const covering = new Set<MaterialForm | undefined>([
  "quill",
  "feather fibre",
  "stretch body",
  "yarn",
  "herl",
  "hair",
  "hackle",
]);
/**
 * What the lines of a recipe pull over without naming a part, and where it was tied in: what was bound in last, under
 * nothing yet, before something was dubbed or wound that it can cover.
 *
 * @param all the clauses of each line, in order; none of a line that tells no step
 * @param texts the lines, in small letters
 */
export function pullsOf(all: readonly (readonly Told[])[], texts: readonly string[]): Pull[] {
  const clauses = all.flatMap((those, line) => those.map((t) => ({ t, line })));
  return clauses.flatMap(({ t, line }, n): Pull[] => {
    if (t.verb !== "take over" || pulledRole(t) !== undefined) return [];
    const stuff = t.description?.text;
    const words = (texts[line] ?? "").slice(t.at, t.end);
    const isBare = stuff === undefined ? t.rest.length === 0 : isBareBundle(stuff);
    const goes = goesOver(words);
    const of = goes
      ? (isBare ? boundInBefore : bandOf(stuff ?? bandNamed(t, texts[line] ?? "")))(clauses.slice(0, n))
      : undefined;
    return [{ line, at: t.at, ...(stuff !== undefined && { stuff }), ...(of && { of }) }];
  });
}

/** What covers all of a fly, and is called by what it is. */
const bands = new Set<MaterialForm | undefined>(["stretch body", "tinsel", "yarn", "herl", "floss", "chenille"]);
const isOver = new Set<Told["role"]>(["rib", "thread", "hackle", "collar", "weight"]);
/** “Pull the film over”: a word that says no more than of what it is. */
const bandNamed = ({ rest }: Told, text: string): string =>
  rest.map((r) => text.slice(r.at, r.end).trim()).find((w) => ofBand.test(w)) ?? "";

/** “Tie in a strip of foam, dub the body, fold the foam over”: where the strip was tied in of which that is said. */
const bandOf =
  (stuff: string) =>
  (clauses: readonly Clause[]): Pull["of"] => {
    const called = stuff.trim().toLowerCase().split(/\s+/).at(-1) ?? "";
    const isMeant = ({ t }: Clause): boolean =>
      bands.has(formTold(t)) &&
      (t.description?.text
        .toLowerCase()
        .split(/[^a-z]+/)
        .includes(called) ??
        false);
    const at = called === "" ? -1 : clauses.findLastIndex(isMeant);
    const bound = clauses[at];
    const under = clauses.slice(at + 1).filter(({ t }) => isBuilt(t) && !isOver.has(t.role));
    if (!bound || under.length === 0 || bound.t.role !== undefined || !isOnlyTiedIn(bound.t)) return undefined;
    return { line: bound.line, at: bound.t.at, isBack: under.some(({ t }) => t.role !== "thorax") };
  };
/** “A strip, tied in at the bend”, of which no turns are told: it waits as what a verb ties in. */
const isOnlyTiedIn = ({ kind, verb, said }: Told): boolean =>
  kind === "lay" || (verb === undefined && said.tieIn !== undefined && said.rule === undefined);
const isBuilt = ({ kind }: Told): boolean => kind === "dress" || kind === "wind";

interface Clause {
  t: Told;
  line: number;
}
function boundInBefore(clauses: readonly Clause[]): Pull["of"] {
  const at = clauses.findLastIndex(
    ({ t }) =>
      ((t.kind === "lay" && t.verb === "tie in") || (t.kind === "wind" && isOnlyTiedIn(t))) &&
      covering.has(formTold(t)),
  );
  const under = clauses.slice(at + 1).filter(({ t }) => isBuilt(t));
  const bound = clauses[at];
  if (!bound || under.length === 0 || bound.t.role !== undefined) return undefined;
  return { line: bound.line, at: bound.t.at, isBack: under.some(({ t }) => t.role !== "thorax") };
}
