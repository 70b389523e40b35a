// @vitest-environment happy-dom
import { flushPromises } from "@vue/test-utils";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { effectScope, isReactive, nextTick } from "vue";
import { emptyDraft, type Draft } from "./draft";
import { useKeptDraft } from "./useKeptDraft";

const KEY = "kasten.draft.weir-nymph";
const kept = (): Draft => JSON.parse(localStorage.getItem(KEY) ?? "null") as Draft;
let scope = effectScope();
const open = () => scope.run(() => useKeptDraft("weir-nymph", emptyDraft)) as ReturnType<typeof useKeptDraft>;
const rest = async (): Promise<void> => {
  await nextTick();
  await vi.advanceTimersByTimeAsync(700);
  await flushPromises();
};

describe("a draft that is kept", () => {
  beforeEach(() => {
    localStorage.clear();
    scope = effectScope();
    vi.useFakeTimers();
  });
  afterEach(() => {
    scope.stop();
    vi.useRealTimers();
  });

  test("nobody looks through its lists at each key, not after an undo either", async () => {
    const { draft, undo } = open();
    draft.value.text = "Tail: 6 fibres";
    await rest();
    draft.value.text = "Tail: 8 fibres";
    await rest();
    undo();
    expect(draft.value.text).toBe("Tail: 6 fibres");
    expect(isReactive(draft.value.recipe)).toBe(true);
    const { lines, past, recipe } = draft.value;
    expect([lines, past, recipe.steps, recipe.components].filter(isReactive)).toEqual([]);
  });

  test("a list that is replaced is kept, and can be undone", async () => {
    const { draft, undo } = open();
    draft.value.text = "Finish: varnish";
    await rest();
    draft.value.recipe.components = [{ id: "finish", role: "finish", material: [{ value: "varnish" }] }];
    await rest();
    expect(kept().recipe.components).toHaveLength(1);
    undo();
    await rest();
    expect(kept().recipe.components).toHaveLength(emptyDraft().recipe.components.length);
  });

  test("what an earlier version kept without a text is taken up", () => {
    localStorage.setItem(KEY, JSON.stringify({ base: 3, name: "Weir Nymph" }));
    const { draft } = open();
    expect(draft.value.text).toBe("");
    expect(isReactive(draft.value.recipe.steps)).toBe(false);
  });
});
