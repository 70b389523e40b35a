/** One of a list to choose from. */
export interface Option<T = string> {
  value: T;
  label: string;
  /** Said beside it, smaller. */
  note?: string;
  colour?: string | null;
  disabled?: boolean;
}

/** Words that are their own values. */
export const optionsOf = <T extends string>(words: readonly T[]): Option<T>[] =>
  words.map((w) => ({ value: w, label: w }));

/** The same with a first one that says that none of them is meant. */
export const orNone = <T>(none: string, options: Option<T>[]): Option<T | undefined>[] => [
  { value: undefined, label: none },
  ...options,
];
