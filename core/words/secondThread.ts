import { isColour } from "../materials";
import { labelOf } from "./named";
import type { Description } from "./description";

/** Another thread that a list names beside the first, and the part that it is for. */
export interface SecondThread {
  /** From where on the line tells of it. */
  at: number;
  description: Description;
}

const forBody =
  /\s+for\s+(?:the\s+)?(?:body|tying|rest|fly|abdomen|base|most(?:\s+of\s+it)?)(?=\s*(?:[,;]|and\b|then\b))/u;
const changed =
  "(?:(?:and|then|changing|change|changed|switching|switch|finish(?:ing)?|head)\\s+(?:(?:over\\s+)?to\\s+|in\\s+|with\\s+)?)*";
const second = new RegExp(
  `\\s*(?:[,;]|\\b(?=and\\b|then\\b))\\s*${changed}((?:[a-z]+\\s+){0,3}?(?:\\d[\\w/]*\\s+)?(?:den(?:ier)?\\s+)?(?:thread\\s+|silk\\s+)?)(?:for|at)\\s+(?:the\\s+)?head\\s*[.]?\\s*$`,
  "u",
);

/**
 * “Thread: white for the body, red for the head”: two threads, of which the second is changed to when the head is
 * built.
 * @param text a line that names the thread, in small letters
 * @param from where its own words begin
 * @returns the line with what tells of the second blanked out, and that; undefined where it names one thread only
 */
export function secondThreadOf(text: string, from: number): (SecondThread & { first: string }) | undefined {
  const found = second.exec(text.slice(from));
  const words = found?.[1]?.trim() ?? "";
  const isNamed = words.split(/\s+/).some((w) => isColour(w)) || /^\d|\d\/0|\d{2}/.test(words);
  if (!found || words === "" || !isNamed) return undefined;
  const at = from + found.index;
  const own = text.indexOf(words, at);
  const description: Description = labelOf(words, 0) ?? {
    at: own,
    end: own + words.length,
    text: /thread|silk/.test(words) ? words : `${words} thread`,
    means: { form: "thread" },
  };
  const kept = text.slice(0, at).replace(forBody, (m) => " ".repeat(m.length));
  const bare = kept.replace(/\s+for\s+(?:the\s+)?(?:body|tying|rest|fly|abdomen|base|most(?:\s+of\s+it)?)\s*$/u, (m) =>
    " ".repeat(m.length),
  );
  return { at, description: { ...description, at: own, end: own + words.length }, first: bare.padEnd(text.length) };
}
