import { addCustomer, editCustomer, type Customer } from "@kasten/contract/customers";
import type { BodyOf } from "@kasten/contract/http";
import { insertNew, locked, update, type Db } from "../database/rows";
import type { Register } from "../http/handle";
import { notFound, taken } from "../http/problems";
import { slugOf } from "../http/slug";
import { stale } from "../http/versions";
import { logEvent } from "../log";
import { customerEntity } from "./entities";

/** A name without Latin letters has an id too, and two that are written alike have two. */
const nameTaken = () => taken("customer", "A customer of that name is there already. Add what tells the two apart.");

/** Adds a customer under an id made of the name. */
export async function addNew(db: Db, body: BodyOf<typeof addCustomer>): Promise<Customer> {
  const stem = slugOf(body.name) || "customer";
  for (let n = 1; ; n++) {
    if (await db.getRepository(customerEntity).existsBy({ name: body.name })) throw nameTaken();
    const added = { id: n === 1 ? stem : `${stem}-${n}`, ...body, version: 1 };
    if (await insertNew(db, customerEntity, added)) return added;
  }
}

/** Changes what is known of a customer, from the version that was seen. */
export async function changeCustomer(db: Db, id: string, body: BodyOf<typeof editCustomer>): Promise<Customer> {
  const before = await locked(db, customerEntity, { id });
  if (!before) throw notFound("customer");
  const { version, ...changes } = body;
  const other = await db.getRepository(customerEntity).findOneBy({ name: changes.name });
  if (other && other.id !== id) throw nameTaken();
  if ((await update(db, customerEntity, { id, version }, changes)) === 0)
    throw stale(before.version, before, changes, ["name", "kind", "rank", "policy", "destination", "discount", "note"]);
  return { id, ...changes, version: version + 1 };
}

export function customerRoutes(register: Register): void {
  register(addCustomer, async ({ db, person, body }) => {
    const added = await addNew(db, body);
    await logEvent(db, person, "customer", added.id, "added", `Added the customer ${body.name}`);
    return added;
  });
  register(editCustomer, async ({ db, person, params, body }) => {
    const changed = await changeCustomer(db, params.id, body);
    await logEvent(db, person, "customer", params.id, "changed", `Changed what is known of ${body.name}`);
    return changed;
  });
}
