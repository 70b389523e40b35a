import {
  addCustomer,
  addOrder,
  cancelOrder,
  editOrder,
  listOrders,
  promise,
  readOrderById,
} from "@kasten/contract/orders";
import type { Register } from "../http/handle";
import { historyOf, logEvent } from "../http/log";
import { notFound } from "../http/problems";
import { promiseLines } from "../schedule";
import { orderById, orderPage } from "./read";
import { cancelRest, changeOrder, saveOrder } from "./service";

const slug = (name: string): string =>
  name
    .toLowerCase()
    .normalize("NFKD")
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-|-$/g, "")
    .slice(0, 50);

export function orderRoutes(register: Register): void {
  register(listOrders, ({ db, query }) => orderPage(db, query.state, query.cursor, query.limit));
  register(readOrderById, async ({ db, params }) => {
    const order = await orderById(db, params.id);
    if (!order) throw notFound("order");
    return { ...order, history: await historyOf(db, "order", params.id) };
  });
  register(addOrder, ({ db, person, body }) => saveOrder(db, person, body));
  register(editOrder, ({ db, person, params, body }) => changeOrder(db, person, params.id, body));
  register(cancelOrder, async ({ db, person, params, body }) => {
    await cancelRest(db, person, params.id, body.version);
    return { ok: true as const };
  });
  register(promise, async ({ db, body }) => ({ lines: await promiseLines(db, body.lines) }));
  register(addCustomer, async ({ db, person, body }) => {
    const id = slug(body.name);
    await db.query(
      "INSERT INTO customer (id, name, kind, rank, policy, destination, note) VALUES ($1, $2, $3, $4, $5, $6, $7)",
      [id, body.name, body.kind, body.rank, body.policy, JSON.stringify(body.destination), body.note],
    );
    await logEvent(db, person, "customer", id, "added", `Added the customer ${body.name}`);
    return { id, ...body };
  });
}
