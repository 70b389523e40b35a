import type { StepOf } from "../said";
import { counted, pairWords, spanWords } from "./common";
import { sayLength } from "./length";
import { sayNumber } from "./number";

/** A dubbed stretch in the words that read back to it. */
export function sayDress(step: StepOf<"dress">): string[] {
  return [
    step.noodle ? `noodle ${sayLength(step.noodle)}${step.thickness ? ` ${step.thickness}` : ""}` : "",
    step.taper ? `tapered ${sayNumber(step.taper[0])} to ${sayNumber(step.taper[1])}` : "",
    step.fullness ? `${pairWords(step.fullness)} full` : "",
    step.shape ?? "",
    step.trace ? "a trace" : "",
    step.loopMm === undefined ? "" : `loop of ${sayNumber(step.loopMm)} mm`,
    step.loopLayers === undefined ? "" : counted(step.loopLayers, "layer"),
    step.loopLoad === undefined ? "" : `${sayNumber(step.loopLoad)} mg a mm`,
    step.brushed ? "brushed out" : "",
    spanWords(step),
  ];
}
