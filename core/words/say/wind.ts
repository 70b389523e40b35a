import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import type { StepOf } from "../said";
import { counted, pairWords, spanWords } from "./common";
import { sayLength } from "./length";
import { sayNumber } from "./number";
import { sayPlace } from "./place";

type WindStep = StepOf<"wind">;

/** Only what is wound may be turns at one spot. */
const zoneWords = (s: { from: Place; to?: Place }, isTurns: boolean): string =>
  s.to === undefined
    ? `from ${sayPlace(s.from)}`
    : isSame(s.from, s.to)
      ? `${isTurns ? "" : "stacked "}at ${sayPlace(s.from)}`
      : spanWords({ from: s.from, to: s.to });

function ruleWords(r: WindStep["rule"]): string {
  if (r.touching && r.turns !== undefined) return `${sayNumber(r.turns)} touching turns`;
  if (r.touching) return "touching";
  if (r.turns !== undefined) return counted(sayNumber(r.turns), "turn");
  if (r.overlap !== undefined) return `overlapping by ${sayNumber(r.overlap)}`;
  return r.pitch === undefined ? "" : `every ${sayNumber(r.pitch)} mm`;
}

function takeWords(take: WindStep["take"]): string {
  if (!take) return "";
  if (take.from === "spool") return `trimmed by ${sayNumber(take.trimMm)} mm`;
  if (take.from === "feather") return "one feather at a time";
  if (take.from === "leftover") return `begun with ${sayNumber(take.startMm)} mm, ${sayNumber(take.leftMm)} mm left`;
  return `pieces of ${sayNumber(take.pieceMm)} mm held by ${sayNumber(take.gripMm)} mm trimmed by ${sayNumber(take.trimMm)} mm`;
}

function turnWords(step: WindStep): string {
  if (step.fill) return isSame(...step.fill) ? `filled to ${sayLength(step.fill[0])}` : `ramp ${pairWords(step.fill)}`;
  return step.spread && step.rule.turns !== undefined
    ? `${sayNumber(step.spread[0])} to ${sayNumber(step.spread[1])} turns`
    : ruleWords(step.rule);
}

const passWords = (passes: number | undefined): string =>
  passes === undefined ? "" : passes === 2 ? "there and back" : counted(passes, "layer");

/** A winding in the words that read back to it. */
export function sayWind(step: WindStep): string[] {
  const turns = step.methods?.["hackle turns"];
  return [
    step.rope === undefined ? "" : step.ribbon ? `${step.rope} side by side` : `rope of ${step.rope}`,
    turnWords(step),
    step.atMost === undefined ? "" : `at most ${sayNumber(step.atMost)} turns`,
    step.face ? `hollow side ${step.face}` : "",
    step.shows ? `${step.shows} face showing` : "",
    passWords(step.passes),
    step.stretch === undefined ? "" : `stretched ${sayNumber(step.stretch)} times`,
    step.counter === undefined ? "" : step.counter ? "counter" : "with the body",
    step.roundPost ? "round the post" : "",
    step.intoBead ? "pushed into the bead" : "",
    step.clockwise === undefined
      ? ""
      : `${step.clockwise ? "clockwise" : "anticlockwise"} seen from ${step.roundPost ? "above" : "the eye"}`,
    step.barb ? `barbs ${pairWords(step.barb)}` : "",
    step.sweep ? `swept ${step.sweep}` : "",
    step.methods?.["hackle tied in"] ? `by the ${step.methods["hackle tied in"]}` : "",
    turns === "whole feather"
      ? "the whole feather"
      : turns === "until it stops"
        ? "until the stem goes bare or thick"
        : "",
    zoneWords(step, step.rule.turns !== undefined && !step.rule.touching),
    step.laid ? `laid ${spanWords(step.laid)}` : "",
    takeWords(step.take),
  ];
}
