<script setup lang="ts">
import { useQuery } from "@pinia/colada";
import { computed, ref } from "vue";
import {
  donePrep,
  editBatch,
  readBatch,
  releaseBatch,
  reserveBatch,
  unreserveBatch,
  type BatchDetail,
} from "@kasten/contract/batches";
import { nearHooks } from "@kasten/core/hooks";
import { allowedFor, codeOf, hookOf } from "@kasten/core/recipe";
import { call } from "../http";
import DozenCount from "../parts/DozenCount.vue";
import HistoryList from "../parts/HistoryList.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { clock, day } from "../parts/format";
import { useChange } from "../parts/useChange";
import { useWorking } from "../parts/working";
import { FlyDrawing, MethodTable, formName, useCatalogue, variantName } from "../patterns";
import { useSession } from "../team";

import MaterialRows from "./MaterialRows.vue";

const props = defineProps<{ id: string }>();
const { may, askWhom } = useSession();
const { patterns, materials, hooks, recipeOf } = useCatalogue();
const batch = useQuery({ key: () => ["batch", props.id], query: () => call(readBatch, { params: { id: props.id } }) });
const { busy, refusal, send } = useChange();
const panel = useWorking();
const inside = ref(false);
const b = computed(() => batch.data.value);
const recipe = computed(() => b.value && recipeOf(b.value.pattern, b.value.patternVersion));
const ofFly = computed(() => ({
  size: b.value?.size ?? "",
  variant: b.value?.variant ?? "",
  form: b.value?.form ?? "",
  buy: b.value?.buy,
  methods: b.value?.methods,
  leave: b.value?.leave,
  use: b.value?.use,
}));
/** Parts that may be left out, and what may take another's place. */
const optional = computed(() => (recipe.value?.components ?? []).filter((c) => c.optional));
const replaceable = computed(() => {
  const r = recipe.value;
  const d = b.value;
  if (!r || !d) return [];
  const model = hooks.value.get(hookOf(r, { form: d.form }));
  const onHooks = model
    ? nearHooks(model, d.size, hooks.value.values(), r.shankTolerance ?? 0)
        .filter((h) => h.fits || h.id === d.use[hookPart.value])
        .map((h) => ({ code: h.id, name: `${h.id} ${h.name}` }))
    : [];
  return [
    ...(onHooks.length > 0 ? [{ id: hookPart.value, role: "hook", others: onHooks }] : []),
    ...r.components.flatMap((c) => {
      const now = materials.value.get(codeOf(r, { ...ofFly.value, use: {} }, c) ?? "");
      const others =
        now && c.role !== "hook"
          ? allowedFor(c, now, materials.value).map((a) => ({ code: a.material, name: materialName(a.material) }))
          : [];
      return others.length > 0 ? [{ id: c.id, role: c.role as string, others }] : [];
    }),
  ];
});
const hookPart = computed(() => recipe.value?.components.find((c) => c.role === "hook")?.id ?? "hook");
const materialName = (code: string | undefined): string => materials.value.get(code ?? "")?.name ?? code ?? "";
const maker = computed(() => may("make up batches"));
const allReserved = computed(() =>
  (b.value?.requirements ?? []).every((r) => r.reserved.reduce((n, x) => n + x.quantity, 0) + r.pulled >= r.issue),
);
const someReserved = computed(() => (b.value?.requirements ?? []).some((r) => r.reserved.length > 0));

