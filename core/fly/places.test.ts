import { describe, expect, test } from "vitest";
import { placeAt, type Place } from "../hooks";
import type { FlyChoice, Recipe, RecipeStep } from "../recipe";
import { missingFrom } from "../recipe";
import { choose, materials, model, recipe } from "../testing/nymph";
import { changed, withStep } from "../testing/recipes";
import { boundFoam } from "../testing/steps";
import { composeFly } from ".";
import { PlacesOfParts } from "./places";

const tie = (r: Recipe, c: Partial<FlyChoice> = {}) => composeFly(r, choose(c), model, materials);
const legsAt = (from: Place, to: Place): Recipe =>
  changed((r) => {
    r.steps = r.steps.map((s): RecipeStep => (s.id === "legs" && s.do === "lay" ? { ...s, from, to } : s));
  });
/** Where two places of a recipe are on its fly, in mm behind the eye. */
const where = (from: Place, to: Place, c: Partial<FlyChoice> = {}, r: Recipe = recipe()): [number, number] => {
  const { hook, tied } = tie(r, c);
  const value = (id: string) => r.components.find((x) => x.id === id)?.material[0]?.value ?? "";
  const places = new PlacesOfParts({
    steps: r.steps,
    hook,
    beadMm: tied.beadMm,
    materialOf: (id) => materials.get(value(id)),
    nameOf: (id) => id,
  });
  return [placeAt(places.settle(from), hook, tied.beadMm), placeAt(places.settle(to), hook, tied.beadMm)];
};
const body = (end: "front" | "rear" | "middle", mm?: number): Place => ({
  part: "body",
  end,
  ...(mm !== undefined && { plus: { mm } }),
});

describe("places that parts give", () => {
  test.each(["10", "14", "16"])("the body's ends and middle, at size %s", (size) => {
    const { hook } = tie(legsAt(body("front"), body("rear")), { size });
    const [front, rear] = where(body("front"), body("rear"), { size });
    // The body lies from mid-shank to the bend.
    expect(front).toBeCloseTo(hook.shank / 2, 6);
    expect(rear).toBeCloseTo(hook.shank, 6);
    expect(where(body("middle"), body("middle"), { size })[0]).toBeCloseTo(0.75 * hook.shank, 6);
  });
  test("a shift goes back where it is more than nothing, and by the hook's own measures", () => {
    const { hook } = tie(legsAt(body("front"), body("rear")));
    expect(where(body("front", -1), body("front", 0.5))).toEqual([
      expect.closeTo(hook.shank / 2 - 1, 6),
      expect.closeTo(hook.shank / 2 + 0.5, 6),
    ]);
    const halfGape: Place = { part: "body", end: "front", plus: { of: "gape", times: -0.5 } };
    expect(where(halfGape, body("front"))[0]).toBeCloseTo(hook.shank / 2 - 0.5 * hook.gape, 6);
  });
  test("a seated part ends where its length ends; a laid one lies where it is tied in", () => {
    const { hook, tied } = tie(recipe());
    expect(tied.beadMm).toBeGreaterThan(0);
    expect(where({ part: "bead", end: "rear" }, { part: "bead", end: "front" })).toEqual([tied.beadMm, 0]);
    expect(where({ part: "tail", end: "front" }, body("rear"))[0]).toBeCloseTo(hook.shank, 6);
  });
  test("a strip that is bound along the shank has the two ends of where it lies", () => {
    const { hook } = tie(recipe());
    const on = { hook, beadMm: 0, materialOf: () => undefined, nameOf: (id: string) => id };
    const endsOf = (step: RecipeStep): number[] => {
      const places = new PlacesOfParts({ ...on, steps: [step] });
      return [body("front"), body("rear")].map((place) => placeAt(places.settle(place), hook, 0));
    };
    expect(endsOf(boundFoam)).toEqual([expect.closeTo(0.3 * hook.shank, 6), expect.closeTo(hook.shank, 6)]);
    // What stands off lies where it is tied in.
    const tail: RecipeStep = { ...boundFoam, shown: { mm: 5 } };
    expect(endsOf(tail)).toEqual([expect.closeTo(hook.shank, 6), expect.closeTo(hook.shank, 6)]);
  });
  test("touching turns without an end are over where so many of them are", () => {
    const wire = materials.get("wire")?.strand?.width ?? 0;
    const weight: RecipeStep = {
      id: "weight",
      name: "weight",
      do: "wind",
      component: "weight",
      from: { fraction: 0.2 },
      rule: { turns: 10, touching: true },
      take: { from: "spool", trimMm: 10 },
    };
    const r = withStep(weight, { id: "weight", role: "weight", material: [{ value: "wire" }] });
    const { hook, tied } = tie(r);
    expect(wire).toBeGreaterThan(0);
    expect(where({ part: "weight", end: "rear" }, body("front"), {}, r)[0]).toBeCloseTo(
      Math.max(tied.beadMm, 0.2 * hook.shank) + 10 * wire,
      6,
    );
  });
  test("a part that this weight leaves out still gives its place: the fly is tied, and nothing moves", () => {
    const legs = (form: string) => {
      const f = tie(legsAt({ part: "bead", end: "rear" }, body("front")), { form });
      return f.steps.find((s) => s.id === "legs")?.shownMm;
    };
    expect(legs("light")).toBeGreaterThan(0);
    expect(legs("light")).toBe(legs("all"));
  });
  test("a part that is nowhere on the fly, or that leans on itself, is told", () => {
    expect(() => tie(legsAt({ part: "horn", end: "rear" }, body("front")))).toThrow(
      expect.objectContaining({ code: "PLACE_NOT_THERE" }) as Error,
    );
    expect(() => tie(legsAt({ part: "legs", end: "rear" }, body("front")))).toThrow(
      expect.objectContaining({ code: "PLACE_NOT_THERE" }) as Error,
    );
  });
  test("a stretch that stays bare, too, is settled against a part", () => {
    const r = legsAt(body("front", -1), body("front", -0.2));
    r.bare = [{ from: body("front"), to: body("middle"), thread: true, why: "" }];
    const told = tie(r).tied.warnings.filter((w) => w.code === "KEPT_BARE");
    expect(told.map((w) => w.step)).toContain("body");
    expect(missingFrom(r)).toEqual([]);
  });
});
