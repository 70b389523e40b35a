/** Longer texts are seldom met twice, and would fill the memory. */
const LONGEST_KEPT = 300;

/**
 * A pure reader of texts that remembers what it made of the last of them: the parts of a statement are looked at from
 * several sides, and rows stay as they are from one letter typed to the next.
 *
 * @param read makes something of a text alone; what it makes is given out again and must not be changed
 * @param most so many texts are kept, > 0; then it begins anew
 */
export function remembered<T>(read: (text: string) => T, most = 2_000): (text: string) => T {
  const known = new Map<string, { made: T }>();
  return (text) => {
    if (text.length > LONGEST_KEPT) return read(text);
    const kept = known.get(text);
    if (kept) return kept.made;
    if (known.size >= most) known.clear();
    const made = read(text);
    known.set(text, { made });
    return made;
  };
}

/** The same for a reader that goes by something else as well: what it made is kept as long as that is. */
export function rememberedOf<O extends object, T>(read: (text: string, of: O) => T): (text: string, of: O) => T {
  const readers = new WeakMap<O, (text: string) => T>();
  return (text, of) => {
    const known = readers.get(of);
    if (known) return known(text);
    const made = remembered((t) => read(t, of));
    readers.set(of, made);
    return made(text);
  };
}
