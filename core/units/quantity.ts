import { DomainError } from "../errors";
import { ceilSafe } from "../numeric";

/** Base units in which stock is kept, always whole numbers: pieces, µm, µg, nL. */
export const stockUnits = ["count", "um", "ug", "nl"] as const;
export type StockUnit = (typeof stockUnits)[number];

/** Base units per unit of the core (piece, mm, mg, µl). */
export const basePerCore: Record<StockUnit, number> = { count: 1, um: 1000, ug: 1000, nl: 1000 };

/** What the drawer gives out, at least, by unit: a piece, 10 mm, 1 mg, 1 µl; in base units. */
export const issueStep: Record<StockUnit, number> = { count: 1, um: 10_000, ug: 1000, nl: 1000 };

declare const unitOfQuantity: unique symbol;
/**
 * A quantity of stock: a whole number of base units, never negative. Only `quantity` makes one, so that nothing else
 * reaches a requirement or the ledger.
 */
export type Quantity<U extends StockUnit = StockUnit> = number & { readonly [unitOfQuantity]: U };

/** How a figure becomes whole: half up, up to the next base unit, or up to what the drawer gives out. */
export type Rounding = "nearest" | "up" | "to issue";

/** More than any room holds, and far below the last whole number that a double tells from the next. */
export const MOST_QUANTITY = 1e15;

/**
 * A figure in base units as a quantity of stock.
 * @param base in base units of `unit`
 * @throws DomainError QUANTITY_INVALID for what is no number, negative, or beyond any room
 */
export function quantity<U extends StockUnit>(base: number, unit: U, rounding: Rounding = "nearest"): Quantity<U> {
  const step = rounding === "to issue" ? issueStep[unit] : 1;
  const whole = rounding === "nearest" ? Math.round(base) : ceilSafe(base / step) * step;
  if (!(whole >= 0 && whole <= MOST_QUANTITY))
    throw new DomainError("QUANTITY_INVALID", { name: "quantity", value: base });
  return (whole + 0) as Quantity<U>;
}

/** A figure of the core (pieces, mm, mg, µl) as a quantity of stock. */
export const quantityOf = <U extends StockUnit>(core: number, unit: U, rounding?: Rounding): Quantity<U> =>
  quantity(core * basePerCore[unit], unit, rounding);

/** What is left of one quantity when others are taken off; nothing, where they are more. Whole numbers stay whole. */
export const less = <U extends StockUnit>(a: Quantity<U>, ...off: Quantity<U>[]): Quantity<U> =>
  Math.max(
    0,
    off.reduce<number>((left, b) => left - b, a),
  ) as Quantity<U>;

/** Quantities of one unit together; nothing, for none. */
export const sumOf = <U extends StockUnit>(all: Iterable<Quantity<U>>): Quantity<U> =>
  [...all].reduce<number>((sum, q) => sum + q, 0) as Quantity<U>;

/** The smaller of two quantities. */
export const lesser = <U extends StockUnit>(a: Quantity<U>, b: Quantity<U>): Quantity<U> => (a <= b ? a : b);

/** Nothing of something. */
export const nothing = 0 as Quantity;
