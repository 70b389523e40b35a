import { wordsOf, type Span } from "./spans";

/** Stands where something was taken out: no word, no blank, no number goes across it. */
export const TAKEN = "\uE000";

/** Words that stand together: with what is between them, but nothing that was taken out. */
export function runsOf(stretch: Stretch, words: readonly Span[]): Span[] {
  const runs: [number, number][] = [];
  for (const w of words) {
    const last = runs.at(-1);
    const between = last && stretch.left.slice(last[1] - stretch.start, w.start - stretch.start);
    if (last && between !== undefined && !between.includes(TAKEN)) last[1] = w.end;
    else runs.push([w.start, w.end]);
  }
  return runs.map(([start, end]) => ({
    text: stretch.text.slice(start - stretch.start, end - stretch.start),
    start,
    end,
  }));
}

/** A stretch of the text from which one thing after another is taken; what is left keeps its place. */
export class Stretch {
  left: string;
  constructor(
    readonly text: string,
    readonly start: number,
  ) {
    this.left = text;
  }
  get end(): number {
    return this.start + this.text.length;
  }
  find(pattern: RegExp): { groups: (string | undefined)[]; words: string; at: [number, number] } | undefined {
    const m = pattern.exec(this.left);
    return m
      ? { groups: [...m], words: m[0].trim(), at: [this.start + m.index, this.start + m.index + m[0].length] }
      : undefined;
  }
  takeOut([from, to]: readonly [number, number]): void {
    const [a, b] = [from - this.start, to - this.start];
    this.left = this.left.slice(0, a) + TAKEN.repeat(b - a) + this.left.slice(b);
  }
  /** Lets what was taken out at a place part what stands beside it, as a comma does. */
  putComma(at: number): void {
    const a = at - this.start;
    this.left = `${this.left.slice(0, a)},${this.left.slice(a + 1)}`;
  }
  /** Finds and takes out at once. */
  take(pattern: RegExp): ReturnType<Stretch["find"]> {
    const found = this.find(pattern);
    if (found) this.takeOut(found.at);
    return found;
  }
  /** The words that are left, each where it stands. */
  words(): Span[] {
    return wordsOf({ text: this.left, start: this.start, end: this.end });
  }
}
