import { term, type Derivation, type Source, type Unit } from "../derivation";
import type { ComponentUse, ComposedFly } from "../fly";
import { feathersPerFly, fliesPerPiece } from "../tying";
import { massWorking, spoolWorking, threadWorking, windWorking } from "./stepWorkings";
import { feathersPerUse, type Context } from "./taken";

/** How many are wound as one: the result is of one of them. */
const togetherTerm = ({ together }: { together?: number }, of: Unit, source: Source): Derivation["inputs"] =>
  together === undefined ? [] : [term("wound together", together, of, source)];

type Use<K extends ComponentUse["kind"]> = Extract<ComponentUse, { kind: K }>;

/** A use where it stands: its step, and where its figures come from. */
interface UseAt {
  fly: ComposedFly;
  stepId: string;
  name: string;
  result: ComposedFly["tied"]["steps"][number] | undefined;
  /** Learned: actual by computed. */
  kappa: number;
  fromMaterial: Source;
  fromPattern: Source;
  made: (
    formula: string,
    written: string,
    inputs: Derivation["inputs"],
    result: Derivation["result"],
    through?: Derivation["through"],
    parts?: Derivation[],
  ) => Derivation;
}

/** The working of one step's use of a material on one fly. */
export function workingOfUse(fly: ComposedFly, stepId: string, use: ComponentUse, c: Context): Derivation {
  // Each use is given to the working of its own kind.
  const working = workings[use.kind] as (use: ComponentUse, at: UseAt) => Derivation;
  return working(use, useAt(fly, stepId, use, c));
}

function useAt(fly: ComposedFly, stepId: string, use: ComponentUse, c: Context): UseAt {
  const result = fly.tied.steps.find((s) => s.id === stepId);
  const name = result?.name ?? (stepId === "thread" ? "thread" : stepId);
  // A layer is part of the mass that its loop carries.
  const kind = use.kind === "layer" ? "mass" : use.kind;
  const material = fly.parts.find((p) => p.uses.some((u) => u.step === stepId && u.use.kind === kind))?.material;
  return {
    fly,
    stepId,
    name,
    result,
    kappa: Math.exp(c.calibration.m),
    fromMaterial: { from: "material", where: `${material?.name ?? ""}${material?.measured ? "" : ", nominal"}` },
    fromPattern: { from: "pattern", where: name },
    made: (formula, written, inputs, of, through = [], parts) => ({
      formula,
      written,
      inputs,
      through,
      result: { ...of, name: `${name}: ${of.name}` },
      parts,
    }),
  };
}

const workings: { [K in ComponentUse["kind"]]: (use: Use<K>, at: UseAt) => Derivation } = {
  pieces: ofPieces,
  "wound feather": ofWoundFeather,
  cut: ofCut,
  fibres: ofFibres,
  slips: ofSlips,
  feathers: ofFeathers,
  patch: ofPatch,
  packets: ofPackets,
  strands: ofStrands,
  length: ofLength,
  layer: ofLayer,
  mass: ofMass,
  volume: ofVolume,
};

function ofPieces(use: Use<"pieces">, { fromPattern, made }: UseAt): Derivation {
  return made("Count", "as stated", [term("pieces", use.each, "pieces", fromPattern)], {
    name: "a fly",
    value: use.each,
    unit: "pieces",
  });
}

function ofWoundFeather(
  use: Use<"wound feather">,
  { fly, stepId, kappa, fromMaterial, fromPattern, made }: UseAt,
): Derivation {
  const f = feathersPerFly(use, use, kappa);
  const [label, value] =
    "fliesPerFeather" in f
      ? (["flies a feather", f.fliesPerFeather] as const)
      : (["feathers a fly", f.feathersPerFly] as const);
  return made(
    "Wound feather",
    use.single ? "one fly a feather: no tip is left to tie in" : "⌊(U − grip) / (L + bound)⌋",
    [
      term("U, usable stem", use.usable, "mm", fromMaterial),
      term("grip", use.grip, "mm", fromMaterial),
      term("L, wound", use.length, "mm"),
      term("bound", use.bound, "mm"),
      ...togetherTerm(use, "feathers", fromPattern),
    ],
    { name: label, value, unit: label === "flies a feather" ? "flies" : "feathers" },
    [],
    [windWorking(fly, stepId)],
  );
}

function ofCut(use: Use<"cut">, { fly, stepId, kappa, fromPattern, made }: UseAt): Derivation {
  return made(
    "Cut pieces",
    "⌊(P − grip − trim) / (L/σ + bound)⌋",
    [
      term("P, piece", use.piece, "mm", fromPattern),
      term("grip", use.grip, "mm", fromPattern),
      term("trim", use.trim, "mm", fromPattern),
      term("L/σ", use.length, "mm"),
      term("bound", use.bound, "mm"),
      ...togetherTerm(use, "pieces", fromPattern),
    ],
    {
      name: "flies a piece",
      value: use.toMeasure ? 1 : fliesPerPiece(use, use, kappa),
      unit: "flies",
    },
    [],
    [windWorking(fly, stepId)],
  );
}

