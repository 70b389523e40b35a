import { flyPrior, startsFor } from "@kasten/core/learning";
import { listEvents, listFinished, readPromises, waiting } from "@kasten/contract/book";
import { finishedCounts } from "../batches";
import type { Db } from "../database/rows";
import type { Register } from "../http/handle";
import { fieldProblem } from "../http/problems";
import { events } from "../log";
import { readSettings, todayIn } from "../settings";
import { finishedPage, keptByMonth, waitingCounts } from "./queries";

/** The number at which the page before ended. */
function numberOf(cursor: string | undefined): number | undefined {
  if (cursor === undefined) return undefined;
  if (!/^\d{1,9}$/.test(cursor))
    throw fieldProblem("No such page", "cursor", "Begin at the first page: this address does not name one.");
  return Number(cursor);
}

/** A page of what was asked for, one more than is shown telling whether there is another. */
function pageOf<T>(found: T[], limit: number, at: (last: T) => number): { page: T[]; next: string | null } {
  const page = found.slice(0, limit);
  const last = page.at(-1);
  return { page, next: found.length > limit && last !== undefined ? String(at(last)) : null };
}

const TEN_DOZEN = 120;

/** What each pattern has yielded so far, and what that means for ten dozen. */
async function yields(db: Db) {
  const { serviceLevel } = await readSettings(db);
  return (await finishedCounts(db)).map((y) => {
    const known = { good: flyPrior.good + y.good, bad: flyPrior.bad + y.rejected };
    return {
      ...y,
      rejectRate: known.bad / (known.good + known.bad),
      startsForTenDozen: startsFor(TEN_DOZEN, known, serviceLevel),
    };
  });
}

export function bookRoutes(register: Register): void {
  register(listFinished, async ({ db, query: { cursor, limit } }) => {
    const { page, next } = pageOf(await finishedPage(db, numberOf(cursor), limit + 1), limit, (b) => b.number);
    return { batches: page, yields: await yields(db), next };
  });
  register(listEvents, async ({ db, query: { cursor, limit } }) => {
    const { page, next } = pageOf(await events(db, { before: numberOf(cursor), limit: limit + 1 }), limit, (e) => e.id);
    return { events: page, next };
  });
  register(readPromises, async ({ db }) => ({
    months: await keptByMonth(db, todayIn((await readSettings(db)).timeZone)),
  }));
  register(waiting, ({ db }) => waitingCounts(db));
}
