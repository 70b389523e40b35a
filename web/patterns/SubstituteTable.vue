<script setup lang="ts">
import { computed } from "vue";
import { materialPrices } from "@kasten/contract/materials";
import { materialCostOf, judgeLeavingOut, judgeSubstitute, type Difference, type TakenAway } from "@kasten/core/needs";
import { sayDifference, sentenceOf, takenAwaySentence } from "@kasten/core/sentences";
import { allowedFor, hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { call, useRead } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import { money } from "../parts/format";
import { useCatalogue } from "./catalogue";

/**
 * Materials that may stand in another's place, best first, and parts that may be left out: what each changes and takes
 * away.
 */
const props = defineProps<{ recipe: Recipe; choice: FlyChoice }>();
const emit = defineEmits<{ take: [component: string, material: string | undefined] }>();
const { hooks, materials, tie } = useCatalogue();
const FLIES = 120;
const known = useRead({ key: ["materials", "prices"], query: () => call(materialPrices) });
const prices = computed(() => new Map((known.data.value?.prices ?? []).map((p) => [p.material, p.cents])));
/** What its material costs more or less, for so many flies. */
function cost(differences: readonly Difference[]): string {
  if (!known.data.value || differences.length === 0) return "";
  const { cents, unpriced } = materialCostOf(differences, prices.value);
  const whole = Math.round(cents);
  const told = whole === 0 ? [] : [`${money(Math.abs(whole))} ${whole < 0 ? "less" : "more"} in material`];
  if (unpriced.length > 0) told.push(`nobody knows a price of ${unpriced.join(", ")}`);
  return told.map((t) => `; ${t}`).join("");
}
/** The colour that it has, where it is another than that of what it takes the place of. */
function colourOf(code: string, was: string): { colour?: string; name: string } | undefined {
  const [now, then] = [materials.value.get(code), materials.value.get(was)];
  if (!now || (now.colour === then?.colour && now.colourName === then?.colourName)) return undefined;
  return { colour: now.colour, name: now.colourName ?? "another colour" };
}
/** Of a class there may be dozens; the first are enough to choose from. */
const MOST_OF_A_CLASS = 5;
const request = computed(() => {
  const model = hooks.value.get(hookOf(props.recipe, props.choice));
  return model && { recipe: props.recipe, choice: { ...props.choice, use: {} }, model, materials: materials.value };
});
/** Of the fly as the pattern says it, whatever was taken since. */
const original = computed(() => tie(props.recipe, { ...props.choice, use: {} }).fly);
const rows = computed(() => {
  const r = request.value;
  const fly = original.value;
  if (!r || !fly) return [];
  return props.recipe.components.flatMap((c) => {
    const now = fly.parts.find((p) => p.component === c.id)?.material;
    if (!now) return [];
    const allowed = allowedFor(c, now, materials.value);
    const named = allowed.filter((a) => a.by !== "its class");
    return [...named, ...allowed.filter((a) => a.by === "its class").slice(0, MOST_OF_A_CLASS)].map((a, i) => ({
      role: c.role,
      colour: colourOf(a.material, now.code),
      rank: i + 1,
      by: a.by,
      limit: a.limit,
      ...judgeSubstitute(r, c.id, a.material, FLIES),
      effect: a.effect,
    }));
  });
});
const leaving = computed(() => {
  const r = request.value;
  if (!r || !original.value) return [];
  const here = new Set(original.value.parts.map((p) => p.component));
  return props.recipe.components
    .filter((c) => c.optional && here.has(c.id))
    .map((c) => ({ role: c.role, ...judgeLeavingOut(r, c.id, FLIES) }));
});
const taken = (component: string, material: string): boolean => props.choice.use?.[component] === material;
const minutes = (n: number): string =>
  Math.abs(n) >= 1 ? `; ${Math.abs(Math.round(n))} minutes ${n < 0 ? "less" : "more"}` : "";
/** Each thing once, however many parts say it. */
const told = (warnings: readonly TakenAway[]): string[] => [...new Set(warnings.map(takenAwaySentence))];
const mass = (mg: number): string =>
  Math.abs(mg) >= 1 ? `; ${Math.abs(mg).toFixed(0)} mg ${mg > 0 ? "heavier" : "lighter"} a fly` : "";
</script>

<template>
  <section>
    <h2 class="mb-1">In another’s place</h2>
    <ul v-if="rows.length + leaving.length > 0" class="sheet">
      <li v-for="r in rows" :key="r.component + r.material" class="border-b border-rule px-3 py-1.5">
        <span class="flex flex-wrap items-baseline gap-x-2"
          ><span class="fig text-soft">{{ r.rank }}</span
          ><b>{{ r.role }}: {{ r.materialName }}</b
          ><span v-if="r.colour" class="text-soft"
            ><ColourSwatch :colour="r.colour.colour" class="mr-1" />{{ r.colour.name }}</span
          ><span v-if="r.by !== 'the pattern'" class="tag">{{ r.by }}</span
          ><span v-if="r.effect" class="text-soft">{{ r.effect }}</span
          ><span v-if="r.limit" class="text-call">only: {{ r.limit }}</span>
          <button
            v-if="!r.fault"
            class="btn ml-auto !min-h-7 !px-2"
            :aria-pressed="taken(r.component, r.material)"
            :class="{ 'btn-main': taken(r.component, r.material) }"
            :aria-label="`Tie it with ${r.materialName}`"
            @click="emit('take', r.component, taken(r.component, r.material) ? undefined : r.material)"
          >
            {{ taken(r.component, r.material) ? "Taken" : "Take" }}
          </button></span
        >
        <span v-if="r.fault" class="block text-call">{{ sentenceOf(r.fault) }}</span>
        <span v-else class="block text-[0.93rem]"
          >For 10 dozen: {{ r.differences.map(sayDifference).join("; ") || "the same quantities"
          }}{{ minutes(r.minutes) }}{{ mass(r.massMg) }}{{ cost(r.differences) }}</span
        >
        <span v-for="w in told(r.warnings)" :key="w" class="block text-[0.93rem] text-call">{{ w }}</span>
      </li>
      <li v-for="l in leaving" :key="l.role" class="border-b border-rule px-3 py-1.5">
        <b>Leave out the {{ l.role }}</b
        ><span v-if="l.fault" class="block text-call">{{ sentenceOf(l.fault) }}</span
        ><span v-else class="block text-[0.93rem]"
          >For 10 dozen: {{ l.differences.map(sayDifference).join("; ") || "the same quantities"
          }}{{ minutes(l.minutes) }}{{ mass(l.massMg) }}{{ cost(l.differences)
          }}<template v-if="l.priceCents !== 0">; {{ money(Math.abs(l.priceCents)) }} less a dozen</template></span
        ><span v-for="w in told(l.warnings)" :key="w" class="block text-[0.93rem] text-call">{{ w }}</span>
      </li>
    </ul>
    <p v-else class="sheet p-3 text-soft">No material may take another’s place. Name one at its part, in the editor.</p>
  </section>
</template>
