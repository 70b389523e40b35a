import { dozensText } from "@kasten/core/orders";
import { skillsOf, readBatchRoom } from "../batches";
import { locked, type Db } from "../database/rows";
import { batchEntity } from "../batches";
import { conflict, fieldProblem, notFound } from "../http/problems";
import { logEvent } from "../log";
import { planPinEntity, type PlanPinRow } from "../schedule";
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

/** Somebody who can tie a batch. @param field where it is said */
async function ableTier(db: Db, batch: string, person: string, field: string): Promise<{ name: string }> {
  const tier = await personById(db, person);
  if (!tier || tier.endedAt !== null || tier.role === "shop")
    throw fieldProblem("Not planned", field, "Choose somebody who ties in this room.");
  const lacks = skillsOf((await readBatchRoom(db, batch)).computed).filter((s) => !tier.skills.includes(s));
  if (lacks.length > 0)
    throw fieldProblem("Not planned", field, `${tier.name} lacks ${lacks.join(", ")}: choose somebody who has it.`);
  return tier;
}

/** Says who ties a batch, and from when on. */
export async function pin(db: Db, by: Who, id: string, person: string, at: string | null): Promise<void> {
  const { number } = await openBatch(db, id);
  const tier = await ableTier(db, id, person, "person");
  const instant = at === null ? null : new Date(at);
  if (instant && instant < new Date())
    throw fieldProblem("Not planned", "at", "That time has passed. Choose one that is still to come.");
  await keep(db, by, { batchId: id, personId: person, at: instant, shares: [] });
  const when = instant ? ", at a time that is set" : "";
  await logEvent(db, by, "batch", id, "pinned", `Gave batch ${number} to ${tier.name}${when}`);
}

/** Lets several tie a batch at the same time. */
export async function split(db: Db, by: Who, id: string, shares: PlanPinRow["shares"]): Promise<void> {
  const { number } = await openBatch(db, id);
  const { starts, good, rejected } = (await readBatchRoom(db, id)).computed.batch;
  const left = starts - good - rejected;
  const all = shares.reduce((sum, s) => sum + s.flies, 0);
  if (all !== left)
    throw fieldProblem("Not planned", "shares", `There are ${left} flies to tie: the shares add up to ${all}.`);
  const names: string[] = [];
  for (const [i, s] of shares.entries()) {
    const { name } = await ableTier(db, id, s.person, `shares.${i}.person`);
    names.push(`${name} ${dozensText(s.flies)}`);
  }
  const [first] = shares;
  if (!first) return;
  await keep(db, by, { batchId: id, personId: first.person, at: null, shares });
  await logEvent(db, by, "batch", id, "pinned", `Shared out the tying of batch ${number}: ${names.join(", ")}`);
}

const keep = (db: Db, by: Who, row: Omit<PlanPinRow, "setBy" | "setAt">): Promise<unknown> =>
  db.getRepository(planPinEntity).upsert({ ...row, setBy: by.id, setAt: new Date() }, ["batchId"]);

/** Leaves it to the plan again. */
export async function unpin(db: Db, by: Who, id: string): Promise<void> {
  const { number } = await openBatch(db, id);
  const { affected } = await db.getRepository(planPinEntity).delete({ batchId: id });
  if (affected) await logEvent(db, by, "batch", id, "unpinned", `Left it to the plan who ties batch ${number}`);
}
