<script setup lang="ts">
import { reactive } from "vue";
import { hookBends } from "@kasten/core/hooks";
import { eyeForms, hookFamilies, saveHook, type HookModelData } from "@kasten/contract/hooks";
import type { BodyOf } from "@kasten/contract/http";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";

/** A hook model: what its maker says of it, and what is near it. */
const props = defineProps<{ model?: HookModelData }>();
const emit = defineEmits<{ saved: []; leave: [] }>();
const { busy, refusal, send } = useChange();
const m = props.model;
const form = reactive<BodyOf<typeof saveHook> & { id: string }>({
  id: m?.id ?? "",
  name: m?.name ?? "",
  family: m?.family ?? "nymph",
  bend: m?.bend ?? "round",
  shankSteps: m?.shankSteps ?? 0,
  wireSteps: m?.wireSteps ?? 0,
  gapeSteps: m?.gapeSteps ?? 0,
  barbless: m?.barbless ?? false,
  points: m?.points ?? 1,
  eyeForm: m?.eyeForm ?? "turned down",
  finish: m?.finish ?? "",
  wireReason: m?.wireReason ?? "",
  near: m?.near.map((n) => ({ ...n })) ?? [],
});
async function save(): Promise<void> {
  const { id, ...body } = form;
  if (await send(saveHook, { params: { id }, body: { ...body, near: body.near.filter((n) => n.model) } }, "Kept"))
    emit("saved");
}
</script>

<template>
  <form class="sheet mb-3 grid gap-3 p-4 sm:grid-cols-2 lg:grid-cols-4" @submit.prevent="save">
    <RefusalNote class="sm:col-span-2 lg:col-span-4" :refusal="refusal" />
    <label
      ><span class="label">Short code</span
      ><input v-model="form.id" class="field fig w-full" :disabled="m !== undefined" required maxlength="20"
    /></label>
    <label
      ><span class="label">Name</span><input v-model="form.name" class="field w-full" required maxlength="80"
    /></label>
    <label
      ><span class="label">Family</span
      ><select v-model="form.family" class="field w-full">
        <option v-for="f in hookFamilies" :key="f">{{ f }}</option>
      </select></label
    >
    <label
      ><span class="label">Bend</span
      ><select v-model="form.bend" class="field w-full">
        <option v-for="b in hookBends" :key="b">{{ b }}</option>
      </select></label
    >
    <label
      ><span class="label">Shank, steps longer (−: shorter)</span
      ><input v-model.number="form.shankSteps" class="field fig w-full" type="number" min="-6" max="10"
    /></label>
    <label
      ><span class="label">Wire, steps heavier (−: finer)</span
      ><input v-model.number="form.wireSteps" class="field fig w-full" type="number" min="-6" max="6"
    /></label>
    <label
      ><span class="label">Gape, steps wider (−: narrower)</span
      ><input v-model.number="form.gapeSteps" class="field fig w-full" type="number" min="-4" max="4"
    /></label>
    <label
      ><span class="label">Why this wire</span><input v-model="form.wireReason" class="field w-full" maxlength="200"
    /></label>
    <label
      ><span class="label">Eye</span
      ><select v-model="form.eyeForm" class="field w-full">
        <option v-for="e in eyeForms" :key="e">{{ e }}</option>
      </select></label
    >
    <label
      ><span class="label">Colour and coating</span><input v-model="form.finish" class="field w-full" maxlength="200"
    /></label>
    <label
      ><span class="label">Points</span
      ><select v-model.number="form.points" class="field w-full">
        <option :value="1">one</option>
        <option :value="2">two, a double</option>
      </select></label
    >
    <label class="flex items-center gap-2"
      ><input v-model="form.barbless" type="checkbox" class="h-5 w-5" />barbless</label
    >
    <div class="sm:col-span-2 lg:col-span-4">
      <span class="label">Near, but never the same</span>
      <div v-for="(n, i) in form.near" :key="i" class="mb-1 flex gap-2">
        <input v-model="n.model" class="field w-40" aria-label="Hook" placeholder="hook" /><input
          v-model="n.differs"
          class="field flex-1"
          aria-label="What differs"
          placeholder="what differs"
        /><button type="button" class="btn btn-plain" aria-label="Take it out" @click="form.near.splice(i, 1)">
          ×
        </button>
      </div>
      <button type="button" class="btn btn-plain" @click="form.near.push({ model: '', differs: '' })">
        A near one
      </button>
    </div>
    <div class="flex gap-2">
      <button class="btn btn-main" :disabled="busy">Keep it</button
      ><button type="button" class="btn" @click="emit('leave')">Leave</button>
    </div>
  </form>
</template>
