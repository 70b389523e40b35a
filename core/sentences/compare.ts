import type { Sentences } from "../errors";
import { quantityWords } from "../materials";
import type { Difference, MethodDifference, Quality, TakenAway, TakenAwayDetails } from "../needs";
import { sentenceOf } from "./errors";
import { say } from "./say";
import { warningSentence } from "./warnings";

const counted = (d: Difference, n: number): string =>
  d.unit === "count" ? `${n} ${d.materialName}` : `${quantityWords(n, d.unit)} of ${d.materialName}`;

/** A difference as it is said: “saves 26 pheasant tail feather”. */
export const sayDifference = (d: Difference): string =>
  d.after < d.before ? `saves ${counted(d, d.before - d.after)}` : `takes ${counted(d, d.after - d.before)} more`;

/** What another way of tying would change on a batch. */
export function methodSentence({ other, differences, minutes, warnings, fault }: MethodDifference): string {
  if (fault) return `${other.words}: not possible here. ${sentenceOf(fault)}`;
  const effects = differences.map(sayDifference);
  if (Math.abs(minutes) >= 1) effects.push(`${Math.abs(Math.round(minutes))} minutes ${minutes > 0 ? "more" : "less"}`);
  const lost = warnings.filter((w) => w.code === "DURABILITY_LOST").map(takenAwaySentence);
  return [`${other.words}: ${effects.length > 0 ? effects.join(", ") : "the same quantities"}`, ...lost].join(". ");
}

const qualityWords: Record<Quality, [less: string, more: string, without: string]> = {
  strength: ["weaker", "stronger", "some of its strength"],
  mobility: ["stiffer", "livelier", "some of its movement"],
  floats: ["floats less", "floats better", "some of what it floats on"],
};

const losses: Sentences<TakenAwayDetails> = {
  QUALITY_CHANGED: (d) => {
    const [less, more, without] = qualityWords[d.quality];
    if (d.is === undefined) return `Without ${d.name} the fly loses ${without}.`;
    const words = d.is < d.was ? less : more;
    return `${d.name} ${words.startsWith("floats") ? words : `is ${words}`}: ${d.is} of 5 instead of ${d.was}.`;
  },
  DURABILITY_LOST: (d) =>
    `A guard would be lost, “${d.name}”: ${d.guard.replace(/[.!]+$/, "")}. Keep it, or add a counter-wound rib.`,
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

/** What a changed choice takes away or leaves open, with its remedy. */
export const takenAwaySentence = (w: TakenAway): string => say(losses, w);
