import { computed, setting, term, type Derivation, type Source } from "../derivation";
import type { ComponentUse, ComposedFly } from "../fly";
import { feathersPerFly, fliesPerPiece } from "../tying";
import { issueQuantity, type Calibration } from "../learning";
import { basePerCore } from "../units";
import type { Requirement } from "./requirements";
import { contextOf, feathersPerUse, piecesPerFly, type Context, type Knowledge } from "./taken";

const knownFrom = (c: Calibration): Source =>
  c.batches > 0 ? { from: "learned", batches: c.batches } : { from: "setting" };

/** The working of a requirement: what one fly takes, step by step, then from one fly to the batch. */
export function workingOf(
  requirement: Requirement,
  fly: ComposedFly,
  flies: number,
  known: Knowledge = {},
): Derivation {
  const material = fly.parts.find((p) => p.component === requirement.component)?.material ?? {
    code: requirement.material,
  };
  const c = contextOf(flies, { component: requirement.component, material }, known);
  const lost =
    c.prepLoss > 0
      ? [
          term(
            `lost before the vise: ${"prepLoss" in material ? (material.prepLoss?.what ?? "") : ""}`,
            100 * c.prepLoss,
            "%",
            { from: "material", where: requirement.materialName },
          ),
        ]
      : [];
  const parts = requirement.uses.map(({ step, use }) => {
    const entered = asEntered(fly, step);
    return { ...workingOfUse(fly, step, use, c), ...(entered !== undefined && { entered }) };
  });
  const counted = requirement.uses.every(({ use }) => piecesPerFly(use, Math.exp(c.calibration.m)) !== undefined);
  const started = term("flies started", flies, "flies");
  if (counted) {
    const pieceBase = requirement.cutTo === undefined ? 1 : requirement.cutTo * basePerCore.um;
    return {
      formula: "Whole pieces",
      written: "the smallest n with P(at least ⌈m · flies⌉ of n are sound) ≥ level",
      inputs: [
        started,
        term("m, taken by each fly", requirement.perFly / (requirement.cutTo ?? 1), "pieces"),
        ...(requirement.cutTo === undefined ? [] : [term("cut to", requirement.cutTo, "mm", knownFrom(c.calibration))]),
        ...lost,
        term("sound, prior and log", c.pieces.good, "pieces", setting),
        term("spoiled, prior and log", c.pieces.bad, "pieces", setting),
        term("level", 100 * c.level, "%", setting),
      ],
      through: [{ name: "needed, ⌈m · flies⌉", value: requirement.net / pieceBase, unit: "pieces" }],
      result: { name: "to issue", value: requirement.issue / pieceBase, unit: "pieces" },
      parts,
    };
  }
  const q = issueQuantity(flies, requirement.perFly, c.calibration, c.level);
  const unit = requirement.unit === "um" ? "mm" : requirement.unit === "ug" ? "mg" : "µl";
  return {
    formula: "Lengths and masses",
    written: "N · use · exp(m + z · √(v + 0.08² + 0.15²/N)), rounded up to what the drawer gives out",
    inputs: [
      started,
      term("use of one fly", requirement.perFly, unit),
      ...lost,
      term("m, mean of ln κ", c.calibration.m, "", knownFrom(c.calibration)),
      term("v, variance of ln κ", c.calibration.v, "", knownFrom(c.calibration)),
      term("level", 100 * c.level, "%", setting),
    ],
    through: [
      { name: "N · use", value: flies * requirement.perFly, unit },
      { name: "z of the level", value: q.z, unit: "" },
      { name: "spread of ln use", value: q.spread, unit: "" },
      { name: "quantity", value: q.issue, unit },
    ],
    result: { name: "to issue", value: requirement.issue / basePerCore[requirement.unit], unit },
    parts,
  };
}

/**
 * The quantity in the words of whoever entered it; undefined where they were not kept because nothing was to be read
 * into them.
 */
function asEntered(fly: ComposedFly, stepId: string): string | undefined {
  const step = fly.steps.find((s) => s.id === stepId)?.step;
  if (!step || (step.stated === undefined && !step.spread)) return undefined;
  const spread = step.spread ? `${step.spread[0]} to ${step.spread[1]}, computed with the middle` : "";
  return [step.stated ? `“${step.stated}”` : "", spread].filter(Boolean).join(": ");
}

