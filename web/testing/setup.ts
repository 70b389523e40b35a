import { disableAutoUnmount, enableAutoUnmount } from "@vue/test-utils";
import { afterEach, vi } from "vitest";
import { faults } from "./faults";

/** Before each file of tests: modules are shared by all of them, hooks are each file's own. */
disableAutoUnmount();
faults.length = 0;
// A screen that stays mounted would still hear the keys of the next test.
enableAutoUnmount(afterEach);
afterEach(() => {
  const [fault] = faults.splice(0);
  if (fault) throw fault;
});

// There are no threads here: what the page asks of one is answered by the same functions.
vi.mock("../patterns/recipeThread", async () => {
  const { recipeReader } = await import("../patterns/recipeReader");
  return { startReader: () => ({ reader: recipeReader, answerTo: (asked: unknown) => asked }) };
});
vi.mock("../orders/orderThread", async () => {
  const { orderReader } = await import("../orders/orderReader");
  return { startReader: () => ({ reader: orderReader, answerTo: (asked: unknown) => asked }) };
});
