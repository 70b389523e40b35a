import { disableAutoUnmount, enableAutoUnmount } from "@vue/test-utils";
import { afterEach } from "vitest";
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