/** The working of one step's use of a material on one fly. */
function workingOfUse(fly: ComposedFly, stepId: string, use: ComponentUse, c: Context): Derivation {
  const result = fly.tied.steps.find((s) => s.id === stepId);
  const name = result?.name ?? (stepId === "thread" ? "thread" : stepId);
  const material = fly.parts.find((p) => p.uses.some((u) => u.step === stepId && u.use.kind === use.kind))?.material;
  const fromMaterial: Source = {
    from: "material",
    where: `${material?.name ?? ""}${material?.measured ? "" : ", nominal"}`,
  };
  const fromPattern: Source = { from: "pattern", where: name };
  const made = (
    formula: string,
    written: string,
    inputs: Derivation["inputs"],
    result: Derivation["result"],
    through: Derivation["through"] = [],
    parts?: Derivation[],
  ): Derivation => ({
    formula,
    written,
    inputs,
    through,
    result: { ...result, name: `${name}: ${result.name}` },
    parts,
  });
  switch (use.kind) {
    case "pieces":
      return made("Count", "as stated", [term("pieces", use.each, "pieces", fromPattern)], {
        name: "a fly",
        value: use.each,
        unit: "pieces",
      });
    case "wound feather": {
      const f = feathersPerFly(use, use, Math.exp(c.calibration.m));
      const [label, value] =
        "fliesPerFeather" in f
          ? (["flies a feather", f.fliesPerFeather] as const)
          : (["feathers a fly", f.feathersPerFly] as const);
      return made(
        "Wound feather",
        "⌊(U − grip) / (L + bound)⌋",
        [
          term("U, usable stem", use.usable, "mm", fromMaterial),
          term("grip", use.grip, "mm", fromMaterial),
          term("L, wound", use.length, "mm"),
          term("bound", use.bound, "mm"),
        ],
        { name: label, value, unit: label === "flies a feather" ? "flies" : "feathers" },
        [],
        [windWorking(fly, stepId)],
      );
    }
    case "cut":
      return made(
        "Cut pieces",
        "⌊(P − grip − trim) / (L/σ + bound)⌋",
        [
          term("P, piece", use.piece, "mm", fromPattern),
          term("grip", use.grip, "mm", fromPattern),
          term("trim", use.trim, "mm", fromPattern),
          term("L/σ", use.length, "mm"),
          term("bound", use.bound, "mm"),
        ],
        {
          name: "flies a piece",
          value: use.toMeasure ? 1 : fliesPerPiece(use, use, Math.exp(c.calibration.m)),
          unit: "flies",
        },
        [],
        [windWorking(fly, stepId)],
      );
    case "fibres":
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
    case "slips":
      return made(
        "Matched slips",
        "⌊usable span / width⌋, each side apart",
        [
          term("width", use.widthMm, "mm", fromPattern),
          term("slips a feather", use.perFeather, "pieces", fromMaterial),
        ],
        { name: "a fly and side", value: 1 / use.perFeather, unit: "feathers" },
      );
    case "feathers":
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
    case "patch":
      return made(
        "Patch of hide",
        "⌊A · (1 − loss) / a⌋ flies a patch, whole clumps only",
        [
          term("a, patch a fly", use.areaMm2, "mm²", fromPattern),
          term("flies a patch", use.fliesPerPatch, "flies", fromMaterial),
        ],
        { name: "a fly", value: 1 / use.fliesPerPatch, unit: "pieces" },
      );
    case "packets":
      return made(
        "A trace",
        "1 / flies a packet: it is never weighed",
        [term("flies a packet", use.fliesPerPacket, "flies", fromMaterial)],
        { name: "a fly", value: 1 / use.fliesPerPacket, unit: "pieces" },
      );
    case "strands":
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
    case "length":
      return stepId === "thread" ? threadWorking(fly, use.mm) : spoolWorking(fly, stepId, use.mm, name);
    case "mass":
      return massWorking(fly, stepId, use.mg, name, fromMaterial, fromPattern);
    case "volume":
      return made(
        "Liquid",
        "coats · max(3 µl, π · D · ℓ · h / 0.15)",
        [term("D, head", result?.headDiameter ?? 0, "mm"), term("ℓ, head", result?.headLength ?? 0, "mm")],
        { name: "a fly", value: use.ul, unit: "µl" },
      );
  }
}

function windWorking(fly: ComposedFly, stepId: string): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  const spot = r?.from === r?.to;
  return {
    formula: spot ? "Turns at one spot" : "Wind",
    written: spot ? "N · π · (D̄ + core)" : "Σ √((π · (D + core · max(1, g)))² + p²) · Δx / p over 250 stations",
    inputs: [
      term("from", r?.from ?? 0, "mm", { from: "pattern", where: r?.name ?? "" }),
      term("to", r?.to ?? 0, "mm", { from: "pattern", where: r?.name ?? "" }),
      term("shank", fly.hook.shank, "mm", fly.hook.sources.shank),
      term("wire", fly.hook.wire, "mm", fly.hook.sources.wire),
    ],
    through: [
      { name: "turns", value: r?.turns ?? 0, unit: "turns" },
      { name: "pitch", value: r?.pitch ?? 0, unit: "mm" },
      { name: "cover", value: r?.cover ?? 0, unit: "" },
    ],
    result: { name: "wound length", value: r?.length ?? 0, unit: "mm" },
  };
}

