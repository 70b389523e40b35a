import { allOf } from "../../numeric";
import { wordsOfFlies } from "../flyWords";
import { NUMBER, numberOf } from "../numbers";
import { isInDozens, type Quantity } from "../quantity";
import { inAll, sumOf, type Breakdown, type Counted } from "./types";

/** Says that what follows is what the quantity before it is made of. */
const MADE_OF =
  /[(:=]|(?<!\p{L})(?:namely|being|made up|split|divided|i\.?e\.?|that is|davon|darunter|of which|of them|nämlich|und zwar|aufgeteilt)(?!\p{L})/iu;
/** “6 dz Slate Wisp 14 - 4 slate 2 amber”. */
const DASH_BEFORE = /\s[-–]\s*$/u;
const SIZE_AHEAD = String.raw`(?:in\s+|of\s+)?(?:the\s+)?(?:sizes?\s*|#|no\.?\s*|gr\.?\s*)?(\d{1,2}(?:\/0)?)(?:'?s)?(?![\p{L}\d])`;
/** A number without a unit before a word, or before “in 14”. */
const BARE = new RegExp(
  String.raw`(?<![\p{L}\d#.,½¼¾-]|(?<!\p{L})/)(${NUMBER})\s+(?:(?:x|×|in|of|with|mit)\s+)?(?:the\s+)?(?:(\p{L}{3,})|(?<=\s(?:in|x|×|of)\s+(?:the\s+)?)(?=${SIZE_AHEAD}))`,
  "giu",
);

/** “10 dz: 12 x4, 14 x6”: a number of which it is not said what it counts, in the unit of the whole. */
function inUnitOf(quantity: Quantity, words: string, inDozens: boolean): Quantity {
  if (quantity.doubt?.code !== "DOZENS_OR_FLIES") return quantity;
  const n = numberOf(/\d+/.exec(words)?.[0] ?? "");
  return n === undefined ? quantity : { at: quantity.at, flies: n * (inDozens ? 12 : 1) };
}

/**
 * “6 dz Copper Lodger 14: 3 olive, 3 rust”: a quantity and what it is made of, when that adds up to it and says what
 * the quantity itself leaves open, or stands in brackets or behind a colon.
 */
export function brokenDown({ text, start, quantities, catalogue }: Counted): Breakdown | undefined {
  const [total, ...others] = quantities;
  if (total?.flies === undefined) return undefined;
  const inDozens = isInDozens(text.slice(total.at[0] - start, total.at[1] - start));
  const behind = others.map((q) => inUnitOf(q, text.slice(q.at[0] - start, q.at[1] - start), inDozens));
  if (behind.some((q) => q.flies === undefined)) return undefined;
  const { isColour, isForm } = wordsOfFlies(catalogue.patterns);
  const bare = allOf(BARE, text).flatMap((m): Quantity[] => {
    const at: [number, number] = [start + m.index, start + m.index + (m[1] ?? "").length];
    const flies = (numberOf(m[1] ?? "") ?? NaN) * (inDozens ? 12 : 1);
    const isNew = at[0] > total.at[1] && !behind.some((q) => q.at[0] < at[1] && at[0] < q.at[1]);
    const isPart = m[2] === undefined || isColour(m[2]) || isForm(m[2]);
    return isNew && isPart && Number.isInteger(flies) && flies < (total.flies ?? 0) ? [{ at, flies }] : [];
  });
  const parts = [...behind, ...bare].sort((a, b) => a.at[0] - b.at[0]);
  const [first] = parts;
  if (!first || parts.length < 2) return undefined;
  if (sumOf(parts) !== total.flies) return undefined;
  const before = text.slice(total.at[1] - start, first.at[0] - start);
  const after = parts.map((p, i) => text.slice(p.at[1] - start, (parts[i + 1]?.at[0] ?? start + text.length) - start));
  const leavesOpen = (isWord: (word: string) => boolean): boolean => {
    const says = (of: string): boolean => (of.match(/[\p{L}-]+/gu) ?? []).some(isWord);
    return after.every(says) && !says(before);
  };
  const isOpen = leavesOpen(isColour) || leavesOpen(isForm);
  const isSized = after.every((a) => /(?<!\p{L})(?:in|size|#)\s*#?\d/iu.test(a)) && !/\d/.test(before);
  const isMarked = MADE_OF.test(before) || (behind.length === 0 && DASH_BEFORE.test(before));
  // “twenty-four claret” is no size.
  const areSpelled = bare.every((q) => !/\d/.test(text.slice(q.at[0] - start, q.at[1] - start)));
  if (bare.length > 0 && !inDozens && !isMarked && !areSpelled) return undefined;
  if (!isMarked && !isOpen && !isSized) return undefined;
  return inAll(
    quantities,
    parts.map((p) => ({ ...p, isPart: true })),
  );
}
