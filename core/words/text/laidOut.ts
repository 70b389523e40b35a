import { nameOf } from "./headlines";
import type { Put } from "./stuffAsPart";

/** What only sets a line out: the sign of a quoted mail, a box to tick, the number of a step. */
const NUMBER = '(?:\\(?\\d{1,2}[.)]|step\\s+\\d{1,2}\\s*[:.)-])\\s+(?=[\\p{L}"“[])';
const MARKS = `(?:\\s*>)*\\s*(?:[-*•]\\s+)?(?:${NUMBER})?(?:\\[[ xX]?\\]\\s+)?(?:${NUMBER})?`;
const marks = new RegExp(`^${MARKS}`, "iu");
/** “Tail    red wool”, “Tail;red wool”, “Tail -> red wool”: a name and a sign that stands for a colon. */
const column = /^([\p{L}][\p{L}\s'&/-]{0,28}?)(?:\t\s*|\s{3,}|\s*(?:;|->|=>|→|⇒|—)\s*)(?=\S)/u;

/** Whether a line begins with a mark, or is a row of columns: it begins something of its own. */
export const isMarked = (line: string): boolean =>
  setOut(line).some(({ put, instead, at }) => put !== "" || line.slice(at, at + instead).trim() !== "") ||
  /^\s*(?:[-*•|#]|\d{1,2}[.)]\s)/u.test(line);

/** How long the signs of a quoted mail are ahead of a line. */
export const quoteLength = (line: string): number => /^(?:\s*>)*/u.exec(line)?.[0].length ?? 0;

/** “Tail-red wool”: a name and a hyphen, which may as well hold a word together. */
const hyphened = /^(\p{L}[\p{L}\s]{1,20})-(?=[\p{L}\d.])/u;
/** So many lines of a recipe that begin with a part and a hyphen set it out by hyphens. */
const LEAST_HYPHENED = 3;
const nameByHyphen = (line: string): string | undefined =>
  hyphened.exec(line.slice(marks.exec(line)?.[0].length ?? 0))?.[1];
/** Whether the names of a recipe's parts end in hyphens: “Tail-red wool”, “Body-black fur”, “Head-thread”. */
export function isByHyphens(lines: readonly string[]): boolean {
  const names = lines.flatMap((l) => nameOf(nameByHyphen(l) ?? "") ?? []);
  return new Set(names).size >= LEAST_HYPHENED;
}

/**
 * What stands in place of the marks and columns of a line, so that it reads as “Tail: red wool”.
 *
 * @param byHyphens whether the recipe sets its parts out by hyphens
 */
export function setOut(line: string, byHyphens = false): Put[] {
  const marked = marks.exec(line)?.[0] ?? "";
  const own = line.slice(marked.length);
  const named = column.exec(own) ?? (byHyphens ? hyphened.exec(own) : null);
  const name = named?.[1] ?? "";
  const isColumn = named !== null && nameOf(name) !== undefined && !own.slice(named[0].length).includes(";");
  return [
    ...(marked === "" ? [] : [{ at: 0, instead: marked.length, put: "" }]),
    ...(isColumn ? [{ at: marked.length + name.length, instead: named[0].length - name.length, put: ": " }] : []),
  ];
}
