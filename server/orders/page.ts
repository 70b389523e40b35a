import type { Order } from "@kasten/contract/orders";
import type { Db } from "../database/rows";
import { fieldProblem } from "../http/problems";
import { closedOrders, openOrders, type OrderCursor } from "./queries";

/** "2027-03-12_41": the due day and number of the last order of the page before. */
function cursorOf(text: string | undefined): OrderCursor | undefined {
  if (text === undefined) return undefined;
  const m = /^(\d{4}-\d{2}-\d{2})_(\d{1,9})$/.exec(text);
  const due = m?.[1];
  if (due === undefined || Number.isNaN(Date.parse(due)))
    throw fieldProblem("No such page", "cursor", "Begin at the first page: this address does not name one.");
  return { due, number: Number(m?.[2]) };
}

/** One page of orders: open ones by due date, closed ones newest first; `next` where there are more. */
export async function orderPage(
  db: Db,
  state: "open" | "closed",
  cursor: string | undefined,
  limit: number,
): Promise<{ orders: Order[]; next: string | null }> {
  const after = cursorOf(cursor);
  // One more than is shown tells whether there is another page.
  const page = await (state === "open" ? openOrders : closedOrders)(db, after, limit + 1);
  const orders = page.slice(0, limit);
  const last = orders.at(-1);
  return { orders, next: page.length > limit && last ? `${last.due}_${last.number}` : null };
}
