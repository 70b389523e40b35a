<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { ref } from "vue";
import { materialForms, standings, type Material, type MaterialForm } from "@kasten/core/materials";
import { saveMaterial } from "@kasten/contract/materials";
import RefusalNote from "../parts/RefusalNote.vue";
import { textOf } from "../parts/fields";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";
import BlendParts from "./BlendParts.vue";
import { codeFor, newMaterial, plainMaterial, withGauge } from "./materialDraft";
import MaterialFigures from "./MaterialFigures.vue";

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
      <label
        ><span class="label">What it is</span
        ><select
          class="field"
          :value="m.form"
          :disabled="material !== undefined"
          @change="setForm(textOf($event) as MaterialForm)"
        >
          <option v-for="f in forms" :key="f">{{ f }}</option>
        </select></label
      >
      <label
        ><span class="label">Colour as seen</span
        ><input class="field !p-1" type="color" :value="m.colour ?? '#888888'" @input="m.colour = textOf($event)"
      /></label>
      <label
        ><span class="label">Shade, in a word</span
        ><input
          class="field w-32"
          :value="m.colourName ?? ''"
          maxlength="40"
          @change="m.colourName = textOf($event) || undefined"
      /></label>
      <label
        ><span class="label">Drawer</span
        ><input v-model="drawer" class="field w-24" maxlength="20" :placeholder="material ? 'stays' : 'later'"
      /></label>
      <label
        ><span class="label">Gauge on its label</span
        ><input
          class="field w-24"
          :value="m.gauge ?? ''"
          maxlength="20"
          @change="m = withGauge(m, textOf($event) || undefined)"
      /></label>
    </div>
    <MaterialFigures v-model="m" />
    <BlendParts v-if="m.form === 'blend'" v-model="m" />
    <div class="flex flex-wrap items-end gap-3">
      <label class="min-w-60 flex-1"
        ><span class="label">Caution</span
        ><input
          class="field w-full"
          :value="m.caution ?? ''"
          maxlength="400"
          @change="m.caution = textOf($event) || undefined"
      /></label>
      <label
        ><span class="label">Controlled species, as on its papers</span
        ><input
          class="field w-48"
          :value="m.controlledSpecies ?? ''"
          maxlength="80"
          @change="m.controlledSpecies = textOf($event) || undefined"
      /></label>
      <label
        ><span class="label">May it be promised?</span
        ><select
          class="field"
          :value="m.standing ?? ''"
          @change="m.standing = (textOf($event) || undefined) as Material['standing']"
        >
          <option value="">yes</option>
          <option v-for="s in standings" :key="s" :value="s">no: {{ s }}</option>
        </select></label
      >
      <label class="flex items-center gap-2"
        ><input v-model="m.lead" type="checkbox" class="h-5 w-5" />has lead in it</label
      >
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
