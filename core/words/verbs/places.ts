import { lettersOf } from "../letters";
import type { Place } from "../../hooks";
import type { Bench, Telling } from "../bench";
import type { LengthRule, RecipeStep, Role } from "../../recipe";
import { lastBody } from "./lastBody";
import { alongShank, THORAX_REAR } from "../settle";
import { HERE, JOINT, OF_STUFF, shifted } from "../text/place";
import type { Said } from "../said";

type PartPlace = Extract<Place, { part: string }>;

/**
 * The end of a body that is no part of its own: the fibres of the tail, or the thread itself, wound along the shank.
 */
function bodyPlace({ end, plus }: PartPlace, bench: Bench): Place | undefined {
  const roleOf = (s: RecipeStep): Role | undefined => bench.component(s.component)?.role;
  if (bench.made.some((m) => roleOf(m.step) === "body") || bench.ahead.has("body")) return undefined;
  const winds = bench.made.map((m) => m.step).filter((s) => s.do === "wind" && s.to !== undefined);
  // Foam that was folded over is the body as well.
  const cover = bench.made.findLast(
    ({ step }) => step.do === "lay" && step.tiedIn !== undefined && roleOf(step) === "wing case",
  )?.step;
  const step =
    lastBody(bench) ??
    (cover && isFoam(bench, cover) ? cover : undefined) ??
    winds.findLast((s) => roleOf(s) === "tail") ??
    winds.findLast((s) => roleOf(s) === "thread");
  if (step === undefined || !("from" in step) || step.from === undefined) return undefined;
  const from = step.from;
  const to = ("to" in step ? step.to : undefined) ?? from;
  const [front, rear] = alongShank(from) <= alongShank(to) ? [from, to] : [to, from];
  const middle: Place = { fraction: Number(((alongShank(front) + alongShank(rear)) / 2).toFixed(3)) };
  const place = end === "rear" ? rear : end === "middle" ? middle : front;
  return { ...place, ...(plus && place.plus === undefined && { plus }) };
}

const isFoam = (bench: Bench, step: RecipeStep): boolean =>
  bench.formOf(bench.component(step.component)) === "stretch body";

/** Places that were said by a part mean the component that has its role, or that is of the stuff. */
export const settlePlaces = (t: Telling): void => settleParts(t.told.said, t, t.bench.last.component);

/** Where a part is going to begin that is not there yet: “wound up to the thorax”. */
const placeToCome: Record<string, Record<PartPlace["end"], Place>> = {
  // “Palmered down to the tail”, of a fly that has none, or none yet: as far as one would be tied in.
  tail: { rear: { landmark: "bend" }, middle: { landmark: "bend" }, front: { landmark: "bend" } },
  thorax: { rear: { fraction: THORAX_REAR }, middle: { fraction: 0.2 }, front: { eyeLengths: 1.1 } },
};

/** In front of a tail is where it is tied in: its butts under the body are no place. */
function atItsTieIn(value: PartPlace, component: string, bench: Bench): void {
  const tail = bench.made.findLast((m) => m.step.do === "lay" && m.step.component === component)?.step;
  const at = tail?.do === "lay" ? (tail.tieIn?.at ?? tail.to) : undefined;
  if (!at) return;
  const { plus } = value;
  for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
  Object.assign(value, at, plus && at.plus === undefined ? { plus } : {});
}

/** A place that nobody can find is asked about; until then it is one that is there. */
function askPlace(value: PartPlace, { line, told }: Telling, sentence: string, until?: Place): void {
  line.asks.push({ at: [told.at, told.end], sentence, answers: [] });
  // The thread may hang at that very place: then it is nowhere yet.
  const instead: Place = until && until !== value ? { ...until } : { landmark: "bend" };
  for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
  Object.assign(value, instead);
}

/** From where the thread hangs, so much further. */
function settleHere(value: PartPlace, t: Telling): void {
  const { bench } = t;
  const { plus } = value;
  const here = bench.hangs === value ? undefined : bench.hangs;
  const isThere = plus !== undefined && "mm" in plus && plus.mm === 0;
  if (!here || !plus || !("mm" in plus) || (here.plus && !("mm" in here.plus) && !isThere))
    return askPlace(value, t, "From where is that measured? Say the place: “10 mm in front of the bend”.", here);
  for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
  const mm = plus.mm + (here.plus && "mm" in here.plus ? here.plus.mm : 0);
  Object.assign(value, here, isThere || mm === 0 ? {} : { plus: { mm } });
}

