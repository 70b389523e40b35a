import { nextStanding } from "@kasten/core/orders";
import type { Order, Standing } from "@kasten/contract/orders";
import { differenceInCalendarDays, parseISO } from "date-fns";
import { insert, locked, update, type Db } from "../database/rows";
import { conflict, notFound } from "../http/problems";
import { logEvent } from "../log";
import { readSettings, todayIn } from "../settings";
import { orderEntity, standingEntity, type StandingRow } from "./entities";
import { ordersById } from "./queries";

type Who = { id: string };

/** Orders that come up again, the next first. */
export async function standingOrders(db: Db, at: Date = new Date()): Promise<Standing[]> {
  const rows = await db.getRepository(standingEntity).find();
  const settings = await readSettings(db);
  const today = todayIn(settings.timeZone, at);
  const orders = new Map(
    (
      await ordersById(
        db,
        rows.map((r) => r.orderId),
      )
    ).map((o) => [o.id, o]),
  );
  return rows
    .flatMap((r): Standing[] => {
      const o = orders.get(r.orderId);
      if (!o) return [];
      const next = nextOf(r, o, settings.seasons);
      return [
        {
          order: o.id,
          number: o.number,
          customer: o.customer,
          customerName: o.customerName,
          next,
          season: o.dueReason,
          aheadDays: r.aheadDays,
          isUp: differenceInCalendarDays(parseISO(next), parseISO(today)) <= r.aheadDays,
          lines: o.lines,
        },
      ];
    })
    .sort((a, b) => a.next.localeCompare(b.next) || a.number - b.number);
}

type Seasons = Parameters<typeof nextStanding>[3];
const nextOf = (r: StandingRow, o: Pick<Order, "due" | "dueReason">, seasons: Seasons): string =>
  nextStanding(o.due, o.dueReason, r.passed, seasons);

/** When an order comes up again, if it stands. */
export async function standingOf(db: Db, order: Order): Promise<{ next: string; aheadDays: number } | null> {
  const row = await db.getRepository(standingEntity).findOneBy({ orderId: order.id });
  if (!row) return null;
  const { seasons } = await readSettings(db);
  return { next: nextOf(row, order, seasons), aheadDays: row.aheadDays };
}

export async function setStanding(db: Db, person: Who, orderId: string, aheadDays: number): Promise<void> {
  const order = await locked(db, orderEntity, { id: orderId });
  if (!order) throw notFound("order");
  const changed = await update(db, standingEntity, { orderId }, { aheadDays });
  if (changed === 0) await insert(db, standingEntity, { orderId, aheadDays, setBy: person.id });
  await logEvent(db, person, "order", orderId, "standing", `Comes up again each year, ${aheadDays} days ahead`);
}

export async function passStanding(db: Db, person: Who, orderId: string): Promise<void> {
  const { passed } = await lockedStanding(db, orderId);
  await update(db, standingEntity, { orderId }, { passed: passed + 1 });
  await logEvent(db, person, "order", orderId, "standing", "Passed over this time; comes up again a year later");
}

export async function endStanding(db: Db, person: Who, orderId: string): Promise<void> {
  await lockedStanding(db, orderId);
  await db.getRepository(standingEntity).delete({ orderId });
  await logEvent(db, person, "order", orderId, "standing", "Comes up no more");
}

/** The new order stands in the place of the one that it takes up. */
export async function takeUp(db: Db, person: Who, orderId: string, by: { id: string; number: number }): Promise<void> {
  const { aheadDays } = await lockedStanding(db, orderId);
  await db.getRepository(standingEntity).delete({ orderId });
  await insert(db, standingEntity, { orderId: by.id, aheadDays, setBy: person.id });
  await logEvent(db, person, "order", orderId, "standing", `Taken up by order ${by.number}, which stands from now on`);
}

async function lockedStanding(db: Db, orderId: string): Promise<StandingRow> {
  const row = await locked(db, standingEntity, { orderId });
  if (!row) throw conflict("That standing order was taken up or ended meanwhile. Look at the orders again.");
  return row;
}
