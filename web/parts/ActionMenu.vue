<script setup lang="ts">
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/vue";
import { useFloatingList } from "./useFloatingList";

/** Actions that are seldom wanted, behind one button. */
export interface Action {
  label: string;
  do: () => void;
  disabled?: boolean;
}
defineProps<{ label: string; actions: Action[] }>();
defineSlots<{ default: () => unknown }>();
const { button, list, floatingStyles } = useFloatingList();
</script>

<template>
  <Menu as="div" class="inline-block">
    <MenuButton ref="button" class="btn btn-plain" :aria-label="label"
      ><slot>{{ label }}</slot></MenuButton
    >
    <MenuItems ref="list" class="options" :style="floatingStyles">
      <MenuItem v-for="a in actions" :key="a.label" v-slot="{ active }" :disabled="a.disabled">
        <button
          type="button"
          class="option w-full text-left"
          :class="{ 'is-active': active, 'is-off': a.disabled }"
          @click="a.do()"
        >
          {{ a.label }}
        </button>
      </MenuItem>
    </MenuItems>
  </Menu>
</template>
