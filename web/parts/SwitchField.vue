<script setup lang="ts">
import { Switch, SwitchGroup, SwitchLabel } from "@headlessui/vue";

/** On or off, at once: a view, not a line of a form. */
const on = defineModel<boolean>({ required: true });
defineProps<{ disabled?: boolean }>();
</script>

<template>
  <SwitchGroup as="div" class="inline-flex min-h-9 items-center gap-2">
    <Switch v-model="on" class="pull" :class="{ 'is-on': on }" :disabled="disabled"
      ><span class="pull-peg" aria-hidden="true"></span
    ></Switch>
    <SwitchLabel class="cursor-pointer"><slot /></SwitchLabel>
  </SwitchGroup>
</template>
