import { isWhole, linesOf, readOrder, type Catalogue, type ReadOrder } from "@kasten/core/orders";
import { doubtSentence } from "@kasten/core/sentences";
import type { Db } from "../database/rows";
import { catalogueOf } from "../import";
import { openTexts, saveOrder } from "../orders";
import type { Line } from "./line";
import { same, wrong, type FileReader, type Who } from "./reader";

/** An order that several lines make together: those of one customer for one day. */
interface Gathered {
  customer: string;
  due: string;
  items: string[];
}
const typed = (g: Gathered): string => `${g.items.join(", ")}; ${g.customer}, ${g.due}`;
const asked = (read: ReadOrder): string =>
  [...read.doubts, ...read.lines.flatMap((l) => l.doubts)].map(doubtSentence).join(" ");

async function write(db: Db, person: Who, text: string, read: ReadOrder): Promise<void> {
  const lines = linesOf(read);
  const { customer = "", due = "", dueReason } = read;
  await saveOrder(db, person, { text, customer, due, dueReason, note: "", lines });
}

const itemOf = (line: Line): string =>
  [line.text("quantity"), line.text("pattern"), line.text("size"), line.text("colour")].filter(Boolean).join(" ");

/** Lines that are whole orders as they were typed, or one fly each with its customer and day. */
export const orders: FileReader = async (db) => {
  const catalogue: Catalogue = await catalogueOf(db, new Date());
  const there = await openTexts(db);
  const gathered = new Map<string, Gathered>();
  return {
    judge: (line) => {
      const [text, customer, due] = [line.text("text"), line.text("customer"), line.text("due")];
      if (line.wrong.length > 0) return wrong(...line.wrong);
      const own = { customer, due, items: [text || itemOf(line)] };
      const whole = text && !customer && !due ? text : typed(own);
      const read = readOrder(whole, catalogue);
      if (!isWhole(read)) return wrong(asked(read) || "this is no order");
      if (there.has(whole)) return same("an open order with these words is there already");
      const says = `an order of ${read.lines.map((l) => l.text).join(", ")}, due ${read.due ?? ""}`;
      if (whole === text) return { fate: "new", says, take: (tx, person) => write(tx, person, whole, read) };
      return {
        fate: "new",
        says,
        take: () => {
          const key = `${customer}|${due}`;
          const before = gathered.get(key);
          gathered.set(key, before ? { ...before, items: [...before.items, ...own.items] } : own);
          return Promise.resolve();
        },
      };
    },
    finish: async (tx, person) => {
      for (const g of gathered.values()) await write(tx, person, typed(g), readOrder(typed(g), catalogue));
    },
  };
};
