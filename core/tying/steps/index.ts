import type { StepResult, TyingStep } from "../types";
import type { Vise } from "../vise";
import { runDress } from "./dress";
import { runLay } from "./lay";
import { runSeat } from "./seat";
import { runAct, runGlue, runThread } from "./small";
import { runWhip } from "./whip";
import { runWind } from "./wind";

/** Does one step on the fly in the vise, its tie-in first. */
export function runStep(vise: Vise, step: TyingStep): StepResult {
  if (step.tieIn) vise.tieIn(step.tieIn.at, step.tieIn.wraps);
  switch (step.do) {
    case "seat":
      return runSeat(vise, step);
    case "wind":
      return runWind(vise, step);
    case "lay":
      return runLay(vise, step);
    case "dress":
      return runDress(vise, step);
    case "thread":
      return runThread(vise, step);
    case "glue":
      return runGlue(vise, step);
    case "act":
      return runAct(vise, step);
    case "whip":
      return runWhip(vise, step);
  }
}
