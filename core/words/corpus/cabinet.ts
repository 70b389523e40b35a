import { readFileSync } from "node:fs";
import { hookEyes } from "../../hooks";
import { newMaterial, type Material, type MaterialForm } from "../../materials";
import type { KnownHook } from "../hook";

const demo = new URL("../../../demo/", import.meta.url);
/** Rows of a file of the demo room, by the names of its columns. */
function rowsOf(file: string): Record<string, string>[] {
  const [head = [], ...rows] = readFileSync(new URL(file, demo), "utf8")
    .trim()
    .split("\n")
    .map((l) => l.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/).map((c) => c.replace(/^"|"$/g, "").replaceAll('""', '"')));
  return rows.map((r) => Object.fromEntries(head.map((name, i) => [name, r[i] ?? ""])));
}

const featherOf = (r: Record<string, string>): NonNullable<Material["feather"]> => ({
  usable: Number(r.usable_mm),
  grip: Number(r.grip_mm),
  perMm: Number(r.fibres_per_mm),
  span: Number(r.span_mm),
  sides: r.sides === "1" ? 1 : 2,
  unusable: Number(r.unusable),
  ...(r.soft === "1" && { soft: true }),
});

function materialOf(r: Record<string, string>): Material {
  const m = newMaterial(r.code ?? "", r.name ?? "", r.form as MaterialForm);
  const width = Number(r.width_mm);
  return {
    ...m,
    colour: r.colour || undefined,
    colourName: r.colour_name || undefined,
    lead: r.lead === "1",
    ...(m.strand && width > 0 && { strand: { ...m.strand, width, ...(r.density && { density: Number(r.density) }) } }),
    ...(Number(r.usable_mm) > 0 && { feather: featherOf(r) }),
    ...(m.thread && r.denier && { thread: { ...m.thread, denier: Number(r.denier) } }),
    ...(m.liquid && r.liquid && { liquid: { kind: r.liquid as "lacquer" } }),
  };
}

/** The cabinet of the demo room, as far as reading needs it. */
export const cabinet: ReadonlyMap<string, Material> = new Map(
  rowsOf("materials.csv").map((r) => [r.code ?? "", materialOf(r)]),
);
export const hooks: KnownHook[] = rowsOf("hook-models.csv").map((r) => ({
  id: r.id ?? "",
  name: r.name ?? "",
  family: r.family,
  shankSteps: Number(r.shank_steps),
  wireSteps: Number(r.wire_steps),
  gapeSteps: Number(r.gape_steps),
  barbless: r.barbless === "1",
  bend: r.bend === "curved" ? "curved" : "round",
  points: r.points === "2" ? 2 : 1,
  eyeForm: hookEyes.find((form) => form === r.eye_form),
  finish: r.finish,
}));
