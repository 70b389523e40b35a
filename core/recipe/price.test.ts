import { describe, expect, test } from "vitest";
import { linePrice, priceOf, type Component, type PriceRule } from ".";

const part = (id: string, priceCents?: number): Component => ({
  id,
  role: "flash",
  material: [{ value: "x" }],
  ...(priceCents !== undefined && { priceCents }),
});
const recipe = (prices: PriceRule[] = []) => ({
  pricePerDozenCents: 2400,
  components: [part("flash", 120), part("wing", 600), part("tag")],
  prices,
});
const large: PriceRule = { sizes: { from: "2", to: "6" }, perDozenCents: 3000 };
const olive: PriceRule = { variant: "olive", perDozenCents: 2600 };

describe("priceOf", () => {
  test.each<[string, PriceRule[], Parameters<typeof priceOf>[1], number]>([
    ["the pattern's own price", [], { size: "12", variant: "olive" }, 2400],
    ["a price for large sizes", [large], { size: "4" }, 3000],
    ["its first size", [large], { size: "2" }, 3000],
    ["its last size", [large], { size: "6" }, 3000],
    ["a size outside it", [large], { size: "8" }, 2400],
    ["no size said: the pattern's own", [large], {}, 2400],
    ["a price for a colour", [olive], { size: "12", variant: "olive" }, 2600],
    ["another colour", [olive], { size: "12", variant: "rust" }, 2400],
    ["of two that fit the first counts", [large, olive], { size: "4", variant: "olive" }, 3000],
    ["both must fit", [{ ...large, variant: "rust" }], { size: "4", variant: "olive" }, 2400],
    ["what is left out comes off the price that holds", [large], { size: "4", leave: ["flash", "tag"] }, 2880],
    ["never below nothing", [{ perDozenCents: 100 }], { leave: ["wing"] }, 0],
  ])("%s", (_what, prices, choice, cents) => expect(priceOf(recipe(prices), choice)).toBe(cents));
});

describe("linePrice", () => {
  const breaks = [
    { dozens: 12, percent: 10 },
    { dozens: 6, percent: 5 },
  ];
  test.each([
    ["below the first break", 71, 0, 2400],
    ["exactly at it", 72, 0, 2280],
    ["between two", 143, 0, 2280],
    ["at the second: the larger counts alone", 144, 0, 2160],
    ["the customer's per cent, of what is left", 72, 10, 2052],
    ["the customer's alone", 12, 10, 2160],
  ])("%s", (_what, flies, discount, cents) =>
    expect(linePrice(recipe(), { size: "12" }, { flies, breaks, discount }).perDozenCents).toBe(cents),
  );
  test("says what it was, the break that was reached and the customer's per cent", () => {
    expect(linePrice(recipe([large]), { size: "4" }, { flies: 200, breaks, discount: 3 })).toEqual({
      perDozenCents: 2619,
      listCents: 3000,
      break: { dozens: 12, percent: 10 },
      discount: 3,
    });
    expect(linePrice(recipe(), {}, { flies: 12, breaks: [], discount: 0 })).toEqual({
      perDozenCents: 2400,
      listCents: 2400,
      discount: 0,
    });
  });
  test("rounds once, half a cent up", () =>
    expect(
      linePrice({ ...recipe(), pricePerDozenCents: 1110 }, {}, { flies: 72, breaks, discount: 0 }).perDozenCents,
    ).toBe(1055));
});
