<script setup lang="ts">
/** Yes, or nothing said. */
const ticked = defineModel<boolean | undefined>({ required: true });
defineProps<{ disabled?: boolean }>();
const take = (event: Event): void => {
  ticked.value = (event.target as HTMLInputElement).checked || undefined;
};
</script>

<template>
  <label class="flex items-center gap-2"
    ><input type="checkbox" class="h-5 w-5 shrink-0" :checked="ticked" :disabled="disabled" @change="take" /><span
      ><slot /></span
  ></label>
</template>
