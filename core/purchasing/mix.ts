import { DomainError } from "../errors";
import { ceilSafe, gcd, lpOf, refuseTwice, type LpRow, type LpTerm, type SolveLp } from "../numeric";
import { guard } from "../units";

/** So much of a material has to be bought, in its base units. */
export interface MixNeed {
  material: string;
  quantity: number;
  /** All of it from one offer: one dye lot, one maker's colour. */
  together?: boolean;
}

/** One supplier's pack of a material. */
export interface MixOffer {
  supplier: string;
  material: string;
  /** In base units; whole. */
  pack: number;
  /** Share of a pack that can be tied with, in (0, 1]: the better grade is dearer and wastes less. 1 by itself. */
  usable?: number;
  /** Price of one pack, of all packs, from so many packs on; the first from 1. */
  prices: readonly { fromPacks: number; cents: number }[];
  /** No more than so many packs can be had. */
  mostPacks?: number;
}

export interface MixSupplier {
  id: string;
  /** They send nothing for less than this. */
  minimumCents?: number;
  /** What sending costs, and from which worth on it costs nothing. */
  freight?: { cents: number; freeFromCents?: number };
}

export interface MixProblem {
  needs: readonly MixNeed[];
  offers: readonly MixOffer[];
  suppliers: readonly MixSupplier[];
}

export interface MixLine {
  material: string;
  packs: number;
  pack: number;
  /** Of one pack, at this number of packs. */
  cents: number;
  totalCents: number;
}

export interface Mix {
  orders: { supplier: string; lines: MixLine[]; goodsCents: number; freightCents: number }[];
  totalCents: number;
  /** No mix costs less; equal to the total when proved. */
  boundCents: number;
  proved: boolean;
  /** Needed and not to be had from anybody, in base units. */
  uncovered: { material: string; missing: number }[];
}

/** An offer with its place in the model. */
interface Numbered extends MixOffer {
  i: number;
  /** Usable base units of a pack. */
  yields: number;
  /** More packs than this are never worth buying. */
  most: number;
}

/**
 * The cheapest way to buy what is needed: whole packs, prices by number, least orders, freight and what is free from
 * some worth on, over all suppliers at once. Packs beyond the need are bought where that is cheaper (a break, a least
 * order, free sending).
 *
 * @param problem quantities > 0 in base units, packs whole, prices in whole cents, each offer's breaks rising from 1
 * @param solve solves the program: a mixed-integer solver with its gap at 0
 * @returns orders by supplier with their lines; `proved` when the solver ended with the optimum
 * @throws DomainError FIGURE_OUT_OF_BOUNDS, NAMED_TWICE, SOLVER_FAILED
 *
 * Method: mixed-integer program; a pack's count per offer and price step, a yes or no per price step, supplier and free
 * sending. Its answer is priced anew in whole cents by {@link priceMix} and refused when the two differ.
 */
export function cheapestMix(problem: MixProblem, solve: SolveLp): Mix {
  guardMix(problem);
  const { needs, uncovered } = toBeHad(problem);
  if (needs.length === 0) return { orders: [], totalCents: 0, boundCents: 0, proved: true, uncovered };
  const offers = numbered(problem, needs);
  const answer = solve(modelOf(needs, offers, problem.suppliers));
  const packs = offers.map((o) => o.prices.reduce((n, _, b) => n + Math.round(answer.values[packsVar(o, b)] ?? 0), 0));
  const mix = priceMix(problem.suppliers, offers, packs);
  const short = needs.find((n) => !isCovered(n, offers, packs));
  if (short) throw new DomainError("SOLVER_FAILED", { what: "the cheapest mix", status: answer.status });
  const bound = answer.optimal ? mix.totalCents : leastCents(needs, offers);
  return { ...mix, boundCents: bound, proved: bound === mix.totalCents, uncovered };
}

function guardMix({ needs, offers, suppliers }: MixProblem): void {
  for (const n of needs) guard(`the need of ${n.material}`, n.quantity, { least: 1e-6, most: 1e15 });
  for (const s of suppliers) {
    guard("a least order", s.minimumCents, { least: 0, most: 1e9, whole: true });
    guard("the price of sending", s.freight?.cents, { least: 0, most: 1e9, whole: true });
    guard("the worth from which sending is free", s.freight?.freeFromCents, { least: 0, most: 1e9, whole: true });
  }
  for (const o of offers) {
    guard(`a pack of ${o.material}`, o.pack, { least: 1, most: 1e15, whole: true });
    guard("the usable share of a pack", o.usable, { least: 0.001, most: 1 });
    guard("the packs that can be had", o.mostPacks, { least: 0, most: 1e6, whole: true });
    guard("the prices of an offer", o.prices.length, { least: 1, most: 20, whole: true });
    o.prices.forEach((p, b) => {
      guard("the price of a pack", p.cents, { least: 0, most: 1e9, whole: true });
      const least = b === 0 ? 1 : (o.prices[b - 1]?.fromPacks ?? 0) + 1;
      guard("the packs from which a price holds", p.fromPacks, { least, most: b === 0 ? 1 : 1e6, whole: true });
    });
  }
  refuseTwice(
    needs.map((n) => n.material),
    "a material that is needed",
  );
  refuseTwice(
    suppliers.map((s) => s.id),
    "a supplier",
  );
}

