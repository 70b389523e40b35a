import { randomUUID } from "node:crypto";
import { Client } from "../client";
import { Chance } from "./random";
import { nastyText, Values, type Json, type Known, type Schema } from "./values";

export interface Cause {
  operation: string;
  status: number;
  detail: string;
  count: number;
}
export interface FuzzReport {
  requests: number;
  byStatus: Record<string, number>;
  /** Everything of 500 and above, by operation. */
  failures: Cause[];
  slowestMs: number;
  slowest: string;
}

interface Operation {
  id: string;
  method: string;
  path: string;
  parameters: { name: string; in: string; schema: Schema }[];
  body?: Schema;
}
type Document = {
  paths: Record<string, Record<string, unknown>>;
  components: { schemas: Record<string, unknown> };
};

function operationsOf(document: Document): Operation[] {
  return Object.entries(document.paths).flatMap(([path, methods]) =>
    Object.entries(methods).map(([method, described]) => {
      const o = described as {
        operationId: string;
        parameters: Operation["parameters"];
        requestBody?: { content: Record<string, { schema: Schema }> };
      };
      const body = o.requestBody?.content["application/json"]?.schema;
      return { id: o.operationId, method, path, parameters: o.parameters, body };
    }),
  );
}

const MOST_KNOWN = 60;

/** Ids and values that are in the room, so that what is sent reaches the services and not only the door. */
async function knownOf(client: Client): Promise<Known> {
  const known: Known = new Map();
  const keep = (name: string, value: Json) => {
    const list = known.get(name) ?? [];
    known.set(name, list);
    if (list.length < MOST_KNOWN && !list.includes(value)) list.push(value);
  };
  const gather = (value: unknown, name: string, room: string): void => {
    if (Array.isArray(value)) for (const v of value) gather(v, name, room);
    else if (typeof value === "object" && value !== null)
      for (const [key, v] of Object.entries(value)) gather(v, key, room);
    else if (typeof value === "string" || typeof value === "number") {
      const names =
        /^(pattern|variant|form|size|customer|due|version|line|place|key|material|code|id|batch|order|number)$/;
      if (names.test(name)) keep(name, value);
      if (name === "id" || name === "code") keep(room, value);
      if (name === "id" && room === "stock") keep("lot", value);
    }
  };
  for (const path of ["/orders", "/batches", "/stock", "/people", "/box", "/catalogue", "/plan/turns"]) {
    const reply: unknown = await (await client.raw("GET", `/api${path}`)).json();
    gather(reply, "", path.split("/")[1] ?? "");
  }
  const [batch] = known.get("batches") ?? [];
  const [material] = known.get("stock") ?? [];
  for (const path of [`/batches/${String(batch)}`, `/stock/${String(material)}`])
    gather(await (await client.raw("GET", `/api${path}`)).json(), "", path.split("/")[1] ?? "");
  return known;
}

const encode = (value: Json, chance: Chance): string => {
  if (chance.percent(2)) return chance.pick(["%", "%ff", "%00", "%2e%2e", "%E0%A4%A"]);
  const text = typeof value === "string" ? value : JSON.stringify(value);
  return encodeURIComponent(text.replace(/\p{Surrogate}/gu, "x"));
};

/** Which ids a path names: batches below /batches, and so on. */
const idsFor = (path: string): string => path.split("/")[2] ?? "";

/** One request as nobody would send it, or nearly as somebody would. */
function requestOf(o: Operation, values: Values, known: Known, chance: Chance) {
  const named = (p: Operation["parameters"][number]): Json =>
    p.name === "id" && chance.percent(85) && known.has(idsFor(o.path))
      ? chance.pick(known.get(idsFor(o.path)) ?? [])
      : values.of(p.schema, p.name);
  let path = o.path;
  for (const p of o.parameters) if (p.in === "path") path = path.replace(`{${p.name}}`, encode(named(p), chance));
  const query = o.parameters
    .filter((p) => p.in === "query" && chance.percent(50))
    .map((p) => `${p.name}=${encode(p.name === "cursor" ? nastyText(chance) : values.of(p.schema, p.name), chance)}`);
  const headers: Record<string, string> = {
    "Content-Type": chance.percent(97)
      ? "application/json"
      : chance.pick(["text/plain", "application/json; charset=latin9", "application/json; charset=utf-16", "x"]),
  };
  if (chance.percent(96))
    headers["Idempotency-Key"] = chance.percent(97) ? randomUUID() : chance.pick(["k", "ü", "y".repeat(99)]);
  if (chance.percent(1)) headers["Content-Encoding"] = chance.pick(["gzip", "br", "zip"]);
  if (chance.percent(1)) headers.Range = "bytes=9-1";
  const sent = o.body ? JSON.stringify(values.of(o.body)) : "{}";
  const body = chance.percent(98)
    ? sent
    : chance.pick(["", "{", "[]", "null", '"x"', "1e999", `${"[".repeat(5000)}${"]".repeat(5000)}`]);
  return { path: query.length > 0 ? `${path}?${query.join("&")}` : path, headers, ...(o.method !== "get" && { body }) };
}

/** Ends the session or the room itself: the fuzz would go on before a closed door. */
const closing = new Set(["signOut", "endAccess", "resetPassword"]);

/** Sends so many requests that are made from the room's own description, one after another on several lines at once. */
export async function fuzz(base: string, seed: number, requests: number, lines = 4): Promise<FuzzReport> {
  const document = (await (await fetch(`${base}/api/openapi.json`)).json()) as Document;
  const operations = operationsOf(document).filter((o) => !closing.has(o.id));
  const report: FuzzReport = { requests: 0, byStatus: {}, failures: [], slowestMs: 0, slowest: "" };
  const line = async (n: number): Promise<void> => {
    const chance = new Chance(seed * 1000 + n);
    const client = await enter(base);
    let known = await knownOf(client);
    for (let i = n; i < requests; i += lines) {
      if (i % 500 < lines) known = await knownOf(await reenter(base, client));
      const o = chance.pick(operations);
      const values = new Values(chance, known, document.components.schemas, chance.pick([0, 0, 3, 15]));
      const { path, headers, body } = requestOf(o, values, known, chance);
      const from = performance.now();
      const response = await client.raw(o.method.toUpperCase(), path, { headers, body });
      const text = await response.text();
      note(report, o.id, response.status, text, performance.now() - from, path);
      if (response.status === 401) await reenter(base, client);
    }
  };
  await Promise.all(Array.from({ length: lines }, (_, n) => line(n)));
  return report;
}

function note(report: FuzzReport, operation: string, status: number, text: string, ms: number, path: string): void {
  report.requests++;
  report.byStatus[status] = (report.byStatus[status] ?? 0) + 1;
  if (ms > report.slowestMs) {
    report.slowestMs = ms;
    report.slowest = `${operation} ${path.slice(0, 80)}`;
  }
  if (status < 500) return;
  const known = report.failures.find((f) => f.operation === operation && f.status === status);
  if (known) known.count++;
  else report.failures.push({ operation, status, detail: text.slice(0, 200), count: 1 });
}

/** Signs in as the demo's owner. */
export async function enter(base: string): Promise<Client> {
  return reenter(base, new Client(base));
}
async function reenter(base: string, client: Client): Promise<Client> {
  const { demo } = (await (await fetch(`${base}/api/session`)).json()) as { demo: { id: string; role: string }[] };
  const owner = demo.find((p) => p.role === "owner");
  await client.raw("POST", "/api/session/demo", {
    body: JSON.stringify({ person: owner?.id ?? "" }),
    headers: { "Content-Type": "application/json" },
  });
  return client;
}
