import { spokenTitle } from "../spokenTitle";
import { headOf } from "../head";
import { readHook } from "../hook";
import { keepModel } from "./hookModel";
import { PARTS } from "../lexicon/parts";
import { lineOf, type Reading } from "../reading";
import { verbAt } from "../verbs";

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
export function isNumberedName(r: Reading, i: number): boolean {
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
export function isTitle(r: Reading, i: number): boolean {
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
    .replace(
      /^\s*(?:wet|dry)\s+(?:fl(?:y|ies)\b|(?=(?!(?:the|it|them|an?|your|its|their|both|all|down|out|through)\b)[a-z]))/,
      "",
    );
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
export function readIntroduction(r: Reading, i: number): boolean {
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
export function readSpokenTitle(r: Reading, i: number): boolean {
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
  if (said.sizes && said.model && !r.bench.facts.hookModel) keepModel(r, i, said);
  else if (said.family) r.bench.facts.family ??= said.family;
  return true;
}

/** “Simple midge, 20 and 22: black thread …”: with its sizes a name stands before a colon. */
const nameAndSizes =
  /^\s*([\p{L}][\p{L}'\s-]{2,30},\s*(?:sizes?\s*|#)?\d{1,2}(?:\/0)?(?:(?:\s*(?:,|-|&)\s*|\s+(?:and|or|to)\s+)#?\d{1,2}(?:\/0)?)*):\s+(?=\S)/u;

/** “Pupa, curved hook #12, thread olive”: name, hook and what goes on behind them, in one line. */
const nameThenHook =
  /^\s*([\p{L}][\p{L}'\s-]{2,45}),\s+(?=(?:an?\s+)?(?:(?:sizes?|#)\s*\d[^,;]*\bhooks?\b|(?:[a-z-]+\s+){0,4}hooks?,?\s+(?:sizes?\s+|#)?\d[^,;.]*)[,;.]\s)/u;

/** “How I tie the little red larva: on a size 20 hook I start …”: so it is called, and the story begins behind. */
const howIsTied =
  /^\s*(?:(?:this\s+is|here(?:'s|\s+is))\s+)?(?:how|the\s+way)\s+(?:i|we)\s+(?:tie|dress|make|do)\s+(?:the|a|an|our|my)\s+([\p{L}][\p{L}'\s-]{2,40})(?:,\s*(?:sizes?\s*|#)?[\d\s/,&-]+?)?\s*:\s+(?=\S)/u;

/** “Grab a size 10 nymph hook …”: what is done first, and no name. */
const isDoneFirst =
  /\b(?:tak|grab|us|get|plac|put|slid|slip|clamp|mount)(?:e|ing|ting|ping|bing)?\b[^.;]*\bhook\b|\b\d[\d.,]*\s?mm\b|\bweighted\s+with\b|^\s*(?:i|we)(?:'m|\s+am|'re|\s+are|'ve)?\s+(?:on|using|use|have|got|put|start|begin)\b|^\s*(?:(?:so|ok|okay|right|now|first|to\s+start)\W+)*(?:take|grab|get|mount|de-?barb|put|place|fix|clamp|choose|pick|select|find|pinch|crimp|slide|slip|pop|load|set|use)\s+(?:up\s+|out\s+|on\s+)?(?:an?|the|your|my|one)\s/;

/** “Shrimp. Take a size 10 hook …”: the name of the fly as a sentence of its own, and the rest is read by itself. */
export function readTitleSentence(r: Reading, i: number): boolean {
  const text = r.plain[i] ?? "";
  const first = r.lines.findIndex((t) => t.trim() !== "");
  const m =
    /^\s*([\p{L}][\p{L}'\s-]{2,45}(?:,?\s*sizes?\s*[\d\s,/&-]+|,\s*\d{1,2}(?:\/0)?\s*(?:-|to)\s*\d{1,2}(?:\/0)?)?)(?:(?<!\bno)\.|:(?=\s+(?:(?:[a-z-]+\s+){0,2}hook\b|#\s?\d{1,2}\s+(?:wet|dry|nymph|streamer|jig|grub|scud|curved|pupa)\b)))\s+(?=\S)/u.exec(
      text,
    ) ??
    nameAndSizes.exec(text) ??
    nameThenHook.exec(text);
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
export function readFrom(r: Reading, i: number, end: number): void {
  const rest = (r.plain[i] ?? "").slice(end);
  const head = headOf(rest);
  r.plain[i] = " ".repeat(end) + rest;
  r.heads[i] = {
    ...head,
    begin: head.begin + end,
    ...(head.named && { named: [head.named[0] + end, head.named[1] + end] }),
  };
}

export function readTitle(r: Reading, i: number): void {
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
  if (hook?.model && !r.bench.facts.hookModel) keepModel(r, i, hook);
  const style = rest?.split(/[,)]/)[0]?.trim();
  if (style && !/\d/.test(style)) r.bench.facts.style ??= style;
}
