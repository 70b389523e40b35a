import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import type { Telling, Waiting } from "../bench";
import type { Said } from "../said";
import { alongShank } from "../settle";
import { make, withDeclared } from "./making";

/** “The slip”, “the fibres”: what hangs there, of whatever it was cut. */
export const isBareBundle = (words: string): boolean =>
  /^(?:the\s+)?(?:slips?|strips?|fibres?|fibers?|feathers?|bunch)$/.test(words.trim());
const isOver = /\b(?:over|forwards?|across)\b/;
const isBack = /\bback(?:wards?)?\b/;
const backOfFly = /\bover\s+(?:the|its)\s+back\b/;
/** Whether words take something over what lies in front of it, and not back again. */
export const goesOver = (words: string): boolean => isOver.test(words) && !isBack.test(words.replace(backOfFly, ""));

/** “Forward over the thorax”, of what hangs behind it: as far as its front. */
function acrossPart(stated: Place, from: Place, { told, text, bench }: Telling): Place {
  if (!("part" in stated) || stated.end !== "rear" || stated.plus) return stated;
  const role = bench.component(stated.part)?.role ?? stated.part;
  const isOverIt = (role === "thorax" || role === "body") && goesOver(text.slice(told.at, told.end));
  return isOverIt && alongShank(from) > alongShank({ ...stated, end: "front" }) ? { ...stated, end: "front" } : stated;
}

/** “Thread forward to the eye, foam forward again”: it goes where the thread has gone since. */
const isAheadOf = (hangs: Place | undefined, at: Place): boolean =>
  hangs !== undefined && alongShank(hangs) < alongShank(at) - NEARBY;

export function takeOver(t: Telling, w: Waiting, own: Said): void {
  const { bench, told } = t;
  const component = bench.component(w.component);
  const said: Said = awayFrom(w.at, withDeclared(t, component, { ...own }));
  // “Tied in at the bend, pulled forward and tied down at a third of the shank”: of two places the other one.
  const heldAt = said.there && isSame(said.tieIn?.at, w.at) ? undefined : said.tieIn?.at;
  const stated: Place =
    said.to ??
    said.end ??
    heldAt ??
    said.there ??
    said.begin ??
    (w.used && w.at && !isAheadOf(bench.hangs, w.at) ? { landmark: "eye" } : (bench.hangs ?? { eyeLengths: 1 }));
  // Taken over it goes somewhere: where only its tie-in is told, to the front.
  const isThere = isSame(stated, w.at) || (stated === bench.hangs && isNearby(stated, w.at));
  const target: Place = isThere ? { eyeLengths: 1 } : fromBend(acrossPart(stated, w.at, t), w.at, t);
  const before = bench.made.find((m) => m.step.id === w.step)?.step;
  const amount = said.amount ?? (before?.do === "lay" ? before.amount : undefined);
  const step = make(
    t,
    "lay",
    {
      ...(amount && { amount }),
      ...(said.free && { free: said.free }),
      ...(said.wraps !== undefined && { wraps: said.wraps }),
      ...(said.stretch !== undefined && { stretch: said.stretch }),
      from: target,
      to: said.from !== undefined && said.to !== undefined ? said.from : w.at,
      countedWhenWound: true,
      attitude: said.attitude ?? "over",
      tieIn: { at: target, ...(said.tieIn?.wraps !== undefined && { wraps: said.tieIn.wraps }) },
      tiedIn: w.step,
    },
    { component, role: w.role, form: w.form },
    { name: `take the ${told.part ?? component?.role ?? w.role} over` },
  );
  if (step?.do !== "lay") return;
  w.used = true;
  // It may be taken further: then it begins where it is held now.
  w.at = target;
  bench.hangs = target;
}

const namesEnd = /\b(?:behind|from|of)\s+the\s+(?:hook\s+)?(?:eye|bend|head|front|rear)\b|\bback\b/;
/** “Tied down at two thirds”, of what comes from the bend: so much of the shank it covers, where no end is named. */
function fromBend(target: Place, at: Place | undefined, { told, text }: Telling): Place {
  if (!("fraction" in target) || target.plus || target.fraction <= 0.5 || !at || alongShank(at) < BEHIND) return target;
  if (namesEnd.test(text.slice(told.at, told.end))) return target;
  return { fraction: Number((1 - target.fraction).toPrecision(12)) };
}

/** So near its tie-in, in shanks, nothing is pulled over because the thread happens to hang there. */
export const NEARBY = 0.12;
const BEHIND = 0.85;
function isNearby(a: Place, b: Place | undefined): boolean {
  if (b === undefined) return false;
  const [one, other] = [alongShank(a), alongShank(b)];
  return Math.abs(one - other) < NEARBY || Math.min(one, other) > BEHIND;
}

/** “Pull it over the thorax”: of the two ends of what it covers the one that lies away from its tie-in. */
function awayFrom(at: Place | undefined, said: Said): Said {
  const { from, to } = said;
  if (!at || !from || !to) return said;
  const [near, far] = [from, to].map((p) => Math.abs(alongShank(p) - alongShank(at)));
  return (near ?? 0) > (far ?? 0) ? { ...said, from: to, to: from } : said;
}
