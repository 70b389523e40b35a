<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, reactive, ref } from "vue";
import { threadNumberOf } from "@kasten/core/materials";
import { correctStock, readStock, receiveStock } from "@kasten/contract/stock";
import { call } from "../http";
import ColourSwatch from "../parts/ColourSwatch.vue";
import NumberWords from "../parts/NumberWords.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { dayYear, moment, money, quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { MaterialForm, useCatalogue } from "../patterns";
import { useSession } from "../team";

const props = defineProps<{ id: string }>();
const { may } = useSession();
const stock = useQuery({
  key: () => ["material", props.id],
  query: () => call(readStock, { params: { id: props.id } }),
});
const { busy, refusal, send } = useChange();
const perWritten = { count: 1, um: 1_000_000, ug: 1_000_000, nl: 1_000_000 } as const;
const unitWord = { count: "pieces", um: "metres", ug: "grams", nl: "millilitres" } as const;
const m = computed(() => stock.data.value);
const { materials } = useCatalogue();
const material = computed(() => materials.value.get(m.value?.code ?? ""));
const thread = computed(() => material.value?.thread);
const editing = ref(false);
async function known(): Promise<void> {
  editing.value = false;
  await stock.refetch();
}
const delivery = reactive({
  quantity: undefined as number | undefined,
  lot: "",
  dyeLot: "",
  side: "" as "" | "left" | "right",
  barbFrom: undefined as number | undefined,
  barbTo: undefined as number | undefined,
  note: "",
});
const counting = ref<string | null>(null);
const counted = ref<number>();
const why = ref("");

async function receive(): Promise<void> {
  if (!m.value || !delivery.quantity) return;
  const body = {
    quantity: delivery.quantity * perWritten[m.value.unit],
    lot: delivery.lot,
    dyeLot: delivery.dyeLot,
    grade: "",
    side: delivery.side || null,
    barb: delivery.barbFrom && delivery.barbTo ? ([delivery.barbFrom, delivery.barbTo] as [number, number]) : null,
    priceCents: 0,
    note: delivery.note,
  };
  if (await send(receiveStock, { params: { id: props.id }, body }, "Received")) {
    Object.assign(delivery, {
      quantity: undefined,
      lot: "",
      dyeLot: "",
      side: "",
      barbFrom: undefined,
      barbTo: undefined,
      note: "",
    });
    await stock.refetch();
  }
}
async function correct(lot: string, place: number): Promise<void> {
  if (!m.value || counted.value === undefined) return;
  if (
    await send(
      correctStock,
      {
        params: { id: props.id },
        body: { lot, place, counted: counted.value * perWritten[m.value.unit], note: why.value },
      },
      "Put right",
    )
  ) {
    counting.value = null;
    await stock.refetch();
  }
}
</script>

