import type { MaterialForm } from "../materials";
import { formTold, type Told } from "./told";
import { goesOver, isBareBundle } from "./verbs/across";
import { pulledRole } from "./verbs/takeOver";

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
    const of = goesOver(words) && isBare ? boundInBefore(clauses.slice(0, n)) : undefined;
    return [{ line, at: t.at, ...(stuff !== undefined && { stuff }), ...(of && { of }) }];
  });
}

function boundInBefore(clauses: readonly { t: Told; line: number }[]): Pull["of"] {
  const at = clauses.findLastIndex(({ t }) => t.kind === "lay" && t.verb === "tie in" && covering.has(formTold(t)));
  const under = clauses.slice(at + 1).filter(({ t }) => t.kind === "dress" || t.kind === "wind");
  const bound = clauses[at];
  if (!bound || under.length === 0 || bound.t.role !== undefined) return undefined;
  return { line: bound.line, at: bound.t.at, isBack: under.some(({ t }) => t.role !== "thorax") };
}
