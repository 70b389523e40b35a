import { SERVICE_LEVEL, startsFor, piecePrior, type Outcomes } from "../batches";
import { computed, setting, term, type Derivation, type Source } from "../derivation";
import { ceilSafe, ceilTo } from "../numeric";
import type { ComponentUse, ComposedFly, FlyPart, Role } from "../patterns";
import { feathersForFibres, feathersPerFly, fliesPerPiece } from "../tying";
import { issueQuantity, uncalibrated, type Calibration } from "./calibration";
import { basePerCore, issueStep, type StockUnit } from "./material";
import { benchWords } from "./words";

/** What the room has learned, and how sure it wants to be. Everything absent falls back to the priors. */
export interface Knowledge {
  level?: number;
  calibration?: (component: string) => Calibration | undefined;
  pieces?: (material: string) => Outcomes | undefined;
}

export type Side = "left" | "right";

/** What a batch needs of one component, from one side where sides matter. Stock quantities in whole base units. */
export interface Requirement {
  /** Component id, with the side where there are two: "wing:left". */
  key: string;
  component: string;
  role: Role;
  material: string;
  materialName: string;
  unit: StockUnit;
  side?: Side;
  alternates: string[];
  /** Wanted barb length of a wound feather, mm. */
  barb?: [number, number];
  /** Per fly, in pieces, mm, mg or µl. */
  perFly: number;
  /** For the flies started, without any allowance. */
  net: number;
  /** What is expected to be used: a cost estimate takes this. */
  expected: number;
  /** What the drawer gives out, allowance included. */
  issue: number;
  words: string;
  uses: { step: string; use: ComponentUse }[];
}

const hookUse: ComponentUse = { kind: "pieces", each: 1 };

/** Code of the drawer item for a hook model at a size: "N1-14", "S2-1-0". */
export const hookCode = (model: string, size: string): string => `${model}-${size.replace("/", "-")}`;

/** How many whole pieces or feathers one fly takes for a use (1/k when one serves k flies), or undefined for what is measured. */
function piecesPerFly(use: ComponentUse, kappa: number): number | undefined {
  switch (use.kind) {
    case "pieces":
      return use.each;
    case "wound feather": {
      const f = feathersPerFly(use, use, kappa);
      return "fliesPerFeather" in f ? 1 / f.fliesPerFeather : f.feathersPerFly;
    }
    case "cut":
      return 1 / fliesPerPiece(use, use, kappa);
    case "fibres":
      return feathersPerUse(use);
    case "slips":
      return 1 / use.perFeather;
    case "feathers":
      return use.paired ? use.each / 2 : use.each;
    case "patch":
      return 1 / use.fliesPerPatch;
    case "strands":
      return use.piecesPerFly / use.piecesPerStrand;
    case "length":
    case "mass":
    case "volume":
      return undefined;
  }
}

/** Feathers for the fibres of one fly: pooled within the batch, or a whole number of flies from each. */
function feathersPerUse(use: Extract<ComponentUse, { kind: "fibres" }>): number {
  return use.pooled ? use.fibres / use.perFeather : feathersForFibres(1e6, use.fibres, use.perFeather, false) / 1e6;
}

const measured = (use: ComponentUse): number =>
  use.kind === "length" ? use.mm : use.kind === "mass" ? use.mg : use.kind === "volume" ? use.ul : 0;

interface Context {
  flies: number;
  level: number;
  calibration: Calibration;
  pieces: Outcomes;
}

function contextOf(flies: number, part: { component: string; material: { code: string } }, known: Knowledge): Context {
  return {
    flies,
    level: known.level ?? SERVICE_LEVEL,
    calibration: known.calibration?.(part.component) ?? uncalibrated,
    pieces: known.pieces?.(part.material.code) ?? piecePrior,
  };
}

function quantities(uses: ComponentUse[], unit: StockUnit, c: Context) {
  const counted = uses.map((use) => piecesPerFly(use, Math.exp(c.calibration.m)));
  if (counted.every((m) => m !== undefined)) {
    const perFly = counted.reduce((sum, m) => sum + m, 0);
    const pieceLength = unit === "um" ? uses.reduce((mm, u) => (u.kind === "cut" ? u.piece : mm), 0) * basePerCore.um : 1;
    const net = ceilSafe(perFly * c.flies);
    return { perFly, net: net * pieceLength, expected: net * pieceLength, issue: startsFor(net, c.pieces, c.level) * pieceLength };
  }
  const perFly = uses.reduce((sum, use) => sum + measured(use), 0);
  const q = issueQuantity(c.flies, perFly, c.calibration, c.level);
  const base = basePerCore[unit];
  return {
    perFly,
    net: ceilSafe(perFly * c.flies * base),
    expected: Math.round(q.expected * base),
    issue: ceilTo(q.issue * base, issueStep[unit]),
  };
}

