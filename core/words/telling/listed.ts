import { tiedAcross } from "../clauses";
import { formSaid } from "../description";
import type { Reading } from "../reading";
import type { Telling } from "../bench";
import { tellWhip } from "../verbs/whip";
import { tellFinish } from "../verbs/finish";
import { tellSeat } from "../verbs/seat";
import { stuffByHead, byColour, askMaterial } from "./stuff";
import { objectOf, type Meant } from "../verbs/object";
import { isToldLater, means } from "./toldLater";
import { tellTieIn } from "../verbs/tieIn";
import { boundAlong, isSegmented } from "../clauses";
import { isTiedInLine } from "../taken";
import { tellAct } from "../verbs/act";
import { formTold, type Told } from "../told";
import type { Component } from "../../recipe";
import { verbOf, waitsToBeWound } from "../verbs";
import { tellWind, listedRib, windNew } from "../verbs/wind";
import { tellDub } from "../verbs/dub";
import { listedCover } from "../verbs/takeOver";
import { tellThread } from "../verbs/thread";
import { windsOverWeight } from "../verbs/overWeight";
import { isToldBySteps } from "./threads";
import { USUAL_FRONT } from "../settle";

/** A line of a list: what it names is tied in where its role has its place, unless a later line does that. */
export function actListed(r: Reading, t: Telling, i: number): void {
  const { told, bench } = t;
  if (isBackOfHair(told)) Object.assign(told, { role: "wing", part: "wing" });
  const role = told.role;
  // “Legs: fibres picked out below”: they are what the body gives.
  if (role === "legs" && /\b(?:picked|teased|brushed|combed|pulled)\s+out\b/.test(t.text.slice(told.at, told.end)))
    return pickOutLegs(t);
  if (role === "wing case" && told.kind === "lay" && hangsBack.test(t.text.slice(told.at, told.end))) {
    delete told.said.attitude;
    told.said.hanging = true;
  }
  if (role === "thread") return actListedThread(t);
  // “head dubbed brown”: of dubbing, in that colour.
  const isDubbed = told.verb === "dub";
  if (role === "head" && !isDubbed && (told.kind === "wind" || told.kind === "act") && !isOfItsOwn(r, told))
    return actListedHead(r, t);
  if (told.kind === "whip") return tellWhip(t);
  if (role === "finish" || told.kind === "glue") return tellFinish(t);
  // “Head: 4 mm gold bead”
  const form = formTold(told);
  if (role === "head" && told.kind === "seat" && form !== "eyes")
    return tellSeat({ ...t, told: { ...told, role: "bead" } });
  if (role !== undefined && isTakenUp(r, role, told)) return takeUp(r, t);
  const named = stuffByHead(r, byColour(r, t, i), i);
  const object = objectOf(named);
  if (!object.component) return askMaterial(r, t, i);
  const isDeclared = role !== undefined && isToldLater(r, i, role, told.said);
  // “Tied in by the butts in front of the abdomen”: the place is that of the tie-in.
  const { there, ...more } = told.said;
  if (isDeclared && role === "wing case" && there && !more.tieIn?.at && tiedInBy.test(t.text.slice(told.at, told.end)))
    told.said = { ...more, tieIn: { ...more.tieIn, at: there } };
  // A list that says where it is tied in has tied it in; what follows later takes it up.
  // “Cheeks: a strip of tinsel tied in on each side”, and a later line pulls them forward.
  const hangsAtSides = role === "cheeks" && isTiedInLine.test(t.text) && told.said.shown === undefined;
  if (isDeclared && hangsAtSides) told.said.hanging = true;
  if (isDeclared && (told.said.tieIn?.at !== undefined || told.said.hanging) && waitsOrHangs(object, told))
    return tellTieIn(t);
  if (isDeclared) {
    bench.declared.set(object.component.id, { said: told.said, line: i, used: false });
    return;
  }
  tieListed(t, object);
}

/** “Back: a strip tied in at the bend, hanging back”: it waits to be pulled over. */
const hangsBack = /\bhanging\s+(?:back|behind|off)\b/;

function pickOutLegs(t: Telling): void {
  t.told.rest = [];
  tellAct({ ...t, told: { ...t.told, kind: "act", role: undefined, said: { act: "pick out" } } });
}

