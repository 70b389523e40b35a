import { type Clause, clause } from "../../said";
import { oneOf, match, seq, words, opt, map } from "../../parse";
import { areaOf } from "../../../materials";
import { times } from "../../text/count";
import { number } from "../../text/number";

const taken = "(?:(?:taken|cut|picked|plucked)\\s+)?from\\s+the\\s+";
const skin = "(?:skin|cape|saddle|hide|pelt|patch|mask)";

/**
 * Where on the skin it is taken from: any words before “of the skin”, and what can only be a part of a wing or a tail
 * in the drawer. “From the tail” alone is a place on the fly.
 */
export const fromArea: Clause = clause(
  "from the edge of the skin",
  oneOf(
    match(`${taken}((?:[a-z]+\\s+){0,2}[a-z]+)\\s+of\\s+the\\s+${skin}\\b`),
    match(`${taken}(neck|nape|shoulder|breast|back|flank|rump)\\s+of\\s+(?:an?|the)(?=\\s+(?!hook|fly|shank)[a-z])`),
    match(
      `${taken}((?:upper|lower|outer|inner)\\s+wing|sides?\\s+of\\s+the\\s+tail)(?!\\s+(?:to|up|back|forwards?)\\b)`,
    ),
  ),
  (s, [area = ""]) => void (s.area = areaOf(area)),
);

/** How far something is stretched while it is wound or laid. */
export const stretched: Clause = clause(
  "stretched 2 times",
  seq(
    words("(?:well\\s+)?stretch(?:ed|ing)?"),
    opt(words("it|to|by|out|back")),
    oneOf(
      map(times, (c) => c.n),
      map(words("double|twice(?:\\s+its\\s+length)?"), () => 2),
      number,
    ),
    opt(words("times|x|its\\s+(?:own\\s+)?length|of\\s+its\\s+length")),
  ),
  (s, [, , stretch]) => {
    if (!(stretch >= 1)) return false;
    s.stretch = stretch;
  },
);
