import type { StepOf } from "../said";
import { counted, spanWords } from "./common";
import { sayLength } from "./length";
import { sayNumber } from "./number";
import { sayPlace } from "./place";

/** A seated part in the words that read back to it. */
export const saySeat = (step: StepOf<"seat">): string[] => [
  `at ${sayPlace(step.from)}`,
  step.lashed ? `lashed ${step.lashed}` : "",
  step.count === undefined ? "" : `${step.count} of them`,
];

export const sayGlue = (step: StepOf<"glue">): string[] => [
  step.along ? counted(step.along.coats, "coat") : counted(sayNumber(step.drops), "drop"),
  step.along ? spanWords(step.along) : `at ${sayPlace(step.at)}`,
  step.openMinutes === undefined ? "" : `open ${sayNumber(step.openMinutes)} min`,
];

export const sayAct = (step: StepOf<"act">): string[] => [
  `${step.act}${step.direction ? ` ${step.direction}` : ""}`,
  step.leave ? `leave ${sayLength(step.leave)}` : "",
  step.at ? `at ${sayPlace(step.at)}` : "",
  `${sayNumber(step.minutes)} min`,
];

export const sayWhip = (step: StepOf<"whip">): string[] => [
  "whip finish",
  step.spread
    ? `${sayNumber(step.spread[0])} to ${sayNumber(step.spread[1])} turns`
    : counted(sayNumber(step.turns), "turn"),
  step.times === undefined ? "" : `${step.times} times`,
  spanWords(step),
];
