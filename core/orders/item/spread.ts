import { type ItemState, type Spread, type Draft, coloursSoFar, sizesSoFar, ask } from "./draft";
import type { Stretch } from "../stretch";
import { type Quantity, dozensText } from "../quantity";
import type { ReadLine } from "../types";
import { inRatio } from "./ratio";
import type { SizesRead } from "../sizes";

const SHARED =
  /(?<!\p{L})(?:half each|half and half|half\/half|50\s?\/\s?50|shared(?: evenly| equally)?|(?:split|divided|spread)(?:,?\s(?:evenly|equally))?(?: between| across| over| among(?:st)?)?|evenly(?: (?:split|divided|spread))?(?: between| across| over| among(?:st)?)?|(?:in )?equal(?:ly| parts| amounts| numbers| quantities| shares)?|(?:je )?(?:zur )?hälfte|halb und halb|halb\/halb|zu gleichen teilen|gemischt zu gleichen teilen)(?!\p{L})/iu;

/** “half in red and half in black” */
const HALF_AND =
  /(?<!\p{L})(?:half|halb|hälfte)(?:\s+(?:of\s+(?:them|these|those)|davon))?(?=\s+(?:in\s+)?(?!now|today|then|by|later|at|jetzt|heute|sofort)\p{L}+\s*,?\s*(?:and|und|&)?\s*(?:the\s+other\s+|die\s+andere\s+)?(?:half|halb|hälfte)(?!\p{L}))/iu;

