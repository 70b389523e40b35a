<script setup lang="ts">
import { computed, defineAsyncComponent } from "vue";
import { useSession } from "../team";
import { useCatalogue } from "./catalogue";
// The editor with its reader comes while the cabinet is on its way.
const PatternEditor = defineAsyncComponent(() => import("./PatternEditor.vue"));

/** Opens the editor once the pattern is here. */
const props = defineProps<{ id?: string }>();
const { data, patterns, recipeOf } = useCatalogue();
const { may, askWhom } = useSession();
const entry = computed(() => (props.id === undefined ? undefined : patterns.value.get(props.id)));
const recipe = computed(() => (props.id === undefined ? undefined : recipeOf(props.id)));
</script>

<template>
  <p v-if="!may('write patterns')" class="callout">{{ askWhom("write patterns") }}</p>
  <p v-else-if="data && id !== undefined && !entry" class="callout">
    There is no such pattern. <RouterLink class="link" to="/patterns">All patterns</RouterLink>
  </p>
  <PatternEditor
    v-else-if="data && (id === undefined || (entry && recipe))"
    :id="id ?? 'new'"
    :key="id ?? 'new'"
    :entry="entry"
    :recipe="recipe"
  />
</template>
