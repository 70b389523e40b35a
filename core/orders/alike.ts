import { daysInOne } from "./dates";
import { NUMBER } from "./numbers";

/** A size, and nothing else of its statement. */
const SIZE_ALONE = String.raw`(?=,?\s+(?:(?:but\s+)?in\s+)?(?:sizes?\s+|sz\.?\s+|größe\s+|gr\.?\s+)?#?\d{1,2}(?:\/0)?s?\s*(?:[.,;!]|$))`;
const BEGINS = String.raw`(?<=^[^\S\n]*(?:[-*•][^\S\n]+)?|[.;]\s+)`;
const again = new RegExp(
  `${BEGINS}(?:(?:and|und)\\s+)?(?:(?:the\\s+)?same\\s+(?:pattern|fly|one|thing)|as\\s+above(?:,?\\s+but)?|likewise|once\\s+(?:more|again)|again|repeat|genauso|ebenso|ditto|do\\.|dto\\.|["”“„]|the\\s+same)\\s*,?${SIZE_ALONE}`,
  "gimu",
);
/** “But make 6 of those unweighted”: 6 of those, unweighted. */
const makeSome = new RegExp(
  String.raw`(?<!\p{L})(?:but\s+|and\s+)?(?:make|tie|have|do)\s+(?=${NUMBER}\s+of\s+(?:them|these|those)(?!\p{L}))`,
  "giu",
);
/** “2 of those dozens”: 2 dz of those. */
const dozensOfThose = new RegExp(String.raw`(?<!\p{L})(${NUMBER})\s+of\s+(these|those)\s+dozens?(?!\p{L})`, "giu");
/** “May I have …”: asked for, and no month. */
const mayIHave = /(?<!\p{L})may\s+(?:i|we)\s+(?:please\s+)?(?:have|order|get)(?!\p{L})/giu;
const soManyOf = (text: string): string =>
  text
    .replace(mayIHave, (words) => "please".padEnd(words.length))
    .replace(makeSome, (words) => ",".padEnd(words.length))
    .replace(dozensOfThose, (words, n: string, those: string) => `${n} dz of ${those}`.padEnd(words.length));

/**
 * What is said in several ways, as one of them: “as above but 14”, “once more in 14” and “" 14” are “same … 14”.
 * @returns as long as it was, so that every place stays where it is
 */
export const saidAlike = (text: string): string =>
  soManyOf(daysInOne(text)).replace(again, (words, at: number, whole: string) => {
    // “Same in 14”, but “ditto 14”.
    const isIn = /^,?\s+(?:but\s+)?in\s/iu.test(whole.slice(at + words.length));
    const short = ["ditto", "dto"].find((w) => w.length <= words.length);
    return isIn && words.length >= "same".length ? "same".padEnd(words.length) : (short ?? words).padEnd(words.length);
  });
