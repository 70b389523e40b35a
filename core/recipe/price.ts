import { sizeWithin } from "../hooks";
import { roundHalfUp } from "../numeric";
import type { FlyChoice, PriceRule, Recipe } from "./recipe";

/** From so many dozen of a pattern in one order, so much comes off. */
export interface QuantityBreak {
  dozens: number;
  percent: number;
}

/** What a price depends on beside the fly. */
export interface PriceTerms {
  /** Flies of the pattern in the order, of all sizes and colours. */
  flies: number;
  breaks: QuantityBreak[];
  /** Per cent that the customer is given on everything. */
  discount: number;
}

export interface LinePrice {
  perDozenCents: number;
  /** What it was before anything came off. */
  listCents: number;
  /** The break that was reached, if any. */
  break?: QuantityBreak;
  /** The customer's own per cent; 0 for none. */
  discount: number;
}

type Priced = Pick<Recipe, "pricePerDozenCents" | "components" | "prices">;
type Asked = Partial<Pick<FlyChoice, "size" | "variant">> & Pick<FlyChoice, "leave">;

const fits = (rule: PriceRule, { size, variant }: Asked): boolean =>
  (!rule.sizes || (size !== undefined && sizeWithin(size, rule.sizes))) &&
  (rule.variant === undefined || rule.variant === variant);

/**
 * The list price of a dozen in cents: that of the first rule which fits its size and colour, else the pattern's; less
 * what the parts that are left out add to it. Never below nothing.
 */
export function priceOf(recipe: Priced, choice: Asked): number {
  const base = recipe.prices?.find((rule) => fits(rule, choice))?.perDozenCents ?? recipe.pricePerDozenCents;
  const off = recipe.components.reduce((sum, c) => sum + (choice.leave?.includes(c.id) ? (c.priceCents ?? 0) : 0), 0);
  return Math.max(0, base - off);
}

/** The largest break that so many flies of a pattern reach. */
export const breakAt = (flies: number, breaks: QuantityBreak[]): QuantityBreak | undefined =>
  breaks.filter((b) => flies >= b.dozens * 12).sort((a, b) => b.dozens - a.dozens)[0];

/**
 * What a dozen costs in an order: the list price, less the largest break that the order's flies of this pattern
 * reach, less the customer's own per cent of what is left. Rounded once, half a cent up.
 *
 * @example 2,400 cents, 72 flies, 5 % from 6 dz, a customer with 10 %: 2,400 × 0.95 × 0.90 = 2,052
 */
export function linePrice(recipe: Priced, choice: Asked, { flies, breaks, discount }: PriceTerms): LinePrice {
  const listCents = priceOf(recipe, choice);
  const reached = breakAt(flies, breaks);
  const share = (1 - (reached?.percent ?? 0) / 100) * (1 - discount / 100);
  return {
    perDozenCents: roundHalfUp(listCents * share),
    listCents,
    ...(reached && { break: reached }),
    discount,
  };
}