function ofFibres(use: Use<"fibres">, { fromMaterial, fromPattern, made }: UseAt): Derivation {
  return made(
    "Fibres",
    use.pooled ? "n / F, leftovers pooled within the batch" : "1 / ⌊F / n⌋, each feather for whole flies only",
    [
      term("n, fibres a fly", use.fibres, "fibres", fromPattern),
      term("F, fibres a feather", use.perFeather, "fibres", fromMaterial),
    ],
    { name: "a fly", value: feathersPerUse(use), unit: "feathers" },
    [{ name: "shown and bound length", value: use.lengthMm, unit: "mm" }],
  );
}

function ofSlips(use: Use<"slips">, { fromMaterial, fromPattern, made }: UseAt): Derivation {
  return made(
    "Matched slips",
    "⌊usable span / width⌋, each side apart",
    [
      term("width", use.widthMm, "mm", fromPattern),
      term("slips a feather", use.perFeather, "pieces", fromMaterial),
      ...(use.each === undefined ? [] : [term("slips a side", use.each, "pieces", fromPattern)]),
    ],
    { name: "a fly and side", value: (use.each ?? 1) / use.perFeather, unit: "feathers" },
  );
}

function ofFeathers(use: Use<"feathers">, { fromPattern, made }: UseAt): Derivation {
  return made(
    "Whole feathers",
    use.paired ? "as stated, half from each side" : "as stated",
    [term("feathers a fly", use.each, "feathers", fromPattern)],
    {
      name: use.paired ? "a fly and side" : "a fly",
      value: use.paired ? use.each / 2 : use.each,
      unit: "feathers",
    },
  );
}

function ofPatch(use: Use<"patch">, { fromMaterial, fromPattern, made }: UseAt): Derivation {
  return made(
    "Patch of hide",
    "⌊A · (1 − loss) / a⌋ flies a patch, whole clumps only",
    [
      term("a, patch a fly", use.areaMm2, "mm²", fromPattern),
      term("flies a patch", use.fliesPerPatch, "flies", fromMaterial),
    ],
    { name: "a fly", value: 1 / use.fliesPerPatch, unit: "pieces" },
  );
}

function ofPackets(use: Use<"packets">, { fromMaterial, made }: UseAt): Derivation {
  return made(
    "A trace",
    "1 / flies a packet: it is never weighed",
    [term("flies a packet", use.fliesPerPacket, "flies", fromMaterial)],
    { name: "a fly", value: 1 / use.fliesPerPacket, unit: "pieces" },
  );
}

function ofStrands(use: Use<"strands">, { fromMaterial, fromPattern, made }: UseAt): Derivation {
  return made(
    "Strands",
    "⌊strand / piece⌋ pieces from a strand",
    [
      term("piece", use.pieceMm, "mm"),
      term("pieces a strand", use.piecesPerStrand, "pieces", fromMaterial),
      term("pieces a fly", use.piecesPerFly, "pieces", fromPattern),
    ],
    { name: "a fly", value: use.piecesPerFly / use.piecesPerStrand, unit: "pieces" },
  );
}

function ofLength(use: Use<"length">, { fly, stepId, name }: UseAt): Derivation {
  return stepId === "thread" ? threadWorking(fly, use.mm) : spoolWorking(fly, stepId, use.mm, name);
}

function ofLayer(use: Use<"layer">, { fly, stepId, name, fromMaterial, fromPattern, made }: UseAt): Derivation {
  return made(
    "A layer of a loop",
    "share · what the loop carries",
    [term("share", 100 * use.share, "%", fromPattern), term("what the loop carries", use.mg / use.share, "mg")],
    { name: "a fly", value: use.each, unit: use.unit === "ug" ? "mg" : use.unit === "um" ? "mm" : "feathers" },
    [{ name: "this layer", value: use.mg, unit: "mg" }],
    [massWorking(fly, stepId, use.mg / use.share, name, fromMaterial, fromPattern)],
  );
}

function ofMass(use: Use<"mass">, { fly, stepId, name, fromMaterial, fromPattern }: UseAt): Derivation {
  return massWorking(fly, stepId, use.mg, name, fromMaterial, fromPattern);
}

function ofVolume(use: Use<"volume">, { made, result }: UseAt): Derivation {
  return made(
    "Liquid",
    "coats · max(3 µl, π · D · ℓ · h / 0.15)",
    [term("D, head", result?.headDiameter ?? 0, "mm"), term("ℓ, head", result?.headLength ?? 0, "mm")],
    { name: "a fly", value: use.ul, unit: "µl" },
  );
}
