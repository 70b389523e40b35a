/** One of several things that core says by a permanent code, with the numbers and names that explain it. */
export type Coded<D> = { [C in keyof D]: { code: C; details: D[C] } }[keyof D];

/** A sentence for each code: a new code does not compile without one. */
export type Sentences<D> = { [C in keyof D]: (details: D[C]) => string };
