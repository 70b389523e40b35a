/**
 * Every match of a pattern, in order. As `matchAll` finds them, which copies the pattern at each call: several times
 * as slow as a search in a short text.
 *
 * @param pattern with the flag g; may be shared, it is left as it was found
 */
export function allOf(pattern: RegExp, text: string): RegExpExecArray[] {
  const found: RegExpExecArray[] = [];
  pattern.lastIndex = 0;
  for (let m = pattern.exec(text); m; m = pattern.exec(text)) {
    found.push(m);
    if (m[0] === "") pattern.lastIndex++;
  }
  return found;
}

/** A word without the s that stands for several: “herls” is “herl”, and “bass” stays what it is. */
export const withoutPlural = (word: string): string => word.replace(/(?<=[^s])s$/, "");
