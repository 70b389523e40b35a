import { acts } from "../../recipe";
import { clause, numberIn, placeIn, putIf, wordIn, type Clause, type StepOf } from "../said";
import { NUMBER, PLACE, sayNumber, sayPlace } from "../text";
import { counted, spanWords, tiedIn, wraps, zone } from "./common";

const atPlace = clause(`at\\s+(${PLACE})`, "at the bend", (s, [place]) => {
  const at = placeIn(place);
  return putIf(s, at && { at });
});

/** What can be said of a drop of glue. */
export const glueClauses: Clause[] = [
  zone,
  tiedIn,
  atPlace,
  clause(`(${NUMBER})\\s+drops?`, "1 drop", (s, [n]) => {
    const drops = numberIn(n, 0.1);
    return putIf(s, drops === undefined ? undefined : { drops });
  }),
  clause(`open\\s+(${NUMBER})\\s*min(?:utes)?`, "open 5 min", (s, [n]) => {
    const openMinutes = numberIn(n);
    return putIf(s, openMinutes === undefined ? undefined : { openMinutes });
  }),
  wraps,
];

/** What can be said of something that adds no material. */
export const actClauses: Clause[] = [
  zone,
  tiedIn,
  atPlace,
  clause(`(${acts.join("|")})(?:\\s+(back|forward))?`, "brush back", (s, [word, way]) => {
    const [act, direction] = [wordIn(acts, word), wordIn(["back", "forward"], way)];
    return putIf(s, act && { act, ...(direction && { direction }) });
  }),
  clause(`(${NUMBER})\\s*min(?:utes)?`, "0.5 min", (s, [n]) => {
    const minutes = numberIn(n);
    return putIf(s, minutes === undefined ? undefined : { minutes });
  }),
  wraps,
];

/** What can be said of the knot. */
export const whipClauses: Clause[] = [
  zone,
  tiedIn,
  clause(`(${NUMBER})\\s+turns?`, "5 turns", (s, [n]) => {
    const turns = numberIn(n, 0.1);
    return putIf(s, turns === undefined ? undefined : { turns });
  }),
  wraps,
];

export const threadClauses: Clause[] = [zone, tiedIn, wraps];

export const sayGlue = (step: StepOf<"glue">): string[] => [
  counted(sayNumber(step.drops), "drop"),
  `at ${sayPlace(step.at)}`,
  step.openMinutes === undefined ? "" : `open ${sayNumber(step.openMinutes)} min`,
];

export const sayAct = (step: StepOf<"act">): string[] => [
  `${step.act}${step.direction ? ` ${step.direction}` : ""}`,
  step.at ? `at ${sayPlace(step.at)}` : "",
  `${sayNumber(step.minutes)} min`,
];

export const sayWhip = (step: StepOf<"whip">): string[] => [
  "whip finish",
  counted(step.turns, "turn"),
  spanWords(step),
];
