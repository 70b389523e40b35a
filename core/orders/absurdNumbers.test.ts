import { expect, test } from "vitest";
import { withAbsurdNumbers } from "../testing/absurd";
import { isWhole, readOrder } from ".";
import { catalogue } from "./corpus/catalogue";
import { allOrders } from "./corpus/entries";

/** Every so many orders of the corpus. */
const EVERY = 40;
const orders = allOrders()
  .filter((_, i) => i % EVERY === 0)
  .map(({ text }) => text);
const sizesOf = new Map(catalogue.patterns.map((p) => [p.id, p.sizes]));

test("numbers that nobody means break no reading, and none is saved as a size", () => {
  const absurd = orders.flatMap(withAbsurdNumbers);
  expect(absurd.length).toBeGreaterThan(100);
  const saved = absurd.map((text) => readOrder(text, catalogue)).filter(isWhole);
  for (const { size, pattern } of saved.flatMap((o) => o.lines)) {
    expect(sizesOf.has(pattern ?? "")).toBe(true);
    expect(size).not.toMatch(/^(?:33|60|999|0\/0|12\/0)$/);
  }
});

test("a total behind a row without its size is not that size", () => {
  const text = "Order for Fernhill Lodge, 8 May\nPattern Size Pcs\nDusk Sedge 14 24\nHarbour Nymph olive 36\nTotal 60";
  expect(isWhole(readOrder(text, catalogue))).toBe(false);
});
