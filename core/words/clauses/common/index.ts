import { type Clause, clause, put } from "../../said";
import { words, anyOf, seq, match } from "../../parse";
import { the, zone } from "./zone";
import { tiedIn, securing, wraps, held } from "./held";
import { onFirstSizes, onSizes } from "./sizes";
import { beginOfShare, endOfShare, begin, endAhead } from "./ends";
import { at } from "./at";

export { atSaid } from "./at";
export {
  begin,
  end,
  endAhead,
  endForward,
  beginOfShare,
  endOfShare,
  endOfWay,
  leavingAtEnds,
  leavingBare,
  leavingRoom,
  wayBack,
  endUp,
  wayDown,
} from "./ends";
export { tiedIn, withAnother, wraps } from "./held";
export { NO_PIECE } from "./piece";
export { onSizes, SIZES, sizesRead, spanIn, spanOf } from "./sizes";
export { fromArea, stretched } from "./source";
export { shareOfIt, theRest, zone, zoneRead } from "./zone";
export { at };

/** It is there only where somebody wants it. */
const optional: Clause = clause(
  "may be left out",
  words(
    anyOf(
      "(?:which\\s+|it\\s+|this\\s+)?(?:may|can|might)\\s+be\\s+(?:left\\s+out|omitted|skipped)",
      "optional(?:ly)?",
      "(?:skip|leave\\s+out|omit)\\s+(?:it|them)?\\s*(?:out\\s+)?if\\s+you\\s+have\\s+(?:none|no\\s+\\w+)",
      "if\\s+you\\s+have\\s+(?:it|one|some|any|them)",
      "if\\s+(?:you\\s+)?(?:like|want(?:ed)?|wish|desired|to\\s+hand|available)",
      "or\\s+(?:leave|left)\\s+(?:it\\s+)?out",
      "or\\s+without",
      "if\\s+(?:it\\s+is|it's|it|they're|they\\s+are|they|you're|you\\s+are)\\s+(?:for|after|tying\\s+for|fishing\\s+for)\\s+(?:[a-z]+\\s+){0,2}[a-z]+(?=\\s*(?:[,.;]|$))",
    ),
  ),
  put({ optional: true }),
);

/** An order that is free: “before or after the collar”. */
const freeOrder: Clause = clause(
  "before or after the collar",
  seq(words("(?:either\\s+)?(?:before|ahead\\s+of)\\s+or\\s+after"), the, match("([a-z]+(?:\\s+case)?)")),
  (s, [, , [part]]) => void (s.orBefore = part),
);

/** How it goes round what is there; it counts nothing. */
export const figureOfEight: Clause = clause(
  "figure of eight",
  words(
    "(?:a?round|over|between)\\s+the\\s+(?:(?:bead[- ])?chain\\s+|dumb-?bell\\s+)?eyes(?=\\s+(?:in|with)\\s+(?:an?\\s+)?figure)|(?:in\\s+|with\\s+)?(?:an?\\s+)?figures?[- ]of[- ](?:eight|8)s?(?:\\s+(?:round|around|between|over)\\s+the\\s+\\w+)?",
  ),
  () => undefined,
);

/** Said of any kind of step, after what is its own. */
export const everywhere: Clause[] = [
  tiedIn,
  onSizes,
  onFirstSizes,
  securing,
  wraps,
  held,
  optional,
  freeOrder,
  beginOfShare,
  endOfShare,
];

export const where: Clause[] = [zone, begin, endAhead, at];
