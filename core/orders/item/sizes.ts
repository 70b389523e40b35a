import { type ItemState, type Draft, ask, endOf } from "./draft";
import { comesIn } from "../sizes";
import type { Stretch } from "../stretch";

/** “in tan, same size”, and “another 6 dz of the same” */
const SAME_SIZE =
  /(?<!\p{L})(?:(?:in|of)\s+)?(?:the\s+)?same(?!\s+(?:in|with|but|as|number|quantity|amount|colou?r|fly|pattern)(?!\p{L}))(?:\s+(?:sizes?|again|ones?))?(?!\p{L})|(?<!\p{L})(?:(?:in\s+)?(?:der)?selben|gleichen?)\s+größe(?!\p{L})|(?<!\p{L})(?:dasselbe|das\s+gleiche)(?!\p{L})(?!\s+(?:in|mit))/iu;

const SIZES = /sizes|größen/iu;

const AGAIN =
  /(?<!\p{L})(?:another|further|(?:dz|doz\p{L}*|dozen|flies|pcs)\.?\s+more|nochmals?|noch\s+einmal|weitere)(?!\p{L})/iu;

/** “3 dz in slate, one in amber”: another colour or weight of the same fly is of the same size. */
function sizeCarried(
  s: ItemState,
  { line, pattern, colours, formSaid, isNamed }: Draft,
  isSaid: boolean,
): string | undefined {
  const { before } = s;
  if (isSaid && before && (pattern === undefined || before.size === undefined || comesIn(before.size, pattern.sizes)))
    return before.size;
  const isCounted = line.flies !== undefined || line.doubts.some((d) => d.code === "DOZENS_OR_FLIES");
  if (isNamed || !pattern || before?.pattern !== pattern.id || !isCounted) return undefined;
  // “6 dz 14 on 1 April, 4 dz on 1 May”: the same once more, for another day.
  if (colours.length === 0 && !formSaid && FOR_A_DAY.test(line.text)) return before.size;
  // “… 16 by 1 March and another 2 dz by 1 April”: of the same.
  if (colours.length === 0 && AGAIN.test(line.text)) return before.size;
  // “1 dz with a red tail, 1 dz without”: fewer could be a part of those before, and are asked about.
  const isWished = line.understood.some((u) => u.field === "wish") && (line.flies ?? 0) >= (before.flies ?? Infinity);
  const isOther = (colours[0] !== undefined && colours[0].id !== before.variant) || formSaid || isWished;
  return isOther ? before.size : undefined;
}

/** A quantity and for when it is, and nothing else. */
const FOR_A_DAY =
  /^\s*(?:(?:and|und|then|plus|dann)\s+)?\S+\s+(?:dz|doz\p{L}*|dozen|dtzd?|dutzend|pcs|flies|stück)\.?\s+(?:on|by|for|in|am|bis|zum|im|until)\s+(?:the\s+)?\d{0,2}\.?(?:st|nd|rd|th)?\s*\p{L}{3,9}\.?\s*$/iu;
const MONTH_AT_END = /(?<!\p{L})(?:jan|feb|mär|mar|apr|ma[iy]|jun|jul|aug|sep|o[ck]t|nov|de[cz])\p{L}{0,6}[.!?]*$/iu;

export function settleSize(s: ItemState, stretch: Stretch, draft: Draft, isPart: boolean): void {
  const { line, pattern, sizes } = draft;
  const within = pattern ? [pattern.sizes.from, pattern.sizes.to].filter(Boolean) : [];
  const same = sizes ? undefined : stretch.take(SAME_SIZE);
  const isSame = same !== undefined;
  // “Slate Wisp 10, 12 and 14 …; Old Pilot, same sizes”: all that the statement before named.
  const several = s.goneThrough.sizes.flatMap((s) => s ?? []);
  if (
    same &&
    SIZES.test(same.words) &&
    several.length > 1 &&
    pattern &&
    several.every((s) => comesIn(s, pattern.sizes))
  ) {
    draft.sizes = { at: same.at, words: same.words, sizes: several, isRange: false };
    line.size = several[0];
    line.understood.push({ field: "size", at: same.at, label: `size ${several.join(", ")}` });
    return;
  }
  const carriedOn = sizes ? undefined : sizeCarried(s, draft, isPart || isSame);
  if (carriedOn !== undefined) {
    line.size = carriedOn;
    return;
  }
  if (!sizes) {
    const details = pattern ? { pattern: pattern.name, ...pattern.sizes } : {};
    // Behind a month a number alone would be its day.
    const mark = MONTH_AT_END.test(line.text.trimEnd()) ? "size " : "";
    const answers = within.map((s) => ({ label: s, text: ` ${mark}${s} ` }));
    ask(line, "size", [endOf(line), endOf(line)], { code: "WHICH_SIZE", details }, answers);
    return;
  }
  const [size] = sizes.sizes;
  if (size === undefined) ask(line, "size", sizes.at, { code: "SIZE_UNREADABLE", details: { words: sizes.words } }, []);
  else if (pattern && !comesIn(size, pattern.sizes)) {
    const details = { pattern: pattern.name, size, ...pattern.sizes };
    ask(
      line,
      "size",
      sizes.at,
      { code: "SIZE_OUTSIDE", details },
      within.map((s) => ({ label: s, text: s })),
    );
  } else {
    line.size = size;
    line.understood.push({ field: "size", at: sizes.at, label: `size ${sizes.sizes.join(", ")}` });
  }
}
