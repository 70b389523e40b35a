import { addDays, format, parseISO } from "date-fns";

/** What is asked of a supplier: so many packs of things, and the dye lots that have to match. */
export interface SentOrder {
  number: number;
  supplier: string;
  /** ISO day on which it is sent, and days that they usually take. */
  sentOn: string;
  usualDays: number;
  lines: { id: string; material: string; packs: number; pack: number; dyeLot: string }[];
}

/** Their answer: the day, and what they say to it. */
export interface SupplierAnswer {
  confirmedOn: string;
  words: string;
}

/** What lies in their parcel, by their note. */
export interface SupplierParcel {
  lines: { id: string; quantity: number; lot: string; dyeLot: string; grade: string }[];
  note: string;
}

/** A supplier whom orders can be sent to over the wire. A real one is fitted here. */
export interface SupplierDesk {
  answer: (order: SentOrder) => SupplierAnswer;
  parcel: (order: SentOrder) => SupplierParcel;
}

/** Whole number from 0 to `below` − 1 that depends on the text alone (FNV-1a, 32 bits). */
function chosen(text: string, below: number): number {
  let hash = 0x811c9dc5;
  for (const c of text) {
    hash ^= c.codePointAt(0) ?? 0;
    hash = Math.imul(hash, 0x01000193);
  }
  return (hash >>> 0) % below;
}

const LATE_OF_TEN = 2;
const MOST_DAYS_LATE = 9;
const SHORT_OF_TEN = 1;
const OTHER_LOT_OF_TEN = 1;

/**
 * A stand-in that ships with the program: it confirms, is late two times of ten, sends a pack too few one time of ten
 * and another dye lot than was asked one time of ten; always the same for the same order.
 */
export const simulatedSupplier: SupplierDesk = {
  answer: ({ number, supplier, sentOn, usualDays }) => {
    const late = chosen(`${supplier} late ${number}`, 10) < LATE_OF_TEN;
    const days = late ? 3 + chosen(`${supplier} days ${number}`, MOST_DAYS_LATE - 2) : 0;
    const confirmedOn = format(addDays(parseISO(sentOn), usualDays + days), "yyyy-MM-dd");
    const words = late
      ? `We wait for goods ourselves: ${days} days later than usual.`
      : "Thank you, it goes out as usual.";
    return { confirmedOn, words };
  },
  parcel: ({ number, supplier, lines }) => {
    const notes: string[] = [];
    const sent = lines.map((l) => {
      const of = (what: string): number => chosen(`${supplier} ${what} ${number} ${l.material}`, 10);
      const short = l.packs > 1 && of("short") < SHORT_OF_TEN;
      const other = l.dyeLot !== "" && of("dye lot") < OTHER_LOT_OF_TEN;
      if (short) notes.push(`One pack of ${l.material} follows later.`);
      if (other) notes.push(`Of ${l.material} lot ${l.dyeLot} is sold out; this is the next.`);
      return {
        id: l.id,
        quantity: (short ? l.packs - 1 : l.packs) * l.pack,
        lot: `${l.material}-P${number}`,
        dyeLot: other ? `${l.dyeLot}+1` : l.dyeLot,
        grade: "",
      };
    });
    return { lines: sent, note: notes.join(" ") };
  },
};
