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
