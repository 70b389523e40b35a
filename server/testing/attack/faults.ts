import { randomUUID } from "node:crypto";
import type pg from "pg";
import { listBatches } from "@kasten/contract/batches";
import { sendTallies } from "@kasten/contract/bench";
import type { Client } from "../client";

export interface FaultsReport {
  acknowledged: number;
  /** Tallies that were acknowledged and are not there, or are there twice. */
  lost: number;
  cuts: number;
}

/**
 * Tallies as fast as they go, while the database cuts every connection now and then; each is sent again until it is
 * acknowledged, as a bench does.
 */
export async function cutWhileTallying(client: Client, db: pg.Client, tallies = 150): Promise<FaultsReport> {
  const { batches } = await client.ok(listBatches, { query: { states: ["tying", "pulled"] } });
  const batch = batches[0]?.id;
  if (batch === undefined) return { acknowledged: 0, lost: 0, cuts: 0 };
  let isOver = false;
  let cuts = 0;
  const cutting = async (): Promise<void> => {
    while (!isOver) {
      await new Promise((resolve) => setTimeout(resolve, 250));
      cuts++;
      await db.query(
        `SELECT pg_terminate_backend(pid) FROM pg_stat_activity
         WHERE datname = current_database() AND pid <> pg_backend_pid()`,
      );
    }
  };
  const cut = cutting();
  const ids = Array.from({ length: tallies }, () => randomUUID());
  for (const id of ids) await untilAcknowledged(client, id, batch);
  isOver = true;
  await cut;
  const { rows } = await db.query("SELECT count(*)::int AS n FROM tally WHERE id = ANY($1)", [ids]);
  return { acknowledged: ids.length, lost: ids.length - (rows[0]?.n ?? 0), cuts };
}

async function untilAcknowledged(client: Client, id: string, batch: string): Promise<void> {
  const tally = { id, batch, kind: "good" as const, at: new Date().toISOString() };
  for (;;) {
    const status = await client.send(sendTallies, { body: { tallies: [tally] } }).catch(() => 0);
    if (status === 200) return;
    if (status !== 0 && status < 500) throw new Error(`a tally was refused: ${status}`);
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
