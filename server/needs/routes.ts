import { listNeeds } from "@kasten/contract/materials";
import type { Register } from "../http/handle";
import { readRoom, shareOut } from "./needs";

export function needRoutes(register: Register): void {
  register(listNeeds, async ({ db }) => ({ needs: shareOut(await readRoom(db)).needs }));
}
