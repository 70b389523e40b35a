import { bindAlong } from "./boundAlong";
import type { MadeStep, Telling } from "../bench";
import { anyOf } from "../parse";
import { alongShank, USUAL_FRONT } from "../settle";
import { objectOf } from "./object";
import { windsOverWeight } from "./overWeight";
import { PARTS, roleOfWord } from "../lexicon/parts";
import { placeOf, settleParts } from "./places";
import { formTold } from "../told";
import { isCalled } from "./underThread";
import { verb } from "./verb";

/**
 * What was just done is held: wraps, a place and what stays free belong to it. A line that only ties off says no more.
 */
function tellHold(t: Telling): void {
  if (leftInFront(t) || wireBroken(t)) return;
  const { told, bench, line } = t;
  const { said } = told;
  settleParts(said, t, lastNamed(t));
  // “lock it down with thread, 6/0 black”: the first thread that is named is the one on the hook.
  if (told.description && bench.thread === undefined && formTold(told) === "thread") nameThread(t);
  if (windsOverWeight(t)) return;
  const last = bench.made.findLast((m) => m.line === line.number) ?? bench.made[bench.made.length - 1];
  // Where the line asks what it is about, nothing before it is held by its wraps.
  if (!last || (last.line !== line.number && line.asks.length > 0)) return;
  const { step } = last;
  if (holdsBack(t, last) || bindDown(t, last) || bindButts(t, last)) return;
  const isTakenOver = step.do === "lay" && step.tiedIn !== undefined;
  const target = isTakenOver ? (said.there ?? said.end ?? said.begin) : undefined;
  const at = target ?? step.tieIn?.at ?? ("from" in step ? step.from : undefined);
  const wraps = said.wraps ?? step.tieIn?.wraps;
  let held = step;
  if (at && (said.wraps !== undefined || target))
    held = { ...held, tieIn: { ...held.tieIn, at, ...(wraps !== undefined && { wraps }) } };
  // “Wind the tinsel back up and tie it off 3 mm from the eye”: so far it is wound.
  const stop = said.there ?? said.end;
  if (
    held.do === "wind" &&
    held.to &&
    stop &&
    !("part" in stop) &&
    last.line === line.number &&
    endsAt(t, held.component)
  ) {
    const isFromFront = alongShank(held.from) < alongShank(held.to);
    const front = isFromFront ? held.from : held.to;
    const isUsual = "fraction" in front && front.fraction === USUAL_FRONT;
    if (isUsual || Math.abs(alongShank(front) - alongShank(stop)) > ELSEWHERE) {
      held = { ...held, [isFromFront ? "from" : "to"]: stop };
      bench.hangs = stop;
    }
  }
  if (held.do === "lay" && said.free) held = { ...held, free: said.free };
  if (held.do === "lay" && target) {
    held = { ...held, from: target };
    bench.hangs = target;
    const waiting = bench.waiting.find((w) => w.step === held.tiedIn);
    if (waiting) waiting.at = target;
  }
  last.step = held;
}

const partNamed = new RegExp(`\\b(?:${PARTS})\\b`, "gu");
/** “Over the eyes, and tie off in front of them”: the part that was named last before; else what was told of last. */
function lastNamed({ told, text, bench }: Telling): string | undefined {
  const before = [...text.slice(0, told.at).matchAll(partNamed)].map(([word]) => bench.ofRole(roleOfWord(word))?.id);
  return before.findLast((id) => id !== undefined) ?? bench.last.component;
}

/** “Fold the hair back and tie it down 5 mm behind the eye”: there the thread goes over what was only laid back. */
function holdsBack({ told, bench }: Telling, last: MadeStep): boolean {
  const { step } = last;
  const { there, end, wraps } = told.said;
  const at = there ?? end;
  if (step.do !== "act" || step.act !== "stroke" || (!at && wraps === undefined)) return false;
  last.step = { ...step, ...(at && { at }), ...(wraps !== undefined && { wraps }) };
  bench.hangs = at ?? bench.hangs;
  return true;
}

/** “Bind the gold wire down”: the words of what is bound. */
const theNamed = (words: string): string[] =>
  /\bthe\s+((?:(?!down\b|along\b|back\b|to\b)[a-z-]+\s*){1,4})/.exec(words)?.[1]?.trim().split(/\s+/) ?? [];
