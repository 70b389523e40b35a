import type { Sentences } from "../errors";

/** The sentence of a coded thing, from the table of its kind. */
export const say = <D, C extends keyof D>(table: Sentences<D>, coded: { code: C; details: D[C] }): string =>
  table[coded.code](coded.details);
