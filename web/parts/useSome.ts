import { computed, ref, type Ref } from "vue";

const A_SCREENFUL = 60;

/** The first rows of a list that is there in whole, and more of them on demand: thousands are never drawn at once. */
export function useSome<T>(list: Ref<T[]>, step = A_SCREENFUL) {
  const shown = ref(step);
  return {
    some: computed(() => list.value.slice(0, shown.value)),
    left: computed(() => Math.max(0, list.value.length - shown.value)),
    showMore: () => {
      shown.value += step;
    },
  };
}
