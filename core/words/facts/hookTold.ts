import { readHook } from "../hook";
import { remembered } from "../remembered";
import { type Reading } from "../reading";
import { verbAt } from "../verbs";

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
  // “Bead: 3 mm copper; hook: 14 jig”
  /(?<=[.;]\s+)hook\s*[:=]\s*(?=[^.;]*\d)[^.;]*(?=[.;]|$)/,
  // “For this I use a size 6 3xl with a gold bead”
  /(?<=^\s*|[.;]\s+)(?:(?:for\s+(?:this|these)(?:\s+ones?)?,?\s+)?(?:i\s+|we\s+)?(?:use|take|start\s+with|like)\s+)?(?:an?\s+)?(?:#|sizes?\s+|no\.?\s*)\d{1,2}(?:\/0)?,?\s+[1-6]\s?x\s?(?:l|long)?(?:\s+(?:nymph|streamer|wet|dry|hook))*(?=\s+with\b)/,
  // “I tie my pike fly on a 4/0, 210 thread.”
  /(?<=^\s*(?:i|we)\s+tie\s+(?:[a-z]+\s+){1,4})on\s+an?\s+#?(?:size\s+)?\d{1,2}(?:\/0)?(?=\s*,)/,
];
const byTheHook =
  /(?:times|half|twice|thirds?|quarters?|as\s+long\s+as|lengths?\s+of|(?:longer|shorter)\s+than|equal(?:s|ling)?(?:\s+to)?|=|than|past|over|on\s+top\s+of|(?:end|rear|back|bend|front|top|side|underside)\s+of)\s+(?:of\s+)?(?:the\s+)?(?:whole\s+|entire\s+)?hooks?\b|\bhook(?:'s)?\s*-?(?:lengths?|shank|points?|eyes?|bend|gape)\b/g;
const sizeAndKind =
  /^\s*(?:(?:so|ok|okay|right|well|now|today|here),?\s+)?(?:(?:it's|it\s+is|this\s+is|this\s+one\s+is|i\s+(?:use|tie\s+(?:it|this(?:\s+one)?)\s+on)|on|use)\s+)?(?:an?\s+)?(?:(?:sizes?|#|no\.?)\s*\d{1,2}(?:\/0)?(?:\s*(?:-|to|or|and)\s*\d{1,2}(?:\/0)?)?|\d{1,2}(?:\/0)?\s*(?:-|to|or)\s*\d{1,2}(?:\/0)?)[\s,]+(?:(?:[1-6]x\s*\w*|standard|long|short|heavy|light|barbless)\s+)?(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)(?:\s+(?:fly|hook|one))*\s*(?:[.,;]|$)|^\s*(?:in\s+)?sizes?\s*\d{1,2}(?:\/0)?(?:(?:\s*(?:-|to|or|and)\s*\d{1,2}(?:\/0)?)+\s*(?:[.;]|$)|\s*[,.;])/;

/** All that a line about the hook alone may say. */
export const hookWords =
  /^(?:#?\d{1,2}(?:\/0)?(?:-#?\d{1,2}(?:\/0)?)?s?|sizes?|no|to|or|and|in|[1-6]x?(?:l|s|xl|xs)?|[1-6]x|x|one|two|three|four|times|(?:extra|standard|regular)|long|short|shank|long-?shank(?:ed)?|short-?shank(?:ed)?|heavy|light|fine|strong|wire|wide|gape|gap|barbless|wets?|dry|dries|nymphs?|midges?|flats|streamers?|jigs?|grubs?|scuds?|curved|straight|pupae?|emergers?|caddis|double|treble|single|salmon|low-?water|pike|saltwater|stainless|black|bronze|silver|gold|nickel|down-?eye|up-?eye|turned|eye|fly|flies|hook|hooks|any|anything|std|reg(?:ular)?|from|an?|down|up|similar|equivalent|like|or|weight|gauge|extra-?(?:strong|fine|heavy|long)|medium|sproat|limerick|round|perfect|bend|\d+\s*°?|degrees?|\d+°|forged|straight-eye|ring(?:ed)?|stinger|popper|de-?barbed|pinched|flattened|barb|point|on|with)$/;
const aKind =
  /^(?:saltwater|stainless|stinger|popper|shank|eye|straight-eye|wets?|dry|dries|nymphs?|streamers?|jigs?|grubs?|scuds?|curved|pupae?|emergers?|caddis|double|single|treble|salmon|low-water|hook|hooks)$/;

const ofItsWire = /\b(?:light|fine|heavy|strong|medium)\s+wire\b/;

/** “8 long shank nymph”, “#4 streamer 4xl”, “14 wet”: a line of nothing but a hook and its size. */
export const isHookAlone = remembered((text): boolean => {
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
    (on !== undefined || all.some((w) => aKind.test(w)) || ofItsWire.test(text)) &&
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
export function isHookTold(r: Reading, i: number): boolean {
  // “one and a half times the hook” measures by it.
  const text = (r.plain[i] ?? "").replace(byTheHook, (m) => " ".repeat(m.length));
  const own = text.slice(r.heads[i]?.begin ?? 0).replace(kindAhead, "$1 ");
  // “It's a size 10 wet.”
  if (
    isSizeAndKind(text) ||
    [text, firstOf(own, /,|\swith\s/), firstOf(own, /;|(?<!\bn[or])\.\s/), firstOf(own, goesOn)].some(isHookAlone) ||
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
export const hooksTold = remembered((text) =>
  [onHook, ...hookSentences].map((at) => at.exec(text)).filter((m) => m !== null),
);
