/**
 * With which characters a pattern can begin: most patterns cannot begin where a text stands, and a look at one
 * character is far cheaper than to try them.
 */
export interface Firsts {
  /** The characters, in small letters; undefined where it could be any. */
  chars: ReadonlySet<string> | undefined;
  /** It may take up nothing: then what comes behind it can begin there as well. */
  canBeEmpty: boolean;
}

export const ANY: Firsts = { chars: undefined, canBeEmpty: true };
const NOTHING: Firsts = { chars: new Set(), canBeEmpty: true };

/** Either of them. */
export function either(all: readonly (Firsts | undefined)[]): Firsts {
  const canBeEmpty = all.some((f) => f?.canBeEmpty ?? true);
  const chars = new Set<string>();
  for (const f of all) {
    if (!f?.chars) return { chars: undefined, canBeEmpty };
    for (const c of f.chars) chars.add(c);
  }
  return { chars, canBeEmpty };
}

/** One behind the other. */
export function inOrder(all: readonly (Firsts | undefined)[]): Firsts {
  const upTo = all.findIndex((f) => f !== undefined && !f.canBeEmpty);
  const part = either(upTo < 0 ? all : all.slice(0, upTo + 1));
  return { chars: part.chars, canBeEmpty: upTo < 0 };
}

const range = (from: string, to: string): string[] =>
  Array.from({ length: to.charCodeAt(0) - from.charCodeAt(0) + 1 }, (_, i) =>
    String.fromCharCode(from.charCodeAt(0) + i),
  );
const BLANKS = [" ", "\t", "\n", "\r", "\f", "\v", "\u00a0"];
const DIGITS = range("0", "9");
const ofClass: Record<string, readonly string[]> = {
  s: BLANKS,
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

/**
 * With what a regular expression can begin. Its source is taken as it stands: in small letters, with the flags `i` and
 * `u`.
 *
 * @throws {Error} where the source is none that can be read here: a bracket is not closed
 */
export function firstsOf(source: string): Firsts {
  const read = alternatives(source, 0);
  if (read.end !== source.length) throw new Error(`A bracket too many at ${read.end} of ${source}`);
  return read.firsts;
}

interface Read {
  firsts: Firsts;
  end: number;
}

/** The ways of a pattern, as far as no bracket holds them together: those between its bars. */
export function waysOf(source: string): string[] {
  const ways: string[] = [];
  let from = 0;
  for (;;) {
    const { end } = sequence(source, from);
    ways.push(source.slice(from, end));
    if (source[end] !== "|") return ways;
    from = end + 1;
  }
}

function alternatives(source: string, from: number): Read {
  const all: Firsts[] = [];
  let place = from;
  for (;;) {
    const { firsts, end } = sequence(source, place);
    all.push(firsts);
    if (source[end] !== "|") return { firsts: either(all), end };
    place = end + 1;
  }
}

function sequence(source: string, from: number): Read {
  const parts: Firsts[] = [];
  let place = from;
  while (place < source.length && source[place] !== "|" && source[place] !== ")") {
    const { firsts, end } = atom(source, place);
    const often = at(repeats, source, end);
    const isOptional = often !== undefined && /^(?:[*?]|\{0)/.test(often);
    parts.push(isOptional ? { ...firsts, canBeEmpty: true } : firsts);
    place = end + (often?.length ?? 0);
  }
  return { firsts: inOrder(parts), end: place };
}

function atom(source: string, from: number): Read {
  const assertion = at(assertions, source, from);
  if (assertion !== undefined)
    return { firsts: NOTHING, end: closed(source, alternatives(source, from + assertion.length).end) };
  const group = at(groups, source, from);
  if (group !== undefined) {
    const { firsts, end } = alternatives(source, from + group.length);
    return { firsts, end: closed(source, end) };
  }
  const c = source[from] ?? "";
  if (c === "[") return characterClass(source, from);
  if (c === "\\") return escaped(source, from);
  if (c === "^" || c === "$") return { firsts: NOTHING, end: from + 1 };
  return { firsts: c === "." ? { ...ANY, canBeEmpty: false } : oneOfThese([c]), end: from + 1 };
}

function closed(source: string, place: number): number {
  if (source[place] !== ")") throw new Error(`A bracket is not closed in ${source}`);
  return place + 1;
}

const oneOfThese = (chars: readonly string[]): Firsts => ({
  chars: new Set(chars.map((c) => c.toLowerCase())),
  canBeEmpty: false,
});
const ANYTHING: Firsts = { chars: undefined, canBeEmpty: false };

function escaped(source: string, from: number): Read {
  const c = source[from + 1] ?? "";
  const end = from + 2;
  if (c === "b" || c === "B") return { firsts: NOTHING, end };
  if (c === "p" || c === "P") return { firsts: ANYTHING, end: source.indexOf("}", from) + 1 };
  if (/[a-z0-9]/i.test(c)) return { firsts: ofClass[c] ? oneOfThese(ofClass[c]) : ANYTHING, end };
  return { firsts: oneOfThese([c]), end };
}

const within = /^\[((?:\\.|[^\]\\])*)\]/;
const member = /\\(.)|([^\\])-([^\\])|([^\\])/gu;
function characterClass(source: string, from: number): Read {
  const [whole = "", inner = ""] = within.exec(source.slice(from)) ?? [];
  if (whole === "") throw new Error(`A class is not closed in ${source}`);
  const end = from + whole.length;
  if (inner.startsWith("^") || /\\[pPWDSu]/.test(inner)) return { firsts: ANYTHING, end };
  const chars = [...inner.matchAll(member)].flatMap(([, escape, first, last, plain]) =>
    escape !== undefined ? (ofClass[escape] ?? [escape]) : first && last ? range(first, last) : [plain ?? ""],
  );
  return { firsts: oneOfThese(chars), end };
}