function showStarts(d: BatchDetail): void {
  const w = d.startsWorking;
  panel.show({
    title: "flies to start",
    words: `${d.starts} flies`,
    working: {
      formula: "Flies to start",
      written: "the smallest n with P(at least T of n are good) ≥ level, good ~ beta-binomial",
      inputs: [
        {
          name: "T, flies owed",
          value: w.owed,
          unit: "flies",
          source: { from: "order", where: "claims of the orders" },
        },
        {
          name: "good, prior and log",
          value: w.good,
          unit: "flies",
          source: w.batches > 0 ? { from: "learned", batches: w.batches } : { from: "setting" },
        },
        {
          name: "rejected, prior and log",
          value: w.bad,
          unit: "flies",
          source: w.batches > 0 ? { from: "learned", batches: w.batches } : { from: "setting" },
        },
        { name: "level", value: 100 * w.level, unit: "%", source: { from: "setting" } },
      ],
      through: [{ name: "chance that they suffice", value: 100 * w.chance, unit: "%" }],
      result: { name: "to start", value: d.starts, unit: "flies" },
    },
  });
}
const again = async () => void (await batch.refetch());
async function reserve(): Promise<void> {
  const reply = await send(reserveBatch, { params: { id: props.id } });
  if (reply) await again();
}
async function giveBack(): Promise<void> {
  if (await send(unreserveBatch, { params: { id: props.id } }, "Reservations given back")) await again();
}
async function release(version: number): Promise<void> {
  if (await send(releaseBatch, { params: { id: props.id }, body: { version } }, "Released: pull its kit"))
    await again();
}
async function choose(change: {
  mode?: "fly by fly" | "step by step";
  buy?: string[];
  mixLots?: boolean;
  methods?: Record<string, string>;
  leave?: string[];
  use?: Record<string, string>;
  renew?: true;
}): Promise<void> {
  if (b.value && (await send(editBatch, { params: { id: props.id }, body: { version: b.value.version, ...change } })))
    await again();
}
async function prepared(t: BatchDetail["prep"][number]): Promise<void> {
  if (await send(donePrep, { params: { id: props.id }, body: { kind: t.kind, component: t.component } }, "Logged"))
    await again();
}
</script>

