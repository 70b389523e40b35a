import { addCustomer, type Customer } from "@kasten/contract/customers";
import type { BodyOf } from "@kasten/contract/http";
import { insertNew, type Db } from "../database/rows";
import type { Register } from "../http/handle";
import { taken } from "../http/problems";
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

/** A name without Latin letters has an id too, and two that are written alike have two. */
async function addNew(db: Db, body: BodyOf<typeof addCustomer>): Promise<Customer> {
  const stem = slug(body.name) || "customer";
  for (let n = 1; ; n++) {
    if (await db.getRepository(customerEntity).existsBy({ name: body.name }))
      throw taken("customer", "A customer of that name is there already. Add what tells the two apart.");
    const added = { id: n === 1 ? stem : `${stem}-${n}`, ...body };
    if (await insertNew(db, customerEntity, added)) return added;
  }
}

export function customerRoutes(register: Register): void {
  register(addCustomer, async ({ db, person, body }) => {
    const added = await addNew(db, body);
    await logEvent(db, person, "customer", added.id, "added", `Added the customer ${body.name}`);
    return added;
  });
}
