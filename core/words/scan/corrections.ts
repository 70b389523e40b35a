import { words, skipBlanks as skip } from "../parse";
import type { Told, Next } from "../told";
import type { Clause, Said } from "../said";
import { beginningAt } from "../clauses";
import { noCabinet } from "./here";
import { count as countRead } from "../text/count";
import { absolute } from "../text/place";
import { descriptionAt } from "../description";
import { kindOfTold } from "./kind";

export const correction = words(
  "(?:\\.\\.\\.\\s*)?(?:no(?!\\s+(?:longer|more|less|shorter|wider|further|bigger|thicker|fuller)\\b)|nope|sorry|oops|erm?|wait|scratch\\s+that|i\\s+mean|or\\s+rather|(?:or\\s+)?actually(?=,?\\s+(?:make|no|it))|make\\s+(?:that|it)(?=\\s+(?:an?|\\d|one|two|three|four|five|six|seven|eight|ten|half)))(?:\\s*[,:-])?\\s+(?:sorry\\s*,?\\s+|no\\s*,?\\s+)?(?:(?:make\\s+that|make\\s+it|make|that's|that\\s+is|it's|i\\s+mean|i(?:'m|\\s+am)?\\s+using|i\\s+use|i'll\\s+use|let's\\s+use|let's\\s+say|say)\\s+(?:it\\s+)?)*",
);

/** So many letters before a correction what was not understood belongs to what is taken back. */
const BEGUN_BEFORE = 12;

/** “A shank and a third, no, make that half a shank”: what is said later holds, and both stay as they were typed. */
export function correct(
  told: Told,
  text: string,
  at: number,
  begin: number,
  clauses: readonly Clause[],
): Next | undefined {
  for (const c of beginningAt(clauses, text, begin)) {
    const again: Said = {};
    const end = c.take(again, text, begin);
    // “Stop above the barb, no, halfway round the bend”: where it ends is told anew, as a place alone.
    if (again.there && !told.said.there && told.said.end && again.end === undefined) {
      again.end = again.there;
      delete again.there;
    }
    const isSame = Object.keys(again).some((k) => k in told.said);
    if (end === undefined || !isSame) continue;
    Object.assign(told.said, again);
    // What was begun before the correction is taken back with it, and stays to be seen.
    const isBegun = (r: { end: number }): boolean => r.end >= at - BEGUN_BEFORE;
    told.kept.push(...told.rest.filter(isBegun), { at, end: begin });
    told.understood.push({ at: begin, end });
    told.rest = told.rest.filter((r) => !isBegun(r));
    return { told, end };
  }
  return otherLength(told, text, at, begin) ?? otherNumber(told, text, at, begin) ?? otherStuff(told, text, begin);
}

/** “A clump of 3 mm, no, 2 mm”: what was so thick or so long is that instead. */
function otherLength(told: Told, text: string, at: number, begin: number): Next | undefined {
  const mm = absolute(text, begin);
  const { said } = told;
  if (!mm) return undefined;
  const to = { mm: mm.value };
  if (said.amount && "clump" in said.amount && "mm" in said.amount.clump) said.amount = { clump: to };
  else if (said.amount && "slipWidth" in said.amount && "mm" in said.amount.slipWidth)
    said.amount = { ...said.amount, slipWidth: to };
  else if (said.noodle) said.noodle = { ...said.noodle, mm: mm.value };
  else if (said.loopMm !== undefined) said.loopMm = mm.value;
  else if (said.pieceMm !== undefined) said.pieceMm = mm.value;
  else return undefined;
  told.kept.push({ at, end: begin });
  told.understood.push({ at: begin, end: mm.end });
  return { told, end: mm.end };
}

/** “Three fibres – no, make it four”: so many instead. */
function otherNumber(told: Told, text: string, at: number, begin: number): Next | undefined {
  const n = countRead(text, begin);
  const { amount, rule } = told.said;
  const isWound = amount === undefined && rule?.turns !== undefined;
  if (!n || !(amount || isWound) || !/^\s*(?:[,.;]|-\s|$)/.test(text.slice(n.end))) return undefined;
  if (!amount) told.said.rule = { ...rule, turns: n.value.n };
  else if ("fibres" in amount) told.said.amount = { ...amount, fibres: n.value.n };
  else if ("strands" in amount) told.said.amount = { ...amount, strands: n.value.n };
  else if ("feathers" in amount) told.said.amount = { ...amount, feathers: n.value.n };
  else return undefined;
  if (n.value.spread) told.said.spread = n.value.spread;
  else delete told.said.spread;
  told.kept.push({ at, end: begin });
  told.understood.push({ at: begin, end: n.end });
  return { told, end: n.end };
}

/** “1/0 brown wire... no, fine brown wire”, within one clause: what it is of, and how much, is told anew. */
function otherStuff(told: Told, text: string, begin: number): Next | undefined {
  const { description } = told;
  const place = skip(text, countRead(text, begin)?.end ?? begin);
  const before = text.slice(description?.end ?? told.at, begin).replace(/\b(?:no|nope|sorry|oops|wait)\b[^.?!…]*$/, "");
  if (!/[?.!…]\s*$|\.\.\s*$/.test(before)) return undefined;
  const other = descriptionAt(text, place, noCabinet);
  if (!other) return undefined;
  if (!description) {
    // “White tungsten … no, sorry, a glass bead”: of the first nobody knew what it is of.
    if (told.verb !== undefined || told.understood.length > 0 || told.rest.length === 0) return undefined;
    told.rest = [];
    told.kept.push({ at: told.at, end: begin });
    told.kind = kindOfTold(undefined, told.role, other.means?.form, text.slice(begin));
    return { told, end: begin };
  }
  const from = Math.min(description.at, ...told.understood.map((u) => u.at));
  const { amount: _amount, count: _count, rope: _rope, ...said } = told.said;
  Object.assign(told, { description: undefined, said, understood: [], loose: [], rest: [] });
  told.kept.push({ at: from, end: begin });
  return { told, end: begin };
}
