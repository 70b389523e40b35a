<script setup lang="ts">
import { computed, reactive } from "vue";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import type { ReplyOf } from "@kasten/contract/http";
import { call, useRead } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { textOf } from "../parts/fields";
import { day } from "../parts/format";
import { useChange } from "../parts/useChange";
import { AskedNote, FlyThumb, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";
import ExceptionNote from "../parts/ExceptionNote.vue";
import WishNote from "../parts/WishNote.vue";
import DataTable from "../parts/DataTable.vue";
import type { Column } from "../parts/column";

const { may } = useSession();
const { patterns } = useCatalogue();
const box = useRead({ key: ["box"], query: () => call(listBox) });
const { busy, refusal, send } = useChange();
const counts = reactive<Record<string, number>>({});

async function put(lines: { line: string; ready: number }[]): Promise<void> {
  if (
    await send(
      boxFlies,
      {
        body: {
          lines: lines.filter((l) => l.ready > 0).map((l) => ({ line: l.line, flies: counts[l.line] || l.ready })),
        },
      },
      "Boxed",
    )
  ) {
    for (const l of lines) delete counts[l.line];
    await box.refetch();
  }
}
async function dispatchParcel(id: string): Promise<void> {
  if (await send(sendParcel, { params: { id } }, "Sent")) await box.refetch();
}
type Line = ReplyOf<typeof listBox>["customers"][number]["lines"][number];
const columns = computed<Column<Line>[]>(() => {
  const all: Column<Line>[] = [
    { id: "fly", head: "Fly", quiet: true, lead: true, class: "!p-0.5 w-28" },
    {
      id: "pattern",
      head: "Pattern",
      lead: true,
      value: (l) => `${l.patternName} ${l.size} ${variantName(patterns.value.get(l.pattern), l.variant)}`,
    },
    { id: "order", head: "Order", value: (l) => l.order },
    { id: "due", head: "Due", class: "whitespace-nowrap", value: (l) => l.due },
    { id: "owed", head: "Ordered", end: true, value: (l) => l.owed },
    { id: "boxed", head: "Boxed", end: true, value: (l) => l.boxed || undefined },
    { id: "ready", head: "Ready", word: "ready", end: true, class: "text-lg", value: (l) => l.ready },
    { id: "box", head: "Box now", act: true, class: "whitespace-nowrap" },
  ];
  return may("box and send") ? all : all.filter((c) => c.id !== "box");
});
</script>

<template>
  <h1 class="mb-3">Box</h1>
  <RefusalNote :refusal="refusal" />
  <p v-if="box.data.value?.customers.length === 0" class="sheet p-4 text-soft">
    Nothing is ready to box. Finished flies come here by customer, as soon as a batch is closed.
  </p>
  <section v-for="c in box.data.value?.customers ?? []" :key="c.customer" class="sheet mb-4 p-4">
    <div class="mb-2 flex flex-wrap items-baseline justify-between gap-3">
      <h2 class="!text-xl">{{ c.name }}</h2>
      <p class="text-soft">{{ c.note }}</p>
    </div>
    <DataTable
      v-if="c.lines.some((l) => l.ready > 0)"
      :name="c.lines.length > 8 ? 'box' : undefined"
      :label="`Ready for ${c.name}`"
      :rows="c.lines.filter((x) => x.ready > 0)"
      :columns="columns"
      :row-key="(l) => l.line"
    >
      <template #cell-fly="{ row: l }"
        ><FlyThumb
          :pattern="l.pattern"
          :size="l.size"
          :variant="l.variant"
          :form="l.form"
          :choice="l.asked"
          class="h-12 w-24"
      /></template>
      <template #cell-pattern="{ row: l }"
        >{{ l.patternName }} <b class="fig">{{ l.size }}</b> {{ variantName(patterns.get(l.pattern), l.variant)
        }}<WishNote :wishes="l.wishes" /><ExceptionNote :exceptions="l.exceptions" /><AskedNote
          :pattern="l.pattern"
          :size="l.size"
          :variant="l.variant"
          :form="l.form"
          :asked="l.asked"
      /></template>
      <template #cell-order="{ row: l }"
        ><RouterLink class="link fig" :to="`/orders/${l.orderId}`">{{ l.order }}</RouterLink></template
      >
      <template #cell-due="{ row: l }">{{ day(l.due) }}</template>
      <template #cell-owed="{ row: l }"><DozenCount :flies="l.owed" /></template>
      <template #cell-boxed="{ row: l }"><DozenCount v-if="l.boxed" :flies="l.boxed" /></template>
      <template #cell-ready="{ row: l }"><DozenCount :flies="l.ready" /></template>
      <template #cell-box="{ row: l }"
        ><span class="flex items-center gap-1.5"
          ><input
            class="field fig w-20 max-sm:min-h-[44px]"
            type="number"
            inputmode="numeric"
            min="1"
            :max="l.ready"
            :value="counts[l.line] ?? l.ready"
            :aria-label="`Flies of ${l.patternName} ${l.size} to box`"
            @input="counts[l.line] = Number(textOf($event))"
          />
          <button
            class="btn max-sm:min-h-[44px] max-sm:flex-1 max-sm:justify-center"
            :disabled="busy"
            @click="put([l])"
          >
            Box<span class="sr-only"> {{ l.patternName }} {{ l.size }}</span>
          </button></span
        ></template
      >
    </DataTable>
    <button
      v-if="may('box and send') && c.lines.filter((l) => l.ready > 0).length > 1"
      class="btn mt-2 max-sm:min-h-[44px]"
      :disabled="busy"
      @click="put(c.lines)"
    >
      Box all that is ready
    </button>
    <div v-if="c.parcel" class="mt-3 border-t border-strong pt-2">
      <div class="flex flex-wrap items-center justify-between gap-3">
        <h3 class="font-semibold">Parcel {{ c.parcel.number }}, open</h3>
        <button
          v-if="may('box and send')"
          class="btn btn-main max-sm:min-h-[44px]"
          :disabled="busy || c.parcel.contents.length === 0"
          @click="dispatchParcel(c.parcel.id)"
        >
          Send parcel {{ c.parcel.number }}
        </button>
      </div>
      <ul>
        <li v-for="(x, i) in c.parcel.contents" :key="i">
          <DozenCount :flies="x.flies" /> {{ x.patternName }} <b class="fig">{{ x.size }}</b>
          {{ variantName(patterns.get(x.pattern), x.variant) }}<span class="text-soft">, order {{ x.order }}</span>
        </li>
      </ul>
    </div>
  </section>
</template>
