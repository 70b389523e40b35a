import { ANY_CHAR, BLANK, EMPTY, isFull, startsInOrder, startsOfAny, type Starts } from "./starts";

/**
 * With what a reader can begin: most cannot begin where a text stands, and a look at two characters is far cheaper than
 * to try them. It is worked out when it is asked for first.
 */
export type Firsts = () => Starts;

/** What is worked out when it is asked for first, and not again. */
export function once<T>(work: () => T): () => T {
  let known: { made: T } | undefined;
  return () => (known ??= { made: work() }).made;
}

/** Either of them; one of which nothing is known may begin with anything. */
export const either = (all: readonly (Firsts | undefined)[]): Firsts => once(() => startsOfAny(all.map((f) => f?.())));

/** One behind the other. @param between what may stand between two of them */
export const inOrder = (all: readonly (Firsts | undefined)[], between?: ReadonlySet<string>): Firsts =>
  once(() =>
    startsInOrder(
      all.map((f) => f?.()),
      between,
    ),
  );

/** What need not be there. @param before what may stand before it */
export const optional = (of: Firsts | undefined, before: ReadonlySet<string> = EMPTY): Firsts =>
  once(() => startsOfAny([EMPTY, startsInOrder([before, of?.()])]));

/** What takes up something, whatever its parts may leave out. */
export const never = (empty: Firsts): Firsts =>
  once(() => {
    const starts = empty();
    return starts && new Set([...starts].filter((s) => s !== ""));
  });

/** With what a regular expression can begin, of which nothing is known but its source. */
export const firstsOf = (source: string): Firsts => once(() => startsOf(source));

/**
 * With what a regular expression can begin. Its source is taken as it stands, in small letters.
 *
 * @throws {Error} where the source is none that can be read here: a bracket is not closed
 */
export function startsOf(source: string): Starts {
  const read = alternatives(source, 0);
  if (read.end !== source.length) throw new Error(`A bracket too many at ${read.end} of ${source}`);
  return read.starts;
}

const range = (from: string, to: string): string[] =>
  Array.from({ length: to.charCodeAt(0) - from.charCodeAt(0) + 1 }, (_, i) =>
    String.fromCharCode(from.charCodeAt(0) + i),
  );
