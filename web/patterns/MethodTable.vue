<script setup lang="ts">
import { computed, ref } from "vue";
import { dressedAs, dressingDifferences, methodDifferences } from "@kasten/core/needs";
import { methodSentence, sayDifference } from "@kasten/core/sentences";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";
import { useCatalogue } from "./catalogue";

/** Where good tiers differ on this fly, and what the other way would change. */
const props = defineProps<{
  recipe: Recipe;
  choice: FlyChoice;
  flies?: number;
  /** Nothing may be chosen here. */ fixed?: boolean;
}>();
const emit = defineEmits<{ choose: [methods: Record<string, string>] }>();
const { hooks, materials, tie } = useCatalogue();
const dozens = ref(10);
const flies = computed(() => props.flies ?? dozens.value * 12);
const questions = computed(() => {
  const model = hooks.value.get(hookOf(props.recipe, props.choice));
  if (!model) return [];
  const found = methodDifferences(
    { recipe: props.recipe, choice: { ...props.choice, flies: flies.value }, model, materials: materials.value },
    flies.value,
  );
  const groups = new Map<
    string,
    { key: string; step: string; asks: string; current: string; because?: string; others: typeof found }
  >();
  for (const d of found) {
    const key = `${d.step}/${d.question}`;
    const group = groups.get(key) ?? {
      key,
      step: d.stepName,
      asks: d.asks,
      current: d.current.words,
      because: reasonOf(d),
      others: [],
    };
    group.others.push(d);
    groups.set(key, group);
  }
  return [...groups.values()];
});
/** The whole fly dressed otherwise, where the pattern allows it. */
const dressing = computed(() => {
  const model = hooks.value.get(hookOf(props.recipe, props.choice));
  const fly = model && tie(props.recipe, props.choice).fly;
  if (!model || !fly) return undefined;
  const others = dressingDifferences(
    { recipe: props.recipe, choice: { ...props.choice, flies: flies.value }, model, materials: materials.value },
    flies.value,
  );
  const now = fly.steps.flatMap((s) => s.methods.filter((m) => m.question === "dressing"))[0]?.words;
  return now === undefined || others.length === 0
    ? undefined
    : {
        now,
        others: others.map((o) => ({
          ...o,
          ways: dressedAs(fly, o.dressing),
          says: o.differences.map(sayDifference).join(", ") || "the same quantities",
        })),
      };
});
/** The pattern's reason; or that it pays for so many. Where nobody gave one, none is invented. */
function reasonOf(d: ReturnType<typeof methodDifferences>[number]): string | undefined {
  const step = props.recipe.steps.find((s) => s.id === d.step);
  const isNamed = step?.methods?.[d.question] ?? props.choice.methods?.[`${d.step}/${d.question}`];
  if (isNamed === undefined && bulk(d.current)) return `it pays from ${d.current.fromFlies ?? 0} flies on`;
  // The reason belongs to the ways that the pattern names.
  return step?.methods?.[d.question] === undefined ? undefined : step.because;
}
/** Ways that pay only from some number of flies on. */
const bulk = (school: { fromFlies?: number }): boolean =>
  school.fromFlies !== undefined && flies.value >= school.fromFlies;
interface Other {
  id: string;
  says: string;
  same: boolean;
  label: string;
  take?: Record<string, string>;
  usualFrom?: number;
}
interface Row {
  key: string;
  step: string;
  asks: string;
  current: string;
  because?: string;
  others: Other[];
}
const heavier = (mg: number): string =>
  Math.abs(mg) >= 1 ? `, ${Math.abs(mg).toFixed(0)} mg ${mg > 0 ? "heavier" : "lighter"} a fly` : "";
const dressed = computed<Row[]>(() =>
  dressing.value === undefined
    ? []
    : [
        {
          key: "dressing",
          step: "the whole fly",
          asks: "How densely is it dressed?",
          current: dressing.value.now,
          others: dressing.value.others.map((d) => ({
            id: d.dressing,
            says: `${d.fault ?? `${d.dressing}: ${d.says}`}${heavier(d.massMg)}`,
            same: false,
            label: `Take: dressed ${d.dressing}`,
            ...(!d.fault && { take: d.ways }),
          })),
        },
      ],
);
const rows = computed<Row[]>(() => [
  ...dressed.value,
  ...questions.value.map((q) => ({
    ...q,
    others: q.others.map((d) => ({
      id: d.other.id,
      says: methodSentence(d),
      same: d.differences.length === 0,
      label: `Take: ${d.other.words}, ${q.step}`,
      ...(!d.fault && { take: { [q.key]: d.other.id } }),
      ...(bulk(d.other) && { usualFrom: d.other.fromFlies }),
    })),
  })),
]);
const unreasoned = computed(() => questions.value.filter((q) => !q.because).length);
const columns: Column<Row>[] = [
  { id: "step", head: "Step", lead: true, value: (q) => q.step, fixed: true },
  { id: "asks", head: "Question", value: (q) => q.asks, fixed: true },
  { id: "now", head: "Tied here", value: (q) => q.current, fixed: true },
  { id: "other", head: "The other way", act: true },
];
const chosen = computed(() => Object.keys(props.choice.methods ?? {}).length);
</script>

<template>
  <section>
    <div class="mb-1 flex flex-wrap items-baseline gap-3">
      <h2>Ways of tying it</h2>
      <label v-if="props.flies === undefined" class="text-soft"
        >for
        <input v-model.number="dozens" type="number" min="1" max="500" class="field fig !min-h-7 w-16" /> dozen</label
      >
      <button v-if="chosen > 0 && !fixed" class="btn btn-plain !min-h-7" @click="emit('choose', {})">
        Back to the pattern’s own ways
      </button>
    </div>
    <p class="mb-1 text-[0.93rem] text-soft">
      Good tiers differ. Each way is computed; none is wrong. What pays in bulk is the usual way once there are enough
      flies. Minutes are nominal until the room has its own.
    </p>
    <DataTable label="Ways of tying it" :rows="rows" :columns="columns" :row-key="(q) => q.key">
      <template #cell-step="{ row: q }"
        ><b class="text-[0.92rem]">{{ q.step }}</b></template
      >
      <template #cell-now="{ row: q }"
        >{{ q.current
        }}<span v-if="q.because" class="block text-[0.88rem] text-soft">because {{ q.because }}</span></template
      >
      <template #cell-other="{ row: q }"
        ><div v-for="o in q.others" :key="o.id" class="flex items-baseline gap-2 py-0.5">
          <button
            v-if="!fixed && o.take"
            class="btn !min-h-7 !px-2"
            :aria-label="o.label"
            @click="emit('choose', { ...choice.methods, ...o.take })"
          >
            Take</button
          ><span :class="{ 'text-soft': o.same }"
            >{{ o.says }}<span v-if="o.usualFrom" class="tag ml-2">usual from {{ o.usualFrom }} flies on</span></span
          >
        </div></template
      >
      <template #empty>Nobody ties this fly otherwise.</template>
    </DataTable>
    <p v-if="unreasoned > 0 && rows.length > 0" class="mt-1 text-[0.88rem] text-soft">
      Where no reason stands below a way, nobody has given one.
    </p>
  </section>
</template>
