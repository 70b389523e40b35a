import { catalogue } from "./corpus/catalogue";
import { isWhole, readOrder } from ".";

/** Reading an order of 60 rows and a short one, with the corpus' book and with one of 2,000 patterns. */
const rows = Array.from(
  { length: 60 },
  (_, i) =>
    `${(i % 9) + 1}dz ${["Copper Lodger 14 olive", "Slate Wisp 16 amber", "Tar Pupa 18 red", "Old Pilot 12"][i % 4] ?? ""}`,
);
const text = `${rows.join("\n")}\nHollow Mere Lodge, 12 Mar`;
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
const time = (book: typeof catalogue, typed: string): number => {
  for (let i = 0; i < 3; i++) readOrder(typed, book);
  const start = performance.now();
  for (let i = 0; i < 10; i++) readOrder(typed, book);
  return (performance.now() - start) / 10;
};
console.log("read an order, ms");
for (const [name, book] of [
  ["5 patterns", catalogue],
  ["2,005 patterns", many],
] as const)
  console.log(
    `  ${name}: one line ${time(book, "6dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar").toFixed(1)}, 60 rows ${time(book, text).toFixed(1)}, with a misspelling ${time(book, "6dz Coper Logder 14 olive; Hollow Mere Lodge, 12 Mar").toFixed(1)}, whole ${String(isWhole(readOrder(text, book)))}`,
  );
