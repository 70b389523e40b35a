import { destinationSentence, notPromisedWords } from "@kasten/core/sentences";
import { useStorage } from "@vueuse/core";
import { computed, type Ref } from "vue";
import { destinationConflicts, isWhole, readOrder, type ReadOrder } from "@kasten/core/orders";
import { hookOf, materialsOf, notPromised } from "@kasten/core/recipe";
import { forReading, useCatalogue } from "../patterns";
import { useSession } from "../team";

/** What is typed, kept until it is saved, and how it is understood. */
export function useReading(storageKey: string, initial = "") {
  const text: Ref<string> = useStorage(storageKey, initial);
  const { patterns, materials, hooks, recipeOf, data } = useCatalogue();
  const { person } = useSession();
  /** Nothing is read before patterns, customers and today's date are here: what is typed stays as typed until then. */
  const read = computed<ReadOrder>(() =>
    data.value
      ? readOrder(text.value, forReading(data.value, person.value?.numberWords ?? {}))
      : { lines: [], understood: [], doubts: [] },
  );
  /** Flies that may be shown but not promised, and why. */
  const unsure = computed(() => [
    ...new Set(
      read.value.lines.flatMap((l) => {
        const recipe = l.pattern === undefined ? undefined : recipeOf(l.pattern);
        return recipe && l.size && l.variant
          ? notPromised(recipe, { size: l.size, variant: l.variant, form: l.form ?? "" }, materials.value).map(
              notPromisedWords,
            )
          : [];
      }),
    ),
  ]);
  const whole = computed(() => isWhole(read.value) && unsure.value.length === 0);
  const customer = computed(() => data.value?.customers.find((c) => c.id === read.value.customer));

  /** What the destination forbids, told while the order is being typed. */
  const conflicts = computed(() => {
    const c = customer.value;
    if (!c) return [];
    return read.value.lines.flatMap((l) => {
      const p = patterns.value.get(l.pattern ?? "");
      const recipe = p && recipeOf(p.id);
      if (!recipe || !l.size || !l.variant) return [];
      const used = materialsOf(recipe, { size: l.size, variant: l.variant, form: l.form ?? "" }, materials.value);
      return destinationConflicts(c.destination, {
        label: `${p.name} ${l.size}`,
        barbless: hooks.value.get(hookOf(recipe, { form: l.form ?? "" }))?.barbless ?? false,
        materials: used,
      }).map(destinationSentence);
    });
  });

  /** Puts a candidate in the place of what was doubtful. */
  function mend(at: [number, number], replacement: string): void {
    text.value = text.value.slice(0, at[0]) + replacement + text.value.slice(at[1]);
  }

  /** The typed text in pieces, each marked as understood, doubtful or neither. */
  const pieces = computed(() => {
    const marks = [
      ...read.value.understood.map((u) => ({ at: u.at, kind: "known" as const })),
      ...read.value.lines.flatMap((l) => l.understood.map((u) => ({ at: u.at, kind: "known" as const }))),
      ...read.value.doubts.map((d) => ({ at: d.at, kind: "doubt" as const })),
      ...read.value.lines.flatMap((l) => l.doubts.map((d) => ({ at: d.at, kind: "doubt" as const }))),
    ]
      .filter((m) => m.at[1] > m.at[0])
      .sort((a, b) => a.at[0] - b.at[0]);
    const out: { text: string; kind: "" | "known" | "doubt" }[] = [];
    let at = 0;
    for (const m of marks) {
      if (m.at[0] < at) continue;
      out.push({ text: text.value.slice(at, m.at[0]), kind: "" }, { text: text.value.slice(...m.at), kind: m.kind });
      at = m.at[1];
    }
    out.push({ text: text.value.slice(at), kind: "" });
    return out;
  });
  return { text, read, whole, unsure, customer, conflicts, mend, pieces };
}
