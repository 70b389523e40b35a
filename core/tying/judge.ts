import type { HookGeometry } from "../hooks";
import { midpoint, stationAt, stationsOf, type Profile } from "./profile";
import type { StepResult, Warning } from "./types";

/** Longest head, in eye lengths. */
const HEAD_LENGTHS = 1.5;
/** Fullest head, in eye lengths: beyond it the head hides the eye from the side. */
const HEAD_FULLEST = 1.6;
/** Fullest body over the point, as a share of the gape. */
const BODY_OF_GAPE = 0.6;
/** A sudden step of this share of the gape shows through what is wound over it. */
const LEDGE_OF_GAPE = 0.08;

/**
 * Judge the tied fly for the usual faults: a crowded or bulky head, a point that no longer clears, a ledge that shows.
 *
 * @param results in working order
 * @returns warnings, each with the step that causes it; empty when nothing is wrong
 *
 * Source: docs/arithmetic.md, "Crowding". The limits for bulk and ledges are the room's own, nominal figures.
 */
export function judge(hook: HookGeometry, profile: Profile, results: StepResult[]): Warning[] {
  const whip = results.findLast((r) => r.do === "whip");
  return [
    ...(whip ? judgeHead(hook, whip, results) : []),
    ...judgePoint(hook, profile, results),
    ...judgeLedges(hook, results),
  ];
}

function judgeHead(hook: HookGeometry, whip: StepResult, results: StepResult[]): Warning[] {
  const warnings: Warning[] = [];
  const headLength = whip.headLength ?? 0;
  if (headLength > HEAD_LENGTHS * hook.eye + 1e-9)
    warnings.push({
      step: whip.id,
      code: "HEAD_CROWDS_EYE",
      details: { name: whip.name, headMm: headLength },
    });
  const covers = results.filter(
    (r) => (r.do === "wind" || r.do === "dress" || r.do === "lay") && r.id !== whip.id && overlap(r, whip) > 0,
  );
  const full = whip.headDiameter ?? 0;
  if (full > HEAD_FULLEST * hook.eye + 1e-9) {
    const bulkiest = covers.reduce<StepResult | undefined>((most, r) => (added(r) > added(most) ? r : most), undefined);
    warnings.push({
      step: (bulkiest ?? whip).id,
      code: "HEAD_BULKY",
      details: { name: (bulkiest ?? whip).name, fullMm: full, mostEyes: HEAD_FULLEST },
    });
  }
  const isBeaded = results.some((r) => r.do === "seat" && r.from < 1e-9);
  const intruder = isBeaded
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
const added = (r: StepResult | undefined): number => (r ? (r.growth ?? 0) + (r.strands ?? 0) * 0.05 : -1);

/** Between 0.4·S and the point: fuller than 0.6·G, and the hook point no longer clears. */
function judgePoint(hook: HookGeometry, profile: Profile, results: StepResult[]): Warning[] {
  const [first, last] = stationsOf(profile, 0.4 * hook.shank, hook.point);
  let worst = first;
  for (let i = first; i < last; i++) if (stationAt(profile.body, i) > stationAt(profile.body, worst)) worst = i;
  const full = stationAt(profile.body, worst);
  if (full <= BODY_OF_GAPE * hook.gape + 1e-9) return [];
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

/**
 * Ledges: where weight or bound ends stop abruptly and what is wound over them next is thin, the step shows in the
 * body. A winding that begins within the ledge's reach and adds less than the ledge's height does not hide it.
 */
function judgeLedges(hook: HookGeometry, results: StepResult[]): Warning[] {
  const limit = LEDGE_OF_GAPE * hook.gape;
  return results.flatMap((r, i): Warning[] => {
    if (r.do !== "wind" || r.strands === undefined || !(r.growth && r.growth > 0)) return [];
    const height = ledgeOf(r);
    if (height <= limit) return [];
    const over = results
      .slice(i + 1)
      .find((s) => (s.do === "wind" || s.do === "dress") && s.from < r.to && r.to < s.to && s.growth !== 0);
    if (!over || over.do === "dress" || (over.growthMm ?? 0) >= height) return [];
    return [
      {
        step: r.id,
        code: "STEP_SHOWS",
        details: { name: r.name, over: over.name, heightMm: height },
      },
    ];
  });
}

/** Height of the ledge that a winding leaves at its rear end. */
const ledgeOf = (r: StepResult): number => (r.growthMm ?? 0) / 2;
