import { addCustomer } from "@kasten/contract/customers";
import { insert } from "../database/rows";
import type { Register } from "../http/handle";
import { logEvent } from "../log";
import { customerEntity } from "./entities";

const MOST_ID = 50;
const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, MOST_ID);

export function customerRoutes(register: Register): void {
  register(addCustomer, async ({ db, person, body }) => {
    const id = slug(body.name);
    const added = await insert(db, customerEntity, { id, ...body });
    await logEvent(db, person, "customer", id, "added", `Added the customer ${body.name}`);
    return added;
  });
}
