import { describe, expect, test } from "vitest";
import { proportionsOfFamily } from ".";

const families = ["dry", "wet", "nymph", "pupa", "streamer", "low-water", "double", "large", "none that is known"];

describe("usual lengths of a family of hooks", () => {
  test.each(families)("%s: no part that stands off the fly is without one", (family) => {
    const { shown } = proportionsOfFamily(family);
    for (const role of ["tail", "wing", "underwing", "topping", "flash", "throat", "legs", "cheeks"] as const)
      expect(shown[role], role).toBeDefined();
  });

  test("what goes with a wing is as long as that family's", () => {
    const { shown } = proportionsOfFamily("streamer");
    expect(shown.underwing).toEqual(shown.wing);
    expect(proportionsOfFamily("dry").shown.flash).toEqual(proportionsOfFamily("dry").shown.wing);
  });
});
