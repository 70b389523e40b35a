import { startsFor, type Outcomes } from "../learning";

/** Which fly: the same for everything that may share a batch. */
export interface Sku {
  pattern: string;
  variant: string;
  form: string;
  size: string;
  /** Key of what is asked beside the pattern: lines that ask otherwise share no batch. Absent where nothing is. */
  askedKey?: string;
}

/** Flies of one order line that are neither boxed, nor on the shelf for it, nor in a batch already under way. */
export interface Need {
  line: string;
  sku: Sku;
  flies: number;
  /** ISO date. */
  due: string;
  /** Customer's rank, 1 first. */
  rank: number;
  order: number;
}

export interface Claim {
  line: string;
  flies: number;
}

/** A batch that is planned but not yet released. `held`: split or merged by hand, so nothing is added to it. */
export interface PlannedBatch {
  id: string;
  sku: Sku;
  claims: Claim[];
  held: boolean;
}

export interface GatherRules {
  /** Most flies owed in one batch: what still fits the tray with the expected rejects. */
  most: number;
  /** Lines whose due dates lie at most so many days apart may share a batch. */
  windowDays: number;
}

const DAY = 86_400_000;
export const skuKey = (s: Sku): string =>
  [s.pattern, s.variant, s.form, s.size, ...(s.askedKey ? [s.askedKey] : [])].join("|");
const daysApart = (a: string, b: string): number => Math.abs(Date.parse(a) - Date.parse(b)) / DAY;
const total = (claims: Claim[]): number => claims.reduce((sum, c) => sum + c.flies, 0);

/** The largest whole number of dozens, in flies, whose starts fit a tray of so many places; at least one dozen. */
export function mostOwedFor(tray: number, known?: Outcomes, level?: number): number {
  let dozens = Math.max(1, Math.floor(tray / 12));
  while (dozens > 1 && startsFor(dozens * 12, known, level) > tray) dozens--;
  return dozens * 12;
}

/**
 * Gather open needs into batches: same pattern, variant, form and size, with nearby due dates, no larger than a tray.
 * Batches that are planned already keep their claims as far as the needs still hold; what is uncovered is added to them
 * or opens new ones. Earlier due dates first; a need larger than a tray is divided in whole dozens.
 *
 * @param rules `most` per sku, as it depends on the pattern's rejects
 * @param newId called once for every new batch
 * @returns every planned batch that has claims, claims in order of due date; those without are gone
 */
export function gather(
  needs: Need[],
  planned: PlannedBatch[],
  rules: (sku: Sku) => GatherRules,
  newId: () => string,
): PlannedBatch[] {
  const byLine = new Map(needs.map((n) => [n.line, n]));
  const left = new Map(needs.map((n) => [n.line, n.flies]));
  const batches = planned.map((b) => ({ ...b, claims: keepClaims(b, byLine, left) }));
  const sorted = [...needs].sort((a, b) => a.due.localeCompare(b.due) || a.rank - b.rank || a.order - b.order);
  for (const need of sorted) {
    const { most, windowDays } = rules(need.sku);
    let open = left.get(need.line) ?? 0;
    while (open > 0) {
      const home = batches.find((b) => !b.held && fits(b, need, byLine, most, windowDays));
      const room = most - (home ? total(home.claims) : 0);
      const flies = open <= room ? open : Math.max(12, Math.floor(room / 12) * 12);
      if (home) home.claims = addClaim(home.claims, need.line, Math.min(flies, open));
      else
        batches.push({
          id: newId(),
          sku: need.sku,
          claims: [{ line: need.line, flies: Math.min(flies, open) }],
          held: false,
        });
      open -= Math.min(flies, open);
    }
  }
  return batches.filter((b) => b.claims.length > 0);
}

/** What remains of a planned batch's claims when needs have shrunk, gone or changed to another fly. */
function keepClaims(batch: PlannedBatch, byLine: Map<string, Need>, left: Map<string, number>): Claim[] {
  return batch.claims.flatMap((claim) => {
    const need = byLine.get(claim.line);
    if (!need || skuKey(need.sku) !== skuKey(batch.sku)) return [];
    const flies = Math.min(claim.flies, left.get(claim.line) ?? 0);
    left.set(claim.line, (left.get(claim.line) ?? 0) - flies);
    return flies > 0 ? [{ line: claim.line, flies }] : [];
  });
}

function fits(batch: PlannedBatch, need: Need, byLine: Map<string, Need>, most: number, windowDays: number): boolean {
  if (skuKey(batch.sku) !== skuKey(need.sku) || batch.claims.length === 0) return false;
  const room = most - total(batch.claims);
  if (room < Math.min(12, need.flies)) return false;
  return batch.claims.every((c) => daysApart(byLine.get(c.line)?.due ?? need.due, need.due) <= windowDays);
}

function addClaim(claims: Claim[], line: string, flies: number): Claim[] {
  const own = claims.find((c) => c.line === line);
  if (own) return claims.map((c) => (c === own ? { line, flies: c.flies + flies } : c));
  return [...claims, { line, flies }];
}

/**
 * Split so many flies off a batch, taking the claims that come first.
 * @returns claims of the part split off, and of what stays
 */
export function splitClaims(claims: Claim[], flies: number): { off: Claim[]; stay: Claim[] } {
  const off: Claim[] = [];
  const stay: Claim[] = [];
  let open = flies;
  for (const c of claims) {
    const taken = Math.min(open, c.flies);
    if (taken > 0) off.push({ line: c.line, flies: taken });
    if (c.flies > taken) stay.push({ line: c.line, flies: c.flies - taken });
    open -= taken;
  }
  return { off, stay };
}

/** All claims of several batches, one entry a line. */
export const mergeClaims = (lists: Claim[][]): Claim[] =>
  lists.flat().reduce<Claim[]>((all, c) => addClaim(all, c.line, c.flies), []);
