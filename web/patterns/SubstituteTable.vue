<script setup lang="ts">
import { computed } from "vue";
import { judgeSubstitute, sayDifference } from "@kasten/core/materials";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/patterns";
import { useCatalogue } from "./catalogue";

/** Materials that the pattern allows in another's place, with what each changes and what it takes away. */
const props = defineProps<{ recipe: Recipe; choice: FlyChoice }>();
const { hooks, materials } = useCatalogue();
const rows = computed(() => {
  const model = hooks.value.get(hookOf(props.recipe, props.choice));
  if (!model) return [];
  const request = { recipe: props.recipe, choice: props.choice, model, materials: materials.value };
  return props.recipe.components.flatMap((c) => (c.alternates ?? []).map((a) => ({ role: c.role, ...judgeSubstitute(request, c.id, a.material, 120) })));
});
</script>
<template>
  <section>
    <h2 class="mb-1">In another’s place</h2>
    <ul v-if="rows.length > 0" class="sheet"><li v-for="r in rows" :key="r.component + r.material" class="border-b border-rule px-3 py-1.5">
      <b>{{ r.role }}: {{ r.materialName }}</b><span v-if="r.effect" class="text-soft"> · {{ r.effect }}</span>
      <span v-if="r.fault" class="block text-call">{{ r.fault }}</span>
      <span v-else class="block text-[0.93rem]">For 10 dozen: {{ r.differences.map(sayDifference).join("; ") || "the same quantities" }}<template v-if="Math.abs(r.massMg) >= 1">; {{ Math.abs(r.massMg).toFixed(0) }} mg {{ r.massMg > 0 ? "heavier" : "lighter" }} a fly</template></span>
      <span v-for="w in r.warnings" :key="w.sentence" class="block text-[0.93rem] text-call">{{ w.sentence }}</span>
    </li></ul>
    <p v-else class="sheet p-3 text-soft">No material may take another’s place. Name one at its part, in the editor.</p>
  </section>
</template>
