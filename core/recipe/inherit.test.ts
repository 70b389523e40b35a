import { describe, expect, test } from "vitest";
import { choose, materials, model, recipe } from "../testing/nymph";
import { changed } from "../testing/recipes";
import { inheritFrom, missingFrom, type Recipe } from ".";
import { composeFly } from "../fly";

/** Nothing given but a name for its part. */
const bare = (more: Partial<Recipe> = {}): Recipe => ({
  hookModel: "",
  sizes: { from: "", to: "" },
  components: [{ id: "hook", role: "hook", material: [] }],
  steps: [],
  variants: [{ id: "olive", name: "olive", swaps: {} }],
  forms: [{ id: "all", name: "all", omit: [] }],
  finish: { state: "not stated" },
  minutesPerFly: 0,
  stepByStepFactor: 0.9,
  skills: [],
  pricePerDozenCents: 0,
  ...more,
});

describe("lines that are not given come from a parent", () => {
  test("a pattern that gives nothing becomes its parent, and can be tied", () => {
    const { recipe: child, inherited } = inheritFrom(bare(), recipe());
    expect(missingFrom(child)).toEqual([]);
    const fly = (r: Recipe) => composeFly(r, choose({ variant: "olive" }), model, materials).tied.mass.total;
    expect(fly(child)).toBe(fly(recipe()));
    expect(inherited).toEqual(
      expect.arrayContaining(["hook", "sizes", "finish", "minutes a fly", "price", "steps", "thread", "bead", "tail"]),
    );
  });
  test("what is given stays, and is not called inherited", () => {
    const { recipe: child, inherited } = inheritFrom(
      bare({ hookModel: "D1", minutesPerFly: 3, finish: { state: "none" } }),
      recipe(),
    );
    expect(child).toMatchObject({ hookModel: "D1", minutesPerFly: 3, finish: { state: "none" } });
    expect(inherited).not.toEqual(expect.arrayContaining(["hook"]));
    expect(inherited).not.toContain("minutes a fly");
    expect(inherited).not.toContain("finish");
  });
  test("a part without a material takes the parent's, and keeps what was said of it", () => {
    const child = changed((r) => {
      r.components = r.components.map((c) =>
        c.id === "body" ? { id: "body", role: "body", material: [], asStated: "that grey fur" } : c,
      );
    });
    const { recipe: next, inherited } = inheritFrom(child, recipe());
    expect(next.components.find((c) => c.id === "body")).toMatchObject({
      material: [{ value: "fur" }],
      asStated: "that grey fur",
    });
    expect(inherited).toEqual(["body"]);
  });
  test("a part by another name is found by its role", () => {
    const child = bare({
      components: [
        { id: "hook", role: "hook", material: [] },
        { id: "abdomen", role: "body", material: [] },
      ],
      steps: [
        {
          id: "s",
          name: "abdomen",
          do: "dress",
          component: "abdomen",
          from: { fraction: 0.4 },
          to: { landmark: "bend" },
          noodle: { mm: 60 },
        },
      ],
    });
    const { recipe: next } = inheritFrom(child, recipe());
    expect(next.components.find((c) => c.id === "abdomen")?.material).toEqual([{ value: "fur" }]);
    expect(next.steps).toEqual(child.steps);
    expect(next.components.some((c) => c.role === "thread")).toBe(true);
  });
  test("a whole recipe takes nothing, and neither recipe is changed", () => {
    const [own, parent] = [
      recipe(),
      changed((r) => {
        r.hookModel = "other";
        r.minutesPerFly = 99;
      }),
    ];
    const before = JSON.stringify([own, parent]);
    const { recipe: next, inherited } = inheritFrom(own, parent);
    expect(inherited).toEqual([]);
    expect(next).toEqual(own);
    expect(JSON.stringify([own, parent])).toBe(before);
  });
});
