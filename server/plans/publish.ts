import { LessThan } from "typeorm";
import type { Plan, readPlanVersion, listPlanVersions } from "@kasten/contract/schedule";
import type { ReplyOf } from "@kasten/contract/http";
import { insert, isoInstant, type Db } from "../database/rows";
import { notFound, Problem } from "../http/problems";
import { logEvent } from "../log";
import {
  differencesBetween,
  frameOf,
  planVersionEntity,
  publishedOf,
  readPlanOrder,
  type PlanVersionRow,
} from "../schedule";
import { readSettings } from "../settings";
import { allPeople } from "../team";

type Who = { id: string };
/** So many published plans are listed. */
const MOST_LISTED = 60;

/**
 * Makes a draft the plan that everybody works by.
 * @param made when the draft was made: its minutes count from that day
 */
export async function publish(
  db: Db,
  by: Who,
  draft: Plan,
  made: Date,
  { revision, note }: { revision: number; note: string },
): Promise<number> {
  await db.query("SELECT pg_advisory_xact_lock(4685)");
  const order = await readPlanOrder(db);
  if (draft.revision !== revision || order?.revision !== revision)
    throw new Problem(
      "changed-meanwhile",
      "The draft is another one now",
      "The draft has changed since you looked at it. Look at what is different now, and publish it then.",
    );
  if (draft.violations.length > 0)
    throw new Problem("refused", "Not published", "The draft breaks a rule and cannot be worked by. Tell the owner.");
  const { timeZone } = await readSettings(db);
  const doc = publishedOf(frameOf(timeZone, made), draft);
  const { number } = await insert(db, planVersionEntity, { personId: by.id, note, doc });
  await logEvent(db, by, "plan", String(number), "published", `Published plan ${number}${note ? `: ${note}` : ""}`);
  return number;
}

type Listed = ReplyOf<typeof listPlanVersions>["versions"][number];

type Names = ReadonlyMap<string, string>;
const namesOf = async (db: Db): Promise<Names> => new Map((await allPeople(db)).map((p) => [p.id, p.name]));

function listed({ number, publishedAt, personId, note, doc }: PlanVersionRow, names: Names): Listed {
  const late = doc.batches.filter((b) => b.lateDays > 0 || b.ready === null).length;
  const by = names.get(personId) ?? "";
  return { number, at: isoInstant(publishedAt), by, note, batches: doc.batches.length, late };
}

export async function listVersions(db: Db): Promise<Listed[]> {
  const found = await db.getRepository(planVersionEntity).find({ order: { number: "DESC" }, take: MOST_LISTED });
  const names = await namesOf(db);
  return found.map((v) => listed(v, names));
}

export async function readVersion(db: Db, number: number): Promise<ReplyOf<typeof readPlanVersion>> {
  const versions = db.getRepository(planVersionEntity);
  const version = await versions.findOneBy({ number });
  if (!version) throw notFound("published plan");
  const [before] = await versions.find({ where: { number: LessThan(number) }, order: { number: "DESC" }, take: 1 });
  const names = await namesOf(db);
  const { timeZone } = await readSettings(db);
  const dayOf = (v: PlanVersionRow) => frameOf(timeZone, new Date(v.doc.origin)).dayOf;
  const differences = before
    ? differencesBetween(before.doc, version.doc, (id) => names.get(id) ?? "", dayOf(before), dayOf(version))
    : [];
  return { ...listed(version, names), batches: version.doc.batches, differences };
}
