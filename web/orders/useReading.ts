import { destinationSentence, doubtSentence, notPromisedWords } from "@kasten/core/sentences";
import { useStorage } from "@vueuse/core";
import { computed, type Ref } from "vue";
import {
  destinationConflicts,
  isWhole,
  wishedChoice,
  type Catalogue,
  type Doubt,
  type ReadOrder,
} from "@kasten/core/orders";
import { hookOf, materialsOf, notPromised } from "@kasten/core/recipe";
import { forReading, useCatalogue } from "../patterns";
import type { TextMark, TextOffers, TextQuestion } from "../editor";
import { readBeside } from "../parts/thread";
import { useBeside } from "../parts/useBeside";
import { useSession } from "../team";
import { orderOffers } from "./offers";
import { startReader } from "./orderThread";

const readWith = readBeside(startReader);
/** Fields of a sheet share their head and their row: what is asked of that is asked once. */
const askedOnce = (doubts: Doubt[]): Doubt[] => [
  ...new Map(doubts.map((d) => [`${d.code} ${d.at.join()}`, d])).values(),
];
const nothingRead: ReadOrder = { lines: [], asides: [], understood: [], doubts: [] };
const nothingWished: ReturnType<typeof wishedChoice> = { asked: {}, fates: [] };

/** What is typed, kept until it is saved, and how it is understood. */
export function useReading(storageKey: string, initial = "") {
  const text: Ref<string> = useStorage(storageKey, initial);
  const { patterns, materials, hooks, recipeOf, tie, data } = useCatalogue();
  const { person } = useSession();
  /** Nothing is read before patterns, customers and today's date are here: what is typed stays as typed until then. */
  const known = computed(() => data.value && forReading(data.value, { ...person.value?.numberWords }));
  const asked = computed(() => ({ text: text.value, known: known.value }));
  const {
    answer: read,
    current,
    isLate,
    hasFailed,
  } = useBeside<{ text: string; known?: Catalogue }, ReadOrder>(
    asked,
    async (now) => (now.known ? readWith(now.text, now.known) : nothingRead),
    nothingRead,
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
  /** What of each line's wishes is a choice of its pattern, and what became of the others. */
  const wished = computed(() =>
    read.value.lines.map(({ pattern, size, variant, form, wishes }) => {
      const recipe = pattern === undefined || wishes.length === 0 ? undefined : recipeOf(pattern);
      if (!recipe || size === undefined || variant === undefined || form === undefined) return nothingWished;
      const choice = { size, variant, form };
      const { fly } = tie(recipe, choice);
      return fly
        ? wishedChoice(
            [...wishes].sort((a, b) => a.at[0] - b.at[0]),
            { recipe, choice, fly, materials: materials.value, hooks: hooks.value },
          )
        : nothingWished;
    }),
  );
  const whole = computed(() => isWhole(read.value) && unsure.value.length === 0);
  const customer = computed(() => data.value?.customers.find((c) => c.id === read.value.customer));

  /** What the destination forbids, told while the order is being typed. */
  const conflicts = computed(() => {
    const c = customer.value;
    if (!c) return [];
    return read.value.lines.flatMap((l, i) => {
      const p = patterns.value.get(l.pattern ?? "");
      const recipe = p && recipeOf(p.id);
      if (!recipe || !l.size || !l.variant) return [];
      const asked = wished.value[i]?.asked;
      const used = materialsOf(
        recipe,
        { size: l.size, variant: l.variant, form: l.form ?? "", ...asked },
        materials.value,
      );
      return destinationConflicts(c.destination, {
        label: `${p.name} ${l.size}`,
        barbless: hooks.value.get(hookOf(recipe, { form: l.form ?? "", use: asked?.use }))?.barbless ?? false,
        materials: used,
      }).map(destinationSentence);
    });
  });

  const doubts = computed(() =>
    askedOnce([...read.value.doubts, ...read.value.lines.flatMap((l) => l.doubts)]).sort((a, b) => a.at[0] - b.at[0]),
  );
  /** What was understood of the text and what is in doubt, none over another. */
  const marks = computed<TextMark[]>(() => {
    const all = [
      ...[...read.value.understood, ...read.value.lines.flatMap((l) => l.understood)].map((u) => ({
        at: u.at,
        kind: "known" as const,
        label: u.label,
      })),
      ...read.value.asides.map((a) => ({ at: a.at, kind: "aside" as const, label: "not part of the order" })),
      ...doubts.value.map((d) => ({ at: d.at, kind: "doubt" as const })),
    ]
      .filter((m) => m.at[1] > m.at[0])
      .sort((a, b) => a.at[0] - b.at[0]);
    return all.filter((m, i) => i === 0 || m.at[0] >= (all[i - 1]?.at[1] ?? 0));
  });
  const questions = computed<TextQuestion[]>(() =>
    doubts.value.map((d) => ({ at: d.at, sentence: doubtSentence(d), answers: d.candidates })),
  );
  const offers = (typed: string, at: number): TextOffers | undefined =>
    known.value && orderOffers(typed, at, read.value, known.value);
  return {
    text,
    read,
    current,
    isLate,
    hasFailed,
    wished,
    whole,
    unsure,
    customer,
    conflicts,
    marks,
    questions,
    offers,
  };
}
