import type { Role } from "../recipe";
import { isColour } from "../materials";
import { nounMeans } from "./description";
import { modifiers } from "./lexicon/nouns";
import { PARTS, roleOfWord } from "./lexicon/parts";
import { remembered } from "./remembered";
import { verbAt } from "./verbs";

/** How a line begins: what counts it, and the part that it is about. */
export interface LineHead {
  /** Where its own words begin. */
  begin: number;
  role?: Role;
  part?: string;
  /** Stretch of the part's name. */
  named?: [number, number];
  /** Words ahead of it that say how it is: “Forked tail:”. */
  ahead?: [number, number];
  /** Another part that is of the same: “body and thorax: hare”. */
  also?: { role: Role; part: string };
  /** Another part that is named with it, and must be told by itself. */
  other?: [number, number];
  /** “Tail (optional):”. */
  isOptional?: boolean;
  /** Begun with the name of a part, as in a list. */
  isListed: boolean;
}

/** “1st: …” */
export const ordinal = /^\s*(?:1st|2nd|3rd|[4-9]th|1\dth)\s*[:.)-]\s+/;
export const numbering =
  /^\s*(?:(?:1st|2nd|3rd|[4-9]th|1\dth)\s*[:.)-]\s+|step\s+\d{1,2}\s*[:.)-]?\s+|(?:step\s+)?\(?\d{1,2}[.)/]\s+|\d{1,2}\s+[-–]\s+(?=[a-z])|[-*•–]\s+|[a-z]\)\s+|>\s+|#\s*\d{1,2}[.:]\s+)/;
const lead =
  "(?:(?:and|then|next|now|first|firstly|second|secondly|third|lastly|finally)\\s+)?(?:for\\s+|as\\s+)?(?:the\\s+|a\\s+|an\\s+|your\\s+|my\\s+|our\\s+|today's\\s+)?";
/** “For the wing case tie in a strip”: the part comes first, and then what is done for it. */
const forVerb = new RegExp(
  `^(?:(?:and|then|next|now)\\s+)?for\\s+(?:the|a|an|your|my)\\s+(${PARTS})\\s+(?=(?:i|we|you|tie|use|take|bind|wind|wrap|dub|add|catch|cut|put|set|lay|select|stack|clean|measure|pick|choose|strip|spin|make|pair|match)\\b)`,
  "u",
);
/** “Wing, bottom:”, “wing (top) -”: which of several it is. */
const WHICH = "(?:,?\\s*(?:bottom|middle|top|lower|upper|first|second|third|inner|outer)(?=\\s*[:=-]))?";
const sign = new RegExp(
  `^(${lead})(${PARTS})${WHICH}(?:\\s*(?:no\\.?\\s*|#)?[1-9](?=\\s*(?:[:=]|-\\s)))?\\s*(\\((?:optional|[^)]{0,40})\\))?\\s*(?:[:=]|-(?=\\s)|,(?=\\s)|'s(?=\\s+(?:an?|the|some|made|of|just)\\s)|\\bis\\b|\\bare\\b|\\bof\\b|\\bconsists\\s+of\\b)\\s*`,
  "u",
);
const bare = new RegExp(
  `^(${PARTS})(?<!^lead(?=[\\s-](?:free|eyes|dumb)))\\s+(?!of\\b|with\\b|over\\b|through\\b|and\\b|in\\b(?!\\s+(?:front\\s+of\\s+the|the\\s+(?:front|rear))\\b[^,]*,)|is\\b|are\\b|back\\b|forward\\b|fibres\\b|on\\s*[,.;]|down\\b|up\\b|it\\b|them\\b|this\\b|the\\b)(?=[\\p{L}\\d#.])`,
  "u",
);
const longestPart = new RegExp(`^(?:${PARTS})(?![\\p{L}\\p{N}])`, "u");
const forPart = /^(?:for|as)\s/;

