import type { Bench } from "./bench";
import type { LineMark, RecipeLine } from "./reading";

/** Words that were read, and that nothing of what was made of them holds: how that is found out, and asked. */

/** Whether a line is what the program itself has said: what it says is held. */
export const isOwnWords = ({ text, marks }: RecipeLine): boolean =>
  marks.some((m) => m.at[0] === 0 && m.at[1] === text.length);

/** “Three fibres, no, make it four”: the words that take back what stands before them. */
export const takesBack =
  /^\W*(?:no|nope|sorry|oops|erm?|wait|scratch\s+that|i\s+mean|or\s+rather|actually|make\s+(?:that|it))\b/i;

/**
 * The steps that a line made and the one before them, which its first words may hold, with all that are of the same
 * parts; of a line that made none, every step.
 */
export const stepsNear = (line: RecipeLine, bench: Bench): unknown[] =>
  withTheirParts(
    bench.made.filter((m, i) =>
      [m, bench.made[i + 1]].some((near) => near !== undefined && line.steps.includes(near.step.id)),
    ),
    bench,
  );
/** The same without the one before: what lies at a place there says nothing of this line. */
export const stepsOf = (line: RecipeLine, bench: Bench): unknown[] =>
  withTheirParts(
    bench.made.filter((m) => line.steps.includes(m.step.id)),
    bench,
  );
function withTheirParts(own: Bench["made"], bench: Bench): unknown[] {
  const parts = new Set(own.flatMap((m) => m.step.component ?? []));
  const isOwn = (component: string | undefined): boolean => component !== undefined && parts.has(component);
  return own.length === 0
    ? bench.made.map((m) => m.step)
    : bench.made.flatMap((m) => (own.includes(m) || isOwn(m.step.component) ? [m.step] : []));
}

const LONGEST_ASKED = 40;
/** Asks about words that nothing takes up: all of a short stretch, of a longer one only these. */
export function askUnheld(line: RecipeLine, at: number, end: number, mark: LineMark): void {
  const isShort = mark.at[1] - mark.at[0] <= LONGEST_ASKED;
  const [from, to] = isShort ? mark.at : [at, end];
  const words = line.text.slice(from, to).trim();
  const begin = from + line.text.slice(from, to).search(/\S/);
  line.marks.push({ at: [begin, begin + words.length], kind: "doubt" });
  line.asks.push({
    at: [begin, begin + words.length],
    sentence: `“${words}” is read, but nothing here takes it up. Say in other words what it is of, or keep it as an instruction for the bench.`,
    answers: [{ label: "Keep it as an instruction", text: `[${words}]` }],
  });
}

/** Words of a line that were understood, with what they stand for. */
export interface KnownWords<T> {
  at: number;
  end: number;
  means: T;
  mark: LineMark;
}
/**
 * The words of a line that fit a pattern and were understood as a whole.
 *
 * @param pattern with the flag g; searched from the start of the line
 * @param means what a match stands for; undefined where it counts for nothing
 */
export function knownWords<T>(
  { text, marks }: RecipeLine,
  pattern: RegExp,
  means: (m: RegExpExecArray) => T | undefined,
): KnownWords<T>[] {
  const found: KnownWords<T>[] = [];
  // Not by matchAll, which copies the pattern at each line.
  pattern.lastIndex = 0;
  for (let m = pattern.exec(text); m !== null; m = pattern.exec(text)) {
    const [at, end] = [m.index, m.index + m[0].length];
    const mark = marks.find((k) => k.kind === "known" && k.at[0] <= at && k.at[1] >= end);
    if (mark === undefined || marks.some((k) => k.kind !== "known" && k.at[0] < end && k.at[1] > at)) continue;
    const value = means(m);
    if (value !== undefined) found.push({ at, end, means: value, mark });
  }
  return found;
}
