<script setup lang="ts">
import { computed } from "vue";
import { headRoomOf, tieInsOf, type ComposedFly } from "@kasten/core/fly";
import type { Recipe } from "@kasten/core/recipe";
import { sayPlace } from "@kasten/core/words";
import { lengthFigure, units } from "../parts/units";
import { useCatalogue } from "./catalogue";

/** What holds for the whole fly: finish, bare stretches, room at the eye, forebears, and what was said. */
const props = defineProps<{ recipe: Recipe; fly?: ComposedFly }>();
const { patterns } = useCatalogue();
const coats = computed(() =>
  props.recipe.finish.state === "given" ? [props.recipe.finish, ...(props.recipe.finish.then ?? [])] : [],
);
const asSaid = computed(() => props.recipe.components.filter((c) => c.asStated));
const room = computed(() => (props.fly ? headRoomOf(props.fly) : undefined));
const roomNeeds = computed(() => {
  const all = [...(room.value?.parts ?? []), ...((props.fly?.tied.beadMm ?? 0) > 0 ? [] : ["the head"])];
  return `${all.join(", ")} ${all.length === 1 ? "needs" : "need"}`;
});
</script>

<template>
  <div class="text-[0.93rem]">
    <p>
      Finish:
      <template v-for="(c, i) in coats" :key="i"
        >{{ i > 0 ? ", then " : "" }}{{ c.coats }} {{ c.coats === 1 ? "coat" : "coats" }} of {{ c.component }},
        {{ c.dryMinutes }} minutes to dry each</template
      ><template v-if="coats.length === 0">none, on purpose</template>.
    </p>
    <p v-for="b in recipe.bare ?? []" :key="sayPlace(b.from)">
      Stays bare{{ b.thread ? " but for thread" : "" }}: {{ sayPlace(b.from) }} to {{ sayPlace(b.to)
      }}<template v-if="b.why">, {{ b.why }}</template>
    </p>
    <p v-if="room && room.eyes > 0">
      Room in front of the body: <span class="fig">{{ lengthFigure(room.leftMm) }}</span> {{ units }}; {{ roomNeeds }}
      <span class="fig">{{ lengthFigure(room.neededMm) }}</span>.
    </p>
    <p v-for="a in recipe.avoid ?? []" :key="a">Not to be: {{ a }}</p>
    <p v-for="a in recipe.parents ?? []" :key="a.pattern">
      Comes from
      <RouterLink v-if="patterns.has(a.pattern)" class="link" :to="`/patterns/${a.pattern}`">{{
        patterns.get(a.pattern)?.name
      }}</RouterLink><template v-else>{{ a.pattern }}</template
      >{{ a.changes ? `: ${a.changes}` : ""
      }}<span v-if="a.inherited?.length" class="text-soft">
        · inherited from its version {{ a.version }}: {{ a.inherited.join(", ") }}</span
      >
    </p>
    <p v-for="c in asSaid" :key="c.id" class="text-soft">As it was said, {{ c.role }}: “{{ c.asStated }}”</p>
    <p v-if="fly" class="mt-2">
      Tied in:
      <template v-for="(t, i) in tieInsOf(fly)" :key="sayPlace(t.place)"
        >{{ i > 0 ? "; " : "" }}at {{ sayPlace(t.place) }}, {{ t.steps.join(", ") }} (<span class="fig">{{
          t.wraps
        }}</span>
        wraps)</template
      >.
    </p>
    <p v-if="fly?.ridesPointUp">Weighted eyes lashed on top: it swims point up, and is drawn so.</p>
  </div>
</template>
