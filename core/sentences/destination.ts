import type { Sentences } from "../errors";
import type { DestinationConflict, RuleBreach, RuleBreachDetails } from "../orders";
import { say } from "./say";

const sentences: Sentences<RuleBreachDetails> = {
  HAS_LEAD: (d) => `${d.line} has lead in it (${d.material}), which this destination forbids.`,
  IS_BARBED: (d) =>
    `${d.line} is on a barbed hook, and this destination wants barbless ones. Barbs can be pressed down, or another hook chosen.`,
  HAS_FORBIDDEN_SPECIES: (d) => `${d.line} has ${d.material} in it, of a species that this destination forbids.`,
  TAKES_OTHER: (d) =>
    `${d.line} takes ${d.material} for the ${d.part}, and this customer wants the original materials.`,
  LEAVES_OUT: (d) => `${d.line} is tied without its ${d.part}, and this customer wants the original.`,
};

/** What of a fly goes against a rule of its customer. */
export const breachSentence = (breach: RuleBreach): string => say(sentences, breach);

/** What of a line its destination forbids. */
export const destinationSentence = (conflict: DestinationConflict): string => say(sentences, conflict);
