<script setup lang="ts">
import { computed, ref } from "vue";
import { dressedAs, dressingDifferences, methodDifferences } from "@kasten/core/needs";
import { methodSentence, sayDifference } from "@kasten/core/sentences";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
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
const chosen = computed(() => Object.keys(props.choice.methods ?? {}).length);
const take = (key: string, school: string): void => emit("choose", { ...props.choice.methods, [key]: school });
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
    <div class="sheet overflow-x-auto">
      <table>
        <thead>
          <tr>
            <th scope="col">Step</th>
            <th scope="col">Question</th>
            <th scope="col">Tied here</th>
            <th scope="col">The other way</th>
          </tr>
        </thead>
        <tbody>
          <tr v-if="dressing">
            <th scope="row" class="!border-b !border-rule">the whole fly</th>
            <td>How densely is it dressed?</td>
            <td>{{ dressing.now }}</td>
            <td>
              <div v-for="d in dressing.others" :key="d.dressing" class="flex items-baseline gap-2 py-0.5">
                <button
                  v-if="!fixed && !d.fault"
                  class="btn !min-h-7 !px-2"
                  :aria-label="`Take: dressed ${d.dressing}`"
                  @click="emit('choose', { ...choice.methods, ...d.ways })"
                >
                  Take</button
                ><span
                  >{{ d.fault ?? `${d.dressing}: ${d.says}`
                  }}<template v-if="Math.abs(d.massMg) >= 1"
                    >, {{ Math.abs(d.massMg).toFixed(0) }} mg {{ d.massMg > 0 ? "heavier" : "lighter" }} a fly</template
                  ></span
                >
              </div>
            </td>
          </tr>
          <tr v-for="q in questions" :key="q.key">
            <th scope="row" class="!border-b !border-rule">{{ q.step }}</th>
            <td>{{ q.asks }}</td>
            <td>
              {{ q.current
              }}<span class="block text-[0.86rem] text-soft">{{
                q.because ? `because ${q.because}` : "no reason given"
              }}</span>
            </td>
            <td>
              <div v-for="d in q.others" :key="d.other.id" class="flex items-baseline gap-2 py-0.5">
                <button
                  v-if="!fixed && !d.fault"
                  class="btn !min-h-7 !px-2"
                  :aria-label="`Take: ${d.other.words}, ${q.step}`"
                  @click="take(q.key, d.other.id)"
                >
                  Take</button
                ><span :class="{ 'text-soft': d.differences.length === 0 }"
                  >{{ methodSentence(d)
                  }}<span v-if="bulk(d.other)" class="tag ml-2">usual from {{ d.other.fromFlies }} flies on</span></span
                >
              </div>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
