import { isColour } from "../materials";
import { labelOf } from "./named";
import type { Description } from "./description";

/** Another thread that a list names beside the first. */
export interface SecondThread {
  /** The line with what tells of it blanked out. */
  first: string;
  description: Description;
  /** What was read. */
  read: [from: number, to: number][];
}

const forBody =
  /\s+(?:for\s+(?:the\s+)?(?:body|tying|rest|fly|abdomen|base|most(?:\s+of\s+it)?)|to\s+(?:start|begin)(?:\s+with)?)(?=\s*(?:[,;]|$|and\b|then\b))/u;
const changed =
  "(?:(?:and|then|changing|change|changed|switching|switch|finish(?:ing)?|head)\\s+(?:(?:over\\s+)?to\\s+|in\\s+|with\\s+)?)*";
const second = new RegExp(
  `\\s*(?:[,;]|\\b(?=and\\b|then\\b))\\s*${changed}((?:[a-z]+\\s+){0,3}?(?:\\d[\\w/]*\\s+)?(?:den(?:ier)?\\s+)?(?:thread\\s+|silk\\s+)?)(?:for|at)\\s+(?:the\\s+)?head\\s*[.]?\\s*$`,
  "u",
);

/** “…, finish with red”: at the head. */
const finishing = new RegExp(
  "\\s*(?:[,;]|\\b(?=and\\b|then\\b))\\s*(?:(?:and|then)\\s+)*(?:finish(?:ing)?(?:\\s+off)?|end(?:ing)?)\\s+(?:it\\s+)?(?:with|in)\\s+((?:[a-z]+\\s+){0,2}?[a-z]+(?:\\s+\\d[\\w/]*)?(?:\\s+(?:thread|silk))?)\\s*$",
  "u",
);

/**
 * “Thread: white for the body, red for the head”: two threads, of which the second is changed to when the head is
 * built.
 * @param text a line that names the thread, in small letters
 * @param from where its own words begin
 * @returns undefined where it names one thread only
 */
export function secondThreadOf(text: string, from: number): SecondThread | undefined {
  const found = second.exec(text.slice(from)) ?? finishing.exec(text.slice(from));
  const words = found?.[1]?.trim() ?? "";
  const isNamed = words.split(/\s+/).some((w) => isColour(w)) || /^\d|\d\/0|\d{2}/.test(words);
  if (!found || words === "" || !isNamed) return undefined;
  const at = from + found.index;
  const own = text.indexOf(words, at);
  const named = labelOf(words, 0)?.text ?? (/thread|silk/.test(words) ? words : `${words} thread`);
  // “… for the body”, of the first: the thread is on the hook from the start, whatever is tied with it.
  const use = forBody.exec(text.slice(0, at));
  const read: [number, number][] = [
    [at, text.length],
    ...(use ? [[use.index, use.index + use[0].length] as [number, number]] : []),
  ];
  const first = read.reduce((t, [a, b]) => t.slice(0, a) + " ".repeat(b - a) + t.slice(b), text);
  return { first, description: { at: own, end: own + words.length, text: named, means: { form: "thread" } }, read };
}
