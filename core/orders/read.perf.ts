import { catalogue } from "./corpus/catalogue";
import { sizesBetween } from "../hooks";
import { isWhole, readOrder } from ".";

/**
 * Reading an order of 60 rows and a short one, with the corpus' book and with one of 2,000 patterns: rows that were
 * never seen, and the same order with a letter typed in its first row. The quickest of several times, which is what the
 * work takes on a machine that has other things to do as well.
 */
const flies = catalogue.patterns.flatMap((p) =>
  sizesBetween(p.sizes).flatMap((size) => p.variants.map((v) => `${p.name} ${size} ${v.name}`)),
);
let told = 0;
const row = (): string => `${(told++ % 37) + 1}dz ${flies[(told * 7) % flies.length] ?? ""}`;
const rows = (): string => `${Array.from({ length: 60 }, row).join("\n")}\nHollow Mere Lodge, 12 Mar`;
const many = {
  ...catalogue,
  patterns: [
    ...catalogue.patterns,
    ...Array.from({ length: 2000 }, (_, i) => ({
      id: `p${i}`,
      name: `Stone Gauge ${i.toString(36)}x`,
      sizes: { from: "10", to: "16" },
      variants: [{ id: "tan", name: "tan" }],
      forms: [{ id: "plain", name: "standard" }],
    })),
  ],
};
const quickest = (texts: readonly string[], bookOf: () => typeof catalogue): string => {
  const times = texts.map((text) => {
    const book = bookOf();
    const start = performance.now();
    readOrder(text, book);
    return performance.now() - start;
  });
  return Math.min(...times.slice(3)).toFixed(1);
};
const some = (make: (i: number) => string): string[] => Array.from({ length: 30 }, (_, i) => make(i));

console.log("read an order, ms");
for (const [name, book] of [
  ["5 patterns", catalogue],
  ["2,005 patterns", many],
] as const) {
  const sixty = rows();
  // A book that was handed out anew remembers no text.
  const anew = (): typeof catalogue => ({ ...book });
  const figures = {
    "one line": quickest(
      some((i) => `${i + 1}dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar`),
      anew,
    ),
    "with a misspelling": quickest(
      some((i) => `${i + 1}dz Coper Logder 14 olive; Hollow Mere Lodge, 12 Mar`),
      anew,
    ),
    "60 rows": quickest(some(rows), anew),
    "60 rows, a letter typed": quickest(
      some((i) => sixty.replace("\n", `${"x".repeat(i)}\n`)),
      () => book,
    ),
  };
  const list = Object.entries(figures).map(([what, ms]) => `${what} ${ms}`);
  console.log(`  ${name}: ${list.join(", ")}, whole ${String(isWhole(readOrder(sixty, book)))}`);
}
