import { type Reader, map, seq, words, match } from "../parse";
import { PARTS_WITHIN as PARTS, roleOfWord } from "../lexicon/parts";
import { type Step, keep, type Here } from "./here";
import type { Next, Told } from "../told";
import type { Role } from "../../recipe";

/** “twice as thick as the body” compares, and makes no body. */
export const asPart: Reader<string> = (text, at) => {
  const before = text.slice(Math.max(0, at - 40), at);
  // “The same oval silver as the tag” compares as well; “the same herl as a thorax” makes one.
  const isLike = /\bsame\s+(?:[\w-]+\s+){1,3}$/.test(before) && /^as\s+(?:the|in|on)\s/.test(text.slice(at));
  const isCompared = isLike || /\bas\s+\w+\s+$|\bsame\s+(?:\w+\s+)?$/.test(before);
  return isCompared ? undefined : asPartRead(text, at);
};

const asPartRead: Reader<string> = map(
  seq(
    words(
      "(?:for|as|to\\s+(?:form|make|build|represent|suggest|give|be)|forms?|makes?|making|forming)(?:\\s+(?:a|an|the|its))?(?:\\s+(?:small|neat|short|long|tidy|slim|full|sparse|the))?",
    ),
    match(
      `(${PARTS}|(?<=\\b(?:for|as)\\s+(?:the|a)\\s+)back(?=\\s*(?:[,.;]|$|and\\b))|(?<=\\b(?:for|as)\\s+an?\\s+)tip(?=\\s*(?:[,.;]|$)))`,
    ),
  ),
  ([, [w]]) => w ?? "",
);

/** “pearl tinsel back folded over”: of what is taken over, the back is a part, and no direction. */
const TAKEN_OVER =
  "back(?=\\s+(?:folded|pulled|stretched|drawn|brought)\\s+(?:forwards?\\s+)?over\\b)|(?<=\\b(?:pull|bring|draw|fold|stretch|lay)\\s+(?:the|your)\\s+)shell(?=\\s+(?:over|forwards?|back|down)\\b)|(?<=\\bover\\s+(?:the\\s+)?)shell(?=\\s*(?:[,.;]|$))";
export const partRead = match(`(?:the\\s+|a\\s+|an\\s+|its\\s+)?(${PARTS}|${TAKEN_OVER})(?!\\s*(?:fibres|wire))`);

export const notThere: Step = (here) => keep(here, withoutPart(here.text, here.at)?.end);

/** “no underbody”: a part that is not there on purpose. */
const withoutPart = words(`(?:no|without(?:\\s+(?:a|any))?)\\s+(?:${PARTS}|underbody|glue|cement)`);

export function partAt({ told, text, at }: Here): Next | undefined {
  const as = asPart(text, at);
  const found = as ? { word: as.value, end: as.end } : plainPart(text, at);
  if (!found) return undefined;
  if (!as && endsAnother(told, text, at, found.end)) return "another";
  const role = roleOfWord(found.word);
  if (role === undefined) return undefined;
  const isOther = told.role !== undefined && told.role !== role;
  const isOnlyMentioned = as
    ? isOfWhatIsDubbed(told, role, text, at)
    : mentionsOnly(told, role, text.slice(Math.max(0, at - 40), at));
  if (!isOnlyMentioned) {
    const isOnThat = !as && isOther && (told.verb === "finish" || told.verb === "glue");
    if (isOnThat) told.alsoOn = [...(told.alsoOn ?? []), role];
    else if (!as && isOther) return undefined;
    // “Tail hackle, wound as a collar”: that says how it is wound.
    else if (told.role === undefined || (as && !isHackleAs(told.role, role)))
      Object.assign(told, { role, part: found.word });
  }
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}

