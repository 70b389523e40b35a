import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";

let frame: ((now: number) => void) | undefined;
let now = 0;
const page = { scrollY: 0 };
beforeEach(() => {
  vi.resetModules();
  frame = undefined;
  now = 0;
  page.scrollY = 0;
  vi.stubGlobal("window", page);
  vi.stubGlobal("performance", { now: () => now });
  vi.stubGlobal("requestAnimationFrame", (f: (t: number) => void) => {
    frame = f;
    return 1;
  });
  vi.stubGlobal("cancelAnimationFrame", () => {
    frame = undefined;
  });
});
afterEach(() => vi.unstubAllGlobals());
/** One frame later; each job costs so many ms. */
const next = (ms = 16) => {
  now += ms;
  const turn = frame;
  frame = undefined;
  turn?.(now);
};

describe("work that can wait", () => {
  test("is done over several frames, never more of one than it can spare", async () => {
    const { whenIdle } = await import("./idleQueue");
    const done: number[] = [];
    for (let i = 0; i < 6; i++)
      whenIdle(() => {
        done.push(i);
        now += 3;
      });
    next();
    expect(done).toEqual([0, 1]);
    next();
    next();
    expect(done).toEqual([0, 1, 2, 3, 4, 5]);
    expect(frame).toBeUndefined();
  });
  test("is not done when it was taken back", async () => {
    const { whenIdle } = await import("./idleQueue");
    const done: string[] = [];
    whenIdle(() => done.push("a"));
    whenIdle(() => done.push("b"))();
    next();
    expect(done).toEqual(["a"]);
  });
  test("asks for no frame when all of it was taken back, and for one when there is work again", async () => {
    const { whenIdle } = await import("./idleQueue");
    whenIdle(() => undefined)();
    expect(frame).toBeUndefined();
    const done: string[] = [];
    whenIdle(() => done.push("a"));
    next();
    expect(done).toEqual(["a"]);
  });
  test("waits while the list flies past, and goes on when it rests", async () => {
    const { whenIdle } = await import("./idleQueue");
    const done: string[] = [];
    whenIdle(() => done.push("a"));
    page.scrollY = 400;
    next();
    expect(done).toEqual([]);
    page.scrollY = 405;
    next();
    expect(done).toEqual(["a"]);
  });
});
