<script setup lang="ts">
import { ref, watch } from "vue";
import { readPlace, sayPlace } from "@kasten/core/words";
import type { Place } from "@kasten/core/hooks";

/** A place on the shank, as it is said. What cannot be understood stays as typed and says what would be. */
const place = defineModel<Place>({ required: true });
const props = defineProps<{ label: string }>();
const typed = ref(sayPlace(place.value));
const unread = ref(false);
watch(place, (p) => {
  if (!unread.value) typed.value = sayPlace(p);
});
function read(): void {
  const found = readPlace(typed.value);
  unread.value = found === undefined;
  if (!found) return;
  place.value = found;
  typed.value = sayPlace(found);
}
</script>

<template>
  <span class="inline-block"
    ><input v-model="typed" class="field w-32" :aria-label="props.label" :aria-invalid="unread" @change="read" /><span
      v-if="unread"
      class="block text-[0.86rem] text-call"
      role="alert"
      >Say eye, 1.5 eyes, mid-shank, 0.3 shank, point or bend.</span
    ></span
  >
</template>
