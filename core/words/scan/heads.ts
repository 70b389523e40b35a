import { isColour } from "../../materials";
import type { Role } from "../../recipe";
import { type VerbId, verbAt } from "../verbs";
import { PARTS_WITHIN as PARTS, roleOfWord } from "../lexicon/parts";
import type { Told } from "../told";
import { words } from "../parse";

/** What a line, or a part of it, begins with. */
export interface Head {
  role?: Role;
  part?: string;
  /** Told before for this, too. */
  verb?: VerbId;
}

/** “wire, saddle by the tip and chenille”: behind the comma stands one more of a list, and the last of it. */
const goesOnTo =
  /^\s*(?:the\s+|an?\s+|some\s+)?(?:[\p{L}-]+\s+){0,4}?[\p{L}-]+(?:\s+by\s+(?:the|its)\s+(?:tips?|butts?|stem))?,?\s+and\s+(?:then\s+)?(?:the\s+|an?\s+|some\s+)?(?:[\p{L}-]+\s+){0,3}?[\p{L}-]+\s*(?:[.;]|$|at\b)/u;
/** “tie in the wire and a hackle”, “tie in at the bend: chenille, wire and a hackle”. */
const isListOf = (before: string, behind: string): boolean =>
  (/,\s*$/.test(before) && goesOnTo.test(behind)) ||
  /(?:\band|\bplus|&|,)(?:\s+then)\s*$|(?:\band|\bplus|&|\bfollowed\s+by)\s*$/.test(before) ||
  /:\s[^.;:]*,\s*$/.test(before);
const sentenceOfPart = new RegExp(`^\\s*(?:[\\p{L}-]+\\s+){0,2}(${PARTS})\\s*(?:[.;]|$)`, "u");

/**
 * A line that began with a part goes on about it, until it names another; “tie in the wire and a hackle” ties both in.
 */
export function inherited(head: Head, last: Told | undefined, text: string, at: number): Head {
  // “Cheeks: jungle cock. Black head.”: a sentence of its own is about the part that it names.
  const own = /[.;]\s*$/.test(text.slice(0, at)) ? sentenceOfPart.exec(text.slice(at))?.[1] : undefined;
  if (last && own !== undefined) return { role: roleOfWord(own), part: own };
  // “Wind the brown four turns, then the grizzle through it”: both are wound.
  const goesOn = last?.verb === "tie in" || (last?.verb === "wind" && last.description?.isReference);
  const verb = goesOn && last.description && isListOf(text.slice(0, at), text.slice(at)) ? last.verb : undefined;
  return { ...(head.role === undefined || last === undefined ? {} : { role: head.role, part: head.part }), verb };
}

/** “tail: six tippets; body: four turns of floss”: what is told of a part ends where a list goes on with the next. */
export function endOfPart(text: string, at: number, to: number): number {
  for (let i = text.indexOf(";", at); i >= 0 && i < to; i = text.indexOf(";", i + 1))
    if (listedAt(text, i + 1, true)) return i;
  return to;
}

const colonHead = new RegExp(`^\\s*(?:${PARTS})\\s*:\\s`, "u");

const signedHead = new RegExp(`^\\s*(${PARTS}|lead)\\s*(?:[:=]|\\s-\\s)\\s*`, "u");

/** “The body is just the thread, two layers.”: a sentence of a story that names its part. */
const sentenceHead = new RegExp(
  `^\\s*(?:the|my|its)\\s+(${PARTS})\\s+(?:is|are)\\s+(?:(?:just|only|simply|made|of)\\s+)*(?=(?:an?|the|\\d+|two|three|four|five|six)\\s)`,
  "u",
);

const forHead = new RegExp(`^\\s*(?:for|as)\\s+(?:the|a|an|its|your|my)\\s+(${PARTS})\\s*,\\s*`, "u");

const bareHead = new RegExp(`^\\s*(${PARTS})\\s+(?=[\\p{L}\\d#.])`, "u");

/** “…, then a hackle of two turns of partridge”: what the part is of stands behind it. */
const ofHead = new RegExp(
  `^\\s*((?:(?:and|then|plus|with)\\s+)*)(?:an?\\s+|the\\s+|its\\s+)?(${PARTS})\\s+of\\s+(?!(?:the|its|it|that|this|them|same|which|course|each|both|all)\\b)`,
  "u",
);
const madeOf = new Set<Role | undefined>([
  "hackle",
  "collar",
  "rib",
  "body",
  "thorax",
  "tail",
  "wing",
  "throat",
  "butt",
  "tag",
]);
const isJoined = /(?:[,;.:]|\b(?:and|then|plus|with))$/;
function ofHeadAt(before: string, rest: string): { role: Role; part: string; length: number } | undefined {
  const [all = "", joint = "", part = ""] = ofHead.exec(rest) ?? [];
  const role = roleOfWord(part);
  if (role === undefined || !madeOf.has(role) || verbAt(rest.trimStart(), 0)) return undefined;
  return joint !== "" || isJoined.test(before) ? { role, part, length: all.length } : undefined;
}

const shareAlone = /^\s*(?:the\s+)?(?:rear|back|front)\s+(?:half|third|two\s+thirds)(?:\s+of\s+(?:the\s+)?body)?\s*:\s/;

const isDoneWith =
  /^\s*[\p{L}-]+\s+(?:it|the|with|over|in|through|them|this|these|forwards?|back|up|to|by|and|using|from|so|as|evenly|open|counter|five|six|four|seven|\d)\b/u;

