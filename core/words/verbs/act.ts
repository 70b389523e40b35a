import type { Component, Role } from "../../recipe";
import type { Telling } from "../bench";
import { actRead } from "../clauses/small";
import { nounMeans } from "../description";
import type { Said } from "../said";
import { readNumber } from "../text/number";
import { make } from "./making";
import { alongShank } from "../settle";
import { type Meant } from "./object";
import { settleParts } from "./places";
import type { Verb } from "./verb";
import { verb } from "./verb";

/** Something is done to a part that is there, or to the thread or the hook; it adds no material. */
export function tellAct(t: Telling): void {
  const { told, text } = t;
  const said: Said = { ...told.said };
  const [first, ...more] = actsIn(text, told.at, told.end);
  // “Pick out the dubbing, trim it to the point”: both are done; “brush out the flattened body” only brushes.
  const isDone = told.verb === "act" && first !== undefined && said.act !== undefined && first.act !== said.act;
  const isSecond = isDone && more.some((m) => m.act === said.act && joins.test(text.slice(told.at, m.at)));
  if (isSecond) tellAct({ ...t, told: { ...told, end: more[0]?.at ?? told.end, said: { act: first.act } } });
  else if (isDone || said.act === undefined) said.act = first?.act;
  if (said.act === undefined) return;
  // A cut that names nothing, or only what sticks out, is part of the step before.
  const object = thereOf(t);
  const component =
    object.component && object.role !== "thread" && object.role !== "hook" && object.role !== "finish"
      ? object.component
      : undefined;
  const typed = said.act === "half hitch" ? manyHitches.exec(text.slice(told.at, told.end))?.[1] : undefined;
  const times = said.act === "half hitch" ? (said.times ?? readNumber(typed ?? "") ?? 1) : 1;
  delete said.times;
  for (let i = 0; i < Math.min(4, times); i++)
    make(t, "act", { ...said }, component ? { ...object, component } : {}, {
      name: component ? `${said.act} the ${component.role}` : said.act,
    });
}

/** A part that is there; what is done to it makes no new one. */
function thereOf(t: Telling): Meant {
  const { told, bench } = t;
  const role = told.role;
  const component =
    (told.description && bench.partOf(told.description)) ??
    bench.ofRole(role) ??
    (role && bench.ofRole(calledToo[role])) ??
    (told.refers ? bench.component(bench.last.component) : told.description ? undefined : partWithin(t));
  return { component, role: component?.role, form: bench.formOf(component) };
}

/** One hackle is called by either name. */
const calledToo: Partial<Record<Role, Role>> = { hackle: "collar", collar: "hackle" };

const stuffWithin =
  /(?<!\b(?:under|behind|over|before|of|to|from|round|at)\s+(?:the\s+)?)\b(hackles?|dubbing|fur|fib(?:re|er)s|barbs|hairs?|foam|wool|yarn|herls?|marabou)\b/;
/** “Tease out the fur”, “pull the dubbing out”: the words of what is done hold what it is done to. */
function partWithin({ told, text, bench }: Telling): Component | undefined {
  const [, noun] = stuffWithin.exec(text.slice(told.at, told.end)) ?? [];
  return noun === undefined
    ? undefined
    : bench.partOf({ at: told.at, end: told.end, text: noun, means: nounMeans(noun) });
}

