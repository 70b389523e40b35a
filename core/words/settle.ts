import { isSame } from "../numeric";
import { hookAt, placeAt, type HookModel, type Place } from "../hooks";
import { proportionsOfFamily, stiffBarbs, type Attitude, type LengthRule, type Role } from "../recipe";
import type { Kind, Said } from "./said";
import { sayLength } from "./say/length";
import { sayPlace } from "./say/place";
import { fromOtherEnd } from "./text/place";
import type { StepContext } from "./types";

/** Where a body ends towards the eye where nobody says so, as a fraction of the shank. */
export const USUAL_FRONT = 0.3;
/** Where a thorax begins behind, and what is pulled over it is tied in: it laps over the end of the body. */
export const THORAX_REAR = 0.35;
/** Zones where nobody says one: where the role usually lies, from its front to its rear. */
const usualZones: Partial<Record<Role, [Place, Place]>> = {
  tail: [{ fraction: 0.5 }, { landmark: "bend" }],
  tag: [{ fraction: 0.95 }, { landmark: "bend" }],
  butt: [{ fraction: 0.9 }, { landmark: "bend" }],
  rib: [{ fraction: USUAL_FRONT }, { landmark: "bend" }],
  body: [{ fraction: USUAL_FRONT }, { landmark: "bend" }],
  thorax: [{ eyeLengths: 1.1 }, { fraction: THORAX_REAR }],
  throat: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  wing: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  underwing: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  topping: [{ eyeLengths: 1 }, { eyeLengths: 1.8 }],
  cheeks: [{ eyeLengths: 1 }, { eyeLengths: 1.8 }],
  flash: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  legs: [{ fraction: 0.34 }, { fraction: 0.42 }],
  hackle: [{ eyeLengths: 1.2 }, { eyeLengths: 2 }],
  collar: [{ eyeLengths: 1.2 }, { eyeLengths: 1.2 }],
  "wing case": [{ fraction: 0.2 }, { fraction: THORAX_REAR }],
  weight: [{ fraction: 0.3 }, { fraction: 0.7 }],
  eyes: [{ eyeLengths: 1 }, { eyeLengths: 1 }],
  thread: [{ eyeLengths: 0.5 }, { landmark: "bend" }],
  head: [{ eyeLengths: 0.2 }, { eyeLengths: 1.1 }],
};
const usualAttitudes: Partial<Record<Role, Attitude>> = {
  tail: "back",
  throat: "down",
  wing: "over",
  underwing: "over",
  topping: "over",
  flash: "over",
  cheeks: "over",
  legs: "sides",
  "wing case": "over",
};
/** Lengths of the eye are counted from behind the bead, whatever its size. */
const legsBehindBead: [Place, Place] = [{ eyeLengths: 1.1 }, { eyeLengths: 2 }];
/** A body that nothing lies in front of goes on to the head, or to the bead. */
const bodyAlone: [Place, Place] = [{ eyeLengths: 1.1 }, { landmark: "bend" }];
const bodyToBead: [Place, Place] = [{ eyeLengths: 0.5 }, { landmark: "bend" }];
/** So much of the shank lies between the ends of a part at the least. */
const CLEAR = 0.05;
/** Where a part usually lies. On a fly with a bead legs have their place behind it. */
export function zoneOf(
  role: Role | undefined,
  { hasBead, isBodyAlone, bodyEnds }: Pick<StepContext, "hasBead" | "isBodyAlone" | "bodyEnds"> = {},
): [Place, Place] | undefined {
  const zone = role && usualZones[role];
  if (zone && bodyEnds && (role === "thorax" || role === "wing case"))
    return [alongShank(bodyEnds) > alongShank(zone[0]) + CLEAR ? zone[0] : { eyeLengths: 1.1 }, bodyEnds];
  if (role === "legs" && hasBead) return legsBehindBead;
  if (role === "body" && isBodyAlone) return hasBead ? bodyToBead : bodyAlone;
  return zone;
}
const nominal: HookModel = { id: "nominal", name: "nominal", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };
const anyHook = hookAt(nominal, "12");
/** Where a place lies on any hook, near enough to tell which of two comes first; parts lie where they usually do. */
export function alongShank(place: Place): number {
  // Where a double's two bends part, a hook with one point has its bend.
  if ("landmark" in place && place.landmark === "betweenBends") return alongShank({ ...place, landmark: "bend" });
  if (!("part" in place)) return nearItsMark(place, placeAt(place, anyHook) / anyHook.shank);
  const zone = usualZones[place.part as Role] ?? usualZones.body;
  const [front, rear] = (zone ?? []).map((p) => ("part" in p ? 0.5 : placeAt(p, anyHook) / anyHook.shank));
  const at = place.end === "front" ? front : place.end === "rear" ? rear : ((front ?? 0) + (rear ?? 1)) / 2;
  return at ?? 0.5;
}

