import type { Coded } from "../errors";
import { NUMBER, numberOf } from "./numbers";
import type { Catalogue, Doubt, DoubtDetails } from "./types";

/** Most that one line of an order holds. */
export const MOST_DOZENS = 500;

const DOZEN = String.raw`(?:dozens?|doz|dzn|dzs?|dtzd?|dutzend)(?!\p{L})\.?`;
const PIECE = String.raw`(?:flies|fly|pcs|pces|pc|pieces?|singles?|ea|stücke?|stueck|stk|fliegen?)(?!\p{L})\.?`;
const GROSS = String.raw`(?:gross|gros)(?!\p{L})`;
const LOOSE = "couple|few|several|handful|some|paar|einige";
const HEDGE = String.raw`(?:about|around|roughly|approx\.?|maybe|perhaps|circa|ca\.|etwa|ungefähr|at least|up to|no more than|mindestens|höchstens|min\.?|max\.?|bis zu)`;
const rule = (source: string): RegExp => new RegExp(String.raw`(?<![\p{L}\d#.,/])${source}`, "giu");

/** A quantity where it stands, or what is asked about it. */
export interface Quantity {
  at: [number, number];
  flies?: number;
  doubt?: Doubt;
}
type Groups = (string | undefined)[];
interface Way {
  pattern: RegExp;
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

/** Each way in which a quantity is written, the longer before the shorter that is part of it. */
const ways: Way[] = [
  {
    pattern: rule(String.raw`(${HEDGE})\s+(${NUMBER}\s*(?:${DOZEN}|${PIECE}|${GROSS}))`),
    read: (g, words) => ask({ code: "HEDGED", details: { words } }, (g[2] ?? "").trim()),
  },
  {
    pattern: rule(String.raw`(${NUMBER})\s*(?:-|–|to|or|bis|oder)\s*(${NUMBER})\s*(${DOZEN}|${PIECE})`),
    // “12 - 3 dz” is a size and how many of it, as a list has them.
    fits: (g) => {
      const [size, dozens] = [numberOf(g[1] ?? "") ?? 0, numberOf(g[2] ?? "") ?? 0];
      return !(/\s[-–]\s/.test(g[0] ?? "") && size >= LEAST_SIZE && size % 2 === 0 && dozens < size);
    },
    read: (g, words) =>
      ask({ code: "TWO_NUMBERS", details: { words } }, ...[g[1], g[2]].map((n) => `${n ?? ""} ${g[3] ?? ""}`)),
  },
  {
    pattern: rule(String.raw`(${NUMBER})\s*[x×*]\s*(${NUMBER})\s*(?:${DOZEN}|(${PIECE}))`),
    // “14 x 6 dz” is a size and how many of it: nobody orders fourteen times six dozen.
    fits: (g) => (numberOf(g[1] ?? "") ?? 0) < LEAST_SIZE,
    read: (g, words) => counted(times(numberOf(g[1] ?? ""), numberOf(g[2] ?? ""), g[3] === undefined ? 12 : 1), words),
  },
  {
    pattern: rule(String.raw`(${NUMBER})\s*${DOZEN}\s+and\s+a\s+half`),
    read: (g, words) => counted(times((numberOf(g[1] ?? "") ?? NaN) + 0.5, 12), words),
  },
  {
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
    pattern: rule(String.raw`(?:an?\s+|ein(?:e|en)?\s+)?(?:half(?:\s+an?|\s+of\s+an?)?|halbes?)\s+${DOZEN}`),
    read: () => ({ flies: 6 }),
  },
  {
    pattern: rule(String.raw`(?:an?\s+|ein\s+)?(${LOOSE})(?:\s+(?:of|an?))*\s+(?:${DOZEN}|${PIECE})`),
    read: (g, words, catalogue) => {
      const own = catalogue.numberWords[(g[1] ?? "").toLowerCase()];
      const answers = own ? [{ label: `${own} dz, as you use the word`, text: `${own}dz` }] : [];
      return { why: { code: "LOOSE_NUMBER", details: { words } }, answers };
    },
  },
  {
    pattern: rule(String.raw`(${NUMBER})\s*(?:${DOZEN}|(${PIECE})|(${GROSS}))`),
    read: (g, words) => counted(times(numberOf(g[1] ?? ""), g[3] ? 144 : g[2] ? 1 : 12), words),
  },
  {
    // “Slate Wisp 14 slate x 36”: the sign says which number counts, not what.
    pattern: rule(String.raw`[x×]\s*(${NUMBER})(?=\s*(?:$|[,;]))`),
    read: (g, words) => ask({ code: "DOZENS_OR_FLIES", details: { words } }, `${g[1] ?? ""} dz`, `${g[1] ?? ""} flies`),
  },
  { pattern: rule(String.raw`${DOZEN}(?=\s+(?!\d)\S)`), read: () => ({ flies: 12 }) },
  {
    pattern: rule(
      String.raw`(?:qty|quantity|menge|anzahl|anz)(?!\p{L})\.?\s*:?\s*(${NUMBER})(?!\s*(?:${DOZEN}|${PIECE}|${GROSS}))`,
    ),
    read: (g, words) => ask({ code: "DOZENS_OR_FLIES", details: { words } }, `${g[1] ?? ""} dz`, `${g[1] ?? ""} flies`),
  },
];
/** From this number on a factor is rather a hook size. */
const LEAST_SIZE = 8;
const times = (...numbers: (number | undefined)[]): number =>
  numbers.reduce<number>((product, n) => product * (n ?? NaN), 1);

/** Every quantity that a text states with its unit, in order, none within another. */
export function quantitiesIn(text: string, start: number, catalogue: Catalogue): Quantity[] {
  const found: Quantity[] = [];
  for (const { pattern, fits, read } of ways)
    for (const m of text.matchAll(pattern)) {
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
  return found.sort((a, b) => a.at[0] - b.at[0]);
}

/** A number without a unit: dozens, or flies? */
export function bareQuantity(text: string, at: [number, number]): Quantity {
  const n = numberOf(text);
  const answers = n !== undefined && n > 0 && Number.isInteger(n) ? [`${n} dz`, `${n} flies`] : [];
  const asked = ask({ code: "DOZENS_OR_FLIES", details: { words: text } }, ...answers);
  return { at, doubt: { field: "quantity", ...asked.why, at, candidates: asked.answers } };
}
