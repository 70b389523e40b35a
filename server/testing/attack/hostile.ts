import { randomUUID } from "node:crypto";
import { connect, type Socket } from "node:net";
import type { Material } from "@kasten/core/materials";
import type { Client } from "../client";
import { enter } from "./fuzz";

/** What was sent, what came back, and how long the server was kept from everything else meanwhile. */
export interface Hostile {
  what: string;
  status: number;
  ms: number;
}

const plain = (code: string, more: Partial<Material> = {}): Material => ({
  code,
  name: code,
  form: "dubbing",
  unit: "ug",
  measured: false,
  lead: false,
  ...more,
});
const blend = (code: string, parts: string[]): Material =>
  plain(code, { form: "blend", blend: { parts: Object.fromEntries(parts.map((p) => [p, 1])), leastChargeMg: 1 } });
const many = (n: number): number[] => Array.from({ length: n }, (_, i) => i);

/** A pattern that is there, as it would be sent back. */
async function bookOf(client: Client): Promise<Record<string, unknown> & { patterns: { recipe: object }[] }> {
  const reply = await client.raw("GET", "/api/patterns/file?of=copper-lodger");
  return (await reply.json()) as Record<string, unknown> & { patterns: { recipe: object }[] };
}

/** Books of patterns as nobody would write them. */
async function books(client: Client): Promise<[string, unknown][]> {
  const book = await bookOf(client);
  const materials = Array.isArray(book.materials) ? (book.materials as Material[]) : [];
  const withMaterials = (more: Material[]) => ({ ...book, materials: [...materials, ...more] });
  const [pattern] = book.patterns;
  const chain = [plain("ch0"), ...many(1900).map((i) => blend(`ch${i + 1}`, [`ch${i}`, "ch0"]))];
  const wide = [
    plain("wp"),
    ...many(20).flatMap((i) =>
      ["l", "r"].map((side) => blend(`${side}${i}`, i === 0 ? ["wp"] : [`l${i - 1}`, `r${i - 1}`])),
    ),
  ];
  const strand = (width: number) => plain("st", { form: "wire", unit: "um", strand: { width, thickness: width } });
  return [
    ["a chain of 1,900 blends", withMaterials(chain)],
    ["blends twenty deep of two parts each", withMaterials(wide)],
    ["a blend of itself", withMaterials([blend("me", ["me"])])],
    ["a strand 1e300 mm wide", withMaterials([strand(1e300)])],
    ["a strand 1e-300 mm wide", withMaterials([strand(1e-300)])],
    ["two thousand patterns of one name", { ...book, patterns: many(2000).map(() => pattern) }],
    ["a pattern that is none", { ...book, patterns: [{ ...pattern, recipe: { steps: many(60) } }] }],
  ];
}

const nested = (depth: number): string => `${"[".repeat(depth)}${"]".repeat(depth)}`;

/** Files and bodies that are made to hurt: each is refused, and none keeps the server from others. */
export async function hostileFiles(base: string): Promise<Hostile[]> {
  const client = await enter(base);
  const found: Hostile[] = [];
  const send = async (what: string, method: string, path: string, body: string): Promise<void> => {
    const from = performance.now();
    const headers = { "Content-Type": "application/json", "Idempotency-Key": randomUUID() };
    const { status } = await client.raw(method, path, { body, headers });
    found.push({ what, status, ms: performance.now() - from });
  };
  for (const [what, book] of await books(client)) await send(what, "POST", "/api/patterns/file", JSON.stringify(book));
  await send("a file of 17 MB", "POST", "/api/patterns/file", JSON.stringify("x".repeat(17_000_000)));
  await send("an order of 600 kB", "POST", "/api/orders", JSON.stringify({ text: "x".repeat(600_000) }));
  await send("200,000 lists in each other", "POST", "/api/orders", nested(200_000));
  const rows = [{ size: "12", shank: 1e-300 }];
  await send("a hook of 1e-300 mm", "PUT", "/api/hooks/W1/sizes", JSON.stringify({ rows }));
  const batches = await client.raw("GET", "/api/batches");
  found.push({ what: "batches afterwards", status: batches.status, ms: 0 });
  return found;
}

/** Opens live streams that never read what they are sent. */
export async function deafStreams(base: string, count: number): Promise<Socket[]> {
  const client = await enter(base);
  const { hostname, port } = new URL(base);
  return many(count).map(() => {
    const socket = connect(Number(port), hostname);
    socket.on("error", () => socket.destroy());
    socket.write(`GET /api/live HTTP/1.1\r\nHost: ${hostname}:${port}\r\nCookie: ${client.cookie}\r\n\r\n`);
    socket.pause();
    return socket;
  });
}