const itThere = /\b(?:it|them)\b.*\bto\b/;
/** “Tie in wire behind the eye and bind it down to the bend”: it lies along the shank, and waits at the bend. */
function bindDown({ told, text, bench, line }: Telling, last: MadeStep): boolean {
  const { step } = last;
  const { end, there, shown } = told.said;
  const to = end ?? told.said.to ?? there ?? (shown && placeOf(shown));
  const words = text.slice(told.at, told.end);
  const isLater = last.line !== line.number;
  // “Bind the wire down to the bend”, in a line of its own: what waits, and is called that.
  const nouns = isLater ? theNamed(words) : [];
  const called = bench.waits((w) => nouns.some((noun) => isCalled(bench, w, noun)));
  const waiting = called ?? bench.waits((w) => w.step === step.id && (!w.hangs || w.form === "stretch body"));
  if (!waiting || !to || (step.do !== "lay" && !called)) return false;
  if (isLater && !called && !itThere.test(words)) return false;
  if (!/\b(?:down|along|back)\b/.test(words)) return false;
  return bindAlong(bench, waiting, to);
}

/** “Bind the butts along the shank up to the eyes”: so far they lie under what follows. */
function bindButts({ told, text, bench }: Telling, last: MadeStep): boolean {
  const { step } = last;
  if (step.do !== "lay" || !/\bbutts?\b/.test(text.slice(told.at, told.end))) return false;
  const { end, there, shown, laid } = told.said;
  const said = end ?? there ?? (shown && placeOf(shown)) ?? laid?.from;
  // A part that comes later is no place yet: they lie along the shank.
  const to = said && "part" in said && !bench.made.some((m) => m.step.id === said.part) ? laid?.from : said;
  if (!to) return false;
  last.step = { ...step, from: to, to: step.tieIn?.at ?? step.to };
  bench.hangs = to;
  return true;
}

const asHead = /^\W*leave\s+(?:about\s+)?(\d+(?:[.,]\d+)?)\s*mm\s/;
/** “Leave 2 mm as a head”: what was folded over stays so long in front of where it is held. */
function leftInFront({ told, text, bench, line }: Telling): boolean {
  const mm = Number(asHead.exec(text.slice(told.at))?.[1]?.replace(",", "."));
  if (!(mm > 0)) return false;
  const over = bench.made.findLast((m) => m.step.do === "lay" && m.step.tiedIn !== undefined);
  if (over?.step.do === "lay") over.step = { ...over.step, free: { mm } };
  else
    line.asks.push({
      at: [told.at, told.end],
      sentence: "Of what is that left? Nothing was folded over before; say it with what is.",
      answers: [],
    });
  return true;
}

const breaksOff = /^\W*(?:(?:and|then)\s+)*(?:helicopter|break|snap|twist|worry|waggle|wiggle|rock|bend)\b/;
/** “Break off the wire by twisting”: its end is not cut. */
function wireBroken({ told, text, bench }: Telling): boolean {
  if (!breaksOff.test(text.slice(told.at, told.end))) return false;
  const isWire = (m: MadeStep): boolean =>
    m.step.do === "wind" && ["wire", "weight wire"].includes(bench.formOf(bench.component(m.step.component)) ?? "");
  const wound = bench.made.findLast(isWire);
  if (wound?.step.do !== "wind") return false;
  wound.step = { ...wound.step, methods: { ...wound.step.methods, "wire ends": "broken" } };
  return true;
}

/** So far apart, in shanks, two places are not the same one said twice. */
const ELSEWHERE = 0.15;
/** Whether a winding of this part ends where it is tied off: that of a hackle has its turns at their own place. */
const endsAt = ({ told, text, bench }: Telling, component: string | undefined): boolean => {
  const role = bench.component(component)?.role;
  // Of a tail it is its butts that are wound.
  return (role === "body" || role === "rib" || role === "tail") && /\boff\b/.test(text.slice(told.at, told.end));
};
function nameThread(t: Telling): void {
  const { component } = objectOf({ ...t, told: { ...t.told, role: "thread" } });
  if (component) t.bench.thread = component.id;
}

