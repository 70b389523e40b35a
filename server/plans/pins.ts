import { skillsOf, readBatchRoom } from "../batches";
import { locked, type Db } from "../database/rows";
import { batchEntity } from "../batches";
import { conflict, fieldProblem, notFound } from "../http/problems";
import { logEvent } from "../log";
import { planPinEntity } from "../schedule";
import { personById } from "../team";

type Who = { id: string };

/** A batch that is still to be tied, locked. */
async function openBatch(db: Db, id: string): Promise<{ number: number }> {
  const batch = await locked(db, batchEntity, { id });
  if (!batch) throw notFound("batch");
  if (batch.state === "finished" || batch.state === "dissolved")
    throw conflict(`Batch ${batch.number} is ${batch.state}: there is nothing to plan for it any more.`);
  return batch;
}

/** Says who ties a batch, and from when on. */
export async function pin(db: Db, by: Who, id: string, person: string, at: string | null): Promise<void> {
  const { number } = await openBatch(db, id);
  const tier = await personById(db, person);
  if (!tier || tier.endedAt !== null || tier.role === "shop")
    throw fieldProblem("Not pinned", "person", "Choose somebody who ties in this room.");
  const lacks = skillsOf((await readBatchRoom(db, id)).computed).filter((s) => !tier.skills.includes(s));
  if (lacks.length > 0)
    throw fieldProblem("Not pinned", "person", `${tier.name} lacks ${lacks.join(", ")}: choose somebody who has it.`);
  const instant = at === null ? null : new Date(at);
  if (instant && instant < new Date())
    throw fieldProblem("Not pinned", "at", "That time has passed. Choose one that is still to come.");
  const values = { batchId: id, personId: person, at: instant, setBy: by.id, setAt: new Date() };
  await db.getRepository(planPinEntity).upsert(values, ["batchId"]);
  const when = instant ? ", at a time that is set" : "";
  await logEvent(db, by, "batch", id, "pinned", `Gave batch ${number} to ${tier.name}${when}`);
}

/** Leaves it to the plan again. */
export async function unpin(db: Db, by: Who, id: string): Promise<void> {
  const { number } = await openBatch(db, id);
  const { affected } = await db.getRepository(planPinEntity).delete({ batchId: id });
  if (affected) await logEvent(db, by, "batch", id, "unpinned", `Left it to the plan who ties batch ${number}`);
}
