import type { OrderLine } from "@kasten/contract/orders";
import { dozensText, findWish } from "@kasten/core/orders";
import { formName, variantName } from "../patterns";

const policyWords = { original: "originals only", alternates: "alternates accepted", tier: "tier decides" };

/** A line as it would be typed, so that it can be changed before it is saved. */
export function lineText(line: OrderLine, entry: Parameters<typeof variantName>[0]): string {
  const { flies, patternName, size, variant, form, wishes, policy } = line;
  const said = [
    `${dozensText(flies)} ${patternName} ${size} ${variantName(entry, variant)} ${formName(entry, form)}`.trim(),
    ...wishes
      .split("; ")
      .filter(Boolean)
      .map((w) => (findWish(w, 0)?.words === w ? w : `“${w}”`)),
    ...(policy === null ? [] : [policyWords[policy]]),
  ];
  return said.join(", ");
}

/** Of more flies with one reason than so many the rest are counted. */
const MOST_NAMED = 4;
/**
 * Why lines are not ready by their day, each reason once with the flies that it holds: “A 14, B 16, No day within …”.
 *
 * @param nameOf the name of a pattern by its id
 */
export function tooEarlyWords(
  lines: readonly { pattern: string; size: string; sentence: string }[],
  nameOf: (pattern: string) => string,
): string {
  const reasons = [...new Set(lines.map((l) => l.sentence))];
  return reasons
    .map((sentence) => {
      const held = lines.filter((l) => l.sentence === sentence).map((l) => `${nameOf(l.pattern)} ${l.size}`);
      const flies = [...new Set(held)];
      const named = flies.slice(0, MOST_NAMED);
      const more = flies.length - named.length;
      return `${[...named, ...(more > 0 ? [`${more} more`] : [])].join(", ")}, ${sentence}`;
    })
    .join(" ");
}
