<script setup lang="ts">
import { computed, watch } from "vue";
import { readStock } from "@kasten/contract/stock";
import { call, useRead } from "../http";
import ComboBox from "../parts/ComboBox.vue";
import ListBox from "../parts/ListBox.vue";
import NumberField from "../parts/NumberField.vue";
import { quantity } from "../parts/format";
import type { Option } from "../parts/option";
import { writtenUnit } from "../parts/written";
import { useCatalogue } from "../patterns";
import type { Input } from "./making";

/** One lot that goes in: of what, which, how much of it, and what of that turned out to be of no use. */
const props = defineProps<{ at: number }>();
const input = defineModel<Input>({ required: true });
const emit = defineEmits<{ takeOut: [] }>();
const { materials } = useCatalogue();
const set = (more: Partial<Input>): void => void (input.value = { ...input.value, ...more });
const options = computed((): Option<string | undefined>[] =>
  [...materials.value.values()].map((m) => ({ value: m.code, label: m.name, note: m.code, colour: m.colour })),
);
const stock = useRead({
  key: () => ["material", input.value.material ?? ""],
  query: () => call(readStock, { params: { id: input.value.material ?? "" } }),
  enabled: () => input.value.material !== undefined,
});
const unit = computed(() => materials.value.get(input.value.material ?? "")?.unit ?? "count");
const lots = computed(() =>
  (stock.data.value?.lotList ?? []).filter((l) => !l.inKit && !l.apartUntil && l.quantity > l.reserved),
);
const keyOf = (l: { id: string; placeId: number }): string => `${l.id}|${l.placeId}`;
const choices = computed((): Option<string | undefined>[] =>
  lots.value.map((l) => ({ value: keyOf(l), label: l.code, note: quantity(l.quantity - l.reserved, unit.value) })),
);
const lot = computed({
  get: () => (input.value.lot && input.value.place ? `${input.value.lot}|${input.value.place}` : undefined),
  set: (key) => {
    const found = lots.value.find((l) => keyOf(l) === key);
    set({ lot: found?.id, place: found?.placeId });
  },
});
// Another material has other lots.
watch(
  () => input.value.material,
  () => set({ lot: undefined, place: undefined }),
);
</script>

<template>
  <div class="flex flex-wrap items-end gap-3">
    <ComboBox
      class="w-64"
      :label="`What goes in, ${props.at + 1}`"
      :options="options"
      swatches
      :model-value="input.material"
      @update:model-value="set({ material: $event })"
    />
    <ListBox
      v-model="lot"
      class="w-56"
      label="Lot"
      placeholder="choose"
      :options="choices"
      :disabled="choices.length === 0"
    />
    <NumberField
      class="w-36"
      :label="`Taken, in ${writtenUnit[unit]}`"
      :min="0"
      :model-value="input.much"
      @update:model-value="set({ much: $event })"
    />
    <NumberField
      class="w-32"
      label="Of no use"
      :min="0"
      :model-value="input.culled"
      @update:model-value="set({ culled: $event })"
    />
    <button type="button" class="btn btn-plain" @click="emit('takeOut')">
      Take out<span class="sr-only">: row {{ props.at + 1 }}</span>
    </button>
  </div>
</template>
