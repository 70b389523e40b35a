import type { SolveLp } from "../numeric";
import { guard } from "../units";
import { solvedCuts } from "./cutModel";
import { boundOf, bestCuts, greedyCuts, isBetter, leftOf, valueOf, type CutProblem, type Cuts } from "./cutSearch";

/** A length to cut from: a remnant, or one that is not begun. */
export interface CutStock {
  id: string;
  lengthMm: number;
  /** Not begun yet: only cut when remnants do not hold what is wanted. */
  fresh?: boolean;
}

export interface CutWanted {
  lengthMm: number;
  count: number;
}

export interface CutRules {
  /** What is left of a length and at least so long stays a remnant; shorter is waste. */
  keepMm: number;
  /** Lost with every piece that is cut. */
  lostMm?: number;
  /** States times ways that are looked at, at most; more than that is not searched to its end. */
  most?: number;
}

export interface Cut {
  stock: string;
  pieces: CutWanted[];
  leftMm: number;
  /** Whether what is left is long enough to keep. */
  kept: boolean;
}

export interface CutList {
  /** Only lengths that are cut at all, in the order in which they are cut. */
  cuts: Cut[];
  /** Wanted, and from nothing to be had. */
  uncut: CutWanted[];
  /** Length of the pieces cut in all, and of those from remnants. */
  cutMm: number;
  fromRemnantsMm: number;
  wasteMm: number;
  /** Whether no list is better. */
  proved: boolean;
  /** No list cuts more than this, nor more than this from remnants; equal to what is reached when proved. */
  bound: { cutMm: number; fromRemnantsMm: number };
}

const UM = 1000;
const STEPS = 20_000_000;
const MOST_PIECES = 5000;
const MOST_LENGTHS = 200;

/**
 * Cut lengths from remnants and fresh lengths: as much of what is wanted as can be, of that as much as can be from
 * remnants, and of such lists the one that wastes least. What is left and long enough to keep is not waste.
 *
 * @param stock lengths > 0 mm, ids once each; remnants are cut before fresh ones, the shorter first
 * @param wanted up to 60 pieces of few lengths are searched to the end, and mostly far more
 * @param solve a mixed-integer solver, for many different lengths; without it such lists may stay unproved
 * @returns what to cut from what; `proved` says that no list is better; where it is not proved, `bound` says how much
 *   better
 *   one could be at most
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 * @example cutList([{ id: "a", lengthMm: 130 }, { id: "b", lengthMm: 65 }], [{ lengthMm: 60, count: 3 }], { keepMm:
 *   40 })
 *   // two from a, one from b, 15 mm wasted, proved
 *
 * Method: first every length is filled as full as it can be, several ways round (subset sums); a list that reaches
 * the bound (each length's best fill by itself) is proved. Otherwise dynamic programming over (length to cut from,
 * pieces still wanted), which is exact, as long as that has no more than `most` steps: a handful of different
 * lengths. For more of them a mixed-integer solver is asked, where one is given. Source: the one-dimensional cutting
 * stock problem (P. C. Gilmore, R. E. Gomory 1961), with remnants of many lengths.
 */
export function cutList(
  stock: readonly CutStock[],
  wanted: readonly CutWanted[],
  rules: CutRules,
  solve?: SolveLp,
): CutList {
  guardCuts(stock, wanted, rules);
  const lost = um(rules.lostMm ?? 0);
  const lengths = [...new Set(wanted.filter((w) => w.count > 0).map((w) => um(w.lengthMm)))].sort((a, b) => b - a);
  const counts = lengths.map((l) => wanted.reduce((n, w) => n + (um(w.lengthMm) === l ? w.count : 0), 0));
  const bins = [...stock]
    .map((s) => ({ id: s.id, fresh: s.fresh === true, capacity: um(s.lengthMm) }))
    .sort((a, b) => Number(a.fresh) - Number(b.fresh) || a.capacity - b.capacity || a.id.localeCompare(b.id));
  return bestList({ lengths, lost, keep: um(rules.keepMm), counts, bins }, rules.most ?? STEPS, solve);
}

const um = (mm: number): number => Math.round(mm * UM);

function guardCuts(stock: readonly CutStock[], wanted: readonly CutWanted[], rules: CutRules): void {
  for (const s of stock) guard("a length to cut from", s.lengthMm, { least: 0.001, most: 100_000_000, unit: "mm" });
  for (const w of wanted) {
    guard("a length to cut", w.lengthMm, { least: 0.1, most: 1_000_000, unit: "mm" });
    guard("the pieces of a length", w.count, { least: 0, most: MOST_PIECES, whole: true });
  }
  guard(
    "the pieces in all",
    wanted.reduce((n, w) => n + w.count, 0),
    { least: 0, most: MOST_PIECES, whole: true },
  );
  guard("the lengths to cut from", stock.length, { least: 0, most: MOST_LENGTHS, whole: true });
  guard("the length that is kept", rules.keepMm, { least: 0, most: 1_000_000, unit: "mm" });
  guard("what a cut loses", rules.lostMm, { least: 0, most: 1000, unit: "mm" });
}

function bestList(p: CutProblem, most: number, solve: SolveLp | undefined): CutList {
  const bound = boundOf(p);
  let cuts = greedyCuts(p);
  let isProved = !isBetter(bound, valueOf(p, cuts));
  if (!isProved) {
    const exact = bestCuts(p, most) ?? (solve && solvedCuts(p, solve));
    if (exact && !isBetter(valueOf(p, cuts), valueOf(p, exact))) {
      cuts = exact;
      isProved = true;
    }
  }
  const value = valueOf(p, cuts);
  const limit = isProved ? value : bound;
  return {
    ...told(p, cuts),
    cutMm: value.cut / UM,
    fromRemnantsMm: value.remnants / UM,
    wasteMm: value.waste / UM,
    proved: isProved,
    bound: { cutMm: limit.cut / UM, fromRemnantsMm: limit.remnants / UM },
  };
}

/** The list in mm, with what is left of each length. */
function told(p: CutProblem, cuts: Cuts): Pick<CutList, "cuts" | "uncut"> {
  const named = (pieces: readonly number[]): CutWanted[] =>
    p.lengths.flatMap((l, i) => ((pieces[i] ?? 0) > 0 ? [{ lengthMm: l / UM, count: pieces[i] ?? 0 }] : []));
  const done = p.bins.flatMap((bin, b): Cut[] => {
    const pieces = cuts[b] ?? [];
    if (!pieces.some((n) => n > 0)) return [];
    const left = leftOf(p, bin, pieces);
    return [{ stock: bin.id, pieces: named(pieces), leftMm: left / UM, kept: left > 0 && left >= p.keep }];
  });
  return { cuts: done, uncut: named(p.counts.map((n, i) => n - cuts.reduce((sum, c) => sum + (c[i] ?? 0), 0))) };
}
