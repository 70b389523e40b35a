import { closeTake, countInTake, listTakes, readTake, startTake } from "@kasten/contract/stock";
import type { Register } from "../http/handle";
import { close, countOne, readOne, start } from "./takes";
import { takeList } from "./takeQueries";

export function takeRoutes(register: Register): void {
  register(listTakes, async ({ db }) => ({ takes: await takeList(db) }));
  register(startTake, ({ db, person, body }) => start(db, person, body.blind));
  register(readTake, ({ db, params }) => readOne(db, params.id));
  register(countInTake, async ({ db, person, params, body }) => {
    await countOne(db, person, params.id, body);
    return { ok: true as const };
  });
  register(closeTake, ({ db, person, params, body }) => close(db, person, params.id, body));
}
