/** One summand of a linear form. */
export interface LpTerm {
  times: number;
  of: string;
}

export interface LpRow {
  terms: readonly LpTerm[];
  least?: number;
  most?: number;
}

export interface Lp {
  /** To be made as small as can be. */
  objective: readonly LpTerm[];
  rows: readonly LpRow[];
  general: readonly string[];
  binary: readonly string[];
}

/** Terms in one line each: solvers limit the length of a line, and people read it. */
const sum = (terms: readonly LpTerm[]): string =>
  terms.length === 0
    ? "0 none"
    : terms.map((t) => `${t.times < 0 ? "-" : "+"} ${String(Math.abs(t.times))} ${t.of}`).join("\n  ");

/**
 * A mixed-integer program as text in the LP format, which solvers read.
 * Source: the LP file format in common use; variables without a bound are ≥ 0.
 */
export function lpOf({ objective, rows, general, binary }: Lp): string {
  const lines = rows.flatMap((r, i) => [
    ...(r.least === undefined ? [] : [` l${i}: ${sum(r.terms)} >= ${r.least}`]),
    ...(r.most === undefined ? [] : [` m${i}: ${sum(r.terms)} <= ${r.most}`]),
  ]);
  return [
    "Minimize",
    ` cost: ${sum(objective)}`,
    "Subject To",
    ...lines,
    ...(general.length > 0 ? ["General", ...general.map((v) => ` ${v}`)] : []),
    ...(binary.length > 0 ? ["Binary", ...binary.map((v) => ` ${v}`)] : []),
    "End",
    "",
  ].join("\n");
}

/**
 * Solves a mixed-integer program written in the LP format, with its gap at 0. Given by whoever calls: a solver is a
 * large library of its own. `optimal` is false when it stopped before its end; its values are then a solution all the
 * same, or empty where it found none.
 */
export type SolveLp = (lp: string) => { optimal: boolean; status: string; values: Record<string, number> };
