<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { ref } from "vue";
import {
  codeFor,
  materialForms,
  newMaterial,
  standings,
  withGauge,
  type Material,
  type MaterialForm,
} from "@kasten/core/materials";
import { saveMaterial } from "@kasten/contract/materials";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import TextField from "../parts/TextField.vue";
import TickBox from "../parts/TickBox.vue";
import { optionsOf, orNone } from "../parts/option";
import RefusalNote from "../parts/RefusalNote.vue";
import { textOf } from "../parts/fields";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";
import BlendParts from "./BlendParts.vue";
import { plainMaterial } from "./materialDraft";
import MaterialFigures from "./MaterialFigures.vue";
import { baseOf, writtenOf, writtenUnit } from "../parts/written";

/** What the computation needs of a material. Nominal figures stand there until somebody has measured. */
const props = defineProps<{ material?: Material; name?: string; form?: MaterialForm }>();
const emit = defineEmits<{ saved: [code: string]; leave: [] }>();
const { materials } = useCatalogue();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
const m = ref<Material>(
  props.material ? plainMaterial(props.material) : newMaterial("", props.name ?? "", props.form ?? "dubbing"),
);
/** The version that the person sees; after a refusal that of the other's change, which they have then been told. */
const version = ref(materials.value.get(props.material?.code ?? "")?.version ?? 0);
const drawer = ref("");
const forms = materialForms.filter((f) => f !== "hook");
function setForm(form: MaterialForm): void {
  const { name, colour, colourName, caution, lead } = m.value;
  m.value = { ...newMaterial(m.value.code, name, form), colour, colourName, caution, lead };
}
async function save(): Promise<void> {
  const code = m.value.code || codeFor(m.value.name, m.value.form, (c) => materials.value.has(c));
  const material = plainMaterial({ ...m.value, code });
  const body = { material, drawer: drawer.value.trim() || undefined, version: version.value };
  const said = props.material ? "Changed" : "In the cabinet";
  if (!(await send(saveMaterial, { params: { id: code }, body }, said))) {
    version.value = refusal.value?.problem.version ?? version.value;
    return;
  }
  await cache.invalidateQueries({ key: ["catalogue"] });
  emit("saved", code);
}
</script>

<template>
  <form class="sheet mb-4 grid gap-3 p-3" @submit.prevent="save">
    <h2>{{ material ? `What is known of ${material.name}` : "A material for the cabinet" }}</h2>
    <div class="flex flex-wrap items-end gap-3">
      <label class="min-w-52 flex-1"
        ><span class="label">Name, with its colour</span
        ><input v-model="m.name" class="field w-full" maxlength="80" required
      /></label>
      <ListBox
        class="w-44"
        label="What it is"
        :disabled="material !== undefined"
        :options="optionsOf(forms)"
        :model-value="m.form"
        @update:model-value="setForm"
      />
      <label
        ><span class="label">Colour as seen</span
        ><input class="field !p-1" type="color" :value="m.colour ?? '#888888'" @input="m.colour = textOf($event)"
      /></label>
      <TextField v-model="m.colourName" class="w-32" label="Shade, in a word" :most="40" />
      <label
        ><span class="label">Drawer</span
        ><input v-model="drawer" class="field w-24" maxlength="20" :placeholder="material ? 'stays' : 'later'"
      /></label>
      <TextField
        class="w-32"
        label="Gauge on its label"
        :most="20"
        :model-value="m.gauge"
        @update:model-value="m = withGauge(m, $event)"
      />
    </div>
    <MaterialFigures v-model="m" />
    <BlendParts v-if="m.form === 'blend'" v-model="m" />
    <div class="flex flex-wrap items-end gap-3">
      <TextField v-model="m.caution" class="min-w-60 flex-1" label="Caution" />
      <TextField v-model="m.controlledSpecies" class="w-60" label="Controlled species, as on its papers" :most="80" />
      <ListBox
        v-model="m.standing"
        class="w-44"
        label="May it be promised?"
        :options="
          orNone(
            'yes',
            standings.map((s) => ({
              value: s,
              label: s === 'discontinued' ? 'until it is gone: not made any more' : `no: ${s}`,
            })),
          )
        "
      />
      <NumberField
        class="w-48"
        :label="`Ordered when less than, in ${writtenUnit[m.unit]}`"
        :min="0"
        :model-value="m.orderBelow === undefined ? undefined : writtenOf(m.orderBelow, m.unit)"
        @update:model-value="m.orderBelow = $event ? baseOf($event, m.unit) : undefined"
      />
      <TextField
        v-model="m.secondLife"
        class="w-64"
        label="What its offcuts are still good for"
        placeholder="butts for legs"
      />
      <TickBox v-model="m.lead" class="min-h-9">has lead in it</TickBox>
    </div>
    <RefusalNote :refusal="refusal" />
    <div class="flex gap-2">
      <button class="btn btn-main" :disabled="busy || !m.name.trim()">
        {{ material ? "Keep it" : "Put it in the cabinet" }}</button><button
        type="button"
        class="btn"
        @click="emit('leave')"
      >
        Leave it
      </button>
    </div>
  </form>
</template>
