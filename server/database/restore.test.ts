import { spawnSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join, resolve } from "node:path";
import pg from "pg";
import { afterAll, beforeAll, expect, inject, test, vi } from "vitest";
import { createDatabase, dropDatabase } from "../testing/databases";

// Each starts programs of their own.
vi.setConfig({ testTimeout: 120_000 });
const tools = resolve(import.meta.dirname, "../../tools");
const folder = mkdtempSync(join(tmpdir(), "kasten-backup-"));
const backup = join(folder, "room.dump");
let url: string;
const tool = (name: string, ...args: string[]) => {
  const { status, stdout, stderr } = spawnSync(process.execPath, [join(tools, name), ...args], {
    encoding: "utf8",
    env: { ...process.env, DATABASE_URL: url },
  });
  return { status, said: stdout + stderr };
};
async function ask<T extends object>(address: string, sql: string): Promise<T[]> {
  const db = new pg.Client({ connectionString: address });
  await db.connect();
  try {
    return (await db.query<T>(sql)).rows;
  } finally {
    await db.end();
  }
}
const orders = async () => (await ask<{ n: number }>(url, "SELECT count(*)::int AS n FROM customer_order"))[0]?.n;
const rooms = async () =>
  (await ask<{ datname: string }>(inject("admin"), "SELECT datname FROM pg_database ORDER BY 1"))
    .map((d) => d.datname)
    .filter((name) => name.startsWith(new URL(url).pathname.slice(1)));

beforeAll(async () => {
  url = await createDatabase(inject("admin"), "restore", inject("template"));
  expect(tool("backup.mjs", backup).status).toBe(0);
});
afterAll(() => dropDatabase(inject("admin"), url));

function cut(share: number): string {
  const whole = readFileSync(backup);
  const file = join(folder, `cut-${share}.dump`);
  writeFileSync(file, whole.subarray(0, Math.floor(whole.length * share)));
  return file;
}
test.each([
  ["a file of something else", () => resolve(tools, "../package.json")],
  ["a file that is cut off", () => cut(0.7)],
  ["a file that is cut off early", () => cut(0.05)],
  ["a file that is not there", () => join(folder, "none")],
])("%s is refused, and the room is as it was", async (_what, file) => {
  const before = await orders();
  const { status, said } = tool("restore.mjs", file());
  expect(status).toBe(1);
  expect(said).toMatch(/no backup|cannot be restored|no file/);
  expect([await orders(), await rooms()]).toEqual([before, [new URL(url).pathname.slice(1)]]);
});

test("a backup is tried without touching the room", async () => {
  const { status, said } = tool("restore.mjs", "--try", backup);
  expect([status, said]).toEqual([0, expect.stringContaining("The backup is whole")]);
  expect(await rooms()).toHaveLength(1);
});

test("a room that is open is not replaced", async () => {
  const open = new pg.Client({ connectionString: url });
  await open.connect();
  const { status, said } = tool("restore.mjs", backup);
  await open.end();
  expect([status, said]).toEqual([1, expect.stringContaining("Stop the application first")]);
  expect(await rooms()).toHaveLength(1);
});

test("a restore puts back what was, keeps what is, and forgets it when told", async () => {
  const before = await orders();
  await ask(url, "UPDATE customer_order SET note = 'later'");
  const { status, said } = tool("restore.mjs", backup);
  expect([status, said]).toEqual([0, expect.stringContaining("is kept as")]);
  expect(await orders()).toBe(before);
  expect(await ask(url, "SELECT 1 FROM customer_order WHERE note = 'later'")).toEqual([]);
  const old = (await rooms()).find((name) => name.includes("_before_")) ?? "";
  expect(tool("restore.mjs", "--forget", "postgres").status).toBe(1);
  expect(tool("restore.mjs", "--forget", old).status).toBe(0);
  expect(await rooms()).toHaveLength(1);
});
