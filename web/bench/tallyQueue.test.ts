import { beforeEach, describe, expect, test, vi } from "vitest";
import type { Tally } from "@kasten/contract/bench";

/** A server that keeps tallies by id, and may be away. */
const kept = new Map<string, Tally>();
let isAway = false;
const batch = "7f0c1f0e-7c1e-4b4e-9a53-0d5a3a2f1c11";

function count(): { batch: string; good: number; rejected: number } {
  const undone = new Set([...kept.values()].flatMap((t) => (t.undoes ? [t.undoes] : [])));
  const live = [...kept.values()].filter((t) => t.kind !== "undo" && !undone.has(t.id));
  return {
    batch,
    good: live.filter((t) => t.kind === "good").length,
    rejected: live.filter((t) => t.kind === "reject").length,
  };
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.resetModules();
  kept.clear();
  isAway = false;
  const store = new Map<string, string>();
  vi.stubGlobal("localStorage", {
    getItem: (k: string) => store.get(k) ?? null,
    setItem: (k: string, v: string) => void store.set(k, v),
    removeItem: (k: string) => void store.delete(k),
  });
  vi.stubGlobal("fetch", (_url: string, init: RequestInit) => {
    if (isAway) return Promise.reject(new TypeError("Failed to fetch"));
    for (const t of (JSON.parse(init.body as string) as { tallies: Tally[] }).tallies) kept.set(t.id, t);
    return Promise.resolve(
      new Response(JSON.stringify({ counts: [count()], refused: [] }), {
        headers: { "Content-Type": "application/json" },
      }),
    );
  });
});

describe("tallies at the bench", () => {
  test("are counted at once, sent, and then counted by the server, never twice and never less", async () => {
    const { useTallies } = await import("./tallyQueue");
    const t = useTallies(batch);
    t.heard(3, 0);
    t.tally({ kind: "good" });
    t.tally({ kind: "reject", reason: "thread cut", loss: "hook kept" });
    expect(t.counts.value).toEqual({ good: 4, rejected: 1 });
    await vi.advanceTimersByTimeAsync(3000);
    expect(t.waiting.value).toEqual([]);
    expect(t.counts.value).toEqual({ good: 1, rejected: 1 });
    expect(kept.size).toBe(2);
  });

  test("wait here while the server is away, undo included, and all arrive when it is back", async () => {
    const { useTallies } = await import("./tallyQueue");
    const t = useTallies(batch);
    const first = t.tally({ kind: "good" });
    await vi.advanceTimersByTimeAsync(100);
    isAway = true;
    for (let i = 0; i < 5; i++) t.tally({ kind: "good" });
    t.tally({ kind: "undo", undoes: first, undoesKind: "good" });
    await vi.advanceTimersByTimeAsync(20_000);
    expect(t.waiting.value).toHaveLength(6);
    expect(t.counts.value.good).toBe(5);
    isAway = false;
    await vi.advanceTimersByTimeAsync(5000);
    expect(t.waiting.value).toEqual([]);
    expect(t.counts.value.good).toBe(5);
    expect(count().good).toBe(5);
  });
});
