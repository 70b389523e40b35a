import { createPinia, setActivePinia } from "pinia";
import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { connection } from "../http";
import { useRecipes } from "./recipes";

const recipe = (hookModel: string) => ({ hookModel });
let asked: string[] = [];
let there = new Set<string>();

beforeEach(() => {
  vi.useFakeTimers();
  setActivePinia(createPinia());
  connection.reached();
  asked = [];
  there = new Set(["a@1", "a@2", "b@1"]);
  vi.stubGlobal("fetch", (url: string) => {
    const of = new URL(url, "http://room").searchParams.get("of") ?? "";
    asked.push(of);
    const recipes = of
      .split(",")
      .filter((key) => there.has(key))
      .map((key) => ({
        id: key.split("@")[0],
        version: Number(key.split("@")[1]),
        current: true,
        recipe: recipe(key),
      }));
    return Promise.resolve(
      new Response(JSON.stringify({ recipes }), { status: 200, headers: { "Content-Type": "application/json" } }),
    );
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe("recipes as they are needed", () => {
  test("those asked for in the same moment are read together, each once", async () => {
    const store = useRecipes();
    expect([store.recipe("a", 1), store.recipe("b", 1), store.recipe("a", 1)]).toEqual([
      undefined,
      undefined,
      undefined,
    ]);
    await vi.runAllTimersAsync();
    expect(asked).toEqual(["a@1,b@1"]);
    expect([store.recipe("a", 1), store.recipe("b", 1)]).toEqual([recipe("a@1"), recipe("b@1")]);
    await vi.runAllTimersAsync();
    expect(asked).toHaveLength(1);
  });
  test("another version is another recipe", async () => {
    const store = useRecipes();
    store.recipe("a", 1);
    await vi.runAllTimersAsync();
    expect(store.recipe("a", 2)).toBeUndefined();
    await vi.runAllTimersAsync();
    expect([store.recipe("a", 1), store.recipe("a", 2)]).toEqual([recipe("a@1"), recipe("a@2")]);
  });
  test("a hundred at once go in parts that an address can hold", async () => {
    const store = useRecipes();
    for (let i = 0; i < 100; i++) store.recipe(`p${i}`, 1);
    await vi.runAllTimersAsync();
    expect(asked.map((of) => of.split(",").length).sort()).toEqual([20, 40, 40]);
    expect(new Set(asked.flatMap((of) => of.split(","))).size).toBe(100);
  });
  test("one that is not there is told, and not asked for again and again", async () => {
    const store = useRecipes();
    store.recipe("nobody", 3);
    await vi.runAllTimersAsync();
    expect(store.fault("nobody", 3)).toBe("This version of the pattern is not here.");
    store.recipe("nobody", 3);
    await vi.runAllTimersAsync();
    expect(asked).toHaveLength(1);
  });
  test("what was just saved need not be read back", async () => {
    const store = useRecipes();
    store.keep("a", 9, recipe("mine") as never);
    expect(store.recipe("a", 9)).toEqual(recipe("mine"));
    await vi.runAllTimersAsync();
    expect(asked).toEqual([]);
  });
});
