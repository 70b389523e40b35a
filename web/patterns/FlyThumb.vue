<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from "vue";
import type { FlyChoice } from "@kasten/core/recipe";
import { whenIdle } from "../parts/idleQueue";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import { flyImage } from "./flyImages";

/** A fly in a list: drawn once for each kind, as soon as there is time, so that typing and scrolling never wait. */
const props = defineProps<{
  pattern: string;
  size: string;
  variant: string;
  form: string;
  version?: number;
  choice?: Partial<FlyChoice>;
}>();
const { data, patterns, fly, recipeOf } = useCatalogue();
const { person } = useSession();
const image = ref<string>();
const fault = ref("");
let cancel: (() => void) | undefined;
const entry = computed(() => patterns.value.get(props.pattern));
const version = computed(() => props.version ?? entry.value?.version);
const choice = computed(() => ({ size: props.size, variant: props.variant, form: props.form, ...props.choice }));
/** Another state of the cabinet draws other flies. */
const key = computed(
  () => `${props.pattern}@${version.value ?? ""}|${stateOf(data.value)}|${JSON.stringify(choice.value)}`,
);
const title = computed(() => `${entry.value?.name ?? ""}, size ${props.size}, side view to scale`);
/** Asks for the recipe at once, ties and draws when it is there and there is time. */
const isHere = computed(() => recipeOf(props.pattern, version.value) !== undefined);
watch(
  [key, isHere],
  () => {
    cancel?.();
    fault.value = "";
    if (!isHere.value) return;
    cancel = whenIdle(() => {
      const draw = () => {
        const tied = fly(props.pattern, choice.value, { version: version.value, keepProfiles: true });
        fault.value = tied.fault ?? "";
        return tied.fly;
      };
      image.value = flyImage(key.value, draw, title.value);
    });
  },
  { immediate: true },
);
onBeforeUnmount(() => cancel?.());
</script>

<script lang="ts">
const states = new WeakMap<object, number>();
let last = 0;
/** A number for each answer of the catalogue. */
function stateOf(answer: object | undefined): number {
  if (!answer) return 0;
  const known = states.get(answer) ?? ++last;
  states.set(answer, known);
  return known;
}
</script>

<template>
  <div
    class="flex items-center justify-center overflow-hidden bg-[var(--fly-ground)] p-1 text-center text-[0.85rem] text-[#33443f]"
  >
    <img
      v-if="image"
      :src="image"
      :alt="title"
      class="h-full w-full object-contain"
      :class="{ '-scale-x-100': person?.handed === 'left' }"
    />
    <template v-else>{{ fault }}</template>
  </div>
</template>