/** “half of them 14s and half 16s”: the sizes stay to be read. */
const HALF_SIZES =
  /(?<!\p{L})(?:half|hälfte)(?:\s+(?:of\s+(?:them|these|those)|davon))?(?=\s+(?:(?:in|on)\s+)?(?:size\s+)?#?\d{1,2}(?:\/0)?(?:'?s)?\s*(?:,|(?:,\s*)?(?:and|und|&))?\s+(?:the\s+other\s+|die\s+andere\s+)?(?:half|halb|hälfte)(?!\p{L}))/iu;

const OTHER_HALF = /(?<!\p{L})(?:the\s+other\s+|die\s+andere\s+)?(?:half|halb|hälfte)(?!\p{L})/iu;

/**
 * “2 dz white, 1 dz black, and half a dozen each in 4/0”: of each colour so far. Where “each” stands alone behind
 * sizes that were told in several statements, it is asked of which.
 */
export function settleEach(s: ItemState, draft: Draft, at: [number, number]): void {
  const { pattern, line, sizes, colours, isNamed } = draft;
  if (!pattern || isNamed || (sizes?.sizes.length ?? 0) > 1 || colours.length > 1) return;
  const known = coloursSoFar(s, pattern);
  if (sizes && colours.length === 0 && known.length > 1) draft.colours = known;
  const soFar = sizesSoFar(s, pattern.id);
  const before = s.goneThrough.sizes.length;
  if (sizes || soFar.length < 2 || soFar.length <= before) return;
  ask(
    line,
    "size",
    at,
    { code: "WHICH_SIZE", details: { pattern: pattern.name } },
    [soFar, s.goneThrough.sizes].map((of) => ({ label: of.join(", "), text: `each in ${of.join("/")}` })),
  );
}

/** The words that say that a quantity is shared. */
export const sharedWords = (stretch: Stretch): ReturnType<Stretch["find"]> => stretch.find(SHARED);

export function isShared(stretch: Stretch): boolean {
  if (stretch.take(SHARED)) return true;
  if (!stretch.take(HALF_AND) && !stretch.take(HALF_SIZES)) return false;
  const other = stretch.take(OTHER_HALF);
  // “half 16 half 18”: what stands between two sizes lists them.
  const isBehindSize = other && /\d(?:'?s)?\s+$/.test(stretch.left.slice(0, other.at[0] - stretch.start));
  if (other && isBehindSize) stretch.putComma(other.at[0]);
  return true;
}

export const NOTHING_BEFORE: Spread = { sizes: [], variants: [], forms: [] };
const union = <T>(a: readonly T[], b: readonly T[]): T[] => [...new Set([...a, ...b])];
/**
 * Among what the statements so far went, for the next one's “each”: “3 dz in 12, 3 dz in 14; brown, 2 dz each” is of
 * both sizes. Lines go on with one another as long as they differ in one thing only.
 */
function goneOn({ before, goneThrough }: ItemState, line: ReadLine, own: Spread): Spread {
  if (before?.pattern !== line.pattern || line.flies === undefined) return own;
  const both = {
    sizes: union(goneThrough.sizes, own.sizes),
    variants: union(goneThrough.variants, own.variants),
    forms: union(goneThrough.forms, own.forms),
  };
  const isOne = Object.values(both).filter((of) => of.length > 1).length === 1;
  return isOne ? both : own;
}

/** One line for each size and colour that was said, when it was said how the quantity goes with them. */
export function spread(
  s: ItemState,
  draft: Draft,
  how: "each" | "shared" | undefined,
  quantity: Quantity | undefined,
): ReadLine[] {
  const { line, sizes, colours } = draft;
  const before = how !== "each" || draft.isNamed ? NOTHING_BEFORE : quantity?.isOfEach ? s.spreadBefore : s.goneThrough;
  // “1 dz each of claret 8, 10 and 12, and 1 dz each in green”: in each of those sizes.
  const all =
    sizes && sizes.sizes.length > 1 ? sizes.sizes : !sizes && before.sizes.length > 1 ? before.sizes : [line.size];
  const variants =
    colours.length > 1
      ? colours.map((c) => c.id)
      : colours.length === 0 && before.variants.length > 1
        ? before.variants
        : [line.variant];
  const said = draft.forms?.map((f) => f.id);
  const forms = said ?? (!draft.formSaid && before.forms.length > 1 ? before.forms : [line.form]);
  const { pairs } = draft;
  const count = pairs?.length ?? all.length * variants.length * forms.length;
  s.spreadBefore = { sizes: all, variants, forms };
  s.goneThrough = goneOn(s, line, s.spreadBefore);
  s.before = line;
  const after = quantity?.at[1] ?? line.at[0];
  const inTurn = quantity?.inTurn ?? sharedInRatio(draft, count, how, after);
  const isInTurn = inTurn !== undefined && inTurn.length === count && [all, variants].some((of) => of.length === count);
  if (inTurn && !isInTurn)
    ask(line, "quantity", [after, after], { code: "SHARED_HOW", details: { words: sizes?.words ?? "", count } }, []);
  if (count === 1) return [line];
  const flies = line.flies;
  if (draft.ratio && !isInTurn) return [line];
  if ((how === undefined && !draft.ratio) || flies === undefined) {
    if (flies === undefined) return [line];
    if (sizes && count === sizes.sizes.length && EITHER.test(sizes.words)) askWhichOf(line, sizes);
    else askShared(line, after, count, all.length > 1 ? (sizes?.words ?? "") : namesOf(draft));
    return [line];
  }
  if (how === "shared" && flies % count !== 0) {
    ask(line, "quantity", [after, after], { code: "NOT_SHARED", details: { flies, count } }, []);
    return [line];
  }
  const share = how === "each" ? flies : flies / count;
  const lines = pairs
    ? pairs.map(({ size, colour }) => ({ ...line, size, variant: colour.id, flies: share }))
    : forms.flatMap((form) =>
        all.flatMap((size) => variants.map((variant) => ({ ...line, form, size, variant, flies: share }))),
      );
  s.before = lines[lines.length - 1];
  return lines.map((l, i) => ({
    ...l,
    ...(isInTurn && { flies: inTurn[i] ?? share }),
    ...(i > 0 && { understood: [], doubts: [] }),
  }));
}

/** “6 dz 12/14/16, 3:2:1”: how many flies of each; asked where they cannot be shared so, or so many are of each. */
function sharedInRatio(
  { line, ratio }: Draft,
  count: number,
  how: "each" | "shared" | undefined,
  after: number,
): number[] | undefined {
  if (!ratio || line.flies === undefined) return undefined;
  const shares = ratio.length === count && how !== "each" ? inRatio(line.flies, ratio) : undefined;
  if (!shares) ask(line, "quantity", [after, after], { code: "NOT_SHARED", details: { flies: line.flies, count } }, []);
  return shares;
}

const namesOf = ({ colours, forms = [] }: Draft): string =>
  (colours.length > 1 ? colours : forms).map((n) => n.name).join(", ");

const EITHER = /(?<!\p{L})(?:or|oder)(?!\p{L})/u;
/** “3 dz 12 or 14”: all of them in the one or in the other, or shared. */
function askWhichOf(line: ReadLine, { at, words, sizes }: SizesRead): void {
  const isShareable = (line.flies ?? 0) % sizes.length === 0;
  ask(line, "size", at, { code: "SIZE_OR_OTHER", details: { words } }, [
    ...sizes.map((size) => ({ label: `all in ${size}`, text: size })),
    ...(isShareable ? [{ label: "shared evenly", text: `${sizes.join("/")} shared evenly` }] : []),
  ]);
}

function askShared(line: ReadLine, at: number, count: number, words: string): void {
  const flies = line.flies ?? 0;
  const shared = flies % count === 0 ? [{ label: `${dozensText(flies / count)} of each`, text: " shared evenly" }] : [];
  ask(line, "quantity", [at, at], { code: "SHARED_HOW", details: { words, count } }, [
    { label: `${dozensText(flies)} of each`, text: " each" },
    ...shared,
  ]);
}
