import type { HookModel } from "../hooks";
import type { Material } from "../materials";
import type { FlyChoice, Recipe } from "../patterns";

const material = (code: string, m: Partial<Material>): [string, Material] => [code, { code, name: code, form: "wire", unit: "um", measured: false, lead: false, colour: "#445566", ...m }];
/** A small cabinet: one material of each form that the test recipe needs, and some in their place. */
export const materials = new Map<string, Material>([
  material("bead", { form: "bead", unit: "count", part: { diameter: 2.8, length: 2.4, mass: 160 } }),
  material("big-bead", { form: "bead", unit: "count", part: { diameter: 3.3, length: 2.8, mass: 260 } }),
  material("olive", { form: "thread", thread: { denier: 70, fibre: "polyester" } }),
  material("red", { form: "thread", thread: { denier: 140, fibre: "polyester" } }),
  material("pheasant", { form: "feather fibre", unit: "count", strand: { section: "flat", width: 0.1, thickness: 0.06, density: 1.1 }, feather: { usable: 60, grip: 15, perMm: 2.5, span: 40, sides: 2, unusable: 0.1 } }),
  material("wire", { strand: { section: "round", width: 0.14, thickness: 0.14, density: 8.96 } }),
  material("fur", { form: "dubbing", unit: "ug", dubbing: { density: 0.35, lineDensity: 0.1 } }),
  material("mix", { form: "blend", unit: "ug", dubbing: { density: 0.35, lineDensity: 0.1 }, blend: { parts: { fur: 1 }, leastChargeMg: 500 } }),
  material("quill", { form: "quill", unit: "count", strand: { section: "flat", width: 0.1, thickness: 0.06, density: 1.1 }, feather: { usable: 50, grip: 10, perMm: 2.4, span: 50, sides: 1, unusable: 0.1 } }),
  material("legs", { form: "made part", unit: "count", strand: { section: "flat", width: 0.4, thickness: 0.3, density: 1.1 } }),
  material("weak-fur", { form: "dubbing", unit: "ug", dubbing: { density: 0.2, lineDensity: 0.05 }, qualities: { strength: 1 } }),
  material("thin-wire", { strand: { section: "round", width: 0.09, thickness: 0.09, density: 8.96 } }),
  material("brass-bead", { form: "bead", unit: "count", part: { diameter: 2.8, length: 2.4, mass: 78, bore: 0.95 } }),
  material("small-bead", { form: "bead", unit: "count", part: { diameter: 2, length: 1.7, mass: 58, bore: 0.5 } }),
  material("hackle", { form: "hackle", unit: "count", strand: { section: "oval", width: 0.6, thickness: 0.4, density: 1.2 }, feather: { usable: 60, grip: 20, perMm: 1.8, span: 40, sides: 2, unusable: 0.1 } }),
  material("floss", { form: "floss", strand: { section: "flat", width: 0.8, thickness: 0.06, density: 1.3 } }),
  material("tin", { form: "weight wire", strand: { section: "round", width: 0.25, thickness: 0.25, density: 7.3 } }),
  material("lead", { form: "weight wire", lead: true, strand: { section: "round", width: 0.51, thickness: 0.51, density: 11.34 } }),
  material("hair", { form: "hair", unit: "ug", strand: { section: "round", width: 0.1, thickness: 0.1, density: 1.3 }, hair: { density: 1.3 } }),
  material("hide", { form: "hair", unit: "count", strand: { section: "round", width: 0.1, thickness: 0.1, density: 1.3 }, hair: { density: 1.3 }, hide: { areaMm2: 900, loss: 0.2 } }),
  material("eyes", { form: "eyes", unit: "count", part: { diameter: 2.4, length: 2.2, mass: 95 } }),
  material("glue", { form: "liquid", unit: "nl", liquid: { kind: "glue" }, caution: "Instant glue: air the room." }),
  material("herl", { form: "herl", unit: "count", strand: { width: 1.2, thickness: 0.6, core: 0.2, lineDensity: 0.012 } }),
  material("chenille", { form: "chenille", strand: { width: 2.5, thickness: 1.2, core: 0.5, lineDensity: 0.18 } }),
  material("yarn", { form: "yarn", strand: { width: 1.5, thickness: 0.9, core: 0.5, lineDensity: 0.25 } }),
  material("stretch", { form: "stretch body", strand: { section: "flat", width: 1, thickness: 0.4, density: 1.05 } }),
  material("tinsel", { form: "tinsel", strand: { section: "flat", width: 0.8, thickness: 0.03, density: 1.4 } }),
  material("flash", { form: "flash", unit: "count", pieceMm: 250, strand: { section: "flat", width: 0.3, thickness: 0.03, density: 1.4 } }),
  material("rubber", { form: "rubber", unit: "count", pieceMm: 200, strand: { section: "flat", width: 0.8, thickness: 0.8, density: 1 } }),
  material("plume", { form: "feather fibre", unit: "count", colour: "#f4f2ea", strand: { section: "flat", width: 0.08, thickness: 0.05, density: 0.6 }, feather: { usable: 60, grip: 15, perMm: 3, span: 60, sides: 2, unusable: 0.2 } }),
  material("body", { form: "extended body", unit: "count", strand: { section: "round", width: 1.4, thickness: 1.4, density: 0.3 }, part: { diameter: 1.4, length: 8, mass: 4 } }),
  material("dumbbell", { form: "eyes", unit: "count", part: { diameter: 5, length: 4.2, mass: 620 } }),
  material("stiff", { form: "hackle", unit: "count", strand: { section: "oval", width: 0.45, thickness: 0.3, density: 1.2 }, feather: { usable: 75, grip: 20, perMm: 1.8, span: 40, sides: 2, unusable: 0.1 } }),
  material("nameless", { form: "floss", colour: undefined, strand: { section: "flat", width: 0.8, thickness: 0.06, density: 1.3 } }),
  material("lacquer", { form: "liquid", unit: "nl", liquid: { kind: "lacquer" } }),
]);
export const model: HookModel = { id: "N", name: "Nymph", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };

