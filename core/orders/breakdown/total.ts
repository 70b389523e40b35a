import { numberOf } from "../numbers";
import { dozensText, type Quantity } from "../quantity";
import { sumOf, type Breakdown, type Counted } from "./types";
import { SIZES_TOLD } from "./words";

/** “3 gross of flies in total, made up as: …”, “– so six dozen in all”: what these words say of a quantity. */
const IN_ALL =
  /^\s*(?:of\s+(?:flies|them|these)|flies|fliegen)?\s*,?\s*(?:in\s+(?:total|all)|altogether|all\s+told|insgesamt|zusammen)(?!\p{L})(?:\s*,?\s*(?:(?:made|split|divided)\s+(?:up\s+)?(?:as|of|into|like)(?:\s+(?:follows|this))?|as\s+follows|being|namely))?\s*:?/iu;
const SO_AHEAD =
  /(?:\s[-–]\s*|[,;(]\s*)?(?:(?:so|that(?:'|’)?s|that\s+is|making|makes|which\s+(?:is|makes)|macht|also|=)\s+)+$/iu;

/**
 * A quantity that only says what the others come to: it counts nothing itself. Of one other in several sizes it says
 * that so many are of each.
 */
export function toldInAll({ text, start, quantities }: Counted): Breakdown | undefined {
  for (const total of quantities) {
    const behind = IN_ALL.exec(text.slice(total.at[1] - start))?.[0];
    const others = quantities.filter((q) => q !== total);
    if (behind === undefined || total.flies === undefined || others.length === 0) continue;
    const times = total.flies / sumOf(others);
    const ahead = SO_AHEAD.exec(text.slice(0, total.at[0] - start))?.[0] ?? "";
    const sizes = SIZES_TOLD.exec(text)?.[0].match(/\d{1,2}(?:\/0)?/g)?.length;
    const isOfEach = others.length === 1 && times > 1 && times === sizes;
    if (times !== 1 && !isOfEach) continue;
    return {
      parts: others.map((q) => (isOfEach ? { ...q, isOfEach } : q)),
      words: [total.at[0] - ahead.length, total.at[1] + behind.length],
      label: `${dozensText(total.flies)} in all`,
    };
  }
  return undefined;
}

const TOTAL_AHEAD =
  /(?<!\p{L})(?:(?:in\s+)?total|altogether|in\s+all|sum|makes|gesamt|insgesamt|zusammen|summe)\s*[:=]?\s*$/iu;
/** A total that stands last, with the word ahead of it, and the quantities before it. */
function totalAtEnd({
  text,
  start,
  quantities,
}: Counted): { at: [number, number]; total: Quantity; flies: number; others: readonly Quantity[] } | undefined {
  const total = quantities.at(-1);
  const lead = TOTAL_AHEAD.exec(text.slice(0, (total?.at[0] ?? start) - start));
  if (!lead || total?.flies === undefined) return undefined;
  return { at: [start + lead.index, total.at[1]], total, flies: total.flies, others: quantities.slice(0, -1) };
}

/** “1 dz 12, 2 dz 14, total 5 dz”: a total at the end that the others do not come to, with the word ahead of it. */
export function totalThatDiffers(counted: Counted): { at: [number, number]; total: Quantity } | undefined {
  const end = totalAtEnd(counted);
  if (!end || end.others.length < 2 || end.others.some((q) => q.flies === undefined)) return undefined;
  const { at, total, others, flies } = end;
  return sumOf(others) === flies ? undefined : { at, total };
}

/** “14 x 2, 16 x 4, total 6 dz”: what all come to says what the numbers count. */
export function toldByTotal(counted: Counted): Breakdown | undefined {
  const end = totalAtEnd(counted);
  if (!end || end.others.length === 0) return undefined;
  const { text, start } = counted;
  const { at: words, others, flies } = end;
  const label = `${dozensText(flies)} in all`;
  if (others.length > 1 && sumOf(others) === flies && others.every((q) => q.flies !== undefined))
    return { parts: [...others], words, label };
  const numbers = others.map((q) =>
    q.doubt?.code === "DOZENS_OR_FLIES"
      ? numberOf(/\d+/.exec(text.slice(q.at[0] - start, q.at[1] - start))?.[0] ?? "")
      : undefined,
  );
  const unit = [12, 1].find((u) => numbers.reduce<number>((sum, n) => sum + (n ?? NaN) * u, 0) === flies);
  if (unit === undefined) return undefined;
  return {
    parts: others.map((q, i) => ({ at: q.at, flies: (numbers[i] ?? NaN) * unit })),
    words,
    label,
  };
}
