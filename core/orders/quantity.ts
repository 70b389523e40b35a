import { allOf } from "../numeric";
import type { Coded } from "../errors";
import { MONTH } from "./dates";
import { NUMBER, numberOf } from "./numbers";
import { commaParts } from "./pieces";
import { rememberedOf } from "./remembered";
import { countsInTurn } from "./inTurn";
import { comesIn } from "./sizes";
import { fliesOfNouns, wordsOfFlies } from "./flyWords";
import type { Catalogue, Doubt, DoubtDetails } from "./types";

/** Most that one line of an order holds. */
export const MOST_DOZENS = 500;

const DOZEN = String.raw`(?:dozens?|doz|dzn|dzs?|dtzd?|dutzend)(?!\p{L})\.?`;
const PIECE = String.raw`(?:off(?=\s+\p{L}|\s*(?:[,;.]|$))|flies|fly|pcs|pces|pc|pieces?|singles?|ea|stücke?|stueck|stk|fliegen?)(?!\p{L})\.?`;
// “Gr. 10” is a size.
const GROSS = String.raw`(?:(?:gross|groß|gros)(?!\p{L})|gr(?!\p{L})\.?(?=\s+\p{L}))`;
const LOOSE = "couple|few|several|handful|some|paar|einige";
const HEDGE = String.raw`(?:about|around|roughly|approx\.?|maybe|perhaps|circa|ca\.|etwa|ungefähr|at least|up to|no more than|mindestens|höchstens|min\.?|max\.?|bis zu)`;
const rule = (source: string): RegExp => new RegExp(String.raw`(?<![\p{L}\d#.,/])${source}`, "giu");

/** A quantity where it stands, or what is asked about it. */
export interface Quantity {
  at: [number, number];
  flies?: number;
  doubt?: Doubt;
  /** One of those that a quantity before them is made of. */
  isPart?: boolean;
  /** “The same in 14 and 16”: so many of each. */
  isOfEach?: boolean;
  /** “10, 12, 14: 2, 3, 2 dz”: how many of each of several sizes or colours, in the order in which they are named. */
  inTurn?: readonly number[];
}
type Groups = (string | undefined)[];
interface Way {
  pattern: RegExp;
  /** What must be somewhere in the text: quicker to look for than the whole. */
  needs?: RegExp;
  /** Only where the text says what its numbers count. */
  needsUnit?: true;
  /** Whether what was found can be that at all. */
  fits?: (groups: Groups) => boolean;
  read: (groups: Groups, words: string, catalogue: Catalogue) => { flies: number } | Ask;
}
interface Ask {
  why: Coded<DoubtDetails>;
  answers: Doubt["candidates"];
}

const answer = (text: string): Doubt["candidates"][number] => ({ label: text, text });
const ask = (why: Coded<DoubtDetails>, ...texts: string[]): Ask => ({ why, answers: texts.map(answer) });

export const dozensText = (flies: number): string => {
  const [dozens, singles] = [Math.floor(flies / 12), flies % 12];
  if (dozens === 0) return `${singles} flies`;
  return singles === 0 ? `${dozens} dz` : `${dozens} dz + ${singles}`;
};
/** As a person would write it anew. */
const typed = (flies: number): string => dozensText(flies).replace(" dz", "dz");

/** A count of flies, or what is wrong with it. */
function counted(flies: number | undefined, words: string): { flies: number } | Ask {
  if (flies === undefined || !Number.isFinite(flies)) return ask({ code: "NOT_A_NUMBER", details: { words } });
  if (flies <= 0) return ask({ code: "TOO_FEW", details: { words, flies } });
  if (flies > MOST_DOZENS * 12)
    return ask({ code: "TOO_MANY", details: { dozens: Math.round(flies / 12), most: MOST_DOZENS } });
  const whole = Math.round(flies);
  if (Math.abs(flies - whole) > 1e-6)
    return ask({ code: "NOT_WHOLE", details: { words } }, ...(flies > 1 ? [typed(Math.floor(flies))] : []));
  return { flies: whole };
}

/** A number without a unit: in that of the whole text where it says one, else it is asked. */
const inUnit = (n: string, words: string, unit: Catalogue["unit"]): ReturnType<Way["read"]> =>
  unit
    ? counted(times(numberOf(n), unit === "dz" ? 12 : 1), words)
    : ask({ code: "DOZENS_OR_FLIES", details: { words } }, `${n} dz`, `${n} flies`);