const ofStuff = match(
  "(?:an?\\s+)?((?:(?:front|rear|head|palmered|parachute|sparse|small|short|long|full|fine|open|close|neat)\\s+)*)(hackle|collar|rib|tag|butt)\\s+of(?=\\s+(?!(?:the|it|its|that|this|them|which|about|\\d+|one|two|three|four|five|six|seven|eight)\\b)|\\s+(?:\\d+|one|two|three|four|five|six|seven|eight)\\s+turns?\\s+(?:of\\s+)?(?!the\\b|it\\b))",
);
/** “Wind a hackle of partridge”, “add a rib of gold wire”: a part, and what it is of. */
export const partOfStuff: Step = ({ told, text, at }) => {
  const { verb = "wind" } = told;
  const isOpen = told.description === undefined && (verb === "wind" || verb === "tie in");
  const found = isOpen ? ofStuff(text, at) : undefined;
  const [how = "", part = ""] = found?.value ?? [];
  const role = roleOfWord(part);
  if (!found || role === undefined || (told.role !== undefined && told.role !== role)) return undefined;
  Object.assign(told, { role, part });
  if (/\bparachute\b/.test(how)) told.said.roundPost = true;
  if (/\bpalmered\b/.test(how)) told.said.palmered = true;
  // “Add a rib of gold wire, five turns”: it is wound in the same breath.
  if (told.verb === "tie in" && added.test(text.slice(told.at, at)) && inTurns.test(text.slice(at)))
    Object.assign(told, { verb: "wind", kind: "wind" });
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
};
const added = /^\W*(?:(?:and|then|now|next)\s+)*(?:add|put\s+on|make|form)\b/;
const inTurns = /^[^.;]*\bturns?\b/;

const isHackleAs = (own: Role, as: Role): boolean => own === "hackle" && (as === "collar" || as === "hackle");

/** “picked out underneath for legs”, “olive hare as abdomen”: they are what the body gives, or dubbed as that was. */
function isOfWhatIsDubbed(told: Told, role: Role, text: string, at: number): boolean {
  if (told.role === undefined) return false;
  if (role === "legs" && pickedOut.test(text.slice(told.at, at))) return true;
  return told.kind === "dress" && told.role !== role && /^as\b/.test(text.slice(at));
}

/** A part that is named besides the one that the line is about only says where or for what. */
function mentionsOnly(told: Told, role: Role, before: string): boolean {
  // “six fibres for wing case and legs”: for both.
  if (told.role !== undefined && told.role !== role && forBoth.test(before)) return true;
  // “Dub the thread with fur”: the thread is what it is dubbed on.
  if (told.verb === "dub" && role === "thread") return true;
  const isCover = role === "wing case" && told.role === "rib";
  const isOnGround = isCover || ((told.role === "rib" || told.said.palmered) && (role === "body" || role === "thorax"));
  // “Stick eyes on and give the whole head two coats”
  const isHeadOfEyes = told.kind === "seat" && told.description !== undefined && role === "head";
  // “…, then over the eyes and down behind them”: a place, where the line has its material.
  const isPlace = told.role === undefined && told.description !== undefined && besidePart.test(before.slice(-24));
  return isOnGround || isHeadOfEyes || isPlace;
}

const pickedOut = /\b(?:picked|teased|brushed|combed|pulled)\s+out\b[^,;.]*$/;

const besidePart =
  /\b(?:over|down|along|behind|round|around|under|between|past|in\s+front\s+of|through)\s+(?:the\s+)?$/;

const forBoth = new RegExp(`\\b(?:for|as)\\s+(?:the\\s+|an?\\s+)?(?:${PARTS})\\s+and\\s+(?:the\\s+)?$`, "u");

/** “black thread, pearl rib, floss body”: a part at the end of words of its own, behind a comma, is another. */
function endsAnother(told: Told, text: string, at: number, end: number): boolean {
  if (!told.description || told.role !== undefined || !/^\s*(?:[,;.]|$)/.test(text.slice(end))) return false;
  const own = /,\s*([\p{L}\s-]+)$/u.exec(text.slice(told.description.end, at));
  return own !== null && told.rest.some((r) => r.at >= at - (own[1]?.length ?? 0));
}

export function plainPart(text: string, at: number): { word: string; end: number } | undefined {
  const m = partRead(text, at);
  return m && { word: m.value[0] ?? "", end: m.end };
}