const yieldOf = (o: MixOffer): number => Math.max(1, Math.floor(o.pack * (o.usable ?? 1) + 1e-9));

/** What nobody offers, or not enough of, is said; the rest is bought. */
function toBeHad({ needs, offers }: MixProblem): { needs: MixNeed[]; uncovered: Mix["uncovered"] } {
  const uncovered: Mix["uncovered"] = [];
  const kept: MixNeed[] = [];
  for (const n of needs) {
    const amounts = offers
      .filter((o) => o.material === n.material)
      .map((o) => (o.mostPacks === undefined ? Infinity : yieldOf(o) * o.mostPacks));
    const most = n.together ? Math.max(0, ...amounts) : amounts.reduce((sum, a) => sum + a, 0);
    if (most < n.quantity) uncovered.push({ material: n.material, missing: n.quantity - most });
    if (most > 0) kept.push({ ...n, quantity: Math.min(n.quantity, most) });
  }
  return { needs: kept, uncovered };
}

function numbered({ offers, suppliers }: MixProblem, needs: readonly MixNeed[]): Numbered[] {
  const needed = new Map(needs.map((n) => [n.material, n.quantity]));
  const terms = new Map(suppliers.map((s) => [s.id, s]));
  return offers.flatMap((o, i) => {
    const quantity = needed.get(o.material);
    if (quantity === undefined) return [];
    const yields = yieldOf(o);
    const supplier = terms.get(o.supplier);
    const least = Math.max(1, Math.min(...o.prices.map((p) => p.cents)));
    const worth = Math.max(supplier?.minimumCents ?? 0, supplier?.freight?.freeFromCents ?? 0);
    const wanted = Math.max(ceilSafe(quantity / yields), o.prices.at(-1)?.fromPacks ?? 1, ceilSafe(worth / least));
    return [{ ...o, i, yields, most: Math.min(wanted, o.mostPacks ?? Infinity) }];
  });
}

const packsVar = (o: Numbered, b: number): string => `x${o.i}_${b}`;
const priceVar = (o: Numbered, b: number): string => `z${o.i}_${b}`;

const groupOffers = (offers: readonly Numbered[], keyOf: (o: Numbered) => string): Map<string, Numbered[]> => {
  const groups = new Map<string, Numbered[]>();
  for (const o of offers) groups.set(keyOf(o), [...(groups.get(keyOf(o)) ?? []), o]);
  return groups;
};

