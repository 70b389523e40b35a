/** Whether two types take each other's values, both ways. */
export type Same<A, B> = [A] extends [B] ? ([B] extends [A] ? true : never) : never;
