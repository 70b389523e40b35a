import { describe, expect, test } from "vitest";
import type { BatchDetail } from "@kasten/contract/batches";
import { offcutsOf, useKitUses } from "./kitUses";

type Requirement = BatchDetail["requirements"][number];
const hook = { key: "hook", component: "hook", unit: "count", perFly: 1, pulled: 26 };
const rib = { key: "rib", component: "rib", unit: "um", perFly: 60, pulled: 2_000_000 };
const none = { key: "tail", unit: "count", perFly: 3, pulled: 0 };
// Only what the sums read: the rest of a requirement is words.
const requirements = [hook, rib, none] as unknown as Requirement[];
const tied = { good: 23, wholeFly: 1, hookKept: 0, timeOnly: 0 };
const kit = (more: Partial<typeof tied> = {}) =>
  useKitUses(() => ({ requirements, tied: { ...tied, ...more } }) as BatchDetail);

describe("what a kit came to", () => {
  test("is proposed from the flies tied, and untouched says nothing", () => {
    const { rows, of, said } = kit();
    expect(rows.value.map((r) => [r.key, of(r).used])).toEqual([
      ["hook", 24],
      ["rib", 1.44],
    ]);
    expect(said.value).toEqual([]);
  });

  test("takes a hook for each fly, and materials also for tries that kept theirs", () => {
    const { rows, of } = kit({ hookKept: 1, timeOnly: 5 });
    expect(rows.value.map((r) => of(r).used)).toEqual([24, 1.5]);
  });

  test("says only what was touched, in base units", () => {
    const { rows, of, back, said } = kit();
    const [h, r] = rows.value as [Requirement, Requirement];
    of(h).scrapped = 1;
    of(r).offcuts = "80 60,5";
    expect(said.value).toEqual([
      { key: "hook", used: 24, scrapped: 1, offcutsMm: [], why: "" },
      { key: "rib", used: 1_440_000, scrapped: 0, offcutsMm: [80, 60.5], why: "" },
    ]);
    expect(back(h)).toBe(1);
  });

  test("is held while it cannot be: more than was taken, a length that is none", () => {
    const { rows, of, wrong } = kit();
    const [h, r] = rows.value as [Requirement, Requirement];
    of(h).used = 27;
    expect(wrong(h)).toMatch(/More is used/);
    of(r).offcuts = "80 long";
    expect(wrong(r)).toMatch(/lengths in mm/);
  });

  test.each([
    ["", []],
    ["80", [80]],
    ["80 60;45/12,5", [80, 60, 45, 12.5]],
    ["-3", undefined],
    ["0", undefined],
    ["a", undefined],
  ])("offcuts written as “%s”", (text, lengths) => {
    expect(offcutsOf(text)).toEqual(lengths);
  });
});