/** Each way in which a quantity is written, the longer before the shorter that is part of it. */
const ways: Way[] = [
  {
    needs: /about|around|roughly|approx|maybe|perhaps|ca|etwa|ungef|least|up to|more|mindest|höchst|min|max|bis/iu,
    pattern: rule(String.raw`(${HEDGE})\s+(${NUMBER}\s*(?:${DOZEN}|${PIECE}|${GROSS}))`),
    read: (g, words) => ask({ code: "HEDGED", details: { words } }, (g[2] ?? "").trim()),
  },
  {
    needs: /[-–]|to|or|and|bis|oder|und/iu,
    pattern: rule(
      String.raw`(?:(?:between|zwischen)\s+(?=[^;.]{1,20}\s(?:and|und)\s))?(${NUMBER})\s*(?:-|–|to|or|bis|oder|(?<=(?:between|zwischen)\s[^;.]{1,20})(?:and|und))\s*(${NUMBER})\s*(${DOZEN}|${PIECE})`,
    ),
    // “12 - 3 dz” is a size and how many of it, as a list has them.
    // Nor does “12 - 36 flies” leave three times as many open.
    fits: (g) => {
      // “10,12,14 - 2 dz”: several sizes, and how many of each.
      if (/\d[,/]\d+[,/]\d/.test(g[1] ?? "")) return false;
      // “2/0 - one dozen”: a size, too.
      if (/\d\s?\/\s?0$/.test(g[1] ?? "")) return false;
      const [size, count] = [numberOf(g[1] ?? "") ?? 0, numberOf(g[2] ?? "") ?? 0];
      const isFar = count < size || (count >= 2 * size && count % 12 === 0);
      const isSize = size >= LEAST_SIZE && size % 2 === 0;
      // Nor is “12-2dz” a range: none goes down.
      return !(isSize && (count < size || (/\s[-–]\s/.test(g[0] ?? "") && isFar)));
    },
    read: (g, words) =>
      ask({ code: "TWO_NUMBERS", details: { words } }, ...[g[1], g[2]].map((n) => `${n ?? ""} ${g[3] ?? ""}`)),
  },
  {
    needs: /[x×*]/iu,
    pattern: rule(String.raw`(${NUMBER})\s*[x×*]\s*(${NUMBER})\s*(?:${DOZEN}|(${PIECE}))`),
    // “14 x 6 dz” is a size and how many of it: nobody orders fourteen times six dozen.
    fits: (g) => !/\/\s?0$/.test(g[1] ?? "") && (numberOf(g[1] ?? "") ?? 0) < LEAST_SIZE,
    read: (g, words) => counted(times(numberOf(g[1] ?? ""), numberOf(g[2] ?? ""), g[3] === undefined ? 12 : 1), words),
  },
  {
    // “6 boxes of a dozen”
    needs: /box|pack|bag|set|card|schachtel|päck/iu,
    pattern: rule(
      String.raw`(${NUMBER})\s+(?:boxes|packs?|packets?|bags?|sets?|cards?|schachteln?|packungen|päckchen)\s+(?:of|with|à|zu(?:\s+je)?|mit(?:\s+je)?)\s+(?:an?\s+|ein(?:em|er)?\s+)?(?:(${NUMBER})\s*)?(?:${DOZEN}|(${PIECE}))`,
    ),
    read: (g, words) => counted(times(numberOf(g[1] ?? ""), numberOf(g[2] ?? "1"), g[3] === undefined ? 12 : 1), words),
  },
  {
    // “A dozen and four”
    needs:
      /(?:and|und)\s+(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|[1-9]\b|1[01]\b|zwei|drei|vier|fünf|sechs|sieben|acht|neun|zehn|elf)/iu,
    pattern: rule(
      String.raw`(${NUMBER})\s*${DOZEN}\s+(?:and|und)\s+(one|two|three|four|five|six|seven|eight|nine|ten|eleven|[1-9]|1[01]|zwei|drei|vier|fünf|sechs|sieben|acht|neun|zehn|elf)(?=\s*(?:[,;.]|$))`,
    ),
    read: (g, words) => counted((numberOf(g[1] ?? "") ?? NaN) * 12 + (numberOf(g[2] ?? "") ?? NaN), words),
  },
  {
    needs: /half/iu,
    pattern: rule(String.raw`(${NUMBER})\s*${DOZEN}\s+and\s+a\s+half`),
    read: (g, words) => counted(times((numberOf(g[1] ?? "") ?? NaN) + 0.5, 12), words),
  },
  {
    needs: /half/iu,
    pattern: rule(String.raw`(${NUMBER})\s+and\s+a\s+half\s+${DOZEN}`),
    read: (g, words) => counted(times((numberOf(g[1] ?? "") ?? NaN) + 0.5, 12), words),
  },
  {
    pattern: rule(
      String.raw`(${NUMBER})\s*${DOZEN}\s*(?:\+\s*(${NUMBER})(?:\s*${PIECE}|(?!\s*(?:${DOZEN}|${GROSS})))|(?:plus|and|und|&|,)?\s+(${NUMBER})\s*${PIECE})`,
    ),
    read: (g, words) => counted((numberOf(g[1] ?? "") ?? NaN) * 12 + (numberOf(g[2] ?? g[3] ?? "") ?? NaN), words),
  },
  {
    needs: /hal[fb]/iu,
    // “boxed by the half dozen” says how they lie, and not how many.
    pattern: rule(
      String.raw`(?<!(?<!\p{L})(?:by|per)\s+(?:the\s+)?|(?:boxed|packed|bagged)\s+in\s+)(?:an?\s+|ein(?:e|en)?\s+)?(?:half(?:\s+an?|\s+of\s+an?)?|halbes?)\s+${DOZEN}`,
    ),
    read: () => ({ flies: 6 }),
  },
  {
    needs: /hal[fb]/iu,
    pattern: rule(String.raw`(?:an?\s+|ein(?:e|en)?\s+)?(?:half(?:\s+an?|\s+of\s+an?)?|halbes?)\s+${GROSS}`),
    read: () => ({ flies: 72 }),
  },
  {
    needs: /couple|few|several|handful|some|paar|einige/iu,
    pattern: rule(String.raw`(?:an?\s+|ein\s+)?(${LOOSE})(?:\s+(?:of|an?))*\s+(?:${DOZEN}|${PIECE})`),
    read: (g, words, catalogue) => {
      const own = catalogue.numberWords[(g[1] ?? "").toLowerCase()];
      const answers = own ? [{ label: `${own} dz, as you use the word`, text: `${own}dz` }] : [];
      return { why: { code: "LOOSE_NUMBER", details: { words } }, answers };
    },
  },
  {
    needs: /more|further|weiter/iu,
    pattern: rule(String.raw`(${NUMBER})\s+(?:more|further|weitere)\s+(?:${DOZEN}|(${PIECE}))`),
    read: (g, words) => counted(times(numberOf(g[1] ?? ""), g[2] === undefined ? 12 : 1), words),
  },
  {
    pattern: rule(String.raw`(${NUMBER})(?:\s*|-)(?:${DOZEN}|(${PIECE})|(${GROSS}))`),
    read: (g, words) => counted(times(numberOf(g[1] ?? ""), g[3] ? 144 : g[2] ? 1 : 12), words),
  },
  {
    // “3x Slate Wisp 14, 2x 16, all dozens”: how many of a size, where it is said what the numbers count.
    needs: /[x×]/iu,
    needsUnit: true,
    pattern: rule(String.raw`(${NUMBER})\s*[x×]\s+(?=#?\d{1,2}(?:\/0)?(?:\s*$|[\s,;]))`),
    fits: (g) => (numberOf(g[1] ?? "") ?? LEAST_SIZE) < LEAST_SIZE,
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “Slate Wisp 14 slate x 36”: the sign says which number counts, not what.
    needs: /[x×]/iu,
    pattern: rule(String.raw`[x×]\s*(${NUMBER})(?=\s*(?:$|[,;]|\.(?:\s|$)))`),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “12 x2dz”, and “5 x dozen”
    needs: /[x×]/iu,
    pattern: rule(
      String.raw`(?:(?<=[\s\d)])[x×](${NUMBER})\s*(?:${DOZEN}|(${PIECE}))|(${NUMBER})\s*[x×]\s*(?:${DOZEN}|(${PIECE})))`,
    ),
    read: (g, words) => counted(times(numberOf(g[1] ?? g[3] ?? ""), (g[2] ?? g[4]) ? 1 : 12), words),
  },
  {
    // “10s - 2, 12s - 3”: sizes, and how many of each.
    needs: /\d'?s\s*[-–:=]/u,
    pattern: rule(
      String.raw`(?<=(?<![\d/])\d{1,2}'?s\s*[-–:=]\s*)(${NUMBER})(?=\s*(?:[,;(]|and(?!\p{L})|und(?!\p{L})|$))`,
    ),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “14 - 6, 16 - 3 (dozens)”: the same, where it is said what the numbers count.
    needs: /\d\s[-–]\s/u,
    needsUnit: true,
    pattern: rule(String.raw`(?<=(?<![\d/.,#])\d{1,2}\s[-–]\s)(${NUMBER})(?=\s*(?:[,;(]|$))`),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “#14 2  #16 3”: a marked size, and how many of it.
    needs: /#\s?\d/u,
    pattern: rule(String.raw`(?<=#\s?\d{1,2}(?:\/0)?\s+)(${NUMBER})(?=\s*(?:$|[,;]|#\s?\d))`),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “16 (2), 18 (4)”: sizes, and how many of each.
    needs: /\(/u,
    pattern: rule(String.raw`\((${NUMBER})\)(?<=\d\s?\(\S{1,4}\))`),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “12 x Copper Lodger #14”
    needs: /[x×]/iu,
    pattern: rule(
      String.raw`(${NUMBER})\s*[x×]\s+(?=\p{L}{3})(?!(?:sizes?|nos?|nr|gr|long|short|fine|heavy|strong)(?!\p{L}))`,
    ),
    read: (g, words, { unit }) => {
      const asked = inUnit(g[1] ?? "", words, unit);
      return "flies" in asked ? asked : { ...asked, answers: asked.answers.map((a) => answer(`${a.text} `)) };
    },
  },
  {
    // “3 Slate Wisp 14, 2 Copper Lodger 12, all dozens”: how many of a fly, where it is said what the numbers count.
    needsUnit: true,
    pattern: rule(String.raw`(?<=(?:^|[,;:])\s{0,3})(\d{1,4})(?!\s+${MONTH}(?!\p{L}))(?=\s+(\p{L}{2,}\s\S))`),
    // “12 Olive 2” is rather a size and its colour.
    fits: (g) =>
      new RegExp(mayBeSize(numberOf(g[1] ?? "")) ? String.raw`^\p{Lu}\p{Ll}+\s\p{Lu}` : String.raw`^\p{Lu}`, "u").test(
        g[2] ?? "",
      ),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “6 each of red, black and olive”: how many of each, not of what.
    needs: /each/iu,
    pattern: rule(
      String.raw`(?<!(?:\d|sizes?|#|no\.?|gr\.?)\s{0,2}(?:,|/|&|and|und|-|to)?\s{0,2})(${NUMBER})(?=\s+each\s+of\s+(?!\d)\p{L})(?<!(?:${DOZEN}|${PIECE})[^;.]{0,60})`,
    ),
    // “14 each” is rather a size.
    fits: (g) => (numberOf(g[1] ?? "") ?? LEAST_SIZE) < LEAST_SIZE,
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
  {
    // “…, 12 of the 16s barbless”: which of several lines that is taken from, nobody here can say.
    needs: /of the \d/iu,
    pattern: rule(String.raw`(?:${NUMBER})\s+of\s+the\s+#?\d{1,2}(?:\/0)?['’]?s(?!\p{L})`),
    read: (_, words) => ask({ code: "NOT_UNDERSTOOD", details: { words } }),
  },
  { pattern: rule(String.raw`${DOZEN}(?=\s+(?!\d)\S)`), read: () => ({ flies: 12 }) },
  // “Copper Lodger 12 olive, dozen.”
  { pattern: rule(String.raw`(?<=,\s{0,3})(?:dozen|dz|dtz|dutzend)(?=\s*(?:[.;]|$))`), read: () => ({ flies: 12 }) },
  {
    needs: /qty|quantity|menge|anz/iu,
    pattern: rule(
      String.raw`(?:qty|quantity|menge|anzahl|anz)(?!\p{L})\.?\s*:?\s*(${NUMBER})(?!\s*(?:${DOZEN}|${PIECE}|${GROSS}))`,
    ),
    read: (g, words, { unit }) => inUnit(g[1] ?? "", words, unit),
  },
];
/** From this number on a factor is rather a hook size. */
const LEAST_SIZE = 8;
/** From this number on it is none. */
const MOST_SIZE = 32;
const mayBeSize = (n = LEAST_SIZE): boolean => n >= LEAST_SIZE && n < MOST_SIZE;
const times = (...numbers: (number | undefined)[]): number =>
  numbers.reduce<number>((product, n) => product * (n ?? NaN), 1);

/** Whether a quantity is said in dozens. */
export const isInDozens = (words: string): boolean => DOZENS.test(words);
const DOZENS = new RegExp(DOZEN, "iu");

/** Every quantity that a text states with its unit, in order, none within another. */
export function quantitiesIn(text: string, start: number, catalogue: Catalogue): Quantity[] {
  const moved = ([from, to]: readonly [number, number]): [number, number] => [start + from, start + to];
  return quantitiesOf(text, catalogue).map((q) => ({
    ...q,
    at: moved(q.at),
    ...(q.doubt && { doubt: { ...q.doubt, at: moved(q.doubt.at) } }),
  }));
}
/** “28.00 a dozen”: what they cost, and not how many they are. */
const PRICE_A_DOZEN = new RegExp(
  String.raw`\d+[.,]\d{2}(?:\s?(?:€|eur|\$|£))?\s*(?:\/|per|an?|the|pro|je|das)\s*${DOZEN}`,
  "giu",
);
/** The same, from where the text begins. */
const quantitiesOf = rememberedOf((typed: string, catalogue: Catalogue): Quantity[] => {
  const text = typed.replace(PRICE_A_DOZEN, (words) => " ".repeat(words.length));
  const start = 0;
  const found = countsInTurn(text, catalogue).map(({ at, flies }): Quantity => ({
    at,
    flies: flies[0],
    inTurn: flies,
    isOfEach: true,
  }));
  for (const { pattern, needs, needsUnit, fits, read } of ways)
    for (const m of needs?.test(text) === false || (needsUnit && !catalogue.unit) ? [] : allOf(pattern, text)) {
      const at: [number, number] = [start + m.index, start + m.index + m[0].length];
      if (found.some((f) => at[0] < f.at[1] && f.at[0] < at[1]) || fits?.([...m]) === false) continue;
      const words = m[0].trim();
      const result = read([...m], words, catalogue);
      found.push(
        "flies" in result
          ? { at, flies: result.flies }
          : { at, doubt: { field: "quantity", ...result.why, at, candidates: result.answers } },
      );
    }
  if (found.length === 0) found.push(...atTheEnd(text, start, catalogue));
  found.sort((a, b) => a.at[0] - b.at[0]);
  found.push(...countsOfColours(text, start, found, catalogue));
  found.sort((a, b) => a.at[0] - b.at[0]);
  const carried = [...carriedOn(text, start, found, catalogue), ...carriedBack(text, start, found, catalogue)];
  const known = [...found, ...carried];
  const all = [...known, ...countsOfThese(text, start, known, catalogue)].sort((a, b) => a.at[0] - b.at[0]);
  return [...all, ...asMany(text, start, all)].sort((a, b) => a.at[0] - b.at[0]);
});

const END_NUMBER = new RegExp(String.raw`(?<=\s)(${NUMBER})\s*[.!]?\s*$`, "iu");
const MONTH_BEHIND = new RegExp(String.raw`(?<!\p{L})${MONTH}\.?\s*$`, "iu");
/** So many characters at the end of a row hold its number. */
const LONGEST_END = 24;
/**
 * “Copper Lodger #12 olive 3”, where the text says that its numbers are dozens: what ends a row behind its size counts.
 */
const atTheEnd = (text: string, start: number, catalogue: Catalogue): Quantity[] =>
  catalogue.unit === undefined
    ? []
    : commaParts(text, start).flatMap((p) => atEndOf(text.slice(p.start - start, p.end - start), p.start, catalogue));
function atEndOf(text: string, start: number, { unit }: Catalogue): Quantity[] {
  const from = Math.max(0, text.length - LONGEST_END);
  const m = unit ? END_NUMBER.exec(text.slice(from)) : null;
  const n = m && numberOf(m[1] ?? "");
  if (!m || !n) return [];
  const before = text.slice(0, from + m.index);
  // “by 2 May 2027”
  if (MONTH_BEHIND.test(before)) return [];
  // A size stands before it, and what the fly is called before that.
  const size = before.search(/\d/);
  if (size <= 0 || !/\p{L}/u.test(before.slice(0, size)) || /(?:#|sizes?|no\.?|gr\.?)\s*$/i.test(before.slice(-8)))
    return [];
  const result = inUnit(m[1] ?? "", m[1] ?? "", unit);
  const at: [number, number] = [start + before.length, start + before.length + (m[1] ?? "").length];
  return "flies" in result ? [{ at, flies: result.flies }] : [];
}

/** Where a text says “the same number”, or “half as many”, of a statement before it; and how many times as many. */
export function asManyIn(text: string, start: number): { at: [number, number]; times: number } | undefined {
  const [m] = allOf(AS_MANY, text);
  return m && { at: [start + m.index, start + m.index + m[0].length], times: timesIn(m[0]) };
}
const timesIn = (words: string): number =>
  /^hal[fb]/i.test(words) ? 0.5 : /^(?:twice|double|doppelt)/i.test(words) ? 2 : 1;

/** “and the same number unweighted”: as many as said last before it. */
const asMany = (text: string, start: number, found: Quantity[]): Quantity[] =>
  allOf(AS_MANY, text).flatMap((m): Quantity[] => {
    const at: [number, number] = [start + m.index, start + m.index + m[0].length];
    const all = found.filter((f) => f.at[1] <= at[0]);
    // “4 dz in 8, 4 dz in 10, and twice that in green”: of the last, or of both? That is asked.
    const isOfOneSize = /^\s+(?:in\s+)?(?:sizes?\s+)?#?\d/iu.test(text.slice(m.index + m[0].length));
    if (all.length > 1 && !isOfOneSize && /(?<!\p{L})that$/iu.test(m[0])) return [];
    const flies = (all.at(-1)?.flies ?? NaN) * timesIn(m[0]);
    return Number.isInteger(flies) ? [{ at, flies }] : [];
  });
const AS_MANY =
  /(?<!\p{L})(?:(?:half|twice|double)\s+(?:as\s+many(?:\s+again)?|that(?:\s+(?:number|quantity|amount|many))?|the\s+(?:number|quantity|amount))|(?:halb|doppelt)\s+so\s+viele|(?:the\s+)?(?:same\s+(?:number|quantity|amount)|as\s+many(?:\s+again)?|ebenso\s+viele|genauso\s+viele|gleich\s+viele|die\s+gleiche\s+(?:menge|anzahl))|(?<=[:,]\s{0,4}|(?<!\p{L})(?:sizes?|gr\.?|#)\s{0,2}\d{1,2}(?:\/0)?s?\s{1,2})(?:the\s+same(?:\s+again)?|dasselbe)(?=\s*(?:[.;]|$)))(?!\p{L})/giu;

/**
 * “two dozen in 2/0 and two in 3/0”, “3 dz olive, 4 rust”: a number behind a quantity in dozens counts dozens too,
 * where it stands before a size or a colour and is too small for flies.
 */
function carriedOn(text: string, start: number, found: Quantity[], catalogue: Catalogue): Quantity[] {
  const [first] = found;
  if (!first || !isInDozens(text.slice(first.at[0] - start, first.at[1] - start))) return [];
  const { isColour } = wordsOfFlies(catalogue.patterns);
  const named = fliesOfNouns(text, catalogue.patterns);
  return allOf(CARRIED_ON, text).flatMap((m): Quantity[] => {
    const at: [number, number] = [start + m.index, start + m.index + (m[1] ?? "").length];
    const isBehind = at[0] > first.at[1] && !found.some((f) => at[0] < f.at[1] && f.at[0] < at[1]);
    if (!isBehind || ((m[2] ?? m[3]) === undefined && !isColour(m[4]))) return [];
    const n = numberOf(m[1] ?? "") ?? 0;
    if (n <= 0 || !Number.isInteger(n)) return [];
    // “…, plus 18 of the black ones”: flies, or dozens?
    const isItsSize = n < MOST_SIZE && named.some((p) => comesIn(String(n), p.sizes));
    const isOfSome = m[2] === "of" && !/^each/i.test(text.slice(m.index + m[0].length));
    if (n >= 12) return isOfSome && !isItsSize ? [bareQuantity(m[1] ?? "", at, catalogue)] : [];
    const isSize = /\d/.test(m[1] ?? "") && (n >= LEAST_SIZE || isItsSize);
    if (isSize) return [];
    // “1 dz white, 1 dz red, 6 black”: six dozen, or half a one?
    const most = Math.max(...found.map((f) => f.flies ?? 0));
    return n * 12 > MOST_TIMES * most ? [bareQuantity(m[1] ?? "", at, catalogue)] : [{ at, flies: n * 12 }];
  });
}
const OF_THESE =
  /(?<![\p{L}\d#.,/])(\d{1,4})(?=\s+of\s+(?:them|these|those)(?!\p{L}))|(?<=(?<!\p{L})(?:davon|of\s+which)\s+)\d{1,4}(?=\s+\p{L})/giu;
/** “…, 12 of them barbless”: so many of those before it, and no size, though the fly comes in it. */
const countsOfThese = (text: string, start: number, found: Quantity[], catalogue: Catalogue): Quantity[] =>
  allOf(OF_THESE, text).flatMap((m): Quantity[] => {
    const at: [number, number] = [start + m.index, start + m.index + m[0].length];
    const isBehind = found.some((f) => f.at[1] <= at[0]) && !found.some((f) => at[0] < f.at[1] && f.at[0] < at[1]);
    return isBehind ? [bareQuantity(m[0], at, catalogue)] : [];
  });
const OF_A_LIST = String.raw`(?<=(?:^|[:,;]|(?<!\p{L})(?:and|und))\s{0,3})`;
const COLOUR_COUNT = new RegExp(
  String.raw`${OF_A_LIST}(?:(?<colour>\p{L}[\p{L}-]*)\s+(?<count>\d)|(?<ahead>\d)\s+(?<behind>\p{L}[\p{L}-]*))(?=\s*(?:[,;(]|(?:and|und)(?!\p{L})|$))`,
  "giu",
);
const COLOUR_AHEAD = /(?<![\p{L}-])(\p{L}[\p{L}-]*)\s+$/u;
/**
 * “red 1, black 2, olive 3 (dozen)”, “red 1 dz, black 2”: colours and how many of each, where the text says what they
 * count, or the first of them does, and the flies come in no such sizes.
 */
function countsOfColours(text: string, start: number, found: Quantity[], catalogue: Catalogue): Quantity[] {
  const { isColour } = wordsOfFlies(catalogue.patterns);
  const sized = fliesOfNouns(text, catalogue.patterns);
  const firsts = found.filter((f) =>
    isColour(COLOUR_AHEAD.exec(text.slice(Math.max(0, f.at[0] - start - LONGEST_END), f.at[0] - start))?.[1]),
  );
  const [first] = firsts;
  const tells = first && isInDozens(text.slice(first.at[0] - start, first.at[1] - start)) ? "dz" : undefined;
  const unit = catalogue.unit ?? tells;
  if (!unit) return [];
  const counts = allOf(COLOUR_COUNT, text).flatMap((m): Quantity[] => {
    const { colour, count, ahead = "", behind } = m.groups ?? {};
    const n = count ?? ahead;
    const from = start + m.index + (count === undefined ? 0 : m[0].length - n.length);
    const at: [number, number] = [from, from + n.length];
    const isOther = found.some((f) => at[0] < f.at[1] && f.at[0] < at[1]) || sized.some((p) => comesIn(n, p.sizes));
    const read = isOther || !isColour(colour ?? behind) ? undefined : inUnit(n, n, unit);
    if (!read || !("flies" in read)) return [];
    // “red 1 dz, black 6”: six dozen, or half a one?
    const isMany = !catalogue.unit && read.flies > MOST_TIMES * (first?.flies ?? 0);
    return [isMany ? bareQuantity(n, at, catalogue) : { at, flies: read.flies }];
  });
  return counts.length + firsts.length > 1 ? counts : [];
}
const COLOUR_AND_NUMBER = String.raw`(\p{L}[\p{L}-]+|#\d{1,2}(?:\/0)?|(?<![\d/.,])\d{1,2}(?:\/0)?(?=:\s|\s[-–]\s))\s*[-–:]\s*(\d{1,4})(?=\s*,)`;
/** The colour or the size right ahead of a number. */
const TELLS_WHICH = /(\p{L}[\p{L}-]+|#\d{1,2}(?:\/0)?|(?<![\d/.,])\d{1,2}(?:\/0)?(?=:\s|\s[-–]\s))\s*[-–:]\s*$/u;
/**
 * “olive - 18, rust - 12, grey - 6 flies”, “#14: 24, #16: 12 flies”: the unit stands with the last number and holds
 * for those ahead of it.
 */
function carriedBack(text: string, start: number, found: Quantity[], catalogue: Catalogue): Quantity[] {
  const { isColour } = wordsOfFlies(catalogue.patterns);
  const isOwn = (word = ""): boolean => /^#?\d/.test(word) || isColour(word);
  return found.flatMap((last, i): Quantity[] => {
    const [begin, from] = [(found[i - 1]?.at[1] ?? start) - start, last.at[0] - start];
    const ahead = TELLS_WHICH.exec(text.slice(begin, from));
    if (!last.flies || !ahead || !isOwn(ahead[1])) return [];
    const each = isInDozens(text.slice(from, last.at[1] - start)) ? 12 : 1;
    const numbers = allOf(new RegExp(COLOUR_AND_NUMBER, "giu"), text.slice(begin, begin + ahead.index));
    const isSized = (word = ""): boolean => /^#?\d/.test(word);
    // “Tan - 10, 12 and 14 - 2 dz each”: of the colour these are the sizes.
    if (!numbers.every((m) => isOwn(m[1]) && isSized(m[1]) === isSized(ahead[1]))) return [];
    // “12 - 14, 16 - 2 dz” may be three sizes.
    if (
      numbers.some((m) => /^\d/.test(m[1] ?? "") && Number(m[2]) >= LEAST_SIZE && Number(m[2]) % 2 === 0 && each === 12)
    )
      return [];
    return numbers.map((m): Quantity => {
      const at = start + begin + m.index + m[0].length;
      return { at: [at - (m[2] ?? "").length, at], flies: Number(m[2]) * each };
    });
  });
}
/** No line of an order is so many times as long as all before it. */
const MOST_TIMES = 3;
const CARRIED_ON = new RegExp(
  String.raw`(?<=(?:[,&+:]|(?<!\p{L})(?:and|und|plus))\s*(?:(?:another|a\s+further|weitere|noch)\s+)?)(?<![\d#/.]|sizes?\s)(${NUMBER})(?:\s+(?:more\s+)?(in|x|of|each(?!\s+(?:week|month|fortnight|woche|monat)))\s+(?=#?\d|\p{L})|\s*(?=(#)\d)|\s+(?:more\s+)?(\p{L}{3,}))`,
  "giu",
);

/** A number without a unit: what the text says that all count, or dozens, or flies? */
export function bareQuantity(text: string, at: [number, number], catalogue: Catalogue): Quantity {
  const { unit } = catalogue;
  const [said] = unit ? quantitiesIn(`${text} ${unit}`, at[0], catalogue) : [];
  if (said) return { ...said, at };
  const n = numberOf(text);
  const answers = n !== undefined && n > 0 && Number.isInteger(n) ? [`${n} dz`, `${n} flies`] : [];
  const asked = ask({ code: "DOZENS_OR_FLIES", details: { words: text } }, ...answers);
  return { at, doubt: { field: "quantity", ...asked.why, at, candidates: asked.answers } };
}

/** “All quantities in dozens”: what every number without a unit counts. */
const STATED = new RegExp(
  [
    String.raw`\(?(?:(?:all|alle)\s+)?(?:quantities|numbers|figures|amounts|qtys?|mengen(?:angaben)?|angaben)`,
    String.raw`(?:\s+given)?\s*(?:(?:are|sind|=)(?:\s+all)?(?:\s+(?:in|as))?|in|as)\s+(?:(${DOZEN})|${PIECE})\)?`,
    String.raw`|\((?:(?:all|alles?)\s+)?(?:in\s+)?(?:(${DOZEN})|${PIECE})\)|(?:^[ \t(]*|[,;]\s{0,4}\(?)(?:all|alles)(?:\s+in)?\s+(?:(${DOZEN})|${PIECE})[ \t)]*(?:$|(?=[,.;]))`,
    // “14 (30), 16 (18) flies”
    String.raw`|(?<=\(\d{1,4}\)\s{0,3})(?:(dozens?|dz|dtzd?|dutzend)|flies|pieces|pcs|stück|stk)(?=\s*(?:[.,;]|$))`,
    // “…, dozens please”
    String.raw`|(?<=[,;.]\s{0,3})(dozens|dutzend)(?:\s+(?:please|bitte))?(?=\s*(?:[.;]|$))`,
    // “In dozens: …”
    String.raw`|^[ \t]*(?:(?:all|alles)\s+)?in\s+(?:(${DOZEN})|${PIECE})[ \t]*:`,
    // “Flies, not dozens.”
    String.raw`|(?<=(?:^|[.;:,(])\s*)(?:${PIECE}\s*,?\s*(?:and\s+)?(?:not|nicht|keine)\s+${DOZEN}|(${DOZEN})\s*,?\s*(?:and\s+)?(?:not|nicht|keine)\s+${PIECE})(?:\s+(?:please|bitte))?(?=\s*(?:[.,;:)]|$))`,
  ].join(""),
  "imu",
);

/** What a text says of the unit of its numbers, where, and the text without it. */
export function statedUnit(text: string): { unit: "dz" | "flies"; at: [number, number]; rest: string } | undefined {
  const m = STATED.exec(text);
  if (!m) return undefined;
  const at: [number, number] = [m.index, m.index + m[0].length];
  const rest = text.slice(0, at[0]) + " ".repeat(m[0].length) + text.slice(at[1]);
  return { unit: m.slice(1).some(Boolean) ? "dz" : "flies", at, rest };
}