/** Where the rear part of a body ends and the next begins. */
function settleJoint(value: PartPlace, t: Telling): void {
  const { bench } = t;
  const bodies = bench.made.flatMap(({ step }) =>
    (step.do === "wind" || step.do === "dress") && step.to && bench.component(step.component)?.role === "body"
      ? [frontOf(step.from, step.to)]
      : [],
  );
  const [rear] = [...bodies].sort((a, b) => alongShank(b) - alongShank(a));
  if (bodies.length < 2 || !rear)
    return askPlace(
      value,
      t,
      "Where do they meet? Say the place: “at mid-shank”, or tell both halves of the body first.",
    );
  for (const key of ["part", "end"] as const) delete (value as Partial<PartPlace>)[key];
  Object.assign(value, rear);
}

/** “The seal's fur”, “black fur”: the part whose stuff has all these words in its name. */
function ofStuff(bench: Bench, words: string): ReturnType<Bench["componentOf"]> {
  const wanted = lettersOf(words);
  const isOfIt = (m: ReturnType<Bench["materialOf"]>): boolean => {
    const own = lettersOf(`${m?.name ?? ""} ${m?.colourName ?? ""}`);
    return wanted.every((w) => own.includes(w));
  };
  return bench.componentOf(words) ?? bench.components.findLast((c) => isOfIt(bench.materialOf(c)));
}

/** “Behind the hackle”, of a fly that has a collar and no other: either is called so. */
const asHackle = (part: string, bench: Bench): ReturnType<Bench["component"]> =>
  (part === "hackle" || part === "collar") && !bench.ahead.has(part)
    ? bench.made.map((m) => bench.component(m.step.component)).findLast((c) => isHackleRole.has(c?.role))
    : undefined;

export function settleParts(value: unknown, t: Telling, before: string | undefined): void {
  const { bench, line } = t;
  if (value === null || typeof value !== "object") return;
  if ("part" in value && "end" in value && typeof value.part === "string") {
    if (value.part === HERE) return settleHere(value as PartPlace, t);
    if (value.part === JOINT) return settleJoint(value as PartPlace, t);
    const stuff = value.part.startsWith(OF_STUFF) ? value.part.slice(OF_STUFF.length) : undefined;
    const meant = stuff === undefined ? undefined : ofStuff(bench, stuff);
    if (stuff !== undefined && !meant)
      return askPlace(
        value as PartPlace,
        t,
        `No part of this fly is of “${stuff}” yet. Say the place by a part: “in front of the tail”.`,
      );
    if (value.part === "it" && before === undefined)
      return askPlace(
        value as PartPlace,
        t,
        "Beside what is that? Name the part, “behind the bead”, or tie it in first.",
      );
    const part = value.part === "it" ? (before ?? value.part) : (meant?.id ?? value.part);
    const stands = part === "body" ? bodyPlace(value as PartPlace, bench) : undefined;
    if (stands) {
      for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
      Object.assign(value, stands);
      return;
    }
    // “To where the hackles are”: what only waits to be wound is where it was tied in.
    const waiting = bench.waits((w) => !w.hangs && isHackleRole.has(w.role));
    if (waiting?.at && (part === waiting.component || part === "hackle" || part === "collar")) {
      const { plus } = value as PartPlace;
      for (const key of ["part", "end", "plus"] as const) delete (value as Partial<PartPlace>)[key];
      Object.assign(value, plus ? shifted(waiting.at, plus) : waiting.at);
      return;
    }
    const usual = bench.made.some((m) => bench.component(m.step.component)?.role === part || m.step.component === part)
      ? undefined
      : placeToCome[part]?.[(value as PartPlace).end];
    if (usual) {
      line.assumed.push(`the ${part} is not there yet: taken where one usually is`);
      delete (value as Partial<PartPlace>).part;
      delete (value as Partial<PartPlace>).end;
      Object.assign(value, usual);
      return;
    }
    const component = bench.component(part) ?? bench.components.find((c) => c.role === part) ?? asHackle(part, bench);
    value.part = component?.id ?? part;
    if (component?.role === "tail" && value.end === "front") atItsTieIn(value as PartPlace, component.id, bench);
    return;
  }
  for (const v of Object.values(value)) settleParts(v, t, before);
}

