<script setup lang="ts">
import { computed } from "vue";
import { nearHooks, type HookModel } from "@kasten/core/hooks";
import { hookOf, type FlyChoice, type Recipe } from "@kasten/core/recipe";
import { useCatalogue } from "./catalogue";
import FoldOut from "../parts/FoldOut.vue";

/** The hook of this fly, and those that would do instead: lengths, zones and weights follow the one that is taken. */
const props = defineProps<{ recipe: Recipe; choice: FlyChoice; model: HookModel }>();
const emit = defineEmits<{ take: [model: string | undefined] }>();
const { hooks } = useCatalogue();
const named = computed(() => hooks.value.get(hookOf(props.recipe, { form: props.choice.form })));
const near = computed(() =>
  named.value
    ? nearHooks(named.value, props.choice.size, hooks.value.values(), props.recipe.shankTolerance ?? 0).slice(0, 4)
    : [],
);
const fitting = computed(() => near.value.filter((h) => h.fits).length);
const isOther = computed(() => named.value?.id !== props.model.id);
const steps = computed(() => props.recipe.shankTolerance ?? 0);
</script>

<template>
  <div class="text-[0.93rem]">
    <p>
      Hook: <RouterLink class="link" to="/hooks">{{ model.name }}</RouterLink><template v-if="isOther"
        >, in place of {{ named?.name }}
        <button class="btn ml-1 !min-h-7" @click="emit('take', undefined)">Back to {{ named?.id }}</button></template
      ><template v-else-if="steps > 0"
        >; a shank up to {{ steps }} {{ steps === 1 ? "step" : "steps" }} longer or shorter will do</template
      >.
    </p>
    <FoldOut
      v-if="near.length > 0"
      class="mt-1"
      :title="`${fitting} other ${fitting === 1 ? 'hook' : 'hooks'} would do at this size`"
    >
      <ul class="grid gap-1">
        <li v-for="h in near" :key="h.id" class="flex flex-wrap items-baseline gap-x-2">
          <b
            ><span class="fig">{{ h.id }}</span> {{ h.name }}</b
          ><span>{{ h.differs.join(", ") || "the same figures" }}</span
          ><span v-if="!h.fits" class="tag">not within the tolerance</span
          ><button
            v-if="h.id !== model.id"
            class="btn ml-auto !min-h-7 !px-2"
            :aria-label="`See it on ${h.name}`"
            @click="emit('take', h.id)"
          >
            See it on this
          </button>
        </li>
      </ul>
    </FoldOut>
  </div>
</template>
