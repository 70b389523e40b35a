<script setup lang="ts">
import { Tab, TabGroup, TabList, TabPanel, TabPanels } from "@headlessui/vue";

/** Sides of one thing, one of them in sight; which of them is kept by whoever asks. */
const props = defineProps<{ label: string; tabs: { id: string; label: string; note?: string }[] }>();
const at = defineModel<string>({ required: true });
defineSlots<Record<string, () => unknown>>();
const index = (): number =>
  Math.max(
    0,
    props.tabs.findIndex((t) => t.id === at.value),
  );
</script>

<template>
  <TabGroup as="div" :selected-index="index()" @change="at = tabs[$event]?.id ?? at">
    <TabList class="mb-3 flex flex-wrap border-b-2 border-strong" :aria-label="label">
      <Tab v-for="t in tabs" :key="t.id" v-slot="{ selected }" as="template">
        <button class="tab" :class="{ 'is-here': selected }">
          {{ t.label }}<span v-if="t.note" class="fig ml-1.5 text-[0.88em] text-soft">{{ t.note }}</span>
        </button>
      </Tab>
    </TabList>
    <TabPanels>
      <TabPanel v-for="t in tabs" :key="t.id" tabindex="-1"><slot :name="t.id" /></TabPanel>
    </TabPanels>
  </TabGroup>
</template>

<style scoped>
.tab {
  margin-bottom: -2px;
  min-height: 2.5rem;
  padding: 0 0.9rem;
  border-bottom: 4px solid transparent;
  font-weight: 600;
  color: var(--ink-soft);
}
.tab:hover {
  color: var(--deep);
}
.tab.is-here {
  color: var(--ink);
  border-bottom-color: var(--deep);
}
</style>