function forPart(part: FlyPart, flies: number, known: Knowledge, side?: Side): Requirement {
  const uses = part.uses;
  const barb = uses.flatMap(({ use }) => (use.kind === "wound feather" && use.barb ? [use.barb] : []))[0];
  const requirement = {
    key: side ? `${part.component}:${side}` : part.component,
    component: part.component,
    role: part.role,
    material: part.material.code,
    materialName: part.material.name,
    unit: part.material.unit,
    side,
    alternates: part.alternates,
    barb,
    ...quantities(uses.map((u) => u.use), part.material.unit, contextOf(flies, part, known)),
    uses,
  };
  return { ...requirement, words: benchWords(requirement, part.material.form) };
}

/**
 * What a batch needs: every component of the fly, for the flies started, in stock units and in bench words.
 *
 * @param fly one fly, composed
 * @param flies flies to start, rejects included; 0 gives zero quantities
 * @param known learned yields; priors are used for what is not in it
 * @returns hooks first, then the parts in the recipe's order; matched slips as a left and a right row
 */
export function requirementsOf(fly: ComposedFly, flies: number, known: Knowledge = {}): Requirement[] {
  return fly.parts.flatMap((part) => {
    const sided = part.uses.some(({ use }) => use.kind === "slips" || (use.kind === "feathers" && use.paired));
    return sided ? (["left", "right"] as const).map((side) => forPart(part, flies, known, side)) : [forPart(part, flies, known)];
  });
}

/** The hooks of a batch, as a requirement like any other. */
export function hookRequirement(model: { id: string; name: string }, size: string, flies: number, known: Knowledge = {}): Requirement {
  const code = hookCode(model.id, size);
  const q = quantities([hookUse], "count", contextOf(flies, { component: "hook", material: { code } }, known));
  const requirement = {
    key: "hook",
    component: "hook",
    role: "hook" as const,
    material: code,
    materialName: `${model.name}, ${size}`,
    unit: "count" as const,
    alternates: [],
    ...q,
    uses: [{ step: "hook", use: hookUse }],
  };
  return { ...requirement, words: benchWords(requirement, "hook") };
}

const knownFrom = (c: Calibration): Source => (c.batches > 0 ? { from: "learned", batches: c.batches } : { from: "setting" });

