import type { OrderReading } from "./statement/reading";
import type { Doubt, ReadOrder, Wish, Catalogue, ReadLine } from "./types";
import { ItemReader } from "./item";
import { statedUnit } from "./quantity";
import { Heading } from "./heading";
import { type Statement, settleDays } from "./days";
import { askOfSome } from "./statement/ofSome";
import { setAside } from "./asides";
import { covered, uncover } from "./quoted";
import { tablesIn } from "./table";
import type { Row, Table } from "./cells";
import { headingsIn } from "./headings";
import { Stretch } from "./stretch";
import { type Span, piecesOf } from "./spans";
import { MARKER, SENTENCE, CLAUSE } from "./pieces";
import { headed, dashed } from "./statement/headed";
import { saidAlike } from "./alike";
import { findDay } from "./dates";
import { joined } from "./statement/joined";
import { readStatement } from "./statement";
import { calmed } from "./long";
import { placedAsTyped, plainly } from "./plainly";
import { withLists, withoutShort } from "./short";
import { joinedAt, perhapsBroken } from "./unbroken";

const NOT_BEFORE =
  /(?<!\p{L})(?:(?:but|aber)\s+)?(?:(?:not|nicht)\s+(?:before|earlier\s+than|sooner\s+than|vor(?:\s+dem)?)|(?:at\s+the\s+)?earliest(?:\s+on)?|frühestens(?:\s+am)?)\s+/iu;

class OrderReader implements OrderReading {
  readonly order: ReadOrder = { lines: [], asides: [], understood: [], doubts: [] };
  readonly items: ItemReader;
  private readonly unit: ReturnType<typeof statedUnit>;
  readonly heading: Heading;
  readonly wishes: Wish[] = [];
  readonly statements: Statement[] = [];

  readonly catalogue: Catalogue;

  constructor(
    readonly text: string,
    catalogue: Catalogue,
  ) {
    this.unit = statedUnit(text);
    this.catalogue = this.unit ? { ...catalogue, unit: this.unit.unit } : catalogue;
    this.items = new ItemReader(this.catalogue);
    this.heading = new Heading(catalogue, this.order, text);
  }

  read(): ReadOrder {
    const { lines, asides, signed } = setAside(covered(withLists(withoutShort(this.unit?.rest ?? this.text))));
    this.order.asides.push(...asides, ...(this.unit ? [{ at: this.unit.at, why: "heading" as const }] : []));
    for (const part of tablesIn(lines, this.catalogue))
      if ("rows" in part) this.readTable(part);
      else this.readLine(part);
    for (const line of this.order.lines) line.wishes = [...line.wishes, ...this.wishes];
    askOfSome(this.order, this.text);
    for (const line of signed) this.heading.takeSigned(line);
    headingsIn(this.order);
    const { understood, doubts } = settleDays(this.order, this.heading.days, this.statements);
    this.order.understood.push(...understood);
    this.order.doubts.push(...doubts);
    if (this.order.lines.length > 0) this.heading.askMissing(this.text.length, /\n/.test(this.text) ? "\n" : ", ");
    uncover(this.order, this.text);
    return this.order;
  }

  private readTable(table: Table): void {
    this.order.asides.push(...table.asides);
    this.order.doubts.push(...table.doubts);
    for (const row of table.rows) {
      const stretch = new Stretch(row.span.text, row.span.start);
      for (const cell of row.outside) stretch.takeOut(cell);
      this.heading.takeWithin(stretch);
      const first = this.order.lines.length;
      const made = this.items.read(stretch, row.quantity);
      for (const { understood, doubts } of made) {
        placeHead([...understood, ...doubts], row);
        askInGrid(doubts, row);
      }
      this.order.lines.push(...made);
      this.statements.push({ at: [row.span.start, row.span.end], lines: [first, this.order.lines.length] });
    }
  }

  private readLine(whole: Span): void {
    const line = this.withoutEarliest(whole);
    const marker = MARKER.exec(line.text)?.[0].length ?? 0;
    const before = this.order.lines.length;
    for (const sentence of joined(this, piecesOf(line.text.slice(marker), line.start + marker, SENTENCE))) {
      const ahead = this.order.lines.length;
      for (const clause of piecesOf(sentence.text, sentence.start, CLAUSE))
        for (const whole of headed(this, clause))
          // What is wished behind a dash is of its own sentence.
          dashed(this, whole).forEach((part, n) => this.readClause(part, n > 0 ? ahead : before));
    }
  }

  /** “Not before 1 May” is a wish, and no day for which it is due. */
  private withoutEarliest(line: Span): Span {
    const lead = NOT_BEFORE.exec(line.text);
    const from = lead ? lead.index + lead[0].length : 0;
    const day = lead && findDay(line.text.slice(from), this.catalogue.today);
    if (!lead || !day || /\S/.test(line.text.slice(from, from + day.at[0]))) return line;
    const end = from + day.at[1];
    const words = line.text.slice(lead.index, end).trim();
    const at: [number, number] = [line.start + lead.index, line.start + end];
    this.wishes.push({ at, words, kind: "own" });
    this.order.understood.push({ field: "wish", at, label: `wish: ${words}` });
    return { ...line, text: line.text.slice(0, lead.index) + " ".repeat(end - lead.index) + line.text.slice(end) };
  }