<template>
  <template v-if="m">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-3">
      <h1>
        <ColourSwatch :colour="m.colour" class="mr-2 !h-5 !w-5" />{{ m.name }}
        <span class="fig font-normal text-soft">{{ m.code }}</span>
      </h1>
      <p class="flex items-baseline gap-4">
        <button
          v-if="material && material.form !== 'hook' && may('write patterns')"
          class="btn"
          @click="editing = !editing"
        >
          {{ editing ? "Leave it" : "Change what is known" }}</button><span
          >drawer <b class="fig">{{ m.drawer }}</b></span
        >
      </p>
    </div>
    <MaterialForm
      v-if="editing && material"
      :key="material.code"
      :material="material"
      @saved="known"
      @leave="editing = false"
    />
    <p v-if="thread" class="mb-3">
      <span class="fig">{{ thread.denier }}</span> denier, about {{ threadNumberOf(thread.denier) }} in the older
      numbers, which differ from maker to maker.
    </p>
    <p v-if="m.caution" class="callout mb-3">{{ m.caution }} Local law and the maker’s data sheet go first.</p>
    <dl class="mb-4 flex flex-wrap gap-x-10 gap-y-1">
      <div>
        <dt class="text-soft">In drawers</dt>
        <dd class="fig text-3xl"><NumberWords :words="quantity(m.quantity, m.unit)" /></dd>
      </div>
      <div>
        <dt class="text-soft">Reserved</dt>
        <dd class="fig text-3xl"><NumberWords :words="quantity(m.reserved, m.unit)" /></dd>
      </div>
      <div v-if="m.coversDozens !== null">
        <dt class="text-soft">The coming work needs</dt>
        <dd class="fig text-3xl" :class="{ 'text-call': m.needed > m.quantity }">
          <NumberWords :words="quantity(m.needed, m.unit)" />
        </dd>
      </div>
      <div v-for="s in m.sources" :key="s.supplier">
        <dt class="text-soft">{{ s.supplier }}</dt>
        <dd>
          {{ money(s.priceCents) }} for {{ s.packWords }}, here in <span class="fig">{{ s.leadDays }}</span> days
        </dd>
      </div>
    </dl>
    <RefusalNote :refusal="refusal" />
    <h2 class="mb-1">Lots</h2>
    <div class="sheet mb-4 overflow-x-auto">
      <table>
        <thead>
          <tr>
            <th scope="col">Lot</th>
            <th scope="col">Dye lot</th>
            <th scope="col">Class</th>
            <th scope="col">Received</th>
            <th scope="col">Where</th>
            <th scope="col" class="text-right">There</th>
            <th scope="col" class="text-right">Reserved</th>
            <th v-if="may('handle stock')" scope="col"><span class="sr-only">Count</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="l in m.lotList" :key="l.id + l.placeId">
            <td class="fig">{{ l.code }}<span v-if="l.remnant" class="tag ml-1">remnant</span></td>
            <td>{{ l.dyeLot }}</td>
            <td>
              {{ l.side ?? "" }}<template v-if="l.barb">barbs {{ l.barb[0] }}–{{ l.barb[1] }} mm</template>
            </td>
            <td>{{ dayYear(l.receivedAt) }}</td>
            <td>{{ l.place }}</td>
            <td class="fig text-right text-lg"><NumberWords :words="quantity(l.quantity, m.unit)" /></td>
            <td class="fig text-right">{{ l.reserved ? quantity(l.reserved, m.unit) : "" }}</td>
            <td v-if="may('handle stock')" class="whitespace-nowrap">
              <button
                v-if="counting !== l.id + l.placeId"
                class="btn btn-plain"
                @click="
                  counting = l.id + l.placeId;
                  counted = undefined;
                  why = '';
                "
              >
                Count it<span class="sr-only">, lot {{ l.code }}</span>
              </button>
              <form v-else class="flex items-center gap-1" @submit.prevent="correct(l.id, l.placeId)">
                <input
                  v-model.number="counted"
                  class="field fig w-24"
                  type="number"
                  min="0"
                  step="any"
                  required
                  :aria-label="`Counted, in ${unitWord[m.unit]}`"
                /><input
                  v-model="why"
                  class="field w-36"
                  required
                  placeholder="why"
                  aria-label="Why it differs"
                /><button class="btn" :disabled="busy">Put right</button>
              </form>
            </td>
          </tr>
          <tr v-if="m.lotList.length === 0">
            <td colspan="8" class="text-soft">None is here.</td>
          </tr>
        </tbody>
      </table>
    </div>
    <form v-if="may('handle stock')" class="sheet mb-5 flex flex-wrap items-end gap-3 p-3" @submit.prevent="receive">
      <h2 class="w-full">Receive a delivery</h2>
      <label
        ><span class="label">How much, in {{ unitWord[m.unit] }}</span
        ><input v-model.number="delivery.quantity" class="field fig w-28" type="number" min="0" step="any" required
      /></label>
      <label><span class="label">Lot</span><input v-model="delivery.lot" class="field w-36" required /></label>
      <label><span class="label">Dye lot, if any</span><input v-model="delivery.dyeLot" class="field w-28" /></label>
      <label v-if="m.form === 'quill'"
        ><span class="label">Side</span
        ><select v-model="delivery.side" class="field">
          <option value="">both or none</option>
          <option>left</option>
          <option>right</option>
        </select></label
      >
      <template v-if="m.form === 'hackle'"
        ><label
          ><span class="label">Barbs from, mm</span
          ><input v-model.number="delivery.barbFrom" class="field fig w-24" type="number" min="0" step="0.1" /></label
        ><label
          ><span class="label">to, mm</span
          ><input v-model.number="delivery.barbTo" class="field fig w-24" type="number" min="0" step="0.1" /></label
      ></template>
      <label><span class="label">Note</span><input v-model="delivery.note" class="field w-44" /></label>
      <button class="btn btn-main" :disabled="busy">Receive</button>
    </form>
    <h2 class="mb-1">Movements</h2>
    <div class="sheet overflow-x-auto">
      <table class="text-[0.94rem]">
        <thead>
          <tr>
            <th scope="col">When</th>
            <th scope="col">Who</th>
            <th scope="col">Why</th>
            <th scope="col">Lot</th>
            <th scope="col" class="text-right">How much</th>
            <th scope="col">From</th>
            <th scope="col">To</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="x in m.movements" :key="x.id">
            <td class="fig whitespace-nowrap">{{ moment(x.at) }}</td>
            <td>{{ x.person }}</td>
            <td>{{ x.reason }}{{ x.note ? `: ${x.note}` : "" }}{{ x.batch ? `, batch ${x.batch}` : "" }}</td>
            <td class="fig">{{ x.lot }}</td>
            <td class="fig whitespace-nowrap text-right"><NumberWords :words="quantity(x.quantity, m.unit)" /></td>
            <td>{{ x.from }}</td>
            <td>{{ x.to }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </template>
  <p v-else-if="stock.error.value" class="callout">
    {{ stock.error.value.message }} <RouterLink class="link" to="/stock">The cabinet</RouterLink>
  </p>
</template>