const shaded = new RegExp(
  `^\\s*(${PARTS})\\s+(?:(?:dark|light|pale|medium|bright|hot|fine|thin|sparse)\\s+)*([a-z]+)\\s+(?!(?:fib(?:re|er)s?|barbs?|and)\\b)[a-z]`,
  "u",
);
/** “Tail 6 fibres, body yellow floss”: behind a comma or “and” a part stands before the shade of its stuff. */
function barePartAt(before: string, rest: string): { role: Role; part: string; length: number } | undefined {
  if (!/(?:,|\band)$/.test(before)) return undefined;
  const [, part = "", shade = ""] = shaded.exec(rest) ?? [];
  const role = roleOfWord(part);
  if (role === undefined || role === "hook" || !isColour(shade)) return undefined;
  return { role, part, length: rest.length - rest.trimStart().length + part.length + 1 };
}

/** “tail: 6 fibres; body: fur”: behind a semicolon or a stop, a list goes on with its next part. */
export function listedAt(
  text: string,
  at: number,
  inList: boolean,
): (Head & { begin: number; isSentence: boolean }) | undefined {
  const before = text.slice(0, at).trimEnd();
  const rest = text.slice(at);
  const of = ofHeadAt(before, rest);
  if (of) return { role: of.role, part: of.part, begin: at + of.length, isSentence: true };
  const bare = inList ? barePartAt(before, rest) : undefined;
  if (bare) return { role: bare.role, part: bare.part, begin: at + bare.length, isSentence: false };
  // “scud 12, bead: 2.4 mm tungsten, thread: olive”: with a colon a part is one behind a comma as well.
  if (!/[;.]$/.test(before) && !(before.endsWith(",") && colonHead.test(rest))) return undefined;
  if (shareAlone.test(rest)) return { role: "body", part: "body", begin: at, isSentence: false };
  const m =
    signedHead.exec(rest) ??
    sentenceHead.exec(rest) ??
    forHead.exec(rest) ??
    (inList || before.endsWith(";") ? bareHead.exec(rest) : null);
  const part = m?.[1]?.replace(/\s+/g, " ");
  const role = part === undefined ? undefined : roleOfWord(part);
  if (!m || part === undefined || role === undefined || role === "hook") return undefined;
  const isSentence = /^\s*(?:for|as)\s/.test(rest) || sentenceHead.test(rest);
  const verb = isSentence ? undefined : verbAt(rest.trimStart(), 0);
  // “rib fine oval gold” names the rib; “rib it with gold” does it.
  if (verb && (verb.end > part.length || isDoneWith.test(rest))) return undefined;
  return { role, part, begin: at + m[0].length, isSentence };
}

/** “dubbing, ribbed with fine gold wire”: the rib is another part, told in the same breath. */
const ribbedWith = words(
  "(?:(?:and|both)\\s+)?(?:(?:(?:counter|reverse)-?\\s?)?(?:ribbed|segmented|banded)\\s+with|counter(?:ed)?\\s+with(?=\\s+(?:[\\p{L}\\d.]+\\s+){0,4}(?:wire|oval|tinsel|mono)\\b)|(?:reinforced|strengthened|protected|overwound|edged)\\s+(?:with|by)(?=\\s+(?:[\\p{L}\\d.]+\\s+){0,4}(?:wire|oval|tinsel|mono)\\b)|with\\s+a\\s+rib\\s+of|with\\s+(?:an?\\s+)?(?=(?:[\\p{L}-]+\\s+){1,3}rib(?:bing)?(?:\\s*[,.;]|$))|ribbed(?=\\s+(?!by\\b|over\\b|through\\b|in\\b|up\\b|to\\b|from\\b|as\\b|the\\b|it\\b|and\\b)[\\p{L}\\d]))",
);

/** “black floss, palmered with a black cock hackle”: the hackle is another part, over what was just told. */
const palmeredWith = words(
  "(?:and\\s+)?palmered\\s+with(?:\\s+(?:an?|one))?(?=\\s)|(?:and\\s+)?(?:an?|one)\\s+(?=(?:[\\p{L}-]+\\s+){0,3}(?:hackle|saddle|cock|hen)\\s+palmered\\b)",
);

/** “five turns, black cock hackle palmered over the front half”: of which only the name stands ahead. */
const barePalmered = /(?<=,\s+)(?=(?:[\p{L}-]+\s+){1,3}(?:hackle|saddle|cock|hen)\s+palmered\b)/uy;

/** “Orange fur with 3 turns of palmered hackle”. */
const turnsOfHackle = words(
  "(?<!\\bpalmer\\b[^.;,]*)with\\s+(?=(?:\\d+|a|one|two|three|four|five|six|seven)\\s+turns?\\s+of\\s+(?:[\\p{L}-]+\\s+){0,4}?(?:hackle|saddle|cock|hen|partridge|grouse|starling)\\b)",
);
const saysPalmered = /^[^,.;]*\bpalmered\b/;

/** What goes over the part that was just told, of stuff of its own, and where its words begin. */
export function overItAt(
  text: string,
  at: number,
): { end: number; role: "hackle" | "rib"; isPalmered?: boolean } | undefined {
  const palmered = palmeredWith(text, at);
  if (palmered) return { end: palmered.end, role: "hackle", isPalmered: true };
  barePalmered.lastIndex = at;
  if (barePalmered.test(text)) return { end: at, role: "hackle", isPalmered: true };
  const turns = turnsOfHackle(text, at);
  if (turns) return { end: turns.end, role: "hackle", isPalmered: saysPalmered.test(text.slice(turns.end)) };
  const ribbed = ribbedWith(text, at);
  return ribbed && { end: ribbed.end, role: "rib" };
}
