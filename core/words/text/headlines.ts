import { factOf, headOf, isHeading, numbering } from "../head";
import { verbAt } from "../verbs";

/** A line that only names what the line below tells: “Tail” above “red hackle fibres”. */
export interface Headline {
  /** The line that tells it. */
  of: number;
  /** As it was typed, without signs: “Tail”. */
  name: string;
}

/** With so many headlines a text is laid out like that from its top to its end. */
const FEWEST = 3;
const LONGEST = 30;
const signs = /\s*[:=–-]+\s*$/;

/**
 * Which lines of a text are headlines, each with the line below that it names, as a page with its parts in one column
 * and what they are in another is pasted.
 * @param lines as typed; the first is the name of the fly and no headline
 * @returns by the number of the line
 */
export function headlinesIn(lines: readonly string[]): ReadonlyMap<number, Headline> {
  const named = lines.map((line, i) => (i === 0 ? undefined : nameOf(line)));
  // Most texts end here.
  if (named.every((name) => name === undefined)) return new Map();
  const found = new Map<number, Headline>();
  lines.forEach((line, i) => {
    const name = named[i];
    if (name === undefined) return;
    // One blank line may lie between.
    const of = [i + 1, i + 2].find((n) => (lines[n] ?? "").trim() !== "");
    if (of === undefined || named[of] !== undefined || !tellsIt(lines[of] ?? "")) return;
    found.set(i, { of, name });
  });
  return found.size < FEWEST ? found : withOthers(lines, found);
}

/** “Breathers”, “Weed guard”: on such a page a few words between two that are told are a headline as well. */
function withOthers(lines: readonly string[], found: ReadonlyMap<number, Headline>): ReadonlyMap<number, Headline> {
  const all = new Map(found);
  const told = new Set([...found.values()].map(({ of }) => of));
  const full = lines.flatMap((line, i) => (line.trim() === "" ? [] : [i]));
  full.forEach((i, n) => {
    const [before = -1, of = -1, behind] = [full[n - 1], full[n + 1], full[n + 2]];
    const line = lines[i] ?? "";
    if (told.has(i) || all.has(i) || !told.has(before) || all.has(of) || of < 0) return;
    if (!aFewWords.test(line.trim()) || !(behind === undefined || all.has(behind))) return;
    all.set(i, { of, name: line.replace(signs, "").trim() });
    told.add(of);
  });
  return all;
}
const aFewWords = /^\p{L}[\p{L}'-]*(?: \p{L}[\p{L}'-]*){0,2}\s*[:=–-]?$/u;

/** The name of a part, of the hook or of another fact, if a line is nothing else. */
export function nameOf(line: string): string | undefined {
  if (line.length > LONGEST || line.trim() === "") return undefined;
  const name = line
    .slice(numbering.exec(line.toLowerCase())?.[0].length ?? 0)
    .replace(signs, "")
    .trim();
  const small = name.toLowerCase();
  // “Rib” is a part, and does it as well.
  if (!/^\p{L}[\p{L}\s'&/-]*$/u.test(small) || (small.includes(" ") && verbAt(small, 0))) return undefined;
  const head = headOf(`${small}: x`);
  const isHead = head.isListed && head.begin === small.length + ": ".length && head.ahead === undefined;
  return isHead || factOf(`${small}: x`) ? name : undefined;
}

/** Whether a line can be what a headline names: it has no such name and sign of its own. */
function tellsIt(line: string): boolean {
  const small = line.toLowerCase();
  const { named, begin, isListed } = headOf(small);
  const isSigned = isListed && named !== undefined && /[:=]/.test(small.slice(named[1], begin));
  return !isHeading(small) && !isSigned && !factOf(small);
}
