import { describe, expect, test } from "vitest";
import { materialForms, newMaterial, nominalFigures, unitOf, type Material } from "@kasten/core/materials";
import { fieldsOf, figureAt, plainMaterial, softened, withFigure } from "./materialDraft";

const field = (m: Material, path: string) => {
  const found = fieldsOf(m.form).find((f) => f.path === path);
  if (!found) throw new Error(`${m.form} has no ${path}`);
  return found;
};

describe("a material as it is being described", () => {
  test.each(materialForms.filter((f) => f !== "hook" && f !== "liquid"))(
    "a new %s has nominal figures, each shown in a field",
    (form) => {
      const m = newMaterial("X", "it", form);
      expect(fieldsOf(form).some((f) => figureAt(m, f) !== undefined)).toBe(true);
      expect(m).toMatchObject({ unit: unitOf(form), measured: false });
    },
  );
  test("nominal figures are new each time", () => {
    const [a, b] = [nominalFigures("wire"), nominalFigures("wire")];
    if (a.strand) a.strand.width = 9;
    expect(b.strand?.width).toBe(0.14);
  });
  test("a figure is set anew, in its own unit, and the rest stays", () => {
    const m = newMaterial("X", "it", "hackle");
    const next = withFigure(m, field(m, "feather.unusable"), 25);
    expect(next.feather).toMatchObject({ unusable: 0.25, usable: 75 });
    expect(figureAt(next, field(next, "feather.unusable"))).toBe(25);
    expect(m.feather?.unusable).toBe(0.1);
  });
  test("a figure that is emptied is taken out; a group that is empty goes with it", () => {
    const m = withFigure(
      newMaterial("X", "it", "dubbing"),
      field(newMaterial("X", "it", "dubbing"), "prepLoss.share"),
      12,
    );
    expect(m.prepLoss).toEqual({ what: "", share: 0.12 });
    expect(plainMaterial(withFigure(m, field(m, "prepLoss.share"), undefined))).not.toHaveProperty("prepLoss");
    expect(
      plainMaterial(
        withFigure(newMaterial("X", "it", "bead"), field(newMaterial("X", "it", "bead"), "part.bore"), undefined),
      ).part,
    ).toEqual({ diameter: 2.8, length: 2.4, mass: 78 });
  });
  test("soft is said of feathers, and taken back without a trace", () => {
    const m = newMaterial("X", "it", "hackle");
    expect(softened(m, true).feather?.soft).toBe(true);
    expect(plainMaterial(softened(softened(m, true), false))).toEqual(plainMaterial(m));
    expect(softened(newMaterial("Y", "it", "wire"), true).feather).toBeUndefined();
  });
  test("how strong, lively and buoyant it is can be said of what is seen on the fly, and taken out again", () => {
    const m = newMaterial("X", "it", "hair");
    const strong = withFigure(m, field(m, "qualities.strength"), 4);
    expect(strong.qualities).toEqual({ strength: 4 });
    expect(plainMaterial(withFigure(strong, field(m, "qualities.strength"), undefined))).not.toHaveProperty(
      "qualities",
    );
    expect(fieldsOf("bead").map((f) => f.path)).not.toContain("qualities.strength");
  });
});
