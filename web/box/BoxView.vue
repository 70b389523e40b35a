<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { reactive } from "vue";
import { boxFlies, listBox, sendParcel } from "@kasten/contract/box";
import { call } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { day } from "../parts/format";
import { useChange } from "../parts/useChange";
import { FlyThumb, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";

const { may } = useSession();
const { patterns } = useCatalogue();
const box = useQuery({ key: ["box"], query: () => call(listBox) });
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
    <div class="overflow-x-auto">
      <table v-if="c.lines.some((l) => l.ready > 0)">
        <thead>
          <tr>
            <th scope="col" class="w-28">Fly</th>
            <th scope="col">Pattern</th>
            <th scope="col">Order</th>
            <th scope="col">Due</th>
            <th scope="col" class="text-right">Ordered</th>
            <th scope="col" class="text-right">Boxed</th>
            <th scope="col" class="text-right">Ready</th>
            <th v-if="may('box and send')" scope="col">Box now</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in c.lines.filter((x) => x.ready > 0)" :key="l.line">
            <td class="!p-0.5">
              <FlyThumb :pattern="l.pattern" :size="l.size" :variant="l.variant" :form="l.form" class="h-12 w-24" />
            </td>
            <td>
              {{ l.patternName }} <b class="fig">{{ l.size }}</b> {{ variantName(patterns.get(l.pattern), l.variant) }}
            </td>
            <td>
              <RouterLink class="link fig" :to="`/orders/${l.orderId}`">{{ l.order }}</RouterLink>
            </td>
            <td>{{ day(l.due) }}</td>
            <td class="text-right"><DozenCount :flies="l.owed" /></td>
            <td class="text-right"><DozenCount v-if="l.boxed" :flies="l.boxed" /></td>
            <td class="text-right text-lg"><DozenCount :flies="l.ready" /></td>
            <td v-if="may('box and send')" class="whitespace-nowrap">
              <input
                class="field fig w-20"
                type="number"
                min="1"
                :max="l.ready"
                :value="counts[l.line] ?? l.ready"
                :aria-label="`Flies of ${l.patternName} ${l.size} to box`"
                @input="counts[l.line] = Number(($event.target as HTMLInputElement).value)"
              />
              <button class="btn" :disabled="busy" @click="put([l])">
                Box<span class="sr-only"> {{ l.patternName }} {{ l.size }}</span>
              </button>
            </td>
          </tr>
        </tbody>
      </table>
    </div>
    <button
      v-if="may('box and send') && c.lines.filter((l) => l.ready > 0).length > 1"
      class="btn mt-2"
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
          class="btn btn-main"
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
