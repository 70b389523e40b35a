<script setup lang="ts">
import { hookBends, hookEyes } from "@kasten/core/hooks";
import { hookFamilies, saveHook, type HookModelData } from "@kasten/contract/hooks";
import EntryChoice from "../parts/EntryChoice.vue";
import EntryNumber from "../parts/EntryNumber.vue";
import EntryText from "../parts/EntryText.vue";
import EntryTick from "../parts/EntryTick.vue";
import FormWrong from "../parts/FormWrong.vue";
import RefusalNote from "../parts/RefusalNote.vue";
import RowList from "../parts/RowList.vue";
import TextField from "../parts/TextField.vue";
import { optionsOf } from "../parts/option";
import { useChange } from "../parts/useChange";
import { useEntryForm } from "../parts/useEntryForm";

/** A hook model: what its maker says of it, in which sizes it is kept, and what is near it. */
const props = defineProps<{ model?: HookModelData }>();
const emit = defineEmits<{ saved: [id: string]; leave: [] }>();
const { refusal, send } = useChange();
const m = props.model;
type Near = HookModelData["near"][number];
const some = (n: number | undefined): number | undefined => n ?? 0;
const form = useEntryForm({
  endpoint: saveHook,
  values: {
    id: m?.id ?? "",
    name: m?.name ?? "",
    family: m?.family ?? "nymph",
    bend: m?.bend ?? "round",
    shankSteps: some(m?.shankSteps),
    wireSteps: some(m?.wireSteps),
    gapeSteps: some(m?.gapeSteps),
    barbless: m?.barbless ?? false,
    points: m?.points ?? 1,
    eyeForm: m?.eyeForm ?? "turned down",
    finish: m?.finish ?? "",
    wireReason: m?.wireReason ?? "",
    near: (m?.near ?? []).map((n) => ({ ...n })),
    sizes: "",
    drawer: "",
  },
  body: ({ id: _id, sizes, drawer, near, ...v }) => ({
    ...v,
    near: near.filter((n: Near) => n.model),
    sizes: sizes.split(/[\s,;]+/).filter(Boolean),
    ...(drawer.trim() && { drawer: drawer.trim() }),
  }),
  fields: Object.fromEntries(Array.from({ length: 31 }, (_, i) => [`sizes.${i}`, "sizes"])),
  send: async (body, { id }) => {
    if (await send(saveHook, { params: { id: id.trim() }, body }, "Kept")) emit("saved", id.trim());
    return refusal.value;
  },
});
const points = [
  { value: 1 as const, label: "one" },
  { value: 2 as const, label: "two, a double" },
];
const setNear = (near: Near[] | undefined): void => form.api.setFieldValue("near", (near ?? []) as never);
</script>

<template>
  <form class="sheet mb-3 grid items-start gap-3 p-4 sm:grid-cols-2 lg:grid-cols-4" @submit.prevent="form.submit">
    <RefusalNote class="col-span-full" :refusal="refusal" />
    <FormWrong class="col-span-full" :form="form" />
    <EntryText
      :form="form"
      name="id"
      label="Short code"
      mono
      :disabled="m !== undefined"
      hint="Such as N1; it stands on drawers and sheets."
    />
    <EntryText :form="form" name="name" label="Name" />
    <EntryChoice :form="form" name="family" label="Family" :options="optionsOf(hookFamilies)" />
    <EntryChoice :form="form" name="bend" label="Bend" :options="optionsOf(hookBends)" />
    <EntryNumber
      :form="form"
      name="shankSteps"
      label="Shank, steps longer (−: shorter)"
      :min="-6"
      :max="10"
      :step="1"
    />
    <EntryNumber :form="form" name="wireSteps" label="Wire, steps heavier (−: finer)" :min="-6" :max="6" :step="1" />
    <EntryNumber :form="form" name="gapeSteps" label="Gape, steps wider (−: narrower)" :min="-4" :max="4" :step="1" />
    <EntryText :form="form" name="wireReason" label="Why this wire" />
    <EntryChoice :form="form" name="eyeForm" label="Eye" :options="optionsOf(hookEyes)" />
    <EntryText :form="form" name="finish" label="Colour and coating" />
    <EntryChoice :form="form" name="points" label="Points" :options="points" />
    <EntryTick :form="form" name="barbless">barbless</EntryTick>
    <EntryText
      class="sm:col-span-2"
      :form="form"
      name="sizes"
      label="Sizes to keep, by comma"
      mono
      placeholder="16, 14, 12, 10"
      hint="Each gets a place in the cabinet. Those that are kept already stay."
    />
    <EntryText :form="form" name="drawer" label="Drawer of the new sizes" mono placeholder="A1" />
    <RowList
      class="col-span-full"
      label="Near, but never the same"
      add="a near one"
      take-out="Take it out"
      :fresh="() => ({ model: '', differs: '' }) as Near"
      :model-value="form.values.value.near"
      @update:model-value="setNear"
    >
      <template #default="{ row, set }">
        <TextField
          class="w-40"
          label="Hook"
          quiet
          placeholder="hook"
          :model-value="row.model"
          @update:model-value="set({ model: $event ?? '' })"
        /><TextField
          class="min-w-40 flex-1"
          label="What differs"
          quiet
          placeholder="what differs"
          :model-value="row.differs"
          @update:model-value="set({ differs: $event ?? '' })"
        />
      </template>
    </RowList>
    <div class="col-span-full flex gap-2">
      <button class="btn btn-main" :disabled="form.isBusy.value">Keep it</button
      ><button type="button" class="btn" @click="emit('leave')">Leave</button>
    </div>
  </form>
</template>
