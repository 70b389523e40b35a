<script setup lang="ts">
import { Plus, X } from "lucide-vue-next";
import { computed, nextTick, ref } from "vue";
import { gradeSkin, usableFeathers } from "@kasten/core/stock";
import { gradeLot, type LotPage } from "@kasten/contract/stock";
import { wrongIn } from "@kasten/contract/http";
import ListBox from "../parts/ListBox.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import PlaceChoice from "./PlaceChoice.vue";

/**
 * A skin sorted by a sample: one hand on the ruler, one on the number keys. A row is a class; Enter goes to the next,
 * and opens one when there is none.
 */
const props = defineProps<{ lot: LotPage; drawers: LotPage["places"] }>();
const emit = defineEmits<{ done: [] }>();
const { busy, refusal, send } = useChange();
interface Row {
  fromMm: number | "";
  toMm: number | "";
  side: "left" | "right" | "both";
  sampled: number | "";
  spoilt: number | "";
}
const STEP_MM = 1;
const place = ref(props.drawers[0]?.placeId ?? 0);
const total = ref<number | "">(props.drawers[0]?.quantity ?? "");
const fresh = (from: number | ""): Row => ({
  fromMm: from,
  toMm: from === "" ? "" : from + STEP_MM,
  side: "both",
  sampled: "",
  spoilt: "",
});
const rows = ref<Row[]>([fresh("")]);
const sides = [
  { value: "both" as const, label: "no side" },
  { value: "left" as const, label: "left" },
  { value: "right" as const, label: "right" },
];
const body = computed(() => ({
  place: place.value,
  total: total.value === "" ? undefined : total.value,
  classes: rows.value
    .filter((r) => r.sampled !== "")
    .map(({ side, fromMm, toMm, sampled, spoilt }) => ({
      fromMm: fromMm === "" ? undefined : fromMm,
      toMm: toMm === "" ? undefined : toMm,
      side: side === "both" ? null : side,
      sampled: sampled === "" ? undefined : sampled,
      spoilt: spoilt === "" ? 0 : spoilt,
    })),
}));
const wrong = computed(() => wrongIn(gradeLot.body, body.value));
/** What the skin comes to by the sample, as soon as the sample can be read. */
const classes = computed(() => {
  const read = gradeLot.body.safeParse(body.value);
  if (!read.success) return [];
  const sampled = read.data.classes.reduce((n, c) => n + c.sampled, 0);
  if (sampled < 1 || sampled > read.data.total) return [];
  return gradeSkin(
    read.data.classes.map(({ side, ...c }) => ({ ...c, ...(side && { side }) })),
    read.data.total,
  );
});
const most = computed(() => Math.max(1, ...classes.value.map((c) => c.count)));
const form = ref<HTMLFormElement>();
async function next(at: number): Promise<void> {
  if (at === rows.value.length - 1) rows.value.push(fresh(rows.value[at]?.toMm ?? ""));
  await nextTick();
  form.value?.querySelectorAll<HTMLInputElement>("input[data-sampled]")[at + 1]?.focus();
}
async function keep(): Promise<void> {
  const read = gradeLot.body.safeParse(body.value);
  if (!read.success) return;
  if (await send(gradeLot, { params: { id: props.lot.id }, body: read.data }, "Sorted")) emit("done");
}
</script>

<template>
  <p v-if="drawers.length === 0" class="text-soft">None of it lies in a drawer: its feathers are in its classes.</p>
  <form v-else ref="form" class="grid gap-3" @submit.prevent="keep">
    <RefusalNote :refusal="refusal" />
    <div class="flex flex-wrap items-end gap-3">
      <PlaceChoice v-model="place" :drawers="drawers" />
      <label class="grid gap-0.5"
        ><span class="label">Feathers on it in all, counted or estimated</span
        ><input v-model.number="total" class="field fig w-32" type="number" min="1" step="1" required
      /></label>
    </div>
    <table class="narrow-rows max-w-3xl">
      <thead>
        <tr>
          <th>from, mm</th>
          <th>to, mm</th>
          <th>Side</th>
          <th>In the sample</th>
          <th>No good</th>
          <th class="w-56">So the skin has</th>
          <th><span class="sr-only">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(r, i) in rows" :key="i">
          <td>
            <input
              v-model.number="r.fromMm"
              class="field fig w-20"
              type="number"
              min="0"
              step="any"
              placeholder="from, mm"
              :aria-label="`Class ${i + 1} from, mm`"
            />
          </td>
          <td>
            <input
              v-model.number="r.toMm"
              class="field fig w-20"
              type="number"
              min="0"
              step="any"
              placeholder="to, mm"
              :aria-label="`Class ${i + 1} to, mm`"
            />
          </td>
          <td><ListBox v-model="r.side" quiet :label="`Side of class ${i + 1}`" :options="sides" /></td>
          <td>
            <input
              v-model.number="r.sampled"
              data-sampled
              class="field fig w-24 text-lg"
              type="number"
              inputmode="numeric"
              min="0"
              step="1"
              placeholder="sample"
              :aria-label="`Feathers of class ${i + 1} in the sample`"
              @keydown.enter.prevent="next(i)"
            />
          </td>
          <td>
            <input
              v-model.number="r.spoilt"
              class="field fig w-20"
              type="number"
              min="0"
              step="1"
              placeholder="no good"
              :aria-label="`No good of class ${i + 1}`"
              @keydown.enter.prevent="next(i)"
            />
          </td>
          <td>
            <template v-if="classes[i]"
              ><span
                class="mr-2 inline-block h-3 bg-deep align-middle"
                :style="{ width: `${(6 * classes[i].count) / most}rem` }"
                aria-hidden="true"
              ></span
              ><span class="whitespace-nowrap"
                ><b class="fig">{{ usableFeathers(classes[i]) }}</b>
                <span class="text-soft">± {{ Math.ceil(2 * classes[i].deviation) }}</span></span
              ></template
            >
          </td>
          <td>
            <button
              type="button"
              class="btn btn-plain"
              :aria-label="`Without class ${i + 1}`"
              :disabled="rows.length === 1"
              @click="rows.splice(i, 1)"
            >
              <X :size="16" />
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-if="wrong.length > 0 && rows.some((r) => r.sampled !== '')" class="text-call">{{ wrong[0]?.detail }}</p>
    <p class="text-[0.9rem] text-soft">
      Draw the sample blindly over the whole skin. Enter goes to the next class. What is no good is thrown away in the
      same share of the whole skin; each class becomes a lot of its own in the same drawer.
    </p>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="btn" @click="rows.push(fresh(rows.at(-1)?.toMm ?? ''))">
        <Plus :size="16" aria-hidden="true" />A class</button
      ><button class="btn btn-main" :disabled="busy || classes.length === 0">Sort the skin</button>
    </div>
  </form>
</template>
