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

/** “Weed guard none”: a part that is not there on purpose, whatever it is called. */
export const saysNone =
  /^\s*(?:[a-z-]+\s+){0,2}[a-z-]+(?:\s*[:=?,]\s*|\s+)(?:none|not\s+needed|left\s+out)\s*[.!]?\s*$/;

export const noneAhead = /^\s*(?:(?:none|no|nothing)\s*[.;]|none\s*,)\s+(?=\S)/;

export const isNone = (text: string): boolean =>
  /^\s*(?:(?:in\s+front|behind|at\s+the\s+(?:head|front|eye))\s*,\s*)?(?:none|no|nothing|-|left\s+out|not\s+needed)\s*(?:,?\s*on\s+purpose\s*)?[.,]?\s*$/.test(
    text,
  );
