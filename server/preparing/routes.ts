import { listPreparations, makeStock, prepareTogether, type PrepGroupData } from "@kasten/contract/preparing";
import { prepare } from "../batches";
import type { Db } from "../database/rows";
import type { Register } from "../http/handle";
import type { Outlook } from "../outlook";
import { preparedKeys } from "../schedule";
import { make } from "./make";
import { lastRuns } from "./queries";

/** As it is kept, without what was logged since. */
async function openWork(db: Db, outlook: Outlook): Promise<PrepGroupData[]> {
  const { value } = await outlook.partOf<PrepGroupData[]>(db, "preparations");
  const done = await preparedKeys(db);
  return value
    .map((g) => ({ ...g, tasks: g.tasks.filter((t) => !done.has(`${t.batch}|${g.kind}|${t.component}`)) }))
    .filter((g) => g.tasks.length > 0);
}

export function preparingRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listPreparations, async ({ db }) => ({ open: await openWork(db, outlook), runs: await lastRuns(db) }));
  register(prepareTogether, async ({ db, person, body }) => ({ run: await prepare(db, person, body) }));
  register(makeStock, ({ db, person, body }) => make(db, person, body));
}
