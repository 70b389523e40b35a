import { ownBeadFaults } from "../bench";
import type { ComposedFly } from "../fly";
import { beadSentence } from "./beads";
import { warningSentence } from "./warnings";

/**
 * All that is to be said of a tied fly, each at the step that causes it: what crowds, what shows, a bead that does not
 * go on.
 */
export const noticesOf = (fly: ComposedFly): { step: string; sentence: string }[] => [
  ...fly.tied.warnings.map((w) => ({ step: w.step, sentence: warningSentence(w) })),
  ...ownBeadFaults(fly).map(({ step, fault }) => ({ step, sentence: beadSentence(fault) })),
];
