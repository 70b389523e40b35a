import {
  endCalendarKey,
  listPlanVersions,
  makeCalendarKey,
  pinBatch,
  publishPlan,
  readCalendarKey,
  readPlanVersion,
  readSearch as readSearchEndpoint,
  splitTying,
  startSearch as startSearchEndpoint,
  stopSearch as stopSearchEndpoint,
  unpinBatch,
  type Plan,
} from "@kasten/contract/schedule";
import type { Register } from "../http/handle";
import type { Jobs } from "../jobs";
import type { Outlook } from "../outlook";
import { calendarKey, endKey, makeKey } from "./calendar";
import { pin, split, unpin } from "./pins";
import { listVersions, publish, readVersion } from "./publish";
import { readSearch, startSearch, stopSearch } from "./search";

const done = { ok: true } as const;

export function planRoutes(register: Register, { outlook, jobs }: { outlook: Outlook; jobs: Jobs }): void {
  register(pinBatch, async ({ db, params, body, person }) => {
    await pin(db, person, params.id, body.person, body.at);
    return done;
  });
  register(splitTying, async ({ db, params, body, person }) => {
    await split(db, person, params.id, body.shares);
    return done;
  });
  register(unpinBatch, async ({ db, params, person }) => {
    await unpin(db, person, params.id);
    return done;
  });
  register.prepared(
    publishPlan,
    async ({ db }) => outlook.partOf<Plan>(db, "plan"),
    async ({ db, body, person, prepared }) => ({
      number: await publish(db, person, prepared.value, prepared.at, body),
    }),
  );
  register(listPlanVersions, async ({ db }) => ({ versions: await listVersions(db) }));
  register(readPlanVersion, ({ db, params }) => readVersion(db, params.number));
  register(readSearchEndpoint, async ({ db }) => ({ search: await readSearch(db) }));
  register(startSearchEndpoint, async ({ db, body, person }) => {
    await startSearch(db, person, body.seconds, jobs.search);
    return done;
  });
  register(stopSearchEndpoint, async ({ db }) => {
    await stopSearch(db);
    return done;
  });
  register(readCalendarKey, ({ db, person }) => calendarKey(db, person.id));
  register(makeCalendarKey, ({ db, person }) => makeKey(db, person));
  register(endCalendarKey, async ({ db, person }) => {
    await endKey(db, person);
    return done;
  });
}