/** The program in the LP format. Coverage is in whole numbers of the packs' greatest common measure, so it is exact. */
function modelOf(needs: readonly MixNeed[], offers: readonly Numbered[], suppliers: readonly MixSupplier[]): string {
  const rows: LpRow[] = [];
  const objective: LpTerm[] = [];
  const general: string[] = [];
  const binary: string[] = [];
  const worth = (o: Numbered): LpTerm[] => o.prices.map((p, b) => ({ times: p.cents, of: packsVar(o, b) }));
  const count = (o: Numbered): LpTerm[] => o.prices.map((_, b) => ({ times: 1, of: packsVar(o, b) }));
  for (const o of offers) {
    objective.push(...worth(o));
    o.prices.forEach((p, b) => {
      general.push(packsVar(o, b));
      const top = Math.min(o.most, (o.prices[b + 1]?.fromPacks ?? Infinity) - 1);
      if (o.prices.length === 1) return rows.push({ terms: [{ times: 1, of: packsVar(o, b) }], least: 0, most: top });
      binary.push(priceVar(o, b));
      rows.push({
        terms: [
          { times: 1, of: packsVar(o, b) },
          { times: -top, of: priceVar(o, b) },
        ],
        most: 0,
      });
      return rows.push({
        terms: [
          { times: 1, of: packsVar(o, b) },
          { times: -p.fromPacks, of: priceVar(o, b) },
        ],
        least: 0,
      });
    });
    if (o.prices.length > 1) rows.push({ terms: o.prices.map((_, b) => ({ times: 1, of: priceVar(o, b) })), most: 1 });
  }
  const byMaterial = groupOffers(offers, (o) => o.material);
  for (const need of needs) {
    const own = byMaterial.get(need.material) ?? [];
    const measure = own.reduce((g, o) => gcd(g, o.yields), 0);
    const terms = own.flatMap((o) => count(o).map((t) => ({ ...t, times: o.yields / measure })));
    rows.push({ terms, least: ceilSafe(need.quantity / measure) });
    if (need.together && own.length > 1) {
      for (const o of own) {
        binary.push(`w${o.i}`);
        rows.push({ terms: [...count(o), { times: -o.most, of: `w${o.i}` }], most: 0 });
      }
      rows.push({ terms: own.map((o) => ({ times: 1, of: `w${o.i}` })), most: 1 });
    }
  }
  const bySupplier = groupOffers(offers, (o) => o.supplier);
  suppliers.forEach((s, k) => {
    const own = bySupplier.get(s.id) ?? [];
    if (own.length === 0 || (!s.minimumCents && !s.freight?.cents)) return;
    binary.push(`y${k}`);
    for (const o of own) rows.push({ terms: [...count(o), { times: -o.most, of: `y${k}` }], most: 0 });
    const goods = own.flatMap(worth);
    if (s.minimumCents) rows.push({ terms: [...goods, { times: -s.minimumCents, of: `y${k}` }], least: 0 });
    if (!s.freight?.cents) return;
    objective.push({ times: s.freight.cents, of: `y${k}` });
    if (s.freight.freeFromCents === undefined) return;
    binary.push(`f${k}`);
    objective.push({ times: -s.freight.cents, of: `f${k}` });
    rows.push({ terms: [...goods, { times: -s.freight.freeFromCents, of: `f${k}` }], least: 0 });
    rows.push({
      terms: [
        { times: 1, of: `f${k}` },
        { times: -1, of: `y${k}` },
      ],
      most: 0,
    });
  });
  return lpOf({ objective, rows, general, binary });
}

const isCovered = (n: MixNeed, offers: readonly Numbered[], packs: readonly number[]): boolean => {
  const own = offers.map((o, j) => (o.material === n.material ? o.yields * (packs[j] ?? 0) : 0));
  const isOne = !n.together || own.filter((q) => q > 0).length <= 1;
  return isOne && own.reduce((sum, q) => sum + q, 0) >= n.quantity - 1e-9 * n.quantity;
};

/** What no mix can be cheaper than: each need alone, in parts of packs, at the best price anybody gives. */
function leastCents(needs: readonly MixNeed[], offers: readonly Numbered[]): number {
  const least = needs.map((n) => {
    const rates = offers
      .filter((o) => o.material === n.material)
      .flatMap((o) => o.prices.map((p) => p.cents / o.yields));
    return n.quantity * Math.min(...rates);
  });
  return Math.floor(least.reduce((sum, c) => sum + c, 0));
}

/** The price of one pack when so many are bought; the last break that is reached. */
export const packPrice = (prices: MixOffer["prices"], packs: number): number =>
  prices.reduce((cents, p) => (packs >= p.fromPacks ? p.cents : cents), prices[0]?.cents ?? 0);

/**
 * What so many packs of each offer cost, by supplier: lines, goods and freight in whole cents.
 * @param packs of each offer, in the same order; whole, ≥ 0
 */
export function priceMix(
  suppliers: readonly MixSupplier[],
  offers: readonly MixOffer[],
  packs: readonly number[],
): Pick<Mix, "orders" | "totalCents"> {
  const lines = new Map<string, MixLine[]>();
  offers.forEach((o, i) => {
    const n = packs[i] ?? 0;
    if (n <= 0) return;
    const cents = packPrice(o.prices, n);
    const line = { material: o.material, packs: n, pack: o.pack, cents, totalCents: n * cents };
    lines.set(o.supplier, [...(lines.get(o.supplier) ?? []), line]);
  });
  const terms = new Map(suppliers.map((s) => [s.id, s]));
  const orders = [...lines].map(([supplier, list]) => {
    const goodsCents = list.reduce((sum, l) => sum + l.totalCents, 0);
    return { supplier, lines: list, goodsCents, freightCents: freightOf(terms.get(supplier), goodsCents) };
  });
  return { orders, totalCents: orders.reduce((sum, o) => sum + o.goodsCents + o.freightCents, 0) };
}

/** What sending costs for goods of that worth. */
export const freightOf = (supplier: MixSupplier | undefined, goodsCents: number): number => {
  const freight = supplier?.freight;
  if (!freight) return 0;
  return freight.freeFromCents !== undefined && goodsCents >= freight.freeFromCents ? 0 : freight.cents;
};
