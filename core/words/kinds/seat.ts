import { clause, placeIn, putIf, wholeIn, wordIn, type Clause, type StepOf } from "../said";
import { NUMBER, PLACE, sayPlace } from "../text";
import { from, tiedIn, wraps, zone } from "./common";

/** What can be said of a bead or eyes. */
export const seatClauses: Clause[] = [
  zone,
  tiedIn,
  from,
  clause(`at\\s+(${PLACE})`, "at the eye", (s, [place]) => {
    const at = placeIn(place);
    return putIf(s, at && { from: at });
  }),
  clause("(?:lashed\\s+)?(on\\s+top|underneath)", "on top", (s, [side]) => {
    const lashed = wordIn(["on top", "underneath"], side);
    return putIf(s, lashed && { lashed });
  }),
  clause(`(?:×|x)?\\s*(${NUMBER})\\s+of\\s+them`, "2 of them", (s, [n]) => {
    const count = wholeIn(n);
    return putIf(s, count === undefined ? undefined : { count });
  }),
  wraps,
];

/** A seated part in the words that read back to it. */
export const saySeat = (step: StepOf<"seat">): string[] => [
  `at ${sayPlace(step.from)}`,
  step.lashed ? `lashed ${step.lashed}` : "",
  step.count === undefined ? "" : `${step.count} of them`,
];
