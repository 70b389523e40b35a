<script setup lang="ts">
import { Columns2, Download, Pencil } from "lucide-vue-next";
import { computed, defineAsyncComponent, ref } from "vue";
import { drawFly, svgFile } from "@kasten/core/drawing";
import { hookOf, notPromised } from "@kasten/core/recipe";
import { notPromisedWords } from "@kasten/core/sentences";
import SwitchField from "../parts/SwitchField.vue";
import { download } from "../parts/download";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import ChoiceBar from "./ChoiceBar.vue";
import FlyFigures from "./FlyFigures.vue";
import { useChoice, useDressing } from "./useChoice";
import { usePatternFly, useRanges, useSizes } from "./usePattern";
const FlyLengths = defineAsyncComponent(() => import("./FlyLengths.vue"));
const FlyMaterials = defineAsyncComponent(() => import("./FlyMaterials.vue"));
const FlyPair = defineAsyncComponent(() => import("./FlyPair.vue"));
const FlySteps = defineAsyncComponent(() => import("./FlySteps.vue"));
const FlyDifferences = defineAsyncComponent(() => import("./FlyDifferences.vue"));
const BeadTool = defineAsyncComponent(() => import("./BeadTool.vue"));
const MethodTable = defineAsyncComponent(() => import("./MethodTable.vue"));
const TakenAway = defineAsyncComponent(() => import("./TakenAway.vue"));
const SubstituteTable = defineAsyncComponent(() => import("./SubstituteTable.vue"));

const HookChoice = defineAsyncComponent(() => import("./HookChoice.vue"));
const RecipeNotes = defineAsyncComponent(() => import("./RecipeNotes.vue"));
const VersionList = defineAsyncComponent(() => import("./VersionList.vue"));

const props = defineProps<{ id: string }>();
const { patterns, hooks, materials: cabinet, recipeOf } = useCatalogue();
const { may } = useSession();
const entry = computed(() => patterns.value.get(props.id));
const recipe = computed(() => recipeOf(props.id));
const sizes = useSizes(() => props.id);
const inside = ref(false);
const comparing = ref(false);
const step = ref<string>();

const { choice, other, optional, take } = useChoice(entry, recipe, sizes);
const { tied, materials, proportions, cautions, checks, notices } = usePatternFly(() => props.id, choice);
const second = usePatternFly(() => props.id, other);
const fly = computed(() => tied.value.fly);
const { ratings, rating, dress } = useDressing(choice, recipe, fly);
const hook = computed(() => (recipe.value ? hooks.value.get(hookOf(recipe.value, choice.value)) : undefined));
const hookPart = computed(() => recipe.value?.components.find((c) => c.role === "hook")?.id ?? "hook");
const ranges = useRanges(recipe, choice, tied, materials);
const unsure = computed(() =>
  recipe.value ? notPromised(recipe.value, choice.value, cabinet.value).map(notPromisedWords) : [],
);
function saveDrawing(): void {
  if (!fly.value || !entry.value) return;
  const drawn = drawFly(fly.value, { seed: props.id, inside: inside.value });
  const file = svgFile(drawn, `${entry.value.name}, size ${choice.value.size}`);
  download(`${props.id}-${choice.value.size.replace("/", "-")}.svg`, "image/svg+xml", file);
}
</script>

