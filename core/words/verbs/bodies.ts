import type { Place } from "../../hooks";
import type { RecipeStep } from "../../recipe";
import type { Bench, Telling } from "../bench";
import type { Said } from "../said";
import { alongShank } from "../settle";
import { frontOf } from "./places";

/** What was wound or dubbed as the body so far, in its order. */
function bodiesMade(bench: Bench): (RecipeStep & { do: "wind" | "dress" })[] {
  const roles = new Map(bench.components.map((c) => [c.id, c.role]));
  return bench.made.flatMap(({ step }) =>
    (step.do === "wind" || step.do === "dress") && roles.get(step.component ?? "") === "body" ? [step] : [],
  );
}

const REAR = 0.8;
export const rearOf = (s: { from: Place; to?: Place }): Place =>
  s.to && alongShank(s.to) > alongShank(s.from) ? s.to : s.from;

/** The first step of the body, where there is one already. */
export const bodyBefore = (bench: Bench): string | undefined => bodiesMade(bench)[0]?.id;

/** “Rib: gold over the floss”: as far as that one goes, where the body is of several. */
export function coveredBy(said: Said, bench: Bench): { front: Place; rear: Place } | undefined {
  if (said.over === undefined || said.from || said.begin || said.end || said.there) return undefined;
  const bodies = bodiesMade(bench);
  const word = said.over.toLowerCase().replace(/s$/, "");
  const meant = bodies.find((step) => {
    const material = bench.materialOf(bench.component(step.component));
    return material !== undefined && `${material.name} ${material.form}`.toLowerCase().includes(word);
  });
  return bodies.length > 1 && meant ? { front: frontOf(meant.from, meant.to), rear: rearOf(meant) } : undefined;
}

const madeInLine = ({ bench, line }: Telling, role: string) =>
  bench.made.filter((m) => m.line === line.number && bench.component(m.step.component)?.role === role);

/**
 * “front half: black fur, ribbed with gold”: the body of the same line, if it does not begin at the bend; of several
 * the last, where the one before it has a rib of its own.
 */
export function bodyOfLine(t: Telling) {
  const bodies = madeInLine(t, "body");
  const before = bodies.at(-2);
  const isApart = before && madeInLine(t, "rib").some((m) => t.bench.made.indexOf(m) > t.bench.made.indexOf(before));
  const step = bodies.length === 1 || isApart ? bodies.at(-1)?.step : undefined;
  const isOwn = (step?.do === "wind" || step?.do === "dress") && step.to && alongShank(rearOf(step)) < REAR;
  return isOwn ? step : undefined;
}

const OF_EACH = /\beach\s+(?:is\s+|one\s+)?ribbed\b/u;
/** “Rear half tinsel, front half fur, each ribbed with three turns”: three for either. */
export function turnsOfEach(t: Telling, said: Said): Said {
  const bodies = madeInLine(t, "body").length;
  const turns = said.rule?.turns;
  if (bodies < 2 || turns === undefined || bodyOfLine(t) || !OF_EACH.test(t.text)) return said;
  return { ...said, rule: { ...said.rule, turns: turns * bodies } };
}

/** “Thorax: yarn with brown hen palmered through it”: the thorax of the same line, as far as that goes. */
export function thoraxOfLine({ bench, line }: Telling) {
  const last = bench.made.findLast((m) => m.line === line.number)?.step;
  const isThorax = bench.component(last?.component)?.role === "thorax";
  return isThorax && (last?.do === "wind" || last?.do === "dress") && last.to ? last : undefined;
}

/** “Body: herl, mid-shank to 2 mm behind the eye”: where a body begins, if nothing of it reaches the bend. */
export function rearAhead(bench: Bench): Place | undefined {
  const rears = bodiesMade(bench).flatMap((step) => (step.to ? [rearOf(step)] : []));
  const [rear] = rears.sort((a, b) => alongShank(b) - alongShank(a));
  // Where a part is, only the tied fly tells.
  const isAtBend = rear && alongShank(rear) >= REAR && !("landmark" in rear && inFront.has(rear.landmark));
  return rear && !("part" in rear) && !isAtBend ? rear : undefined;
}

/** Where a body may begin that does not reach the bend. */
const inFront = new Set<string>(["point", "barb"]);

const LEAST_PALMER = 0.4;
/** “Rib: through the hackles”, of a fly that is all hackle: as far as that is palmered. */
export function palmerAlone(said: Said, bench: Bench): { front: Place; rear: Place } | undefined {
  if (said.from || said.begin || said.end || said.there) return undefined;
  const isLong = ({ from, to }: { from: Place; to?: Place }): boolean =>
    to !== undefined && Math.abs(alongShank(to) - alongShank(from)) > LEAST_PALMER;
  const palmer = bench.made
    .flatMap(({ step }) => (step.do === "wind" && bench.component(step.component)?.role === "hackle" ? [step] : []))
    .findLast(isLong);
  return palmer && { front: frontOf(palmer.from, palmer.to), rear: rearOf(palmer) };
}
