import { fieldProblem, Problem } from "./problems";

/** PostgreSQL keeps no NUL, and half a pair of surrogates is no letter. */
const notText = /\0|\p{Surrogate}/u;
const MOST_DEPTH = 40;

/** Refuses text that cannot be kept, wherever it stands in what was sent, before anything else looks at it. */
export function guardTexts(value: unknown, path = "", depth = 0): void {
  if (typeof value === "string" && notText.test(value))
    throw fieldProblem("Not a text", path, "It holds a character that cannot be kept. Take it out, or type it anew.");
  if (typeof value !== "object" || value === null) return;
  if (depth === MOST_DEPTH)
    throw new Problem("bad-request", "Too deep", "What was sent is nested deeper than anything that is kept here.");
  for (const [name, below] of Object.entries(value)) {
    const at = path === "" ? name : `${path}.${name}`;
    guardTexts(name, at, MOST_DEPTH);
    guardTexts(below, at, depth + 1);
  }
}