const DIGITS = range("0", "9");
const ofClass: Record<string, readonly string[]> = {
  s: [BLANK],
  d: DIGITS,
  w: [...range("a", "z"), ...DIGITS, "_"],
};
const assertions = /\(\?(?:<?[=!])/y;
const groups = /\((?:\?:|\?<\w+>)?/y;
const repeats = /(?:[*+?]|\{\d+(?:,\d*)?\})\??/y;

const at = (pattern: RegExp, source: string, place: number): string | undefined => {
  pattern.lastIndex = place;
  return pattern.exec(source)?.[0];
};

interface Read {
  starts: Starts;
  end: number;
}

/** The ways of a pattern, as far as no bracket holds them together: those between its bars. */
export function waysOf(source: string): string[] {
  const ways: string[] = [];
  let from = 0;
  for (;;) {
    const end = endOfWay(source, from);
    ways.push(source.slice(from, end));
    if (source[end] !== "|") return ways;
    from = end + 1;
  }
}

function alternatives(source: string, from: number): Read {
  const all: Starts[] = [];
  let place = from;
  for (;;) {
    const { starts, end } = sequence(source, place);
    all.push(starts);
    if (source[end] !== "|") return { starts: startsOfAny(all), end };
    place = end + 1;
  }
}

/** Where a way ends: at a bar or a bracket that is its neighbour's, or with the source. */
function endOfWay(source: string, from: number): number {
  let depth = 0;
  for (let place = from; place < source.length; place++) {
    const c = source[place];
    if (c === "\\") place++;
    else if (c === "[") place = endOfClass(source, place);
    else if (c === "(") depth++;
    else if ((c === "|" || c === ")") && depth === 0) return place;
    else if (c === ")") depth--;
  }
  return source.length;
}
/** The bracket that closes a class. */
function endOfClass(source: string, from: number): number {
  let place = from + 1;
  while (place < source.length && source[place] !== "]") place += source[place] === "\\" ? 2 : 1;
  return place;
}

function sequence(source: string, from: number): Read {
  let starts: ReadonlySet<string> = EMPTY;
  let place = from;
  while (place < source.length && source[place] !== "|" && source[place] !== ")") {
    const { starts: own, end } = atom(source, place);
    const often = at(repeats, source, end);
    starts = startsInOrder([starts, often === undefined ? own : repeated(own, often)]);
    place = end + (often?.length ?? 0);
    // What stands behind the first two characters changes nothing.
    if (isFull(starts)) place = endOfWay(source, place);
  }
  return { starts, end: place };
}

/** What may come not at all, or more than once. */
function repeated(starts: Starts, often: string): Starts {
  const more = often.startsWith("?") ? starts : startsOfAny([starts, startsInOrder([starts, starts])]);
  return /^(?:[*?]|\{0)/.test(often) ? startsOfAny([EMPTY, more]) : more;
}

function atom(source: string, from: number): Read {
  const assertion = at(assertions, source, from);
  if (assertion !== undefined)
    return { starts: EMPTY, end: closed(source, endOfAlternatives(source, from + assertion.length)) };
  const group = at(groups, source, from);
  if (group !== undefined) {
    const { starts, end } = alternatives(source, from + group.length);
    return { starts, end: closed(source, end) };
  }
  const c = source[from] ?? "";
  if (c === "[") return characterClass(source, from);
  if (c === "\\") return escaped(source, from);
  if (c === "^" || c === "$") return { starts: EMPTY, end: from + 1 };
  return { starts: c === "." ? ANY_ONE : oneOfThese([c]), end: from + 1 };
}

/** Where a bracket closes what stands in it from a place on. */
function endOfAlternatives(source: string, from: number): number {
  let end = endOfWay(source, from);
  while (source[end] === "|") end = endOfWay(source, end + 1);
  return end;
}

function closed(source: string, place: number): number {
  if (source[place] !== ")") throw new Error(`A bracket is not closed in ${source}`);
  return place + 1;
}

/** Of a class of more characters than so many any is taken. */
const WIDE = 20;
const ANY_ONE: ReadonlySet<string> = new Set([ANY_CHAR]);
const oneOfThese = (chars: readonly string[]): Starts =>
  chars.length > WIDE ? ANY_ONE : new Set(chars.map((c) => (/\s/.test(c) ? BLANK : c.toLowerCase())));

function escaped(source: string, from: number): Read {
  const c = source[from + 1] ?? "";
  const end = from + 2;
  if (c === "b" || c === "B") return { starts: EMPTY, end };
  if (c === "p" || c === "P") return { starts: ANY_ONE, end: source.indexOf("}", from) + 1 };
  if (/[a-z0-9]/i.test(c)) return { starts: ofClass[c] ? oneOfThese(ofClass[c]) : ANY_ONE, end };
  return { starts: oneOfThese([c]), end };
}

const member = /\\(.)|([^\\])-([^\\])|([^\\])/gu;
function characterClass(source: string, from: number): Read {
  const last = endOfClass(source, from);
  if (source[last] !== "]") throw new Error(`A class is not closed in ${source}`);
  const [inner, end] = [source.slice(from + 1, last), last + 1];
  if (inner.startsWith("^") || /\\[pPWDSu]/.test(inner)) return { starts: ANY_ONE, end };
  const chars = [...inner.matchAll(member)].flatMap(([, escape, first, to, plain]) =>
    escape !== undefined ? (ofClass[escape] ?? [escape]) : first && to ? range(first, to) : [plain ?? ""],
  );
  return { starts: oneOfThese(chars), end };
}
