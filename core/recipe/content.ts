const ordered = (value: unknown): string =>
  JSON.stringify(value, (_key, v: unknown) =>
    v !== null && typeof v === "object" && !Array.isArray(v)
      ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
      : v,
  );

/**
 * The same content, whatever the order of its keys: a database, a file and an editor each have their own. Absent and
 * undefined are the same.
 */
export const sameContent = (a: unknown, b: unknown): boolean => ordered(a) === ordered(b);
