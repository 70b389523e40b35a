import type { Sentences } from "../errors";
import type { UnscheduledReason, UnscheduledReasonDetails } from "../schedule";
import { say } from "./say";

const sentences: Sentences<UnscheduledReasonDetails> = {
  NOBODY_CAN: (d) => `Nobody in the room can ${d.kind === "tie" ? "tie" : `do the ${d.kind} of`} it.`,
  RACK_TOO_SMALL: (d) => `It needs ${d.places} places on a drying rack, more than there are.`,
  STATION_CLOSED: (d) => `It needs the station “${d.station}”, which has no place.`,
  ORDER_IMPOSSIBLE: () => "Its operations wait for each other in a circle, or for one that is not there.",
  NOTHING_TO_DO: () => "There is nothing to do for it.",
  PIN_IMPOSSIBLE: () => "It is pinned where it cannot be done.",
  RACK_FULL: () => "No drying rack has enough places for it before the end of the plan.",
  HOURS_USED_UP: (d) => `Nobody who can ${d.kind} it has enough hours left before the end of the plan.`,
};

/** Why a batch has no place in the plan. */
export const unscheduledSentence = (reason: UnscheduledReason): string => say(sentences, reason);
