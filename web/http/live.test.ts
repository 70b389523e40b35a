import { expect, test } from "vitest";
import { touchedBy } from "./live";

const keys = (subject: string, kind: string, subjectId = "x") =>
  touchedBy({ subject, subjectId, kind }).map((k) => (Array.isArray(k) ? k.join("/") : String(k)));

test("a tally is read again where its batch is shown, and nowhere else", () =>
  expect(keys("batch", "tallied", "b7")).toEqual(["batches", "batch/b7"]));
test("an order touches itself and not the other orders that are open", () => {
  expect(keys("order", "changed", "o1")).toContain("order/o1");
  expect(keys("order", "changed", "o1")).not.toContain("order");
});
test("what is computed of the whole room is read again when it has been computed, not before", () => {
  const computed = ["needs", "plan", "sums", "turns", "late"];
  for (const [subject, kind] of [
    ["order", "written"],
    ["batch", "reserved"],
    ["stock", "received"],
    ["person", "changed"],
  ] as const)
    expect(keys(subject, kind).filter((k) => computed.includes(k))).toEqual([]);
  expect(computed.map((part) => keys("outlook", "renewed", part))).toEqual(
    computed.map((part) => (part === "needs" ? ["needs", "standing"] : [part])),
  );
  expect(keys("outlook", "renewed", "cover")).toEqual(["stock", "material"]);
});
test("what nobody knows touches nothing", () => expect(keys("weather", "rain")).toEqual([]));
