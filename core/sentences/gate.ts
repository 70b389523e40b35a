import type { GateReason, GateReasonDetails } from "../batches";
import type { Sentences } from "../errors";
import { quantityWords } from "../materials";
import type { NotPromised } from "../recipe";
import { missingWords } from "./missing";
import { say } from "./say";

/** Why a fly is not promised, as half a sentence. */
export const notPromisedWords = (n: NotPromised): string =>
  `${n.material} is ${n.standing}: identify or replace it before this is promised`;

const sentences: Sentences<GateReasonDetails> = {
  NOT_PROMISED: (d) => `${notPromisedWords(d)}.`,
  PATTERN_LACKS: (d) => `The pattern is incomplete: ${missingWords(d.missing)}.`,
  SHORT: (d) =>
    `Short of ${quantityWords(d.quantity, d.unit)} of ${d.material}${d.side ? `, ${d.side}` : ""}${d.area ? `, from the ${d.area}` : ""}: reserve it, or see what to do beside it.`,
  PAPERS_MISSING: (d) =>
    `Lot ${d.lot} of ${d.material} is of a controlled species (${d.species}), and nobody has said what papers it has. Write them on the lot, or take another; local law decides what is needed.`,
  MIXES_DYE_LOTS: (d) => `The ${d.material} would mix dye lots. Choose one lot, or say that mixing is accepted.`,
  NOBODY_ABLE: (d) => `Nobody in the room has every skill that it asks for: ${d.skills.join(", ")}.`,
  STATION_DOWN: (d) => `The ${d.station} station is down.`,
};

/** Why a batch is held back from the bench, and what to do about it. */
export const gateSentence = (reason: GateReason): string => say(sentences, reason);