<template>
  <template v-if="entry">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>
        {{ entry.name }} <span class="font-normal text-soft">{{ entry.style }}</span>
      </h1>
      <div class="flex flex-wrap items-center gap-2">
        <span class="text-soft"
          >{{ entry.origin }}<template v-if="entry.species">, for {{ entry.species }}</template></span
        >
        <RouterLink v-if="may('write patterns')" class="btn" :to="`/patterns/${id}/edit`"
          ><Pencil :size="16" aria-hidden="true" />{{ entry.missing.length > 0 ? "Complete it" : "Edit" }}</RouterLink
        >
      </div>
    </div>
    <section v-if="entry.missing.length > 0" class="callout mb-4">
      <h2>Kept, but held from costing and from the bench. It lacks:</h2>
      <ul class="list-disc pl-5">
        <li v-for="m in entry.missing" :key="m">{{ m }}</li>
      </ul>
    </section>
    <template v-else>
      <ChoiceBar
        v-model="choice"
        :entry="entry"
        :sizes="sizes"
        :optional="optional"
        :ratings="ratings"
        :rating="rating"
        class="mb-2"
        :label="comparing ? 'left' : undefined"
        @dress="dress"
      >
        <SwitchField v-model="inside">See inside</SwitchField>
        <button class="btn btn-plain" :aria-pressed="comparing" @click="comparing = !comparing">
          <Columns2 :size="17" aria-hidden="true" />{{ comparing ? "Only one" : "Beside another" }}
        </button>
        <button class="btn btn-plain" @click="saveDrawing"><Download :size="17" aria-hidden="true" />Drawing</button>
      </ChoiceBar>
      <p v-if="tied.fault" class="callout mb-3">{{ tied.fault }}</p>
      <TakenAway v-if="recipe && fly" :recipe="recipe" :choice="choice" class="mb-3" />
      <p v-if="ranges.fault" class="callout mb-3">
        Not all that the recipe leaves open can be tied at this size: {{ ranges.fault }}
      </p>
      <p v-for="u in unsure" :key="u" class="callout mb-3">{{ u }}.</p>
      <div class="fly-page">
        <div class="fly-side">
          <div class="at-draw min-w-0">
            <FlyPair
              :id="id"
              v-model="other"
              class="mb-3"
              :entry="entry"
              :sizes="sizes"
              :optional="optional"
              :choice="choice"
              :fly="fly"
              :second="comparing ? second.tied.value : undefined"
              :inside="inside"
              :step="step"
            />
            <FlyDifferences
              v-if="comparing"
              class="mb-4"
              :left="{ fly, materials }"
              :right="{ fly: second.tied.value.fly, materials: second.materials.value }"
            />
            <p v-for="w in notices" :key="w.sentence" class="callout mb-2">
              {{ w.sentence }}
              <button
                class="link"
                @mouseenter="step = w.step"
                @mouseleave="step = undefined"
                @focus="step = w.step"
                @blur="step = undefined"
              >
                Show the step
              </button>
            </p>
            <FlyFigures v-if="recipe && fly" :id="id" class="mb-4" :recipe="recipe" :choice="choice" :fly="fly" />
          </div>
          <div class="at-ways min-w-0">
            <MethodTable
              v-if="recipe && fly"
              :recipe="recipe"
              :choice="choice"
              @choose="choice = { ...choice, methods: $event }"
            />
            <div class="mt-5 grid gap-5 xl:grid-cols-2 2xl:grid-cols-1">
              <SubstituteTable v-if="recipe && fly" :recipe="recipe" :choice="choice" @take="take" /><BeadTool
                v-if="fly"
                :fly="fly"
              />
            </div>
          </div>
        </div>
        <div class="fly-side">
          <section class="at-take min-w-0">
            <h2 class="mb-1">Materials for a dozen</h2>
            <FlyMaterials :id="id" :choice="choice" :fly="fly" :materials="materials" :open="ranges.words" />
            <h2 class="mb-1 mt-4">Lengths against the ruler</h2>
            <FlyLengths :proportions="proportions" :beside="comparing ? second.proportions.value : undefined" />
          </section>
          <section class="at-steps min-w-0">
            <h2 class="mb-1">Steps</h2>
            <FlySteps v-if="fly" :fly="fly" :cautions="cautions" @point="step = $event" />
            <HookChoice
              v-if="recipe && hook"
              :recipe="recipe"
              :choice="choice"
              :model="hook"
              class="mt-2"
              @take="take(hookPart, $event)"
            />
            <RecipeNotes v-if="recipe" :recipe="recipe" :fly="fly" />
            <h2 class="mb-1 mt-4">Beside the master fly</h2>
            <ul class="sheet px-3 py-1.5 text-[0.95rem]">
              <li v-for="(c, i) in checks" :key="i" class="py-0.5">
                <span class="tag mr-2">{{ c.when }}</span>{{ c.feature
                }}<span v-if="c.tolerance" class="text-soft">, {{ c.tolerance }}</span>
              </li>
            </ul>
          </section>
        </div>
      </div>
    </template>
    <VersionList :id="id" class="mt-5" />
  </template>
</template>

<style scoped>
/* One below the other; what it takes beside its steps; on a wide screen the drawing and its ways beside both. */
.fly-page {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 1.25rem;
}
.fly-side {
  display: contents;
}
.at-ways {
  order: 1;
}
@media (min-width: 1024px) {
  .fly-page {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .at-draw,
  .at-ways {
    grid-column: 1 / -1;
  }
}
@media (min-width: 1536px) {
  .fly-page {
    grid-template-columns: minmax(0, 1.55fr) minmax(26rem, 1fr);
  }
  .fly-side {
    display: flex;
    flex-direction: column;
    gap: 1.25rem;
    min-width: 0;
  }
}
</style>
