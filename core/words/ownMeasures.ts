import type { Ask } from "./bench";

/**
 * Lengths by a person's own hand: “a finger behind the eye”, “half a hand long”. Each person's own measure is asked
 * once; among the person's number words, in mm, it is known from then on.
 */
const OF_THE_BODY =
  /(?<!\b(?:with|by|in|on|under|between|using|of|your|each|against)\s+)\b(half\s+an?|an?|one|two|three)\s+(finger|hand)s?(?:'s)?(?:[- ]?(?:widths?|breadths?|lengths?))?(?=\s*[,.;]|\s*$|\s+(?:behind|in\s+front|long(?:er)?|short(?:er)?|wide|past|beyond|before|of|from|back|tall|high|and)\b)/g;
const times: Record<string, number> = { half: 0.5, a: 1, an: 1, one: 1, two: 2, three: 3 };
/** What stands for it until the person has told: it lets the rest of the line be read. */
const NOMINAL_MM: Record<string, number> = { finger: 20, hand: 90 };
const likely: Record<string, number[]> = { finger: [18, 20, 22], hand: [80, 90, 100] };

/**
 * @param plain the line in small letters
 * @param numberWords what words stand for with this person: “finger” in mm
 * @returns the line with such a length in mm, as long as before, and a question for each that is not known
 */
export function inOwnMeasures(plain: string, numberWords: Record<string, number> = {}): { text: string; asks: Ask[] } {
  const asks: Ask[] = [];
  const text = plain.replace(OF_THE_BODY, (typed: string, often: string, which: string, at: number) => {
    const n = times[often.split(/\s/)[0] ?? ""] ?? 1;
    const own = numberWords[which] ?? numberWords[`a ${which}`];
    const mm = (one: number): string => `${Number((n * one).toPrecision(6))} mm`;
    if (own === undefined)
      asks.push({
        at: [at, at + typed.length],
        sentence: `“${typed}” is another length with each person. How long is it with you? With “${which} ${NOMINAL_MM[which] ?? 0}” among your number words it is known from then on.`,
        answers: (likely[which] ?? []).map((one) => ({ label: mm(one), text: mm(one) })),
      });
    const stands = mm(own ?? NOMINAL_MM[which] ?? 0);
    return stands.length <= typed.length ? stands.padEnd(typed.length) : typed;
  });
  return { text, asks };
}
