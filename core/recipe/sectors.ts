import { sectors, type Sector } from "./amount";

/**
 * A number of pieces shared out round the shank. Whole pieces only: what is left over after the whole shares goes to
 * the largest remainders, ties to the side named first (top, underside, near, far).
 * @param n pieces, a whole number ≥ 0
 * @param shares parts by side, each > 0
 * @returns pieces by side, adding up to n
 */
export function shareOut(n: number, shares: Partial<Record<Sector, number>>): Partial<Record<Sector, number>> {
  const named = sectors.filter((s) => shares[s] !== undefined);
  const whole = named.reduce((sum, s) => sum + (shares[s] ?? 0), 0);
  const exact = named.map((s) => ({ s, exact: (n * (shares[s] ?? 0)) / whole }));
  const given = new Map(exact.map(({ s, exact: e }) => [s, Math.floor(e + 1e-9)]));
  let left = n - [...given.values()].reduce((a, b) => a + b, 0);
  for (const { s } of [...exact].sort((a, b) => (b.exact % 1) - (a.exact % 1))) {
    if (left <= 0) break;
    given.set(s, (given.get(s) ?? 0) + 1);
    left--;
  }
  return Object.fromEntries(given);
}

/** “6 near and 6 far”; a side that gets nothing is not named. */
export const shareWords = (shared: Partial<Record<Sector, number>>): string =>
  sectors.flatMap((s) => (shared[s] ? [`${shared[s]} ${s}`] : [])).join(" and ");
