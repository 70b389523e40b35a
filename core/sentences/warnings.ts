import type { Sentences } from "../errors";
import type { Warning, WarningDetails } from "../tying";
import { differenceWords, sayPlace } from "../words";
import { say } from "./say";

const mm = (value: number): string => value.toFixed(1);
const quoted = (name: string): string => `“${name}”`;

const sentences: Sentences<WarningDetails> = {
  NOTHING_TO_FILL: (d) => `${quoted(d.name)} adds nothing: the body is as full as that already.`,
  SHORTER_THAN_TIE_IN: (d) =>
    `${quoted(d.name)} shows ${mm(d.shownMm)} mm, less than the ${mm(d.tieInMm)} mm of its own tie-in: it would vanish under the wraps.`,
  HEAD_CROWDS_EYE: (d) =>
    `The head of ${quoted(d.name)} is ${mm(d.headMm)} mm long, more than one and a half eye lengths: the eye gets crowded.`,
  HEAD_BULKY: (d) =>
    `The head becomes ${mm(d.fullMm)} mm full with its wraps, more than ${mm(d.mostMm)} mm${d.beaded ? ", the bead before it" : ", 0.3 of the gape"}; ${quoted(d.name)} adds most to it.`,
  PART_IN_HEAD: (d) =>
    `${quoted(d.name)} runs ${mm(d.intrudesMm)} mm into the room of the head. End it at ${mm(d.endAtMm)} mm.`,
  POINT_NOT_CLEAR: (d) =>
    `After ${d.name === undefined ? "a step" : quoted(d.name)} the body is ${mm(d.fullMm)} mm full at the point, more than 0.6 of the gape: the hook point no longer clears.`,
  STEP_SHOWS: (d) =>
    d.name === d.over
      ? `${quoted(d.over)} is wound over a step of ${d.heightMm.toFixed(2)} mm, ${mm(d.atMm)} mm behind the eye, and will show it. Level it first.`
      : `The end of ${quoted(d.name)} makes a step of ${d.heightMm.toFixed(2)} mm, ${mm(d.atMm)} mm behind the eye, which will show through ${quoted(d.over)}. Level it with thread, floss or long butts first.`,
  KEPT_BARE: (d) =>
    `${quoted(d.name)} covers ${mm(d.coversMm)} mm of the stretch from ${sayPlace(d.from)} to ${sayPlace(d.to)}, which stays ${d.thread ? "bare thread" : "bare hook"}${d.why ? `: ${d.why}` : ""}.`,
  HEAD_ROOM: (d) => {
    const after = [...d.parts.map(quoted), ...(d.beaded ? [] : ["the head"])].join(", ");
    return `${quoted(d.name)} leaves ${mm(d.leftMm)} mm in front of it; ${after} need ${mm(d.neededMm)} mm, ${d.eyes} eye lengths. End it further back.`;
  },
  NOT_STAGGERED: (d) => {
    const against = d.shorterByMm >= 0 ? `only ${mm(d.shorterByMm)} mm shorter than` : "longer than";
    return `${quoted(d.name)} shows ${mm(d.shownMm)} mm, ${against} ${quoted(d.longer)}: it should be ${d.leastMm} mm shorter at least. Trim it, or tie the other in longer.`;
  },
  WRAPS_PILE_UP: (d) =>
    `${d.wraps} wraps of thread come together at ${sayPlace(d.place)} (${d.steps.join(", ")}); ${d.most} is the most here. Hold one of them loosely, or tie it in beside the others.`,
  CANNOT_REACH: (d) =>
    `“${d.name}” is stated ${mm(d.statedMm)} mm long, and its way over the fly with what the fingers hold takes ${mm(d.neededMm)} mm: it is counted as that long. Say it longer.`,
  COVER_NARROW: (d) =>
    `${quoted(d.name)} is ${mm(d.widthMm)} mm wide, less than half of the ${mm(d.coversMm)} mm that it covers: the sides stay open. Take more of it, or a wider strip.`,
  HOOK_OTHERWISE: (d) => differenceWords(d.model, d),
  SHOWS_NOTHING: (d) => `${quoted(d.name)} shows nothing: say how long it is, such as “= half shank”.`,
};

/** The sentence of a warning, which names the step and says what would be right. */
export const warningSentence = (w: Warning): string => say(sentences, w);