/** Parts by a letter or two, as on a note at the bench: “t: 6 fibres”. */
const shorthand: Record<string, string> = {
  t: "tail",
  r: "rib",
  a: "abdomen",
  b: "body",
  th: "thorax",
  l: "legs",
  h: "hackle",
  w: "wing",
};
/** “h: 8 nymph 2xl”, “h: wet 12” is the hook, no hackle. */
const hookAhead =
  /^(?:#?\d{1,2}(?:\/0)?(?:\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?[\s,]+(?:[\w-]+\s+){0,2}(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|salmon|long|short|[1-6]x[ls]?)\b|(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)\b[^,;]*\d)/;
const threadAhead = /^(?:[a-z]+\s+){0,3}(?:\d{2,3}(?:\s*d(?:en(?:ier)?)?)?|\d{1,2}\/0)\s*$/;
/** “th orange 50d”. */
const bareThread = /^th\s(?:[a-z]+\s+){0,3}\d{2,3}\s*d(?:en)?\.?\s*$/;
const shorthandSign = /^([a-z]{1,2})\s*(?:[:=]|-(?=\s))\s*/;

/** A line of a card: “white 210 denier”, “4/0 long shank”. */
const threadAlone =
  /^\s*(?:(?!threads?\b|silk\b)(?:[a-z]+\s+){0,3}\d{2,3}\s*den(?:ier)?|(?!(?:sizes?|hooks?|no)\b)(?:[a-z]+\s+){1,2}\d{1,2}\/0|\d{1,2}\/0\s+(?!long|short|[1-6]x)[a-z]+|\d{2,3}\s*den(?:ier)?\.?\s+[a-z]+|(?:[5-9]\d|[12]\d\d)\s+(?:olive|black|white|brown|red|tan|grey|gray|orange|yellow|green|claret|pink|purple|rust)|(?:olive|black|white|brown|red|tan|grey|gray|orange|yellow|green|claret|pink|purple|rust)\s+(?:50|70|100|140|210))\s*\.?\s*$/;
const hookAlone =
  /^\s*#?\d{1,2}(?:\/0)?(?:\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?[\s,]+(?:(?:long|short|standard|[1-6]x)[\s-]*)+(?:shank|long|short)\s*$|^\s*(?:sizes?\s+|#)?\d{1,2}(?:\/0)?[\s,]+(?:(?:extra\s+)?(?:light|fine|medium|heavy|strong|standard)\s+wire)\s*$|^\s*sizes?\s+\d{1,2}(?:\/0)?(?:\s*(?:-|to|and|&|,)\s*\d{1,2}(?:\/0)?)*\s*$/;

const weightedWith = /^(?:weighted|weight(?:\s+(?:it|the\s+(?:[\w-]+\s+){0,2}?(?:hook|shank|fly)))?)\s+with\s+/;
/** “Top it off with six herls”: they are its topping. */
const toppedWith = /^(?:and\s+|then\s+)*top(?:\s+(?:it|this|that|them|the\s+wing))?(?:\s+off)?\s+with\s+/;
/** “Rear half of the body: tinsel”: the share stays to be read. */
const shareOfBody =
  /^(?:the\s+)?(?:rear|back|front|first|last)\s+(?:half|third|quarter|two\s+thirds|part)(?:(?:\s+of\s+(?:the\s+)?body)?\s*:\s|\s+of\s+(?:the\s+)?body\s+(?!with\b|is\b|in\b|and\b|to\b))/;
/** “Red throat, a pinch of wool”: the colour stays to be read with what it is of. */
const colouredPart = /^([a-z]+)\s+(tail|tag|throat|butt|body|thorax|wings?|shellback)\s*(?:[,:]|of)\s/;
const ofABead =
  /^\d[\d.,]*\s*mm\b|\b\d[.,]\d\b|\b(?:beads?|tungsten|brass|slotted|gold|copper|silver|nickel|glass|cone)\b/;
/** “bd: flat gold tinsel”: no bead is of that. */
const wound = /\b(?:tinsel|floss|wool|fur|dubbing|herl|chenille|yarn|wire|quill|braid|silk|thread)\b/;
const coatsBehind =
  /^(?:(?:\d|an?|one|two|three|thin|clear|light)\s+)*(?:coats?|layers?)\b|^(?:uv|resin|varnish|epoxy|lacquer)\b/;

const counting = /^(?:\d|½|(?:an?|one|two|three|four|five|six|eight|ten|twelve|half)\s)/;
/** “wing, to the bend, …”, “tail, split, …”: where or how it lies, ahead of what it is of. */
const placedOrLong =
  /^(?:slips?|clump|bunch|tied\s+in|barbs|undersized|oversized|upright|spent|split|twice|half\s+(?:as|the)|equal\s+to|twisted|palmered|parachute|mixed|rolled|paired|low|flat|fibres|picked\s+out|combed\s+out|brushed\s+out|as\s+long\s+as|to\s+the|on\s+(?:each|both|either|the|top)|at\s+the|behind\s+the|in\s+front\s+of|from\s+the)\b/;
/** “tag, 4 turns of oval silver”, “wing, mallard quill”: behind the comma stands how much, of what, or where. */
const saysOfWhat = (behind: string): boolean =>
  counting.test(behind) ||
  placedOrLong.test(behind) ||
  (!verbAt(behind, 0) && (isColour(/^[a-z]+/.exec(behind)?.[0] ?? "") || isStuffAlone(behind.split(/[,;.]/)[0] ?? "")));
/** “wing, mallard quill, …”, “hackle, grizzly, …” */
function isStuffAlone(words: string): boolean {
  const all = words.trim().split(/\s+/);
  const last = all.at(-1) ?? "";
  return (
    all.length <= 4 &&
    all.every((w) => /^[a-z'-]+$/.test(w)) &&
    (isNoun(last) || isNoun(all.slice(-2).join(" ")) || isKind(all))
  );
}
const isNoun = (words: string): boolean => nounMeans(words) !== undefined;
const isKind = (all: readonly string[]): boolean => all.every((w) => modifiers.has(w) || isColour(w));

/**
 * How a line begins.
 *
 * @param text one line in small letters with plain signs
 */
export const headOf: (text: string) => Readonly<LineHead> = remembered(headIn);
function headIn(text: string): LineHead {
  // A line may be set in, and a number that only counts it is blanked out.
  const counted = numbering.exec(text)?.[0].length ?? text.length - text.trimStart().length;
  const rest = text.slice(counted);
  for (const read of heads) {
    const head = read(rest, counted);
    if (head) return narrowed(head, text);
  }
  return bareHead(rest, counted) ?? { begin: counted, isListed: false };
}

const kindOfHackle = /^(?:an?\s+)?(?:(false|throat|beard(?:ed)?)|collar)(?:\s+hackle)?(?:\s+of\s+|\s*[,:]\s*)(?=\S)/;
/** “Hackle: false, black hen fibres”, “Hackle: collar of marabou”: which kind of it is meant. */
function narrowed(head: LineHead, text: string): LineHead {
  const kind = head.role === "hackle" ? kindOfHackle.exec(text.slice(head.begin)) : null;
  if (!kind || !head.named) return head;
  const role = kind[1] === undefined ? "collar" : "throat";
  const begin = head.begin + kind[0].length;
  return { ...head, role, part: role, begin, named: [head.named[0], begin] };
}

type HeadReader = (rest: string, counted: number) => LineHead | undefined;
/** Ways in which a line begins with its part, in the order in which they are tried. */
const heads: readonly HeadReader[] = [
  (rest, begin) => (threadAlone.test(rest) ? { begin, role: "thread", part: "thread", isListed: true } : undefined),
  (rest, begin) => (hookAlone.test(rest) ? { begin, role: "hook", part: "hook", isListed: true } : undefined),
  (rest, counted) =>
    bareThread.test(rest)
      ? { begin: counted + 3, role: "thread", part: "thread", named: [counted, counted + 2], isListed: true }
      : undefined,
  shorthandHead,
  forVerbHead,
  ledBy(weightedWith, "weight", true),
  ledBy(toppedWith, "topping", false),
  ledBy(/^dubbing\s*:\s*/, "body", true),
  (rest, begin) => (shareOfBody.test(rest) ? { begin, role: "body", part: "body", isListed: true } : undefined),
  ofThreadHead,
  colouredHead,
  countedHead,
  sharedHead,
  signedHead,
  toldHead,
  stuffHead,
];

/** Words that name a part as they do something: “weighted with”, “top it off with”. */
function ledBy(words: RegExp, part: "weight" | "topping" | "body", isListed: boolean): HeadReader {
  return (rest, counted) => {
    const led = words.exec(rest)?.[0];
    if (led === undefined) return undefined;
    const named: [number, number] = [counted, counted + led.replace(/\s*:?\s*$/, "").length];
    return { begin: counted + led.length, role: part, part, named, isListed };
  };
}

/** “t: 6 fibres”; “th: olive 70” has a denier: it is the thread, no thorax. */
function shorthandHead(rest: string, counted: number): LineHead | undefined {
  const short = shorthandSign.exec(rest);
  const behind = rest.slice(short?.[0].length ?? 0);
  const isThread = (short?.[1] === "th" || short?.[1] === "t") && threadAhead.test(behind);
  const isHook = short?.[1] === "h" && hookAhead.test(behind);
  const part = isThread ? "thread" : isHook ? "hook" : shorthand[short?.[1] ?? ""];
  if (!short || !part) return undefined;
  const named: [number, number] = [counted, counted + (short[1] ?? "").length];
  return { begin: counted + short[0].length, role: roleOfWord(part), part, named, isListed: true };
}

function forVerbHead(rest: string, counted: number): LineHead | undefined {
  const ahead = forVerb.exec(rest);
  if (!ahead) return undefined;
  const part = (ahead[1] ?? "").replace(/\s+/g, " ");
  const from = counted + ahead[0].indexOf(ahead[1] ?? "");
  const named: [number, number] = [from, from + (ahead[1] ?? "").length];
  return { begin: counted + ahead[0].length, role: roleOfWord(part), part, named, isListed: true };
}

/** “Thread collar, 5 turns”: what it is of stands first, and stays to be read. */
function ofThreadHead(rest: string, counted: number): LineHead | undefined {
  const [all, of = "", part = ""] =
    /^((?:thread|silk)\s+)(collar|head|butt|tag)(?=\s*[,:;]|\s*$|\s+(?:behind|at|in\s+front)\b)(?!\s*,\s*(?:\d+|[a-z]+)[\s-]+turns?\s+whip)/.exec(
      rest,
    ) ?? [];
  if (all === undefined) return undefined;
  const named: [number, number] = [counted + of.length, counted + all.length];
  const begin = part === "head" ? counted + all.length : counted;
  return { begin, role: roleOfWord(part), part, named, isListed: true };
}

function colouredHead(rest: string, begin: number): LineHead | undefined {
  const [, colour = "", part] = colouredPart.exec(rest) ?? [];
  return isColour(colour) ? { begin, role: roleOfWord(part ?? ""), part, isListed: true } : undefined;
}

/** “Two antennae of black rubber”: the number stays to be read with what it is of. */
function countedHead(rest: string, begin: number): LineHead | undefined {
  const part = countedPart.exec(rest)?.[1];
  return part === undefined ? undefined : { begin, role: roleOfWord(part), part, isListed: true };
}
const countedPart =
  /^(?:an?|one|two|three|four|six|\d{1,2})\s+(antennae|feelers|horns|whiskers|claws|pincers)\s+(?:of|from|made\s+of|in)\s/;

const shared = new RegExp(`^(${lead})(${PARTS})\\s*(?:and|&|/|\\+)\\s*(?:the\\s+)?(${PARTS})\\s*[:=]\\s*`, "u");
const leftOut = /^(?:none|no|nothing|-|left\s+out|not\s+needed)\b/;
/** “…, tail 8 fibres, wing a bunch”: each is told for itself. */
const partByItself = new RegExp(`(?:^|[,;.]\\s*)(?:the\\s+)?(?:${PARTS})(?![\\p{L}])`, "u");
/** Parts that are tied of one stuff, each for itself, in the order in which they come. A tail may go on as the body. */
const inOrder: readonly (readonly Role[])[] = [
  ["body", "thorax", "head"],
  ["tail", "wing"],
  ["tail", "hackle"],
  ["tail", "throat"],
  ["tag", "rib"],
];
/** “Body and thorax: hare’s ear”: each is of that. Where that cannot be, the second is to be told by itself. */
function sharedHead(rest: string, counted: number): LineHead | undefined {
  const [all = "", before = "", ...named] = shared.exec(rest) ?? [];
  const [one, two] = named.map((p) => ({ part: p.replace(/\s+/g, " "), role: roleOfWord(p), word: p }));
  // “Wing case and legs”: one bundle, of which the tips are the legs.
  const isOfTips = one?.role === "wing case" && two?.role === "legs";
  if (!one?.role || !two?.role || one.role === two.role || isOfTips) return undefined;
  if (leftOut.test(rest.slice(all.length))) return undefined;
  const order = inOrder.find((those) => [one, two].every(({ role }) => role !== undefined && those.includes(role)));
  const from = counted + before.length;
  const begin = counted + all.length;
  const to = counted + all.replace(/\s*[:=]\s*$/, "").length;
  if (!order || partByItself.test(rest.slice(all.length))) {
    const head = { begin, role: one.role, part: one.part, isListed: true };
    return { ...head, named: [from, from + one.word.length], other: [to - two.word.length, to] };
  }
  const isSecond = order.indexOf(one.role) > order.indexOf(two.role);
  const [first, second] = isSecond ? [two, one] : [one, two];
  const also = { role: second.role as Role, part: second.part };
  return { begin, role: first.role, part: first.part, also, named: [from, to], isListed: true };
}

/** “Tail: …”, “for the throat, ten fibres”: a part with a sign behind it. */
function signedHead(rest: string, counted: number): LineHead | undefined {
  const m = sign.exec(rest);
  if (!m) return undefined;
  // “Cover: 2 coats of resin” covers the fly, not the thorax.
  const isCoat = m[2] === "cover" && coatsBehind.test(rest.slice(m[0].length));
  // “bd: fur from the bend” is a body that was cut short.
  const isBody = m[2] === "bd" && (!ofABead.test(rest.slice(m[0].length)) || wound.test(rest.slice(m[0].length)));
  const word = isCoat ? "finish" : isBody ? "body" : (m[2] ?? "");
  const separator = m[0].slice((m[1] ?? "").length + word.length).trim();
  // “Head, lacquered” is no list; “Finish, whip 4 turns” is.
  const isKnot = word === "finish" && /^(?:whip|knot)\b/.test(rest.slice(m[0].length));
  if (separator.endsWith(",") && !isKnot && !forPart.test(m[1] ?? "") && !saysOfWhat(rest.slice(m[0].length)))
    return undefined;
  // “Hook 2 - 6, 4xl”: those are sizes, and no second hook.
  if (word === "hook" && /\d\s*[-–]\s*$/.test(m[0]) && /^\d/.test(rest.slice(m[0].length))) return undefined;
  const at = counted + (m[1] ?? "").length;
  const aside = m[3] === undefined || /optional/.test(m[3]) ? undefined : counted + m[0].indexOf(m[3]);
  const which = /^\s*(?:no\.?\s*|#)?[1-9]/.exec(rest.slice(at - counted + word.length))?.[0].length ?? 0;
  return {
    begin: counted + m[0].length,
    role: roleOfWord(word),
    part: word.replace(/\s+/g, " "),
    named: [at, at + word.length + which],
    ...(aside !== undefined && { ahead: [aside + 1, aside + (m[3] ?? "").length - 1] as [number, number] }),
    isOptional: /optional/.test(m[3] ?? ""),
    isListed: true,
  };
}

const partToldAhead = new RegExp(`^((?:[\\p{L}'-]+\\s+){1,2}?)(${PARTS})\\s*:\\s+(?=\\S)`, "u");
const joins = new Set(["and", "or", "of", "the", "with", "for", "to", "in", "on", "at"]);
/** What says nothing of length or amount: it may stay as it was said. */
const plainly = /^(?:soft|stiff|neat|small)$/;
/** “Forked tail: two biots”, “Soft front hackle: grouse”: how the part is stands ahead of it; of what, behind. */
function toldHead(rest: string, counted: number): LineHead | undefined {
  const [all, ahead = "", word = ""] = partToldAhead.exec(rest) ?? [];
  if (all === undefined || verbAt(rest, 0)) return undefined;
  const saysOf = (w: string): boolean =>
    isColour(w) || modifiers.has(w) || nounMeans(w) !== undefined || roleOfWord(w) !== undefined || joins.has(w);
  if (
    ahead
      .trim()
      .split(/\s+/)
      .some((w) => saysOf(w) && !plainly.test(w))
  )
    return undefined;
  const at = counted + ahead.length;
  return {
    begin: counted + all.length,
    role: roleOfWord(word),
    part: word.replace(/\s+/g, " "),
    named: [at, at + word.length],
    ahead: [counted, counted + ahead.trimEnd().length],
    isListed: true,
  };
}

const stuffAhead = new RegExp(`^((?:[\\p{L}'-]+\\s+){1,3}?)(${PARTS})\\s*:\\s+(?=\\S)`, "u");
/** “Partridge collar: two turns”: what it is of stands ahead of the part, and stays to be read. */
function stuffHead(rest: string, begin: number): LineHead | undefined {
  const [, ahead = "", word = ""] = stuffAhead.exec(rest) ?? [];
  const role = roleOfWord(word);
  if (role === undefined || role === "hook" || role === "finish" || verbAt(rest, 0)) return undefined;
  const all = ahead.trim().split(/\s+/);
  // “Pheasant tail fibres: …” are of that bird.
  if (counting.test(rest) || /^(?:tail|wing)\s/.test(word)) return undefined;
  const isOfStuff = isNoun(all.at(-1) ?? "") || isNoun(all.slice(-2).join(" "));
  if (!isOfStuff || all.some((w) => joins.has(w))) return undefined;
  return { begin, role, part: word.replace(/\s+/g, " "), isListed: true };
}

/** “rib fine copper wire 8 turns”: a part and what it is made of, without a sign between. */
function bareHead(rest: string, counted: number): LineHead | undefined {
  const m = bare.exec(rest);
  if (!m) return undefined;
  const word = m[1] ?? "";
  // “Dumbbell eyes 5 mm” are of what they are called.
  if (/^(?:dumb-?bells?|bar-?bells?)$/.test(word)) return undefined;
  // “coat body with resin”, “varnish head”, “cover everything with resin” does it.
  if (/^(?:coat|varnish|cement|lacquer)/.test(word) || /^cover\s+(?:everything|it|them|all|both)\b/.test(rest))
    return undefined;
  // “Finish behind the eye” ends the fly, and names no product.
  if (
    word === "finish" &&
    /^finish\s+(?:off\b|neatly\b|up\b|just\b|close\b|right\b|behind\b|at\b|near\b|by\b|in\s+front\b)/.test(rest)
  )
    return undefined;
  // “wing case over” is not a wing.
  if ((longestPart.exec(rest)?.[0].length ?? 0) > word.length) return undefined;
  const verb = verbAt(rest, 0);
  if (verb && verb.end > word.length) return undefined;
  // “Palmer a ginger hackle forward” does it; “palmer ginger cock” names it.
  if (word === "palmer" && /^palmer\s+(?:an?|one|two|three|your|some|both)\s/.test(rest)) return undefined;
  return {
    begin: counted + m[0].length,
    role: roleOfWord(word),
    part: word.replace(/\s+/g, " "),
    named: [counted, counted + word.length],
    isListed: true,
  };
}

const OF_LIST =
  "(?:(?:list\\s+of\\s+|the\\s+)?(?:materials?|mtrls?|mtls?|mats?)\\.?(?:\\s+list)?|list|(?:the\\s+)?dressing|(?:the\\s+)?recipe|ingredients|kit(?:\\s+list)?|parts(?:\\s+list)?|what\\s+you(?:\\s+will|'ll)?\\s+need|you(?:\\s+will|'ll)?\\s+need|you\\s+want)";
const OF_STEPS =
  "(?:tying(?:\\s+(?:it|steps|instructions|sequence|method))?|to\\s+tie(?:\\s+it)?|instructions?|directions?|steps?|(?:the\\s+)?method|procedure|sequence|how\\s+(?:to\\s+tie|i\\s+tie|it's\\s+tied|it\\s+is\\s+tied)(?:\\s+it)?)";
const AS_THEY_GO = "(?:\\s+(?:as|in)\\s+(?:they|it|the\\s+order|order|i)\\b[^:.;]{0,40})?";
const heading = new RegExp(`^\\s*(?:${OF_LIST}|${OF_STEPS}|notes?)${AS_THEY_GO}\\s*[:.]?\\s*$`, "u");
const listHeading = new RegExp(`^\\s*(?:${OF_LIST})\\s*[:.]?\\s*$`, "u");
/** “Materials:”, with what is needed in the lines below. */
export const isListHeading = (text: string): boolean => listHeading.test(text);
/** Lines that only say what follows. */
export const isHeading = (text: string): boolean => heading.test(text);
const headingAhead = new RegExp(`^\\s*(?:${OF_LIST}|${OF_STEPS})\\s*:\\s+(?=\\S)`, "u");
/** “Dressing: hook 12 wet; …”, “Method: tie in at the eye …”: how long the words are that only say what follows. */
export const headingOf = (text: string): number => headingAhead.exec(text)?.[0].length ?? 0;

/** “Name: …”, “Style: …”: facts of the pattern. */
export function factOf(
  text: string,
): { what: "name" | "style" | "species" | "origin" | "sizes"; at: number; end: number } | undefined {
  const m = /^\s*(name|pattern|fly|style|type|species|for|origin|tier|by|sizes?|hook\s+sizes?)\s*[:=]\s*/.exec(text);
  if (!m) return undefined;
  const word = (m[1] ?? "").replace(/\s+/g, " ");
  const what = /^(?:name|pattern|fly)$/.test(word)
    ? "name"
    : /^(?:style|type)$/.test(word)
      ? "style"
      : /^(?:species|for)$/.test(word)
        ? "species"
        : /size/.test(word)
          ? "sizes"
          : "origin";
  return { what, at: m[0].length, end: text.length };
}