/** A head of herl or chenille is wound of that, not of the thread. */
function isOfItsOwn(r: Reading, { description }: Told): boolean {
  const form = formSaid(description);
  return form !== undefined && form !== "thread" && form !== "liquid";
}

/** Whether a part waits to be wound or taken over, or was only named. */
function isTakenUp(r: Reading, role: Component["role"], { description }: Told): boolean {
  if (description) return isOfWhatWaits(r, role, description);
  const component = r.bench.ofRole(role);
  return (
    r.bench.waits((w) => w.role === role) !== undefined ||
    (component !== undefined && r.bench.declared.has(component.id))
  );
}

/** “Rib: 7 turns of the mono”, of what was tied in for it and waits. */
function isOfWhatWaits(r: Reading, role: Component["role"], description: NonNullable<Told["description"]>): boolean {
  const waiting = r.bench.waits((w) => w.role === role && !w.hangs);
  const material = waiting && r.bench.materialOf(r.bench.component(waiting.component));
  return material !== undefined && means(r, description, material, role);
}

function takeUp(r: Reading, t: Telling): void {
  const { told } = t;
  if (r.bench.waits((w) => w.role === told.role && w.hangs)) return verbOf("take over")?.tell(t);
  if (told.kind === "wind") return tellWind(t);
  if (told.kind === "dress") return tellDub(t);
  if (told.kind === "seat") return tellSeat(t);
  tellTieIn(t);
}

const oneASide = /\b(?:one|a\s+slip)\s+(?:(?:on|to|at)\s+)?(?:each|either)\s+side\b/;

export function tieListed(t: Telling, object: Meant): void {
  const { told } = t;
  const { said } = told;
  const { role } = object;
  if (told.kind === "seat") return tellSeat(t);
  if (told.kind === "dress") return tellDub(t);
  if (role === "rib" && told.kind !== "lay") return listedRib(t, object, said);
  if (role === "rib" && waitsToBeWound(role, object.form)) return listedRib(t, object, said);
  if (isSlidTube(told)) return tellTieIn(asSlid(t));
  if (told.verb === "take over" && told.kind === "lay" && said.tieIn?.at) return listedCover(t, object, said);
  // Buds that lie on either side and reach somewhere are wings that are short yet: nothing is pulled over.
  const isASide = (said.round?.near && said.round.far) || oneASide.test(t.text.slice(told.at, told.end));
  const isBud = isASide || (/\bbuds?\b/.test(told.part ?? "") && told.verb === undefined);
  if (role === "wing case" && said.shown && isBud)
    return tellTieIn({ ...t, told: { ...told, role: "wing", said: { attitude: "back", ...said } } });
  if (role === "wing case" && told.kind === "lay")
    return said.hanging && said.end === undefined && said.to === undefined
      ? tellTieIn(t)
      : listedCover(t, object, said);
  if (told.kind === "wind") return windNew(t, object, said);
  if (said.hanging && waitsToBeWound(role, object.form)) return tellTieIn(t);
  const words = t.text.slice(told.at, told.end);
  const liesAlong = object.form === "stretch body" && boundAlong.test(words);
  if (object.form === "stretch body" && told.kind === "lay" && isSegmented.test(t.text.slice(told.at))) {
    said.liesAlong = true;
    if (said.from === undefined) said.laid ??= { from: { fraction: USUAL_FRONT }, to: { landmark: "bend" } };
  }
  if (role === "body" && object.form === "yarn" && told.kind === "lay" && tiedAcross.test(words)) liesAcross(t);
  if (waitsToBeWound(role, object.form) && role !== "rib" && !said.liesAlong && !liesAlong)
    return windNew(t, object, asWound(said));
  tellTieIn(t);
}

/** “8 strands of yarn, 3 cm, tied crosswise”: they lie along the body, one beside the other, and are not wound. */
function liesAcross({ told, line }: Telling): void {
  const { said } = told;
  Object.assign(said, { liesAlong: true, attitude: said.attitude ?? "sides" } satisfies Told["said"]);
  if (said.amount === undefined && said.count === undefined)
    line.asks.push({
      at: [told.at, told.end],
      sentence: "How many pieces lie across the shank? Say “8 strands, each 30 mm”.",
      answers: [],
    });
  // So long is each piece, from side to side.
  if (said.pieceMm !== undefined) said.shown ??= { mm: said.pieceMm };
  delete said.pieceMm;
  if (said.from === undefined) said.laid ??= { from: { fraction: USUAL_FRONT }, to: { landmark: "bend" } };
}