/** So many mm from an end of the shank are nearer to that end, however small the hook is that all is laid out on. */
function nearItsMark(place: Place, at: number): number {
  const isInMm = "landmark" in place && place.plus !== undefined && "mm" in place.plus;
  if (!isInMm) return at;
  if (place.landmark === "eye") return Math.min(at, NEAR_THE_EYE);
  return place.landmark === "bend" && at < 1 ? Math.max(at, 1 - NEAR_THE_EYE) : at;
}
const NEAR_THE_EYE = 0.45;

/** About how long an eye is, where a place is said in another measure. */
const EYE_MM = 0.8;
const EYE_IN = { eye: 1, gape: 0.2, shank: 0.1 };
/** A little of the shank in front of a place, or behind it: what a tie-in takes where nobody says how much is bound. */
const beside = (place: Place, eyes: number): Place => {
  if (!("part" in place) && "eyeLengths" in place && place.plus === undefined)
    return { eyeLengths: Number((place.eyeLengths + eyes).toPrecision(12)) };
  const { plus } = place;
  if (plus === undefined) return { ...place, plus: { of: "eye", times: eyes } };
  if ("mm" in plus) return { ...place, plus: { mm: Number((plus.mm + eyes * EYE_MM).toPrecision(12)) } };
  return { ...place, plus: { of: plus.of, times: Number((plus.times + eyes * EYE_IN[plus.of]).toPrecision(12)) } };
};

/**
 * Fills in what is usual where nobody said it: zones by role and by what the recipe told before, where a part points,
 * lengths of the hook's family.
 * @param said changed in place
 * @returns what was taken as usual, in words
 */
export function settle(said: Said, kind: Kind, context: StepContext): string[] {
  const { role, boundIn, family, was } = context;
  const assumed = [
    ...settleZone(said, kind, context),
    ...settleSpot(said, kind, role),
    ...settleAttitude(said, kind, role),
    ...((family ?? said.barbSteps) !== undefined && was === undefined && role
      ? settleLengths(said, kind, { ...context, role, family: family ?? "wet" })
      : []),
  ];
  if (kind === "act" && said.minutes === undefined && said.act !== undefined) {
    said.minutes = 0.2;
    assumed.push("0.2 min");
  }
  if (said.wraps !== undefined && kind !== "whip") {
    const at = kind === "lay" ? (said.tieIn?.at ?? said.to ?? said.from) : said.from;
    said.tieIn = { ...(at && { at }), ...said.tieIn, wraps: said.wraps };
  }
  if (said.tieIn && said.tieIn.at === undefined) {
    const at = kind === "lay" ? (said.to ?? said.from) : (said.from ?? said.at);
    if (at) said.tieIn = { ...said.tieIn, at };
    else delete said.tieIn;
  }
  if (kind === "wind" && said.tiedIn === undefined && boundIn !== undefined) said.tiedIn = boundIn;
  return assumed;
}

const byTheEye = new Set<Role | undefined>(["thread", "weight", "head"]);
/**
 * “To two thirds”, of what comes from behind: so much of the shank is covered. What was tied in well in front goes down
 * from the eye.
 */
function settleShare(said: Said, { role, hangs, tiedInAt }: StepContext): void {
  const { begin, end } = said;
  const from = begin ?? tiedInAt ?? said.tieIn?.at ?? hangs;
  if (!said.endShare || !end || !("fraction" in end) || byTheEye.has(role)) return;
  if (from === undefined || alongShank(from) > end.fraction) said.end = fromOtherEnd(end);
}

