import { isSame } from "../../numeric";
import type { Said } from "../said";
import type { Bench, MadeStep, Telling } from "../bench";
import { lastBody } from "./lastBody";
import { alongShank } from "../settle";
import { frontOf } from "./places";
import type { Place } from "../../hooks";
import type { Role } from "../../recipe";
import type { MaterialForm } from "../../materials";

/** “rear third yellow floss, rest black floss”: what the body before it leaves of the shank, in front or behind. */
export function takeRest(said: Said, { bench, line, text }: Telling, part?: string): void {
  if (!(said.rest || part === "front body") || said.from || said.begin || said.end || said.there) return;
  const before = lastBody(bench);
  if (!before) return;
  const [front, rear] = [before.from, before.to ?? before.from].sort((x, y) => alongShank(x) - alongShank(y));
  if (rear && alongShank(rear) < REAR) Object.assign(said, { from: rear, to: { landmark: "bend" } satisfies Place });
  else if (front && alongShank(front) > FRONT) {
    // “Rear two thirds yellow, the rest black”: shares of the body, as where both are told.
    const isShare = "fraction" in front && !front.plus && rearShare.test(text);
    const at: Place = isShare ? { fraction: shareBehind(FRONT, front.fraction) } : front;
    if (isShare) moveShares(bench, (m, f) => m.line === line.number && isNear(f, front.fraction));
    Object.assign(said, { from: { fraction: FRONT }, to: at });
  }
}

const SAME_SHARE = 1e-6;
const isNear = (a: number, b: number): boolean => Math.abs(a - b) < SAME_SHARE;
/** Where a share ends of what lies behind a place, both in shanks. */
const shareBehind = (front: number, share: number): number => Number((front + (1 - front) * share).toPrecision(3));

const rearShare =
  /\b(?:rear|back|hind|first)\s+(?:half|third|quarter|two\s+thirds|three\s+quarters)\b(?!\s+(?:of\s+)?(?:the\s+)?(?:hook|shank))/;

/** What meets at such a share of the shank meets at that share of the body. */
function moveShares(bench: Bench, isMeant: (m: MadeStep, fraction: number) => boolean): void {
  for (const m of bench.made) {
    const moved = <P extends Place | undefined>(p: P): P | Place =>
      p && "fraction" in p && isMeant(m, p.fraction) ? { ...p, fraction: shareBehind(FRONT, p.fraction) } : p;
    const { step } = m;
    // A tail is bound along the shank, whatever is wound over it.
    const isBound = step.do === "lay" && step.countedWhenWound;
    // Nor does the weight move, or the thread below it.
    const under = bench.component(step.component)?.role;
    if (under === "weight" || under === "thread") continue;
    if (step.do !== "wind" && step.do !== "dress" && !isBound) continue;
    const tieIn = step.tieIn && { ...step.tieIn, at: moved(step.tieIn.at) };
    m.step = { ...step, from: moved(step.from), ...(step.to && { to: moved(step.to) }), ...(tieIn && { tieIn }) };
  }
}

const goesOverIt = /\b(?:over|on|along|cover(?:ing)?|for)\s+the\s+(?:front|fore|forward)\b/;
const toldOfBody = /\bof\s+(?:the\s+)?(?:body|abdomen)\b|\b(?:rear|back|hind|middle)\b/;
const frontShare =
  /\b(?:front|fore|forward|last)\s+(?:half|third|quarter|two\s+thirds)\b(?!\s+(?:of\s+)?(?:the\s+)?(?:hook|shank))/;

/**
 * “Body: rear half yellow, front half black”: shares of the body, which leaves room for the head; what was told of its
 * rear ends there as well.
 */
export function takeShare(said: Said, role: Role | undefined, { told, text, bench, line }: Telling): void {
  const { from, to } = said;
  if (role === "body" && from && to) meetFront(said, from, to, bench);
  if (role !== "body" || !from || !to || !frontShare.test(text.slice(told.at, told.end))) return;
  if (!isSame(from, { landmark: "eye" }) || !("fraction" in to) || to.plus) return;
  // “3 magpie herls, wound over the front half”, and no body beside it: half of the shank.
  if (goesOverIt.test(text) && !toldOfBody.test(text) && !lastBody(bench))
    return void Object.assign(said, { from: { eyeLengths: CLEAR_EYES } });
  Object.assign(said, { from: { fraction: FRONT }, to: { fraction: shareBehind(FRONT, to.fraction) } });
  moveShares(bench, (m, fraction) => {
    // “rear third yellow, middle third orange, front third black”: what meets behind the middle moves as well.
    const isOfThirds = m.line === line.number && isNear(to.fraction, 1 / 3);
    return isNear(fraction, to.fraction) || (isOfThirds && isNear(fraction, 2 / 3));
  });
}

/** “Body: front half black fur, rear half yellow floss”: the rear, told last, ends where the front begins. */
function meetFront(said: Said, from: Place, to: Place, bench: Bench): void {
  const before = lastBody(bench);
  const rear = before?.to;
  if (!rear || !("fraction" in rear) || !("fraction" in from) || from.plus || !isSame(to, { landmark: "bend" })) return;
  if (isNear(rear.fraction, shareBehind(FRONT, from.fraction))) said.from = rear;
}

/** Strands of which a tag of two is wound one in front of the other. */
const isOfTag = new Set<MaterialForm | undefined>(["tinsel", "wire", "floss", "flash", "yarn", "thread"]);
/** “Tag: oval silver, 4 turns, and yellow floss”: the second lies in front of the first, as long as that. */
export function takeFrontOfTag(
  said: Said,
  { role, form }: { role?: Role; form?: MaterialForm },
  { bench }: Telling,
): void {
  if (role !== "tag" || !isOfTag.has(form) || said.from || said.begin || said.end || said.there) return;
  const before = bench.made.findLast(({ step }) => step.do === "wind" && step.name === "tag")?.step;
  const front = before?.do === "wind" && before.to && frontOf(before.from, before.to);
  if (!front || !("fraction" in front) || front.plus) return;
  const [long] = said.size ?? [];
  if (long && "mm" in long) {
    Object.assign(said, { from: { ...front, plus: { mm: -long.mm } }, to: front });
    said.rule ??= { touching: true };
    delete said.size;
  } else if (!long)
    Object.assign(said, { from: { fraction: Number((2 * front.fraction - 1).toPrecision(12)) }, to: front });
}

/** Wound over a body, and nothing of it in front of that. */
const overBody = new Set<Role | undefined>(["hackle", "rib"]);
/** Weight and what is wound leave so many eye lengths, where nothing else says how many. */
const CLEAR_EYES = 2;

/**
 * “Grizzly over the front half”: over that share of the body, where there is one; weight and hackle leave the eye of
 * the hook clear all the same.
 */
export function takeShareOfBody(said: Said, role: Role | undefined, { told, text, bench }: Telling): void {
  const { from, to } = said;
  if (!(overBody.has(role) || role === "weight") || !from || !to || !("fraction" in to) || to.plus) return;
  if (!isSame(from, { landmark: "eye" }) || !frontShare.test(text.slice(told.at, told.end))) return;
  const body = role === "weight" ? undefined : lastBody(bench);
  const front = body && frontOf(body.from, body.to);
  said.from = front ?? { eyeLengths: CLEAR_EYES };
  if (front && "fraction" in front && !front.plus) said.to = { fraction: shareBehind(front.fraction, to.fraction) };
}

/** Where a body ends, as usual. */
export const FRONT = 0.3;

/** From here on a body reaches the bend. */
const REAR = 0.85;
