<script setup lang="ts">
import { useQueryCache } from "@pinia/colada";
import { useFileDialog } from "@vueuse/core";
import { Upload } from "lucide-vue-next";
import { computed, ref } from "vue";
import {
  fileFields,
  fileKinds,
  MOST_FILE_BYTES,
  previewFile,
  takeInFile,
  type FileKind,
  type FilePreview as Preview,
} from "@kasten/contract/files";
import RadioSet from "../parts/RadioSet.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import TickBox from "../parts/TickBox.vue";
import { optionsOf } from "../parts/option";
import { useChange } from "../parts/useChange";
import FileColumns from "./FileColumns.vue";
import FileLines from "./FileLines.vue";
import { textOfFile } from "./readFile";

/** A file of one's own: what each column is, what becomes of each line, and only then it is taken in. */
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
const kind = ref<FileKind>("materials");
const file = ref<{ name: string; text: string }>();
const mapping = ref<Record<string, string>>();
const decimal = ref<"point" | "comma">();
const preview = ref<Preview>();
const leaveWrong = ref(false);
const fault = ref("");
const done = ref("");
const { open, onChange, reset } = useFileDialog({ accept: ".csv,.txt,.tsv,text/csv,text/plain", multiple: false });

function forget(): void {
  file.value = undefined;
  preview.value = undefined;
  mapping.value = undefined;
  decimal.value = undefined;
  leaveWrong.value = false;
  fault.value = "";
  refusal.value = null;
  reset();
}
onChange(async (files) => {
  const chosen = files?.[0];
  if (!chosen) return;
  forget();
  done.value = "";
  if (chosen.size > MOST_FILE_BYTES) {
    fault.value = `“${chosen.name}” has ${Math.round(chosen.size / 1e6)} MB; a file may have 12. Take it in in parts.`;
    return;
  }
  file.value = { name: chosen.name.slice(0, 80), text: await textOfFile(chosen) };
  await look();
});
const sent = () => ({
  kind: kind.value,
  text: file.value?.text ?? "",
  ...(mapping.value && { mapping: mapping.value }),
  ...(decimal.value && { decimal: decimal.value }),
});
async function look(): Promise<void> {
  if (!file.value) return;
  preview.value = await send(previewFile, { body: sent() });
}
function setKind(now: FileKind): void {
  kind.value = now;
  mapping.value = undefined;
  void look();
}
function setColumn(at: number, field: string | undefined): void {
  const columns = preview.value?.columns ?? [];
  const entries = columns.flatMap((c, i) => {
    const now = i === at ? field : c.field;
    // A field is one column: the one that was it before gives way.
    return now && !(i !== at && now === field) ? [[String(i), now]] : [];
  });
  mapping.value = Object.fromEntries(entries) as Record<string, string>;
  void look();
}
function setDecimal(now: "point" | "comma"): void {
  decimal.value = now;
  void look();
}
const counts = computed(() => preview.value?.counts);
const takes = computed(() => (counts.value?.new ?? 0) + (counts.value?.changes ?? 0));
const isReady = computed(() => {
  const p = preview.value;
  return p !== undefined && p.missing.length === 0 && p.unclear === null && takes.value > 0;
});
async function takeIn(): Promise<void> {
  if (!file.value || !counts.value) return;
  const body = { ...sent(), name: file.value.name, leaveWrong: leaveWrong.value, expects: counts.value };
  const reply = await send(takeInFile, { body });
  if (!reply) return;
  done.value = `Taken in from ${body.name}: ${reply.taken} ${reply.taken === 1 ? "line" : "lines"}${reply.left > 0 ? `; ${reply.left} left out` : ""}.`;
  forget();
  await cache.invalidateQueries();
}
const kinds = optionsOf(fileKinds);
const decimals = [
  { value: "point" as const, label: "1.5 (point)" },
  { value: "comma" as const, label: "1,5 (comma)" },
];
const asked = computed(() => fileFields[kind.value].filter((f) => "required" in f && f.required).map((f) => f.label));
</script>

<template>
  <div class="grid gap-4">
    <div class="sheet flex flex-wrap items-end gap-4 p-4">
      <RadioSet label="A file of" :options="kinds" :model-value="kind" @update:model-value="setKind" />
      <button class="btn btn-main" :disabled="busy" @click="open()">
        <Upload :size="17" aria-hidden="true" />Choose a CSV file
      </button>
      <p class="w-full text-[0.92rem] text-soft">
        Rows with a row of heads, parted by commas, semicolons or tabs, as any spreadsheet saves them.
        <template v-if="asked.length > 0">Needed: {{ asked.join(", ") }}.</template> Nothing is stored before you have
        seen what becomes of each line.
      </p>
    </div>
    <p v-if="fault" class="callout" role="alert">{{ fault }}</p>
    <p v-if="done" class="sheet p-3 font-semibold text-done" role="status">{{ done }}</p>
    <RefusalNote :refusal="refusal" />
    <template v-if="file && preview">
      <section>
        <h2 class="mb-1">{{ file.name }}: what each column is</h2>
        <FileColumns :columns="preview.columns" :fields="fileFields[kind]" @set="setColumn" />
        <p v-if="preview.missing.length > 0" class="callout mt-2" role="alert">
          No column is {{ preview.missing.join(", ") }} yet. Choose it above.
        </p>
        <div v-if="preview.decimal !== null || preview.unclear !== null" class="mt-2 flex flex-wrap items-center gap-3">
          <RadioSet
            label="Decimals are written"
            :options="decimals"
            :model-value="preview.decimal ?? ('' as 'point')"
            @update:model-value="setDecimal"
          />
          <p v-if="preview.unclear !== null" class="callout" role="alert">
            “{{ preview.unclear }}” could be read either way: say how decimals are written in this file.
          </p>
        </div>
      </section>
      <FileLines :preview="preview" />
      <div class="sheet flex flex-wrap items-center gap-4 p-4">
        <TickBox
          v-if="(counts?.wrong ?? 0) > 0"
          :model-value="leaveWrong"
          @update:model-value="leaveWrong = $event ?? false"
          >leave the {{ counts?.wrong }} wrong {{ counts?.wrong === 1 ? "line" : "lines" }} out</TickBox
        >
        <button
          class="btn btn-main"
          :disabled="busy || !isReady || ((counts?.wrong ?? 0) > 0 && !leaveWrong)"
          @click="takeIn"
        >
          Take in {{ takes }} {{ takes === 1 ? "line" : "lines" }}
        </button>
        <button class="btn" @click="forget">Leave it</button>
        <span v-if="takes === 0 && (counts?.same ?? 0) > 0" class="text-soft">All that is in it is here already.</span>
      </div>
    </template>
  </div>
</template>
