import { cheapestMix, type MixOffer, type MixProblem } from "@kasten/core/purchasing";
import { cutList, shareFeathers, type FeatherClass, type FeatherDemand } from "@kasten/core/stock";
import { Chance } from "../testing/attack/random";
import { mixedIntegerSolver } from "./solver";

/**
 * Sums of the cabinet at the size of a large room: feathers of 200 batches, lists of 60 pieces, 150 materials bought.
 */
const chance = new Chance(4681);
const median = (list: number[]): number => [...list].sort((a, b) => a - b)[list.length >> 1] ?? 0;
const timed = <T>(work: () => T): { ms: number; result: T } => {
  const from = performance.now();
  const result = work();
  return { ms: performance.now() - from, result };
};

const classes = Array.from({ length: 40 }, (_, i): FeatherClass => ({
  id: `c${i}`,
  fromMm: 4 + i * 0.25,
  toMm: 4.5 + i * 0.25,
  count: chance.below(160),
}));
const demands = Array.from({ length: 200 }, (_, i): FeatherDemand => {
  const from = 4 + chance.next() * 8;
  return {
    id: `d${i}`,
    due: `2027-0${1 + chance.below(9)}-15`,
    rank: 1 + chance.below(3),
    order: i,
    barbMm: [from, from * 1.33],
    feathers: 5 + chance.below(60),
  };
});
const shares = Array.from({ length: 9 }, () => timed(() => shareFeathers(classes, demands)));
const share = shares[0]?.result;
console.log(
  `feathers: ${demands.length} batches, ${classes.length} classes, median ${median(shares.map((s) => s.ms)).toFixed(1)} ms; ` +
    `${share?.demands.reduce((n, d) => n + d.met, 0) ?? 0} of ${demands.reduce((n, d) => n + d.feathers, 0)} met`,
);

const solve = await mixedIntegerSolver();
for (const kinds of [1, 2, 3, 8, 60]) {
  const lists = Array.from({ length: 20 }, () => {
    const stock = Array.from({ length: 20 }, (_, i) => ({ id: `r${i}`, lengthMm: 60 + chance.below(180) }));
    const wanted = Array.from({ length: kinds }, () => ({
      lengthMm: 20 + chance.below(80),
      count: Math.round(60 / kinds),
    }));
    return timed(() =>
      cutList([...stock, { id: "spool", lengthMm: 50_000, fresh: true }], wanted, { keepMm: 40 }, solve),
    );
  });
  console.log(
    `cut lists: 60 pieces of ${kinds} lengths from 20 remnants, median ${median(lists.map((l) => l.ms)).toFixed(1)} ms, ` +
      `${lists.filter((l) => l.result.proved).length} of ${lists.length} proved`,
  );
}

function mixProblem(materials: number, suppliers: number): MixProblem {
  const offers: MixOffer[] = [];
  for (let m = 0; m < materials; m++)
    for (let s = 0; s < suppliers; s++) {
      if (chance.percent(60)) continue;
      const cents = 100 + chance.below(900);
      offers.push({
        supplier: `s${s}`,
        material: `m${m}`,
        pack: 10 * (1 + chance.below(10)),
        prices: [
          { fromPacks: 1, cents },
          ...(chance.percent(30) ? [{ fromPacks: 4, cents: Math.round(cents * 0.85) }] : []),
        ],
      });
    }
  return {
    needs: Array.from({ length: materials }, (_, m) => ({ material: `m${m}`, quantity: 5 + chance.below(300) })),
    offers,
    suppliers: Array.from({ length: suppliers }, (_, s) => ({
      id: `s${s}`,
      minimumCents: 1000 * chance.below(4),
      freight: { cents: 300 + chance.below(500), freeFromCents: 8000 + chance.below(8000) },
    })),
  };
}
const mixes = Array.from({ length: 5 }, () => {
  const problem = mixProblem(150, 8);
  return { offers: problem.offers.length, ...timed(() => cheapestMix(problem, solve)) };
});
console.log(
  `cheapest mix: 150 materials, 8 suppliers, ${mixes.map((m) => m.offers).join("/")} offers, ` +
    `${mixes.map((m) => m.ms.toFixed(0)).join("/")} ms, ${mixes.filter((m) => m.result.proved).length} of ${mixes.length} proved`,
);
