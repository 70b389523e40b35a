import type { Catalogue, ReadOrder, Wish } from "../types";
import { ItemReader } from "../item";
import { Heading } from "../heading";
import type { Statement } from "../days";
import { rememberedOf } from "../remembered";
import { Stretch } from "../stretch";
import { findName, SURE, findShort, isNoun } from "../names";

/** An order while it is read: its text, and what was made of it so far. */
export interface OrderReading {
  readonly text: string;
  readonly catalogue: Catalogue;
  readonly order: ReadOrder;
  readonly items: ItemReader;
  readonly heading: Heading;
  /** Wishes that stand for themselves: for the whole order. */
  readonly wishes: Wish[];
  /** Statements that made lines, so that a day within one is theirs. */
  readonly statements: Statement[];
}

export const namesFly = (o: OrderReading, stretch: Stretch): boolean => namesOne(stretch.left, o.catalogue);
export const namesFlyIn = (o: OrderReading, text: string): boolean => namesOne(text, o.catalogue);

const namesOne = rememberedOf((text: string, { patterns, customers }: Catalogue): boolean => {
  const words = new Stretch(text, 0).words().filter((w) => !/\d/.test(w.text));
  const pattern = findName(words, patterns, (p) => p.name, 0.62);
  const customer = findName(words, customers, (c) => c.name, SURE);
  // “Margit Osterfeld: 6 Barrel Nymphs”: each by its own words.
  const isApart = pattern && customer && (pattern.from >= customer.to || customer.from >= pattern.to);
  const isFly = pattern && (!customer || pattern.like >= customer.like || (isApart && pattern.like >= SURE));
  if (isFly) return true;
  // “6 pupas 16 red for Ida Pellworth”: beside whom they are for.
  const others = customer ? [...words.slice(0, customer.from), ...words.slice(customer.to)] : words;
  return findShort(others, patterns, (p) => p.name, isNoun) !== undefined;
});
