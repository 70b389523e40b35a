import {
  hookDifference,
  isHookSize,
  sizeNumber,
  type HookModel,
  type HookSize,
  type HookSteps,
  type HookWanted,
} from "../hooks";
import type { SizeSpan } from "../recipe";
import { readWanted } from "./hookWanted";
import { remembered } from "./remembered";

/** A hook of the room, as far as reading needs it. */
export interface KnownHook extends Omit<HookModel, "rows" | "landmarks"> {
  family?: string;
}

export interface HookSaid {
  sizes?: SizeSpan;
  model?: KnownHook;
  /** Models that fit as well, where several do. */
  others: KnownHook[];
  family?: string;
  /** All that was read for it. */
  text: string;
  /** Where sizes stand in it. */
  at: [from: number, to: number][];
}

const SIZE = "(?:#|no\\.?\\s*|number\\s+|sz\\.?\\s*|sizes?\\s*)?(\\d{1,2}(?:/0)?)(?!\\.?\\d)s?";
const range = new RegExp(
  `${SIZE}\\s*(?:-|to|through|down\\s+to|up\\s+to|until)\\s*(?:an?\\s+)?${SIZE}(?![\\d.]*\\s*(?:mm|x))`,
  "u",
);
// “8/0” is one size, and no list of 8 and 0.
const list = new RegExp(`${SIZE}(?:\\s*(?:,|/(?!0(?!\\d))|and|or|&)\\s*(?:an?\\s+)?${SIZE})+`, "u");
const spaced =
  /(?:\bsizes?\s+|#|\bhooks?[\s,]+|\b(?:wet|dry|nymph|streamer|curved|jig|grub|scud|pupa|emerger)[\s,]+)(\d{1,2}(?:\/0)?(?:\s+\d{1,2}(?:\/0)?)+)(?![\d.]*\s*mm)/u;
const single = new RegExp(`(?:#|no\\.?\\s*|number\\s+|sz\\.?\\s*|sizes?\\s+)(\\d{1,2}(?:/0)?)s?\\b`, "u");
const lone =
  /(?:^|[\s,])(\d{1,2}(?:\/0)?)s?(?!\.\d)(?=\s*(?:$|[,.;:()]|and\b|for\b|with\b|(?:wet|dry|nymph|streamer|curved|jig|grub|scud|pupa|emerger|double|salmon|saltwater|pike|stinger|popper|heavy|light|long|short|barbless|standard|std|reg|fine|strong|wide)\b))/u;
/** “a 16 down-eye dry” */
const ofKind =
  /\ban?\s+(\d{1,2}(?:\/0)?)\s+(?:[a-z][a-z-]*\s+){0,3}(?:hook|wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|double)\b/u;
/** “2/0 wide gape”: a size of this kind ahead of all else. */
const ahead =
  /^\s*(?:(?:[a-z]+\s+){0,3}on\s+an?\s+)?(?:hook\s*[:=-]?\s*)?#?(\d{1,2}\/0|\d{1,2}(?=\s+(?!extra|mm|of|turns?|wraps?|or|to|x)[a-z]{3,}))(?=\s)/u;
const steps = /(?<!(?:sizes?|#|no\.?|sz\.?)\s*)(?<![\d/])(\d)\s*x?\s*-?\s*(?:xl|x[- ]?long|long(?!\s*-?\s*shank))\b/u;
/** “1x strong”: how heavy the wire is, and no size. */
const wireSteps = /(?<![\d/])\d\s?x(?:\s*-?\s*(?:strong|stout|heavy|fine|light|wide))?(?![\w-])/gu;
const stepsShort =
  /(?<!(?:sizes?|#|no\.?|sz\.?)\s*)(?<![\d/])(\d)\s*x?\s*-?\s*(?:xs|x[- ]?short|short(?!\s*-?\s*shank))\b/u;

const families: [RegExp, string][] = [
  [/\bdouble\b/, "double"],
  [/\blow-?\s?water\b/, "low-water"],
  [/\bstreamers?\b|\bbaitfish\b|\bleech(?:es)?\b/, "streamer"],
  [/\bpupae?\b|\bcurved?\b|\bscud\b|\bgrub\b|\bcaddis\b|\bemergers?\b/, "pupa"],
  [/\bnymphs?\b|\bjigs?\b/, "nymph"],
  [/\bdry\b|\bdries\b/, "dry"],
  [/\bwets?\b|\bspiders?\b/, "wet"],
  [/\bheavy\b/, "nymph"],
  [/\blight\b/, "dry"],
  [/\bsaltwater\b|\bpike\b|\bstinger\b|\bpopper\b|\blarge\b|\bbig\s+game\b/, "large"],
];

const readable = (size: string | undefined): HookSize | undefined =>
  size !== undefined && isHookSize(size) ? size : undefined;

/** “14 16 18”: even sizes one after another, with nothing else between them. */
const inARow =
  /(?<![\d./,-]|[\d./]\s)(?:[2468]|[12][02468])(?:\s+(?:[2468]|[12][02468]))+(?![\d./"]|\s*(?:mm\b|cm\b|x\b|xl\b|lb\b|turns\b|wraps\b|fib(?:re|er)s\b|strands\b|hairs\b|min(?:utes)?\b))/gu;
/** As far apart as sizes of one list are. */
const APART = 4;
function asList(row: string): string {
  const all = row.split(/\s+/).map(Number);
  const steps = all.slice(1).map((n, i) => n - (all[i] ?? 0));
  const isRow = steps.every((s) => s > 0 && s <= APART) || steps.every((s) => s < 0 && s >= -APART);
  return isRow ? row.replace(/\s/g, (b, at: number) => (/\S/.test(row[at - 1] ?? "") ? "," : b)) : row;
}

/** “size 12 (also 14 and 16)” */
const alsoIn = /\s*[(,]\s*(?:also|and\s+also|or)\s+(?:in\s+)?(?=#?\d)/g;
const sizesIn = remembered(sizesAt);
function sizesAt(text: string): { sizes: SizeSpan; at: [number, number][] } | undefined {
  const clean = sizesInFigures(text.replace(alsoIn, (m) => ",".padEnd(m.length)))
    .replace(inARow, asList)
    .replace(steps, (m) => " ".repeat(m.length))
    .replace(stepsShort, (m) => " ".repeat(m.length))
    .replace(wireSteps, (m) => " ".repeat(m.length));
  const spanned = range.exec(clean);
  if (spanned) {
    const [a, b] = [readable(spanned[1]), readable(spanned[2])];
    if (a && b) return { sizes: { from: a, to: b }, at: [placeOf(spanned)] };
  }
  const listed = spaced.exec(clean) ?? list.exec(clean);
  if (listed) {
    // A number that is no size stays, to be asked about.
    const told = [...listed[0].matchAll(/\d{1,2}(?:\/0)?/g)].filter((m) => isHookSize(m[0]));
    const all = told.map((m) => m[0]).sort((a, b) => sizeNumber(a) - sizeNumber(b));
    const [first, last] = [all[0], all[all.length - 1]];
    if (first && last) return { sizes: { from: first, to: last }, at: told.map((m) => placeOf(m, listed.index)) };
  }
  const told = single.exec(clean) ?? lone.exec(clean) ?? ahead.exec(clean) ?? ofKind.exec(clean);
  const one = readable(told?.[1]);
  return told && one ? { sizes: { from: one, to: one }, at: [placeOf(told)] } : undefined;
}
const placeOf = (m: RegExpExecArray, from = 0): [number, number] => [from + m.index, from + m.index + m[0].length];

/** “fourteens and sixteens”: sizes as they are spoken. */
const spokenSizes: Record<string, string> = {
  fours: "4s",
  sixes: "6s",
  eights: "8s",
  tens: "10s",
  twelves: "12s",
  fourteens: "14s",
  sixteens: "16s",
  eighteens: "18s",
  twenties: "20s",
};
const spokenSize = new RegExp(`\\b(?:${Object.keys(spokenSizes).join("|")})\\b`, "gu");
/** “on a ten”, “size twelve”, “sizes ten to fourteen”. */
const oneSpoken =
  /(?<=\b(?:an?|sizes?|number|no\.?)\s+(?:(?:four|six|eight|ten|twelve|fourteen|sixteen|eighteen)\s+(?:to|through|and|or)\s+)?)(?:four|six|eight|ten|twelve|fourteen|sixteen|eighteen|twenty)(?=\s*(?:[,.;]|$)|\s+(?!(?:times?|extra|mm|turns?)\b))/gu;
/** Whether a word is a size as it is spoken: “ten”, “fourteens”. */
export const isSpokenSize = (word: string): boolean =>
  [word, `${word}s`, `${word}es`, word.replace(/y$/, "ies")].some((w) => w in spokenSizes);
/** Sizes in figures, as long as the words that stood there. */
const sizesInFigures = (text: string): string =>
  text
    .replace(spokenSize, (w) => (spokenSizes[w] ?? w).padEnd(w.length))
    .replace(oneSpoken, (w) =>
      (spokenSizes[w === "six" ? "sixes" : `${w}s`.replace("twentys", "twenties")] ?? w)
        .replace("s", "")
        .padEnd(w.length),
    );

/** “1/16" tinsel on a #6”: a length is no size. */
const inches = /\d+(?:\s+\d+\/\d+|\/\d+)?\s*(?:"|inch(?:es)?\b)/gu;

/** “12 to 15 wraps of lead”: so often something goes round, and no size. */
const ofTurns = /\d{1,2}(?:\s*(?:-|to|or)\s*\d{1,2})?\s+(?:(?:touching|close|even|open)\s+)?(?:turns|wraps)\b/gu;

/** What is told of the thread, up to the next sign. */
const ofThread =
  /[,;.]\s*(?:(?!\b(?:hooks?|sizes?)\b)[^,;.])*\b(?:thread|silk)\b(?:(?!\b(?:hooks?|sizes?)\b)[^,;.])*/gu;

const withoutCode = (text: string, code: string): string => {
  const at = text.search(new RegExp(`(?<![a-z0-9])${code.replace(/[^a-z0-9]/g, "\\$&")}(?![a-z0-9])`, "u"));
  return at < 0 ? text : text.slice(0, at) + " ".repeat(code.length) + text.slice(at + code.length);
};

/**
 * What a text says of the hook: its sizes, a model by its name or code, or the family and length of its shank.
 * @param text in small letters
 */
export function readHook(text: string, hooks: Iterable<KnownHook>): HookSaid {
  const all = [...hooks];
  text = text.replace(inches, (m) => " ".repeat(m.length));
  // “long-shank 4, thread black 6/0”: a number of the thread is no size of the hook.
  const words = text.split(/[^a-z0-9]+/).filter(Boolean);
  const byCode = all.find((h) => words.includes(h.id.toLowerCase()));
  // “P1, sizes 14 and 16”: the figure of its code is no size.
  const told = byCode ? withoutCode(text, byCode.id.toLowerCase()) : text;
  const found = sizesIn([ofThread, ofTurns].reduce((t, no) => t.replace(no, (m) => " ".repeat(m.length)), told));
  const sizes = found?.sizes;
  const nameWords = (h: KnownHook) =>
    h.name
      .toLowerCase()
      .split(/[^a-z0-9]+/)
      .filter((w) => w !== "hook");
  const named = all
    .filter((h) => nameWords(h).length > 1 && nameWords(h).every((w) => words.includes(w)))
    .sort((a, b) => nameWords(b).length - nameWords(a).length)[0];
  const family = families.find(([pattern]) => pattern.test(text))?.[1];
  const exact = byCode ?? named;
  if (exact) return { sizes, model: exact, others: [], family: exact.family ?? family, text, at: found?.at ?? [] };
  const some = all.filter((h) => nameWords(h).some((w) => w.length > 3 && !isCommon(w) && words.includes(w)));
  const likely = some.length > 0 ? some : all.filter((h) => family !== undefined && h.family === family);
  const wanted: HookWanted = likely.length > 1 ? readWanted(text).wanted : {};
  const long = usualSteps(wanted.shank);
  const others = (h: KnownHook): number => Object.keys(hookDifference(wanted, h)?.has ?? {}).length;
  const fits = likely.sort(
    (a, b) => Math.abs(a.shankSteps - long) - Math.abs(b.shankSteps - long) || others(a) - others(b),
  );
  return { sizes, model: fits[0], others: fits.slice(1), family: fits[0]?.family ?? family, text, at: found?.at ?? [] };
}
/** The steps of a shank of which only “long” or “short” may be said. */
function usualSteps(shank: HookSteps | undefined): number {
  if (!shank) return 0;
  if (shank.from === shank.to) return shank.from;
  return shank.from > 0 ? 2 : -1;
}
const isCommon = (w: string): boolean => /^(?:nymph|wet|dry|streamer|long|pupa|double|curve|yard)$/.test(w);
