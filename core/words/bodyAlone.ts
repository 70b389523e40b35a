import type { MaterialForm } from "../materials";
import type { Role } from "../recipe";
import type { Pull } from "./pulls";
import { lineOf, type Reading } from "./reading";
import { formTold, type Told } from "./told";

/** Parts that lie behind the head and leave the front of the shank to the body. */
const besides = new Set<Role>([
  "hook",
  "thread",
  "bead",
  "weight",
  "tail",
  "tag",
  "butt",
  "rib",
  "body",
  "wing case",
  "legs",
]);
const ending = new Set<Role>(["finish", "head"]);
/** Of these no part is made that would lie in front of a body, also where none is named. */
const thin = new Set<MaterialForm | undefined>([
  undefined,
  "thread",
  "wire",
  "tinsel",
  "liquid",
  "bead",
  "weight wire",
]);

/** Eyes of a shrimp are at the other end. */
const isAtBend = ({ said }: Told): boolean =>
  [said.there, said.tieIn?.at, said.begin].some((at) => at && "landmark" in at && at.landmark === "bend");

/**
 * Whether a recipe that is told to its end has one body and nothing in front of it: the body of a midge or a scud
 * goes on to the head, and that of a fly with a hackle or a thorax leaves room for it.
 *
 * @param pulls what is pulled over without a part: a back goes as far as the body under it
 */
export function isBodyAlone(r: Reading, pulls: readonly Pull[]): boolean {
  const lines = r.lines.map((_, i) => i).filter((i) => lineOf(r, i).kind === "steps");
  const told = lines.flatMap((line) => r.told(line).map((t) => ({ t, line })));
  const roles = new Set([...lines.flatMap((i) => r.heads[i]?.role ?? []), ...told.flatMap(({ t }) => t.role ?? [])]);
  const areBehind = told.every(({ t }) => t.role !== "eyes" || isAtBend(t));
  if (![...roles].every((role) => besides.has(role) || ending.has(role) || (role === "eyes" && areBehind)))
    return false;
  // A shell or a back covers the whole of a scud: there is a body under all of it.
  const isShell = told.some(({ t }) => t.role === "wing case" && /^(?:shell|carapace|back)/.test(t.part ?? ""));
  const isEnded = isShell || [...ending].some((role) => roles.has(role)) || told.some(({ t }) => t.kind === "whip");
  const named = told.filter(({ t }) => t.role === "body" && t.description && formTold(t) !== "weight wire");
  // Thread is the body where it is all there is; else it lies beneath.
  const stuffed = named.filter(({ t }) => formTold(t) !== "thread");
  const isBack = ({ t, line }: { t: Told; line: number }): boolean =>
    // What is pulled over was tied in before, and goes no further than that; a thorax under it would be named.
    t.verb === "take over" ||
    pulls.some((p) => p.of?.isBack && [p, p.of].some((one) => one.line === line && one.at === t.at));
  return (
    isEnded &&
    (stuffed.length > 0 ? stuffed : named).length === 1 &&
    told.every((one) => one.t.role !== undefined || thin.has(formTold(one.t)) || isBack(one))
  );
}
