import { computed, ref, type Ref } from "vue";
import type { Material } from "@kasten/core/materials";
import { recipeOffers, type RecipeReading } from "@kasten/core/words";
import type { TextMark, TextOffers, TextQuestion } from "../editor";

interface Told {
  reading: Readonly<Ref<RecipeReading>>;
  text: Readonly<Ref<string>>;
  materials: Readonly<Ref<ReadonlyMap<string, Material>>>;
  /** What is to be said at a step. */
  notes: Readonly<Ref<ReadonlyMap<string, { sentence: string; hard: boolean }[]>>>;
}

function beginsOf(lines: readonly string[]): number[] {
  let at = 0;
  return lines.map((l) => {
    const begin = at;
    at += l.length + 1;
    return begin;
  });
}

/** The recipe's text for the editor: what is marked in it, asked about it and offered, and the line at the cursor. */
export function useRecipeText({ reading, text, materials, notes }: Told) {
  const cursor = ref(0);
  /** Where each line begins. */
  const begins = computed(() => beginsOf(text.value.split("\n")));
  /** Where each began when it was read: the editor moves what was read with what is typed since. */
  const began = computed(() => beginsOf(reading.value.lines.map((l) => l.text)));
  const lineAt = computed(() => {
    const after = begins.value.findIndex((b) => b > cursor.value);
    return after === -1 ? begins.value.length - 1 : after - 1;
  });
  const line = computed(() => reading.value.lines[lineAt.value]);

  const at = ([from, to]: readonly [number, number], i: number): [number, number] => [
    (began.value[i] ?? 0) + from,
    (began.value[i] ?? 0) + to,
  ];
  const marks = computed<TextMark[]>(() =>
    reading.value.lines.flatMap((l, i) => l.marks.map((m): TextMark => ({ at: at(m.at, i), kind: m.kind }))),
  );
  const questions = computed<TextQuestion[]>(() =>
    reading.value.lines.flatMap((l, i) => [
      ...l.asks.map((a): TextQuestion => ({ at: at(a.at, i), sentence: a.sentence, answers: a.answers })),
      ...l.steps
        .flatMap((id) => notes.value.get(id) ?? [])
        .filter((n) => n.hard)
        .map((n): TextQuestion => ({ at: at([0, l.text.length], i), sentence: n.sentence, answers: [] })),
    ]),
  );
  /** What is told without being asked, by line. */
  const notices = computed(() =>
    reading.value.lines.flatMap((l, i) =>
      l.steps
        .flatMap((id) => notes.value.get(id) ?? [])
        .filter((n) => !n.hard)
        .map((n) => ({ line: i + 1, sentence: n.sentence })),
    ),
  );
  function offers(all: string, place: number): TextOffers | undefined {
    const steps = new Map(reading.value.recipe.steps.map((s) => [s.id, s.do]));
    const kinds = [...new Set((line.value?.steps ?? []).flatMap((id) => steps.get(id) ?? []))];
    const found = recipeOffers(all, place, materials.value.values(), kinds);
    return (
      found && { from: found.from, offers: found.offers.map((o) => ({ label: o.label, note: o.note, text: o.text })) }
    );
  }
  return { cursor, lineAt, line, begins, marks, questions, notices, offers };
}
