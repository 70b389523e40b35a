<script setup lang="ts">
import { defineAsyncComponent, ref } from "vue";
import type { MaterialForm as Form } from "@kasten/core/materials";
import { useSession } from "../team";
import MaterialFinder from "./MaterialFinder.vue";
import ModalDialog from "../parts/ModalDialog.vue";

const MaterialForm = defineAsyncComponent(() => import("./MaterialForm.vue"));

/** Find a material, or describe one that the cabinet has not yet. */
defineProps<{
  label: string;
  only?: (form: string) => boolean;
  /** What a material that is not there yet most likely is. */
  likely?: Form;
}>();
const code = defineModel<string>({ required: true });
const { may } = useSession();
/** Name of a material that is being added. */
const adding = ref<string>();
function added(made: string): void {
  adding.value = undefined;
  code.value = made;
}
</script>

<template>
  <div class="min-w-0">
    <MaterialFinder v-slot="{ words }" v-model="code" :label="label" :only="only">
      <li v-if="words && may('write patterns')" class="border-t border-rule">
        <button type="button" class="btn btn-plain w-full" @mousedown.prevent="adding = words">
          Add “{{ words }}” to the cabinet
        </button>
      </li>
    </MaterialFinder>
    <ModalDialog
      title="A material for the cabinet"
      quiet
      wide
      :model-value="adding !== undefined"
      @update:model-value="adding = undefined"
      ><MaterialForm
        v-if="adding !== undefined"
        :name="adding"
        :form="likely"
        @saved="added"
        @leave="adding = undefined"
    /></ModalDialog>
  </div>
</template>
