import { daysInOne } from "./dates";

/** A size, and nothing else of its statement. */
const SIZE_ALONE = String.raw`(?=,?\s+(?:(?:but\s+)?in\s+)?(?:sizes?\s+|sz\.?\s+|größe\s+|gr\.?\s+)?#?\d{1,2}(?:\/0)?s?\s*(?:[.,;!]|$))`;
const BEGINS = String.raw`(?<=^[^\S\n]*(?:[-*•][^\S\n]+)?|[.;]\s+)`;
const again = new RegExp(
  `${BEGINS}(?:(?:and|und)\\s+)?(?:(?:the\\s+)?same\\s+(?:pattern|fly|one|thing)|as\\s+above(?:,?\\s+but)?|likewise|once\\s+(?:more|again)|again|repeat|genauso|ebenso|ditto|do\\.|dto\\.|["”“„]|the\\s+same)\\s*,?${SIZE_ALONE}`,
  "gimu",
);
/**
 * What is said in several ways, as one of them: “as above but 14”, “once more in 14” and “" 14” are “same … 14”.
 * @returns as long as it was, so that every place stays where it is
 */
export const saidAlike = (text: string): string =>
  daysInOne(text).replace(again, (words, at: number, whole: string) => {
    // “Same in 14”, but “ditto 14”.
    const isIn = /^,?\s+(?:but\s+)?in\s/iu.test(whole.slice(at + words.length));
    const short = ["ditto", "dto"].find((w) => w.length <= words.length);
    return isIn && words.length >= "same".length ? "same".padEnd(words.length) : (short ?? words).padEnd(words.length);
  });
