import { dozensText, type Quantity } from "../quantity";
import type { Catalogue } from "../types";

/** A statement with its quantities, in their order. */
export interface Counted {
  text: string;
  start: number;
  quantities: readonly Quantity[];
  catalogue: Catalogue;
}
/** What a quantity is made of. */
export interface Breakdown {
  /** What counts in place of the quantities. */
  parts: Quantity[];
  /** The words that say so: they count nothing themselves. */
  words: [number, number];
  /** How these words are understood. */
  label: string;
  /** The whole, where its parts come to it: it counts nothing either. */
  whole?: [number, number];
  /** No other fly may be named behind this part, or it is a quantity of that. */
  until?: Quantity;
  /** Where the next quantity stands: what is told behind it is no longer of this one. */
  next?: number;
}

/** All of the first quantity, in these parts. */
export const inAll = ([total]: readonly Quantity[], parts: Quantity[] | undefined): Breakdown | undefined =>
  total?.flies === undefined || !parts
    ? undefined
    : { parts, words: total.at, label: `${dozensText(total.flies)} in all`, until: parts[0] };
export const sumOf = (parts: readonly Quantity[]): number => parts.reduce((sum, p) => sum + (p.flies ?? 0), 0);
