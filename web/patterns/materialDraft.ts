import type { Material, MaterialForm } from "@kasten/core/materials";

/** One figure of a material that a person may write: where it stands, what it is called, and in which unit. */
export interface FigureField {
  path: string;
  label: string;
  unit: string;
  /** Shown times this: shares as per cent. */
  scale?: number;
}

const strand: FigureField[] = [
  { path: "strand.width", label: "width as wound", unit: "mm" },
  { path: "strand.thickness", label: "thickness", unit: "mm" },
  { path: "strand.core", label: "core", unit: "mm" },
  { path: "strand.density", label: "density", unit: "mg/mm³" },
  { path: "strand.lineDensity", label: "mass of a mm", unit: "mg" },
];
const feather: FigureField[] = [
  { path: "feather.usable", label: "usable stem", unit: "mm" },
  { path: "feather.grip", label: "held by the pliers", unit: "mm" },
  { path: "feather.perMm", label: "fibres a mm, one side", unit: "" },
  { path: "feather.otherPerMm", label: "a mm on its other side, where that differs", unit: "" },
  { path: "feather.span", label: "span of good fibres", unit: "mm" },
  { path: "fibreMm", label: "longest fibre", unit: "mm" },
  { path: "feather.unusable", label: "unusable", unit: "%", scale: 100 },
];
const part: FigureField[] = [
  { path: "part.diameter", label: "diameter", unit: "mm" },
  { path: "part.length", label: "length on the shank", unit: "mm" },
  { path: "part.mass", label: "weight", unit: "mg" },
  { path: "part.bore", label: "bore", unit: "mm" },
  { path: "part.cavityMm", label: "depth into which wire can be pushed", unit: "mm" },
];
const dubbing: FigureField[] = [
  { path: "dubbing.density", label: "packed density", unit: "mg/mm³" },
  { path: "dubbing.lineDensity", label: "a mm of noodle", unit: "mg" },
  { path: "dubbing.loss", label: "falls on the bench", unit: "%", scale: 100 },
  { path: "fliesPerPacket", label: "flies a packet, where only a trace is used", unit: "" },
];

const fields: Partial<Record<MaterialForm, FigureField[]>> = {
  thread: [{ path: "thread.denier", label: "denier", unit: "" }],
  hackle: [...feather, ...strand],
  "feather fibre": [...feather, ...strand],
  quill: [...feather, ...strand],
  herl: [{ path: "fibreMm", label: "longest herl", unit: "mm" }, ...strand],
  hair: [
    { path: "fibreMm", label: "longest hair", unit: "mm" },
    { path: "hair.density", label: "density of a hair", unit: "mg/mm³" },
    { path: "hide.areaMm2", label: "area of a patch", unit: "mm²" },
    { path: "hide.loss", label: "lost at the edges", unit: "%", scale: 100 },
  ],
  flash: [{ path: "pieceMm", label: "length of a strand", unit: "mm" }, ...strand],
  rubber: [{ path: "pieceMm", label: "length of a strand", unit: "mm" }, ...strand],
  dubbing,
  blend: [...dubbing, { path: "blend.leastChargeMg", label: "the mill takes at least", unit: "mg" }],
  bead: part,
  eyes: part,
  "extended body": [...part, ...strand],
  liquid: [],
};
const always: FigureField[] = [{ path: "prepLoss.share", label: "lost before the vise", unit: "%", scale: 100 }];
/** What a substitute is told by: how it does against others, in the room's own judgement. */
const rated: FigureField[] = [
  { path: "qualities.strength", label: "strength, 1 to 5", unit: "" },
  { path: "qualities.mobility", label: "movement, 1 to 5", unit: "" },
  { path: "qualities.floats", label: "floats, 1 to 5", unit: "" },
];
const unrated = new Set<MaterialForm>(["bead", "eyes", "liquid", "thread", "weight wire"]);

/** The figures that a form has, in the order in which they are asked. */
export const fieldsOf = (form: MaterialForm): FigureField[] => [
  ...(fields[form] ?? strand),
  ...always,
  ...(unrated.has(form) ? [] : rated),
];

type Tree = { [key: string]: unknown };

export function figureAt(material: Material, field: FigureField): number | undefined {
  const value = field.path.split(".").reduce<unknown>((at, key) => (at as Tree | undefined)?.[key], material);
  return typeof value === "number" ? Number((value * (field.scale ?? 1)).toPrecision(12)) : undefined;
}

/** The material with one figure set anew, or taken out. A group that has lost its last figure goes with it. */
export function withFigure(material: Material, field: FigureField, value: number | undefined): Material {
  const [group, key] = field.path.split(".") as [string, string | undefined];
  const own = material as unknown as Tree;
  const number = value === undefined ? undefined : value / (field.scale ?? 1);
  if (key === undefined) return { ...own, [group]: number } as unknown as Material;
  const next = Object.fromEntries(
    Object.entries({ ...(own[group] as Tree | undefined), [key]: number }).filter(([, v]) => v !== undefined),
  );
  const isEmpty = !Object.values(next).some((v) => typeof v === "number");
  return {
    ...own,
    [group]: isEmpty ? undefined : group === "prepLoss" ? { what: "", ...next } : next,
  } as unknown as Material;
}

/** Said to be soft, or not: what nobody says does not travel. */
export const softened = (material: Material, soft: boolean): Material =>
  material.feather ? { ...material, feather: { ...material.feather, soft: soft || undefined } } : material;

/**
 * As it is described: without the version that it was read in, and without what nobody has said, which does not travel.
 */
export function plainMaterial({ version: _read, ...said }: Material & { version?: number }): Material {
  return JSON.parse(JSON.stringify(said)) as Material;
}
