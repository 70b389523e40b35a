// @vitest-environment happy-dom
import { flushPromises } from "@vue/test-utils";
import { effectScope, shallowRef } from "vue";
import { describe, expect, test, vi } from "vitest";
import { useBeside } from "./useBeside";

/** Work whose answers come when the test says so. */
function slow() {
  const begun: { text: string; answer: (answer: string) => void; refuse: (why: Error) => void }[] = [];
  const work = ({ text }: { text: string }): Promise<string> =>
    new Promise((answer, refuse) => begun.push({ text, answer, refuse }));
  return { begun, work };
}
function begin() {
  const asked = shallowRef({ text: "a" });
  const { begun, work } = slow();
  const scope = effectScope();
  const beside = scope.run(() => useBeside(asked, work, "nothing"));
  if (!beside) throw new Error("There is no scope.");
  return { asked, begun, beside, scope };
}

describe("what is worked out beside the page", () => {
  test("the first answer stands until the next is there", async () => {
    const { asked, begun, beside } = begin();
    expect([beside.answer.value, beside.isCurrent.value]).toEqual(["nothing", false]);
    begun[0]?.answer("A");
    await flushPromises();
    expect([beside.answer.value, beside.isCurrent.value]).toEqual(["A", true]);
    asked.value = { text: "b" };
    expect([beside.answer.value, beside.isCurrent.value]).toEqual(["A", false]);
    await flushPromises();
    begun[1]?.answer("B");
    await flushPromises();
    expect([beside.answer.value, beside.isCurrent.value]).toEqual(["B", true]);
  });

  test("of what is asked meanwhile only the newest is worked out, and no older answer is shown", async () => {
    const { asked, begun, beside } = begin();
    for (const text of ["b", "c", "d"]) {
      asked.value = { text };
      await flushPromises();
    }
    begun[0]?.answer("A");
    await flushPromises();
    expect(beside.answer.value).toBe("nothing");
    begun[1]?.answer("D");
    await flushPromises();
    expect(begun.map((b) => b.text)).toEqual(["a", "d"]);
    expect([beside.answer.value, beside.isCurrent.value]).toEqual(["D", true]);
  });

  test("what takes long is told, and the first answer from the beginning", async () => {
    vi.useFakeTimers({ toFake: ["setTimeout", "clearTimeout"] });
    try {
      const { asked, begun, beside } = begin();
      expect(beside.isLate.value).toBe(true);
      begun[0]?.answer("A");
      await vi.advanceTimersByTimeAsync(0);
      expect(beside.isLate.value).toBe(false);
      asked.value = { text: "b" };
      await vi.advanceTimersByTimeAsync(300);
      expect(beside.isLate.value).toBe(false);
      await vi.advanceTimersByTimeAsync(200);
      expect(beside.isLate.value).toBe(true);
      begun[1]?.answer("B");
      await vi.advanceTimersByTimeAsync(0);
      expect(beside.isLate.value).toBe(false);
    } finally {
      vi.useRealTimers();
    }
  });

  test("what cannot be worked out is told, until the next can", async () => {
    const { asked, begun, beside } = begin();
    begun[0]?.refuse(new Error("no reader"));
    await flushPromises();
    expect([beside.hasFailed.value, beside.isCurrent.value]).toEqual([true, false]);
    asked.value = { text: "b" };
    await flushPromises();
    begun[1]?.answer("B");
    await flushPromises();
    expect([beside.hasFailed.value, beside.answer.value]).toEqual([false, "B"]);
  });

  test("who needs an answer that failed has it tried again, and hears where it fails again", async () => {
    const { begun, beside } = begin();
    begun[0]?.refuse(new Error("no reader"));
    await flushPromises();
    const refused = beside.current();
    begun[1]?.refuse(new Error("still no reader"));
    await expect(refused).rejects.toThrow("still no reader");
    const got = beside.current();
    begun[2]?.answer("A");
    expect(await got).toBe("A");
  });

  test("who needs the answer to what is asked now waits for it", async () => {
    const { asked, begun, beside } = begin();
    begun[0]?.answer("A");
    await flushPromises();
    asked.value = { text: "b" };
    const got: string[] = [];
    const waits = beside.current().then((found) => got.push(found));
    await flushPromises();
    expect(got).toEqual([]);
    begun[1]?.answer("B");
    await waits;
    expect(got).toEqual(["B"]);
  });
});