<template>
  <template v-if="b">
    <div class="mb-3 flex flex-wrap items-baseline justify-between gap-x-6 gap-y-1">
      <h1>
        Batch {{ b.number }} ·
        <RouterLink
          class="link"
          :to="{ path: `/patterns/${b.pattern}`, query: { size: b.size, variant: b.variant } }"
          >{{ b.patternName }}</RouterLink
        >
        <span class="fig">{{ b.size }}</span>
        <span class="font-normal text-soft"
          >{{ variantName(patterns.get(b.pattern), b.variant)
          }}{{
            formName(patterns.get(b.pattern), b.form) ? `, ${formName(patterns.get(b.pattern), b.form)}` : ""
          }}</span
        >
      </h1>
      <p>
        due <b>{{ day(b.due) }}</b> <span class="tag ml-2">{{ b.state }}</span>
      </p>
    </div>
    <RefusalNote :refusal="refusal" />
    <div class="mb-4 grid gap-4 lg:grid-cols-[minmax(0,1.25fr)_minmax(0,1fr)]">
      <div>
        <FlyDrawing
          :pattern="b.pattern"
          :version="b.patternVersion"
          :choice="{ methods: b.methods, leave: b.leave, use: b.use, buy: b.buy }"
          :size="b.size"
          :variant="b.variant"
          :form="b.form"
          :inside="inside"
          measures
          class="h-64 border border-rule"
        />
        <label class="mt-1 inline-flex items-center gap-2"
          ><input v-model="inside" type="checkbox" class="h-5 w-5" />See inside</label
        >
      </div>
      <div class="sheet p-4">
        <dl class="grid grid-cols-[auto_1fr] items-baseline gap-x-5 gap-y-1.5">
          <dt class="text-soft">Owed</dt>
          <dd class="text-2xl"><DozenCount :flies="b.owed" /></dd>
          <dt class="text-soft">To start</dt>
          <dd class="text-2xl">
            <button class="num" @click="showStarts(b)">{{ b.starts }}</button>
            <span class="unit">flies, rejects included</span>
          </dd>
          <dt class="text-soft">At the vise</dt>
          <dd>
            <span class="fig">{{ clock(b.minutes) }}</span>
            <label v-if="maker && b.state === 'planned'" class="ml-3"
              ><span class="sr-only">How it is tied</span
              ><select
                class="field"
                :value="b.mode"
                @change="choose({ mode: ($event.target as HTMLSelectElement).value as 'fly by fly' })"
              >
                <option>fly by fly</option>
                <option>step by step</option>
              </select></label
            ><span v-else class="ml-3">{{ b.mode }}</span>
          </dd>
          <template v-for="x in b.buyable" :key="x.component"
            ><dt class="text-soft">{{ x.role }}</dt>
            <dd>
              <select
                class="field"
                :disabled="!maker || b.state !== 'planned'"
                :aria-label="`Make or buy the ${x.role}`"
                :value="b.buy.includes(x.component) ? 'buy' : 'make'"
                @change="
                  choose({
                    buy:
                      ($event.target as HTMLSelectElement).value === 'buy'
                        ? [...b.buy, x.component]
                        : b.buy.filter((c) => c !== x.component),
                  })
                "
              >
                <option value="make">made here, {{ x.makeMinutes }} min a fly</option>
                <option value="buy">bought: {{ x.bought }}</option>
              </select>
            </dd></template
          >
          <dt class="text-soft">For</dt>
          <dd>
            <span v-for="c in b.claims" :key="c.line" class="block"
              ><RouterLink class="link" :to="`/orders/${c.orderId}`">{{ c.customer }}, order {{ c.order }}</RouterLink
              >: <DozenCount :flies="c.flies" /> by {{ day(c.due) }}</span
            >
          </dd>
        </dl>
        <div v-if="maker" class="mt-4 flex flex-wrap gap-2">
          <button
            v-if="!allReserved && ['planned', 'released'].includes(b.state)"
            class="btn btn-main"
            :disabled="busy"
            @click="reserve"
          >
            Reserve what is there
          </button>
          <button
            v-if="b.state === 'planned'"
            class="btn"
            :class="{ 'btn-main': allReserved }"
            :disabled="busy || b.held_back.length > 0"
            @click="release(b.version)"
          >
            Release to the bench
          </button>
          <RouterLink class="btn" :class="{ 'btn-main': b.state === 'released' }" :to="`/batches/${b.id}/sheet`"
            >Pull sheet</RouterLink
          ><RouterLink class="btn" :to="`/batches/${b.id}/card`">Bench card</RouterLink>
          <RouterLink v-if="['pulled', 'tying'].includes(b.state)" class="btn btn-main" :to="`/bench/${b.id}`"
            >To the bench</RouterLink
          >
          <button v-if="someReserved && b.state === 'planned'" class="btn" :disabled="busy" @click="giveBack">
            Give reservations back
          </button>
          <label v-if="b.state === 'planned'" class="flex items-center gap-2"
            ><input type="checkbox" class="h-5 w-5" :checked="b.mixLots" @change="choose({ mixLots: !b.mixLots })" />dye
            lots may be mixed</label
          >
        </div>
        <p v-else class="mt-3 text-soft">{{ askWhom("make up batches") }}</p>
        <details v-if="b.state === 'planned' && b.held_back.length > 0" class="mt-3">
          <summary class="font-semibold text-call">
            Not ready for the bench: {{ b.held_back.length }} {{ b.held_back.length === 1 ? "reason" : "reasons" }}
          </summary>
          <ul class="mt-1 list-disc pl-5">
            <li v-for="r in b.held_back" :key="r">{{ r }}</li>
          </ul>
        </details>
      </div>
    </div>
    <p v-if="b.newestVersion > b.patternVersion" class="callout mb-3">
      This batch is bound to version <span class="fig">{{ b.patternVersion }}</span> of the pattern; there is a version
      <span class="fig">{{ b.newestVersion }}</span>.
      <RouterLink class="link" :to="`/patterns/${b.pattern}`">See what changed</RouterLink>
      <button v-if="maker && b.state === 'planned'" class="btn ml-2 !min-h-7" @click="choose({ renew: true })">
        Tie it by version {{ b.newestVersion }}
      </button>
    </p>
    <div
      v-if="b.state === 'planned' && (optional.length > 0 || replaceable.length > 0)"
      class="mb-4 flex flex-wrap gap-x-5 gap-y-2"
    >
      <label v-for="c in optional" :key="c.id" class="flex items-center gap-2"
        ><input
          type="checkbox"
          class="h-5 w-5"
          :disabled="!maker"
          :checked="!b.leave.includes(c.id)"
          @change="choose({ leave: b.leave.includes(c.id) ? b.leave.filter((x) => x !== c.id) : [...b.leave, c.id] })"
        />with {{ c.role }}</label
      >
      <label v-for="c in replaceable" :key="`use${c.id}`"
        >{{ c.role }}
        <select
          class="field"
          :disabled="!maker"
          :value="b.use[c.id] ?? ''"
          @change="
            choose({
              use: Object.fromEntries([
                ...Object.entries(b.use).filter(([k]) => k !== c.id),
                ...(($event.target as HTMLSelectElement).value
                  ? [[c.id, ($event.target as HTMLSelectElement).value]]
                  : []),
              ]),
            })
          "
        >
          <option value="">as in the pattern</option>
          <option v-for="o in c.others" :key="o.code" :value="o.code">{{ o.name }}</option>
        </select></label
      >
    </div>
    <div class="mb-1 flex items-baseline justify-between">
      <h2>Materials</h2>
      <a class="link no-print" :href="`/api/batches/${b.id}/materials.csv`">as CSV</a>
    </div>
    <MaterialRows :batch="b" class="mb-5" />
    <div class="grid gap-5 lg:grid-cols-2">
      <section>
        <h2 class="mb-1">Preparation</h2>
        <table class="sheet">
          <thead class="sr-only">
            <tr>
              <th scope="col">Work</th>
              <th scope="col">Minutes</th>
              <th scope="col">Done</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="t in b.prep" :key="t.kind + t.component">
              <td>
                {{ t.title }}<span v-if="t.station" class="tag ml-2">{{ t.station }}</span>
              </td>
              <td class="fig whitespace-nowrap text-right">{{ t.minutes }}<span class="unit">min</span></td>
              <td class="w-40 text-right">
                <span v-if="t.done" class="tag tag-done">done, {{ t.doneBy }}</span
                ><button v-else-if="may('tie and tally')" class="btn !min-h-8" :disabled="busy" @click="prepared(t)">
                  Log as done
                </button>
              </td>
            </tr>
            <tr v-if="b.prep.length === 0">
              <td colspan="3" class="text-soft">Nothing to prepare away from the vise.</td>
            </tr>
          </tbody>
        </table>
        <h2 v-if="b.cautions.length" class="mb-1 mt-4">Cautions</h2>
        <ul class="list-disc pl-5 text-[0.95rem]">
          <li v-for="c in b.cautions" :key="c">{{ c }}</li>
        </ul>
        <p class="mt-1 text-[0.88rem] text-soft">
          Local law, the makers’ data sheets and professional advice go before anything said here.
        </p>
      </section>
      <section>
        <h2 class="mb-1">History</h2>
        <HistoryList :events="b.history" />
      </section>
    </div>
    <MethodTable
      v-if="recipe"
      :recipe="recipe"
      :choice="ofFly"
      :flies="b.starts"
      :fixed="!maker || b.state !== 'planned'"
      class="mt-5"
      @choose="choose({ methods: $event })"
    />
  </template>
  <p v-else-if="batch.error.value" class="callout">
    {{ batch.error.value.message }} <RouterLink class="link" to="/batches">All batches</RouterLink>
  </p>
</template>
