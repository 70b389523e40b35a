import { headOf } from "../head";
import { remembered } from "../remembered";
import { nameOf } from "./headlines";
import type { Part, Piece } from "./piece";
import { unbroken } from "./unbroken";

/** So many parts named in one line make it a list. */
const FEWEST = 3;
const LONGEST = 10_000;
/** So many sentences in one line are a story. */
const STORY = 4;
/** What may lie between the parts of a list: each holds for a whole line, or not at all. */
const separators = [/\s*;\s+/gu, /\s+\|\s+/gu, /\s+\/\s+/gu, /\s+•\s+/gu];
const PARTS =
  "thread|tag|tail|butt|body|abdomen|rib|hackle|throat|wing|wings|cheeks|sides|topping|legs|thorax|eyes|head";
/** Where a sentence begins; in a text that is all small letters, or all capitals, only where a part is named. */
const stop = new RegExp(
  `(?<=(?:[\\p{Ll}\\d%"”)]{2}|\\d)\\.)\\s+(?=\\p{Lu})|(?<=(?:[\\p{L}%"”)]{2}|\\d)\\.)\\s+(?=(?:${PARTS}|${PARTS.toUpperCase()})\\s+[-–]\\s)`,
  "gu",
);
const NAME = "(\\p{L}[\\p{L}\\s'&/-]{0,28}?)";
/** “…, tail: …”: where a part begins with its name and a sign, whatever lies ahead of it. */
const signed = new RegExp(`(?<=^\\s*|[;.|•,]\\s+|\\s[/–-]\\s+)${NAME}\\s*[:=]\\s*(?=\\S)`, "gu");
const hookNamed = /(?:^\s*|[,;.|]\s+)hooks?\s*[:=]\s*\S/iu;
const ending = /\s*[;|•,/–-]?\s*$/u;

/**
 * The lines of a text, of which one that holds a whole list (“Hook: …; Thread: …; Tail: …”) or a whole story is read in
 * pieces, each part or sentence as if it stood in a line of its own, and those over which one was broken as one.
 * @param most lines behind so many are not looked into
 */
export const piecesOf = (lines: readonly string[], most = Infinity): Piece[] => [
  ...unbroken(lines.slice(0, most)).flatMap(({ text, parts }) =>
    piecesOfLine(text).map((piece) => ({ text: piece.text, parts: within(parts, piece) })),
  ),
  ...lines.slice(most).map((text, i) => ({ text, parts: [{ line: most + i, from: 0, at: 0, length: text.length }] })),
];

/** The parts of a line that lie in a stretch of it, told from where that begins. */
function within(parts: readonly Part[], { from, text }: Stretch): Part[] {
  const end = from + text.length;
  return parts.flatMap((p) => {
    const [a, b] = [Math.max(p.at, from), Math.min(p.at + p.length, end)];
    const isThere = a < b || (parts.length === 1 && a === b);
    return isThere ? [{ line: p.line, from: p.from + a - p.at, at: a - from, length: b - a }] : [];
  });
}

interface Stretch {
  from: number;
  text: string;
}

const piecesOfLine = remembered(piecesIn);
function piecesIn(text: string): readonly Stretch[] {
  const whole = [{ from: 0, text }];
  // Most lines end here; a line longer than any recipe is asked about as it is.
  if (text.length > LONGEST || !/[:=;|/•]|\.\s/.test(text)) return whole;
  const parted = separators.reduce<Stretch[]>((pieces, by) => pieces.flatMap((p) => listAt(p, by)), whole);
  return parted.flatMap(sentencesOf).flatMap(partedAtSigns);
}

function partedAt({ from, text }: Stretch, by: RegExp): Stretch[] {
  const ends = [...text.matchAll(by)];
  const begins = [0, ...ends.map((m) => m.index + m[0].length)];
  return begins
    .map((at, n) => ({ from: from + at, text: text.slice(at, ends[n]?.index) }))
    .filter((p) => p.text.trim() !== "");
}
/** Whether enough parts are named for a list. */
const isList = (parts: readonly Stretch[]): boolean =>
  parts.length >= FEWEST && parts.filter((p) => headOf(p.text.toLowerCase()).isListed).length >= FEWEST;

function listAt(whole: Stretch, by: RegExp): Stretch[] {
  const parts = partedAt(whole, by);
  return isList(parts) ? parts : [whole];
}
function sentencesOf(whole: Stretch): Stretch[] {
  const sentences = partedAt(whole, stop);
  return sentences.length >= STORY || isList(sentences) ? sentences : [whole];
}

function partedAtSigns(whole: Stretch): Stretch[] {
  const { from, text } = whole;
  const starts = [...text.matchAll(signed)].filter((m) => nameOf(m[1] ?? "") !== undefined).map((m) => m.index);
  // “Thread: brown 8/0, hook: curved 10”: neither is of the other.
  const hasHook = starts.length > 1 && hookNamed.test(text);
  if (starts.length < FEWEST && !hasHook) return [whole];
  // “1. Hook: …”: the number of the step goes with it.
  const isBare = !/\p{L}/u.test(text.slice(0, starts[0]));
  const begins = [0, ...(isBare ? starts.slice(1) : starts)];
  return begins.map((at, n) => ({ from: from + at, text: text.slice(at, begins[n + 1]).replace(ending, "") }));
}
