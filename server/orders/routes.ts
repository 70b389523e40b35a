import {
  addOrder,
  cancelOrder,
  editOrder,
  endStanding as endStandingEndpoint,
  listOrders,
  listStanding,
  passStanding as passStandingEndpoint,
  promise,
  readOrderById,
  setStanding as setStandingEndpoint,
} from "@kasten/contract/orders";
import type { Register } from "../http/handle";
import { notFound } from "../http/problems";
import { historyOf } from "../log";
import type { Outlook } from "../outlook";
import { orderPage } from "./page";
import { orderById } from "./queries";
import { cancelRest, changeOrder, saveOrder } from "./service";
import { endStanding, passStanding, setStanding, standingOf, standingOrders } from "./standing";

const done = { ok: true } as const;

export function orderRoutes(register: Register, { outlook }: { outlook: Outlook }): void {
  register(listOrders, ({ db, query }) => orderPage(db, query));
  register(readOrderById, async ({ db, params }) => {
    const order = await orderById(db, params.id);
    if (!order) throw notFound("order");
    return { ...order, history: await historyOf(db, "order", params.id), standing: await standingOf(db, order) };
  });
  register(addOrder, ({ db, person, body }) => saveOrder(db, person, body));
  register(editOrder, ({ db, person, params, body }) => changeOrder(db, person, params.id, body));
  register(cancelOrder, async ({ db, person, params, body }) => {
    await cancelRest(db, person, params.id, body.version);
    return { ok: true as const };
  });
  register(listStanding, async ({ db }) => ({ standing: await standingOrders(db) }));
  register(setStandingEndpoint, async ({ db, person, params, body }) => {
    await setStanding(db, person, params.id, body.aheadDays);
    return done;
  });
  register(passStandingEndpoint, async ({ db, person, params }) => {
    await passStanding(db, person, params.id);
    return done;
  });
  register(endStandingEndpoint, async ({ db, person, params }) => {
    await endStanding(db, person, params.id);
    return done;
  });
  register(promise, async ({ db, body }) => outlook.promise(db, body.lines));
}
