import { readNumber, NUMBER_WORD } from "./text/number";
import type { LineMark, Reading, RecipeLine } from "./reading";
import { remembered } from "./remembered";
import { askUnheld, isOwnWords, takesBack, stepsNear } from "./unheld";

/**
 * “Two peacock herls”, “four turns”: so many of something that was read, and that nothing made of the line counts.
 * It is asked about, whatever lost it: a strand that is tied in by one clause and wound by another, a second number
 * of turns of one winding. Unlike figures in general, these have to be held as what they count.
 */
export function askLostCounts({ bench, out }: Pick<Reading, "bench" | "out">): void {
  for (const line of out) {
    // Where something else is asked, its answer may take the count up; what the program has said itself is held.
    if (line.kind !== "steps" || line.asks.length > 0 || isOwnWords(line)) continue;
    const said = countsSaid(line);
    if (said.length === 0) continue;
    const near = [...stepsNear(line, bench), bench.finish];
    const others = numbersIn(line.text);
    // Dubbing is dosed by how full it is, not by its turns.
    const isDubbed = bench.made.some((m) => m.step.do === "dress" && line.steps.includes(m.step.id));
    for (const s of said) {
      if (s.kind === "turns" && isDubbed) continue;
      if (!isHeld(s.n, line.steps.length > 0 ? others : [], numbersBelow(near, keysOf[s.kind])))
        askUnheld(line, s.at, s.end, s.mark);
    }
  }
}

const kinds = ["turns", "pieces", "coats"] as const;
type Kind = (typeof kinds)[number];
const nouns: Record<Kind, string> = {
  turns: "turns?|wraps?",
  pieces: "herls?|strands?|fib(?:re|er)s?|feathers?|hackles?|plumes?|slips?|biots?|hairs",
  coats: "coats?|layers?|drops?",
};
/** Where a step keeps how many there are. */
const keysOf: Record<Kind, ReadonlySet<string>> = {
  turns: new Set(["spread", "atMost", "turns", "wraps", "times", "around", "count"]),
  pieces: new Set(["spread", "fibres", "strands", "feathers", "pieces", "rope", "count", "layers", "slips"]),
  coats: new Set(["spread", "coats", "drops", "passes", "layers", "loopLayers", "times"]),
};

interface SaidCount {
  kind: Kind;
  at: number;
  end: number;
  n: number;
  mark: LineMark;
}

const BETWEEN = `(?:(?!(?:${NUMBER_WORD}|of|and|or|to|mm|cm|with|in|by|over|from|per|between|minutes?|hours?|seconds?|days?|times|turns?|wraps?)\\b)[a-z-]+\\s+){0,3}?`;
const patterns = kinds.map(
  (kind) =>
    [
      kind,
      new RegExp(
        `(?<![\\p{L}\\d.,/#°½-])(\\d{1,2}|${NUMBER_WORD})\\s+${BETWEEN}(?:${nouns[kind]})(?![\\p{L}-])`,
        "giu",
      ),
    ] as const,
);
/** A pair of a thing may be told by its sides; one is never lost. */
const FEWEST = 2;
/** Slips are taken by the pair, one from either wing. */
const isPairOfSlips = (words: string, n: number): boolean => n === 2 && /slips?$/i.test(words);
const takenBack = /^[^.;]{0,12}(?:\bno\b|\bsorry\b|\bmake\s+(?:it|that)\b|\bi\s+mean\b)/i;
const ofEight = /figures?(?:[\s-]+of)?[\s-]+$/i;
const inBunches = /^\s+(?:bunches|clumps|bundles)\b/i;
const ofDubbing = /^\s+of\s+(?:the\s+)?(?:[\w-]+\s+){0,3}(?:dubbing|fur|hare|mole|seal|squirrel|rabbit|wool)\b/i;
/** A count that only numbers its line: “5 hackle: …”. */
const counting = /^\s*(?:step\s+)?\d{1,2}[.):]?\s/i;

const countsAt = remembered((text) =>
  patterns.map(([kind, pattern]) => ({ kind, found: [...text.matchAll(pattern)] })),
);
function countsSaid({ text, marks }: RecipeLine): SaidCount[] {
  const back = marks.filter((m) => m.kind !== "known" && takesBack.test(text.slice(m.at[0], m.at[1])));
  return countsAt(text).flatMap(({ kind, found }) =>
    found.flatMap((m) => {
      const [at, end] = [m.index, m.index + m[0].length];
      const n = readNumber((m[1] ?? "").toLowerCase());
      if (n === undefined || !Number.isInteger(n) || n < FEWEST) return [];
      const isOther =
        (at <= (counting.exec(text)?.[0].search(/\d/) ?? -1) && /^\d/.test(m[0])) ||
        isPairOfSlips(m[0], n) ||
        takenBack.test(text.slice(end)) ||
        back.some((m) => m.at[0] >= end) ||
        ofEight.test(text.slice(0, at)) ||
        inBunches.test(text.slice(end)) ||
        ofDubbing.test(text.slice(end)) ||
        marks.some((k) => k.kind !== "known" && k.at[0] < end && k.at[1] > at);
      return isOther ? [] : [{ kind, at, end, n, mark: { at: [at, end], kind: "known" } satisfies LineMark }];
    }),
  );
}

const number = new RegExp(`(?<![\\p{L}\\d])(?:\\d{1,2}|${NUMBER_WORD})(?![\\p{L}\\d])`, "giu");
const numbersIn = remembered((text): readonly number[] =>
  [...text.matchAll(number)].flatMap((m) => readNumber(m[0].toLowerCase()) ?? []),
);

/** The count itself, that of one side or of both, or what it comes to with another one of its line. */
function isHeld(n: number, others: readonly number[], held: ReadonlySet<number>): boolean {
  if ([n, 2 * n, n / 2, 12 * n].some((x) => held.has(x))) return true;
  // “5 turns, three behind and two in front”
  if (others.length > 0 && [...held].some((part) => part > 0 && part < n && held.has(n - part))) return true;
  return others.some((o) => o !== n && o > 1 && [n + o, Math.abs(n - o), n * o].some((x) => held.has(x)));
}

function numbersBelow(
  of: unknown,
  keys: ReadonlySet<string>,
  isWithin = false,
  found = new Set<number>(),
): Set<number> {
  if (typeof of === "number") {
    if (isWithin) found.add(of);
  } else if (Array.isArray(of)) for (const more of of) numbersBelow(more, keys, isWithin, found);
  else if (typeof of === "object" && of !== null)
    for (const [key, more] of Object.entries(of)) numbersBelow(more, keys, isWithin || keys.has(key), found);
  return found;
}
