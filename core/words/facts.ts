import { spokenTitle } from "./spokenTitle";
import { factOf, headOf, isHeading } from "./head";
import { readHook, type HookSaid } from "./hook";
import { formSaid, descriptionAt } from "./description";
import { PARTS } from "./lexicon/parts";
import { sizeNumber } from "../hooks";
import type { MaterialForm } from "../materials";
import type { SizeSpan } from "../recipe";
import type { CabinetIndex } from "./cabinet";
import { remembered } from "./remembered";
import { isStop } from "./lexicon/stops";
import { lineOf, type Reading } from "./reading";
import { verbAt } from "./verbs";

const onHook =
  /(?:\bsizes?\s+\d{1,2}(?:\/0)?(?:\s*(?:-|to|and|or|,)\s*\d{1,2}(?:\/0)?)*\s+)?\b(?:on|onto|over|to|take|grab|get|got|find|have|using|needs?|placing|putting|securing|clamping|mounting|fixing|select|(?:start|begin)(?:ing)?\s+with|use|choose|pick|de-?barb|crimp|clamp|mount|put|place|fix|secure|set|with|for|of(?=\s+an?\s+sizes?\s*\d))\s+(?:an?|the|your|my)\s+(?!(?:eye|point|bend|barb|shank|end|top|back)\s+of\b)(?:#?[\w/-]+\s+){0,6}(?:hook\b|(?<=\d\s+)(?:long|short)[\s-]?shank\b(?!\s+hook))(?:,\s*[1-6]\s?xl\b)?(?:\s+with\s+(?:an?\s+)?(?:straight|turned[\s-](?:down|up)|(?:down|up)[\s-]turned|down|up|ring(?:ed)?|wide|large|big|small)[\s-]+(?:eye|gape|gap|bend)\b|\s+in(?:to)?\s+(?:the|your|a)\s+vi[sc]e\b)?(?:[\s,]*(?:in\s+)?(?:sizes?|#|no\.?)?\s*\d{1,2}(?:\/0)?(?:\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?)?(?!\w|\.\d|\s*(?:mm|turns?|wraps?|fib(?:re|er)s?|strands?)\b)|(?:(?<=^|[.;]\s)(?:use\s+|on\s+)?an?\s+(?:long|short|standard)[\s-]shank(?:ed)?\s+(?:size\s+|no\.?\s*|#)?\d{1,2}(?:\/0)?(?=\s*(?:[.;,](?!\d)|$))|(?<=^|[.;]\s)(?:i\s+use\s+)?(?:an?\s+|the\s+)?(?:[\w-]+\s+){0,3}hook,?\s+(?:in\s+)?(?:sizes?|#)\s*\d{1,2}(?:\/0)?(?:\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?(?:\s*,\s*(?:(?:extra\s+)?(?:light|fine|medium|heavy|strong|standard)\s+wire|barbless|barbed|curved|straight|[1-6]x\s+(?:long|short)))*(?=\s*(?:[.;]|$))|(?<=^|[.;]\s)(?:an?\s+)?(?:[\w-]+\s+){1,2}hook(?=\s*[.;])|(?<=^|[.;]\s)(?:i\s+)?(?:take|use)\s+an?\s+(?:[\w-]+\s+){0,3}(?:number|sizes?|no\.?|#)\s*\d{1,2}(?:\/0)?(?=\s*(?:[,.;]|$)))/;
const KIND = "(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|salmon|long|short|heavy|light)";
/** “Hook is a 10 or 12, two extra long.”, “I tie these in fourteens on wet hooks”: sentences about the hook alone. */
const hookSentences = [
  /(?<=^\s*|[.;]\s+)(?:the\s+|my\s+|our\s+|today's\s+)?hooks?\s+(?:is|are)\s+[^.;]*\d[^.;]*(?=[.;]|$)/,
  new RegExp(
    `(?<=^\\s*|[.;]\\s+)(?:i|we)\\s+(?:usually\\s+|mostly\\s+)?(?:tie|dress|make)\\s+(?:these|this(?:\\s+one)?|them|it|mine)(?:\\s+(?:little\\s+)?(?:wet|dry|nymph|streamer|spider|emerger|fly|one))*\\s+(?:in|on)\\s+(?:sizes?\\s+)?(?:[\\w#/,-]+\\s+){0,6}?(?:${KIND}\\s+)*(?:hooks?|${KIND}s?)(?:,?\\s+(?:de-?barbed|barbless|with\\s+the\\s+barb\\s+(?:down|flattened|pinched)))?(?=\\s*(?:[.;]|$))`,
  ),
  // “I tie this wet in 12s.”
  new RegExp(
    `(?<=^\\s*|[.;]\\s+)(?:i|we)\\s+(?:usually\\s+|mostly\\s+)?(?:tie|dress|make)\\s+(?:this|these|mine)\\s+(?:little\\s+)?(?:${KIND}|spider|emerger)s?(?:\\s+fl(?:y|ies))?\\s+in\\s+(?:sizes?\\s+|#\\s*)?\\d{1,2}s?(?:\\s*(?:-|to|and|or|,)\\s*\\d{1,2}s?)*(?=\\s*(?:[.;]|$))`,
  ),
  // “Tie on size 12 and 14 wet hooks”
  /^\s*(?:tied?|dress(?:ed)?)\s+on\s+(?:sizes?\s+|#\s*)?\d{1,2}(?:\/0)?(?:\s*(?:-|to|and|or|,)\s*\d{1,2}(?:\/0)?)*\s+(?:[\w-]+\s+){0,4}hooks?(?=\s*(?:[.;,](?!\d)|$))/,
  // “I tie this wet on a 12.”
  /(?<=^\s*|[.;]\s+)(?:i|we)\s+(?:usually\s+|mostly\s+)?(?:tie|dress)\s+(?:this|these)\s+(?:little\s+)?(?:wet|dry|nymph|streamer|spider|emerger)(?:\s+(?:fly|one))?\s+on\s+an?\s+(?:#|sizes?\s+|no\.?\s*)?\d{1,2}(?:\/0)?(?=\s*(?:[.;,](?!\d)|$))/,
  // “Put a curved 12 in the vise.”
  /(?<=^\s*|[.;]\s+)(?:i\s+)?(?:put|set|clamp|mount|fix|secure|place|start\s+with|take)\s+an?\s+(?:[a-z-]+\s+){0,4}(?:#|sizes?\s+|no\.?\s*)?\d{1,2}(?:\/0)?(?:\s+(?!mm\b)[a-z-]+){0,3}(?=\s+in(?:to)?\s+(?:the|your)\s+vi[sc]e\b)/,
  // “Take a No. 12 wet fly hook.”
  new RegExp(
    `(?<=^\\s*|[.;]\\s+)(?:i\\s+|first\\s+|we\\s+)?(?:take|choose|select|use|start\\s+with|begin\\s+with)\\s+an?\\s+(?:[a-z-]+\\s+){0,4}(?:#|sizes?\\s+|no\\.?\\s*)?\\d{1,2}(?:\\/0)?\\s+(?:[\\w-]+\\s+){0,4}?hook(?=\\s*(?:[.;]|$))`,
  ),
  /(?<=^[^.;,:]*\s)on\s+an?\s+#?(?:size\s+)?\d{1,2}(?:\/0)?(?:\s+(?:long|short|standard)[\s-]shank(?:ed)?|\s+(?:[a-z-]+\s+){0,2}(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|double))?(?=\s*(?:[.;,](?!\d)|$))/,
  // “Start with a 16 down-eye dry.”, “It's a 10, wet.”, “Hook's a 10 long shank.”
  /(?<=^\s*|[.;]\s+)(?:it's|it\s+is|(?:the\s+|my\s+)?hook's|(?:i\s+)?(?:start|begin)(?:ing)?(?:\s+off)?\s+with|(?:i\s+)?(?:use|take))\s+an?\s+(?:[a-z-]+\s+){0,2}(?:#|sizes?\s+|no\.?\s*)?\d{1,2}(?:\/0)?,?\s+(?:[a-z-]+\s+){0,3}(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|(?:long|short)[\s-]shank(?:ed)?)(?:\s+(?:fly|hook|one))*(?=\s*(?:[.;,](?!\d)|$))/,
  // “You want a heavy 12 wet”
  new RegExp(
    `(?<=^\\s*|[.;]\\s+)(?:you|we)(?:'ll|\\s+will)?\\s+(?:want|need)\\s+an?\\s+(?:[a-z-]+\\s+){0,2}(?:#|sizes?\\s+|no\\.?\\s*)?\\d{1,2}(?:\\/0)?\\s+(?:${KIND})s?(?:\\s+(?:fly|hook|for\\s+this(?:\\s+one)?))*(?=\\s*(?:[.;,](?!\\d)|$))`,
  ),
  // “For this I use a size 6 3xl with a gold bead”
  /(?<=^\s*|[.;]\s+)(?:(?:for\s+(?:this|these)(?:\s+ones?)?,?\s+)?(?:i\s+|we\s+)?(?:use|take|start\s+with|like)\s+)?(?:an?\s+)?(?:#|sizes?\s+|no\.?\s*)\d{1,2}(?:\/0)?,?\s+[1-6]\s?x\s?(?:l|long)?(?:\s+(?:nymph|streamer|wet|dry|hook))*(?=\s+with\b)/,
  // “I tie my pike fly on a 4/0, 210 thread.”
  /(?<=^\s*(?:i|we)\s+tie\s+(?:[a-z]+\s+){1,4})on\s+an?\s+#?(?:size\s+)?\d{1,2}(?:\/0)?(?=\s*,)/,
];
const besideHook = /[,;/+.]\s+/g;

/** Facts of the pattern hold for every line, wherever they stand. */
export function readFacts(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  const line = lineOf(r, i);
  if (text.trim() === "") line.kind = "aside";
  else if (isHeading(text)) aside(r, i);
  else if (/^\s*(?:note|nb|n\.b\.|remark)\s*[:.]/.test(text)) aside(r, i);
  else if (namesStuffOnly(line.text.toLowerCase(), text)) askParts(r, i);
  else if (isNumberedName(r, i)) readTitle(r, i);
  else if (readSpokenTitle(r, i)) {
    if (line.kind !== "fact") readFacts(r, i);
  } else if (r.heads[i]?.role === "hook" || isHookTold(r, i)) readHookLine(r, i);
  else if (readIntroduction(r, i)) return;
  else if (readTitleSentence(r, i)) readFacts(r, i);
  else {
    const fact = factOf(text);
    readHookWithin(r, i);
    if (fact) readFact(r, i, fact);
    else if (isTitle(r, i)) readTitle(r, i);
  }
}

const stuffAhead =
  /^\s*(?:you(?:\s+will|'ll)?\s+need|you\s+want|what\s+you(?:\s+will|'ll)?\s+need|(?:the\s+)?materials?(?:\s+list)?|ingredients|kit(?:\s+list)?)\s*:\s+(?=\S)/;
const FEWEST_NAMED = 3;
const MOST_WORDS = 8;
/** “You need: olive marabou, olive chenille, gold wire”: materials, and for no part. */
function namesStuffOnly(text: string, left: string): boolean {
  const lead = stuffAhead.exec(text)?.[0];
  if (lead === undefined) return false;
  // What is a list of materials in one line is taken out of it already.
  if (left.trim().length < text.slice(lead.length).trim().length / 2) return false;
  const named = text.slice(lead.length).split(/[,;]/);
  const isStuff = (words: string): boolean =>
    words.trim().split(/\s+/).length <= MOST_WORDS && !headOf(words.trim()).isListed && !verbAt(words.trim(), 0);
  // Hook, bead and thread are told of in such a line as in any other.
  const others = named.filter((words) => !toldAnyway.test(words));
  return others.length >= FEWEST_NAMED && named.every(isStuff);
}
const toldAnyway = /\b(?:hooks?|beads?|cones?|thread|silk|[1-6]x)\b/;
/** “You need: a #12 2XL nymph hook, …”: what the list says of the hook is a fact all the same. */
function hookAmong(r: Reading, i: number): void {
  const named = (r.plain[i] ?? "").replace(stuffAhead, "").split(/;|,(?!\s*[1-6]\s?x)/);
  const hook = named.find((words) => /\bhooks?\b/.test(words) || isHookAlone(words));
  if (hook === undefined) return;
  const said = readHook(hook, r.context.hooks);
  const { facts } = r.bench;
  if (said.sizes) facts.sizes ??= said.sizes;
  if (said.family) facts.family ??= said.family;
  if (!said.model || facts.hookModel) return;
  facts.hookModel = said.model.id;
  lineOf(r, i).assumed.push(said.model.name);
}
/** Nothing is tied by such a line: it is asked what each is for. */
function askParts(r: Reading, i: number): void {
  const line = lineOf(r, i);
  line.kind = "aside";
  hookAmong(r, i);
  const words = line.text.trim();
  const at: [number, number] = [line.text.indexOf(words), line.text.indexOf(words) + words.length];
  line.marks.push({ at, kind: "doubt" });
  line.asks.push({
    at,
    sentence:
      "Of these nothing is said but that they are needed. Name the part before each, as “tail: olive marabou”, or keep the line as an instruction; the steps then name them in full.",
    answers: [{ label: "Keep it as an instruction", text: `[${words}]` }],
  });
}

const byTheHook =
  /(?:times|half|twice|thirds?|quarters?|as\s+long\s+as|lengths?\s+of|(?:longer|shorter)\s+than|equal(?:s|ling)?(?:\s+to)?|=|than|past|over|on\s+top\s+of|(?:end|rear|back|bend|front|top|side|underside)\s+of)\s+(?:of\s+)?(?:the\s+)?(?:whole\s+|entire\s+)?hooks?\b|\bhook(?:'s)?\s*-?(?:lengths?|shank|points?|eyes?|bend|gape)\b/g;

const sizeAndKind =
  /^\s*(?:(?:so|ok|okay|right|well|now|today|here),?\s+)?(?:(?:it's|it\s+is|this\s+is|this\s+one\s+is|i\s+(?:use|tie\s+(?:it|this(?:\s+one)?)\s+on)|on|use)\s+)?(?:an?\s+)?(?:(?:sizes?|#|no\.?)\s*\d{1,2}(?:\/0)?(?:\s*(?:-|to|or|and)\s*\d{1,2}(?:\/0)?)?|\d{1,2}(?:\/0)?\s*(?:-|to|or)\s*\d{1,2}(?:\/0)?)[\s,]+(?:(?:[1-6]x\s*\w*|standard|long|short|heavy|light|barbless)\s+)?(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)(?:\s+(?:fly|hook|one))*\s*(?:[.,;]|$)|^\s*(?:in\s+)?sizes?\s*\d{1,2}(?:\/0)?(?:(?:\s*(?:-|to|or|and)\s*\d{1,2}(?:\/0)?)+\s*(?:[.;]|$)|\s*[,.;])/;

/** All that a line about the hook alone may say. */
const hookWords =
  /^(?:#?\d{1,2}(?:\/0)?(?:-#?\d{1,2}(?:\/0)?)?s?|sizes?|no|to|or|and|in|[1-6]x?(?:l|s|xl|xs)?|[1-6]x|x|one|two|three|four|times|(?:extra|standard|regular)|long|short|shank|long-?shank(?:ed)?|short-?shank(?:ed)?|heavy|light|fine|strong|wire|wide|gape|gap|barbless|wets?|dry|dries|nymphs?|midges?|flats|streamers?|jigs?|grubs?|scuds?|curved|straight|pupae?|emergers?|caddis|double|treble|single|salmon|low-?water|pike|saltwater|stainless|black|bronze|silver|gold|nickel|down-?eye|up-?eye|turned|eye|fly|flies|hook|hooks|any|anything|std|reg(?:ular)?|from|an?|down|up|similar|equivalent|like|or|weight|gauge|extra-?(?:strong|fine|heavy|long)|sproat|limerick|round|perfect|bend|\d+\s*°?|degrees?|\d+°|forged|straight-eye|ring(?:ed)?|stinger|popper|de-?barbed|pinched|flattened|barb|point|on|with)$/;
const aKind =
  /^(?:saltwater|stainless|stinger|popper|shank|eye|straight-eye|wets?|dry|dries|nymphs?|streamers?|jigs?|grubs?|scuds?|curved|pupae?|emergers?|caddis|double|single|treble|salmon|low-water|hook|hooks)$/;
/** “8 long shank nymph”, “#4 streamer 4xl”, “14 wet”: a line of nothing but a hook and its size. */
const isHookAlone = remembered((text): boolean => {
  const on = onIt.exec(text)?.[0];
  const all = text
    .replace(/\blow\s+water\b/, "low-water")
    .slice(on?.length ?? 0)
    .split(/[\s,.;()]+|(?<=[a-z])\/(?=[a-z])/)
    .filter(Boolean);
  return (
    all.length >= 2 &&
    all.length <= 8 &&
    all.every((w) => hookWords.test(w)) &&
    (on !== undefined || all.some((w) => aKind.test(w))) &&
    all.some((w) => /^#?\d{1,2}(?:\/0)?(?:-\d{1,2}(?:\/0)?)?s?$/.test(w))
  );
});

/** What a sentence about the hook alone is made of beside its own words. */
const saidOfHook =
  /^(?:i|we|you|tie|tied|tying|ties|dress(?:ed)?|make|use|used|using|take|put|grab|pick|choose|mount|like|prefer|go|goes|suits?|this|these|them|it|its|it's|ones?|mine|my|our|the|is|are|be|best|usually|mostly|normally|generally|always|often|all|here|for|both|of|up|so|pattern|vi[cs]e|into|number)$/;
const MOST_HOOK_WORDS = 18;
/** “I tie this on a W1 in 8, 10 and 12”: nothing but how the fly is tied on which hook, in which sizes. */
function isHookSentence(r: Reading, text: string): boolean {
  const all = text.split(/[\s,;()]+|[.:](?=\s|$)/).filter(Boolean);
  // Most sentences end here, before the hooks of the room are looked through.
  if (all.length > MOST_HOOK_WORDS || !all.some((w) => saidOfHook.test(w))) return false;
  const names = new Set([...r.context.hooks].flatMap((h) => `${h.id} ${h.name}`.toLowerCase().split(/[^a-z0-9]+/)));
  const codes = new Set([...r.context.hooks].map((h) => h.id.toLowerCase()));
  return (
    all.every((w) => hookWords.test(w) || saidOfHook.test(w) || names.has(w)) &&
    all.some((w) => codes.has(w) || (aKind.test(w) && !/^(?:eye|shank)$/.test(w))) &&
    readHook(text, r.context.hooks).sizes !== undefined
  );
}

/** “On a long 1/0”: what it is tied on is a hook. */
const onIt =
  /^\s*(?:(?:i\s+)?(?:tie|tied|dress|dressed)\s+(?:(?:this|these|it|them|mine|(?:my|our|the)\s+(?:[a-z]+\s+){0,2}(?:fly|flies))\s+)?(?:one\s+)?(?:up\s+)?)?on\s+an?\s+/;
/** Where a line goes on with what is no hook: “standard dry 16. 12/0 rusty”, “on a long 1/0: thread clear mono”. */
const goesOn = /[,;]|[.:](?=\s|$)|\swith\s/;

/** “4xl streamer, size 6”, “double size 8”. */
const kindAndSize =
  /^\s*(?:[1-6]x\s*(?:l|s|long|short)?\s+)?(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|double|salmon|low-?\s?water)(?:\s+(?:fly|hook|one))*[\s,]+(?:sizes?|#|no\.?)?\s*\d{1,2}(?:\/0)?(?:\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?\s*(?:,\s*(?:\d+\s*deg(?:rees?)?|[\w\s-]*(?:wire|bend|eye|shank|barbless)))*\.?\s*$/;

/** “12 std dry” */
const sizeThenKind =
  /^\s*(?:[-*•]\s*)?#?\d{1,2}(?:\/0)?(?:\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?[\s,]+(?:std|standard|reg(?:ular)?)\.?\s+(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)\s*$/;

/** “A size 8, 3xl, weighted with …” */
const sizeAndLength = /^\s*(?:an?\s+)?(?:#|sizes?\s+)\d{1,2}(?:\/0)?\s*,\s*[1-6]\s?x\s?(?:l|long)\b/;

const isSizeAndKind = remembered((text) =>
  [sizeAndKind, kindAndSize, sizeThenKind, sizeAndLength].some((told) => told.test(text)),
);

/** “Dry: 16 and 18.” */
const kindAhead = /^(\s*(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa|double|single)):(?=\s)/;

const firstOf = (text: string, at: RegExp): string => text.split(at, 1)[0] ?? "";

const A_FLY =
  "fl(?:y|ies)|pattern|sedge|spider|soft[\\s-]hackle|nymph|midge|emerger|parachute|streamer|palmer|sculpin|leech|minnow|baitfish|shrimp|scud|caddis|pupa|larva|dun|spinner|hopper|beetle|ant|wet|dry|buzzer|lure|bug|worm|hair-?wing|popper|stone(?:fly)?|mayfly|damsel";
const SOME_SIZES = "\\d{1,2}(?:\\/0)?(?:\\s*(?:,|-|\\/|to|and|or|&|up\\s+to|down\\s+to)\\s*#?\\d{1,2}(?:\\/0)?)*";
/** “This is a soft hackle for size 14 and 16.”, “A parachute on a light 16.”: a kind of fly, and its sizes. */
const flyAndSizes = new RegExp(
  `^\\s*(?:(?:this(?:\\s+one)?|it|here)(?:'s|\\s+is)\\s+)?(?:(?:an?|the|my|our)\\s+)?(?:(?!for\\b|on\\b)[a-z'-]+\\s+){0,4}?(?:${A_FLY})s?,?\\s+(?:(?:(?:for|in)\\s+)?(?:sizes?\\s*|#|no\\.?\\s*)${SOME_SIZES}|on\\s+an?\\s+(?:[a-z-]+\\s+){0,2}(?:size\\s+|#)?\\d{1,2}(?:\\/0)?)(?:\\s+hooks?)?\\s*\\.?\\s*$`,
);

/** The name of a fly with its sizes and hook, as one sentence. */
const sentenceOfHook =
  /^\s*[\p{L}' -]{3,30},\s*(?:sizes?|#|no\.?)\s*\d(?:(?!\b(?:thread|silk|fibres?|turns?|strands?|dubbing|tail|wing)\b)[^.;])*\bhooks?(?=\s*(?:[.;]|$))/u;

/** “This one goes on the streamer hook, from a 4 to a 10.” */
function isHookTold(r: Reading, i: number): boolean {
  // “one and a half times the hook” measures by it.
  const text = (r.plain[i] ?? "").replace(byTheHook, (m) => " ".repeat(m.length));
  const own = text.slice(r.heads[i]?.begin ?? 0).replace(kindAhead, "$1 ");
  // “It's a size 10 wet.”
  if (
    isSizeAndKind(text) ||
    [text, firstOf(own, /,|\swith\s/), firstOf(own, /;|\.\s/), firstOf(own, goesOn)].some(isHookAlone) ||
    isHookSentence(r, text)
  )
    return true;
  const isFirst = r.lines.findIndex((l) => l.trim() !== "") === i;
  if (!isFirst && flyAndSizes.test(text) && r.heads[i]?.isListed !== true && !verbAt(text, 0)) return true;
  // “Scud, #14 or #16 - 2x heavy grub hook. Thread tan.”
  const first = sentenceOfHook.exec(text)?.[0];
  if (first !== undefined && !verbAt(first, 0) && readHook(first, r.context.hooks).sizes) return true;
  // “N1 12-16”: a line that begins with a hook of the room and its sizes.
  const [code = ""] = text
    .replace(/^\s*h(?:k)?\s*[:=]/, "")
    .trim()
    .split(/[\s,]+/, 1);
  if ([...r.context.hooks].some((h) => h.id.toLowerCase() === code) && readHook(text, []).sizes) return true;
  if (
    r.heads[i]?.isListed ||
    !/\bhooks?\b/.test(text) ||
    (/\b(?:thread|fibres?|turns?|strands?|dubbing|tail|wing)\b/.test(text) &&
      !/^\s*(?:[\w-]+\s+){0,6}hook\b/.test(text))
  )
    return false;
  if (verbAt(text, r.heads[i]?.begin ?? 0)) return false;
  // “On a size 8 streamer hook put 12 wraps of lead”: the hook is told by the way.
  // “This is my little stonefly. I tie it on a ten nymph hook.”
  if (hookSentences.slice(1).some((told) => text.slice(0, told.exec(text)?.index ?? 0).trim() !== "")) return false;
  const by = onHook.exec(text);
  if (by && verbBehind(text, by.index + by[0].length)) return false;
  // “I start with the bead, 2.5 mm, on a size 16 nymph hook”: the line is about the bead.
  if (by && /\b(?:beads?|cones?|threads?|silk|lead|wire|eyes)\b/.test(text.slice(0, by.index))) return false;
  return readHook(text.slice(r.heads[i]?.begin ?? 0), r.context.hooks).sizes !== undefined;
}

const goesOnWith = /^[,;]?\s*(?:(?:and|then|so)\s+)*(?:(?:i|we|you)\s+(?:have\s+|will\s+|am\s+)?)?/;
/** “I'm on a size 14 hook, and I've put a bead on it”: what is done beside the hook. */
const verbBehind = (text: string, at: number): boolean =>
  verbAt(text, at + (goesOnWith.exec(text.slice(at))?.[0].length ?? 0)) !== undefined;

const hooksTold = remembered((text) => [onHook, ...hookSentences].map((at) => at.exec(text)).filter((m) => m !== null));
/** “Slide a bead onto a jig hook, size 12”: the hook is told by the way, and the rest is a step. */
function readHookWithin(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  for (const m of hooksTold(text)) {
    const said = readHook(m[0], r.context.hooks);
    // “House nymph. Hook is a 10 or 12”: what kind it is may stand in the name before it.
    const ahead =
      said.sizes && !said.model
        ? readHook(lineOf(r, i).text.slice(0, m.index).toLowerCase(), r.context.hooks)
        : undefined;
    if (said.sizes ?? said.model)
      return keepHook(r, i, m, ahead?.model ? { ...said, model: ahead.model, family: ahead.family } : said);
  }
}

/** Sizes that a line tells; where another line has told others, of which it comes in none, it is asked which hold. */
function keepSizes(r: Reading, i: number, sizes: SizeSpan | undefined, at: number, end: number): void {
  if (!sizes) return;
  const { facts } = r.bench;
  const before = facts.sizesLine === undefined || facts.sizesLine === i ? undefined : facts.sizes;
  if (before && areApart(before, sizes)) {
    const [was, is] = [before, sizes].map(({ from, to }) => (from === to ? from : `${from} to ${to}`));
    lineOf(r, i).asks.push({
      at: [at, end],
      sentence: `Line ${(facts.sizesLine ?? 0) + 1} is about size ${was}, this one about ${is}. Which is it tied in? Take one of the two out.`,
      answers: [],
    });
    return;
  }
  facts.sizes = sizes;
  facts.sizesLine = i;
}
const areApart = (a: SizeSpan, b: SizeSpan): boolean => {
  const ends = [a, b].map((s) => [sizeNumber(s.from), sizeNumber(s.to)].sort((x, y) => x - y));
  const [[aFrom = 0, aTo = 0] = [], [bFrom = 0, bTo = 0] = []] = ends;
  return aTo < bFrom || bTo < aFrom;
};

function keepHook(r: Reading, i: number, m: RegExpExecArray, said: HookSaid): void {
  const text = r.plain[i] ?? "";
  keepSizes(r, i, said.sizes, m.index, m.index + m[0].length);
  if (said.model) {
    r.bench.facts.hookModel = said.model.id;
    lineOf(r, i).assumed.push(said.model.name);
  }
  if (said.family) r.bench.facts.family = said.family;
  const at: [number, number] = [m.index, m.index + m[0].length];
  lineOf(r, i).marks.push({ at, kind: "known" });
  // The step is read without it; where it is a sentence of its own, the line begins behind it.
  const stop = text.slice(0, at[0]).trim() === "" ? (/^\s*[.;](?=\s)/.exec(text.slice(at[1]))?.[0].length ?? 0) : 0;
  r.plain[i] = text.slice(0, at[0]) + " ".repeat(m[0].length + stop) + text.slice(at[1] + stop);
}

/** Whether words say nothing but what a hook is like: every other word of such a line is asked about, none is lost. */
function isOfHook(r: Reading, words: string): boolean {
  const names = new Set([...r.context.hooks].flatMap((h) => `${h.id} ${h.name}`.toLowerCase().split(/[^a-z0-9]+/)));
  return [...words.matchAll(/[\p{L}\d#/](?:[\p{L}\d#/.'-]*[\p{L}\d])?/gu)].every(
    ([w], n, all) => hookWords.test(w) || names.has(w) || isStop(words, all[n]?.index ?? 0),
  );
}

function askOwnLine(r: Reading, i: number, at: [number, number]): void {
  const words = lineOf(r, i).text.slice(...at);
  lineOf(r, i).asks.push({
    at,
    sentence: `“${words}” is not the hook. Give it a line of its own.`,
    answers: [{ label: "A line of its own", text: `\n${words}` }],
  });
}

/** “On a size 8 hook twelve wraps of lead”: a material told behind the hook in the same breath is not lost. */
function askBehindHook(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  const from = (/\bhooks?\b(?!.*\bhooks?\b)/.exec(text)?.index ?? text.length) + "hook".length;
  // “0.5 mm” ends no sentence.
  const end = from + (/^(?:[^,;.+]|\.(?=\d))*/.exec(text.slice(from))?.[0].length ?? 0);
  const names = [...text.slice(from, end).matchAll(/[\p{L}\d][\p{L}\d.'-]*/gu)].map((m) => from + m.index);
  const isThing = (at: number): boolean => {
    const found = descriptionAt(text, at, r.scanContext.index);
    const form = formSaid(found);
    return form !== undefined && form !== "hook" && !isOfHook(r, text.slice(at, end));
  };
  const [first] = names;
  if (first === undefined || !names.some(isThing)) return;
  const words = lineOf(r, i).text.slice(first, end).trimEnd();
  askOwnLine(r, i, [first, first + words.length]);
}

/** What a line about the hook names beside it is not the hook's, and is not lost. */
function askBesideHook(r: Reading, i: number): void {
  const text = r.plain[i] ?? "";
  for (const m of text.matchAll(besideHook)) {
    const at = m.index + m[0].length;
    const end = at + (/^[^,;+]*/.exec(text.slice(at))?.[0].trimEnd().length ?? 0);
    const words = lineOf(r, i).text.slice(at, end);
    if (/\bhooks?\b|^(?:(?:extra\s+)?(?:light|fine|medium|heavy|strong|standard)\s+wire|barbless)\b/i.test(words))
      continue;
    const found = descriptionAt(text, at, r.scanContext.index, false);
    const isPart = new RegExp(`^(?:${PARTS})(?![\\p{L}])`, "u").test(text.slice(at));
    const isThing = isPart || (found?.means ?? found?.exact) !== undefined;
    if (!isThing && isOfHook(r, text.slice(at, end))) continue;
    askOwnLine(r, i, [at, end]);
  }
}

function aside(r: Reading, i: number): void {
  const line = lineOf(r, i);
  line.kind = "aside";
  line.marks.push({ at: [0, line.text.length], kind: "aside" });
}

function readFact(r: Reading, i: number, { what, at }: NonNullable<ReturnType<typeof factOf>>): void {
  const line = lineOf(r, i);
  line.kind = "fact";
  line.marks.push({ at: [0, line.text.length], kind: "known" });
  const value = line.text.slice(at).trim();
  if (what === "name") r.bench.facts.name = value;
  if (what === "style") r.bench.facts.style = value;
  if (what === "sizes") {
    const said = readHook(r.plain[i]?.slice(at) ?? "", []);
    if (said.sizes) keepSizes(r, i, said.sizes, at, line.text.length);
    else line.asks.push({ at: [at, line.text.length], sentence: "Which sizes? Say “10 to 16”.", answers: [] });
  }
}
/** Whether the next line is about the hook. */
function isBeforeHook(r: Reading, i: number): boolean {
  const next = r.plain.findIndex((t, n) => n > i && t.trim() !== "");
  return r.heads[next]?.role === "hook" || /\bhook\b/.test(r.plain[next] ?? "");
}

/** “Soft hackle wet, sizes 12 14 16” begins like a part, but is a name with its sizes. */
const isNameWithSizes = (text: string, begin: number): boolean =>
  (titleTail.exec(text)?.[0] ?? "").trim() !== "" &&
  /\d/.test(titleTail.exec(text)?.[0] ?? "") &&
  !/[:=]|\s-\s/.test(text.slice(0, begin)) &&
  /^[\p{L}\s'-]{3,40}$/u.test(text.replace(titleTail, ""));
/** “Beadhead thing for the perch” above a line about the hook: it begins like a part, and counts nothing. */
function isNameBeforeHook(r: Reading, i: number): boolean {
  const text = r.plain[i] ?? "";
  return isBeforeHook(r, i) && /^[\p{L}\s'-]{3,60}$/u.test(text.trim()) && text.trim().split(/\s+/).length > 2;
}
const onlyWords = /^[\p{L}\s'’&(),:.-]{3,80}$/u;
const ofTheBench =
  /\b(?:thread|silk|wind|wrap|turns?|fib(?:re|er)s?|start|dub|hooks?|beads?|(?:the|a)\s+(?:bend|eye|shank|barb)|(?<!\b(?:i|we)\s+)tie)\b/;
const asksFor = /^\s+(?:the|an?|some|on|in|it|this|that|your|two|three|four|six|eight|ten)\b/;
/** “Lamp-post caddis (adult), my usual”, ahead of a line about the hook: words alone, and nothing that is done. */
function isAheadOfHook(r: Reading, i: number): boolean {
  const text = (r.plain[i] ?? "").trimEnd();
  if (!isBeforeHook(r, i) || !onlyWords.test(text) || ofTheBench.test(text)) return false;
  const verb = verbAt(text, text.search(/\S/));
  return verb === undefined || !asksFor.test(text.slice(verb.end));
}

/** “Number 9 Pupa” above a line about a hook with its size: the number is that of the pattern. */
function isNumberedName(r: Reading, i: number): boolean {
  const first = r.lines.findIndex((t) => t.trim() !== "");
  return i === first && numberedName.test(lineOf(r, i).text) && isBeforeHook(r, i);
}
const numberedName =
  /^\s*(?:(?:\p{Lu}[\p{L}'-]+|of|the)\s+)*(?:Number|No\.?|Nr\.?)\s*\d{1,3}(?:\s+\p{Lu}[\p{L}'-]+)*\s*$/u;

const isWetAlone = /^\W*wet\W*$/;
/** What a title may end with: how it is tied here, sizes, and “wet” and “dry”, which are kinds of fly there. */
const titleTail =
  /(?:[\s,]*(?:as|how|the\s+way)\s+(?:i|we)\s+tie\b[^.:;]*)?(?:[\s,]*(?:in\s+)?(?:(?:sizes?\s*|#|no\.?\s*)[\d\s,/&#-]+(?:(?:and|to)\s+\d+)?|,\s*\d\/0)\)?(?:[\s,]*(?:[1-6]x|(?:extra\s+)?(?:long|short|curved|grub|jig|heavy|light|fine|strong|barbless|standard|wet|dry|nymph|streamer)|shank|wire|hook))*\s*\.?)?\s*$/;
/** “Lock Keeper” is a name, whatever its words mean at the bench. */
const isInCapitals = /^\s*(?:[A-Z][\p{L}'-]+|of|the|and)(?:\s+(?:[A-Z][\p{L}'-]+|of|the|and)){1,4}\s*$/u;
/** “Post Office Beetle” begins with a part: three words with a capital each are written in names only. */
const isNameOfThree = /^\s*[A-Z][\p{L}'-]+(?:\s+[A-Z][\p{L}'-]+){2,4}\s*$/u;
/** “Bead (2.4 mm, gold) on a 16 jig hook”: what is measured in millimetres is a part, and no name. */
const isMeasuredPart = (text: string): boolean => headed.test(text) && /\d\s*mm\b/.test(text);
const headed = new RegExp(`^\\s*(?:${PARTS})(?![\\p{L}])`, "u");
const isFirstOfSteps = /^\s*1\s*[.)]\s/;
const isSecondOfSteps = /^\s*2\s*[.)]\s/;
/** The first line that tells nothing to do is what the fly is called. */
function isTitle(r: Reading, i: number): boolean {
  const first = r.lines.findIndex((t) => t.trim() !== "");
  if (i !== first || r.bench.facts.name !== undefined) return false;
  if (isNameOfThree.test(lineOf(r, i).text)) return true;
  // “1. Bead on”, where the steps are numbered: the first of them, and no name.
  if (isMeasuredPart(r.plain[i] ?? "")) return false;
  if (isFirstOfSteps.test(r.plain[i] ?? "") && r.lines.some((t, n) => n > i && isSecondOfSteps.test(t))) return false;
  if (r.heads[i]?.isListed) return isNameWithSizes(r.plain[i] ?? "", r.heads[i]?.begin ?? 0) || isNameBeforeHook(r, i);
  if (isInCapitals.test(lineOf(r, i).text) || isAheadOfHook(r, i)) return true;
  if (isDoneFirst.test(lineOf(r, i).text.toLowerCase())) return false;
  const text = (r.plain[i] ?? "")
    .replace(titleTail, "")
    .replace(/^\s*(?:wet|dry)\s+(?:fl(?:y|ies)\b|(?=(?:with|for|from|like)\s))/, "");
  if (
    text.split(/\s+/).length > 12 ||
    /\b(?:thread|silk|tie|wind|wrap|turns?|fibres?|start|dub|the\s+(?:bend|eye|shank|barb))\b/.test(text)
  )
    return false;
  return (
    verbAt(text.replace(/\b(?:wet|dry)(?=\s*(?:fly|flies)?[\s,]*$)/, ""), r.heads[i]?.begin ?? 0) === undefined &&
    !isWetAlone.test(text)
  );
}
const introduces =
  /^\s*(?:(?:hi|hello|ok|okay|right|so|well|today|now)\b[\s,!.]*)*(?:(?:the|this)\s+(?:[a-z]+\s+){0,2}?(?:fly|pattern|one)\b|(?:today\s+)?(?:i|we)(?:'m|\s+am|'re|\s+are|\s+will|'ll|\s+want\s+to)?\s+(?:going\s+to\s+)?(?:tie|tying|show|make|do)\b|here(?:'s|\s+is)\b|(?:my|our)\s+(?:[a-z]+\s+){0,2}?(?:fly|pattern)\b)/;
const itsName =
  /\b(?:call(?:ed)?(?:\s+(?:it|this(?:\s+one)?))?|named?|is|tie|tying|of)\s+(?:the\s+|a\s+|an\s+)?((?:\p{Lu}[\p{L}'-]+\s*){1,4})/gu;
/** “The fly I want to show you is a pupa I call the Mud Lark.”: a name, and nothing done yet. */
function readIntroduction(r: Reading, i: number): boolean {
  const text = r.plain[i] ?? "";
  if (i !== r.lines.findIndex((t) => t.trim() !== "") || !introduces.test(text)) return false;
  const line = lineOf(r, i);
  const name = [...line.text.matchAll(itsName)].at(-1)?.[1]?.trim();
  if (name === undefined || /\d|\b(?:hooks?|thread|silk|fibres?|turns?|wire|bead|lead|dub)\b/.test(text)) return false;
  r.bench.facts.name ??= name;
  line.kind = "fact";
  line.marks.push({ at: [0, line.text.length], kind: "known" });
  return true;
}

/** “This is the Weir Caddis, 10s and 12s”: its name and sizes; what tells more behind it is read by itself. */
function readSpokenTitle(r: Reading, i: number): boolean {
  const text = r.plain[i] ?? "";
  const line = lineOf(r, i);
  const title = i === r.lines.findIndex((t) => t.trim() !== "") ? spokenTitle(line.text) : undefined;
  // What was read already is blank.
  if (!title || text.slice(0, title.end).trim() === "") return false;
  r.bench.facts.name ??= title.name;
  line.marks.push({ at: [0, title.goesOn ? title.end : line.text.length], kind: "known" });
  if (title.goesOn) {
    readFrom(r, i, title.end);
    return true;
  }
  line.kind = "fact";
  const style = /^\s*[(,:–-]\s*(?:an?\s+)?(\p{L}[\p{L}\s-]{2,20}?)\s*(?:[,)]|$)/u.exec(line.text.slice(title.end))?.[1];
  if (style !== undefined) r.bench.facts.style ??= style;
  const said = readHook(text.slice(title.end), r.context.hooks);
  if (said.sizes) r.bench.facts.sizes ??= said.sizes;
  if (said.family) r.bench.facts.family ??= said.family;
  if (said.sizes && said.model && !r.bench.facts.hookModel) {
    r.bench.facts.hookModel = said.model.id;
    line.assumed.push(said.model.name);
  }
  return true;
}

/** “Simple midge, 20 and 22: black thread …”: with its sizes a name stands before a colon. */
const nameAndSizes =
  /^\s*([\p{L}][\p{L}'\s-]{2,30},\s*(?:sizes?\s*|#)?\d{1,2}(?:\/0)?(?:(?:\s*(?:,|-|&)\s*|\s+(?:and|or|to)\s+)#?\d{1,2}(?:\/0)?)*):\s+(?=\S)/u;
/** “How I tie the little red larva: on a size 20 hook I start …”: so it is called, and the story begins behind. */
const howIsTied =
  /^\s*(?:(?:this\s+is|here(?:'s|\s+is))\s+)?(?:how|the\s+way)\s+(?:i|we)\s+(?:tie|dress|make|do)\s+(?:the|a|an|our|my)\s+([\p{L}][\p{L}'\s-]{2,40})(?:,\s*(?:sizes?\s*|#)?[\d\s/,&-]+?)?\s*:\s+(?=\S)/u;
/** “Grab a size 10 nymph hook …”: what is done first, and no name. */
const isDoneFirst =
  /\b(?:tak|grab|us|get|plac|put|slid|slip|clamp|mount)(?:e|ing|ting|ping|bing)?\b[^.;]*\bhook\b|\b\d[\d.,]*\s?mm\b|\bweighted\s+with\b|^\s*(?:i|we)(?:'m|\s+am|'re|\s+are|'ve)?\s+(?:on|using|use|have|got|put|start|begin)\b|^\s*(?:(?:so|ok|okay|right|now|first|to\s+start)\W+)*(?:take|grab|get|mount|de-?barb|put|place|fix|clamp|choose|pick|select|find|pinch|crimp|slide|slip|pop|load|set|use)\s+(?:up\s+|out\s+|on\s+)?(?:an?|the|your|my|one)\s/;
/** “Shrimp. Take a size 10 hook …”: the name of the fly as a sentence of its own, and the rest is read by itself. */
function readTitleSentence(r: Reading, i: number): boolean {
  const text = r.plain[i] ?? "";
  const first = r.lines.findIndex((t) => t.trim() !== "");
  const m =
    /^\s*([\p{L}][\p{L}'\s-]{2,45}(?:,?\s*sizes?\s*[\d\s,/&-]+|,\s*\d{1,2}(?:\/0)?\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?)(?:(?<!\bno)\.|:(?=\s+(?:(?:[a-z-]+\s+){0,2}hook\b|#\s?\d{1,2}\s+(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)\b)))\s+(?=\S)/u.exec(
      text,
    ) ?? nameAndSizes.exec(text);
  const how = howIsTied.exec(text);
  if (i === first && how) {
    keepName(r, i, text.indexOf(how[1] ?? ""), how[1]?.trim().length ?? 0);
    lineOf(r, i).marks.push({ at: [0, how[0].length], kind: "known" });
    readFrom(r, i, how[0].length);
    return true;
  }
  const words =
    m?.[1]
      ?.replace(titleTail, "")
      .replace(/,\s*(?:sizes?\s*|#)?\d.*$/, "")
      .trim() ?? "";
  // Ahead of the hook a name may be a whole description: “A small black beetle for the lake: hook …”.
  const most = /:\s+(?:[a-z-]+\s+){0,2}hook\b/.test(text) ? 8 : 4;
  if (i !== first || !m || words.split(/\s+/).length > most || verbAt(words, 0) || headOf(text).isListed) return false;
  if (/\b(?:thread|silk|tie|wind|wrap|turns?|fibres?|start|hook|wet|dry)\b/.test(words)) return false;
  keepName(r, i, lineOf(r, i).text.indexOf(lineOf(r, i).text.trimStart()), words.length);
  const said = readHook(m[1] ?? "", []);
  if (said.sizes) r.bench.facts.sizes ??= said.sizes;
  lineOf(r, i).marks.push({ at: [0, m[0].length], kind: "known" });
  readFrom(r, i, m[0].length);
  return true;
}
function keepName(r: Reading, i: number, at: number, length: number): void {
  r.bench.facts.name ??= lineOf(r, i).text.slice(at, at + length);
}
/** The rest of a line is read as a line of its own, at its own places. */
function readFrom(r: Reading, i: number, end: number): void {
  const rest = (r.plain[i] ?? "").slice(end);
  const head = headOf(rest);
  r.plain[i] = " ".repeat(end) + rest;
  r.heads[i] = {
    ...head,
    begin: head.begin + end,
    ...(head.named && { named: [head.named[0] + end, head.named[1] + end] }),
  };
}

function readTitle(r: Reading, i: number): void {
  const line = lineOf(r, i);
  line.kind = "fact";
  line.marks.push({ at: [0, line.text.length], kind: "known" });
  const [name, rest] = line.text.trim().split(/\s*[(,:]|\s+-\s+/, 2);
  // “# Night Ferry”, “**Night Ferry**”: what only marks it is no part of its name.
  const bare = name?.replace(/^[\s#*_]+|[\s#*_=]+$/g, "");
  if (bare) r.bench.facts.name ??= bare;
  const said = readHook(r.plain[i] ?? "", []);
  if (said.sizes) r.bench.facts.sizes ??= said.sizes;
  const tail = titleTail.exec(r.plain[i] ?? "")?.[0] ?? "";
  const hook = /[a-z]{4}/.test(tail.replace(/sizes?/g, "")) ? readHook(tail, r.context.hooks) : undefined;
  if (hook?.model && !r.bench.facts.hookModel) {
    r.bench.facts.hookModel = hook.model.id;
    r.bench.facts.family ??= hook.family;
    line.assumed.push(hook.model.name);
  }
  const style = rest?.split(/[,)]/)[0]?.trim();
  if (style && !/\d/.test(style)) r.bench.facts.style ??= style;
}

const besideIt = new Set<MaterialForm>(["bead", "thread", "weight wire", "eyes"]);
/** “size 14 wet hook and yellow silk”, “jig 10, slotted bead”: what lies beside the hook is a thing of its own. */
function isBesideHook(text: string, at: number, index: CabinetIndex): boolean {
  const found = descriptionAt(text, at, index, false);
  const form = formSaid(found);
  if (form !== undefined && besideIt.has(form)) return true;
  return /^(?:(?:thread|silk)\s+[\p{L}\d]|(?:[a-z]+\s+)?\d{1,2}\/0\s+(?:[a-z]+\s*)?(?:[.,;]|$)|(?!(?:extra\s+)?(?:long|short|heavy|light|standard|wide|hook|shank|sizes?|in)\b)(?:[a-z]+\s+){1,2}\d{1,2}\/0\s*(?:[.,;]|$))/u.test(
    text.slice(at),
  );
}

const countsTurns = /^(?:\d{1,2}|[a-z]+)\s+(?:turns?|wraps?|strands?|fibres?)\s+of\b/;
/** “Hook: dry 14; thread: black; tail: …”: where the list in one line goes on behind the hook. */
function endOfHook({ scanContext: { index } }: Reading, text: string, begin: number): number | undefined {
  for (const m of text
    .slice(begin)
    .matchAll(
      /[;.:]\s+|,\s+(?:(?:and|with|plus)\s+)?(?:(?:i|we)\s+(?:(?:will|'ll| {3})\s*)?(?:use|like|tie\s+with)\s+)?(?:an?\s+|some\s+)?|\s(?:and|with|plus|&|\+|\/)\s+(?:(?:i|we)(?:'ve|\s+have|\s{3})?\s+(?:use|like|got|tie\s+with|(?=(?:put|slide|slip|add)\b))\s*)?(?:an?\s+|some\s+)?/g,
    )) {
    const at = begin + m.index + m[0].length;
    if (m[0].startsWith(":") && !/\d/.test(text.slice(begin, at))) continue;
    if (/\bhook\b|\d/.test(text.slice(begin, at)) && isBesideHook(text, at, index)) return at;
    // “grub 12, weight 10 turns of lead”: a part with its figures.
    const verb = /\d|\bhook\b/.test(text.slice(begin, at)) ? verbAt(text, at)?.id : undefined;
    if (verb && doneAtOnce.has(verb)) return at;
    if (/\d/.test(text.slice(begin, at)) && threadAhead.test(text.slice(at))) return at;
    if (/^(?:,|\s(?:and|with|plus)\s)/.test(m[0]) && /\d/.test(text.slice(begin, at)) && weighs.test(text.slice(at)))
      return at;
    if (!/^[;.:]/.test(m[0])) continue;
    const head = headOf(text.slice(at));
    if (head.isListed && head.role !== "hook") return at;
    // “A size 10 hook, 2x long. 8 turns of lead”: a sentence that counts something else.
    if (countsTurns.test(text.slice(at))) return at;
    // “Take hook D1 in 16. Wind yellow silk to the bend”: a sentence that does something is no more about the hook.
    if (!head.isListed && verbAt(text, at)) return at;
  }
  return undefined;
}

function readHookLine(r: Reading, i: number): void {
  const whole = r.plain[i] ?? "";
  const end = endOfHook(r, whole, r.heads[i]?.begin ?? 0);
  if (end !== undefined) r.plain[i] = whole.slice(0, end);
  readHookWords(r, i);
  if (end === undefined) return;
  r.plain[i] = whole;
  readFrom(r, i, end);
  const line = lineOf(r, i);
  line.kind = "steps";
  line.about = undefined;
}

/** “… sizes 8 and 10, and slide on a bead”: what is done in the same breath is a step. */
const doneAtOnce = new Set<string>(["seat", "start", "tie in", "wind", "move", "dub"]);
const weighs =
  /^(?:(?:weight(?:ed)?|lead|bead|thread|silk)\b[^,;]*\d|(?:\d{1,2}|[a-z]+)\s+(?:turns|wraps)\s+(?:of\s+)?(?:\S+\s+){0,3}(?:lead|wire)\b)/;
/** “… and I use brown 8/0.” */
const threadAhead =
  /^(?:(?:[a-z]+\s+){1,2}(?:\d{1,2}\/0|\d{2,3}\s*den(?:ier)?)|\d{2,3}\s*den(?:ier)?\.?\s+[a-z]+|(?!turns\b|size\b)[a-z]+\s+(?:50|70|100|140|210)|(?:[5-9]\d|[12]\d\d)\s+(?!degrees?\b)[a-z]+(?:\s+(?:thread|silk))?)\s*(?:[.;,]|$)/;
const linkBehind = /(?:[,;.]|\s(?:and|with|plus|&|\+|\/))(?:\s+an?)?\s*$/;

const WHICH_SIZES = "In which sizes is it tied?";
const WHICH_HOOK = "Which hook of the room is it?";
/** Once all lines are read for facts: what one of them tells is asked at no other. */
export function askHookOnce(r: Reading): void {
  const { sizes, hookModel } = r.bench.facts;
  const isTold = ({ sentence }: { sentence: string }): boolean =>
    (sentence === WHICH_SIZES && sizes?.from !== undefined) || (sentence === WHICH_HOOK && hookModel !== undefined);
  r.lines.forEach((_, i) => {
    const line = lineOf(r, i);
    line.asks = line.asks.filter((ask) => !isTold(ask));
  });
}

function readHookWords(r: Reading, i: number): void {
  const line = lineOf(r, i);
  line.kind = "fact";
  line.about = "hook";
  const begin = r.heads[i]?.begin ?? 0;
  const said = readHook((r.plain[i] ?? "").slice(begin), r.context.hooks);
  // An answer goes behind the hook’s own words, before what else the line names.
  const behind = (r.plain[i] ?? "").replace(linkBehind, "").length;
  line.marks.push({ at: [0, (r.plain[i] ?? "").length], kind: "known" });
  if (said.sizes) keepSizes(r, i, said.sizes, begin, behind);
  else if (!r.bench.facts.sizes?.from) line.asks.push({ at: [behind, behind], sentence: WHICH_SIZES, answers: [] });
  if (said.model) {
    r.bench.facts.hookModel = said.model.id;
    line.assumed.push(said.model.name);
    if (said.others.length > 0)
      line.notes.push(`${said.model.name} was taken; ${said.others.map((h) => h.name).join(", ")} would do as well`);
  } else {
    const all = [...r.context.hooks];
    line.asks.push({
      at: [behind, behind],
      sentence: WHICH_HOOK,
      answers: all.slice(0, 8).map((h) => ({ label: h.name, text: ` (${h.name})` })),
    });
  }
  if (said.family) r.bench.facts.family = said.family;
  askBehindHook(r, i);
  askBesideHook(r, i);
}
