import { z } from "zod";
import type { EntityManager } from "typeorm";
import { openBatches, pull, readBatchRoom, release, reserve } from "../batches";
import { row } from "../database/source";
import { Problem } from "../http/problems";
import { readCsv } from "./csv";

const states = ["released", "pulled", "tying"] as const;
const progressRow = z.object({
  pattern: z.string(),
  size: z.string(),
  variant: z.string(),
  state: z.enum(states),
  person: z.string(),
  good: z.coerce.number().int().default(0),
  rejected: z.coerce.number().int().default(0),
});

/** Work that is under way: planned batches are taken as far as the file says, step by step as people would. */
export async function importProgress(db: EntityManager, text: string): Promise<void> {
  for (const p of readCsv("progress.csv", text, progressRow)) {
    const person = await row<{ id: string }>(db, "SELECT id FROM person WHERE login = $1", [p.person]);
    const batch = (await openBatches(db)).find(
      (b) => b.state === "planned" && b.pattern === p.pattern && b.size === p.size && b.variant === p.variant,
    );
    if (!person || !batch)
      throw new Problem(
        422,
        "import-refused",
        "Nothing was imported",
        `progress.csv: no planned batch of ${p.pattern} ${p.size} ${p.variant}, or nobody called ${p.person}.`,
      );
    await reserve(db, person, batch.id);
    await release(db, person, batch.id, batch.version);
    if (p.state === "released") continue;
    const keys = (await readBatchRoom(db, batch.id)).computed.requirements.map((r) => r.key);
    await pull(db, person, batch.id, keys);
    if (p.state === "pulled") continue;
    await db.query(
      "INSERT INTO tally (id, batch_id, person_id, at, kind) SELECT gen_random_uuid(), $1, $2, now(), 'good' FROM generate_series(1, $3)",
      [batch.id, person.id, p.good],
    );
    await db.query(
      "INSERT INTO tally (id, batch_id, person_id, at, kind, reason, loss) SELECT gen_random_uuid(), $1, $2, now(), 'reject', 'hackle wrong', 'hook kept' FROM generate_series(1, $3)",
      [batch.id, person.id, p.rejected],
    );
    await db.query("UPDATE batch SET state = 'tying', version = version + 1 WHERE id = $1", [batch.id]);
  }
}
