// @vitest-environment happy-dom
import { mount } from "@vue/test-utils";
import { expect, test, vi } from "vitest";
import { defineComponent, h, nextTick, ref } from "vue";
import { useGradually } from "./useGradually";
import { soon } from "../testing/room";

const list = ref<number[]>([]);
const Rows = defineComponent(() => {
  const seen = useGradually(list, 3);
  return () =>
    h(
      "ul",
      seen.value.map((n) => h("li", n)),
    );
});
const shown = (screen: ReturnType<typeof mount>) => screen.findAll("li").length;

test("shows the first rows at once, the others as there is time, and what comes later too", async () => {
  list.value = [1, 2, 3, 4, 5, 6, 7, 8];
  const screen = mount(Rows);
  expect(shown(screen)).toBe(3);
  await soon(() => expect(shown(screen)).toBe(8));
  list.value = [...list.value, 9, 10];
  await soon(() => expect(shown(screen)).toBe(10));
  list.value = [1];
  await nextTick();
  expect(shown(screen)).toBe(1);
  screen.unmount();
});
test("asks for no more rows once it is gone", async () => {
  list.value = Array.from({ length: 100 }, (_, i) => i);
  const screen = mount(Rows);
  screen.unmount();
  const frames = vi.spyOn(window, "requestAnimationFrame");
  await new Promise((resolve) => setTimeout(resolve, 50));
  expect(frames.mock.calls.length).toBeLessThan(3);
});
