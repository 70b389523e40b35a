<script setup lang="ts">
import { Switch, SwitchGroup, SwitchLabel } from "@headlessui/vue";

/** On or off, at once: a view, not a line of a form. */
const on = defineModel<boolean>({ required: true });
defineProps<{ disabled?: boolean }>();
</script>

<template>
  <SwitchGroup as="div" class="inline-flex min-h-9 items-center gap-2">
    <Switch v-model="on" class="slot" :class="{ 'is-on': on }" :disabled="disabled"
      ><span class="peg" aria-hidden="true"></span
    ></Switch>
    <SwitchLabel class="cursor-pointer"><slot /></SwitchLabel>
  </SwitchGroup>
</template>

<style scoped>
/* A drawer pull that stands left or right in its slot. */
.slot {
  width: 2.3rem;
  height: 1.3rem;
  padding: 2px;
  border: 1.5px solid var(--rule-strong);
  background: var(--well);
}
.slot.is-on {
  background: var(--deep);
  border-color: var(--deep);
}
.peg {
  display: block;
  width: 0.9rem;
  height: 100%;
  background: var(--rule-strong);
}
.is-on .peg {
  margin-left: auto;
  background: var(--deep-ink);
}
</style>
