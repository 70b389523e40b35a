<script setup lang="ts">
import ExceptionNote from "../parts/ExceptionNote.vue";
import WishNote from "../parts/WishNote.vue";
import { computed } from "vue";
import { benchStepOf, cautionsOf, checksOf, coatChecks, statedOnce } from "@kasten/core/bench";
import { proportionsOf } from "@kasten/core/fly";
import { readBatch } from "@kasten/contract/batches";
import { call, useRead } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import { day } from "../parts/format";
import { length } from "../parts/units";
import { AskedNote, FlyPicture, HookNote, formName, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import CardSide from "./CardSide.vue";
import CardSteps from "./CardSteps.vue";
import { cardSize } from "./cardSize";
import { useBatchFly } from "./useBatchFly";

/**
 * One printed page for the bench: drawing, steps in mm, cut list, master-fly checks, cautions at their steps. A4 or
 * Letter.
 */
const props = defineProps<{ id: string }>();
const { patterns, recipeOf } = useCatalogue();
const { person } = useSession();
const batch = useRead({ key: () => ["batch", props.id], query: () => call(readBatch, { params: { id: props.id } }) });
const b = computed(() => batch.data.value);
const { tied, differs } = useBatchFly(b);
const cautions = computed(() => (tied.value.fly ? cautionsOf(tied.value.fly) : []));
/** What the pattern says must not be. */
const avoid = computed(() => (b.value && recipeOf(b.value.pattern, b.value.patternVersion)?.avoid) ?? []);
const handed = computed(() => person.value?.handed ?? "right");
const steps = computed(() => {
  const f = tied.value.fly;
  return (f?.steps ?? []).map((s) => ({
    ...benchStepOf(f!, s, handed.value, length),
    cautions: cautions.value.filter((c) => c.step === s.id),
  }));
});
const lengths = computed(() => (tied.value.fly ? proportionsOf(tied.value.fly) : []));
const checks = computed(() => {
  const f = tied.value.fly;
  const recipe = b.value && recipeOf(b.value.pattern, b.value.patternVersion);
  return f ? [...checksOf(f, length), ...(recipe ? coatChecks(recipe, f) : [])] : [];
});
/** What is cut, counted or sorted beforehand. */
const cuts = computed(() =>
  (b.value?.requirements ?? []).filter((r) => r.unit === "count" || /cut|length/.test(r.words)),
);
/** A long recipe is set smaller, so that it stays one page. */
const size = computed(() => {
  const stated = statedOnce(steps.value);
  const left = steps.value.flatMap((s, i) => [
    ...(stated[i] === undefined ? [] : [`“${stated[i]}”`]),
    [s.name, s.material, s.where, ...s.figures, ...s.ways, ...s.tools, s.instruction ?? ""].join(" · "),
    ...s.cautions.map((c) => c.sentence),
  ]);
  const right = [
    ...lengths.value.map((p) => p.part),
    ...cuts.value.map((r) => `${r.materialName} ${r.words}`),
    ...checks.value.map((c) => `${c.feature} ${c.tolerance ?? ""} ${c.when}`),
    "",
    "",
    "",
  ];
  return `${cardSize(left, right)}pt`;
});
const print = () => window.print();
</script>

<template>
  <article v-if="b" class="bench-card mx-auto bg-[#fdfdfb] text-[#15262b]" :style="{ fontSize: size }">
    <header class="flex items-start justify-between gap-4 border-b-2 border-[#15262b] pb-1">
      <div>
        <h1 class="!text-[1.9em]">
          {{ b.patternName }} <span class="fig">{{ b.size }}</span>
          <span class="font-normal"
            >{{ variantName(patterns.get(b.pattern), b.variant)
            }}{{
              formName(patterns.get(b.pattern), b.form) ? `, ${formName(patterns.get(b.pattern), b.form)}` : ""
            }}</span
          >
        </h1>
        <p>
          Batch <b class="fig">{{ b.number }}</b>, version <span class="fig">{{ b.patternVersion }}</span>,
          {{ b.mode }}, due {{ day(b.due) }}
        </p>
      </div>
      <p class="text-right">
        <DozenCount :flies="b.owed" /> owed<br /><b class="fig text-[1.5em]">{{ b.starts }}</b> to start
      </p>
      <button class="btn no-print" @click="print">Print</button>
    </header>
    <WishNote v-for="c in b.claims" :key="c.line" :wishes="c.wishes" :of="c.customer" />
    <ExceptionNote :exceptions="[...b.exceptions, ...b.claims.flatMap((c) => c.exception ?? [])]" />
    <AskedNote
      :pattern="b.pattern"
      :version="b.patternVersion"
      :size="b.size"
      :variant="b.variant"
      :form="b.form"
      :asked="{ leave: b.leave, use: b.use, methods: b.methods, buy: b.buy }"
    />
    <HookNote :pattern="b.pattern" :version="b.patternVersion" :choice="b" />
    <p v-if="tied.fault" class="callout">{{ tied.fault }}</p>
    <template v-if="tied.fly">
      <p v-for="a in avoid" :key="a"><b>Not to be:</b> {{ a }}</p>
      <p v-if="differs.length > 0">By {{ person?.name }}’s ways: {{ differs.join("; ") }} than was pulled.</p>
      <figure class="drawing">
        <FlyPicture
          :fly="tied.fly"
          :seed="b.pattern"
          :title="`${b.patternName}, size ${b.size}`"
          measures
          :letters="30"
        />
      </figure>
      <div class="grid grid-cols-[minmax(0,1fr)] gap-4 sm:grid-cols-[minmax(0,1.75fr)_minmax(0,1fr)]">
        <CardSteps :steps="steps" />
        <CardSide :lengths="lengths" :cuts="cuts" :checks="checks" />
      </div>
    </template>
    <footer>
      ▲ Hook points and blades: glasses, never a hand behind the point. Rest hands, neck and eyes ten minutes in every
      hour. Local law, makers’ data sheets and professional advice go before this card.
    </footer>
  </article>
</template>

<style>
/* The card and what stands on it. Paper, whatever the theme of the screen. */
.bench-card {
  --ink-soft: #44575b;
  --deep: #0d5560;
  --deep-ink: #f9fbf8;
  --sheet: #f9fbf8;
  --rule-strong: #7d908b;
  --call-ground: #fbe6db;
  --ink: #15262b;
  width: 190mm;
  max-width: 100%;
  padding: 5mm;
  line-height: 1.28;
  border: 1px solid var(--rule);
}
.bench-card .drawing {
  height: 62mm;
  margin: 1.5mm 0;
  background: white;
}
.bench-card .steps li {
  display: grid;
  grid-template-columns: 1.6em 1fr;
  padding: 0.28em 0;
  border-bottom: 0.5px solid #b5bfba;
}
.bench-card .no {
  font-weight: 700;
}
.bench-card .stated {
  display: block;
  color: #44575b;
  font-style: italic;
}
.bench-card .caution {
  display: block;
  font-weight: 600;
  color: #8a2706;
}
.bench-card .pairs {
  display: grid;
  grid-template-columns: minmax(0, auto) minmax(0, 1fr);
}
/* A figure keeps its line; a long name breaks. */
.bench-card .pairs.figures {
  grid-template-columns: minmax(0, 1fr) max-content;
}
.bench-card .pairs > * {
  padding: 0.14em 0.3em 0.14em 0;
  border-bottom: 0.5px solid #b5bfba;
}
.bench-card .pairs dd {
  text-align: right;
}
.bench-card .checks li {
  padding: 0.14em 0;
  border-bottom: 0.5px solid #b5bfba;
}
.bench-card footer {
  margin-top: 2mm;
  font-size: 0.86em;
}
.bench-card .callout,
.bench-card h2,
.bench-card .text-soft {
  color: #15262b;
}
@media print {
  .bench-card {
    width: auto;
    padding: 0;
    border: none;
    background: white;
  }
  .bench-card .steps li,
  .bench-card tr,
  .bench-card .checks li {
    break-inside: avoid;
  }
}
</style>