function settleZone(said: Said, kind: Kind, context: StepContext): string[] {
  if (kind === "wind" || kind === "dress") settleShare(said, context);
  if (kind === "wind") return settleWinding(said, context);
  if (kind === "lay") return settleLaid(said, context);
  if (kind === "dress") return settleDressed(said, context);
  if (kind === "whip") return settleKnot(said);
  return [];
}

/** In eyes: from where a collar usually stands the knot reaches to where the head begins. */
const KNOT_IN_FRONT = 0.9;
function settleKnot(said: Said): string[] {
  if (said.from !== undefined) return [];
  const [from, to] = usualZones.head as [Place, Place];
  const there = said.there ?? said.begin;
  if (there === undefined || isSame(there, { landmark: "eye" })) {
    Object.assign(said, { from, to });
    return there === undefined ? [`from ${sayPlace(from)} to ${sayPlace(to)}`] : [];
  }
  // In front of a part: as long as the head usually is.
  if ("part" in there && there.end === "front") Object.assign(said, { from: beside(there, -KNOT_IN_FRONT), to: there });
  // Behind the eyes or a part: the knot takes an eye length behind that place.
  else if ("part" in there || alongShank(there) > 0.25) Object.assign(said, { from: there, to: beside(there, 1) });
  else Object.assign(said, { from, to });
  return [];
}

const AT_ITS_END = 0.15;
const BEHIND_IT = 0.4;
function settleWinding(said: Said, context: StepContext): string[] {
  const { role, hangs } = context;
  const tiedInAt = context.tiedInAt ?? said.tieIn?.at;
  if (said.stacked && said.from === undefined && (said.there ?? said.begin)) said.from = said.there ?? said.begin;
  if (said.from !== undefined) {
    if (said.stacked) said.to = said.from;
    // “Wrap the wire over the body”, of what is not tied in at its front.
    const { from, to } = said;
    const isOverPart =
      to !== undefined && "part" in from && "part" in to && from.part === to.part && from.end === "front";
    const isFromBehind =
      role === "rib" || (role === "hackle" && (!tiedInAt || alongShank(tiedInAt) > alongShank(from) + MOVED));
    if (isFromBehind && isOverPart && to.end === "rear" && !from.plus && !to.plus) return set(said, to, from);
    return [];
  }
  const [front, usualRear] = zoneOf(role, context) ?? (usualZones.body as [Place, Place]);
  // Where the thread was taken round the bend, the body begins there.
  const rear = role === "body" && hangs && alongShank(hangs) > 1 ? hangs : usualRear;
  const { begin, end, there } = said;
  // “Body: black chenille, 12 touching turns”, and not from where: so many over all of the body.
  if (role === "body" && said.rule?.turns !== undefined && !begin && !end && !there && !tiedInAt) {
    const { touching: _touching, ...rule } = said.rule;
    said.rule = rule;
  }
  // “12 turns of lead, pushed up to the bead”: so many lie touching, behind what they are pushed up to.
  const isPushedUp = role === "weight" && said.rule?.turns !== undefined && !begin && !there;
  if (isPushedUp && !end && said.pushedForward && context.hasBead) {
    said.rule = { ...said.rule, touching: true };
    said.from = { landmark: "eye" };
    return [];
  }
  if (isPushedUp && end && alongShank(end) < (alongShank(front) + alongShank(rear)) / 2) {
    said.rule = { ...said.rule, touching: true };
    said.from = end;
    return [];
  }
  const where: Winding = { said, context, front, rear, tiedInAt };
  if (begin && end) return set(said, begin, end);
  if (end) return windingTo(where, end);
  const place = begin ?? there;
  return place === undefined ? windingOfNoPlace(where) : windingAt(where, place);
}

/** A winding of which not both ends are said, with the zone that its part usually has. */
interface Winding {
  said: Said;
  context: StepContext;
  front: Place;
  rear: Place;
  /** Where it was tied in, if that is known. */
  tiedInAt: Place | undefined;
}
const endsByTurns = ({ rule }: Said): boolean => rule?.touching === true && rule.turns !== undefined;

