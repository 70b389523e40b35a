<script setup lang="ts">
import { computed } from "vue";
import { sharesOfShank, type ComposedFly } from "@kasten/core/fly";
import { placeAt } from "@kasten/core/hooks";
import { minutesWorking, weightWorking } from "@kasten/core/needs";
import { priceOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import type { Working } from "@kasten/contract/materials";
import { money } from "../parts/format";
import { lengthFigure, units } from "../parts/units";
import { useWorking } from "../parts/working";
import { DOZEN } from "./usePattern";

/** What one fly weighs, takes and costs, and where its marks lie. */
const props = defineProps<{ id: string; recipe: Recipe; choice: FlyChoice; fly: ComposedFly }>();
const panel = useWorking();
const weight = computed(() => props.fly.tied.mass.total);
const minutes = computed(() => Number(props.fly.minutes.toFixed(2)));
const shares = computed(() => sharesOfShank(props.fly));
const marks = computed(() => {
  const { hook } = props.fly;
  return [
    ["mid-shank", placeAt({ fraction: 0.5 }, hook)],
    ["point", hook.point],
    ["barb", hook.barb],
    ["bend", hook.shank],
  ] as const;
});
const show = (title: string, working: Working, words: string): void =>
  panel.show({ title, words, working, fly: { pattern: props.id, ...props.choice } });
</script>

<template>
  <dl class="flex flex-wrap gap-x-7 gap-y-1">
    <div>
      <dt class="text-soft">Weight</dt>
      <dd class="text-xl">
        <button
          class="num"
          aria-label="Working of the weight"
          @click="show('weight of a fly', weightWorking(fly), `${weight.toFixed(0)} mg`)"
        >
          {{ weight.toFixed(0) }}</button><span class="unit"
          >mg, {{ ((weight * DOZEN) / 1000).toFixed(1) }} g a dozen</span
        >
      </dd>
    </div>
    <div>
      <dt class="text-soft">Time</dt>
      <dd class="text-xl">
        <button
          class="num"
          aria-label="Working of the minutes"
          @click="show('minutes of a fly', minutesWorking(fly), `${minutes} min`)"
        >
          {{ minutes }}</button><span class="unit">min a fly</span>
      </dd>
    </div>
    <div>
      <dt class="text-soft">Price</dt>
      <dd class="text-xl">
        <span class="fig">{{ money(priceOf(recipe, choice)) }}</span><span class="unit">a dozen</span>
      </dd>
    </div>
    <div v-for="[name, mm] in marks" :key="name">
      <dt class="text-soft">{{ name }}</dt>
      <dd class="text-xl">
        <span class="fig">{{ lengthFigure(mm) }}</span><span class="unit">{{ units }}</span>
      </dd>
    </div>
    <div v-if="shares.length > 1">
      <dt class="text-soft">{{ shares.map((s) => s.part).join(" : ") }}</dt>
      <dd class="text-xl">
        <span class="fig">{{ shares.map((s) => Math.round(100 * s.share)).join(" : ") }}</span>
      </dd>
    </div>
  </dl>
</template>
