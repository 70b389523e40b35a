import type { Reading, RecipeLine } from "./reading";
import { askUnheld, isOwnWords, stepsNear } from "./unheld";

/**
 * A place at the bend or within it that was read, and to which nothing of the line goes in the end: it is asked about,
 * as a figure is. A part that ends there, a length that reaches there and a share of the shank close to it hold it.
 */
export function askLostPlaces({ bench, out }: Pick<Reading, "bench" | "out">): void {
  for (const line of out) {
    // Where something else is asked, its answer may take the place up.
    if (line.kind !== "steps" || line.steps.length === 0 || line.asks.length > 0 || isOwnWords(line)) continue;
    const said = placesSaid(line);
    if (said.length === 0) continue;
    const held = placesIn(stepsNear(line, bench));
    for (const s of said) if (!held.has(s.where)) askUnheld(line, s.at, s.end, s.mark);
  }
}

const INTO = /(?<!\p{L})(?:well\s+|half-?\s?way\s+|deep\s+)?(?:into|round|around|down|in)\s+the\s+bend(?!\s+of\b)/giu;
const BEND = /(?<!\p{L})(?<!(?:into|round|around|down|in|between)\s+the\s+)(?:the|hook)\s+bend(?!s|\s+and\b|\p{L})/giu;

function placesSaid({ text, marks }: RecipeLine) {
  const known = marks.filter((m) => m.kind === "known");
  return (
    [
      [INTO, "intoBend"],
      [BEND, "bend"],
    ] as const
  ).flatMap(([words, where]) =>
    [...text.matchAll(words)].flatMap((m) => {
      const [at, end] = [m.index, m.index + m[0].length];
      const mark = known.find((k) => k.at[0] <= at && k.at[1] >= end);
      const isOther = marks.some((k) => k.kind !== "known" && k.at[0] < end && k.at[1] > at);
      return mark === undefined || isOther ? [] : [{ at, end, where, mark }];
    }),
  );
}

/** So far along the shank a share of it is as good as the bend. */
const AT_THE_BEND = 0.8;
function placesIn(of: unknown, found = new Set<string>()): Set<string> {
  if (of === "bend" || of === "intoBend") found.add(of);
  if (typeof of !== "object" || of === null) return found;
  const { landmark, fraction } = of as { landmark?: unknown; fraction?: unknown };
  if (typeof fraction === "number" && fraction >= AT_THE_BEND) found.add("bend");
  // What lies in the bend passes it, and the barb and the point stand beside it.
  if (landmark === "intoBend" || landmark === "barb" || landmark === "point" || landmark === "betweenBends")
    found.add("bend");
  for (const more of Object.values(of)) placesIn(more, found);
  return found;
}