function spoolWorking(fly: ComposedFly, stepId: string, mm: number, name: string): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  return {
    formula: "From the spool",
    written: "L / σ + bound + trim",
    inputs: [
      term("L, wound", r?.length ?? 0, "mm"),
      term("σ, stretch", r?.stretch ?? 1, "", { from: "pattern", where: name }),
      term("bound", r?.bound ?? 0, "mm"),
      term("trim", r?.trim ?? 0, "mm", { from: "pattern", where: name }),
    ],
    through: [],
    result: { name: `${name}: a fly`, value: mm, unit: "mm" },
    parts: [windWorking(fly, stepId)],
  };
}

function threadWorking(fly: ComposedFly, mm: number): Derivation {
  const t = fly.tied.threads.find((x) => x.use.total === mm)?.use;
  const causes = [
    ["start tag", t?.startTag],
    ["windings", t?.windings],
    ["tie-ins", t?.tieIns],
    ["over what is bound down", t?.overLays],
    ["under dubbing", t?.underDubbing],
    ["dubbing loops", t?.loops],
    ["whip finish", t?.whip],
    ["finish tag", t?.finishTag],
  ] as const;
  return {
    formula: "Thread",
    written: "1.15 × the sum of every cause",
    inputs: causes.filter(([, v]) => (v ?? 0) > 0).map(([n, v]) => term(n, v ?? 0, "mm", computed)),
    through: [],
    result: { name: "thread: a fly", value: mm, unit: "mm" },
  };
}

function massWorking(
  fly: ComposedFly,
  stepId: string,
  mg: number,
  name: string,
  fromMaterial: Source,
  fromPattern: Source,
): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  if (r?.do !== "dress") {
    const width = fly.steps.find((s) => s.id === stepId)?.widthMm ?? 0;
    return {
      formula: "Hair by clump",
      written: "π/4 · q² · length · ρ · 0.6",
      inputs: [
        term("q, clump squeezed", width, "mm", fromPattern),
        term("length", (r?.lengthEach ?? 0) + (fly.steps.find((s) => s.id === stepId)?.shownMm ?? 0), "mm"),
      ],
      through: [],
      result: { name: `${name}: a fly`, value: mg, unit: "mg" },
    };
  }
  return {
    formula: "Dress",
    written: "V · ρ / (1 − loss), V between the old body and the new",
    inputs: [
      term("from", r.from, "mm", fromPattern),
      term("to", r.to, "mm", fromPattern),
      term("V, volume", r.volume ?? 0, "mm³"),
      term("diameter beneath", r.under ?? 0, "mm"),
      term("packed density and loss", (r.volume ?? 0) > 0 ? mg / (r.volume ?? 1) : 0, "mg/mm³", fromMaterial),
    ],
    through: [
      { name: "noodle of the same mass", value: r.noodle ?? 0, unit: "mm" },
      { name: "diameter at the eye end", value: r.endDiameters?.[0] ?? 0, unit: "mm" },
      { name: "diameter at the bend end", value: r.endDiameters?.[1] ?? 0, unit: "mm" },
    ],
    result: { name: `${name}: a fly`, value: mg, unit: "mg" },
  };
}

/** The mass of one fly, by what it is made of. */
export function weightWorking(fly: ComposedFly): Derivation {
  const { hook, beads, materials, dubbing, thread, total } = fly.tied.mass;
  const weighed = fly.hook.weighed !== undefined;
  const inputs = [
    term("hook", hook, "mg", weighed ? { from: "measured", where: `weighed, size ${fly.hook.size}` } : computed),
    term("beads and eyes", beads, "mg", { from: "material", where: "weighed parts" }),
    term("what is wound and laid", materials, "mg"),
    term("dubbing that stays", dubbing, "mg"),
    term("thread, without tags", thread, "mg"),
  ].filter((t) => t.value > 0);
  return {
    formula: "Weight",
    written: "hook + parts + Σ ρ · A · (L/σ + bound) + fibres + dubbing + τ/9000 · thread",
    inputs,
    through: [],
    result: { name: "a fly", value: total, unit: "mg" },
  };
}

/** The minutes of one fly: the pattern's own, and what this choice adds or spares. */
export function minutesWorking(fly: ComposedFly): Derivation {
  const { standard, ways, leftOut, filled } = fly.minutesOf;
  const inputs = [
    term("the pattern's minutes", standard, "min", { from: "pattern", where: "one after another" }),
    ...[
      term("ways that differ from the pattern's", ways, "min"),
      term("parts left out, an even share each", leftOut, "min"),
      term("turns that fill the gap", filled, "min"),
    ].filter((t) => Math.abs(t.value) > 1e-9),
  ];
  return {
    formula: "Minutes",
    written: "standard + ways + left out + filled",
    inputs,
    through: [],
    result: { name: "a fly", value: fly.minutes, unit: "min" },
  };
}
