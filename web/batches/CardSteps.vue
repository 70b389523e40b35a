<script setup lang="ts">
import { computed } from "vue";
import { statedOnce, type BenchStep } from "@kasten/core/bench";

/** The steps on the bench card, each in one run of words as it was typed and reckoned, its cautions below it. */
const props = defineProps<{ steps: (BenchStep & { cautions: { sentence: string }[] })[] }>();
const stated = computed(() => statedOnce(props.steps));
</script>

<template>
  <section>
    <h2 class="!text-[1.15em]">Steps</h2>
    <ol class="steps">
      <li v-for="(s, i) in steps" :key="s.id">
        <span class="fig no">{{ i + 1 }}</span>
        <div>
          <b>{{ s.name }}</b><template v-if="s.material">, {{ s.material }}</template
          ><span v-if="s.where" class="fig"> · {{ s.where }}</span>
          <span v-if="s.figures.length"> · {{ s.figures.join("; ") }}</span
          ><span v-if="s.ways.length"> · {{ s.ways.join("; ") }}</span
          ><span v-if="s.tools.length"> · with {{ s.tools.join(", ") }}</span
          ><span v-if="s.instruction"> · {{ s.instruction }}</span>
          <span v-if="stated[i]" class="stated">“{{ stated[i] }}”</span>
          <span v-for="c in s.cautions" :key="c.sentence" class="caution">▲ {{ c.sentence }}</span>
        </div>
      </li>
    </ol>
  </section>
</template>
