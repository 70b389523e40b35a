import { sumBatches } from "@kasten/contract/batches";
import { listNeeds } from "@kasten/contract/materials";
import { readLate, readOdds, readPlan, readProblem, readTurns } from "@kasten/contract/schedule";
import { ready, type Register } from "../http/handle";
import { notFound } from "../http/problems";
import type { Outlook } from "./outlook";

export function outlookRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listNeeds, async ({ db }) => ready(await outlook.read(db, "needs")));
  register(sumBatches, async ({ db }) => ready(await outlook.read(db, "sums")));
  register(readLate, async ({ db }) => ready(await outlook.read(db, "late")));
  register(readTurns, async ({ db }) => ready(await outlook.read(db, "turns")));
  register(readOdds, async ({ db }) => ready(await outlook.read(db, "odds")));
  register(readProblem, async ({ db }) => ready(await outlook.read(db, "problem")));
  register(readPlan, async ({ db, query }) => {
    const draft = await outlook.read(db, "plan");
    if (query.which !== "published") return ready(draft);
    const published = await outlook.read(db, "published");
    if (published === "null") throw notFound("published plan");
    return ready(published);
  });
}
