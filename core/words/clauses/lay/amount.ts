import { opt, words, anyOf } from "../../parse";
import { type Said, wholeOf } from "../../said";
import { type Count } from "../../text/count";

export const folded = opt(
  words(
    anyOf(
      "folded\\s+(?:in\\s+)?half\\s+(?:over|round|around)\\s+the\\s+thread",
      "folded\\s+over\\s+the\\s+(?:tying\\s+)?thread",
      "folded(?:\\s+(?:double|over|a?round\\s+the\\s+thread|in\\s+half|to\\s+double))?",
      "doubled(?:\\s+(?:over|a?round\\s+the\\s+thread))?",
      ",?\\s*(?:folded|doubled)\\s*(?:to\\s+)?(?:double|over(?:\\s+the\\s+(?:tying\\s+)?thread)?|a?round\\s+the\\s+thread|in\\s+half)?",
    ),
  ),
);

export const perSide = opt(
  words(
    "(?:(?:on\\s+)?(?:a|each|per|either|every)\\s+side|to\\s+(?:a|each)\\s+side)(?!\\s+of\\s+(?:the\\s+)?(?:tail|wing)(?!\\s+\\p{L}))",
  ),
);

type Noun = "fibres" | "strands" | "feathers" | "pieces" | "slips";

/** Sets an amount of so many of a kind; false where the number is none of them. */
export function amountOf(
  said: Said,
  c: Count,
  noun: Noun,
  extra: { folded?: boolean; perSide?: boolean } = {},
): boolean {
  const times = extra.perSide ? 2 : 1;
  if (extra.perSide) Object.assign(said, { round: { near: 1, far: 1 }, isOfBothSides: true } satisfies Said);
  if (noun === "feathers") {
    if (!(c.n > 0)) return false;
    const part = said.amount && "feathers" in said.amount ? said.amount.part : undefined;
    said.amount = { feathers: times * c.n, ...(part && { part }) };
    return true;
  }
  const w = wholeOf(c);
  if (!w || c.atMost) return false;
  if (noun === "slips") {
    // So many slips are one beside the other, left and right; their width is said apart.
    said.count = times * w.n;
    said.isSlips = true;
    return true;
  }
  const n = times * w.n;
  if (w.spread) said.spread = [times * w.spread[0], times * w.spread[1]];
  said.amount =
    noun === "strands"
      ? { strands: n, folded: extra.folded ?? false }
      : noun === "pieces"
        ? { pieces: n }
        : { fibres: n };
  return true;
}

/** The number of an amount, whatever it is a number of. */
export const numberOf = (a: Said["amount"]): number | undefined =>
  a && ("fibres" in a ? a.fibres : "strands" in a ? a.strands : "feathers" in a ? a.feathers : undefined);