/** “10 turns of lead at the thorax”: over all of it, wherever of it was meant. */
export function weightInThorax(said: Said, role: Role | undefined, bench: Bench): void {
  const { there } = said;
  if (role !== "weight" || !there || !("part" in there) || there.part !== "thorax" || there.plus) return;
  if ((said.from ?? said.begin ?? said.end) !== undefined || bench.ofRole("thorax")) return;
  delete said.there;
  Object.assign(said, { from: { part: "thorax", end: "front" }, to: { part: "thorax", end: "rear" } });
}

/** “Copper wire over the shellback”: a rib goes over all of it, to where that is held in front. */
export function ribOverCover(said: Said, role: Role | undefined, bench: Bench): void {
  const { there, from, to } = said;
  // “Over the whole body”, where it is of several stuffs: as far as all of them go.
  const isOverBody = [from, to].every((p) => p && "part" in p && p.part === "body" && !p.plus);
  if (role === "rib" && isOverBody && bench.components.filter((c) => c.role === "body").length > 1) {
    delete said.from;
    delete said.to;
  }
  if (role !== "rib" || !there || !("part" in there) || there.part !== "wing case" || there.plus) return;
  if ((said.from ?? said.begin ?? said.end ?? said.to) !== undefined) return;
  delete said.there;
  if (bench.ofRole("wing case")) said.end = { part: "wing case", end: "front" };
}

/** Further back than this, in shanks, begins what covers all of a body. */
const OVER_ALL = 0.8;
/**
 * “Pull the strip over, then rib”: the front of the strip, where that was the last thing, covers the body and goes on
 * in front of it.
 *
 * @param end where the body ends
 */
export function coverJustPulled(bench: Bench, end: Place | undefined): Place | undefined {
  // The rib may be tied in only now.
  const last = bench.made.findLast((m) => bench.component(m.step.component)?.role !== "rib")?.step;
  const isCover = last?.do === "lay" && bench.component(last.component)?.role === "wing case";
  if (!isCover || last.tiedIn === undefined || last.to === undefined) return undefined;
  const front = frontOf(last.from, last.to);
  const rear = Math.max(alongShank(last.from), alongShank(last.to));
  const goesOn = end === undefined || alongShank(end) > alongShank(front) + LEAST_ON;
  return rear > OVER_ALL && goesOn ? front : undefined;
}
/** So much further in front, in shanks, is no matter of how two people name one place. */
const LEAST_ON = 0.08;

const backToIt = /\b(?:back|down)(?:wards?)?\s+to\s+(?:the\s+)?(?:body|abdomen|thorax)\b/;
/** “Wound back to the body”, of a hackle that was tied in at the eye: to where the body ends. */
export function backToBody(said: Said, role: Role | undefined, { told, text, bench }: Telling): void {
  const { end } = said;
  if (!isHackleRole.has(role) || !end || !("part" in end) || end.end !== "rear" || end.plus) return;
  const tiedIn = bench.waits((w) => w.role === role && !w.hangs)?.at;
  const isInFront = tiedIn === undefined || alongShank(tiedIn) < FRONT_OF_BODY;
  if (isInFront && backToIt.test(text.slice(told.at, told.end))) said.end = { ...end, end: "front" };
}
/** What is tied in so far forward, in shanks, has the body behind it. */
const FRONT_OF_BODY = 0.4;

const isHackleRole = new Set<Role | undefined>(["hackle", "collar"]);

/** Behind a bead is where the shank begins: so it is on a fly without the bead, too. */
export function settleBead(said: Said, bench: Bench): void {
  for (const key of ["there", "begin", "end", "from", "to"] as const) {
    const place = said[key];
    if (place && "part" in place && place.plus === undefined && bench.component(place.part)?.role === "bead")
      said[key] = { landmark: "eye" };
  }
}

/** “Down to the bend”: of what is bound down that is a place, no length. */
export function placeOf(shown: LengthRule): Place | undefined {
  if ("to" in shown) {
    const { to, pastMm } = shown;
    // “To 3 mm behind the eye”
    return pastMm !== undefined && "landmark" in to && to.plus === undefined ? { ...to, plus: { mm: pastMm } } : to;
  }
  const reach = "reach" in shown ? shown.reach : undefined;
  if (reach === "tail") return { part: "tail", end: "rear" };
  return reach === "bend" || reach === "point" || reach === "barb" ? { landmark: reach } : undefined;
}

export const LEAST_WAY = 0.03;

/** The place at which a step ends towards the eye: where the thread then hangs. */
export const frontOf = (a: Place, b: Place | undefined): Place =>
  b === undefined || alongShank(a) <= alongShank(b) ? a : b;
