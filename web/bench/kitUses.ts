import { computed, reactive, type ComputedRef } from "vue";
import { fliesDressed, hooksSpent, type Tied } from "@kasten/core/batches";
import type { BatchDetail } from "@kasten/contract/batches";
import type { KitUseSaid } from "@kasten/contract/bench";
import { baseOf, computedBase, writtenOf } from "../parts/written";

type Requirement = BatchDetail["requirements"][number];

interface Entry {
  used: number;
  scrapped: number;
  offcuts: string;
  why: string;
}

/** Lengths as they are written one behind the other: "80 60,5 45". Undefined where one of them is none. */
export function offcutsOf(text: string): number[] | undefined {
  const lengths = text
    .split(/[\s;/]+/)
    .filter(Boolean)
    .map((word) => Number(word.replace(",", ".")));
  return lengths.every((mm) => Number.isFinite(mm) && mm >= 1) ? lengths : undefined;
}

/**
 * What a kit came to, while it is written. Proposed is what the flies tied would take; what nobody touches is booked
 * as proposed, and teaches nothing.
 */
export function useKitUses(batch: () => BatchDetail, counted: () => { good: number; rejected: number }) {
  const rows: ComputedRef<Requirement[]> = computed(() => batch().requirements.filter((r) => r.pulled > 0));
  /** What was counted here may be newer than what was read; a reject that nobody has read of yet is a whole fly. */
  const tied = computed((): Tied => {
    const { hookKept, timeOnly } = batch().tied;
    const { good, rejected } = counted();
    return { good, hookKept, timeOnly, wholeFly: Math.max(0, rejected - hookKept - timeOnly) };
  });
  const fliesOf = (r: Requirement): number =>
    r.component === "hook" ? hooksSpent(tied.value) : fliesDressed(tied.value);
  const proposed = (r: Requirement): Entry => ({
    used: writtenOf(Math.min(r.pulled, computedBase(r.perFly * fliesOf(r), r.unit)), r.unit),
    scrapped: 0,
    offcuts: "",
    why: "",
  });
  /** Only what somebody wrote: what is proposed follows the count. */
  const written = reactive(new Map<string, Partial<Entry>>());
  const of = (r: Requirement): Entry => ({ ...proposed(r), ...written.get(r.key) });
  const set = <K extends keyof Entry>(r: Requirement, what: K, value: Entry[K]): void =>
    void written.set(r.key, { ...written.get(r.key), [what]: value });
  const isTouched = (r: Requirement): boolean => JSON.stringify(of(r)) !== JSON.stringify(proposed(r));
  const inBase = (r: Requirement, what: "used" | "scrapped"): number => baseOf(of(r)[what] || 0, r.unit);
  const back = (r: Requirement): number => r.pulled - inBase(r, "used") - inBase(r, "scrapped");
  const wrong = (r: Requirement): string | undefined => {
    if (back(r) < 0) return "More is used and spoiled than was taken: correct it, or draw what was taken beside it.";
    return offcutsOf(of(r).offcuts) ? undefined : "Write lengths in mm one behind the other, such as 80 60.5.";
  };
  const said = computed((): KitUseSaid[] =>
    rows.value.filter(isTouched).map((r) => ({
      key: r.key,
      used: inBase(r, "used"),
      scrapped: inBase(r, "scrapped"),
      offcutsMm: offcutsOf(of(r).offcuts) ?? [],
      why: of(r).why.trim(),
    })),
  );
  return { rows, of, set, back, wrong, said, isTouched };
}
