import type { Doubt, ReadOrder } from "../types";

/** “Some with a red collar”, “one without a tail”, “maybe barbless”. */
const AHEAD =
  /(?:^|[,;(:–-])\s*(?:(?:and|but|und|aber)\s+)?(some|one|another(?:\s+one)?|others?|maybe|perhaps|einige|eine[rs]?|manche|vielleicht)\s*$/iu;
/** “With a red collar for some”, “… some of them”. */
const BEHIND =
  /^\s*(?:(?:for|on|in|bei|auf)\s+)?(?:some|others?|einige|manche)(?:\s+of\s+(?:them|these|those))?(?=\s*(?:[,.;)]|$))/iu;
/** Words are told apart by what stands right around a wish, as far as this. */
const NEAR = 40;

const ALL_OF_THEM = [{ label: "all of them", text: "all" }];

/** What is wished of some flies only, and not of how many, is asked about: it is no wish of all of them. */
export function askOfSome(order: ReadOrder, text: string): void {
  const asked = [order, ...order.lines].flatMap((o) => o.doubts.map((d) => d.at));
  const isAsked = (at: Doubt["at"]): boolean => asked.some((a) => a[0] < at[1] && at[0] < a[1]);
  for (const line of order.lines)
    for (const { at } of line.wishes) {
      // Kept in somebody's own words, as they stand.
      if (/^["“„]/.test(text.slice(at[0]))) continue;
      const ahead = AHEAD.exec(text.slice(Math.max(0, at[0] - NEAR), at[0]));
      const behind = ahead ? null : BEHIND.exec(text.slice(at[1], at[1] + NEAR));
      const words = ahead?.[1] ?? behind?.[0].trim();
      if (words === undefined) continue;
      const from = ahead
        ? at[0] - words.length - (/\s*$/.exec(ahead[0])?.[0].length ?? 0)
        : at[1] + (behind?.[0].indexOf(words) ?? 0);
      const place: Doubt["at"] = [from, from + words.length];
      if (isAsked(place)) continue;
      asked.push(place);
      line.doubts.push({
        field: "rest",
        code: "WISHED_OF_SOME",
        details: { words },
        at: place,
        candidates: ahead ? ALL_OF_THEM : [],
      });
    }
}
