<script setup lang="ts">
import { ref } from "vue";
import { readDeliveryNote, receivePurchase, type Purchase } from "@kasten/contract/purchasing";
import RefusalNote from "../parts/RefusalNote.vue";
import { quantity } from "../parts/format";
import { useChange } from "../parts/useChange";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";

/** A delivery against its order: what is kept, what goes back, which lot and dye lot it really is. */
const props = defineProps<{ purchase: Purchase }>();
const emit = defineEmits<{ received: [] }>();
const { busy, refusal, send } = useChange();
const noted = ref("");
const done = ref<{ lots: { id: string; code: string }[]; waiting: number[] }>();
const rows = ref(
  props.purchase.lines
    .filter((l) => !l.closed)
    .map((l) => ({
      line: l,
      accepted: "" as number | "",
      returned: "" as number | "",
      reason: "",
      lot: "",
      dyeLot: l.dyeLot,
      grade: "",
      barbFrom: "" as number | "",
      barbTo: "" as number | "",
      papers: "",
      close: false,
    })),
);
/** The supplier's own note says what is in the parcel; it is counted all the same. */
async function readNote(): Promise<void> {
  const note = await send(readDeliveryNote, { params: { id: props.purchase.id } });
  if (!note) return;
  noted.value = note.note || "The note names all that was ordered. Count it all the same.";
  for (const r of rows.value) {
    const said = note.lines.find((l) => l.line === r.line.id);
    if (!said) continue;
    r.accepted = writtenOf(said.quantity, r.line.unit);
    r.lot = said.lot;
    r.dyeLot = said.dyeLot;
    r.grade = said.grade;
  }
}
const isOther = (r: (typeof rows.value)[number]): boolean => r.line.dyeLot !== "" && r.dyeLot !== r.line.dyeLot;
async function receive(): Promise<void> {
  const lines = rows.value
    .filter((r) => r.accepted !== "" || r.returned !== "" || r.close)
    .map((r) => ({
      line: r.line.id,
      accepted: r.accepted === "" ? 0 : baseOf(r.accepted, r.line.unit),
      returned: r.returned === "" ? 0 : baseOf(r.returned, r.line.unit),
      reason: r.reason,
      lot: r.lot,
      dyeLot: r.dyeLot,
      grade: r.grade,
      side: null,
      papers: r.papers,
      apartUntil: null,
      barb: r.barbFrom === "" || r.barbTo === "" ? null : ([r.barbFrom, r.barbTo] as [number, number]),
      close: r.close,
    }));
  const body = { version: props.purchase.version, lines };
  const made = await send(receivePurchase, { params: { id: props.purchase.id }, body }, "Taken in");
  if (!made) return;
  done.value = made;
  emit("received");
}
</script>

<template>
  <div>
    <RefusalNote :refusal="refusal" />
    <p v-if="!purchase.byLetter" class="mb-2 flex flex-wrap items-center gap-3">
      <button type="button" class="btn" @click="readNote">Read the delivery note</button
      ><span v-if="noted" class="text-soft">{{ noted }}</span>
    </p>
    <form class="grid gap-3" @submit.prevent="receive">
      <fieldset v-for="(r, i) in rows" :key="r.line.id" class="border-t border-rule pt-2">
        <legend class="sr-only">{{ r.line.materialName }}</legend>
        <p class="mb-1">
          <b>{{ r.line.materialName }}</b>, ordered {{ quantity(r.line.ordered, r.line.unit)
          }}<template v-if="r.line.received">, {{ quantity(r.line.received, r.line.unit) }} have come</template>
        </p>
        <div class="flex flex-wrap items-end gap-3">
          <label class="grid gap-0.5"
            ><span class="label">Kept, in {{ writtenUnit[r.line.unit] }}</span
            ><input
              v-model.number="r.accepted"
              class="field fig w-28 text-lg"
              type="number"
              min="0"
              step="any"
              :data-line="i"
          /></label>
          <label class="grid gap-0.5"
            ><span class="label">Lot</span><input v-model="r.lot" class="field fig w-40" maxlength="60"
          /></label>
          <label class="grid gap-0.5"
            ><span class="label">Dye lot</span
            ><input v-model="r.dyeLot" class="field fig w-28" maxlength="60" :class="{ 'border-call': isOther(r) }"
          /></label>
          <label class="grid gap-0.5"
            ><span class="label">Grade</span><input v-model="r.grade" class="field w-20" maxlength="20"
          /></label>
          <template v-if="r.line.form === 'hackle'">
            <label class="grid gap-0.5"
              ><span class="label">Barbs from, mm</span
              ><input v-model.number="r.barbFrom" class="field fig w-24" type="number" min="0" step="any"
            /></label>
            <label class="grid gap-0.5"
              ><span class="label">to, mm</span
              ><input v-model.number="r.barbTo" class="field fig w-24" type="number" min="0" step="any"
            /></label>
          </template>
          <label class="grid gap-0.5"
            ><span class="label">Papers, if it has any</span
            ><input v-model="r.papers" class="field w-40" maxlength="200"
          /></label>
          <label class="grid gap-0.5"
            ><span class="label">Goes back</span
            ><input v-model.number="r.returned" class="field fig w-24" type="number" min="0" step="any"
          /></label>
          <label v-if="r.returned !== '' && r.returned > 0" class="grid gap-0.5"
            ><span class="label">Why</span><input v-model="r.reason" class="field w-56" required maxlength="200"
          /></label>
          <label class="flex min-h-9 items-center gap-2"
            ><input v-model="r.close" type="checkbox" class="h-5 w-5" /><span>nothing more is expected</span></label
          >
        </div>
        <p v-if="isOther(r)" class="mt-1 font-semibold text-call">
          Dye lot {{ r.line.dyeLot }} was asked for. Batches that have that one put by are not mixed with another: send
          it back, or keep it for other work.
        </p>
      </fieldset>
      <button class="btn btn-main justify-self-start" :disabled="busy">Take it in</button>
    </form>
    <p v-if="done" class="mt-2" role="status">
      <template v-if="done.lots.length > 0"
        >New lots:
        <template v-for="(l, i) in done.lots" :key="l.id"
          ><template v-if="i > 0">, </template
          ><RouterLink class="link fig" :to="`/lots/${l.id}`">{{ l.code }}</RouterLink></template
        >.</template
      >
      <template v-if="done.waiting.length > 0"> Batches that waited for it: {{ done.waiting.join(", ") }}.</template>
    </p>
  </div>
</template>
