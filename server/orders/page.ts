import type { QueryOf } from "@kasten/contract/http";
import type { listOrders, Order } from "@kasten/contract/orders";
import type { Db } from "../database/rows";
import { dayCursor } from "../http/cursors";
import { closedOrders, openOrders } from "./queries";

/** One page of orders: open ones by due date, closed ones newest first; `next` where there are more. */
export async function orderPage(
  db: Db,
  { state, cursor, limit, customer }: QueryOf<typeof listOrders>,
): Promise<{ orders: Order[]; next: string | null }> {
  const after = dayCursor(cursor);
  // One more than is shown tells whether there is another page.
  const page = await (state === "open" ? openOrders : closedOrders)(db, after, limit + 1, customer);
  const orders = page.slice(0, limit);
  const last = orders.at(-1);
  return { orders, next: page.length > limit && last ? `${last.due}_${last.number}` : null };
}
