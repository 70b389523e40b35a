<script setup lang="ts">
import type { Material } from "@kasten/core/materials";
import ColourSwatch from "../parts/ColourSwatch.vue";

/** Materials that the recipe described in the same breath: they join the cabinet when it is saved. */
defineProps<{ materials: Material[] }>();
</script>

<template>
  <section v-if="materials.length > 0" class="sheet mt-3 px-3 py-2" data-testid="new-materials">
    <h3 class="text-[0.9rem] font-semibold">New to the cabinet</h3>
    <p class="text-[0.9rem] text-soft">
      Their figures are the nominal ones of their form until somebody measures. They are added when the pattern is
      saved.
    </p>
    <ul>
      <li v-for="m in materials" :key="m.code" class="flex flex-wrap items-center gap-x-2 border-t border-rule py-0.5">
        <ColourSwatch :colour="m.colour" /><b>{{ m.name }}</b> <span class="text-soft">{{ m.form }}</span>
      </li>
    </ul>
  </section>
</template>