/** Only where it ends is said. */
function windingTo({ said, context, front, rear, tiedInAt }: Winding, end: Place): string[] {
  const { role, hangs } = context;
  const { there } = said;
  // A rib that was tied in where it ends is taken back over the body first, and comes forward through what is there.
  const isNear = tiedInAt && Math.abs(alongShank(tiedInAt) - alongShank(end)) < AT_ITS_END;
  // “Tied in behind the bead, bound down round the bend, wound back to the bead”: so far it was taken back.
  const isTakenBack = isNear && there && alongShank(there) - alongShank(end) > BEHIND_IT;
  const isAtItsEnd = role === "rib" && isNear;
  const from =
    (isTakenBack ? there : isAtItsEnd ? rear : tiedInAt) ??
    (there && !isSame(there, end) ? there : undefined) ??
    // A body that is only told how far it goes begins where the thread was left behind it.
    (role === "body" && hangs && alongShank(hangs) - alongShank(end) > BEHIND_IT ? hangs : undefined) ??
    (alongShank(end) <= (alongShank(front) + alongShank(rear)) / 2 || endsBody(context, end, rear) ? rear : front);
  if (isSame(from, end)) return set(said, end, end);
  return tiedInAt || there ? set(said, from, end) : told(set(said, from, end), said);
}

/**
 * “Stops at 70 %”: a body begins behind and is wound forward, also where it ends well behind the middle; silk is run
 * down from the eye, and what ends above the point or the barb is a short body that ends there at its rear.
 */
const endsBody = ({ role, form }: Pick<StepContext, "role" | "form">, end: Place, rear: Place): boolean =>
  role === "body" && form !== "thread" && !isBelow(end) && alongShank(rear) - alongShank(end) > AT_ITS_END;

const isBelow = (place: Place): boolean =>
  "landmark" in place && (place.landmark === "point" || place.landmark === "barb");

/** What begins further behind than this, in shanks, is wound forward. */
const BEHIND_MIDDLE = 0.55;
const staysBehind = new Set<Role | undefined>(["tag", "butt", "tail"]);
/** Which share of touching turns lies in front of the place that is told: all, half, or none of them. */
function forwardOf(said: Said, { role }: StepContext, place: Place): number {
  if (place.plus !== undefined || "part" in place || staysBehind.has(role)) return 0;
  const along = alongShank(place);
  if (said.begin && along <= 1 && (said.way === "forward" || along > BEHIND_MIDDLE)) return 1;
  return isSame(place, { fraction: 0.5 }) ? 0.5 : 0;
}

/** One place is said: there it begins, or there it is. */
function windingAt({ said, context, front, rear, tiedInAt }: Winding, place: Place): string[] {
  const { there } = said;
  if (endsByTurns(said)) {
    const mm = Number(((said.rule?.turns ?? 0) * (context.widthMm ?? 0) * forwardOf(said, context, place)).toFixed(3));
    said.from = mm === 0 ? place : { ...place, plus: { mm: -mm } };
    return [];
  }
  if (there !== undefined && said.rule?.turns !== undefined && context.role !== "weight" && !said.palmered)
    return set(said, there, there);
  if (said.fill && there !== undefined) return told(set(said, there, beside(there, 2)), said);
  if (tiedInAt && !isSame(tiedInAt, place)) return set(said, tiedInAt, place);
  const far =
    Math.abs(alongShank(place) - alongShank(front)) > Math.abs(alongShank(place) - alongShank(rear)) ? front : rear;
  return told(set(said, place, isSame(far, place) ? (isSame(far, front) ? rear : front) : far), said);
}

