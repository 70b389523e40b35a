import { addDays, format } from "date-fns";
import { isWhole, linesOf, readOrder, type Catalogue } from "@kasten/core/orders";
import { doubtSentence } from "@kasten/core/sentences";
import { z } from "zod";
import { readCustomers } from "../customers";
import type { Db } from "../database/rows";
import { Problem } from "../http/problems";
import { saveOrder } from "../orders";
import { todayIn } from "../settings";
import { readWorld } from "../world";
import { number, readCsv } from "./csv";

const orderRow = z.object({
  text: z.string(),
  due_in_days: number,
  due_reason: z.string().optional(),
  written_days_ago: number,
  note: z.string().default(""),
});
const day = (now: Date, days: number): string => format(addDays(now, days), "yyyy-MM-dd");

/** What the reader of orders may recognise in this room. */
export async function catalogueOf(db: Db, now: Date): Promise<Catalogue> {
  const world = await readWorld(db);
  const patterns = [...world.patterns.values()].map(({ id, name, sizes, variants, forms }) => {
    return { id, name, sizes, variants, forms };
  });
  const { timeZone, seasons } = world.settings;
  return { today: todayIn(timeZone, now), customers: await readCustomers(db), seasons, numberWords: {}, patterns };
}

/** Orders as they were typed, read by the same reader as on the screen. */
export async function importOrders(db: Db, person: { id: string }, text: string, now: Date): Promise<void> {
  const catalogue = await catalogueOf(db, now);
  for (const o of readCsv("orders.csv", text, orderRow)) {
    const typed = `${o.text}, ${day(now, o.due_in_days)}`;
    const read = readOrder(typed, catalogue);
    const doubts = [...read.doubts, ...read.lines.flatMap((l) => l.doubts)];
    if (!isWhole(read))
      throw new Problem(
        "import-refused",
        "Nothing was imported",
        `orders.csv: “${o.text}”: ${doubts.map(doubtSentence).join(" ")}`,
      );
    const lines = linesOf(read);
    const { customer = "", due = "" } = read;
    const order = { text: typed, customer, due, dueReason: o.due_reason, note: o.note, lines };
    await saveOrder(db, person, order, addDays(now, -o.written_days_ago));
  }
}
