<script setup lang="ts">
import { computed } from "vue";
import type { FlyChoice } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import FlyPicture from "./FlyPicture.vue";

/** The side view of a pattern's fly, drawn by the computation for this very hook size. */
const props = defineProps<{
  pattern: string;
  size: string;
  variant: string;
  form: string;
  version?: number;
  choice?: Partial<FlyChoice>;
  inside?: boolean;
  measures?: boolean;
  step?: string;
}>();
const { patterns, fly } = useCatalogue();
const tied = computed(() =>
  fly(
    props.pattern,
    { size: props.size, variant: props.variant, form: props.form, ...props.choice },
    { version: props.version, keepProfiles: true },
  ),
);
const title = computed(
  () => `${patterns.value.get(props.pattern)?.name ?? ""}, size ${props.size}, side view to scale`,
);
</script>

<template>
  <figure class="fly relative bg-[var(--fly-ground)]">
    <FlyPicture
      v-if="tied.fly"
      :fly="tied.fly"
      :seed="pattern"
      :title="title"
      :inside="inside"
      :measures="measures"
      :step="step"
    />
    <figcaption
      v-else
      class="flex h-full items-center justify-center overflow-hidden p-2 text-center text-[0.85rem] text-[#33443f]"
    >
      {{ tied.fault ?? "" }}
    </figcaption>
  </figure>
</template>
