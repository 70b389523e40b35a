/** A number of a list by an index that is known to be in it; NaN beyond its ends, which no comparison passes. */
export const valueAt = (values: ArrayLike<number>, i: number): number => values[i] ?? NaN;

/**
 * An element of a list by an index that is known to be in it.
 * @throws RangeError beyond its ends: a fault of the program, not of its input
 */
export function nth<T>(list: readonly T[], i: number): T {
  const found = list[i];
  if (found === undefined) throw new RangeError(`There is no element ${i} in a list of ${list.length}.`);
  return found;
}

/** Two numbers, the smaller first. */
export const ascending = (a: number, b: number): [number, number] => (a <= b ? [a, b] : [b, a]);

/** The elements of a list by a key of theirs, each group in the list's order. */
export function groupBy<T, K>(list: Iterable<T>, keyOf: (item: T) => K): Map<K, T[]> {
  const groups = new Map<K, T[]>();
  for (const item of list) {
    const key = keyOf(item);
    const group = groups.get(key);
    if (group) group.push(item);
    else groups.set(key, [item]);
  }
  return groups;
}
