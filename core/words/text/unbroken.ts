import { headOf } from "../head";
import { verbAt } from "../verbs";
import { isMarked, quoteLength } from "./laidOut";
import type { Part, Piece } from "./piece";

/** With so many lines that end where the next word had no room, what wrote the text broke them by their length. */
const BROKEN = 2;
/** How wide such a text is. */
const NARROWEST = 40;
const WIDEST = 110;
/** No sentence is longer: what goes on behind so much is a line of its own. */
const LONGEST = 300;
/** Behind these words something must follow. */
const openWords = "and|or|the|an?|of|to|with|from|by|for|as|than|is|are|into|onto|your|my|its|towards?";
// “… as long as the hook is”, “… where the hackles are” are at their end.
const open = new RegExp(
  `(?<![\\p{L}\\d])(?<!(?<!\\p{L})(?:as|where)\\s+the\\s+\\p{L}+\\s+(?=(?:is|are)$))(?:${openWords})$`,
  "u",
);
/** What begins small behind a comma goes on as well. */
const enumerating = /[,(&+]$/u;
const numberOpen = /(?<![\p{L}\d/#])(?:\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|half|a\s+few)$/u;
const counted =
  /^(?:turns?|wraps?|fib(?:re|er)s?|strands?|mm|cm|inch(?:es)?|hairs?|herls?|feathers?|slips|coats?|layers)\b/;
const closed = /[.!?;:]$/;

/** The lines of a text; those over which a mail or a page broke one are one again. The first stays its name. */
export function unbroken(typed: readonly string[]): Piece[] {
  // What a mail quotes is broken as what it says itself.
  const lines = typed.map((line) => line.slice(quoteLength(line)));
  const width = lines.slice(1).reduce((most, l) => Math.max(most, l.trimEnd().length), 0);
  const isForced = (line: string, i: number): boolean => i > 1 && hadNoRoom(lines[i - 1] ?? "", line, width);
  // Who begins each thing with a capital began nothing with a small letter: all of those go on with the line above.
  const small = lines.flatMap((line, i) => (i > 1 && beginsSmall.test(line.trim()) ? [{ line, i }] : []));
  const hasCapitals = lines.some((line, i) => i > 0 && /^\s*\p{Lu}/u.test(line));
  const isBroken =
    hasCapitals &&
    width >= NARROWEST &&
    width <= WIDEST &&
    lines.filter(isForced).length >= BROKEN &&
    small.every(({ line, i }) => isForced(line, i) || isOpen(lines[i - 1] ?? "", line));
  const out: { text: string; parts: Part[] }[] = [];
  lines.forEach((line, i) => {
    const last = out.at(-1);
    const above = lines[i - 1] ?? "";
    const isJoined =
      i > 1 &&
      (isOpen(above, line) || (isSetIn(above, line) && mayGoOn(above, line)) || (isBroken && isForced(line, i)));
    const whole = typed[i] ?? "";
    if (last && isJoined && last.text.length - lastStop(last.text) < LONGEST) {
      const text = line.trimStart();
      last.text = `${last.text.trimEnd()} `;
      last.parts.push({ line: i, from: whole.length - text.length, at: last.text.length, length: text.length });
      last.text += text;
    } else out.push({ text: whole, parts: [{ line: i, from: 0, at: 0, length: whole.length }] });
  });
  return out;
}

/** Where the last sentence of a text begins. */
const lastStop = (text: string): number => Math.max(text.lastIndexOf(". "), text.lastIndexOf("; "), 0);
const indent = (line: string): number => line.length - line.trimStart().length;
const isSetIn = (above: string, line: string): boolean => indent(line) > indent(above) + 1;

const signedHead = /^(?:\p{L}[\p{L}\s'&/-]{0,28}?)\s*[:=]\s/u;
/** Whether a line ends in the midst of a sentence, and where the first word of the next had no room in it. */
function hadNoRoom(above: string, line: string, width: number): boolean {
  const next = line.trim();
  const [word = ""] = next.split(/\s/, 1);
  if (above.trimEnd().length + 1 + word.length <= width) return false;
  return (
    above.trim() !== "" &&
    beginsSmall.test(next) &&
    !closed.test(above.trim()) &&
    !isMarked(line) &&
    !signedHead.test(next)
  );
}
const beginsSmall = /^[\p{Ll}(]/u;
/** A number may begin a thing of its own: “6 white saddles”. */
const beginsSmallOrCounts = /^[\p{Ll}\d(]/u;

/** Whether a line ends in the midst of a thing, and the one below may go on with it. */
function isOpen(above: string, line: string): boolean {
  const a = above.trim().toLowerCase();
  if (!mayFollow(a, line)) return false;
  return (
    open.test(a) || (numberOpen.test(a) && counted.test(line.trim())) || (enumerating.test(a) && mayGoOn(above, line))
  );
}
/** Whether a line may go on with what the one above it began: it does nothing, and begins small. */
const mayGoOn = (above: string, line: string): boolean =>
  mayFollow(above.trim(), line) && beginsSmallOrCounts.test(line.trim()) && !verbAt(line.trim().toLowerCase(), 0);
const mayFollow = (above: string, line: string): boolean =>
  above !== "" &&
  line.trim() !== "" &&
  !closed.test(above) &&
  !isMarked(line) &&
  !headOf(line.trim().toLowerCase()).isListed;
