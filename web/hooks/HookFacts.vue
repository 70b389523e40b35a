<script setup lang="ts">
import { computed } from "vue";
import type { HookModelData } from "@kasten/contract/hooks";
import { useCatalogue } from "../patterns";

/** What is known of a hook model, and which patterns are tied on it. */
const props = defineProps<{ model: HookModelData }>();
const { patterns } = useCatalogue();
const MOST_NAMED = 8;
const users = computed(() => [...patterns.value.values()].filter((p) => p.hookModel === props.model.id));
const steps = (n: number, more: string, less: string) =>
  n === 0 ? "standard" : n > 0 ? `${n} ${more}` : `${-n} ${less}`;
</script>

<template>
  <dl class="grid grid-cols-[auto_1fr] content-start gap-x-4 gap-y-0.5 text-[0.95rem]">
    <dt class="text-soft">Family</dt>
    <dd>
      {{ model.family }}, {{ model.bend }} bend, {{ model.points === 2 ? "two points" : "one point" }},
      {{ model.barbless ? "barbless" : "barbed" }}
    </dd>
    <dt class="text-soft">Shank</dt>
    <dd>{{ steps(model.shankSteps, "longer", "shorter") }}</dd>
    <dt class="text-soft">Gape</dt>
    <dd>{{ steps(model.gapeSteps, "wider", "narrower") }}</dd>
    <dt class="text-soft">Wire</dt>
    <dd>
      {{ steps(model.wireSteps, "heavier", "finer")
      }}<template v-if="model.wireReason">: {{ model.wireReason }}</template>
    </dd>
    <dt class="text-soft">Eye</dt>
    <dd>
      {{ model.eyeForm
      }}<template v-if="model.eyeForm.startsWith('returned')"
        >: level the step that its end leaves along the shank</template
      >
    </dd>
    <dt v-if="model.finish" class="text-soft">Finish</dt>
    <dd v-if="model.finish">{{ model.finish }}</dd>
    <template v-for="n in model.near" :key="n.model"
      ><dt class="text-soft">Near</dt>
      <dd>{{ n.model }}, but {{ n.differs || "not the same" }}</dd></template
    >
    <dt class="text-soft">Patterns</dt>
    <dd>
      <RouterLink v-for="(p, i) in users.slice(0, MOST_NAMED)" :key="p.id" class="link" :to="`/patterns/${p.id}`"
        >{{ i > 0 ? ", " : "" }}{{ p.name }}</RouterLink
      ><template v-if="users.length > MOST_NAMED"> and {{ users.length - MOST_NAMED }} more</template
      ><template v-if="users.length === 0">none</template>
    </dd>
  </dl>
</template>
