<script setup lang="ts">
import type { Need } from "@kasten/contract/materials";
import ColourSwatch from "../parts/ColourSwatch.vue";

/** A material that is needed: by its name, from which side and which place on the skin. */
defineProps<{ need: Pick<Need, "material" | "materialName" | "colour" | "side" | "area"> }>();
</script>

<template>
  <ColourSwatch :colour="need.colour" class="mr-1.5" /><RouterLink class="link" :to="`/stock/${need.material}`">{{
    need.materialName
  }}</RouterLink
  ><span v-if="need.side" class="tag ml-1">{{ need.side }}</span
  ><span v-if="need.area" class="tag ml-1">from the {{ need.area }}</span>
</template>
