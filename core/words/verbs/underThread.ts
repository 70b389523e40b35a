import type { Place } from "../../hooks";
import type { Bench, Telling, Waiting } from "../bench";
import { alongShank } from "../settle";
import { bindAlong, boundAlong } from "./boundAlong";
import { nameWords } from "./nameWords";

/** So far at least, in shanks, thread goes to the rear that binds a strand along the shank. */
const ALONG = 0.25;
/** A strand that waits so close to where the thread starts, in shanks, is met by it. */
const MET = 0.12;

/** “Over the wire”, “over it”: what the thread goes over, in the words of its clause. */
const goesOver =
  /\bover\s+(?:it|them|this|that|these|those|the\s+(?:[a-z-]+\s+){0,2}?([a-z-]+?)s?)(?=\s+(?:to|until|back|down|all|into|as|in|right)\b|\s*(?:[,.;]|$))/;

/** “Take the thread over the floss to the bend”: what is named is no thread, but what that goes over. */
export function isGoneOver({ told, text }: Telling): boolean {
  const noun = goesOver.exec(text.slice(told.at, told.end))?.[1];
  return noun !== undefined && told.description?.text.toLowerCase().includes(noun) === true;
}

const isRearOf = (place: Place, than: Place, by: number): boolean => alongShank(place) - alongShank(than) > by;

/** Whether what waits has this word for its part, or in its name. */
export const isCalled = (bench: Bench, w: Waiting, noun: string): boolean =>
  w.role === noun || nameWords(bench, w).some((word) => word === noun || word === `${noun}s`);

/** Whether this strand is what the words are about: called by its name or its part, or simply the last. */
function isMeant(bench: Bench, w: Waiting, over: RegExpExecArray | null): boolean {
  if (!over) return false;
  const [, noun] = over;
  if (noun === undefined) return bench.waiting.findLast((o) => !o.used) === w;
  return isCalled(bench, w, noun);
}

/**
 * Strands that were tied in at the front, and that the thread goes over on its way to the rear: each lies along the
 * shank from then on, and waits where the thread has come to. A rib does so whether or not it is said, for it is wound
 * from the rear; what may be wound down from the front only where it is said.
 *
 * @param from where the thread came from
 * @param to where it went
 */
export function bindsUnder({ told, text, bench }: Telling, from: Place, to: Place): void {
  if (!isRearOf(to, from, ALONG)) return;
  const over = goesOver.exec(text.slice(told.at, told.end));
  if (over) bindsTail(bench, from, to);
  for (const w of bench.waiting) {
    const meant = isMeant(bench, w, over);
    if (w.used || !(meant || (w.role === "rib" && !w.hangs))) continue;
    if (isRearOf(to, w.at, ALONG) && !isRearOf(from, w.at, MET)) bindAlong(bench, w, to);
  }
}

/** “Tie in the tail behind the eye and wrap over it to the bend”: its butts lie along the shank. */
function bindsTail(bench: Bench, from: Place, to: Place): void {
  const tied = bench.made.findLast((m) => m.step.do !== "act" && bench.component(m.step.component)?.role !== "thread");
  if (tied?.step.do !== "lay" || bench.component(tied.step.component)?.role !== "tail") return;
  const first = tied.step.tieIn?.at;
  if (!first || !isRearOf(to, first, ALONG) || isRearOf(from, first, MET)) return;
  tied.step = { ...tied.step, ...boundAlong(first, to), tieIn: { ...tied.step.tieIn, at: to } };
}
