<script setup lang="ts" generic="V extends object">
import { Plus, X } from "lucide-vue-next";
import { computed } from "vue";
import type { EntryForm } from "./useEntryForm";

/** Rows of a form that are added and taken out, such as hours of a day. The fields of a row are in the slot. */
const props = defineProps<{
  form: EntryForm<V>;
  /** The list of the form. */
  name: keyof V & string;
  /** What the button says that adds one, and what one is, for the button that takes it out. */
  add: string;
  one: string;
  /** What a row begins with. */
  fresh: object;
  /** While none can be added. */
  disabled?: boolean;
}>();
const rows = computed(() => props.form.values.value[props.name] as object[]);
const set = (all: object[]): void => props.form.api.setFieldValue(props.name, all as never);
</script>

<template>
  <div>
    <div v-for="(_r, i) in rows" :key="i" class="mb-2 flex flex-wrap items-end gap-2">
      <slot :i="i" :at="`${name}[${i}]`" />
      <button
        type="button"
        class="btn btn-plain"
        :aria-label="`Without ${one} ${i + 1}`"
        @click="set(rows.filter((_, j) => j !== i))"
      >
        <X :size="16" />
      </button>
    </div>
    <div class="flex flex-wrap gap-2">
      <button type="button" class="btn" :disabled="disabled" @click="set([...rows, { ...fresh }])">
        <Plus :size="16" aria-hidden="true" />{{ add }}
      </button>
      <slot name="beside" />
    </div>
  </div>
</template>
