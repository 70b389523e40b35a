import { describe, expect, test } from "vitest";
import type { Recipe } from "../recipe";
import { recipe } from "../testing";
import { changesBetween } from ".";

const nameOf = (code: string): string => `the ${code}`;
const changes = (change: (r: Recipe) => void) => {
  const after = recipe();
  change(after);
  return changesBetween(recipe(), after, nameOf);
};
const component = (r: Recipe, id: string) => {
  const found = r.components.find((c) => c.id === id);
  if (!found) throw new Error(`The test's recipe has no part ${id}.`);
  return found;
};
const at = (r: Recipe, id: string): number => r.steps.findIndex((s) => s.id === id);

describe("what changed from one version to the next", () => {
  test("is nothing for the same recipe, however its keys are ordered", () => {
    expect(changesBetween(recipe(), recipe(), nameOf)).toEqual([]);
    expect(
      changesBetween(recipe(), { ...Object.fromEntries(Object.entries(recipe()).reverse()) } as never, nameOf),
    ).toEqual([]);
  });

  test.each<[string, (r: Recipe) => void, { where: string; before?: string; after?: string }]>([
    [
      "its sizes",
      (r) => (r.sizes = { from: "12", to: "16" }),
      { where: "sizes", before: "10 to 16", after: "12 to 16" },
    ],
    [
      "its price, in the coin of the room",
      (r) => (r.pricePerDozenCents = 2650),
      { where: "price a dozen", before: "25.00", after: "26.50" },
    ],
    [
      "a finish that is left off on purpose",
      (r) => (r.finish = { state: "none" }),
      { where: "finish", before: "2 × finish, 240 min", after: "none, on purpose" },
    ],
    [
      "how densely it is dressed",
      (r) => (r.density = "sparse"),
      { where: "density", before: "not said", after: "sparse" },
    ],
    [
      "what a part is of",
      (r) => (component(r, "body").material = [{ value: "mix" }]),
      { where: "body, material", before: "the fur", after: "the mix" },
    ],
    [
      "that a part may be left out",
      (r) => (component(r, "rib").optional = true),
      { where: "rib, how it may be replaced or left out", before: "always", after: "may be left out" },
    ],
    [
      "the name of a weight form",
      (r) => (r.forms = [...r.forms.slice(0, 1), { id: "light", name: "bare", omit: ["bead"] }]),
      { where: "weight form", before: "unweighted", after: "bare" },
    ],
    [
      "what a weight form leaves out",
      (r) => (r.forms = [...r.forms.slice(0, 1), { id: "light", name: "unweighted", omit: ["bead", "rib"] }]),
      { where: "weight form", before: "unweighted", after: "unweighted, with other parts" },
    ],
    [
      "a colour that is gone",
      (r) => (r.variants = r.variants.slice(0, 1)),
      { where: "colour variant", before: "mixed", after: undefined },
    ],
  ])("tells %s, and no more", (_label, change, expected) => expect(changes(change)).toEqual([expected]));

  test("tells a step in the words of the bench", () => {
    const [change, more] = changes((r) => {
      const rib = r.steps[at(r, "rib")];
      if (rib?.do === "wind") rib.rule = { turns: 7 };
    });
    expect([change?.where, more]).toEqual(["step “rib”", undefined]);
    expect([change?.before, change?.after]).toEqual([
      expect.stringContaining("5 turns"),
      expect.stringContaining("7 turns"),
    ]);
  });

  test("tells what a step says beside its quantities as its notes", () => {
    const [change, more] = changes((r) => {
      const tail = r.steps[at(r, "tail")];
      if (tail) tail.tools = ["stacker"];
    });
    expect([change?.where, more]).toEqual(["step “tail”, notes", undefined]);
    expect(change?.after).toContain("stacker");
    expect(change?.before).toBe("as before");
  });

  test("tells a step that is new, and one that is gone, each once", () => {
    const gone = changes((r) => r.steps.splice(at(r, "wing"), 1));
    expect(gone.map((c) => [c.where, c.after])).toEqual([["step “wing”", undefined]]);
    const added = changes((r) => {
      r.steps.push({
        id: "second",
        name: "second whip",
        do: "whip",
        from: { eyeLengths: 0 },
        to: { eyeLengths: 0.5 },
        turns: 4,
      });
    });
    expect(added.map((c) => [c.where, c.before])).toEqual([["step “second whip”", undefined]]);
  });

  test("tells another order of the same steps as that alone", () => {
    const [change, more] = changes((r) => {
      const [wing] = r.steps.splice(at(r, "wing"), 1);
      if (wing) r.steps.splice(at(r, "legs"), 0, wing);
    });
    expect([change?.where, more]).toEqual(["order of the steps", undefined]);
    expect(change?.before).toMatch(/legs, wing/);
    expect(change?.after).toMatch(/wing, legs/);
  });

  test("is told the other way round by going back", () => {
    const after = recipe();
    after.sizes = { from: "12", to: "14" };
    component(after, "body").material = [{ value: "mix" }];
    const there = changesBetween(recipe(), after, nameOf);
    const back = changesBetween(after, recipe(), nameOf);
    expect(back.map(({ where, before, after: now }) => ({ where, before: now, after: before }))).toEqual(there);
  });
});
