import { dubbedShapes, noodleThicknesses } from "../../recipe";
import {
  clause,
  lengthIn,
  numberIn,
  pairIn,
  put,
  putIf,
  putWay,
  wholeIn,
  wordIn,
  type Clause,
  type StepOf,
} from "../said";
import { LENGTH, NUMBER, sayLength, sayNumber } from "../text";
import { counted, spanWords, tiedIn, wraps, zone } from "./common";

/** What can be said of dubbing, in the order in which it is tried: the longer forms first. */
export const dressClauses: Clause[] = [
  zone,
  tiedIn,
  clause(`noodle\\s+(?:of\\s+)?(${LENGTH})(?:\\s+(sparse|medium|full))?`, "noodle 90 mm sparse", (s, [l, word]) => {
    const [noodle, thickness] = [lengthIn(l), wordIn(noodleThicknesses, word)];
    return putIf(s, noodle && { noodle, ...(thickness && { thickness }) });
  }),
  clause(
    `(?:full\\s+)?(${LENGTH}|${NUMBER})\\s*(?:to|–)\\s*(${LENGTH})(?:\\s+full)?`,
    "0.4 to 0.2 gape full",
    (s, [a, b]) => {
      const fullness = pairIn(a, b);
      return putIf(s, fullness && { fullness });
    },
  ),
  clause(`(?:full\\s+(${LENGTH})|(${LENGTH})\\s+full)`, "0.5 gape full", (s, [a, b]) => {
    const fullness = pairIn(a ?? b, a ?? b);
    return putIf(s, fullness && { fullness });
  }),
  clause(`(slim|tapered|cigar|ball)(?:\\s+(${LENGTH}))?`, "cigar 0.5 gape", (s, [word, l]) => {
    const [shape, fullness] = [wordIn(dubbedShapes, word), pairIn(l, l)];
    if (l !== undefined && !fullness) return false;
    return putIf(s, shape && { shape, ...(fullness && { fullness }) });
  }),
  clause(`(?:in\\s+a\\s+)?loop\\s+(?:of\\s+)?(${NUMBER})\\s*mm`, "loop of 40 mm", (s, [n]) => {
    const loopMm = numberIn(n, 1);
    return putIf(s, loopMm === undefined ? undefined : { loopMm });
  }),
  clause(`(${NUMBER})\\s+layers?`, "3 layers", (s, [n]) => {
    const loopLayers = wholeIn(n);
    return putIf(s, loopLayers === undefined ? undefined : { loopLayers });
  }),
  clause(`(${NUMBER})\\s*mg\\s+(?:a|per|to\\s+the)\\s+mm`, "0.4 mg a mm", (s, [n]) => {
    const loopLoad = numberIn(n, 0.0001);
    return putIf(s, loopLoad === undefined ? undefined : { loopLoad });
  }),
  clause("(?:just\\s+)?an?\\s+trace|trace", "a trace", put({ trace: true })),
  clause("touched(?:\\s+on(?:\\s+waxed\\s+thread)?)?", "touched on waxed thread", (s) =>
    putWay(s, "dubbing way", "touched"),
  ),
  clause("brushed(?:\\s+out)?", "brushed out", put({ brushed: true })),
  wraps,
];

/** A dubbed stretch in the words that read back to it. */
export function sayDress(step: StepOf<"dress">): string[] {
  return [
    step.noodle ? `noodle ${sayLength(step.noodle)}${step.thickness ? ` ${step.thickness}` : ""}` : "",
    step.fullness ? `${sayLength(step.fullness[0])} to ${sayLength(step.fullness[1])} full` : "",
    step.shape ?? "",
    step.trace ? "a trace" : "",
    step.loopMm === undefined ? "" : `loop of ${sayNumber(step.loopMm)} mm`,
    step.loopLayers === undefined ? "" : counted(step.loopLayers, "layer"),
    step.loopLoad === undefined ? "" : `${sayNumber(step.loopLoad)} mg a mm`,
    step.methods?.["dubbing way"] === "touched" ? "touched on waxed thread" : "",
    step.brushed ? "brushed out" : "",
    spanWords(step),
  ];
}
