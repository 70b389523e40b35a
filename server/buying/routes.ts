import type { Need } from "@kasten/contract/materials";
import {
  cancelPurchase,
  confirmPurchase,
  editPurchase,
  listPurchases,
  planBuying,
  readDeliveryNote,
  readPurchase,
  receivePurchase,
  sendPurchase,
  writePurchase,
} from "@kasten/contract/purchasing";
import type { Register } from "../http/handle";
import type { Outlook } from "../outlook";
import { buyingPlan, type Cheapest } from "./plan";
import { cancel, confirm, deliveryNote, edit, onePurchase, readPurchases, receive, send, write } from "./purchases";

const ok = { ok: true as const };

export function buyingRoutes(
  register: Register,
  { outlook, cheapest }: { outlook: Outlook; cheapest: Cheapest },
): void {
  register(listPurchases, async ({ db }) => ({ purchases: await readPurchases(db) }));
  register(readPurchase, ({ db, params }) => onePurchase(db, params.id));
  register(writePurchase, ({ db, person, body }) => write(db, person, body));
  register(editPurchase, async ({ db, person, params, body }) => {
    await edit(db, person, params.id, body);
    return ok;
  });
  register(sendPurchase, async ({ db, person, params, body }) => {
    await send(db, person, params.id, body.version);
    return ok;
  });
  register(confirmPurchase, async ({ db, person, params, body }) => {
    await confirm(db, person, params.id, body);
    return ok;
  });
  register(cancelPurchase, async ({ db, person, params, body }) => {
    await cancel(db, person, params.id, body);
    return ok;
  });
  register(readDeliveryNote, async ({ db, params }) => {
    const { lines, note } = await deliveryNote(db, params.id);
    return { note, lines: lines.map(({ id, ...l }) => ({ line: id, ...l })) };
  });
  register(receivePurchase, ({ db, person, params, body }) => receive(db, person, params.id, body));
  register(planBuying, async ({ db, query }) => {
    // What the program wrote itself, in the shape of the contract.
    const { needs } = JSON.parse(await outlook.read(db, "needs")) as { needs: Need[] };
    const { stock, first, dyedUntil } = query;
    return buyingPlan(db, needs, { withStock: stock === "yes", inTime: first === "time", dyedUntil }, cheapest);
  });
}
