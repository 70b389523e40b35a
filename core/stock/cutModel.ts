import { lpOf, type LpRow, type LpTerm, type SolveLp } from "../numeric";
import { leftOf, type CutProblem, type Cuts } from "./cutSearch";

/**
 * The best list of all by a mixed-integer solver: three programs, one for each goal, the later with the earlier held.
 * @returns undefined where the solver stopped before its end
 */
export function solvedCuts(p: CutProblem, solve: SolveLp): Cuts | undefined {
  const rows = fits(p);
  const all = p.bins.flatMap((_, b) => pieces(p, b));
  const remnants = p.bins.flatMap((bin, b) => (bin.fresh ? [] : pieces(p, b)));
  const most = optimum(p, solve, rows, all);
  if (!most) return undefined;
  rows.push({ terms: all, least: amountOf(p, most, () => true) });
  const fromRemnants = optimum(p, solve, rows, remnants);
  if (!fromRemnants) return undefined;
  rows.push({ terms: remnants, least: amountOf(p, fromRemnants, (b) => p.bins[b]?.fresh !== true) });
  return leastWaste(p, solve, rows);
}

/** Pieces of length i from bin b. */
const piecesVar = (b: number, i: number): string => `x${b}_${i}`;

/** Lengths are written in mm: solvers reckon best with numbers near one. */
const MM = 1000;

const pieces = (p: CutProblem, b: number): LpTerm[] =>
  p.lengths.map((l, i) => ({ times: l / MM, of: piecesVar(b, i) }));

function fits(p: CutProblem): LpRow[] {
  const perBin = p.bins.map((bin, b) => ({
    terms: p.lengths.map((l, i) => ({ times: (l + p.lost) / MM, of: piecesVar(b, i) })),
    most: bin.capacity / MM,
  }));
  const perLength = p.lengths.map((_, i) => ({
    terms: p.bins.map((_bin, b) => ({ times: 1, of: piecesVar(b, i) })),
    most: p.counts[i] ?? 0,
  }));
  return [...perBin, ...perLength];
}

const general = (p: CutProblem): string[] => p.bins.flatMap((_, b) => p.lengths.map((_l, i) => piecesVar(b, i)));

function optimum(p: CutProblem, solve: SolveLp, rows: LpRow[], most: LpTerm[]): Cuts | undefined {
  const objective = most.map((t) => ({ ...t, times: -t.times }));
  return cutsOf(p, solve(lpOf({ objective, rows, general: general(p), binary: [] })));
}

/** What is left of a bin that is cut is wasted unless it is long enough to keep. */
function leastWaste(p: CutProblem, solve: SolveLp, rows: LpRow[]): Cuts | undefined {
  const extra: LpRow[] = [];
  const binary: string[] = [];
  p.bins.forEach((bin, b) => {
    const size = bin.capacity / MM;
    const cut = p.lengths.map((l, i) => ({ times: (l + p.lost) / MM, of: piecesVar(b, i) }));
    binary.push(`u${b}`, `k${b}`);
    // Cut at all: u = 1; then w ≥ what is left, unless k = 1, and k = 1 only with at least `keep` left.
    extra.push({ terms: [...cut, { times: -size, of: `u${b}` }], most: 0 });
    extra.push({
      terms: [{ times: 1, of: `w${b}` }, ...cut, { times: -size, of: `u${b}` }, { times: size, of: `k${b}` }],
      least: 0,
    });
    extra.push({ terms: [...cut, { times: p.keep / MM, of: `k${b}` }], most: size });
  });
  const lost = p.bins.flatMap((_, b) => p.lengths.map((_l, i) => ({ times: p.lost / MM, of: piecesVar(b, i) })));
  const objective = [...p.bins.map((_, b) => ({ times: 1, of: `w${b}` })), ...(p.lost > 0 ? lost : [])];
  return cutsOf(p, solve(lpOf({ objective, rows: [...rows, ...extra], general: general(p), binary })));
}

/** The list of an answer; none where it is not the optimum, or does not fit when looked at in whole µm. */
function cutsOf(p: CutProblem, answer: ReturnType<SolveLp>): Cuts | undefined {
  if (!answer.optimal) return undefined;
  const cuts = p.bins.map((_, b) => p.lengths.map((_l, i) => Math.round(answer.values[piecesVar(b, i)] ?? 0)));
  const isWithin = p.bins.every((bin, b) => leftOf(p, bin, cuts[b] ?? []) >= 0);
  const isWanted = p.counts.every((n, i) => cuts.reduce((sum, c) => sum + (c[i] ?? 0), 0) <= n);
  return isWithin && isWanted ? cuts : undefined;
}

/** A hair less than what was reached, so that rounding does not rule it out. */
const amountOf = (p: CutProblem, cuts: Cuts, isCounted: (b: number) => boolean): number =>
  cuts.reduce((sum, c, b) => sum + (isCounted(b) ? p.lengths.reduce((s, l, i) => s + l * (c[i] ?? 0), 0) : 0), 0) / MM -
  1e-4;