/** A nymph with a bead, quill slips and legs that may be bought: new on each call, so that a test may break it. */
export const recipe = (): Recipe => ({
  hookModel: "N",
  sizes: { from: "10", to: "16" },
  components: [
    { id: "hook", role: "hook", material: [] },
    { id: "bead", role: "bead", material: [{ sizes: { from: "10", to: "12" }, value: "big-bead" }, { value: "bead" }] },
    { id: "thread", role: "thread", material: [{ value: "olive" }] },
    { id: "tail", role: "tail", material: [{ value: "pheasant" }], asStated: "a few" },
    { id: "rib", role: "rib", material: [{ value: "wire" }] },
    { id: "body", role: "body", material: [{ value: "fur" }] },
    { id: "wing", role: "wing", material: [{ value: "quill" }], optional: true },
    { id: "legs", role: "legs", material: [{ value: "pheasant" }], bought: { material: "legs", perFly: 6 }, makeMinutes: 1.5 },
    { id: "finish", role: "finish", material: [{ value: "lacquer" }] },
  ],
  steps: [
    { id: "bead", name: "bead", do: "seat", component: "bead", from: { landmark: "eye" } },
    { id: "base", name: "base", do: "wind", component: "thread", from: { eyeLengths: 0 }, to: { landmark: "bend" }, rule: { touching: true } },
    { id: "tail", name: "tail", do: "lay", component: "tail", from: { fraction: 0.6 }, to: { landmark: "bend" }, amount: { fibres: 6 }, shown: { of: "body", times: 0.5 }, attitude: "back", tieIn: { at: { landmark: "bend" } } },
    { id: "rib-in", name: "bind in the rib", do: "lay", component: "rib", from: { fraction: 0.5 }, to: { landmark: "bend" }, amount: { strands: 1, folded: false }, countedWhenWound: true },
    { id: "body", name: "body", do: "dress", component: "body", from: { fraction: 0.5 }, to: { landmark: "bend" }, fullness: [{ of: "gape", times: 0.4 }, { of: "gape", times: 0.2 }] },
    { id: "rib", name: "rib", do: "wind", component: "rib", from: { fraction: 0.5 }, to: { landmark: "bend" }, rule: { turns: 5 }, tiedIn: "rib-in", take: { from: "spool", trimMm: 20 } },
    { id: "legs", name: "legs", do: "lay", component: "legs", from: { fraction: 0.42 }, to: { fraction: 0.48 }, amount: { fibres: 6 }, shown: { of: "gape", times: 1 }, attitude: "down" },
    { id: "wing", name: "wing", do: "lay", component: "wing", from: { eyeLengths: 0.2 }, to: { eyeLengths: 0.8 }, amount: { slipWidth: { mm: 3 } }, shown: { of: "tail", times: 2 }, attitude: "over" },
    { id: "whip", name: "whip finish", do: "whip", from: { eyeLengths: 0 }, to: { eyeLengths: 0.5 }, turns: 5 },
  ],
  variants: [{ id: "olive", name: "olive", swaps: {} }, { id: "mixed", name: "mixed", swaps: { body: [{ value: "mix" }], thread: [{ value: "red" }] } }],
  forms: [{ id: "all", name: "weighted", omit: [] }, { id: "light", name: "unweighted", omit: ["bead"] }],
  finish: { state: "given", component: "finish", coats: 2, dryMinutes: 240 },
  minutesPerFly: 5,
  stepByStepFactor: 0.9,
  skills: [],
  pricePerDozenCents: 2500,
});

export const choose = (c: Partial<FlyChoice> = {}): FlyChoice => ({ size: "14", variant: "olive", form: "all", ...c });
