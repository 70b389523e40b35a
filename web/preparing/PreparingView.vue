<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from "vue";
import { listPreparations } from "@kasten/contract/preparing";
import { call, useRead } from "../http";
import TabSet from "../parts/TabSet.vue";
import { useSession } from "../team";
import PrepGroups from "./PrepGroups.vue";
const MakeForm = defineAsyncComponent(() => import("./MakeForm.vue"));
const RunList = defineAsyncComponent(() => import("./RunList.vue"));

/** Work away from the vise: what the open batches want, like work together; stock made of stock; what was done. */
const { may } = useSession();
const preparations = useRead({ key: ["preparations"], query: () => call(listPreparations) });
const side = ref("open");
const sides = computed(() => [
  { id: "open", label: "For the open batches" },
  ...(may("handle stock") ? [{ id: "make", label: "For the drawer" }] : []),
  { id: "done", label: "Done" },
]);
</script>

<template>
  <div class="mb-2 flex flex-wrap items-baseline justify-between gap-3">
    <h1>Preparation</h1>
    <RouterLink class="link" to="/batches">The batches</RouterLink>
  </div>
  <TabSet v-model="side" label="Preparation" :tabs="sides">
    <template #open
      ><PrepGroups
        v-if="preparations.data.value"
        :groups="preparations.data.value.open"
        :can="may('tie and tally')"
        @done="preparations.refetch"
    /></template>
    <template #make><MakeForm @made="preparations.refetch" /></template>
    <template #done><RunList :runs="preparations.data.value?.runs ?? []" /></template>
  </TabSet>
</template>
