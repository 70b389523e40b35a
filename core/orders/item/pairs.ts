import { fold } from "../nearest";
import { plainColour } from "../names";
import { comesIn, sizeOf } from "../sizes";
import type { Span } from "../spans";
import type { Stretch } from "../stretch";
import { type Pair, type Pattern, type Named, takeWords } from "./draft";

const BETWEEN = /^(?:and|und|&|in|size|sizes|#|gr|no|each|the)$/iu;

/** A colour, a size, or something else. */
type Token = { word: Span } & ({ colour: Named } | { size: string } | { other: true });

function tokenOf(word: Span, pattern: Pattern): Token {
  const colour = pattern.variants.find((v) => fold(v.name) === fold(plainColour(word.text)));
  if (colour) return { word, colour };
  const size = /^#?\d{1,2}(?:\/0)?s?$/i.test(word.text) ? sizeOf(word.text) : undefined;
  return size !== undefined && comesIn(size, pattern.sizes) ? { word, size } : { word, other: true };
}

/**
 * “tan 12, tan 14, grey 14”: each colour with its own sizes, or each size with its own colours. What is wanted of each
 * is wanted of these pairs, and not of every size in every colour.
 *
 * @returns at least two pairs in their order, taken out of the stretch; undefined where colours and sizes stand apart
 */
export function takePairs(stretch: Stretch, pattern: Pattern): Pair[] | undefined {
  const tokens = stretch
    .words()
    .map((word) => tokenOf(word, pattern))
    .filter((t) => !("other" in t && (BETWEEN.test(t.word.text) || !/[\p{L}\d]/u.test(t.word.text))));
  const from = tokens.findIndex((t) => !("other" in t));
  const to = tokens.findLastIndex((t) => !("other" in t)) + 1;
  const run = tokens.slice(Math.max(0, from), to);
  if (run.length < 4 || run.some((t) => "other" in t)) return undefined;
  const areGroups = changes(run) > 1;
  const [first] = run;
  const last = run[run.length - 1];
  const isClosed = first && last && "colour" in first !== "colour" in last;
  if (!areGroups || !isClosed) return undefined;
  takeWords(
    stretch,
    run.map((t) => t.word),
  );
  return pairsOf(run, "colour" in first);
}

/** How often colours and sizes change places. */
const changes = (run: readonly Token[]): number =>
  run.filter((t, i) => i > 0 && "colour" in t !== "colour" in (run[i - 1] ?? t)).length;

/** Each of what leads with all that stands behind it. */
function pairsOf(run: readonly Token[], isColourAhead: boolean): Pair[] {
  const pairs: Pair[] = [];
  let ahead: Token[] = [];
  let isBehind = false;
  for (const t of run) {
    if ("colour" in t === isColourAhead) {
      if (isBehind) ahead = [];
      isBehind = false;
      ahead.push(t);
      continue;
    }
    isBehind = true;
    for (const a of ahead)
      if ("colour" in a && "size" in t) pairs.push({ size: t.size, colour: a.colour });
      else if ("size" in a && "colour" in t) pairs.push({ size: a.size, colour: t.colour });
  }
  return pairs;
}