  /** @param before how many lines the order had before this line of the text */
  private readClause(clause: Span, before: number): void {
    const first = this.order.lines.length;
    readStatement(this, clause, before);
    this.statements.push({ at: [clause.start, clause.end], lines: [first, this.order.lines.length] });
  }
}

/**
 * In a grid the colour that is asked for belongs behind the fly's name, and not in the last of its fields. Another size
 * in its head would be one of every other fly as well: what a fly does not come in is asked about in its own field.
 */
function askInGrid(doubts: Doubt[], { span, nameEnd, quantity }: Row): void {
  if (nameEnd === undefined) return;
  for (const doubt of doubts) {
    const isBehind = doubt.at[0] === span.end && doubt.at[1] === span.end;
    if (doubt.code === "WHICH_COLOUR" && isBehind) doubt.at = [nameEnd, nameEnd];
    if (doubt.code === "SIZE_OUTSIDE" && quantity) Object.assign(doubt, { at: quantity.at, candidates: [] });
  }
}

/** What was read of the cell of a grid's head stands there, and not right before the row. */
function placeHead(marks: { at: [number, number] }[], { span, head }: Row): void {
  if (!head) return;
  const behind = span.start + head.text.length;
  for (const mark of marks)
    if (mark.at[0] >= span.start && mark.at[0] <= behind)
      mark.at = [mark.at[0] - span.start + head.start, Math.min(mark.at[1], behind) - span.start + head.start];
}

/**
 * Read an order as it is typed or pasted: one line, a list, a sheet's rows, a mail.
 * Understood parts and doubts carry their range in the text, so that a candidate can be put in their place;
 * nothing that was typed is thrown away: what is not the order is among its asides.
 *
 * @param catalogue names to recognise, and today's date
 * @returns one line per item in the text's order; an item without a pattern takes the one before it, and of the same
 *   pattern colour and weight too
 */
export function readOrder(text: string, catalogue: Catalogue): ReadOrder {
  const plain = plainly(text);
  const order = readUnbroken(plain.text, catalogue);
  placedAsTyped(order, plain);
  return order;
}

/** Reads a text in which a mail may have broken lines: where that would be another order, it is asked. */
function readUnbroken(text: string, catalogue: Catalogue): ReadOrder {
  const order = readPlain(text, catalogue);
  const breaks = perhapsBroken(text);
  const [first] = breaks;
  if (first === undefined) return order;
  const one = readPlain(joinedAt(text, breaks), catalogue);
  const [asIs, joined] = [order, one].map(isWhole);
  if (!asIs) return joined || countOf(one) < countOf(order) ? one : order;
  if (!joined || saysSame(order, one)) return order;
  const words = text
    .slice(first + 1)
    .trim()
    .split(/\s+/, 3)
    .join(" ");
  const candidates = [
    { label: "It goes on", text: " " },
    { label: "One of its own", text: ".\n" },
  ];
  order.doubts.push({ field: "rest", code: "ONE_LINE", details: { words }, at: [first, first + 1], candidates });
  return order;
}

function readPlain(text: string, catalogue: Catalogue): ReadOrder {
  const { text: calm, doubts } = calmed(text);
  const order = new OrderReader(saidAlike(calm), catalogue).read();
  order.doubts.push(...doubts);
  return order;
}

const countOf = ({ doubts, lines }: ReadOrder): number =>
  doubts.length + lines.reduce((sum, l) => sum + l.doubts.length, 0);
/** Whether two readings are one order, whatever the words in which it is told. */
function saysSame(a: ReadOrder, b: ReadOrder): boolean {
  const said = ({ lines, customer, due }: ReadOrder): string =>
    JSON.stringify([
      customer,
      due,
      lines.map((l) => [
        l.flies,
        l.pattern,
        l.size,
        l.variant,
        l.form,
        l.policy,
        l.due,
        wishWords(l).replace(/\s+/g, " "),
      ]),
    ]);
  return said(a) === said(b);
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

/** The wishes of a line as they are kept and shown. */
export const wishWords = (line: Pick<ReadLine, "wishes">): string =>
  [...new Set([...line.wishes].sort((a, b) => a.at[0] - b.at[0]).map((w) => w.words))].join("; ");

/** The lines of a whole order as they are saved. */
export const linesOf = (order: ReadOrder) =>
  order.lines.map((l) => {
    const { pattern = "", variant = "", form = "", size = "", flies = 0, policy, due } = l;
    return { pattern, variant, form, size, flies, policy, wishes: wishWords(l), ...(due !== undefined && { due }) };
  });
