<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from "vue";
import { benchStepOf } from "@kasten/core/bench";
import type { ComponentUse, ComposedFly } from "@kasten/core/fly";
import type { Material } from "@kasten/core/materials";
import type { Component, Recipe, RecipeStep } from "@kasten/core/recipe";
import type { RecipeLine } from "@kasten/core/words";
import ColourSwatch from "../parts/ColourSwatch.vue";
import { length as sayLength } from "../parts/units";
import { useSession } from "../team";
const LineDetails = defineAsyncComponent(() => import("./LineDetails.vue"));

/** The line at the cursor: how it was read, what it takes of a fly, what was taken as usual, and its details. */
const props = defineProps<{
  number: number;
  line: RecipeLine;
  recipe: Recipe;
  fly?: ComposedFly;
  materials: ReadonlyMap<string, Material>;
  notes: ReadonlyMap<string, { sentence: string; hard: boolean }[]>;
}>();
defineEmits<{ step: [step: RecipeStep]; part: [part: Component] }>();
const { person } = useSession();
const isOpen = ref(false);
watch(
  () => props.number,
  () => {
    isOpen.value = false;
  },
);

const steps = computed(() =>
  props.line.steps.flatMap((id) => {
    const step = props.recipe.steps.find((s) => s.id === id);
    if (!step) return [];
    const component = props.recipe.components.find((c) => c.id === step.component);
    const tied = props.fly?.steps.find((s) => s.id === id);
    const material = props.materials.get(component?.material[0]?.value ?? "");
    return [
      {
        step,
        component,
        material,
        bench: tied && props.fly ? benchStepOf(props.fly, tied, person.value?.handed ?? "right", sayLength) : undefined,
        uses: (props.fly?.parts ?? []).flatMap((p) => p.uses.filter((u) => u.step === id).map((u) => useWords(u.use))),
        notes: props.notes.get(id) ?? [],
      },
    ];
  }),
);

const round = (n: number, digits = 1): string => String(Number(n.toFixed(digits)));
/** How many lie side by side, before the length of one. */
const severalOf = ({ together }: { together?: number }): string => (together ? `${together} × ` : "");
/** What one fly takes. */
function useWords(use: ComponentUse): string {
  switch (use.kind) {
    case "pieces":
      return `${round(use.each)} ${use.each === 1 ? "piece" : "pieces"}`;
    case "packets":
      return `a trace: a packet ties ${use.fliesPerPacket}`;
    case "length":
      return sayLength(use.mm);
    case "mass":
    case "layer":
      return `${round(use.mg)} mg`;
    case "volume":
      return `${round(use.ul)} µl`;
    case "wound feather":
      return `${severalOf(use)}${sayLength(use.length)} of stem`;
    case "cut":
      return use.together ? `${severalOf(use)}${sayLength(use.piece)}` : `a piece of ${sayLength(use.piece)}`;
    case "fibres":
      return `${round(use.fibres, 0)} fibres of ${sayLength(use.lengthMm)}`;
    case "slips":
      return `a slip of ${sayLength(use.widthMm)} from each side`;
    case "feathers":
      return `${round(use.each)} ${use.each === 1 ? "feather" : "feathers"}`;
    case "patch":
      return `${round(use.areaMm2)} mm² of hide`;
    case "strands":
      return `${use.piecesPerFly} × ${sayLength(use.pieceMm)}`;
  }
}
const component = computed(() => steps.value.find((s) => s.component)?.component);
</script>

<template>
  <section class="sheet px-3 py-2" aria-label="The line at the cursor" data-testid="line-facts">
    <h3 class="text-[0.9rem] font-semibold">
      Line <span class="fig">{{ number }}</span>
      <span v-if="line.kind !== 'steps'" class="font-normal text-soft">{{
        line.kind === "fact" ? "a fact of the pattern" : "no step"
      }}</span>
    </h3>
    <div v-for="s in steps" :key="s.step.id" class="border-t border-rule py-1 first-of-type:border-0">
      <p class="flex flex-wrap items-center gap-x-2">
        <b>{{ s.step.name }}</b>
        <span v-if="s.material" class="flex items-center gap-1.5"
          ><ColourSwatch :colour="s.material.colour" />{{ s.material.name }}</span
        >
      </p>
      <p v-if="s.bench" class="text-[0.95rem]">
        <span class="fig">{{ s.bench.where }}</span><template v-for="f in s.bench.figures" :key="f">
          · {{ f }}</template
        >
      </p>
      <p v-if="s.uses.length > 0" class="text-[0.92rem]">
        <span class="text-soft">takes</span> <span class="fig">{{ s.uses.join(", ") }}</span>
      </p>
      <p v-for="n in s.notes" :key="n.sentence" class="text-[0.92rem] text-call" :class="n.hard ? 'font-semibold' : ''">
        {{ n.sentence }}
      </p>
    </div>
    <p v-if="line.assumed.length > 0" class="text-[0.88rem] text-soft">
      taken as usual: {{ [...new Set(line.assumed)].join("; ") }}
    </p>
    <p v-for="n in line.notes" :key="n" class="text-[0.9rem]">{{ n }}</p>
    <template v-if="steps.length > 0">
      <button type="button" class="btn mt-1" :aria-expanded="isOpen" @click="isOpen = !isOpen">
        {{ isOpen ? "Close its ways and details" : "Ways and details" }}
      </button>
      <LineDetails
        v-if="isOpen"
        class="mt-2"
        :recipe="recipe"
        :component="component"
        :steps="steps.map((s) => s.step)"
        @part="$emit('part', $event)"
        @step="$emit('step', $event)"
      />
    </template>
  </section>
</template>
