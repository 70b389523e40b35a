import type { RecipeStep } from "../../recipe";
import { tieInWords } from "./common";
import { sayDress } from "./dress";
import { sayLay } from "./lay";
import { sayAct, sayGlue, saySeat, sayWhip } from "./small";
import { sayWind } from "./wind";
import { wayWords } from "./ways";

/** How a step is done, in the words that read back to the same step. */
export function sayStep(step: RecipeStep): string {
  return [...howWords(step), ...wayWords(step), ...(step.tieIn ? [tieInWords(step.tieIn)] : [])]
    .filter(Boolean)
    .join(", ");
}

function howWords(step: RecipeStep): string[] {
  switch (step.do) {
    case "seat":
      return saySeat(step);
    case "wind":
      return sayWind(step);
    case "lay":
      return sayLay(step);
    case "dress":
      return sayDress(step);
    case "thread":
      return ["change to it"];
    case "glue":
      return sayGlue(step);
    case "act":
      return sayAct(step);
    case "whip":
      return sayWhip(step);
  }
}