const ofTube = /\b(?:tub(?:e|ing)|piping)\b/;
/** “Body: pearl tubing, 4 cm”: a tube is slid on, where nobody winds it. */
const isSlidTube = ({ role, description, said, verb }: Told): boolean =>
  role === "body" &&
  formSaid(description) === "tinsel" &&
  ofTube.test(description?.text ?? "") &&
  verb === undefined &&
  said.rule === undefined &&
  said.passes === undefined;
function asSlid(t: Telling): Telling {
  const { from, to, shown, ...said } = t.told.said;
  const piece = said.pieceMm ?? (shown && "mm" in shown ? shown.mm : undefined);
  const zone = from && to ? { from, to } : { from: { eyeLengths: 1.5 }, to: { landmark: "bend" as const } };
  const own: Told["said"] = { ...said, ...zone, ...(piece !== undefined && { pieceMm: piece }), liesAlong: true };
  return { ...t, told: { ...t.told, kind: "lay", said: own } };
}

export function actListedThread(t: Telling): void {
  const { told, bench } = t;
  const { component } = objectOf(t);
  if (component) bench.thread ??= component.id;
  const { said } = told;
  if (said.everyTieIn && said.wraps !== undefined) bench.wraps = said.wraps;
  bench.bodyOfThread ||= said.isBodyToo === true;
  const isBase =
    said.end !== undefined || said.to !== undefined || said.rule !== undefined || said.passes !== undefined;
  if (windsOverWeight({ ...t, told: { ...told, description: undefined } })) return;
  if (isBase) tellThread(t);
  else if (said.begin !== undefined || said.there !== undefined) bench.hangs = said.begin ?? said.there;
}

function actListedHead(r: Reading, t: Telling): void {
  const { told, bench } = t;
  const { said } = told;
  const thread = bench.component(bench.thread);
  const found = told.description ? bench.resolve(told.description).material : undefined;
  // Another thread than the one on the hook is changed to first.
  if (found?.thread && thread && !thread.material.some((m) => m.value === found.code)) {
    // “Head: red thread”, and below it the steps: it is changed to when they have come so far.
    if (isToldBySteps(r, t.line.number)) {
      bench.second = told.description;
      return;
    }
    const change = verbOf("change");
    change?.tell({ ...t, told: { ...told, said: {}, role: "thread", verb: "change" } });
  }
  // Where no line before has named one, it is the thread of the fly.
  if (found?.thread && !thread)
    bench.thread = objectOf({ ...t, told: { ...told, role: "thread", said: {} } }).component?.id;
  const isLong = said.size !== undefined && said.isLong === true;
  const isTurned = (said.rule ?? said.wraps) !== undefined;
  if (!isTurned && said.from === undefined && said.end === undefined && !isLong) return;
  const wound: Told = { ...told, role: "head", part: "head", description: undefined };
  tellWind({ ...t, told: wound });
}

const tiedInBy = /\btied\s+(?:in|on)\s+by\s/;

/** The back of a little fish is hair that lies on top, tied in at the front: nothing is pulled over. */
const isBackOfHair = ({ part, description, said }: Told): boolean => {
  const form = formSaid(description);
  // “Back: 40 fibres of olive, same length, on top”: what has a length of its own is pulled over nothing.
  const hasLength = (said.shown ?? said.sameLength ?? said.like) !== undefined && said.amount !== undefined;
  const isOfFibres = form === "feather fibre" || form === "herl" || form === "flash";
  return part === "back" && (form === "hair" || (isOfFibres && hasLength)) && said.hanging === undefined;
};

/** “Three strands of herl make the thorax; four wraps”: so many go together, in so many turns. */
function asWound({ amount, wraps, ...said }: Told["said"]): Told["said"] {
  const strands = amount && ("strands" in amount ? amount.strands : "fibres" in amount ? amount.fibres : 1);
  const isBare = said.rule === undefined && said.tieIn === undefined;
  return {
    ...said,
    ...(strands !== undefined && strands > 1 && { rope: said.rope ?? Math.round(strands) }),
    ...(wraps !== undefined && (isBare ? { rule: { turns: wraps } } : { wraps })),
  };
}

const waitsOrHangs = (object: Meant, told: Told): boolean =>
  waitsToBeWound(object.role, object.form) || object.role === "wing case" || told.said.hanging === true;
