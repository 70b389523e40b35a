import { describe, expect, test } from "vitest";
import { drawerCodes } from "./drawerCodes";

describe("codes of drawers as they are written", () => {
  test.each([
    ["one", "A12", ["A12"]],
    ["several, by comma or blank", "A1, A2 B7", ["A1", "A2", "B7"]],
    ["a row", "A1 to A4", ["A1", "A2", "A3", "A4"]],
    ["a row with a dash and without the second letter", "B9-11", ["B9", "B10", "B11"]],
    ["noughts in front stay", "C01 – C03", ["C01", "C02", "C03"]],
    ["each once", "A1, A1 to A2", ["A1", "A2"]],
    ["words with marks are left to the contract to refuse", "Käse-1", ["Käse-1"]],
    ["nothing", " , ", []],
  ])("%s", (_label, text, codes) => expect(drawerCodes(text)).toEqual(codes));

  test("refuses a row that runs backwards or is longer than a cabinet", () => {
    expect(drawerCodes("A9 to A1")).toBeUndefined();
    expect(drawerCodes("A1 to A999")).toBeUndefined();
  });
});
