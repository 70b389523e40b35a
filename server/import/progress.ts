import { z } from "zod";
import { changeBatch, openBatches, pull, readBatchRoom, release, reserve } from "../batches";
import type { Db } from "../database/rows";
import { Problem } from "../http/problems";
import { personByLogin } from "../team";
import { readCsv } from "./csv";
import { insertTallies } from "./tallies";

const states = ["released", "pulled", "tying"] as const;
const progressRow = z.object({
  pattern: z.string(),
  size: z.string(),
  variant: z.string(),
  state: z.enum(states),
  person: z.string(),
  good: z.coerce.number().int().min(0).max(6000).default(0),
  rejected: z.coerce.number().int().min(0).max(6000).default(0),
});
type Progress = z.infer<typeof progressRow>;

/** Work that is under way: planned batches are taken as far as the file says, step by step as people would. */
export async function importProgress(db: Db, text: string, now: Date): Promise<void> {
  for (const p of readCsv("progress.csv", text, progressRow)) await takeOn(db, p, now);
}

async function takeOn(db: Db, p: Progress, now: Date): Promise<void> {
  const person = await personByLogin(db, p.person);
  const batch = (await openBatches(db)).find(
    (b) => b.state === "planned" && b.pattern === p.pattern && b.size === p.size && b.variant === p.variant,
  );
  if (!person || !batch)
    throw new Problem(
      "import-refused",
      "Nothing was imported",
      `progress.csv: no planned batch of ${p.pattern} ${p.size} ${p.variant}, or nobody called ${p.person}.`,
    );
  await reserve(db, person, batch.id);
  await release(db, person, batch.id, batch.version);
  if (p.state === "released") return;
  const keys = (await readBatchRoom(db, batch.id)).computed.requirements.map((r) => r.key);
  await pull(db, person, batch.id, keys);
  if (p.state === "pulled") return;
  const { good, rejected } = p;
  await insertTallies(
    db,
    { batchId: batch.id, personId: person.id, at: now },
    { good, rejected, reason: "hackle wrong", loss: "hook kept" },
  );
  await changeBatch(db, batch.id, { state: "tying" });
}
