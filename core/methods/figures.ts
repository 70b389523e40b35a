/** Lengths and shares that a school brings with it, in mm; docs/arithmetic.md, "Methods". */
export const methodFigures = {
  /** Tied in by the tip, the fine end is doubled back and bound. */
  tipDoubledBack: 5,
  /** Wire broken by twisting leaves this much at the hook. */
  brokenEnd: 2,
  /** Butts trimmed after tying in stand this far out. */
  longButts: 12,
  /** A piece cut beforehand is longer than it winds, for holding. */
  cutHandling: 20,
  /** Share of touched dubbing that does not stay on the waxed thread. */
  touchedLoss: 0.5,
  /** Hair that a stacker leaves behind, as a multiple of what stays. */
  stackedOver: 1.15,
  /** Fibres taken by eye come out richer than counted ones. */
  byEyeOver: 1.15,
  /** Dubbing put on amply and reduced: share of what was put on that is taken off again. */
  reducedLoss: 0.2,
  /** Wraps where as few as hold secure a part, and where it is secured against slipping. */
  fewWraps: 3,
  severalWraps: 8,
  /** Tips levelled by hand, the short ones drawn out, as a multiple of what stays. */
  handLevelledOver: 1.1,
  /** Wraps more where the thread alone holds weighted eyes. */
  threadOnlyWraps: 6,
} as const;

/** From so many flies on pairs are matched, and pieces cut, for all of them beforehand. */
export const PAIRS_IN_BULK = 24;
export const PIECES_IN_BULK = 36;
const bulkFrom = [PAIRS_IN_BULK, PIECES_IN_BULK];
/** Between two of these numbers, more flies change no way of tying. */
export const bulkStep = (flies: number | undefined): number =>
  bulkFrom.filter((n) => flies !== undefined && flies >= n).length;
