<script setup lang="ts">
import { computed } from "vue";
/** Flies as dozens and singles: 6 dz + 4. */
const props = defineProps<{ flies: number }>();
const dozens = computed(() => Math.floor(props.flies / 12));
const singles = computed(() => props.flies % 12);
</script>

<template>
  <span class="whitespace-nowrap"
    ><template v-if="dozens > 0 || singles === 0"
      ><span class="fig">{{ dozens }}</span
      ><span class="unit">dz</span></template
    ><template v-if="singles > 0"
      ><span v-if="dozens > 0" class="unit"> + </span><span class="fig">{{ singles }}</span
      ><span v-if="dozens === 0" class="unit">{{ singles === 1 ? "fly" : "flies" }}</span></template
    ></span
  >
</template>
