import { readDate } from "./dates";
import { ItemReader, sizeOf } from "./item";
import { findName, SURE } from "./names";
import { nearest } from "./nearest";
import { readQuantity, type Quantity } from "./quantity";
import { chunksOf, wordsOf, type Span } from "./spans";
import type { Catalogue, Doubt, ReadOrder } from "./types";

class OrderReader {
  readonly order: ReadOrder = { lines: [], understood: [], doubts: [] };
  private readonly items: ItemReader;

  constructor(
    readonly text: string,
    readonly catalogue: Catalogue,
  ) {
    this.items = new ItemReader(catalogue);
  }

  read(): ReadOrder {
    for (const chunk of chunksOf(this.text)) this.readChunk(chunk);
    const end: [number, number] = [this.text.length, this.text.length];
    if (this.order.lines.length > 0 && !this.order.customer && !this.order.doubts.some((d) => d.field === "customer"))
      this.order.doubts.push({
        field: "customer",
        code: "WHO_FOR",
        details: {},
        at: end,
        candidates: [],
      });
    if (this.order.lines.length > 0 && !this.order.due && !this.order.doubts.some((d) => d.field === "due"))
      this.order.doubts.push({
        field: "due",
        code: "WHEN_FOR",
        details: {},
        at: end,
        candidates: this.catalogue.seasons
          .filter((s) => s.date > this.catalogue.today)
          .slice(0, 2)
          .map((s) => ({ label: s.name, text: `, ${s.name}` })),
      });
    return this.order;
  }

  private readChunk(chunk: Span): void {
    const quantity = readQuantity(chunk, this.catalogue);
    if (quantity) return this.readItem(chunk, quantity);
    if (chunk.text.includes("\t")) return this.readRow(chunk);
    if (this.readDay(chunk) || this.readCustomer(chunk)) return;
    this.readUnknown(chunk);
  }

  /** A spreadsheet row without the word "dozen": its last bare number that is no size is taken as dozens. */
  private readRow(chunk: Span): void {
    const cells = wordsOf(chunk);
    const numbers = cells.filter((w) => /^-?\d+([.,]\d+)?$/.test(w.text));
    const last = numbers[numbers.length - 1];
    if (numbers.length < 2 || !last) return this.readUnknown(chunk);
    const asDozens = readQuantity({ text: `${last.text}dz`, start: last.start, end: last.end }, this.catalogue);
    if (asDozens)
      this.readItem(chunk, {
        ...asDozens,
        at: [last.start, last.end],
        ...(asDozens.doubt && { doubt: { ...asDozens.doubt, at: [last.start, last.end] } }),
      });
  }

  private readDay(chunk: Span): boolean {
    const season = nearest(
      chunk.text.replace(/^(before|for|by)\s+(the\s+)?/i, ""),
      this.catalogue.seasons,
      (s) => s.name,
      { most: 1, least: SURE },
    )[0]?.item;
    const day = season?.date ?? readDate(chunk.text, this.catalogue.today);
    if (!day) return false;
    const at: [number, number] = [chunk.start, chunk.end];
    if (day < this.catalogue.today) {
      this.order.doubts.push({
        field: "due",
        code: "DAY_PASSED",
        details: { day, today: this.catalogue.today },
        at,
        candidates: this.nextYear(day),
      });
      return true;
    }
    this.order.due = day;
    if (season) this.order.dueReason = season.name;
    this.order.understood.push({ field: "due", at, label: season ? `${season.name}, ${day}` : day });
    return true;
  }

  private nextYear(day: string): Doubt["candidates"] {
    const next = `${Number(this.catalogue.today.slice(0, 4)) + 1}${day.slice(4)}`;
    return [{ label: next, text: next }];
  }

  private readCustomer(chunk: Span): boolean {
    if (this.order.customer) return false;
    const clean = chunk.text.replace(/^(for|customer:?)\s+/i, "");
    const close = nearest(clean, this.catalogue.customers, (c) => c.name);
    const [first, second] = close;
    if (!first || first.like < 0.6) return false;
    const at: [number, number] = [chunk.start, chunk.end];
    if (first.like >= SURE && (!second || first.like - second.like > 0.05)) {
      this.order.customer = first.item.id;
      this.order.understood.push({ field: "customer", at, label: first.item.name });
      return true;
    }
    this.askCustomer(chunk, close);
    return true;
  }

  private askCustomer(chunk: Span, close: { item: { name: string } }[]): void {
    this.order.doubts.push({
      field: "customer",
      code: "CUSTOMER_UNKNOWN",
      details: { words: chunk.text },
      at: [chunk.start, chunk.end],
      candidates: close.map((c) => ({ label: c.item.name, text: c.item.name })),
    });
  }

  /** Neither item, day nor customer: ask, with what it could be. Nothing typed is dropped. */
  private readUnknown(chunk: Span): void {
    const words = wordsOf(chunk);
    const item = findName(words, this.catalogue.patterns, (p) => p.name, 0.6);
    const isSizeOnly =
      words.length > 0 && this.items.lastPattern !== undefined && words.every((w) => sizeOf(w.text) !== undefined);
    if (item || isSizeOnly) {
      const at: [number, number] = [chunk.start, chunk.start];
      return this.readItem(chunk, {
        at,
        doubt: { field: "quantity", code: "HOW_MANY", details: {}, at, candidates: [] },
      });
    }
    if (!this.order.customer && this.order.lines.length > 0 && !/\d/.test(chunk.text))
      return this.askCustomer(
        chunk,
        nearest(chunk.text, this.catalogue.customers, (c) => c.name, { least: 0.2 }),
      );
    const looksLikeDay = /\d/.test(chunk.text) && this.order.lines.length > 0;
    this.order.doubts.push({
      field: looksLikeDay ? "due" : "rest",
      code: looksLikeDay ? "NOT_A_DAY" : "NOT_UNDERSTOOD",
      details: { words: chunk.text },
      at: [chunk.start, chunk.end],
      candidates: [],
    });
  }

  private readItem(chunk: Span, quantity: Quantity): void {
    this.order.lines.push(this.items.read(chunk, quantity));
  }
}

/**
 * Read an order as it is typed or pasted: `6dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar`.
 * Understood parts and doubts carry their range in the text, so that a candidate can be put in their place;
 * nothing that was typed is thrown away.
 *
 * @param catalogue names to recognise, and today's date
 * @returns one line per item in the text's order; an item without a pattern takes the one before it,
 *   and without a colour the one before it when the pattern is the same
 */
export function readOrder(text: string, catalogue: Catalogue): ReadOrder {
  const order = new OrderReader(text, catalogue).read();
  order.lines.forEach((line, i) => {
    const before = order.lines[i - 1];
    if (!line.variant && before?.variant && before.pattern === line.pattern) {
      line.variant = before.variant;
      line.doubts = line.doubts.filter((d) => d.field !== "variant");
    }
  });
  return order;
}

/** Whether every line is whole and customer and day are known: then it can be saved. */
export const isWhole = (order: ReadOrder): boolean =>
  order.lines.length > 0 &&
  order.customer !== undefined &&
  order.due !== undefined &&
  order.doubts.length === 0 &&
  order.lines.every(
    (l) => l.doubts.length === 0 && l.flies && l.pattern && l.size && l.variant && l.form !== undefined,
  );
