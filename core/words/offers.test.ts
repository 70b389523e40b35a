import { describe, expect, test } from "vitest";
import { cabinet } from "./corpus/cabinet";
import { recipeOffers } from ".";

const offered = (text: string, kinds: Parameters<typeof recipeOffers>[3] = [], at = text.length) => {
  const found = recipeOffers(text, at, cabinet.values(), kinds);
  return (
    found && { from: found.from, labels: found.offers.map((o) => o.label), texts: found.offers.map((o) => o.text) }
  );
};

describe("what is offered while a recipe is typed", () => {
  test("parts and beginnings at the start of a line, of this line only", () => {
    expect(offered("Hook: N1 10\nta")?.texts).toEqual(expect.arrayContaining(["tail: ", "tag: "]));
    expect(offered("ti")?.texts).toContain("tie in the ");
    expect(offered("Hook: N1 10\nta")?.from).toBe("Hook: N1 10\n".length);
    expect(offered("tail: 6 fibres, ta")?.texts ?? []).not.toContain("tail: ");
  });
  test("materials by any of their words, in any order, in place of the words that named them", () => {
    const found = offered("tail: pheas tail");
    expect(found?.labels).toContain("pheasant tail feather");
    expect(found?.from).toBe("tail: ".length);
    expect(offered("body: olive hare")?.labels.every((l) => /hare/.test(l) && /olive/.test(l)) ?? true).toBe(true);
  });
  test("places, and what can be said of the steps that the line makes", () => {
    expect(offered("rib: fine wire, behind")?.labels).toEqual(
      expect.arrayContaining(["behind the bead", "behind the eye"]),
    );
    expect(offered("rib: fine wire, cou", ["wind"])?.labels).toContain("counter");
    expect(offered("rib: fine wire, cou", ["whip"])?.labels ?? []).not.toContain("counter");
  });
  test("nothing for a letter alone, for a hook, or for what nobody knows", () => {
    expect(offered("rib: f")).toBeUndefined();
    expect(offered("rib: xyzzy")).toBeUndefined();
    for (const m of cabinet.values())
      if (m.form === "hook") expect(offered(`tail: ${m.name}`)?.labels ?? []).not.toContain(m.name);
  });
  test("what stands before the cursor counts, not what stands behind it", () => {
    const text = "rib: behind\nbody: hare";
    expect(offered(text, [], "rib: behind".length)?.labels).toContain("behind the bead");
  });
});
