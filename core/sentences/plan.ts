import type { Sentences } from "../errors";
import type { Cause, RehearsedJob, UnscheduledReason, UnscheduledReasonDetails } from "../schedule";
import { say } from "./say";

const sentences: Sentences<UnscheduledReasonDetails> = {
  NOBODY_CAN: (d) => `Nobody in the room can ${d.kind === "tie" ? "tie" : `do the ${d.kind} of`} it.`,
  RACK_TOO_SMALL: (d) => `It needs ${d.places} places on a drying rack, more than there are.`,
  STATION_CLOSED: (d) => `It needs the station “${d.station}”, which has no place.`,
  ORDER_IMPOSSIBLE: () => "Its operations wait for each other in a circle, or for one that is not there.",
  NOTHING_TO_DO: () => "There is nothing to do for it.",
  PIN_IMPOSSIBLE: () => "It is pinned where it cannot be done: choose another time, or leave it to the plan.",
  RACK_FULL: () => "No drying rack has enough places for it before the end of the plan.",
  HOURS_USED_UP: (d) => `Nobody who can ${d.kind} it has enough hours left before the end of the plan.`,
};

/** Why a batch has no place in the plan. */
export const unscheduledSentence = (reason: UnscheduledReason): string => say(sentences, reason);

const causes: Record<Cause, string> = {
  material: "a delivery that comes late",
  absence: "somebody who is away",
  bench: "other work that takes longer before it",
  station: "a station that is taken",
  rack: "a full rack",
  rejects: "flies that must be tied again",
  minutes: "tying that takes longer",
};

/** Late in fewer cases than one in so many is not worth a word. */
const SELDOM = 0.02;

/** What most often makes a batch late, as a clause: “mostly other work that takes longer before it”. */
export function breaksWords({ onTime, breaks }: Pick<RehearsedJob, "onTime" | "breaks">): string {
  const [first, second] = breaks;
  if (!first || 1 - onTime < SELDOM) return "";
  if (first.share >= 0.6 || !second) return `mostly ${causes[first.cause]}`;
  return `${causes[first.cause]}, or ${causes[second.cause]}`;
}
