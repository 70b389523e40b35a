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
  /** What the person at the keyboard means by a loose number word, as they have said: { couple: 2 }. */
  numberWords: Record<string, number>;
}

export type Policy = "original" | "alternates" | "tier";

export type Field = "quantity" | "pattern" | "size" | "variant" | "form" | "customer" | "due" | "rest";

/** What is asked about an order, with what the question names. */
export interface DoubtDetails {
  HALF_A_DOZEN: Nothing;
  /** A number word that means a different number to each person. */
  LOOSE_NUMBER: { words: string };
  NOT_A_NUMBER: { words: string };
  /** `flies` is none, or less than none. */
  TOO_FEW: { words: string; flies: number };
  NOT_WHOLE: { words: string };
  TOO_MANY: { dozens: number; most: number };
  HOW_MANY: Nothing;
  WHO_FOR: Nothing;
  WHEN_FOR: Nothing;
  DAY_PASSED: { day: string; today: string };
  NOT_A_DAY: { words: string };
  CUSTOMER_UNKNOWN: { words: string };
  WHICH_PATTERN: Nothing;
  PATTERN_UNKNOWN: { words: string };
  WHICH_SIZE: { pattern?: string; from?: string; to?: string };
  SIZE_OUTSIDE: { pattern: string; size: string; from: string; to: string };
  SIZE_UNREADABLE: { words: string };
  WHICH_COLOUR: { pattern: string };
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
  understood: Understood[];
  doubts: Doubt[];
}

export interface ReadOrder {
  lines: ReadLine[];
  customer?: string;
  due?: string;
  dueReason?: string;
  understood: Understood[];
  doubts: Doubt[];
}
