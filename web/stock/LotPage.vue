<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, defineAsyncComponent, ref } from "vue";
import { readLot } from "@kasten/contract/stock";
import { call } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import FoldOut from "../parts/FoldOut.vue";
import TabSet from "../parts/TabSet.vue";
import { useSession } from "../team";
import LotClasses from "./LotClasses.vue";
import LotFacts from "./LotFacts.vue";
import LotHistory from "./LotHistory.vue";
import LotPlaces from "./LotPlaces.vue";
import MergeForm from "./MergeForm.vue";
const LotPhoto = defineAsyncComponent(() => import("./LotPhoto.vue"));
const LotForm = defineAsyncComponent(() => import("./LotForm.vue"));
const GradeForm = defineAsyncComponent(() => import("./GradeForm.vue"));
const CountForm = defineAsyncComponent(() => import("./CountForm.vue"));
const MoveForm = defineAsyncComponent(() => import("./MoveForm.vue"));
const LotLabel = defineAsyncComponent(() => import("./LotLabel.vue"));

/** One lot: where it lies and who claims it, what is known of it, its classes, and its history from both sides. */
const props = defineProps<{ id: string }>();
const { may } = useSession();
const lot = useQuery({ key: () => ["lot", props.id], query: () => call(readLot, { params: { id: props.id } }) });
const l = computed(() => lot.data.value);
const drawers = computed(() => l.value?.places.filter((p) => p.kind === "drawer") ?? []);
const isFeather = computed(() => l.value?.material.unit === "count" && l.value.material.form !== "hook");
const side = ref("count");
const sides = computed(() => [
  { id: "count", label: "Count or weigh" },
  ...(isFeather.value && !l.value?.skin ? [{ id: "grade", label: "Sort by size" }] : []),
  { id: "move", label: "Move, split, throw away" },
  { id: "facts", label: "What is known of it" },
  { id: "photo", label: "Picture" },
  { id: "label", label: "Label" },
]);
</script>

<template>
  <template v-if="l">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>
        <ColourSwatch :colour="l.material.colour" class="mr-2 !h-5 !w-5" />Lot
        <span class="fig">{{ l.code }}</span><span v-if="l.remnant" class="tag ml-2 align-middle">remnant</span>
      </h1>
      <p>
        of <RouterLink class="link" :to="`/stock/${l.material.code}`">{{ l.material.name }}</RouterLink><template
          v-if="l.skin"
          >, one class of
          <RouterLink class="link fig" :to="`/lots/${l.skin.id}`">{{ l.skin.code }}</RouterLink></template
        >
      </p>
    </div>
    <p v-if="l.material.caution" class="callout mb-3">
      {{ l.material.caution }} Local law and the maker’s data sheet go first.
    </p>
    <p v-if="l.material.species && !l.papers" class="callout mb-3">
      {{ l.material.species }} is a controlled species, and nobody has said what papers this lot has: no batch is
      released with it. Local law decides what is needed.
    </p>
    <p v-if="l.material.standing === 'unidentified'" class="callout mb-3">
      Nobody has said what this is.
      <RouterLink class="link" :to="`/stock/${l.material.code}`">Say what it is</RouterLink>, or take a picture of it
      below.
    </p>
    <LotFacts class="mb-4" :lot="l" @changed="lot.refetch" />
    <img
      v-if="l.photoAt"
      :src="`/api/lots/${l.id}/photo?at=${encodeURIComponent(l.photoAt)}`"
      :alt="`Lot ${l.code}, as somebody saw it`"
      class="mb-4 max-h-40 max-w-full border border-rule"
    />
    <LotPlaces class="mb-4" :lot="l" />
    <LotClasses v-if="l.classes.length > 0" class="mb-4" :lot="l" />
    <TabSet v-if="may('handle stock')" v-model="side" class="sheet mb-5 p-3" label="What to do with it" :tabs="sides">
      <template #count><CountForm :lot="l" :drawers="l.places" @done="lot.refetch" /></template>
      <template #grade><GradeForm :lot="l" :drawers="drawers" @done="lot.refetch" /></template>
      <template #move
        ><MoveForm :lot="l" :drawers="drawers" @done="lot.refetch" /><FoldOut
          class="mt-3"
          title="Together with another lot"
          ><MergeForm :lot="l" @done="lot.refetch" /></FoldOut
      ></template>
      <template #facts><LotForm :key="l.version" :lot="l" @done="lot.refetch" /></template>
      <template #photo><LotPhoto :lot="l" @done="lot.refetch" /></template>
      <template #label><LotLabel :lot="l" /></template>
    </TabSet>
    <FoldOut title="Movements, batches and counts" open><LotHistory :lot="l" /></FoldOut>
  </template>
  <p v-else-if="lot.error.value" class="callout">
    {{ lot.error.value.message }} <RouterLink class="link" to="/stock">The cabinet</RouterLink>
  </p>
</template>
