import { sumBatches } from "@kasten/contract/batches";
import { listNeeds } from "@kasten/contract/materials";
import { readLate, readPlan, readTurns } from "@kasten/contract/schedule";
import { ready, type Register } from "../http/handle";
import type { Outlook } from "./outlook";

export function outlookRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listNeeds, async ({ db }) => ready(await outlook.read(db, "needs")));
  register(sumBatches, async ({ db }) => ready(await outlook.read(db, "sums")));
  register(readLate, async ({ db }) => ready(await outlook.read(db, "late")));
  register(readTurns, async ({ db }) => ready(await outlook.read(db, "turns")));
  register(readPlan, async ({ db }) => ready(await outlook.read(db, "plan")));
}
