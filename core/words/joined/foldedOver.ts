import type { Told } from "../told";

const over = /\bfolded\s+over\b(?!\s+the\s+(?:tying\s+)?(?:thread|silk)\b)/u;
const double = /\b(?:doubled?|in\s+half)\b/u;

/** “Wing case: six strands of herl, folded over”: so is the cover, and not each of its strands. */
export const withFoldedOver = (all: Told[], text: string): Told[] =>
  all.map((t) => {
    const { amount } = t.said;
    const words = text.slice(t.at, t.end);
    const isCover = t.role === "wing case" && t.kind === "lay" && over.test(words) && !double.test(words);
    return isCover && amount && "strands" in amount
      ? { ...t, said: { ...t.said, amount: { ...amount, folded: false } } }
      : t;
  });
