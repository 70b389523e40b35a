<script setup lang="ts">
import { computed, ref } from "vue";
import { isSpooled } from "@kasten/core/materials";
import {
  addBobbin,
  listBobbins,
  loadBobbin,
  readStock,
  removeBobbin,
  unloadBobbin,
  type Bobbin,
} from "@kasten/contract/stock";
import { call, useRead } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import ComboBox from "../parts/ComboBox.vue";
import ListBox from "../parts/ListBox.vue";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { quantity } from "../parts/format";
import type { Option } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "../patterns";
import { useSession } from "../team";

/** The bobbins of the room: what is on each, how much is left; loaded ones spare the plan a change of thread. */
const { may } = useSession();
const { materials } = useCatalogue();
const { busy, refusal, send } = useChange();
const bobbins = useRead({ key: ["bobbins"], query: () => call(listBobbins) });
const can = computed(() => may("tie and tally"));
const loading = ref<number>();
const material = ref<string | undefined>();
const lot = ref<string | undefined>();
const code = ref("");
const choices = computed((): Option[] =>
  [...materials.value.values()]
    .filter((m) => isSpooled(m.form))
    .map((m) => ({ value: m.code, label: m.name, colour: m.colour })),
);
const stock = useRead({
  key: () => ["material", material.value ?? ""],
  query: () => call(readStock, { params: { id: material.value ?? "" } }),
  enabled: () => material.value !== undefined,
});
const lots = computed(() =>
  (stock.data.value?.lotList ?? []).filter((l) => !l.bobbin && !l.inKit && l.quantity > l.reserved),
);
const lotChoices = computed((): Option[] =>
  lots.value.map((l) => ({
    value: l.id,
    label: l.code,
    note: quantity(l.quantity - l.reserved, stock.data.value?.unit ?? "um"),
  })),
);
const again = async (said: unknown): Promise<void> => {
  if (!said) return;
  loading.value = material.value = lot.value = undefined;
  await bobbins.refetch();
};
async function load(b: Bobbin): Promise<void> {
  const from = lots.value.find((l) => l.id === lot.value);
  if (!from) return;
  const body = { lot: from.id, place: from.placeId };
  await again(await send(loadBobbin, { params: { id: b.id }, body }, `${b.code} is loaded`));
}
const unload = async (b: Bobbin) => again(await send(unloadBobbin, { params: { id: b.id } }, `${b.code} is empty`));
const remove = async (b: Bobbin) => again(await send(removeBobbin, { params: { id: b.id } }, "Taken out"));
async function add(): Promise<void> {
  if (!code.value.trim()) return;
  const made = await send(addBobbin, { body: { code: code.value.trim() } }, "Added");
  if (made) code.value = "";
  await again(made);
}
</script>

<template>
  <section aria-label="Bobbins">
    <h2 class="mb-1">Bobbins</h2>
    <RefusalNote :refusal="refusal" />
    <ul class="grid gap-x-6 gap-y-1 sm:grid-cols-2 xl:grid-cols-3">
      <li
        v-for="b in bobbins.data.value?.bobbins ?? []"
        :key="b.id"
        class="grid grid-cols-[3.5rem_1fr_auto] items-center gap-x-3 border-b border-rule py-1"
      >
        <b class="fig">{{ b.code }}</b>
        <span v-if="b.load" class="min-w-0"
          ><ColourSwatch :colour="b.load.colour" />
          <RouterLink class="link" :to="`/lots/${b.load.lot}`">{{ b.load.name }}</RouterLink>
          <span class="block text-[0.9rem] text-soft"
            ><NumberWords :words="quantity(b.load.quantity, b.load.unit)" />, lot {{ b.load.lotCode
            }}<template v-if="b.load.dyeLot">, dye lot {{ b.load.dyeLot }}</template></span
          ></span
        ><span v-else class="text-soft">empty</span>
        <span v-if="can" class="flex gap-1"
          ><button v-if="b.load" class="btn !min-h-8" :disabled="busy" @click="unload(b)">
            Unload<span class="sr-only">: {{ b.code }}</span></button
          ><template v-else
            ><button class="btn !min-h-8" :disabled="busy" @click="loading = loading === b.id ? undefined : b.id">
              Load<span class="sr-only">: {{ b.code }}</span></button
            ><button class="btn btn-plain !min-h-8" :disabled="busy" @click="remove(b)">
              Take out<span class="sr-only">: {{ b.code }}</span>
            </button></template
          ></span
        >
        <form v-if="loading === b.id" class="col-span-full grid gap-2 py-1" @submit.prevent="load(b)">
          <ComboBox v-model="material" label="With" :options="choices" swatches />
          <ListBox
            v-if="lotChoices.length > 0"
            v-model="lot"
            label="From lot"
            placeholder="choose"
            :options="lotChoices"
          />
          <p v-else-if="stock.data.value && material" class="text-soft">None of it is free in a drawer.</p>
          <button class="btn btn-main justify-self-start" :disabled="busy || !lot">Load {{ b.code }}</button>
        </form>
      </li>
    </ul>
    <p v-if="bobbins.data.value?.bobbins.length === 0" class="text-soft">
      None yet. A bobbin that is loaded is taken before another spool is opened, and the plan reckons no minutes for
      changing to its thread.
    </p>
    <form v-if="can" class="mt-2 flex items-end gap-2" @submit.prevent="add">
      <label
        ><span class="label">Another bobbin</span
        ><input v-model="code" class="field fig w-28" maxlength="20" placeholder="B7"
      /></label>
      <button class="btn" :disabled="busy || !code.trim()">Add</button>
    </form>
  </section>
</template>
