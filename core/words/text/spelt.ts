import { leftOut, type Rule } from "./leftOut";
import { remembered } from "../remembered";
import { otherWords } from "./otherWords";
import type { Put } from "./stuffAsPart";

/** A line as it is read, and where each place of it stands in the line as it was typed. */
export interface Spelt {
  text: string;
  /** @param at a place in `text`, its end included @returns that place in what was typed */
  typedAt: (at: number) => number;
  /** Where a stretch stands: one within what was put in other words is all that was typed for it. */
  typedOver: (at: number, end: number) => [number, number];
}

/** Blanks of a text that was set out, or pasted, some of which hold words together; and “2mm”, which is 2 mm. */
const blanks = /(?<=\S)(?:[^\S\r\n]{2,}|[^\S \r\n])(?=\S)|(?<=\d)(?=mm(?!\p{L}))/gu;
/** “w/ five turns”, “w/o a rib”, “ribbed w gold wire”. */
const shortWith = /(?<=(?:^|[\s,;(]))w(?:\/(?!f(?!\p{L}))(o(?=\s))?\s*(?=[\p{L}\d.\s])|(?=\s+(?:an?\s|\p{L}{2})))/giu;
/**
 * A line with one blank between its words, and one ahead of what a figure counts.
 * @param more what else stands in place of something in it
 */
export const withoutWideBlanks = (typed: string, more: readonly Put[] = []): Spelt => {
  const wide = [...typed.matchAll(blanks)].map((m) => ({ at: m.index, instead: m[0].length, put: " " }));
  const withs = [...typed.matchAll(shortWith)].map((m) => ({
    at: m.index,
    instead: m[0].length,
    put: m[0].includes("/") ? (m[1] ? "without " : "with ") : "with",
  }));
  return withPuts(
    typed,
    [...more, ...withs, ...wide].sort((a, b) => a.at - b.at),
  );
};
/** What was spelt out of a text that itself stands for what was typed. */
export const speltOf = (typed: Spelt, spelt: Spelt): Spelt => ({
  text: spelt.text,
  typedAt: (at) => typed.typedAt(spelt.typedAt(at)),
  typedOver: (at, end) => {
    const [from, to] = spelt.typedOver(at, end);
    return [typed.typedOver(from, from)[0], typed.typedAt(to)];
  },
});

/** “Wind it down & back to bend”: what notes leave out, put in, so that the words are those of a sentence. */
export function speltOut(typed: string, more: readonly Put[] = []): Spelt {
  const found = putsOf(typed);
  return withPuts(
    typed,
    [...more, ...found].sort((a, b) => a.at - b.at),
  );
}

function withPuts(typed: string, puts: readonly Put[]): Spelt {
  if (puts.length === 0) return { text: typed, typedAt: (at) => at, typedOver: (at, end) => [at, end] };
  let text = "";
  const from: number[] = [];
  // Where the words begin that stand for each place.
  const begins: number[] = [];
  let done = 0;
  const copyTo = (end: number): void => {
    for (; done < end; done++) {
      from.push(done);
      begins.push(done);
    }
  };
  for (const { at, instead, put } of puts) {
    // Two rules may be about one stretch; it is put in other words once.
    if (at < done) continue;
    text += typed.slice(done, at) + put;
    copyTo(at);
    if (put !== "") from.push(at, ...Array.from({ length: put.length - 1 }, () => at + instead));
    begins.push(...Array.from({ length: put.length }, () => at));
    done = at + instead;
  }
  text += typed.slice(done);
  copyTo(typed.length);
  const typedAt = (at: number): number => from[at] ?? typed.length;
  const typedOver = (at: number, end: number): [number, number] => [begins[at] ?? typed.length, typedAt(end)];
  return { text, typedAt, typedOver };
}

/** Where words were typed that are asked about: themselves, where they stand, else what was typed in their place. */
export function whereTyped(spelt: Spelt, typed: string, [at, end]: readonly [number, number]): [number, number] {
  const [from, to] = [spelt.typedAt(at), spelt.typedAt(end)];
  if (from < to || at >= end) return [from, to];
  const over = spelt.typedOver(at, end);
  const within = typed.slice(...over).indexOf(spelt.text.slice(at, end));
  return within < 0 ? over : [over[0] + within, over[0] + within + (end - at)];
}

const rules: readonly Rule[] = [...leftOut, ...otherWords];

/** Two letters of a text, as one number: few texts have many of them. */
const pairAt = (text: string, at: number): number => (text.charCodeAt(at) * 31 + text.charCodeAt(at + 1)) & PAIRS;
const PAIRS = 0x3ff;
/** The words without which a rule is not looked at, each with its first two letters. */
const needed = rules.map(({ has }) => has.map((word) => ({ word, pair: word.length > 1 ? pairAt(word, 0) : -1 })));

const putsOf = remembered((typed): readonly Put[] => {
  const small = typed.toLowerCase();
  const pairs = new Uint8Array(PAIRS + 1);
  for (let at = 0; at + 1 < small.length; at++) pairs[pairAt(small, at)] = 1;
  const mayFit = rules.filter((_, i) =>
    needed[i]?.some(({ word, pair }) => (pair < 0 || pairs[pair] === 1) && small.includes(word)),
  );
  return mayFit.flatMap(({ written, as }) => [...typed.matchAll(written)].flatMap((m) => as(m, typed)));
});
