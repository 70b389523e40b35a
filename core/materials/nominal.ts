import type { Material, MaterialForm } from "./material";
import type { StockUnit } from "../units";

type Figures = Partial<Material>;

/** Starting figures by form, for a material that nobody has measured here: the nominal table of docs/arithmetic.md. */
const figures: Partial<Record<MaterialForm, Figures>> = {
  wire: { strand: { section: "round", width: 0.14, thickness: 0.14, density: 8.96 } },
  "weight wire": { strand: { section: "round", width: 0.38, thickness: 0.38, density: 7.3 } },
  tinsel: { strand: { section: "flat", width: 0.8, thickness: 0.03, density: 1.4 } },
  floss: { strand: { section: "flat", width: 0.8, thickness: 0.06, density: 1.3 } },
  yarn: { strand: { width: 1.5, thickness: 0.9, core: 0.5, lineDensity: 0.25 } },
  chenille: { strand: { width: 1.5, thickness: 1.2, core: 0.5, lineDensity: 0.18 } },
  herl: { strand: { width: 0.45, thickness: 0.6, core: 0.2, lineDensity: 0.012 }, fibreMm: 100 },
  "stretch body": { strand: { section: "flat", width: 1, thickness: 0.4, density: 1.05 } },
  thread: { thread: { denier: 70, fibre: "polyester" } },
  hackle: {
    strand: { section: "oval", width: 0.45, thickness: 0.3, density: 1.2 },
    feather: { usable: 75, grip: 20, perMm: 1.8, span: 40, sides: 2, unusable: 0.1 },
  },
  "feather fibre": {
    strand: { section: "flat", width: 0.1, thickness: 0.06, density: 1.1 },
    feather: { usable: 60, grip: 15, perMm: 2.5, span: 40, sides: 2, unusable: 0.1 },
  },
  quill: {
    strand: { section: "flat", width: 0.1, thickness: 0.06, density: 1.1 },
    feather: { usable: 50, grip: 10, perMm: 2.4, span: 50, sides: 1, unusable: 0.1 },
  },
  hair: { strand: { section: "round", width: 0.1, thickness: 0.1, density: 1.3 }, hair: { density: 1.3 } },
  flash: { strand: { section: "flat", width: 0.3, thickness: 0.03, density: 1.4 }, pieceMm: 250 },
  rubber: { strand: { section: "round", width: 0.8, thickness: 0.8, density: 1 }, pieceMm: 200 },
  dubbing: { dubbing: { density: 0.35, lineDensity: 0.1 } },
  blend: { dubbing: { density: 0.35, lineDensity: 0.1 }, blend: { parts: {}, leastChargeMg: 500 } },
  bead: { part: { diameter: 2.8, length: 2.4, mass: 78, bore: 0.95 } },
  eyes: { part: { diameter: 2.4, length: 2.2, mass: 95 } },
  "extended body": {
    strand: { section: "round", width: 1.4, thickness: 1.4, density: 0.3 },
    part: { diameter: 1.4, length: 8, mass: 4 },
  },
  "made part": { strand: { section: "flat", width: 0.4, thickness: 0.3, density: 1.1 } },
  liquid: { liquid: { kind: "lacquer" } },
};

const byLength = new Set<MaterialForm>([
  "wire",
  "weight wire",
  "tinsel",
  "floss",
  "yarn",
  "chenille",
  "stretch body",
  "thread",
]);
const byMass = new Set<MaterialForm>(["dubbing", "blend", "hair"]);

/** Unit in which stock of a form is usually kept. */
export const unitOf = (form: MaterialForm): StockUnit =>
  byLength.has(form) ? "um" : byMass.has(form) ? "ug" : form === "liquid" ? "nl" : "count";

/** The nominal figures of a form; new on each call. Nothing for hooks, which have models of their own. */
export const nominalFigures = (form: MaterialForm): Figures => structuredClone(figures[form] ?? {});
