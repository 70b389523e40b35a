import type { Sentences } from "../errors";
import type { DestinationConflict, DestinationConflictDetails } from "../orders";
import { say } from "./say";

const sentences: Sentences<DestinationConflictDetails> = {
  HAS_LEAD: (d) => `${d.line} has lead in it (${d.material}), which this destination forbids.`,
  IS_BARBED: (d) =>
    `${d.line} is on a barbed hook, and this destination wants barbless ones. Barbs can be pressed down, or another hook chosen.`,
  HAS_FORBIDDEN_SPECIES: (d) => `${d.line} has ${d.material} in it, of a species that this destination forbids.`,
};

/** What of a line its destination forbids. */
export const destinationSentence = (conflict: DestinationConflict): string => say(sentences, conflict);
