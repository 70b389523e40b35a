import type { Role } from "../../recipe";
import { PARTS, roleOfWord } from "../lexicon/parts";

const same = new RegExp(
  `\\s*((?:of\\s+)?(?:(?:the\\s+)?same(?:\\s+(?:again|stuff|material))?|ditto|(?:(?:the\\s+)?same\\s+(?:(?:fibres?|feathers?|stuff|material)\\s+)?)?as\\s+(?:the\\s+|in\\s+the\\s+|for\\s+the\\s+)?(${PARTS})))(?=\\s*(?:[,.;]|$|\\s(?:but|in|at|behind)\\s))`,
  "uy",
);

/** “Thorax: same”, “Hackle: as tail”: a part is of the stuff that was named before, or of that part's. */
export function sameAhead(text: string, at: number): { end: number; of?: Role } | undefined {
  same.lastIndex = at;
  const found = same.exec(text);
  if (!found) return undefined;
  const of = found[2] === undefined ? undefined : roleOfWord(found[2]);
  return { end: at + found[0].length, ...(of && { of }) };
}
