import { factOf, headOf, isHeading } from "../head";
import { readHook } from "../hook";
import { lineOf, type Reading } from "../reading";
import { verbAt } from "../verbs";
import { isHookAlone, isHookTold } from "./hookTold";
import { keepModel } from "./hookModel";
import { keepSizes, readHookLine, readHookWithin } from "./hookLine";
import { isNumberedName, isTitle, readIntroduction, readSpokenTitle, readTitle, readTitleSentence } from "./title";
export { askHookOnce } from "./hookLine";

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
  /^\s*(?:[-*•]\s*)?(?:you(?:\s+will|'ll)?\s+need|you\s+want|what\s+you(?:\s+will|'ll)?\s+need|(?:the\s+)?materials?(?:\s+list)?|ingredients|kit(?:\s+list)?)\s*:\s+(?=\S)/;
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
  if (!facts.hookModel) keepModel(r, i, said);
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