/** No place is said: from where it was tied in, to where the thread hangs, or over what its part usually has. */
function windingOfNoPlace({ said, context, front, rear, tiedInAt }: Winding): string[] {
  const { role, hangs } = context;
  const isHackle = role === "hackle" || role === "collar";
  const hasMoved =
    hangs && tiedInAt && !isSame(tiedInAt, hangs) && Math.abs(alongShank(tiedInAt) - alongShank(hangs)) > MOVED;
  if (hasMoved) return told(set(said, tiedInAt, hangs), said);
  if (tiedInAt && !endsByTurns(said)) {
    // The thread has not moved: over the part of the shank that its role has, from where it is tied in.
    if (isHackle && !said.palmered) return set(said, tiedInAt, tiedInAt);
    return told(set(said, tiedInAt, nearer(tiedInAt, rear, front)), said);
  }
  if (said.palmered && said.rule?.turns !== undefined)
    return told(set(said, { fraction: 0.3 }, { landmark: "bend" }), said);
  if (isHackle && hangs && alongShank(hangs) < AT_THE_FRONT) return told(set(said, hangs, hangs), said);
  said.from = front;
  if (!endsByTurns(said)) said.to = rear;
  return [endsByTurns(said) ? `from ${sayPlace(front)}` : `from ${sayPlace(front)} to ${sayPlace(rear)}`];
}
/** So far apart, in shanks, the thread has moved on. */
const MOVED = 0.02;
/** Nearer the eye than this, in shanks, a hackle is wound where the thread hangs. */
const AT_THE_FRONT = 0.35;
/** Of the two ends of a zone the one that a winding from a place runs to: the other one. */
const nearer = (place: Place, rear: Place, front: Place): Place =>
  Math.abs(alongShank(place) - alongShank(rear)) <= Math.abs(alongShank(place) - alongShank(front)) ? front : rear;

function set(said: Said, from: Place, to: Place): string[] {
  Object.assign(said, { from, to });
  return [];
}
const told = (_: string[], said: Said): string[] =>
  [
    said.from && said.to
      ? isSame(said.from, said.to)
        ? `at ${sayPlace(said.from)}`
        : `from ${sayPlace(said.from)} to ${sayPlace(said.to)}`
      : "",
  ].filter(Boolean);

/** How long a ball of dubbing is on the shank, in gapes. */
const BALL_GAPES = 0.3;
/** A collar that is dubbed is wider than one that is wound at a spot. */
const dubbedCollar: [Place, Place] = [{ eyeLengths: 1 }, { eyeLengths: 2 }];

function settleDressed(said: Said, context: StepContext): string[] {
  const { role, hangs } = context;
  if (said.from !== undefined) return [];
  const [front, rear] =
    (role === "collar" ? dubbedCollar : zoneOf(role, context)) ?? (usualZones.body as [Place, Place]);
  const { begin, end, there } = said;
  if (begin && end) return set(said, begin, end);
  const begins = begin ?? (hangs && alongShank(hangs) > alongShank(front) + 0.03 ? hangs : undefined);
  if (end) {
    const usual = endsBody({ role }, end, rear) ? rear : nearer(end, front, rear);
    const from = begins && Math.abs(alongShank(begins) - alongShank(end)) > 0.03 ? begins : usual;
    return begin ? set(said, from, end) : told(set(said, from, end), said);
  }
  // A ball that is no part of its own, and no place is said for, stands where the thread hangs or at the bend.
  const isBall = said.shape === "ball" && (role === undefined || role === "body" || role === "butt") && !end;
  const spot = there ?? begin ?? (isBall ? (hangs ?? { landmark: "bend" }) : undefined);
  if (said.shape === "ball" && spot && spot.plus === undefined) {
    // A ball at a place is about as long there as it is thick.
    const front: Place = { ...spot, plus: { of: "gape", times: -BALL_GAPES } };
    return told(set(said, front, spot), said);
  }
  // Behind the front of its zone the thread is going forward.
  const goesOn = hangs && alongShank(hangs) > alongShank(front) + 0.1;
  const usualSpot = inFewTurns.has(role) && !begin ? (goesOn ? hangs : front) : undefined;
  const spotOfFew = there ?? usualSpot;
  const few = spotOfFew && role !== "head" ? turnsThere(said, spotOfFew, !there && goesOn) : undefined;
  if (few) return few;
  if (there) {
    // “just in front of the body”: from there to the front of the part's own zone.
    // What begins in front of a part goes on to the eye, wherever that part stands.
    const isInFront = "part" in there && there.end === "front" && there.part !== "body";
    const ahead: Place = isInFront && alongShank(there) <= alongShank(front) + 0.03 ? { eyeLengths: 1.1 } : front;
    const far = isInFront || alongShank(there) > alongShank(front) + 0.03 ? ahead : rear;
    return told(set(said, far === ahead ? ahead : there, far === ahead ? there : rear), said);
  }
  if (begins && alongShank(begins) > alongShank(front) + 0.1) return told(set(said, front, begins), said);
  set(said, front, rear);
  return [`from ${sayPlace(front)} to ${sayPlace(rear)}`];
}

