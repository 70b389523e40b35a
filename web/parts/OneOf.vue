<script setup lang="ts">
/** One of a list, or none of it. */
defineProps<{ label: string; none: string; options: { id: string; name: string }[] }>();
const taken = defineModel<string | undefined>({ required: true });
const take = (event: Event): void => {
  taken.value = (event.target as HTMLSelectElement).value || undefined;
};
</script>

<template>
  <label
    ><span class="label">{{ label }}</span
    ><select class="field w-full" :value="taken ?? ''" @change="take">
      <option value="">{{ none }}</option>
      <option v-for="o in options" :key="o.id" :value="o.id">{{ o.name }}</option>
    </select>
    <slot
  /></label>
</template>
