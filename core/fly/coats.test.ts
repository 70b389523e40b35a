import { describe, expect, test } from "vitest";
import type { FlyChoice, Recipe } from "../recipe";
import { coatChecks } from "../bench";
import { choose, materials, model } from "../testing/nymph";
import { changed } from "../testing/recipes";
import { coatsOf, composeFly } from ".";

const two = (more: (r: Recipe) => void = () => undefined): Recipe =>
  changed((r) => {
    r.components.push({ id: "resin", role: "finish", material: [{ value: "lacquer" }] });
    r.finish = {
      state: "given",
      component: "finish",
      coats: 2,
      dryMinutes: 240,
      then: [{ component: "resin", coats: 1, dryMinutes: 5 }],
    };
    more(r);
  });
const coats = (r: Recipe, c: Partial<FlyChoice> = {}) =>
  coatsOf(r, composeFly(r, choose({ form: "light", ...c }), model, materials));

describe("the coats of a fly, each with its own time to dry", () => {
  test("one product after another, as the pattern says", () => expect(coats(two())).toEqual([240, 240, 5]));
  test("none where the head is left bare by choice, or has no finish on purpose", () => {
    expect(coats(two(), { methods: { "whip/head": "none" } })).toEqual([]);
    expect(coats(two((r) => (r.finish = { state: "none" })))).toEqual([]);
  });
  test("one coat of another product, as it dries where the pattern says it, else nominally", () => {
    const other = two((r) => {
      r.components.push({ id: "varnish", role: "finish", material: [{ value: "lacquer" }] });
    });
    expect(coats(other, { methods: { "whip/head": "varnish" } })).toEqual([360]);
  });
  test("each is through by the clock and by how it feels", () => {
    const r = two();
    const features = coatChecks(r, composeFly(r, choose({ form: "light" }), model, materials)).map((c) => c.feature);
    expect(features).toEqual([
      "Coat 1, after 4 h: no longer takes a fingertip, bright all over; else it waits on",
      "Coat 2, after 4 h: no longer takes a fingertip, bright all over; else it waits on",
      "Coat 3, after 5 min: no longer takes a fingertip, bright all over; else it waits on",
    ]);
    const bare = choose({ form: "light", methods: { "whip/head": "none" } });
    expect(coatChecks(r, composeFly(r, bare, model, materials))).toEqual([]);
  });
  test("as the pattern says where the fly cannot be tied", () =>
    expect(coatsOf(two(), undefined)).toEqual([240, 240, 5]));
});
