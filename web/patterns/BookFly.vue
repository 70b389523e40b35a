<script setup lang="ts">
import { computed, onBeforeUnmount, ref, watch } from "vue";
import type { PatternEntry } from "@kasten/contract/patterns";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
import { flyImage } from "./flyImages";
import { whenIdle } from "./idleQueue";

/** A fly in a long list: drawn once, as soon as there is time, so that typing and scrolling never wait for it. */
const props = defineProps<{ entry: PatternEntry; size: string }>();
const { fly, recipeOf } = useCatalogue();
const { person } = useSession();
const image = ref<string>();
const fault = ref("");
let cancel: (() => void) | undefined;
const choice = computed(() => ({
  size: props.size,
  variant: props.entry.variants[0]?.id ?? "",
  form: props.entry.forms[0]?.id ?? "",
}));
const key = computed(
  () => `${props.entry.id}@${props.entry.version}|${choice.value.size}|${choice.value.variant}|${choice.value.form}`,
);
const title = computed(() => `${props.entry.name}, size ${props.size}, side view to scale`);
/** Asks for the recipe at once, ties and draws when it is there and there is time. */
const isHere = computed(() => recipeOf(props.entry.id, props.entry.version) !== undefined);
watch(
  [key, isHere],
  () => {
    cancel?.();
    fault.value = "";
    image.value = undefined;
    if (!isHere.value) return;
    cancel = whenIdle(() => {
      const draw = () => {
        const tied = fly(props.entry.id, choice.value, { keepProfiles: true });
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
