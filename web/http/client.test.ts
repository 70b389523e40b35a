import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";
import { addOrder, listOrders, readOrderById } from "@kasten/contract/orders";
import { call, connection, newKey, Refusal } from ".";

const json = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } });
const sent: { url: string; init: RequestInit }[] = [];
let answers: (() => Response)[] = [];

beforeEach(() => {
  vi.useFakeTimers();
  sent.length = 0;
  connection.reached();
  vi.stubGlobal("fetch", (url: string, init: RequestInit) => {
    sent.push({ url, init });
    const next = answers.shift();
    if (!next) throw new Error("asked once too often");
    return Promise.resolve().then(next);
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});
const away = () => {
  throw new TypeError("Failed to fetch");
};
const order = {
  text: "",
  customer: "x",
  due: "2027-03-12",
  note: "",
  lines: [{ pattern: "p", variant: "v", form: "f", size: "14", flies: 12 }],
};

describe("call", () => {
  test("puts parameters into the address and leaves out what is not asked", async () => {
    answers = [() => json(200, {}), () => json(200, {})];
    await call(readOrderById, { params: { id: "a/b" } });
    await call(listOrders, { query: { state: "open", cursor: undefined } });
    expect(sent.map((s) => s.url)).toEqual(["/api/orders/a%2Fb", "/api/orders?state=open"]);
    expect(new Headers(sent[0]?.init.headers).get("Idempotency-Key")).toBeNull();
  });

  test("tries a change again with the same key while the server or its database is away, and says so meanwhile", async () => {
    answers = [away, () => json(503, {}), () => json(200, { number: 7 })];
    const reply = call(addOrder, { body: order });
    await vi.advanceTimersByTimeAsync(0);
    expect(connection.away).toBe("server");
    await vi.advanceTimersByTimeAsync(500);
    expect(connection.away).toBe("database");
    await vi.advanceTimersByTimeAsync(1000);
    expect(await reply).toEqual({ number: 7 });
    expect(connection.away).toBeNull();
    const keys = sent.map((s) => new Headers(s.init.headers).get("Idempotency-Key"));
    expect(new Set(keys).size).toBe(1);
    expect(keys[0]).toMatch(/^[0-9a-f-]{36}$/);
  });

  test("tries again what met others at the same work, without saying that anything is away", async () => {
    const isBusy = { type: "busy", title: "Others", status: 503, detail: "Others change the very same things." };
    answers = [() => json(503, isBusy), () => json(200, { number: 8 })];
    const reply = call(addOrder, { body: order });
    await vi.advanceTimersByTimeAsync(0);
    expect(connection.away).toBeNull();
    await vi.advanceTimersByTimeAsync(500);
    expect(await reply).toEqual({ number: 8 });
    expect(new Set(sent.map((s) => new Headers(s.init.headers).get("Idempotency-Key"))).size).toBe(1);
  });

  test("once signing out, nobody hears of what was still asked for and is refused", async () => {
    answers = [() => json(401, { type: "not-signed-in", title: "Out", status: 401, detail: "Sign in first." })];
    const heard = vi.fn();
    call(listOrders).then(heard, heard);
    expect(connection.pending).toBe(1);
    connection.leaving = true;
    call(listOrders).then(heard, heard);
    await vi.advanceTimersByTimeAsync(2000);
    expect(heard).not.toHaveBeenCalled();
    expect([sent.length, connection.pending]).toEqual([1, 0]);
    connection.leaving = false;
  });

  test("gives up at once when told to, without losing the reason", async () => {
    answers = [away];
    await expect(call(addOrder, { body: order, once: true })).rejects.toMatchObject({
      name: "Refusal",
      problem: { status: 503 },
    });
    expect(sent).toHaveLength(1);
  });

  test("a refusal carries the server's sentence and is not tried again", async () => {
    answers = [() => json(422, { type: "invalid", title: "t", status: 422, detail: "Size 4 is outside." })];
    const refusal = await call(addOrder, { body: order }).catch((e: unknown) => e);
    expect(refusal).toBeInstanceOf(Refusal);
    expect((refusal as Refusal).message).toBe("Size 4 is outside.");
  });

  test("an answer that is no JSON still becomes a sentence", async () => {
    answers = [() => new Response("<html>", { status: 500, headers: { "Content-Type": "text/html" } })];
    await expect(call(listOrders)).rejects.toThrow("The server answered with 500");
  });
});

test("keys are made where no secure context offers them", () => {
  vi.stubGlobal("crypto", { getRandomValues: (b: Uint8Array) => b.fill(0xab) });
  expect(newKey()).toBe("abababab-abab-4bab-abab-abababababab");
});
