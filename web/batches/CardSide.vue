<script setup lang="ts">
import type { checksOf } from "@kasten/core/bench";
import type { proportionsOf } from "@kasten/core/fly";
import type { RequirementData } from "@kasten/contract/materials";
import NumberWords from "../parts/NumberWords.vue";
import { length } from "../parts/units";

/** Beside the steps on the bench card: lengths, what is cut and counted, and what is looked at on the master fly. */
defineProps<{
  lengths: ReturnType<typeof proportionsOf>;
  cuts: RequirementData[];
  checks: ReturnType<typeof checksOf>;
}>();
</script>

<template>
  <section>
    <h2 class="!text-[1.15em]">Against the ruler</h2>
    <dl class="pairs figures">
      <template v-for="p in lengths" :key="p.step + p.kind"
        ><dt>{{ p.part }}<template v-if="p.kind === 'barb'">, barbs</template></dt>
        <dd class="fig whitespace-nowrap">{{ length(p.mm) }}</dd></template
      >
    </dl>
    <h2 class="mt-2 !text-[1.15em]">Cut and count</h2>
    <dl class="pairs">
      <template v-for="r in cuts" :key="r.key"
        ><dt>{{ r.materialName }}</dt>
        <dd><NumberWords :words="r.words" /></dd
      ></template>
    </dl>
    <h2 class="mt-2 !text-[1.15em]">Beside the master fly</h2>
    <ul class="checks">
      <li v-for="(c, i) in checks" :key="i">
        <span aria-hidden="true">□ </span>{{ c.feature }}<template v-if="c.tolerance">, {{ c.tolerance }}</template>
        <i>{{ c.when }}</i>
      </li>
    </ul>
  </section>
</template>