/** The working of a requirement: what one fly takes, step by step, then from one fly to the batch. */
export function workingOf(requirement: Requirement, fly: ComposedFly, flies: number, known: Knowledge = {}): Derivation {
  const c = contextOf(flies, { component: requirement.component, material: { code: requirement.material } }, known);
  const parts = requirement.uses.map(({ step, use }) => workingOfUse(fly, step, use, c));
  const counted = requirement.uses.every(({ use }) => piecesPerFly(use, Math.exp(c.calibration.m)) !== undefined);
  const started = term("flies started", flies, "flies");
  if (counted) {
    const pieceBase = requirement.net > 0 && requirement.unit === "um" ? requirement.net / ceilSafe(requirement.perFly * flies) : 1;
    return {
      formula: "Whole pieces",
      written: "the smallest n with P(at least ⌈m · flies⌉ of n are sound) ≥ level",
      inputs: [
        started,
        term("m, taken by each fly", requirement.perFly, "pieces"),
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

/** The working of one step's use of a material on one fly. */
function workingOfUse(fly: ComposedFly, stepId: string, use: ComponentUse, c: Context): Derivation {
  const result = fly.tied.steps.find((s) => s.id === stepId);
  const name = result?.name ?? (stepId === "thread" ? "thread" : stepId);
  const material = fly.parts.find((p) => p.uses.some((u) => u.step === stepId && u.use === use))?.material;
  const fromMaterial: Source = { from: "material", where: `${material?.name ?? ""}${material?.measured ? "" : ", nominal"}` };
  const fromPattern: Source = { from: "pattern", where: name };
  const made = (formula: string, written: string, inputs: Derivation["inputs"], result: Derivation["result"], through: Derivation["through"] = [], parts?: Derivation[]): Derivation => ({
    formula, written, inputs, through, result: { ...result, name: `${name}: ${result.name}` }, parts,
  });
  switch (use.kind) {
    case "pieces":
      return made("Count", "as stated", [term("pieces", use.each, "pieces", fromPattern)], { name: "a fly", value: use.each, unit: "pieces" });
    case "wound feather": {
      const f = feathersPerFly(use, use, Math.exp(c.calibration.m));
      const [label, value] = "fliesPerFeather" in f ? (["flies a feather", f.fliesPerFeather] as const) : (["feathers a fly", f.feathersPerFly] as const);
      return made(
        "Wound feather", "⌊(U − grip) / (L + bound)⌋",
        [term("U, usable stem", use.usable, "mm", fromMaterial), term("grip", use.grip, "mm", fromMaterial), term("L, wound", use.length, "mm"), term("bound", use.bound, "mm")],
        { name: label, value, unit: label === "flies a feather" ? "flies" : "feathers" }, [], [windWorking(fly, stepId)],
      );
    }
    case "cut":
      return made(
        "Cut pieces", "⌊(P − grip − trim) / (L/σ + bound)⌋",
        [term("P, piece", use.piece, "mm", fromPattern), term("grip", use.grip, "mm", fromPattern), term("trim", use.trim, "mm", fromPattern), term("L/σ", use.length, "mm"), term("bound", use.bound, "mm")],
        { name: "flies a piece", value: fliesPerPiece(use, use, Math.exp(c.calibration.m)), unit: "flies" }, [], [windWorking(fly, stepId)],
      );
    case "fibres":
      return made(
        "Fibres", use.pooled ? "n / F, leftovers pooled within the batch" : "1 / ⌊F / n⌋, each feather for whole flies only",
        [term("n, fibres a fly", use.fibres, "fibres", fromPattern), term("F, fibres a feather", use.perFeather, "fibres", fromMaterial)],
        { name: "a fly", value: feathersPerUse(use), unit: "feathers" },
        [{ name: "shown and bound length", value: use.lengthMm, unit: "mm" }],
      );
    case "slips":
      return made(
        "Matched slips", "⌊usable span / width⌋, each side apart",
        [term("width", use.widthMm, "mm", fromPattern), term("slips a feather", use.perFeather, "pieces", fromMaterial)],
        { name: "a fly and side", value: 1 / use.perFeather, unit: "feathers" },
      );
    case "feathers":
      return made(
        "Whole feathers", use.paired ? "as stated, half from each side" : "as stated",
        [term("feathers a fly", use.each, "feathers", fromPattern)], { name: use.paired ? "a fly and side" : "a fly", value: use.paired ? use.each / 2 : use.each, unit: "feathers" },
      );
    case "patch":
      return made(
        "Patch of hide", "⌊A · (1 − loss) / a⌋ flies a patch, whole clumps only",
        [term("a, patch a fly", use.areaMm2, "mm²", fromPattern), term("flies a patch", use.fliesPerPatch, "flies", fromMaterial)], { name: "a fly", value: 1 / use.fliesPerPatch, unit: "pieces" },
      );
    case "strands":
      return made(
        "Strands", "⌊strand / piece⌋ pieces from a strand",
        [term("piece", use.pieceMm, "mm"), term("pieces a strand", use.piecesPerStrand, "pieces", fromMaterial), term("pieces a fly", use.piecesPerFly, "pieces", fromPattern)],
        { name: "a fly", value: use.piecesPerFly / use.piecesPerStrand, unit: "pieces" },
      );
    case "length":
      return stepId === "thread" ? threadWorking(fly, use.mm) : spoolWorking(fly, stepId, use.mm, name);
    case "mass":
      return massWorking(fly, stepId, use.mg, name, fromMaterial, fromPattern);
    case "volume":
      return made(
        "Liquid", "coats · max(3 µl, π · D · ℓ · h / 0.15)",
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
    ["start tag", t?.startTag], ["windings", t?.windings], ["tie-ins", t?.tieIns], ["over what is bound down", t?.overLays],
    ["under dubbing", t?.underDubbing], ["dubbing loops", t?.loops], ["whip finish", t?.whip], ["finish tag", t?.finishTag],
  ] as const;
  return {
    formula: "Thread",
    written: "1.15 × the sum of every cause",
    inputs: causes.filter(([, v]) => (v ?? 0) > 0).map(([n, v]) => term(n, v ?? 0, "mm", computed)),
    through: [],
    result: { name: "thread: a fly", value: mm, unit: "mm" },
  };
}

function massWorking(fly: ComposedFly, stepId: string, mg: number, name: string, fromMaterial: Source, fromPattern: Source): Derivation {
  const r = fly.tied.steps.find((s) => s.id === stepId);
  if (r?.do !== "dress") {
    const width = fly.steps.find((s) => s.id === stepId)?.widthMm ?? 0;
    return {
      formula: "Hair by clump",
      written: "π/4 · q² · length · ρ · 0.6",
      inputs: [term("q, clump squeezed", width, "mm", fromPattern), term("length", (r?.lengthEach ?? 0) + (fly.steps.find((s) => s.id === stepId)?.shownMm ?? 0), "mm")],
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
