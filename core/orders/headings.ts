import { comesIn } from "./sizes";
import type { Catalogue, ReadLine, ReadOrder } from "./types";

/** Whether a line names its fly itself, or goes on with that of the line before. */
const isNamed = (line: ReadLine): boolean => line.understood.some((u) => u.field === "pattern");

/**
 * What stands above lines is no line of its own: a fly's name over a list of its sizes, or a quantity that the lines
 * beneath it share out.
 * Takes such lines out; what they said is understood, and a size that they gave is given on.
 */
export function headingsIn(order: ReadOrder): void {
  const kept: ReadLine[] = [];
  for (let i = 0; i < order.lines.length; i++) {
    const line = order.lines[i];
    if (!line) break;
    const below = order.lines.slice(i + 1);
    const own = below.slice(0, lengthOf(below, line));
    if (isSum(line, order.lines)) order.understood.push(...line.understood);
    else if (own.length > 0 && (isName(line) || isTotal(line, own))) {
      order.understood.push(...line.understood);
      for (const l of own) giveOn(line, l);
    } else kept.push(line);
  }
  order.lines = kept;
}

/** How many of the lines beneath go on with the same fly without naming it. */
function lengthOf(below: readonly ReadLine[], line: ReadLine): number {
  const end = below.findIndex((l) => l.pattern !== line.pattern || isNamed(l));
  return end < 0 ? below.length : end;
}

const openQuestions = new Set(["HOW_MANY", "WHICH_SIZE", "WHICH_COLOUR"]);
const asksOnlyWhatIsBeneath = (line: ReadLine): boolean => line.doubts.every((d) => openQuestions.has(d.code));

/** A name without a number, which asks nothing but what stands beneath it. */
const isName = (line: ReadLine): boolean =>
  line.pattern !== undefined && line.flies === undefined && isNamed(line) && asksOnlyWhatIsBeneath(line);

/** A quantity that lacks a size or colour, and is just what the lines beneath come to, none of another. */
const isTotal = (line: ReadLine, own: readonly ReadLine[]): boolean =>
  own.length > 1 &&
  line.flies !== undefined &&
  line.doubts.length > 0 &&
  asksOnlyWhatIsBeneath(line) &&
  (["size", "variant"] as const).every((is) =>
    own.every((l) => line[is] === undefined || l[is] === undefined || l[is] === line[is]),
  ) &&
  own.every((l) => l.flies !== undefined) &&
  own.reduce((sum, l) => sum + (l.flies ?? 0), 0) === line.flies;

/** “Total 12 dz”: no fly of its own, and just what all the others come to. */
const isSum = (line: ReadLine, all: readonly ReadLine[]): boolean =>
  !isNamed(line) &&
  line.flies !== undefined &&
  SUM.test(line.text) &&
  all.reduce((sum, l) => sum + (l === line ? 0 : (l.flies ?? 0)), 0) === line.flies;
