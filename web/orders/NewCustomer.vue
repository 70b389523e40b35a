<script setup lang="ts">
import { ref } from "vue";
import { addCustomer } from "@kasten/contract/customers";
import { useQueryCache } from "@pinia/colada";
import RefusalNote from "../parts/RefusalNote.vue";
import { useChange } from "../parts/useChange";

const props = defineProps<{ name: string }>();
const cache = useQueryCache();
const { busy, refusal, send } = useChange();
const open = ref(false);
const policy = ref<"original" | "alternates" | "tier">("alternates");
const noLead = ref(false);
const barblessOnly = ref(false);
async function add(): Promise<void> {
  const added = await send(
    addCustomer,
    {
      body: {
        name: props.name.trim(),
        kind: "shop",
        rank: 3,
        policy: policy.value,
        destination: { noLead: noLead.value, barblessOnly: barblessOnly.value, forbiddenSpecies: [] },
        note: "",
      },
    },
    `${props.name.trim()} is a customer now`,
  );
  if (added) await cache.invalidateQueries({ key: ["catalogue"] });
}
</script>

<template>
  <div class="my-1">
    <button v-if="!open" type="button" class="btn" @click="open = true">
      Add “{{ name.trim() }}” as a new customer
    </button>
    <fieldset v-else class="flex flex-wrap items-end gap-4 border border-rule p-3">
      <legend class="px-1 font-semibold">New customer: {{ name.trim() }}</legend>
      <label
        ><span class="label">Materials</span
        ><select v-model="policy" class="field">
          <option value="original">original only</option>
          <option value="alternates">alternates accepted</option>
          <option value="tier">tier decides</option>
        </select></label
      >
      <label class="flex items-center gap-2"
        ><input v-model="noLead" type="checkbox" class="h-5 w-5" />no lead there</label
      >
      <label class="flex items-center gap-2"
        ><input v-model="barblessOnly" type="checkbox" class="h-5 w-5" />barbless only</label
      >
      <button type="button" class="btn btn-main" :disabled="busy" @click="add">Add</button>
      <RefusalNote :refusal="refusal" />
    </fieldset>
  </div>
</template>
