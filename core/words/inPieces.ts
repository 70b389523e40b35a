import { toldOf } from "./assemble";
import type { RecipeLine, RecipeReading } from "./reading";
import type { Piece } from "./text/pieces";

/** A reading of pieces as one of the lines that were typed, each place where it stands in its line. */
export function inLines(reading: RecipeReading, typed: readonly string[], pieces: readonly Piece[]): RecipeReading {
  const lines = typed.map((text, i) =>
    joined(
      text,
      pieces.flatMap((p, n) => asPiece(p, i, reading.lines[n])),
    ),
  );
  return { ...reading, lines, recipe: { ...reading.recipe, told: toldOf(lines) } };
}

type Part = { line: RecipeLine; from: number };
const asPiece = ({ line, from }: Piece, i: number, read: RecipeLine | undefined): Part[] =>
  line === i && read ? [{ line: read, from }] : [];

/** What the pieces of a line were read as, together. */
function joined(text: string, parts: readonly Part[]): RecipeLine {
  const [first] = parts;
  if (first && parts.length === 1) return first.line;
  const kinds = parts.map((p) => p.line.kind);
  const shifted = <T extends { at: [number, number] }>(things: readonly T[], by: number): T[] =>
    things.map((t) => ({ ...t, at: [t.at[0] + by, t.at[1] + by] }));
  return {
    text,
    kind: kinds.includes("steps") ? "steps" : kinds.includes("fact") ? "fact" : "aside",
    steps: parts.flatMap((p) => p.line.steps),
    components: [...new Set(parts.flatMap((p) => p.line.components))],
    marks: parts.flatMap((p) => shifted(p.line.marks, p.from)),
    asks: parts.flatMap((p) => shifted(p.line.asks, p.from)),
    assumed: parts.flatMap((p) => p.line.assumed),
    notes: parts.flatMap((p) => p.line.notes),
  };
}
