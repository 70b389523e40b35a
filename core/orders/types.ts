import type { Coded } from "../errors";

/** What the reader may recognise: patterns with their variants and forms, customers, seasons. */
export interface Catalogue {
  today: string;
  patterns: {
    id: string;
    name: string;
    sizes: { from: string; to: string };
    variants: { id: string; name: string }[];
    forms: { id: string; name: string }[];
  }[];
  customers: { id: string; name: string }[];
  /** Days that work is promised against: a run, a hatch, the opening of a season. */
  seasons: { name: string; date: string }[];
  /** What numbers without a unit count, where the text says it for all of them: set by the reader. */
  unit?: "dz" | "flies";
  /** What the person at the keyboard means by a loose number word, as they have said: { couple: 2 }. */
  numberWords: Record<string, number>;
}

export type Policy = "original" | "alternates" | "tier";

/** What a wish is about, as far as the program knows; the customer's words are kept in any case. */
export type WishKind =
  "barbless" | "leadFree" | "sparse" | "full" | "without" | "part" | "policy" | "parcels" | "rush" | "sample" | "own";
export interface Wish {
  at: [number, number];
  words: string;
  kind: WishKind;
  policy?: Policy;
}

/** Why a stretch of the text is not part of the order. */
export type AsideWhy = "greeting" | "closing" | "quoted" | "head" | "courtesy" | "heading";
export interface Aside {
  at: [number, number];
  why: AsideWhy;
}

export type Field = "quantity" | "pattern" | "size" | "variant" | "form" | "customer" | "due" | "wish" | "rest";

/** What is asked about an order, with what the question names. */
export interface DoubtDetails {
  /** A number word that means a different number to each person. */
  LOOSE_NUMBER: { words: string };
  /** "3–4 dozen": one of both. */
  TWO_NUMBERS: { words: string };
  /** "about 6 dz". */
  HEDGED: { words: string };
  /** A number without a unit. */
  DOZENS_OR_FLIES: { words: string };
  /** Several sizes or colours for one quantity: each, or shared among them? */
  SHARED_HOW: { words: string; count: number };
  /** “Some with a red collar”: of how many of them is it wished? */
  WISHED_OF_SOME: { words: string };
  /** A line that may go on with the one above it, and then says something else. */
  ONE_LINE: { words: string };
  /** Shared among so many, it gives no whole flies. */
  NOT_SHARED: { flies: number; count: number };
  NOT_A_NUMBER: { words: string };
  /** `flies` is none, or less than none. */
  TOO_FEW: { words: string; flies: number };
  NOT_WHOLE: { words: string };
  TOO_MANY: { dozens: number; most: number };
  HOW_MANY: Nothing;
  WHO_FOR: Nothing;
  WHEN_FOR: Nothing;
  DAY_PASSED: { day: string; today: string };
  /** Without a year it would be nearly a year ahead. */
  DAY_FAR: { words: string; day: string };
  /** A numeric date whose order is unclear, or a weekday that could be two. */
  TWO_DAYS_MEANT: { words: string };
  /** Another day was read before. */
  ANOTHER_DAY: { words: string; day: string };
  ANOTHER_CUSTOMER: { words: string; customer: string };
  /** It is about an order that is already there. */
  OTHER_ORDER: { words: string };
  AS_BEFORE: { words: string };
  NOT_A_DAY: { words: string };
  CUSTOMER_UNKNOWN: { words: string };
  WHICH_PATTERN: Nothing;
  PATTERN_UNKNOWN: { words: string };
  WHICH_SIZE: { pattern?: string; from?: string; to?: string };
  /** “12 or 14”: one of them is meant. */
  SIZE_OR_OTHER: { words: string };
  SIZE_OUTSIDE: { pattern: string; size: string; from: string; to: string };
  SIZE_UNREADABLE: { words: string };
  WHICH_COLOUR: { pattern: string };
  /** The line before it was of another weight than is usual. */
  WHICH_FORM: { pattern: string; before: string; usual: string };
  /** “… all barbless”, behind one of several lines: is it wished of that one, or of all? */
  WISH_OF_ALL: { words: string };
  /** “Same again in black”, beneath several rows of a fly: once more the last of them, or all `count`? */
  SAME_OF_WHICH: { words: string; count: number };
  /** A number that is neither size nor quantity. */
  WHAT_NUMBER: { words: string };
  /** A column of a table that could hold two things. */
  TABLE_UNCLEAR: { column: string };
  /** More in one row than is read. */
  ROW_TOO_LONG: { most: number };
  NOT_UNDERSTOOD: { words: string };
}
type Nothing = Record<never, never>;

/** Something that was not understood, where it stands in the text, and what could stand there instead. */
export type Doubt = Coded<DoubtDetails> & {
  field: Field;
  /** Range of the text that a candidate replaces. */
  at: [number, number];
  candidates: { label: string; text: string }[];
};

/** A part that was understood: where, and as what. */
export interface Understood {
  field: Field;
  at: [number, number];
  label: string;
  /** What the words say of materials, where they do. */
  policy?: Policy;
}

export interface ReadLine {
  text: string;
  at: [number, number];
  flies?: number;
  pattern?: string;
  size?: string;
  variant?: string;
  form?: string;
  policy?: Policy;
  /** A day of its own, where it is not that of the order. */
  due?: string;
  /** In the customer's words, for everyone up to the box. */
  wishes: Wish[];
  understood: Understood[];
  doubts: Doubt[];
}

export interface ReadOrder {
  lines: ReadLine[];
  customer?: string;
  due?: string;
  dueReason?: string;
  /** What of a mail is not the order: greeting, closing, quoted text. */
  asides: Aside[];
  understood: Understood[];
  doubts: Doubt[];
}
