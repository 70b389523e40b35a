<script setup lang="ts">
import { computed, defineAsyncComponent } from "vue";
import { useRoute, useRouter } from "vue-router";
import { readSettings } from "@kasten/contract/settings";
import { CustomerList } from "../customers";
import { call, useRead } from "../http";
import TabSet from "../parts/TabSet.vue";
import { useSession } from "../team";
import BeginningSteps from "./BeginningSteps.vue";
const SupplierList = defineAsyncComponent(() => import("./SupplierList.vue"));
const StationsForm = defineAsyncComponent(() => import("./StationsForm.vue"));
const BreaksForm = defineAsyncComponent(() => import("./BreaksForm.vue"));
const SettingsForm = defineAsyncComponent(() => import("./SettingsForm.vue"));
const FileIntake = defineAsyncComponent(() => import("./FileIntake.vue"));
const DrawerList = defineAsyncComponent(() => import("./DrawerList.vue"));

const DaysForm = defineAsyncComponent(() => import("./DaysForm.vue"));

/** The room itself: how it works, its days, its tools, its drawers, whom it buys from and ties for, and its files. */
const route = useRoute();
const router = useRouter();
const { may, askWhom } = useSession();
const settings = useRead({ key: ["settings"], query: () => call(readSettings) });
const tabs = [
  { id: "settings", label: "Settings" },
  { id: "days", label: "Seasons and holidays" },
  { id: "stations", label: "Stations" },
  { id: "prices", label: "Prices" },
  { id: "drawers", label: "Drawers" },
  { id: "suppliers", label: "Suppliers" },
  { id: "customers", label: "Customers" },
  { id: "files", label: "Files" },
];
const at = computed({
  get: () => tabs.find((t) => t.id === route.query.side)?.id ?? "settings",
  set: (side) => void router.replace({ query: { ...route.query, side } }),
});
const owner = computed(() => may("set up the room"));
</script>

<template>
  <h1 class="mb-3">The room</h1>
  <BeginningSteps class="mb-4" />
  <TabSet v-model="at" label="Sides of the room" :tabs="tabs">
    <template #settings>
      <p v-if="!owner" class="mb-3 text-soft">{{ askWhom("set up the room") }}</p>
      <SettingsForm
        v-if="settings.data.value"
        :key="settings.data.value.version"
        :settings="settings.data.value"
        :can="owner"
      />
    </template>
    <template #days
      ><DaysForm
        v-if="settings.data.value"
        :key="settings.data.value.version"
        :settings="settings.data.value"
        :can="owner"
    /></template>
    <template #stations
      ><StationsForm
        v-if="settings.data.value"
        :key="settings.data.value.version"
        :settings="settings.data.value"
        :can="owner"
    /></template>
    <template #prices
      ><BreaksForm
        v-if="settings.data.value"
        :key="settings.data.value.version"
        :settings="settings.data.value"
        :can="owner"
    /></template>
    <template #drawers><DrawerList /></template>
    <template #suppliers><SupplierList /></template>
    <template #customers><CustomerList /></template>
    <template #files
      ><FileIntake v-if="owner" />
      <p v-else class="text-soft">{{ askWhom("set up the room") }}</p></template
    >
  </TabSet>
</template>
