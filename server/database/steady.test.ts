import pg from "pg";
import { expect, inject, test } from "vitest";
import { SteadyClient } from "./steady";

test("a connection that is cut while nobody listens stops nothing, and is told by its next statement", async () => {
  const connectionString = inject("admin");
  const cut = new SteadyClient({ connectionString });
  const by = new pg.Client({ connectionString });
  await Promise.all([cut.connect(), by.connect()]);
  const { rows } = await cut.query<{ pid: number }>("SELECT pg_backend_pid() AS pid");
  const ended = new Promise((resolve) => cut.once("end", resolve));
  await by.query("SELECT pg_terminate_backend($1)", [rows[0]?.pid]);
  await ended;
  await expect(cut.query("SELECT 1")).rejects.toThrow();
  await by.end();
});
