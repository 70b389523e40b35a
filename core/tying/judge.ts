import type { HookGeometry } from "../hooks";
import { midpoint, stationAt, stationsOf, type Profile } from "./profile";
import type { StepResult, Warning } from "./types";

/** Longest head, in eye lengths. */
const HEAD_LENGTHS = 1.5;
/** Fullest head, as a share of the gape. */
const HEAD_OF_GAPE = 0.3;
/** Fullest body at the point, as a share of the gape. */
const BODY_OF_GAPE = 0.6;
/** How far in front of the point a body is in its way, in gapes. */
const BEFORE_POINT = 0.5;
/** Height in mm from which a ledge shows through tinsel, floss or thread. */
const LEDGE_MM = 0.25;
/** How near the end of a part stands to the ledge that it makes, in mm. */
const LEDGE_NEAR = 0.75;
const SLACK = 1e-9;

/**
 * Judge the tied fly for the usual faults: a crowded or bulky head, a point that no longer clears, a ledge that shows.
 *
 * @param results in working order
 * @returns warnings, each with the step that causes it; empty when nothing is wrong
 *
 * Source: docs/arithmetic.md, "Crowding". Bulk is judged on the second profile.
 */
export function judge(hook: HookGeometry, profile: Profile, results: StepResult[]): Warning[] {
  const whip = results.findLast((r) => r.do === "whip");
  return [
    ...(whip ? judgeHead(hook, whip, results) : []),
    ...judgePoint(hook, profile, results),
    ...judgeLedges(results),
  ];
}

function judgeHead(hook: HookGeometry, whip: StepResult, results: StepResult[]): Warning[] {
  const warnings: Warning[] = [];
  const headLength = whip.headLength ?? 0;
  if (headLength > HEAD_LENGTHS * hook.eye + SLACK)
    warnings.push({
      step: whip.id,
      code: "HEAD_CROWDS_EYE",
      details: { name: whip.name, headMm: headLength },
    });
  const covers = results.filter(
    (r) => (r.do === "wind" || r.do === "dress" || r.do === "lay") && r.id !== whip.id && overlap(r, whip) > 0,
  );
  const full = whip.headBulk ?? 0;
  const bead = results.find((r) => r.do === "seat" && r.from < SLACK);
  // Behind a bead the knot hides as long as it is no fuller than the bead.
  const mostMm = Math.max(HEAD_OF_GAPE * hook.gape, bead?.fullMm ?? 0);
  if (full > mostMm + SLACK) {
    const bulkiest = covers.reduce<StepResult | undefined>(
      (most, r) => (most === undefined || bulkIn(r, whip) > bulkIn(most, whip) ? r : most),
      undefined,
    );
    warnings.push({
      step: (bulkiest ?? whip).id,
      code: "HEAD_BULKY",
      details: { name: (bulkiest ?? whip).name, fullMm: full, mostMm, beaded: bead !== undefined },
    });
  }
  const intruder = bead
    ? undefined
    : covers.find((r) => r.do !== "lay" && r.strands !== undefined && overlap(r, whip) > 0.34 * (whip.to - whip.from));
  if (intruder)
    warnings.push({
      step: intruder.id,
      code: "PART_IN_HEAD",
      details: { name: intruder.name, intrudesMm: overlap(intruder, whip), endAtMm: whip.to },
    });
  return warnings;
}

const overlap = (a: StepResult, b: StepResult): number => Math.max(0, Math.min(a.to, b.to) - Math.max(a.from, b.from));
/** What a step adds to the head: its own growth over the share of the head that it covers. */
const bulkIn = (r: StepResult, whip: StepResult): number => (r.growthMm ?? 0) * overlap(r, whip);

/** From half a gape in front of the point to the bend: fuller than 0.6·G, and the hook point no longer clears. */
function judgePoint(hook: HookGeometry, profile: Profile, results: StepResult[]): Warning[] {
  const [first, last] = stationsOf(profile, Math.max(0, hook.point - BEFORE_POINT * hook.gape), hook.shank);
  let worst = first;
  for (let i = first; i < last; i++) if (stationAt(profile.body, i) > stationAt(profile.body, worst)) worst = i;
  const full = stationAt(profile.body, worst);
  if (full <= BODY_OF_GAPE * hook.gape + SLACK) return [];
  const x = midpoint(profile, worst);
  const culprit = results.findLast(
    (r) => r.do !== "seat" && r.do !== "act" && r.do !== "glue" && r.from <= x && x < r.to && r.growth !== 0,
  );
  return [
    {
      step: culprit?.id ?? "",
      code: "POINT_NOT_CLEAR",
      details: { name: culprit?.name, fullMm: full },
    },
  ];
}

/** Ledges under a tinsel, floss or thread body: at an end of a weight, behind a bead, at cut butts. */
function judgeLedges(results: StepResult[]): Warning[] {
  return results.flatMap((over, i): Warning[] => {
    if (!over.ledge || over.ledge.heightMm <= LEDGE_MM + SLACK) return [];
    const { atMm, heightMm } = over.ledge;
    const near = (x: number): number => Math.abs(x - atMm);
    const made = results
      .slice(0, i)
      .filter((r) => r.to > r.from && r.do !== "whip" && Math.min(near(r.from), near(r.to)) <= LEDGE_NEAR)
      .reduce<StepResult | undefined>((most, r) => (heightOf(r) > heightOf(most) ? r : most), undefined);
    return [
      {
        step: (made ?? over).id,
        code: "STEP_SHOWS",
        details: { name: (made ?? over).name, over: over.name, heightMm, atMm },
      },
    ];
  });
}

const heightOf = (r: StepResult | undefined): number => (r === undefined ? -1 : (r.growthMm ?? 0));
