import { match, type Reader } from "../parse";
import { readNumber } from "./number";

const BEFORE =
  "(?:(?:mixed|blended|about|roughly|in\\s+(?:a|the)\\s+(?:ratio|proportions?)(?:\\s+of)?|in\\s+proportions?|ratio)\\s+)*";
const PART = "(?:\\d{1,2}|one|two|three|four|five)";
const END = "(?![\\d.,]*\\d)(?!\\s*(?:mm|cm|inch|in(?!\\s+(?:an?|the)\\s)|turns?|wraps?)\\b)";
const figures = match(
  `\\(?${BEFORE}\\(?(?:(\\d{1,2}(?:\\s*[/:-]\\s*\\d{1,2}){1,2}%?)|(${PART}(?:\\s+parts?)?(?:\\s+to\\s+${PART}){1,2})|(\\d{1,2}\\s*%(?:\\s*(?:/|and|to)?\\s*\\d{1,2}\\s*%){1,2}))${END}(?:\\s+(?:ratio|parts))?\\)?`,
);

const halves = match(
  "(?:(?:mixed|blended)\\s+)?(?:half\\s+and\\s+half|half\\s+of\\s+each|half\\s+each|in\\s+equal\\s+(?:parts|amounts)|equally)(?=\\s*(?:[,.;)]|$)|\\s+(?:up|from|over|to|in|and)\\b)",
);

/**
 * Shares that stand in figures: “60/40”, “2:1”, “50-30-20”, “three to one”, “(about 70 % / 30 %)”.
 * @returns at least two, in their order; figures between strokes are per cent and have to make a hundred
 */
export const sharesInFigures: Reader<number[]> = (text, at) => {
  const even = halves(text, at);
  if (even) return { value: [1, 1], end: even.end };
  const found = figures(text, at);
  if (!found) return undefined;
  const words = found.value.find((w) => w !== undefined && w !== "") ?? "";
  const shares = words
    .replace(/\s+parts?\b/, "")
    .split(/\s*(?:[/:%-]|\bto\b|\band\b)\s*/)
    .flatMap((w) => (w === "" ? [] : [readNumber(w) ?? 0]));
  if (shares.length < 2 || shares.some((s) => s === 0)) return undefined;
  const isPerCent = /[/%-]/.test(words);
  const sum = shares.reduce((a, b) => a + b, 0);
  return isPerCent && Math.abs(sum - 100) > 1 ? undefined : { value: shares, end: found.end };
};
