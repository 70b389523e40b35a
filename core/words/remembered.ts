/** Texts that are remembered: the lines of twenty recipes as long as they may be. */
const MOST = 4000;

/**
 * What is made of a text alone, made once for as long as the text is in use: typing changes one line, and all others
 * are read again as they were.
 *
 * @param make pure; what it gives is shared, and nobody changes it
 */
export function remembered<T>(make: (text: string) => T): (text: string) => T {
  const known = new Map<string, { made: T }>();
  return (text) => {
    const before = known.get(text);
    if (before) return before.made;
    const made = make(text);
    // Who was asked for first is forgotten first: all lines of a recipe are asked for in turn.
    const [oldest] = known.size >= MOST ? known.keys() : [];
    if (oldest !== undefined) known.delete(oldest);
    known.set(text, { made });
    return made;
  };
}