const manyHitches = /\b(\d|two|three|four)\s+half[- ]?hitch/;
const joins = /(?:,|\band|\bthen)\s*$/;
/** What is done in a stretch of the line, word by word. */
function actsIn(text: string, from: number, to: number) {
  const found: { at: number; act: NonNullable<Said["act"]> }[] = [];
  for (let at = from; at < to; at++) {
    if (at > from && !/[\s,(]/.test(text[at - 1] ?? "")) continue;
    const read = actRead(text, at);
    if (!read) continue;
    found.push({ at, act: read.value });
    at = read.end - 1;
  }
  return found;
}

export const hitch = verb(
  "act",
  "(?:(?:finish|tie|secure)\\s+(?:it\\s+)?(?:off\\s+)?(?:(?:at|behind|in\\s+front\\s+of)\\s+the\\s+\\w+\\s+)?with\\s+)?(?:(?:an?|\\d|two|three|four)\\s+)?half[- ]?hitch(?:es)?|(?:turn|flip)\\s+(?:over|back(?:\\s+(?:over|up))?)(?=\\s*(?:[,.;]|$|and\\b))|(?:turn|flip|rotate|invert)\\s+(?:(?:the\\s+)?(?:hook|vise|fly)(?:\\s+(?:over|upside\\s+down|round|back))*|it\\s+(?:over|upside\\s+down|back(?:\\s+(?:over|up))?|the\\s+right\\s+way\\s+up))",
  tellAct,
);
export const act: Verb = { id: "act", reads: actRead, tell: tellAct };
/** The hook before anything is tied on it: no step of the fly. */
export const prepare = verb(
  "prepare",
  "(?:secure|place|put|clamp|mount|fix)\\s+it\\s+in(?:to)?\\s+(?:the|your|a)\\s+vi[sc]e|clamp\\s+it(?:\\s+(?:in|down|tight))?(?=\\s*(?:[,.;]|$|and\\b))|(?:clamp|mount|secure|fix)\\s+(?:the\\s+|your\\s+)?hook(?=\\s*(?:[,.;]|$|and\\b))|(?:(?:place|put|mount|fix|clamp|secure|set)\\s+)?(?:the\\s+|your\\s+)?hook\\s+in(?:to)?\\s+(?:the\\s+|your\\s+)?vi[sc]e|(?:pinch|flatten|crimp|mash|squash|smash|squeeze|press|crush|close|debarb)(?:\\s+(?:down|flat))?\\s+the\\s+barb(?:\\s+(?:down|flat))?|de-?barb(?:\\s+the\\s+hook)?",
  () => undefined,
);
/** Ends that stick out are cut away: part of the step before, kept with its words. */
export const excess = verb(
  "excess",
  "(?:trim|cut|clip|snip|nip|remove|break|helicopter|tidy)(?:(?:m|t|p)?ing(?=\\s+(?:off\\s+|away\\s+)?(?:the\\s+)?(?:butts?|ends|surplus|excess|waste|stubs?)\\b))?(?:\\s+(?:off|away|out))?(?:\\s+(?:the|any|all|both|its|their))?(?:\\s+(?:foam|hair|elk|deer|wing|tail|feather|fibre|hackle|herl)(?=\\s+(?:butts?|stubs?|ends?|stems?|waste)(?:\\s+(?:off|away|close|flush|short|level|square|at\\s+an\\s+angle))*\\s*(?:[.,;]|$|and\\b)))?\\s+(?:rest|excess|everything|what\\s+is\\s+left|what's\\s+left|tips?(?=\\s*(?:[.,;]|$|and\\b))|surplus|waste|tags?|ends?|butts?|stubs?|remainder|spare|stray\\s+fibres?|stalks?|stem|(?:(?:black|white|brown|red|tan|grey|gray|olive|orange|yellow|green|working|tying|first)\\s+)?(?:tying\\s+)?(?:thread|silk))(?:\\s+(?:ends?|bits?|short|close|off|of\\s+(?:the\\s+)?\\w+))*|(?:trim|snip|cut|clip)(?:\\s+(?:it|them))?(?:\\s+off)?(?=\\s*(?:[.,;]|$|and\\b))",
  cutsAt,
);

const ofButts = /\b(?:butts?|stubs?|rest|ends|waste|remainder|surplus|excess)\b/;
/**
 * “Trim the butts at mid-shank”, of a tail: it is bound down as far as there. Butts of a wing stand over the eye, and
 * are no longer bound where they are cut.
 */
function cutsAt(t: Telling): void {
  const { told, text, bench, line } = t;
  cutsHead(t);
  const place = told.said.there ?? told.said.end ?? told.said.begin;
  const last = bench.made.findLast((m) => m.step.do !== "act");
  const isTail = bench.component(last?.step.component)?.role === "tail";
  if (!place || !isTail || last?.step.do !== "lay" || !ofButts.test(text.slice(told.at, told.end))) return;
  if (last.step.countedWhenWound || alongShank(place) >= alongShank(last.step.tieIn?.at ?? last.step.to)) return;
  settleParts(place, { told, text, bench, line }, undefined);
  last.step = { ...last.step, from: place };
}

const asHead =
  /\bbutts?\b.*?(?:\b(?:as|for|into|to\s+form|to\s+make|to|leaving)\s+(?:an?\s+|the\s+)?(?:[a-z]+\s+){0,2}head\b|\b(?:leav(?:e|ing)|to)\s+(?:about\s+)?\d)/u;
/** “Trim the butts square, leaving 2 mm as a head”: what stays of a wing is shaped, and that is work of its own. */
function cutsHead(t: Telling): void {
  const { bench, told } = t;
  const component = bench.component(bench.made.findLast((m) => m.step.do !== "act")?.step.component);
  const isOfWing = component?.role === "wing" || component?.role === "collar";
  if (!component || !isOfWing || bench.formOf(component) !== "hair") return;
  if (!asHead.test(t.text.slice(told.at, told.end))) return;
  const object: Meant = { component, role: component.role, form: "hair" };
  make(t, "act", { act: "trim" }, object, { name: `trim the ${component.role}` });
}
