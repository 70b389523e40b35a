import { toldOf } from "./assemble";
import type { Ask } from "./bench";
import type { LineMark, RecipeLine, RecipeReading } from "./reading";
import type { Part, Piece } from "./text/piece";

/** A reading of pieces as one of the lines that were typed, each place where it stands in its line. */
export function inLines(reading: RecipeReading, typed: readonly string[], pieces: readonly Piece[]): RecipeReading {
  const ofLine = typed.map((): Read[] => []);
  pieces.forEach(({ parts }, n) => {
    const line = reading.lines[n];
    if (line) parts.forEach((part, k) => ofLine[part.line]?.push({ line, part, isFirst: k === 0 }));
  });
  const lines = typed.map((text, i) => joined(text, ofLine[i] ?? []));
  return { ...reading, lines, recipe: { ...reading.recipe, told: toldOf(lines) } };
}

interface Read {
  line: RecipeLine;
  part: Part;
  /** What a piece makes stands at the line in which it begins. */
  isFirst: boolean;
}

/** What the pieces of a line were read as, together. */
function joined(text: string, read: readonly Read[]): RecipeLine {
  const [only] = read;
  if (only?.isFirst && read.length === 1 && only.line.text === text) return only.line;
  const kinds = read.map((p) => p.line.kind);
  const first = read.flatMap((p) => (p.isFirst ? [p.line] : []));
  return {
    text,
    kind: kinds.includes("steps") ? "steps" : kinds.includes("fact") ? "fact" : "aside",
    steps: first.flatMap((l) => l.steps),
    components: [...new Set(first.flatMap((l) => l.components))],
    marks: read.flatMap(marksOf),
    asks: read.flatMap(asksOf),
    assumed: first.flatMap((l) => l.assumed),
    notes: first.flatMap((l) => l.notes),
  };
}

/** Where a stretch of a piece stands in the line of one of its parts. */
function inPart([from, to]: readonly [number, number], part: Part): [number, number] {
  const end = part.at + part.length;
  const [a, b] = [Math.max(from, part.at), Math.min(to, end)];
  return [part.from + a - part.at, part.from + Math.max(a, b) - part.at];
}
const marksOf = ({ line, part }: Read): LineMark[] =>
  line.marks.flatMap((m) => {
    const at = inPart(m.at, part);
    return at[0] < at[1] ? [{ ...m, at }] : [];
  });
/** A question stands where it begins; what would stand in the place of words of two lines is not offered. */
const asksOf = ({ line, part, isFirst }: Read): Ask[] =>
  line.asks.flatMap((ask) => {
    const end = part.at + part.length;
    const isHere = (ask.at[0] >= part.at || isFirst) && (ask.at[0] < end || end === line.text.length);
    if (!isHere) return [];
    return [{ ...ask, at: inPart(ask.at, part), answers: ask.at[1] > end ? [] : ask.answers }];
  });
