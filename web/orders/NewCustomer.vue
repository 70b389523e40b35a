<script setup lang="ts">
import { ref } from "vue";
import { CustomerForm } from "../customers";
import ModalDialog from "../parts/ModalDialog.vue";

/** A name in an order that is no customer yet: described without leaving the order. */
const props = defineProps<{ name: string }>();
const open = ref(false);
</script>

<template>
  <div class="my-1">
    <button type="button" class="btn" @click="open = true">Add “{{ props.name.trim() }}” as a new customer</button>
    <ModalDialog v-model="open" title="New customer"
      ><CustomerForm v-if="open" :name="props.name.trim()" @saved="open = false"
    /></ModalDialog>
  </div>
</template>
