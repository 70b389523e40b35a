import type { Sentences } from "../errors";
import type { BeadFault, BeadFaultDetails } from "../tying";
import { say } from "./say";

const sentences: Sentences<BeadFaultDetails> = {
  BORE_TOO_NARROW: (d) =>
    `A bore of ${d.boreMm.toFixed(2)} mm does not pass the ${d.wireMm.toFixed(2)} mm wire: it needs ${d.neededMm.toFixed(2)} mm.`,
  BEAD_FOR_OTHER_HOOKS: (d) =>
    `A ${d.diameterMm} mm bead usually goes on hooks ${d.from} to ${d.to}; for size ${d.size} take ${d.instead.join(" or ") || "another"} mm.`,
};

/** What is wrong with a bead on a hook, and which would be right. */
export const beadSentence = (fault: BeadFault): string => say(sentences, fault);
