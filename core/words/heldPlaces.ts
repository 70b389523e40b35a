import type { Role } from "../recipe";
import { roleOfWord } from "./lexicon/parts";
import type { Reading, RecipeLine } from "./reading";
import { askUnheld, isOwnWords, knownWords, stepsOf } from "./unheld";

/**
 * A place at the bend or within it, or a share of the shank, that was read, and to which nothing of the line goes in
 * the end: it is asked about, as a figure is. A part that ends there, a length that reaches there and a share of the
 * shank close to it hold the bend.
 */
export function askLostPlaces({ bench, out }: Pick<Reading, "bench" | "out">): void {
  for (const line of out) {
    // Where something else is asked, its answer may take the place up.
    if (line.kind !== "steps" || line.steps.length === 0 || line.asks.length > 0 || isOwnWords(line)) continue;
    const said = placesSaid(line);
    const shares = sharesSaid(line);
    const parts = partsSaid(line);
    const ends = endsSaid(line);
    const sides = sidesSaid(line);
    if (said.length + shares.length + parts.length + ends.length + sides.length === 0) continue;
    const near = stepsOf(line, bench);
    // What is wound or dubbed goes all round.
    if (line.steps.every((id) => goesRound(bench, id)) && !isOnBoth(bench, line))
      for (const { at, end } of sides) askUnheld(line, at, end, { at: [at, end], kind: "known" });
    // “Four fibres at each end” are two bunches, and a step each.
    if (line.steps.length < 2)
      for (const { at, end } of ends) askUnheld(line, at, end, { at: [at, end], kind: "known" });
    if (line.steps.some((id) => isPlaced(bench, id)))
      for (const s of parts) if (!goesBy(near, s.means, bench)) askUnheld(line, s.at, s.end, s.mark);
    const held = placesIn(near);
    for (const s of said) if (!held.has(s.means)) askUnheld(line, s.at, s.end, s.mark);
    const numbers = numbersIn(near);
    const isAsked = ({ at, end }: { at: number; end: number }): boolean =>
      line.asks.some((a) => a.at[0] < end && a.at[1] > at);
    for (const s of shares) if (!isSharedBy(numbers, s.means) && !isAsked(s)) askUnheld(line, s.at, s.end, s.mark);
  }
}

const INTO = /(?<!\p{L})(?:well\s+|half-?\s?way\s+|deep\s+)?(?:into|round|around|down|in)\s+the\s+bend(?!\s+of\b)/giu;
const BEND =
  /(?<!\p{L})(?<!(?:into|round|around|down|in|between)\s+the\s+|way\s+(?:back\s+|down\s+)?(?:to|towards?)\s+(?:the\s+)?)(?:the|hook)\s+bend(?!s|\s+and\b|\p{L})/giu;

/** “two thirds of the shank, no, make that half”: what is taken back need not be held. */
const TAKEN_BACK = /^[\s,.;:–-]*(?:no|nope|sorry|oops|wait|scratch\s+that|(?:or\s+)?rather|make\s+(?:it|that))\b/i;
const isTakenBack = (m: RegExpExecArray): boolean => TAKEN_BACK.test(m.input.slice(m.index + m[0].length));

const placesSaid = (line: RecipeLine) => [
  ...knownWords(line, INTO, (m) => (isTakenBack(m) ? undefined : "intoBend")),
  ...knownWords(line, BEND, (m) => (isTakenBack(m) ? undefined : "bend")),
];

const EACH_END =
  /(?<!\p{L}|\[[^\]]*)(?<!\b(?:taper\w*|thin\w*|slim\w*|narrow\w*|bare|tied|bound|lashed|down|off|wraps?|turns?|glued?|fixed|locked|secured)\s+(?:in\s+|down\s+|off\s+)?)at\s+(?:each|both|either)\s+ends?(?!\p{L})/giu;
const endsSaid = ({ text }: RecipeLine): { at: number; end: number }[] =>
  text.includes("end") ? [...text.matchAll(EACH_END)].map((m) => ({ at: m.index, end: m.index + m[0].length })) : [];

const EACH_SIDE =
  /(?<!\p{L}|\[[^\]]*|\b(?:trim\w*|clip\w*|cut|brush\w*|comb\w*|pick\w*|flat\w*|taper\w*|glue\w*|turns?|wraps?)\s+(?:out\s+|in\s+)?)(?:on\s+)?(?:each|either|both)\s+sides?(?:\s+of\s+(?:it|that|the\s+\p{L}+))?(?!\p{L})/giu;
const sidesSaid = ({ text }: RecipeLine): { at: number; end: number }[] =>
  text.includes("side") ? [...text.matchAll(EACH_SIDE)].map((m) => ({ at: m.index, end: m.index + m[0].length })) : [];
