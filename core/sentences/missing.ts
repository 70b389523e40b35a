import type { Missing, MissingDetails, PrecedenceReason, PrecedenceReasonDetails, Sentences } from "../errors";
import { say } from "./say";

const reasons: Sentences<PrecedenceReasonDetails> = {
  BEAD_ON_BARE_HOOK: () => "a bead goes on the bare hook before anything else",
  THREAD_NOT_ON_YET: () => "the thread is not on the hook before it",
  BOUND_IN_THERE: () => "its material is bound in there",
  CARRIES_BUNDLE_ON: () => "it carries that bundle on",
  BRUSHED_AFTER_RIB: () => "brushing back before the rib lays fibres under it",
  COVERED_THERE: () => "it is covered there",
  NOTHING_AFTER_KNOT: () => "nothing is tied after the last knot",
  PATTERN_SAYS: (d) => d.because ?? "the pattern says so",
};

/** Why one step comes before another, as half a sentence. */
export const reasonWords = (reason: PrecedenceReason): string => say(reasons, reason);

/** A step that stands too early in the order, and why. */
export const orderWords = (f: { first: string; then: string; hard: boolean; because: PrecedenceReason }): string =>
  `“${f.then}” comes ${f.hard ? "too early" : "earlier than usual"}: “${f.first}” goes first, as ${reasonWords(f.because)}`;

interface OrderTold {
  first: string;
  then: string;
  hard: boolean;
  because: PrecedenceReason;
  names: { first: string; then: string };
}
const MOST_NAMED = 3;
const inAList = new Intl.ListFormat("en-GB");
/**
 * What is to be told of an order, and at which step. One step that comes later than several usually follow is told
 * there, once; what has no remedy is told at each that stands too early.
 */
export function orderNotices(faults: readonly OrderTold[]): { step: string; sentence: string; hard: boolean }[] {
  const kindOf = (f: OrderTold): string => `${f.first} ${f.because.code}`;
  const alike = (f: OrderTold): OrderTold[] => faults.filter((o) => !o.hard && kindOf(o) === kindOf(f));
  return faults.flatMap((f) => {
    const same = f.hard ? [f] : alike(f);
    if (same.length === 1) return [{ step: f.then, sentence: `${orderWords({ ...f, ...f.names })}.`, hard: f.hard }];
    if (same[0] !== f) return [];
    const named = same.slice(0, MOST_NAMED).map((o) => `“${o.names.then}”`);
    const more = same.length - named.length;
    const others = inAList.format(more > 0 ? [...named, `${more} more`] : named);
    const sentence = `“${f.names.first}” usually comes before ${others}, as ${reasonWords(f.because)}.`;
    return [{ step: f.first, sentence, hard: false }];
  });
}

const missing: Sentences<MissingDetails> = {
  HOOK_NOT_NAMED: () => "the hook is not named",
  HOOK_NOT_KNOWN: (d) => `the hook “${d.hook}” is not known here`,
  SIZES_NOT_STATED: () => "the sizes are not stated",
  THREAD_NOT_NAMED: () => "the thread is not named",
  MATERIAL_NOT_KNOWN: (d) =>
    `the material of the ${d.role} is not known${d.asStated === undefined ? "" : ` (“${d.asStated}”)`}`,
  FINISH_NOT_STATED: () => "the finish is not stated: name it, or say that there is none on purpose",
  NO_VARIANT: () => "no colour variant is described",
  MINUTES_NOT_STATED: () => "the minutes per fly are not stated",
  PART_DOUBTED: (d) => `the ${d.role} was given with doubt: ${d.doubt}`,
  STEP_DOUBTED: (d) => `“${d.name}” was given with doubt: ${d.doubt}`,
  QUERY_OPEN: (d) => `${d.about}: ${d.question}`,
  SHOWING_VERSION: () => "it is a showing version, which is never tied to order",
  EARLIER_STEP_LOST: (d) => `“${d.name}” leans on an earlier step that is not there`,
  STEPS_IN_CIRCLE: (d) =>
    `the steps ${d.names.map((n) => `“${n}”`).join(", ")} each wait for the next: no order is right`,
  STEP_TOO_EARLY: (d) => orderWords({ ...d, hard: true }),
  STEP_ID_TWICE: (d) => `two steps are both named “${d.id}” inside`,
  NO_STEPS: () => "no steps are described",
  STEPS_TOO_MANY: (d) => `it has ${d.steps} steps, ${d.most} is the most`,
  NO_KNOT: () => "no knot ends it: add the whip finish",
  COMPONENT_NOT_THERE: (d) => `“${d.name}” uses “${d.component}”, which is not among the components`,
  COMPONENT_NOT_SAID: (d) => `“${d.name}” does not say which component it uses`,
  FULLNESS_NOT_SAID: (d) => `“${d.name}” does not say how full, or how long a noodle`,
  WINDING_NOT_SAID: (d) => `“${d.name}” does not say how it is wound`,
  FINISH_NOT_THERE: (d) => `the finish uses “${d.component}”, which is not among the components`,
  PART_NOT_USED: (d) => `no step uses the ${d.role}`,
  PART_LEFT_WAITING: (d) => `the ${d.role} is tied in and waits, and no step winds it or takes it over`,
};

/** What a recipe lacks, as half a sentence without a full stop. */
export const missingWords = (lack: Missing): string => say(missing, lack);
