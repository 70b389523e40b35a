import type { Coded, Missing } from "../errors";
import type { StockUnit } from "../units";
import type { Side } from "../materials";
import type { NotPromised } from "../recipe";

/** What holds a batch back from the bench. Quantities in base units. */
export interface GateReasonDetails {
  NOT_PROMISED: NotPromised;
  PATTERN_LACKS: { missing: Missing };
  SHORT: { material: string; quantity: number; unit: StockUnit; side?: Side; area?: string };
  MIXES_DYE_LOTS: { material: string };
  /** A controlled species, of whose lot nobody has said what papers it has. */
  PAPERS_MISSING: { material: string; species: string; lot: string };
  NOBODY_ABLE: { skills: string[] };
  STATION_DOWN: { station: string };
}
export type GateReason = Coded<GateReasonDetails>;

/** What a batch must have before it is released to a bench. */
export interface GateInput {
  notPromised: NotPromised[];
  missingFromPattern: Missing[];
  shortages: GateReasonDetails["SHORT"][];
  /** Materials whose reservation mixes dye lots without anybody having said so. */
  mixedLots: string[];
  /** Reserved lots of a controlled species without papers. */
  withoutPapers?: GateReasonDetails["PAPERS_MISSING"][];
  /** Skills that the pattern asks for, and how many people have them all. */
  skills: string[];
  peopleAble: number;
  stationsDown: string[];
}

/** Reasons that hold a batch back; empty when it may be released. */
export function gateReasons(g: GateInput): GateReason[] {
  return [
    ...g.notPromised.map((details) => ({ code: "NOT_PROMISED" as const, details })),
    ...g.missingFromPattern.map((missing) => ({ code: "PATTERN_LACKS" as const, details: { missing } })),
    ...g.shortages.map((details) => ({ code: "SHORT" as const, details })),
    ...g.mixedLots.map((material) => ({ code: "MIXES_DYE_LOTS" as const, details: { material } })),
    ...(g.withoutPapers ?? []).map((details) => ({ code: "PAPERS_MISSING" as const, details })),
    ...(g.peopleAble === 0 ? [{ code: "NOBODY_ABLE" as const, details: { skills: g.skills } }] : []),
    ...g.stationsDown.map((station) => ({ code: "STATION_DOWN" as const, details: { station } })),
  ];
}