/** More turns than so many are a body, of which the place says where it begins. */
export const MOST_TURNS_THERE = 4;
/** How much of the shank a turn of dubbed thread covers, in gapes: nominal; docs/arithmetic.md, "Dress". */
const turnGapes = { sparse: 0.14, medium: 0.2, full: 0.28 } as const;
/** A gape of the usual sizes, mm: where the place itself is told in mm, so are the turns. */
const USUAL_GAPE_MM = 5;
/** “Two turns of it behind the bead”: as far as so many turns go, behind the place or in front of it. */
function turnsThere(said: Said, there: Place, goesOn = false): string[] | undefined {
  const turns = said.dubbedTurns ?? Infinity;
  const isMiddle = "part" in there && there.end !== "front" && there.end !== "rear";
  if (turns > MOST_TURNS_THERE || isMiddle || (there.plus && !("mm" in there.plus))) return undefined;
  const isAhead = goesOn || ("part" in there ? there.end === "front" : alongShank(there) > MIDDLE);
  const gapes = Number((turns * turnGapes[said.thickness ?? "medium"]).toFixed(2));
  const sign = isAhead ? -1 : 1;
  const plus: Place["plus"] =
    there.plus && "mm" in there.plus
      ? { mm: Number((there.plus.mm + sign * gapes * USUAL_GAPE_MM).toFixed(2)) }
      : { of: "gape", times: sign * gapes };
  const far: Place = { ...there, plus };
  set(said, isAhead ? far : there, isAhead ? there : far);
  return [`${turns} ${turns === 1 ? "turn" : "turns"} of it, about ${sayLength({ of: "gape", times: gapes })}`];
}
const MIDDLE = 0.5;
/** Of these a turn or two may be all there is, though nobody says where: they begin where such a part does. */
const inFewTurns = new Set<Role | undefined>(["thorax", "throat", "collar"]);

/** Wings that stand, and posts, have room for the hackle in front of them: they stand where the body ends. */
const standingWing: [Place, Place] = [{ fraction: 0.22 }, { fraction: USUAL_FRONT }];
const SHANK_END = 0.95;
function settleLaid(said: Said, context: StepContext): string[] {
  const { role, form, hangs } = context;
  if (said.from !== undefined) {
    if (said.to !== undefined) return [];
  }
  // “Legs along the body”: spread over all of it, not bound in at one place.
  if (role === "legs" && said.laid && !said.tieIn?.at && !said.there) {
    const { from, to } = said.laid;
    delete said.laid;
    return set(said, from, to);
  }
  const zone = zoneOf(role, context);
  const place = said.tieIn?.at ?? said.there ?? said.begin ?? said.end;
  const there = place ?? hangs;
  if (there === undefined) {
    if (!zone) return [];
    // What is laid takes some of the shank, also where what is wound stands at a spot.
    const stands = role === "wing" && said.attitude === "up";
    const [from, to] = stands ? standingWing : isSame(zone[0], zone[1]) ? [zone[0], beside(zone[0], 1)] : zone;
    Object.assign(said, { from, to });
    return [`from ${sayPlace(from)} to ${sayPlace(to)}`];
  }
  const assumed = place === undefined ? [`at ${sayPlace(there)}`] : [];
  if (place === undefined || said.there !== undefined || said.begin !== undefined || said.end !== undefined)
    said.tieIn = { at: there, ...said.tieIn };
  if (said.laid) {
    Object.assign(said, { from: said.laid.from, to: there });
    delete said.laid;
    return assumed;
  }
  // A tail's butts are bound along the shank, but whole feathers by their quills alone; what points back elsewhere
  // takes a little in front of its tie-in.
  const pointsBack =
    (said.attitude ?? (role && usualAttitudes[role]) ?? "back") === "back" || said.countedWhenWound || said.hanging;
  const isByQuills = form === "hackle" && said.amount !== undefined && "feathers" in said.amount;
  if (role === "tail" && !isByQuills && zone && alongShank(there) > alongShank(zone[0]) + 0.1)
    Object.assign(said, { from: zone[0], to: there });
  // Behind the end of the shank nothing can be bound.
  else if (alongShank(there) < 0.12 || (!pointsBack && ("part" in there || alongShank(there) < SHANK_END)))
    Object.assign(said, { from: there, to: beside(there, 1) });
  else Object.assign(said, { from: beside(there, -1), to: there });
  return assumed;
}

