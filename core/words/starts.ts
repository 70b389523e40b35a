/**
 * With which two characters something can begin. What is shorter may be followed by anything; undefined is anything at
 * all. It may hold more than can be, and never less: a reader that cannot begin where a text stands is not tried.
 */
export type Starts = ReadonlySet<string> | undefined;

/** Stands for any one character. */
export const ANY_CHAR = "\0";
/** Stands for all blanks. */
export const BLANK = " ";
const DEEP = 2;
/** Of more than so many only the first character is kept. */
const MOST = 1500;

export const EMPTY: ReadonlySet<string> = new Set([""]);
const SOMETHING: ReadonlySet<string> = new Set(["", ANY_CHAR, ANY_CHAR + ANY_CHAR]);

const kept = (all: Set<string>): ReadonlySet<string> =>
  all.size <= MOST ? all : new Set([...all].map((s) => (s.length < DEEP ? s : s.charAt(0) + ANY_CHAR)));

/** Either of them. */
export function startsOfAny(all: readonly Starts[]): Starts {
  const out = new Set<string>();
  for (const starts of all) {
    if (!starts) return undefined;
    for (const s of starts) out.add(s);
  }
  return kept(out);
}

/** One behind the other. @param between what may stand between two of them */
export function startsInOrder(all: readonly Starts[], between: ReadonlySet<string> = EMPTY): ReadonlySet<string> {
  let out: ReadonlySet<string> = EMPTY;
  for (const [i, starts] of all.entries()) {
    if (i > 0 && between !== EMPTY) out = joined(out, between);
    if (isFull(out)) break;
    out = joined(out, starts ?? SOMETHING);
  }
  return out;
}
/** Whether all of them have as many characters as are looked at. */
export function isFull(all: ReadonlySet<string>): boolean {
  for (const s of all) if (s.length < DEEP) return false;
  return true;
}
function joined(all: ReadonlySet<string>, next: ReadonlySet<string>): ReadonlySet<string> {
  const out = new Set<string>();
  for (const a of all) {
    if (a.length >= DEEP) out.add(a);
    else for (const b of next) out.add((a + b).slice(0, DEEP));
  }
  return kept(out);
}

/** Whether it can begin with these two characters of a text; an undefined one could be any. */
export function canStart(starts: Starts, first: string | undefined, second: string | undefined): boolean {
  if (!starts || first === undefined || starts.has("") || starts.has(first) || starts.has(ANY_CHAR)) return true;
  if (starts.has(first + ANY_CHAR) || starts.has(ANY_CHAR + ANY_CHAR)) return true;
  if (second !== undefined) return starts.has(first + second) || starts.has(ANY_CHAR + second);
  for (const s of starts) if (s.startsWith(first) || s.startsWith(ANY_CHAR)) return true;
  return false;
}
