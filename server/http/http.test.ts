import { mkdtempSync, mkdirSync, writeFileSync } from "node:fs";
import { request } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { afterAll, beforeAll, describe, expect, test } from "vitest";
import { addCustomer } from "@kasten/contract/customers";
import { problemSchema } from "@kasten/contract/http";
import { listOrders, readOrderById } from "@kasten/contract/orders";
import { readStock } from "@kasten/contract/stock";
import { openTestRoom, type Client, type TestRoom } from "../testing/app";

let room: TestRoom;
let owner: Client;
beforeAll(async () => {
  const web = mkdtempSync(join(tmpdir(), "kasten-web-"));
  mkdirSync(join(web, "assets"));
  writeFileSync(join(web, "index.html"), "<title>Kasten</title>");
  writeFileSync(join(web, "assets/a.js"), "1");
  room = await openTestRoom({ web });
  owner = await room.signedIn("owner");
});
afterAll(() => room.stop());

/** Fetch sets the Host header itself. */
const withHost = (host: string): Promise<number> =>
  new Promise((resolve, reject) => {
    const { hostname, port } = new URL(room.base);
    const asked = request({ hostname, port, path: "/api/session", headers: { Host: host } }, (reply) => {
      reply.resume();
      resolve(reply.statusCode ?? 0);
    });
    asked.on("error", reject);
    asked.end();
  });

describe("a request", () => {
  test.each([
    ["localhost:4680", 200],
    ["127.0.0.1", 200],
    ["LOCALHOST", 200],
    ["kasten.example", 421],
    ["127.0.0.1.elsewhere.example", 421],
  ])("to %s is answered by %d", async (host, status) => expect(await withHost(host)).toBe(status));

  const headers = { "Content-Type": "application/json", "Idempotency-Key": "k" };
  const deep = `{"a":${"[".repeat(200)}${"]".repeat(200)}}`;
  const typed = (type: string) => ({ ...headers, "Content-Type": type });
  const packed = (by: string) => ({ ...headers, "Content-Encoding": by });
  const to = "/api/customers";
  const bad: [string, string, string, string | undefined, Record<string, string>, number][] = [
    ["a path that no letters make", "GET", "/api/orders/%E0%A4%A", undefined, {}, 400],
    ["a NUL in a path", "GET", "/api/stock/%00", undefined, {}, 422],
    ["a NUL in a text", "POST", to, '{"name":"a\\u0000b"}', headers, 422],
    ["half a letter", "POST", to, '{"name":"\\ud800"}', headers, 422],
    ["half a letter as the name of a field", "POST", to, '{"\\udfff":1}', headers, 422],
    ["lists two hundred deep", "POST", to, deep, headers, 400],
    ["an unknown charset", "POST", to, "{}", typed("application/json; charset=x"), 415],
    ["an unknown packing", "POST", to, "{}", packed("zip"), 415],
    ["what is not packed as it says", "POST", to, "{}", packed("gzip"), 400],
    ["a key of other letters", "POST", to, "{}", { ...headers, "Idempotency-Key": "\u00fc" }, 400],
    ["an id that is none", "POST", "/api/batches/x/reserve", "{}", headers, 400],
  ];
  test.each(bad)("with %s is refused in words", async (_what, method, path, body, more, status) => {
    const response = await owner.raw(method, path, { body, headers: more });
    const problem = problemSchema.parse(await response.json());
    expect([response.status, problem.status]).toEqual([status, status]);
    expect(problem.detail.length).toBeGreaterThan(10);
  });
});

test("what the API says is kept nowhere; the page's own files are, and a missing one is none", async () => {
  expect((await owner.raw("GET", "/api/orders")).headers.get("Cache-Control")).toBe("no-store");
  expect((await owner.raw("GET", "/assets/a.js")).headers.get("Cache-Control")).toContain("immutable");
  const missing = await owner.raw("GET", "/assets/gone.js");
  expect([missing.status, missing.headers.get("Content-Type")]).toEqual([404, expect.stringContaining("problem+json")]);
  expect(await (await owner.raw("GET", "/orders/1")).text()).toContain("Kasten");
});

describe("names", () => {
  const customer = (name: string) => ({
    name,
    kind: "",
    rank: 3,
    policy: "alternates" as const,
    discount: 0,
    destination: { noLead: false, barblessOnly: false, forbiddenSpecies: [] },
    note: "",
  });
  test("without Latin letters, or alike but for a hyphen, are customers of their own", async () => {
    const names = [
      "\u91e3\u5177\u5e97",
      "\u0440\u044b\u0431\u0430\u043a",
      "Net-Loft Tackle",
      "Net Loft Tackle",
      "\u2026",
    ];
    const ids = [];
    for (const name of names) ids.push((await owner.ok(addCustomer, { body: customer(name) })).id);
    expect(new Set(ids).size).toBe(names.length);
    expect(ids[2]).toBe("net-loft-tackle");
  });
  test("that are there already are refused, also when both come at once", async () => {
    const both = await Promise.all([1, 2].map(() => owner.send(addCustomer, { body: customer("Twice Ltd") })));
    expect(both.sort()).toEqual([200, 409]);
    expect((await owner.refused(addCustomer, { body: customer("Twice Ltd") })).type).toBe("taken");
  });
});

test("what is looked for and not there is not found", async () => {
  expect((await owner.refused(readStock, { params: { id: "__proto__" } })).status).toBe(404);
  const nowhere = await owner.refused(readOrderById, { params: { id: "new" } });
  expect([nowhere.status, nowhere.detail]).toEqual([404, expect.stringContaining("go back to the list")]);
  expect((await owner.refused(listOrders, { query: { cursor: "2027-02-30_1" } })).errors?.[0]?.path).toBe("cursor");
});
