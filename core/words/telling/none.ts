import { type Reading, lineOf } from "../reading";
import type { Told } from "../told";

/** “…; body hackle: none; …”: a part of a list in one line that is not there on purpose. */
export function tellNone(r: Reading, told: Told, text: string, i: number): boolean {
  const own = text.slice(told.at, told.end).replace(/[;,.\s]+$/, "");
  if (told.role === undefined || told.description || !isNone(own)) return false;
  lineOf(r, i).marks.push({ at: [told.at, told.at + own.length], kind: "known" });
  told.rest = [];
  if (told.role === "finish" || told.role === "head") r.bench.finish = { state: "none" };
  return true;
}

const LEFT_OUT = "none|not\\s+needed|left\\s+out|omitted|nil";
/** “None on this version”, “none at all”: what follows says no more. */
const HERE =
  "(?:\\s*,?\\s*(?:on\\s+purpose|here|at\\s+all|this\\s+time|(?:on|for|in|with)\\s+this\\s+(?:one|version|fly|pattern|dressing)))?";
/** “Weed guard none”: a part that is not there on purpose, whatever it is called. */
export const saysNone = new RegExp(
  `^\\s*(?:[a-z/&+-]+\\s+){0,2}[a-z/-]+(?:\\s*[:=?,]\\s*|\\s+)(?:${LEFT_OUT})${HERE}\\s*[.!]?\\s*$`,
);

export const noneAhead = /^\s*(?:(?:none|no|nothing)\s*[.;]|none\s*,)\s+(?=\S)/;

const none = new RegExp(
  `^\\s*(?:(?:in\\s+front|behind|at\\s+the\\s+(?:head|front|eye))\\s*,\\s*)?(?:${LEFT_OUT}|no|nothing|-)${HERE}\\s*[.,]?\\s*$`,
);
export const isNone = (text: string): boolean => none.test(text);
