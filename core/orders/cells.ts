import { numberOf } from "./numbers";
import { bareQuantity, quantitiesIn, type Quantity } from "./quantity";
import { piecesOf, type Span } from "./spans";
import type { Aside, Catalogue, Doubt } from "./types";

/** What the cells of a column are. */
export type Role =
  "pattern" | "size" | "colour" | "dozens" | "flies" | "quantity" | "number" | "money" | "day" | "customer" | "other";
export interface Row {
  span: Span;
  quantity: Quantity | undefined;
  /** Cells that are not of the line: its number in the list, prices, sums. */
  outside: [number, number][];
  /** Of a grid: the cell of its head that was put right before the row's text. */
  head?: Span;
  /** Where the answer to what it lacks belongs, where that is not its end. */
  nameEnd?: number;
}
export interface Table {
  rows: Row[];
  asides: Aside[];
  doubts: Doubt[];
}

const HEADS: [Role, RegExp][] = [
  ["pattern", /^(?:patterns?|fl(?:y|ies)|name|item|article|artikel|muster|fliegen?|beschreibung|description)$/i],
  ["size", /^(?:(?:hook )?sizes?|sz|hook|größen?|groesse|gr|hakengröße|#)$/i],
  ["colour", /^(?:col(?:ou?rs?)?|farben?|variants?|shade)$/i],
  ["dozens", /^(?:dozens?|doz|dz|dtzd?|dutzend|qty \(?(?:dz|doz|dozens?)\)?|menge \(?(?:dz|dtzd?|dutzend)\)?)$/i],
  [
    "flies",
    /^(?:pcs|pieces|stück|stk|no\.? of flies|count|(?:qty|menge) \(?(?:pcs|flies|pieces|stück|stk)\)?|flies \(pcs\))$/i,
  ],
  ["quantity", /^(?:qty|quantity|menge|anzahl|amount)$/i],
  ["money", /^(?:price.*|total.*|sum.*|unit price|preis.*|summe|gesamt.*|betrag|value|€|eur|each €)$/i],
  ["number", /^(?:sku|code|ref|art(?:ikel|icle)?\.?[ -]?(?:no|nr|nummer)|no|nr|pos|line|row|lfd\.? ?nr|item no)$/i],
  ["day", /^(?:date|day|due|delivery|needed by|datum|termin|liefertermin)$/i],
  ["customer", /^(?:customer|client|kunde|for)$/i],
  [
    "other",
    /^(?:beads?|perle|materials?|hooks? type|notes?|remarks?|comments?|bemerkung(?:en)?|hinweis|weight|form|gewicht)$/i,
  ],
];
export const headRole = (cell: string): Role | undefined =>
  HEADS.find(([, like]) => like.test(cell.trim().replace(/[.:]$/, "")))?.[0];

export const WHOLE = /^\d{1,4}$/;
export const cellsOf = (line: Span, by: string): (Span | undefined)[] => {
  let from = line.start;
  return line.text.split(by).map((text) => {
    const [cell] = piecesOf(text, from, /(?!)/g);
    from += text.length + by.length;
    return cell;
  });
};

const SUMS = /^(?:grand\s+|sub-?\s?)?(?:total|sum|summe|gesamt\p{L}*|insgesamt|zusammen)\b/iu;
/** Whether a row only says what the others come to. */
export const isOfSums = (cells: readonly (Span | undefined)[]): boolean => cells.some((c) => c && SUMS.test(c.text));
/** From so many on a bare number may be flies. */
const MOST_DOZENS = 12;

/** Numbers below twelve are dozens: nobody orders seven flies of each. From twelve on it is asked, once for all. */
export function unitOf(role: Role | undefined, cells: string[]): "dozens" | "flies" | "said" | "unclear" {
  if (role === "dozens" || role === "flies") return role;
  if (cells.some((t) => !/^-?[\d.,½¼¾\s]+$/.test(t))) return "said";
  return cells.every((t) => (numberOf(t) ?? 0) < MOST_DOZENS) ? "dozens" : "unclear";
}

export function quantityOf(
  cell: Span | undefined,
  unit: ReturnType<typeof unitOf>,
  catalogue: Catalogue,
): Quantity | undefined {
  if (!cell) return undefined;
  const at: [number, number] = [cell.start, cell.end];
  if (unit === "unclear") return { at };
  const hasUnit = quantitiesIn(cell.text, cell.start, catalogue)[0];
  if (hasUnit) return hasUnit;
  // “24” beneath “2 dz”: how many that are is asked, as it is where no cell says its unit.
  if (unit === "said" && (numberOf(cell.text) ?? 0) >= MOST_DOZENS) return bareQuantity(cell.text, at, catalogue);
  const [read] = quantitiesIn(`${cell.text} ${unit === "flies" ? "flies" : "dz"}`, cell.start, catalogue);
  return read && { ...read, at, ...(read.doubt && { doubt: { ...read.doubt, at } }) };
}