const SUM =
  /^\s*(?:in\s+)?(?:grand\s+)?(?:totals?|sum|all|that(?:'s|\s+is|\s+makes)|altogether|together|insgesamt|gesamt|zusammen|summe)(?!\p{L})|(?<!\p{L})(?:(?:in )?total|altogether|in all|insgesamt|gesamt)\s*:?\s*$/iu;

/**
 * “3 dz in 16 and 3 dz in 18, amber”, “2 dz 12s, 2 dz 14s in Slate Wisp”: what ends a list is said of all its lines,
 * where they lack it.
 *
 * @param lines those of one statement, in its order
 */
export function giveBack(lines: readonly ReadLine[], text: string, { patterns }: Catalogue): void {
  const last = lines.at(-1);
  const others = lines.slice(0, -1);
  if (!last || others.length === 0) return;
  givePattern(others, last, patterns);
  giveSize(others, last, text, patterns);
  giveBoth(others, last, text);
  giveForm(others, last, text);
  const colour = last.understood.find((u) => u.field === "variant");
  if (!colour || !/,\s*(?:all\s+|alle\s+)?(?:in\s+)?$/iu.test(text.slice(0, colour.at[0]))) return;
  const isLacking = (l: ReadLine): boolean =>
    l.pattern === last.pattern && l.variant === undefined && l.doubts.some((d) => d.code === "WHICH_COLOUR");
  if (!others.every(isLacking)) return;
  for (const l of others) {
    l.variant = last.variant;
    l.doubts = l.doubts.filter((d) => d.code !== "WHICH_COLOUR");
  }
}

/** “2 dz olive, 2 dz grey, both size 12 and weighted”: what stands behind “both” is of the one before as well. */
function giveBoth(others: readonly ReadLine[], last: ReadLine, text: string): void {
  const [other, another] = others;
  // “…, both by 8 May”: of both is the day, and not what stands ahead of it.
  const both = /,\s*(both|beide)(?!\p{L})(?!\s+(?:by|for|before|due|until|on|bis|zum|für|vor)(?!\p{L}))/iu.exec(
    text.slice(last.at[0], last.at[1]),
  );
  if (!both || !other || another || other.pattern !== last.pattern) return;
  const from = last.at[0] + both.index;
  const said = last.understood.filter((u) => u.at[0] > from);
  const isAsked = (l: ReadLine, code: string): boolean => l.doubts.some((d) => d.code === code);
  for (const { field } of said)
    if (field === "size" || field === "variant" || field === "form") other[field] = last[field];
  if (isAsked(other, "WHICH_SIZE") && other.size !== undefined)
    other.doubts = other.doubts.filter((d) => d.code !== "WHICH_SIZE");
  if (isAsked(other, "WHICH_COLOUR") && other.variant !== undefined)
    other.doubts = other.doubts.filter((d) => d.code !== "WHICH_COLOUR");
  last.doubts = last.doubts.filter(
    (d) => !(d.code === "NOT_UNDERSTOOD" && /^(?:both|beide)$/iu.test(text.slice(...d.at).trim())),
  );
}

const ALL_AHEAD =
  /(?:^|[\s,;(.–-])(?:all|alle|everything)(?:\s+(?:of\s+)?(?:them|these))?\s+(?:in\s+)?(?:\p{L}+\s+)?$/iu;
const BRACKETED = /\(([^()]*)\)\s*,?\s*$/u;
const ALL_BEHIND = /^\s*,?\s*(?:all|alle|throughout)(?:\s+of\s+(?:them|these))?\s*(?:[).!;]|\n|$)/iu;
/** “3 dz olive, 2 dz grey, all unweighted”, “(3 olive, 2 grey), unweighted”: of each of them that says no other. */
function giveForm(others: readonly ReadLine[], last: ReadLine, text: string): void {
  const form = last.understood.find((u) => u.field === "form");
  if (!form) return;
  const ahead = text.slice(0, form.at[0]);
  const bracket = BRACKETED.exec(ahead);
  // Behind a bracket in which all of them stand; “(for the shop)” holds none.
  const isBehind =
    bracket && others.every((l) => l.understood.some((u) => u.field === "variant" && u.at[0] > bracket.index));
  if (!isBehind && !ALL_AHEAD.test(ahead) && !ALL_BEHIND.test(text.slice(form.at[1]))) return;
  for (const l of others)
    if (l.pattern === last.pattern && !l.understood.some((u) => u.field === "form")) l.form = last.form;
}

const ALL_OF_ONE = /,\s*(?:all|alle)(?:\s+(?:of\s+)?(?:them|these))?\s+$/iu;
/**
 * “3 dz 12 olive” in one row, “2 dz 14 grey, all unweighted” in the next: of that row, or of both, is asked.
 *
 * @param before the lines of the rows above
 */
export function askFormOfAll(before: readonly ReadLine[], lines: readonly ReadLine[], text: string): void {
  const [line, another] = lines;
  const form = line?.understood.find((u) => u.field === "form");
  const lead = form && ALL_OF_ONE.exec(text.slice(line?.at[0], form.at[0]))?.[0];
  const isOpen = (l: ReadLine): boolean =>
    l.pattern === line?.pattern && l.form !== line?.form && !l.understood.some((u) => u.field === "form");
  if (!line || another || !form || lead === undefined || !before.some(isOpen)) return;
  const words = text.slice(...form.at);
  line.doubts.push({
    field: "form",
    code: "WISH_OF_ALL",
    details: { words },
    at: [form.at[0] - lead.length, form.at[1]],
    candidates: [
      { label: "of this line", text: ` ${words}` },
      { label: "of all of them", text: `\nall ${words}` },
    ],
  });
}

/** “(2 red, 1 olive, 1 black), all 20s”: the size behind the list is that of each. */
function giveSize(others: readonly ReadLine[], last: ReadLine, text: string, patterns: Catalogue["patterns"]): void {
  const size = last.understood.find((u) => u.field === "size");
  const fly = patterns.find((p) => p.id === last.pattern);
  const isBehind =
    size &&
    /(?:\)\s*,?|,|(?<=\s(?:&|and|und)\s[^,;]{3,40})\s(?=in\s|sizes?\s))\s*(?:all\s+|alle\s+|both\s+|beide\s+)?(?:(?:in|sizes?|gr\.?)\s+|#\s*)*$/iu.test(
      text.slice(0, size.at[0]),
    );
  if (!fly || !isBehind || last.size === undefined) return;
  const isLacking = (l: ReadLine): boolean =>
    l.pattern === last.pattern && l.size === undefined && l.doubts.every((d) => openQuestions.has(d.code));
  if (!others.every(isLacking)) return;
  const form = last.understood.find((u) => u.field === "form");
  // “…, all 14, unweighted”: what stands behind the size of all is said of all.
  const isOfAll =
    form !== undefined && form.at[0] > size.at[0] && /\ball(?:e)?\s+\S{0,6}$/iu.test(text.slice(0, size.at[0]));
  for (const l of others) {
    l.size = last.size;
    l.doubts = l.doubts.filter((d) => d.code !== "WHICH_SIZE");
    if (isOfAll && !l.understood.some((u) => u.field === "form")) l.form = last.form;
  }
}

/**
 * “12 each of these in size 12: …”: a size that stands before the first fly is that of all that lack one; so are
 * several, “1 dz each in 14 and 16 of …”, where so many of each are meant.
 *
 * @returns the lines, one for each of several sizes
 */
export function giveAhead(lines: readonly ReadLine[], { patterns }: Catalogue, isOfEach: boolean): ReadLine[] {
  const [first] = lines;
  const size = first?.understood.find((u) => u.field === "size");
  const named = first?.understood.find((u) => u.field === "pattern");
  if (!first?.size || !size || !named || size.at[0] > named.at[0]) return [...lines];
  const own = lines.filter((l) => l.pattern === first.pattern && l.at === first.at).flatMap((l) => l.size ?? []);
  const isSeveral = own.length > 1 || first.doubts.some((d) => d.code === "SHARED_HOW");
  return lines.flatMap((l): ReadLine[] => {
    const fly = patterns.find((p) => p.id === l.pattern);
    const isLacking = l.size === undefined && fly && own.every((s) => comesIn(s, fly.sizes));
    if (!isLacking || (isSeveral && !isOfEach)) return [l];
    const doubts = l.doubts.filter((d) => d.code !== "WHICH_SIZE");
    return own.map((s, i) => ({ ...l, size: s, ...(i === 0 ? { doubts } : { doubts: [], understood: [] }) }));
  });
}

/** The fly that the last line names behind its size, for lines that are a quantity and a size and nothing else. */
function givePattern(others: readonly ReadLine[], last: ReadLine, patterns: Catalogue["patterns"]): void {
  const fly = patterns.find((p) => p.id === last.pattern);
  const named = last.understood.find((u) => u.field === "pattern");
  const size = last.understood.find((u) => u.field === "size");
  if (!fly || !named || !size || named.at[0] < size.at[0]) return;
  const isLacking = (l: ReadLine): boolean =>
    l.pattern === undefined &&
    l.size !== undefined &&
    comesIn(l.size, fly.sizes) &&
    l.doubts.every((d) => d.code === "WHICH_PATTERN");
  if (others.length === 0 || !others.every(isLacking)) return;
  const asksColour = fly.variants.length > 1;
  for (const l of others) {
    Object.assign(l, { pattern: fly.id, form: last.form, variant: asksColour ? undefined : last.variant });
    const end = l.at[1];
    const answers = fly.variants.slice(0, 4).map((v) => ({ label: v.name, text: ` ${v.name}` }));
    l.doubts = asksColour
      ? [
          {
            field: "variant",
            code: "WHICH_COLOUR",
            details: { pattern: fly.name },
            at: [end, end],
            candidates: answers,
          },
        ]
      : [];
  }
}

function giveOn(heading: ReadLine, line: ReadLine): void {
  line.wishes = [...heading.wishes, ...line.wishes];
  line.policy ??= heading.policy;
  if (line.size !== undefined || heading.size === undefined) return;
  line.size = heading.size;
  line.doubts = line.doubts.filter((d) => d.code !== "WHICH_SIZE");
}
