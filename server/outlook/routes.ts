import { listNeeds } from "@kasten/contract/materials";
import { readPlan } from "@kasten/contract/schedule";
import { ready, type Register } from "../http/handle";
import type { Outlook } from "./outlook";

export function outlookRoutes(register: Register, outlook: Outlook): void {
  register(listNeeds, async ({ db }) => ready(await outlook.read(db, "needs")));
  register(readPlan, async ({ db }) => ready(await outlook.read(db, "plan")));
}
