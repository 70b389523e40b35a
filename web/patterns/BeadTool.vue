<script setup lang="ts">
import { beadSentence } from "@kasten/core/sentences";
import { computed, ref } from "vue";
import { judgeBead } from "@kasten/core/bench";
import { type ComposedFly } from "@kasten/core/fly";
import { useCatalogue } from "./catalogue";
import ListBox from "../parts/ListBox.vue";

/** Another bead, and the turns of weight wire that make up for it. */
const props = defineProps<{ fly: ComposedFly }>();
const { materials } = useCatalogue();
const own = computed(() => props.fly.parts.find((p) => p.role === "bead")?.material);
const beads = computed(() =>
  [...materials.value.values()].filter((m) => m.form === "bead" && m.part && m.code !== own.value?.code),
);
const wires = computed(() => [...materials.value.values()].filter((m) => m.form === "weight wire"));
const bead = ref("");
const wire = ref("");
const judged = computed(() => {
  const to = materials.value.get(bead.value || (beads.value[0]?.code ?? ""));
  return to && judgeBead(props.fly, to, materials.value.get(wire.value || (wires.value[0]?.code ?? "")));
});
const turns = (n: number): string => `${Math.abs(n)} ${Math.abs(n) === 1 ? "turn" : "turns"}`;
</script>

<template>
  <section v-if="own">
    <h2 class="mb-1">Another bead</h2>
    <div class="sheet p-3">
      <div class="mb-2 flex flex-wrap gap-3">
        <ListBox
          v-model="bead"
          class="max-w-60"
          :label="`In place of ${own.name}`"
          placeholder="Choose"
          :options="beads.map((b) => ({ value: b.code, label: b.name }))"
        />
        <ListBox
          v-if="judged && judged.turnsNow === 0"
          class="max-w-60"
          label="Weight wire"
          :options="wires.map((w) => ({ value: w.code, label: w.name }))"
          :model-value="wire || (wires[0]?.code ?? '')"
          @update:model-value="wire = $event"
        />
      </div>
      <template v-if="judged && bead">
        <p>
          <span class="fig">{{ Math.abs(judged.difference).toFixed(0) }}</span> mg
          {{ judged.difference >= 0 ? "lighter" : "heavier" }}; one turn of {{ judged.wire.name }} is
          <span class="fig">{{ judged.massPerTurn.toFixed(1) }}</span> mg.
        </p>
        <p class="text-lg font-semibold">
          {{
            judged.turns === 0
              ? "No turn of wire makes up for it."
              : judged.turns > 0
                ? `Add ${turns(judged.turns)}.`
                : `Leave ${turns(judged.turns)} off.`
          }}
        </p>
        <p v-if="!judged.fits" class="text-call">
          {{
            judged.turns > 0
              ? `Only ${turns(judged.turnsThatFit)} fit into the ${judged.roomMm.toFixed(1)} mm left on the shank`
              : `Only ${turns(judged.turnsThatFit)} are there to leave off`
          }}; {{ Math.abs(judged.missing).toFixed(0) }} mg
          {{ judged.missing > 0 ? "would still be missing" : "too much would stay" }}.
        </p>
        <p v-for="f in judged.faults" :key="f.code" class="text-call">{{ beadSentence(f) }}</p>
      </template>
      <p v-else class="text-soft">
        A bead of another metal is not like for like: choose one to see the turns of weight wire that go with it.
      </p>
    </div>
  </section>
</template>
