import type { Discrepancy, DiscrepancyDetails } from "../batches";
import type { Sentences } from "../errors";
import { quantityWords } from "../materials";
import { say } from "./say";

const sentences: Sentences<DiscrepancyDetails> = {
  MORE_THAN_TAKEN: (d) =>
    `${quantityWords(d.said, d.unit)} of ${d.material} is more than the ${quantityWords(d.taken, d.unit)} in the kit. Correct what was used, or draw what was taken beside it.`,
  MORE_FLIES_THAN_HOOKS: (d) =>
    `${d.flies} flies were tied and only ${d.taken} hooks (${d.material}) were in the kit. Draw the hooks that were taken beside it, or take back tallies that were one too many.`,
  FEWER_THAN_FLIES: (d) =>
    `The flies took at least ${d.least} of ${d.material}, and ${d.used} are said to be used. Correct it, draw what was taken beside the kit, or say why: some were tied without, or it came from elsewhere.`,
  MORE_THAN_FLIES: (d) =>
    `The flies took at most ${d.most} of ${d.material}, and ${d.used} are said to be used. Put what broke under spoiled, or say where the rest went.`,
};

/** Where a kit does not agree with the flies tied, and what may have happened. */
export const discrepancySentence = (d: Discrepancy): string => say(sentences, d);
