/** What a batch must have before it is released to a bench. */
export interface GateInput {
  missingFromPattern: string[];
  shortages: string[];
  /** Components whose reservation mixes dye lots without anybody having said so. */
  mixedLots: string[];
  /** Skills that the pattern asks for, and people who have them all. */
  skills: string[];
  peopleAble: number;
  stationsDown: string[];
}

/** Reasons that hold a batch back, as sentences; empty when it may be released. */
export function gateReasons(g: GateInput): string[] {
  return [
    ...g.missingFromPattern.map((m) => `The pattern is incomplete: ${m}.`),
    ...g.shortages.map((s) => `Short of ${s}.`),
    ...g.mixedLots.map((m) => `The ${m} would mix dye lots. Choose one lot, or say that mixing is accepted.`),
    ...(g.peopleAble === 0 ? [`Nobody in the room has every skill that it asks for: ${g.skills.join(", ")}.`] : []),
    ...g.stationsDown.map((s) => `The ${s} station is down.`),
  ];
}
