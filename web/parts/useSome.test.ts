import { expect, test } from "vitest";
import { ref } from "vue";
import { useSome } from "./useSome";

test("shows the first, more on demand, and follows the list", () => {
  const list = ref([1, 2, 3, 4, 5]);
  const { some, left, showMore } = useSome(list, 2);
  expect([some.value, left.value]).toEqual([[1, 2], 3]);
  showMore();
  expect([some.value, left.value]).toEqual([[1, 2, 3, 4], 1]);
  list.value = [9];
  expect([some.value, left.value]).toEqual([[9], 0]);
});
