<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { X } from "lucide-vue-next";
import { computed, ref } from "vue";
import { materialForms, standings, type Material, type MaterialForm } from "@kasten/core/materials";
import { saveMaterial } from "@kasten/contract/materials";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";
import { useCatalogue } from "./catalogue";
import {
  codeFor,
  fieldsOf,
  figureAt,
  newMaterial,
  plainMaterial,
  withFigure,
  withGauge,
  type FigureField,
} from "./materialDraft";
import MaterialFinder from "./MaterialFinder.vue";

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
const fields = computed(() => fieldsOf(m.value.form));
const parts = computed(() => Object.entries(m.value.blend?.parts ?? {}));
const whole = computed(() => parts.value.reduce((sum, [, share]) => sum + share, 0));
const nameOf = (code: string): string => materials.value.get(code)?.name ?? code;
const text = (event: Event): string => (event.target as HTMLInputElement).value;

function setForm(form: MaterialForm): void {
  const { name, colour, colourName, caution, lead } = m.value;
  m.value = { ...newMaterial(m.value.code, name, form), colour, colourName, caution, lead };
}
function setFigure(field: FigureField, event: Event): void {
  const typed = text(event).trim();
  const value = typed === "" ? undefined : Number(typed);
  if (value === undefined || Number.isFinite(value)) m.value = withFigure(m.value, field, value);
}
const setParts = (list: [string, number][]): void =>
  void (m.value = {
    ...m.value,
    blend: { leastChargeMg: m.value.blend?.leastChargeMg ?? 0, parts: Object.fromEntries(list) },
  });
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
          @change="setForm(text($event) as MaterialForm)"
        >
          <option v-for="f in forms" :key="f">{{ f }}</option>
        </select></label
      >
      <label
        ><span class="label">Colour as seen</span
        ><input class="field !p-1" type="color" :value="m.colour ?? '#888888'" @input="m.colour = text($event)"
      /></label>
      <label
        ><span class="label">Shade, in a word</span
        ><input
          class="field w-32"
          :value="m.colourName ?? ''"
          maxlength="40"
          @change="m.colourName = text($event) || undefined"
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
          @change="m = withGauge(m, text($event) || undefined)"
      /></label>
    </div>
    <fieldset class="flex flex-wrap items-end gap-3">
      <legend class="label">Figures{{ m.measured ? ", measured here" : ", nominal until measured" }}</legend>
      <label v-for="f in fields" :key="f.path"
        ><span class="label"
          >{{ f.label }}<span v-if="f.unit">, {{ f.unit }}</span></span
        ><input
          class="field fig w-24"
          type="number"
          min="0"
          step="any"
          :value="figureAt(m, f)"
          @change="setFigure(f, $event)"
      /></label>
      <label v-if="m.thread"
        ><span class="label">fibre</span
        ><select v-model="m.thread.fibre" class="field">
          <option>polyester</option>
          <option>nylon</option>
          <option>gel-spun</option>
        </select></label
      >
      <template v-if="m.liquid"
        ><label
          ><span class="label">kind</span
          ><select v-model="m.liquid.kind" class="field">
            <option>lacquer</option>
            <option>resin</option>
            <option>glue</option>
          </select></label
        ><label v-if="m.liquid.kind === 'glue'"
          ><span class="label">thin or gel</span
          ><select v-model="m.liquid.body" class="field">
            <option :value="undefined">not said</option>
            <option>thin</option>
            <option>gel</option>
          </select></label
        ></template
      >
      <label v-if="m.prepLoss"
        ><span class="label">what is lost there</span
        ><input v-model="m.prepLoss.what" class="field w-44" maxlength="80" placeholder="underfur combed out"
      /></label>
      <label class="flex items-center gap-2"
        ><input v-model="m.measured" type="checkbox" class="h-5 w-5" />measured here</label
      >
    </fieldset>
    <fieldset v-if="m.form === 'blend'">
      <legend class="label">Mixed of, by parts</legend>
      <div v-for="([code, share], i) in parts" :key="code" class="mb-1 flex items-center gap-2">
        <input
          class="field fig w-20"
          type="number"
          min="0.01"
          step="any"
          :value="share"
          :aria-label="`Parts of ${nameOf(code)}`"
          @change="setParts(parts.map((p, j) => (j === i ? [p[0], Number(text($event)) || 1] : p)))"
        /><span class="fig w-16 text-right">{{ Math.round((100 * share) / whole) }}<span class="unit">%</span></span
        ><b>{{ nameOf(code) }}</b
        ><button
          type="button"
          class="btn btn-plain"
          :aria-label="`Without ${nameOf(code)}`"
          @click="setParts(parts.filter((_, j) => j !== i))"
        >
          <X :size="16" />
        </button>
      </div>
      <MaterialFinder
        class="max-w-md"
        label="Another part of the blend"
        model-value=""
        :only="(f) => f === 'dubbing' || f === 'blend' || f === 'hair' || f === 'yarn'"
        @update:model-value="setParts([...parts, [$event, 1]])"
      />
    </fieldset>
    <div class="flex flex-wrap items-end gap-3">
      <label class="min-w-60 flex-1"
        ><span class="label">Caution</span
        ><input
          class="field w-full"
          :value="m.caution ?? ''"
          maxlength="400"
          @change="m.caution = text($event) || undefined"
      /></label>
      <label
        ><span class="label">Controlled species, as on its papers</span
        ><input
          class="field w-48"
          :value="m.controlledSpecies ?? ''"
          maxlength="80"
          @change="m.controlledSpecies = text($event) || undefined"
      /></label>
      <label
        ><span class="label">May it be promised?</span
        ><select
          class="field"
          :value="m.standing ?? ''"
          @change="m.standing = (text($event) || undefined) as Material['standing']"
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
