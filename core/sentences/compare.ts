import type { Sentences } from "../errors";
import { quantityWords } from "../materials";
import type { Difference, MethodDifference, SubstituteWarning, SubstituteWarningDetails } from "../needs";
import { sentenceOf } from "./errors";
import { say } from "./say";
import { warningSentence } from "./warnings";

const counted = (d: Difference, n: number): string =>
  d.unit === "count" ? `${n} ${d.materialName}` : `${quantityWords(n, d.unit)} of ${d.materialName}`;

/** A difference as it is said: “saves 26 pheasant tail feather”. */
export const sayDifference = (d: Difference): string =>
  d.after < d.before ? `saves ${counted(d, d.before - d.after)}` : `takes ${counted(d, d.after - d.before)} more`;

/** What another way of tying would change on a batch. */
export function methodSentence({ other, differences, minutes, fault }: MethodDifference): string {
  if (fault) return `${other.words}: not possible here. ${sentenceOf(fault)}`;
  const effects = differences.map(sayDifference);
  if (Math.abs(minutes) >= 1) effects.push(`${Math.abs(Math.round(minutes))} minutes ${minutes > 0 ? "more" : "less"}`);
  return `${other.words}: ${effects.length > 0 ? effects.join(", ") : "the same quantities"}`;
}

const substitutes: Sentences<SubstituteWarningDetails> = {
  DURABILITY_LOST: (d) => `“${d.name}” ${d.guard} and would be lost. Keep it, or add a counter-wound rib.`,
  STRENGTH_LOST: (d) =>
    `${d.is || "It"} is weaker than ${d.was || "the original"}${d.guarded ? ": the guard that is there matters more." : ". Add a counter-wound rib over it."}`,
  GAP_LEFT: (d) =>
    `It leaves the fly up to ${d.thinnerMm.toFixed(2)} mm thinner at “${d.name}”. Fill it with ${d.threadMetres.toFixed(1)} m more thread, or with the butts left long.`,
  WEIGHT_CHANGED: (d) =>
    `The fly becomes ${Math.abs(d.byMg).toFixed(0)} mg ${d.byMg > 0 ? "heavier" : "lighter"}. Make up for it with turns of weight wire.`,
  NEWLY_CROWDED: (d) => warningSentence(d.warning),
  OTHER_GLUE: (d) =>
    d.body === "gel"
      ? "Gel stays where it is put and leaves time to set things straight; it does not soak into what is wound already."
      : "Thin glue creeps into what is wound and sets at once: one small drop, and nothing can be moved any more.",
};

/** What a substitute takes away or leaves open, with its remedy. */
export const substituteSentence = (w: SubstituteWarning): string => say(substitutes, w);