function settleSpot(said: Said, kind: Kind, role: Role | undefined): string[] {
  if (kind === "seat" && said.from === undefined) {
    const there = said.there ?? said.begin ?? said.end ?? said.tieIn?.at;
    said.from = there ?? (role === "eyes" ? { eyeLengths: 1 } : { landmark: "eye" });
    return there ? [] : [`at ${sayPlace(said.from)}`];
  }
  if (kind === "glue" && said.at === undefined) {
    const there = said.there ?? said.begin ?? said.end;
    said.at = there ?? said.from ?? { fraction: 0.5 };
    return there || said.from ? [] : ["at mid-shank"];
  }
  if (kind === "act" && said.at === undefined && said.there !== undefined) said.at = said.there;
  return [];
}

function settleAttitude(said: Said, kind: Kind, role: Role | undefined): string[] {
  const attitude = role && usualAttitudes[role];
  if (kind !== "lay" || said.attitude !== undefined || said.shown === undefined || !attitude) return [];
  said.attitude = attitude;
  return [`pointing ${attitude === "over" ? "over the back" : attitude}`];
}

/** What is usual on this family of hooks, for a new step that says no length of its own. */
/** With more turns it is no soft collar, whatever it is called. */
const MOST_SOFT_TURNS = 3;
const spunParts = new Set<Role>(["body", "thorax", "collar"]);
/** Hair that flares round the shank before it is trimmed. */
const SPUN_HAIR: LengthRule = { of: "gape", times: 1.5 };
function settleLengths(
  said: Said,
  kind: Kind,
  { role, form, family, isSoft }: StepContext & { role: Role; family: string },
): string[] {
  const usual = proportionsOfFamily(family);
  const isSpun = form === "hair" && (role === "head" || (spunParts.has(role) && said.stance === "full round"));
  // Cheeks that are no whole feathers may be pulled over, and are as long as they have to be.
  const isPulled = role === "cheeks" && form !== "hackle";
  const length: LengthRule | undefined = isSpun ? SPUN_HAIR : isPulled ? undefined : usual.shown[role];
  const isOpen =
    said.shown === undefined &&
    said.hanging === undefined &&
    said.countedWhenWound === undefined &&
    said.tiedIn === undefined;
  if (kind === "lay" && isOpen && length) {
    said.shown = length;
    said.attitude ??= usualAttitudes[role];
    return [`${sayLength(length)}, as on a ${family} hook`];
  }
  if (kind === "wind" && form === "hackle" && said.barb === undefined) {
    // “Hackle: brown partridge, 2 turns”: a soft collar, by another name.
    const isSparse = said.palmered !== true && (said.rule?.turns ?? MOST_SOFT_TURNS) <= MOST_SOFT_TURNS;
    // What is palmered is no collar, whatever it is called.
    const isCollar =
      said.palmered !== true && (role === "collar" || (role === "hackle" && isSoft === true && isSparse));
    const barb = role === "collar" && isSoft === false ? stiffBarbs : isCollar ? usual.collar : usual.hackle;
    const steps = said.barbSteps ?? 0;
    said.barb = steps === 0 ? barb : [sizesOn(barb[0], steps), sizesOn(barb[1], steps)];
    return [
      `barbs as on a ${family} hook${steps === 0 ? "" : ` ${Math.abs(steps)} size ${steps > 0 ? "larger" : "smaller"}`}`,
    ];
  }
  return [];
}

/** From one size to the next a hook is about so much larger: the gapes of the nominal table, 16 to 8. */
const A_SIZE = 1.17;
/** The same length on a hook so many sizes larger. */
const sizesOn = (rule: LengthRule, steps: number): LengthRule =>
  "of" in rule ? { ...rule, times: Number((rule.times * A_SIZE ** steps).toPrecision(3)) } : rule;
