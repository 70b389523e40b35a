import { describe, expect, test } from "vitest";
import { ref } from "vue";
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
  useKitUses(
    () => ({ requirements, tied: { ...tied, ...more } }) as BatchDetail,
    () => ({ good: 23, rejected: 1 + (more.hookKept ?? 0) + (more.timeOnly ?? 0) }),
  );

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

  test("follows what is counted here, also where that is newer than what was read", () => {
    const count = ref({ good: 0, rejected: 0 });
    const stale = { requirements, tied: { good: 0, wholeFly: 0, hookKept: 0, timeOnly: 0 } } as unknown as BatchDetail;
    const { rows, of, said } = useKitUses(
      () => stale,
      () => count.value,
    );
    const [h] = rows.value as [Requirement];
    expect(of(h).used).toBe(0);
    count.value = { good: 12, rejected: 1 };
    expect(of(h).used).toBe(13);
    expect(said.value).toEqual([]);
  });

  test("says only what was touched, in base units", () => {
    const { rows, set, back, said } = kit();
    const [h, r] = rows.value as [Requirement, Requirement];
    set(h, "scrapped", 1);
    set(r, "offcuts", "80 60,5");
    expect(said.value).toEqual([
      { key: "hook", used: 24, scrapped: 1, offcutsMm: [], why: "" },
      { key: "rib", used: 1_440_000, scrapped: 0, offcutsMm: [80, 60.5], why: "" },
    ]);
    expect(back(h)).toBe(1);
  });

  test("is held while it cannot be: more than was taken, a length that is none", () => {
    const { rows, set, wrong } = kit();
    const [h, r] = rows.value as [Requirement, Requirement];
    set(h, "used", 27);
    expect(wrong(h)).toMatch(/More is used/);
    set(r, "offcuts", "80 long");
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
