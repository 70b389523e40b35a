import type { RecipeStep } from "../../recipe";
import type { Clause, Kind } from "../said";
import { tiedIn, tieInWords, wraps, zone } from "./common";
import { dressClauses, sayDress } from "./dress";
import { layClauses, sayLay } from "./lay";
import { saySeat, seatClauses } from "./seat";
import { actClauses, glueClauses, sayAct, sayGlue, sayWhip, threadClauses, whipClauses } from "./small";
import { sayWind, windClauses } from "./wind";

export { stanceWords } from "./lay";

/** What can be said of each kind of step, in the order in which it is tried. */
export const clausesOf: Record<Kind, readonly Clause[]> = {
  seat: seatClauses,
  wind: windClauses,
  lay: layClauses,
  dress: dressClauses,
  thread: threadClauses,
  glue: glueClauses,
  act: actClauses,
  whip: whipClauses,
};

const ofEveryKind = new Set([zone, tiedIn, wraps]);
/** Some of what can be said of a kind of step alone, for the question when nothing was understood. */
export const examplesOf = (kind: Kind, most: number): string[] =>
  [...new Set(clausesOf[kind].filter((c) => !ofEveryKind.has(c)).map((c) => c.example))].slice(0, most);

/** How a step is done, in the words that read back to the same step. */
export function sayStep(step: RecipeStep): string {
  return [...howWords(step), ...(step.tieIn ? [tieInWords(step.tieIn)] : [])].filter(Boolean).join(", ");
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
