import { type ItemState, type Draft, ask, isOpen, type Pattern, findClose } from "./draft";
import { type Stretch, runsOf } from "../stretch";
import type { ReadLine } from "../types";
import type { Span } from "../spans";
import { fold } from "../nearest";
import { NUMBER, numberOf } from "../numbers";
import { LEAST_SPELLED } from "./quantity";
import { keptAsWish } from "../wishes";

/** Some of what was said before, not as many more: how the rest stands has to be said. */
const PART_OF =
  /(?<!\p{L})(?:of\s+(?:them|which|it)|of\s+(?:these|those)(?!\s*\uE000)|thereof|davon|darunter|including|incl\.?|inkl\.?|inklusive)(?!\p{L})/iu;

/** “6 of those”, “1 dz of those”: some of them, or as many more? */
const SOME_OF_THOSE = new RegExp(
  String.raw`(?<![\p{L}\d])(?:${NUMBER}|an?)\s*(?:(?:dz|doz|dozens?)\s+)?(of\s+(?:these|those))(?!\p{L})`,
  "iu",
);

const OF_THE_SIZE =
  /(?<!\p{L})(?:of|from)\s+the\s+(?:sizes?\s+)?#?\d{1,2}(?:\/0)?'?s?(?![\p{L}\d])|(?<!\p{L})von\s+den\s+\d{1,2}(?:er)?n?(?![\p{L}\d])/iu;

/** “6 dz claret 12 – sorry, make that green”: what is taken back has to be said. */
const CORRECTED =
  /(?<!\p{L})(?:(?:sorry|oops|no|actually|correction|scratch\s+that|nein|halt|moment)(?!\p{L})[\s,:;–-]*)+(?:(?:make|let)\s+(?:that|it|them)(?:\s+be)?|i\s+mean|rather|lieber|doch)(?!\p{L})/iu;

/** Every word that is left is asked about: a plausible name for it, or kept as a wish in these words. */
export function askRest(s: ItemState, stretch: Stretch, { line, pattern }: Draft): void {
  const part = stretch.take(PART_OF) ?? stretch.take(CORRECTED) ?? someOfThose(s, stretch, line) ?? partOfSize(s, line);
  if (part) ask(line, "rest", part.at, { code: "NOT_UNDERSTOOD", details: { words: part.words } }, []);
  for (const run of runsOf(
    stretch,
    stretch.words().filter((w) => isOpen(w)),
  ))
    askRun(s, run, line, pattern);
}

function someOfThose(
  s: ItemState,
  stretch: Stretch,
  line: ReadLine,
): { at: [number, number]; words: string } | undefined {
  const said = SOME_OF_THOSE.exec(line.text);
  if (!said?.[1] || !s.soFar.some((l) => l.pattern === line.pattern)) return undefined;
  const from = line.at[0] + said.index + said[0].length - said[1].length;
  const at: [number, number] = [from, from + said[1].length];
  const isTaken = stretch.left.slice(at[0] - stretch.start, at[1] - stretch.start).trim() !== said[1];
  return isTaken ? undefined : { at, words: said[1] };
}

/** “1 dz of the 10s barbless”, behind 10s that are ordered: some of those, or as many more? */
function partOfSize(s: ItemState, line: ReadLine): { at: [number, number]; words: string } | undefined {
  const said = OF_THE_SIZE.exec(line.text);
  const isThere = s.soFar.some((l) => l.pattern === line.pattern && l.size !== undefined && l.size === line.size);
  if (!said || !isThere) return undefined;
  const from = line.at[0] + said.index;
  return { at: [from, from + said[0].length], words: said[0] };
}

function askRun(s: ItemState, run: Span, line: ReadLine, pattern: Pattern | undefined): void {
  const at: [number, number] = [run.start, run.end];
  const words = run.text;
  const isNumber = !/\p{L}/u.test(words) || (numberOf(words) ?? 0) > LEAST_SPELLED;
  if (isNumber) return ask(line, "rest", at, { code: "WHAT_NUMBER", details: { words } }, []);
  const names = [...(pattern?.variants ?? []), ...(pattern && pattern.forms.length > 1 ? pattern.forms : [])];
  const customers = s.catalogue.customers.filter((c) => fold(c.name).split(" ").includes(fold(words)));
  ask(line, "rest", at, { code: "NOT_UNDERSTOOD", details: { words } }, [
    ...findClose(words, names, 0.78),
    ...(customers.length <= 3 ? customers.map((c) => ({ label: c.name, text: c.name })) : []),
    ...keptAsWish(words),
  ]);
}
