<script setup lang="ts">
import { computed, ref } from "vue";
import { listPeople } from "@kasten/contract/team";
import { call, useRead } from "../http";
import PersonAccess from "./PersonAccess.vue";
import PersonCalendar from "./PersonCalendar.vue";
import PersonFacts from "./PersonFacts.vue";
import PersonForm from "./PersonForm.vue";
import { useSession } from "./session";

const { person: me, may, askWhom } = useSession();
const people = useRead({ key: ["people"], query: () => call(listPeople) });
const NEW = "new";
const editing = ref<string | null>(null);
const manages = computed(() => may("manage people"));
async function saved(): Promise<void> {
  editing.value = null;
  await people.refetch();
}
</script>

<template>
  <div class="mb-3 flex items-baseline justify-between">
    <h1>People</h1>
    <button v-if="manages && editing !== NEW" class="btn" @click="editing = NEW">Add a person</button>
  </div>
  <p v-if="!manages" class="mb-3 text-soft">{{ askWhom("manage people") }}</p>
  <section v-if="editing === NEW" class="sheet mb-3 p-4">
    <PersonForm @saved="saved" @leave="editing = null" />
  </section>
  <section v-for="p in people.data.value?.people ?? []" :key="p.id" class="sheet mb-3 p-4">
    <PersonForm v-if="editing === p.id" :person="p" @saved="saved" @leave="editing = null" />
    <template v-else
      ><PersonFacts :person="p" :can="manages" @edit="editing = p.id" /><PersonAccess
        v-if="manages || p.id === me?.id"
        :person="p"
        :own="p.id === me?.id"
        :manages="manages"
        @changed="people.refetch()" /><PersonCalendar v-if="p.id === me?.id" :person="p"
    /></template>
  </section>
</template>
