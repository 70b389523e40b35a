<script setup lang="ts">
import { computed } from "vue";
import type { Plan } from "@kasten/contract/schedule";
import DozenCount from "../parts/DozenCount.vue";
import ShowMore from "../parts/ShowMore.vue";
import { day } from "../parts/format";
import { useSome } from "../parts/useSome";
import { timeOf } from "./planTime";

/** The plan by batch: who ties it, when it begins and when it is ready. */
const props = defineProps<{ plan: Plan }>();
type Batch = Plan["batches"][number];
type Work = Plan["work"][number];
const { some, left, showMore } = useSome(computed(() => props.plan.batches));
/** The first work on each batch, and the first that is tying. */
const firsts = computed(() => {
  const [work, ties] = [new Map<string, Work>(), new Map<string, Work>()];
  for (const w of props.plan.work) {
    if (!work.has(w.batch)) work.set(w.batch, w);
    if (w.kind === "tie" && !ties.has(w.batch)) ties.set(w.batch, w);
  }
  return { work, ties };
});
const tierOf = (b: Batch): string | undefined =>
  props.plan.people.find((q) => q.id === firsts.value.ties.get(b.id)?.person)?.name;
const beginOf = (b: Batch): string => {
  const first = firsts.value.work.get(b.id);
  return first ? timeOf(props.plan, first.start) : "";
};
</script>

<template>
  <div class="sheet overflow-x-auto">
    <table>
      <thead>
        <tr>
          <th scope="col">Batch</th>
          <th scope="col">Fly</th>
          <th scope="col" class="text-right">Owed</th>
          <th scope="col">Due</th>
          <th scope="col">Ready</th>
          <th scope="col">Who ties it</th>
          <th scope="col">Begins</th>
          <th scope="col"></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="b in some" :key="b.id">
          <td>
            <RouterLink class="link fig" :to="`/batches/${b.id}`">{{ b.number }}</RouterLink>
          </td>
          <td>
            {{ b.patternName }} <span class="fig">{{ b.size }}</span>
          </td>
          <td class="text-right"><DozenCount :flies="b.owed" /></td>
          <td>{{ day(b.due) }}</td>
          <td>{{ b.ready ? day(b.ready) : "" }}</td>
          <td>{{ tierOf(b) }}</td>
          <td class="fig text-[0.94rem]">{{ beginOf(b) }}</td>
          <td>
            <span v-if="b.held" class="tag tag-call">{{ b.held }}</span><span
              v-else-if="b.lateDays > 0"
              class="tag tag-call"
              >late {{ b.lateDays }} d</span
            ><span v-if="b.waitsFor" class="tag">waits for {{ b.waitsFor }}</span>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
  <ShowMore :more="left > 0" :loading="false" :what="`batches, ${left} are left`" @more="showMore" />
</template>
