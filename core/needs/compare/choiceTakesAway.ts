import { DomainError } from "../../errors";
import { isPlain, type FlyChoice } from "../../recipe";
import { compose, type FlyRequest } from "./outcome";
import { takenAway, type TakenAway } from "./takenAway";

/**
 * What a whole choice takes away from the fly as its pattern has it: told wherever a choice is made, on pattern, order
 * line and batch alike.
 * @returns empty for the pattern's own fly; nothing for one that cannot be tied, which says so itself
 */
export function choiceTakesAway(request: FlyRequest): TakenAway[] {
  if (isPlain(request.choice)) return [];
  try {
    const own: FlyChoice = { size: request.choice.size, variant: request.choice.variant, form: request.choice.form };
    return takenAway(compose({ ...request, choice: own }), compose(request));
  } catch (error) {
    if (error instanceof DomainError) return [];
    throw error;
  }
}