/** “2 turns of herl either side of the post”: behind it and in front of it, a step each. */
function isOnBoth({ made }: Reading["bench"], { steps }: RecipeLine): boolean {
  const of = made.flatMap(({ step }) => (steps.includes(step.id) ? (step.component ?? []) : []));
  return new Set(of).size < of.length;
}
/** A winding, or dubbing that does not lie on both sides of a part. */
const goesRound = (bench: Reading["bench"], id: string): boolean =>
  bench.made.some(
    ({ step }) =>
      step.id === id &&
      (step.do === "wind" ||
        (step.do === "dress" &&
          !(step.to && "part" in step.from && "part" in step.to && step.from.part === step.to.part))),
  );

const SHARE_OF_SHANK =
  /(?<!\p{L})(?<!\b(?:forwards?|back|on|further|up|down)\s+(?:by\s+)?(?:about\s+)?)(?:(a|one|two|three)\s+(third|quarter)s?\s+(?:of\s+|along\s+)(?:the\s+)?(?:hook\s+)?shank|mid-?shank|(?:the\s+)?middle\s+of\s+the\s+(?:hook\s+)?shank)(?!\p{L})/giu;
const PARTS: Record<string, number> = { third: 3, quarter: 4 };
const TIMES: Record<string, number> = { two: 2, three: 3 };
const sharesSaid = (line: RecipeLine) =>
  knownWords(line, SHARE_OF_SHANK, (m) => {
    const [, many = "", part = ""] = m;
    if (isTakenBack(m)) return undefined;
    return part === "" ? 0.5 : (TIMES[many.toLowerCase()] ?? 1) / (PARTS[part.toLowerCase()] ?? 1);
  });
/** The share itself, what it leaves, or half of it on either side. */
const isSharedBy = (numbers: readonly number[], share: number): boolean =>
  numbers.some((n) => [share, 1 - share].some((s) => Math.abs(n - s) < ROUNDED));
const ROUNDED = 0.01;
function numbersIn(of: unknown, found: number[] = []): number[] {
  if (typeof of === "number") found.push(of);
  else if (typeof of === "object" && of !== null) for (const more of Object.values(of)) numbersIn(more, found);
  return found;
}

/** So far along the shank a share of it is as good as the bend. */
const AT_THE_BEND = 0.8;
function placesIn(of: unknown, found = new Set<string>()): Set<string> {
  if (of === "bend" || of === "intoBend") found.add(of);
  if (typeof of !== "object" || of === null) return found;
  const { landmark, fraction } = of as { landmark?: unknown; fraction?: unknown };
  if (typeof fraction === "number" && fraction >= AT_THE_BEND) found.add("bend");
  // What lies in the bend passes it, and the barb and the point stand beside it.
  if (landmark === "intoBend" || landmark === "barb" || landmark === "point" || landmark === "betweenBends")
    found.add("bend");
  for (const more of Object.values(of)) placesIn(more, found);
  return found;
}

/** Parts beside which something goes, and what else says the same where the part has its usual place. */
const beside: Partial<Record<Role, (place: Record<string, unknown>) => boolean>> = {
  bead: isByTheEye,
  collar: isByTheEye,
  hackle: isByTheEye,
  eyes: isByTheEye,
  wing: (place) => isByTheEye(place) || "round" in place,
  tail: (place) => placesIn(place).size > 0,
};
function isByTheEye({ landmark, eyeLengths }: Record<string, unknown>): boolean {
  return landmark === "eye" || eyeLengths !== undefined;
}

/** “0.4 gape behind the bead” is how full it is there. */
const besidePart = new RegExp(
  `(?<!\\p{L})(?<!\\b(?:gapes?|gaps?|thin|thick|fat|full)\\s+)(?:(?:just|right|close)\\s+)?(?:behind|in\\s+front\\s+of|ahead\\s+of|past|beyond)\\s+(?:the|its)\\s+(${Object.keys(beside).join("|")}|post)(?!\\p{L}|\\s+\\p{L}*(?:case|fibres?|feathers?)\\b)`,
  "giu",
);
/** “Finish behind the collar”: the part that a place is beside. */
const partsSaid = (line: RecipeLine) =>
  knownWords(line, besidePart, (m) => (isTakenBack(m) ? undefined : roleOfWord((m[1] ?? "").toLowerCase())));

/** Whether a step has a place at all: an act has none, and loses none. */
const isPlaced = (bench: Reading["bench"], id: string): boolean =>
  bench.made.some(({ step }) => step.id === id && step.do !== "act");

/** Whether something there goes by the part, by one that is called alike, or by where such a part usually is. */
function goesBy(of: unknown, role: Role, bench: Reading["bench"]): boolean {
  if (typeof of !== "object" || of === null) return false;
  const place = of as Record<string, unknown>;
  const named = typeof place.part === "string" ? place.part : undefined;
  if (named !== undefined && (named === role || alike(role).includes(bench.component(named)?.role))) return true;
  if (place.reach === role || place.of === role) return true;
  return beside[role]?.(place) === true || Object.values(of).some((more) => goesBy(more, role, bench));
}
const hackles: readonly (Role | undefined)[] = ["hackle", "collar"];
const alike = (role: Role): readonly (Role | undefined)[] => (hackles.includes(role) ? hackles : [role]);