export const hold = verb(
  "hold",
  anyOf(
    "leave\\s+(?:about\\s+)?\\d+(?:[.,]\\d+)?\\s*mm\\s+(?:(?:as|for)\\s+(?:a|the)\\s+(?:\\w+\\s+)?head|over\\s+the\\s+eye|in\\s+front(?:\\s+as\\s+a\\s+head)?)",
    "(?:tie|bind|lash|secure|fasten|hold|trap|fix|catch|clamp|tack)(?:\\s+(?:it|them|this|that|those|the\\s+\\w+))?\\s+(?:off|down(?!\\s+(?:an?|some|two|three|four|five|six|eight|ten|\\d+)\\s+(?!turns?\\b|wraps?\\b|(?:hook\\s+)?eyes?\\b|mm\\b|cm\\b|thirds?\\b|quarters?\\b))|in\\s+place|there|here|fast|securely|back\\s+with)(?:\\s+(?:the|its|their)\\s+(?:stems?|stalks?|quills?|tag|remainder|rest|(?:hackle\\s+)?(?:tip|point)(?!\\s+\\w+\\s+of))(?!\\s+of\\b))?",
    "(?:hold|secure|fasten|bind|trap|catch|lock|fix)(?=\\s+(?:it|them|this|the\\s+\\w+)?\\s*(?:down\\s+)?(?:with|by)\\b)",
    "(?:tie|bind|lash|wrap(?!\\s+(?:the\\s+)?butts?(?:\\s+ends?)?\\s+(?:forwards?|up|to(?!\\s+the\\s+(?:bend|shank))|until)\\b)|cover)\\s+(?:(?:down|over|in)\\s+)?(?:the\\s+|its\\s+|their\\s+)?(?:(?:hackle|feather|hair|tail|wing)\\s+)?butts?(?:\\s+ends?)?(?:\\s+down)?(?=\\s*[,.;]|\\s+(?:down\\b|along|forwards?|up|all|under|to)\\b)",
    "(?:secure|hold|fasten|trap)(?=\\s+(?:(?:just\\s+)?behind|in\\s+front\\s+of|at)\\s+the\\s+(?:\\w+\\s+){1,2}with\\b)",
    "(?<=\\b(?:over|forwards?|back)\\b[^.;]{0,30}\\band\\s+)(?:tie|bind|lash|secure|fasten)\\s+(?:it|them)(?=\\s+(?:just\\s+|right\\s+)?(?:behind|in\\s+front\\s+of|at)\\s)",
    "(?<=\\band\\s+)(?:secure|fasten|trap)(?:\\s+(?:it|them))?(?=\\s*(?:[,.;]|$))",
    "lock(?:\\s+(?:it|them))?(?:\\s+(?:in(?:\\s+place)?|down))?",
    "(?:worry|waggle|wiggle|rock|bend)\\s+(?:it|the\\s+(?:wire|rib|mono|tinsel))(?=\\s+(?:until|till|off|back|to\\s+and))",
    "(?:break|snap)\\s+(?:it|the\\s+(?:wire|end|tag|rib|gold|silver|copper|brass|oval|twist|mono|tippet|nylon))(?:\\s+off)?(?:\\s+by\\s+(?:twisting|bending|worrying|rocking)(?:\\s+(?:it|them))?)?(?=\\s*(?:[,.;]|$|and\\b))",
    "(?:break|snap|twist|worry)\\s+off\\s+(?:the\\s+)?(?:wire|tinsel|rib|end|tag|rest|waste|excess|gold|silver|copper|brass|oval|twist|mono|tippet|nylon)(?:\\s+by\\s+(?:twisting|bending|worrying|rocking)(?:\\s+(?:it|them))?)?",
    "(?:helicopter|break|twist|worry|snap)\\s+(?:it\\s+|the\\s+\\w+\\s+)?off(?:\\s+the\\s+(?:end|rest|tag|waste|excess|surplus|spare|remainder))?(?:\\s+end)?(?:\\s+by\\s+(?:twisting|bending|worrying|rocking)(?:\\s+(?:it|them))?)?",
  ),
  tellHold,
);
