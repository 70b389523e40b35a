/**
 * Whether two values of plain data say the same: numbers, texts, lists, and things with the same keys in any order; a
 * key without a value is as if it were not there.
 */
export function isSame(a: unknown, b: unknown): boolean {
  if (a === b || Object.is(a, b)) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b))
    return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((v, i) => isSame(v, b[i]));
  const [of, other] = [Object.entries(a), new Map<string, unknown>(Object.entries(b))];
  for (const [key, value] of of) {
    if (!isSame(value, other.get(key))) return false;
    other.delete(key);
  }
  for (const value of other.values()) if (value !== undefined) return false;
  return true;
}
