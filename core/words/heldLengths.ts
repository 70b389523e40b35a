import type { Reading, RecipeLine } from "./reading";
import { askUnheld, isOwnWords, knownWords, stepsNear } from "./unheld";

/**
 * A length by something of the hook or the fly that was read, “half a shank”, “as long as the gape”, “to the point”,
 * and that no step near it measures by: it is asked about, as a count is.
 */
export function askLostLengths({ bench, out }: Pick<Reading, "bench" | "out">): void {
  for (const line of out) {
    if (line.kind !== "steps" || line.asks.length > 0 || isOwnWords(line)) continue;
    const said = lengthsSaid(line);
    if (said.length === 0) continue;
    const held = wordsIn([...stepsNear(line, bench), bench.declared.size > 0 ? [...bench.declared.values()] : []]);
    for (const s of said) if (!s.means.some((word) => held.has(word))) askUnheld(line, s.at, s.end, s.mark);
  }
}

const measures: readonly (readonly [source: string, by: readonly string[]])[] = [
  ["shanks?", ["shank", "fraction", "hook"]],
  ["gapes?|gaps?", ["gape", "gapes"]],
  ["(?:whole\\s+)?hooks?(?!\\s+(?:point|barb|bend|eye|shank|gape|gap))", ["hook", "fraction"]],
  ["(?<!(?:third|quarter)\\s+)point", ["point"]],
  ["barb(?!s)", ["barb"]],
  ["tail", ["tail"]],
  ["wing", ["wing"]],
  ["body(?!\\s+hackles?|'s)", ["body"]],
];
const HOW_LONG =
  "(?<!full\\s+|whole\\s+|entire\\s+)(?:half|twice|double|times|thirds?|quarters?|length\\s+of|long\\s+as|longer\\s+than|shorter\\s+than|equal\\s+to|reach(?:es|ing)?(?:\\s+to)?|as\\s+far\\s+(?:back\\s+)?as)\\s+(?:of\\s+)?(?:the\\s+length\\s+of\\s+)?(?:the\\s+|an?\\s+|its\\s+)?(?:hook\\s+)?";
const anyLength = new RegExp(
  `\\b${HOW_LONG}(?:${measures.map(([source]) => `(${source})`).join("|")})(?![\\p{L}-])`,
  "giu",
);
/** By what each length of a line measures: one of these has to be held. */
const lengthsSaid = (line: RecipeLine) =>
  knownWords(line, anyLength, ([, ...which]) => measures[which.findIndex((w) => w !== undefined)]?.[1]);

/** Keys and words of what is there. */
function wordsIn(of: unknown, found = new Set<string>()): Set<string> {
  if (typeof of === "string") found.add(of);
  else if (typeof of === "object" && of !== null)
    for (const [key, more] of Object.entries(of)) {
      found.add(key);
      // What was typed is kept with a step, and holds nothing.
      if (key !== "stated") wordsIn(more, found);
    }
  return found;
}
