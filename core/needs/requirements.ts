import { startsFor, issueQuantity } from "../learning";
import { ceilSafe } from "../numeric";
import { guard, quantity, quantityOf, type Quantity, type StockUnit } from "../units";
import { layerPart, type ComponentUse, type ComposedFly, type FlyPart } from "../fly";
import type { Role } from "../recipe";
import { areaOf, type Side } from "../materials";
import { benchWords } from "./benchWords";
import { contextOf, measured, pieceOf, piecesPerFly, type Context, type Knowledge } from "./taken";

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
  /** Length that its fibres must have at least, mm. */
  fibreMm?: number;
  /** Where on the skin it is to come from. */
  area?: string;
  /** Per fly, in pieces, mm, mg or µl. */
  perFly: number;
  /** For the flies started, without any allowance. */
  net: Quantity;
  /** What is expected to be used: a cost estimate takes this. */
  expected: Quantity;
  /** What the drawer gives out, allowance included. */
  issue: Quantity;
  words: string;
  /** Length to which pieces are cut from a spool, mm. */
  cutTo?: number;
  /** Whether what a batch used of it tells anything: pieces cut to a learned length only repeat what was learned. */
  teaches: boolean;
  uses: { step: string; use: ComponentUse }[];
}

const hookUse: ComponentUse = { kind: "pieces", each: 1 };

/** Code of the drawer item for a hook model at a size: "N1-14", "S2-1-0". */
export const hookCode = (model: string, size: string): string => `${model}-${size.replace("/", "-")}`;

interface Quantities {
  perFly: number;
  cutTo?: number;
  net: Quantity;
  expected: Quantity;
  issue: Quantity;
}

function quantities(uses: ComponentUse[], unit: StockUnit, c: Context): Quantities {
  guard("flies", c.flies, { least: 0, most: 1_000_000, whole: true });
  const kappa = Math.exp(c.calibration.m);
  const counted = uses.map((use) => piecesPerFly(use, kappa)).map((m) => m && m / (1 - c.prepLoss));
  return counted.every((m) => m !== undefined) ? ofPieces(uses, counted, unit, kappa, c) : ofMeasured(uses, unit, c);
}

/** Whole pieces or feathers; those cut from a spool are so many lengths of it. */
function ofPieces(uses: ComponentUse[], counted: number[], unit: StockUnit, kappa: number, c: Context): Quantities {
  const perFly = counted.reduce((sum, m) => sum + m, 0);
  const cutTo = unit === "um" ? uses.reduce((mm, u) => (u.kind === "cut" ? pieceOf(u, kappa) : mm), 0) : undefined;
  // A length is made whole before it is multiplied: 64.1 mm are 64,100 µm, and so many of them stay whole.
  const each = cutTo === undefined ? 1 : quantityOf(cutTo, "um");
  const needed = ceilSafe(perFly * c.flies);
  return {
    perFly: perFly * (cutTo ?? 1),
    cutTo,
    net: quantity(needed * each, unit),
    expected: quantity(needed * each, unit),
    issue: quantity(startsFor(needed, c.pieces, c.level) * each, unit),
  };
}

/** Lengths, masses and volumes, with the spread that is known of them. */
function ofMeasured(uses: ComponentUse[], unit: StockUnit, c: Context): Quantities {
  const perFly = uses.reduce((sum, use) => sum + measured(use), 0) / (1 - c.prepLoss);
  const q = issueQuantity(c.flies, perFly, c.calibration, c.level);
  return {
    perFly,
    net: quantityOf(perFly * c.flies, unit, "up"),
    expected: quantityOf(q.expected, unit),
    issue: quantityOf(q.issue, unit, "to issue"),
  };
}

function forPart(part: FlyPart, flies: number, known: Knowledge, side?: Side): Requirement {
  const uses = part.uses;
  const context = contextOf(flies, part, known);
  const barb = uses.flatMap(({ use }) => (use.kind === "wound feather" && use.barb ? [use.barb] : []))[0];
  const fibreMm = uses.reduce((mm, { use }) => Math.max(mm, use.kind === "fibres" ? use.lengthMm : 0), 0);
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
    ...(fibreMm > 0 && { fibreMm }),
    ...(part.area && { area: areaOf(part.area) }),
    ...quantities(
      uses.map((u) => u.use),
      part.material.unit,
      context,
    ),
    teaches: !uses.some(({ use }) => use.kind === "cut" && use.toMeasure),
    uses: uses.map(({ step, use }) => ({
      step,
      use: use.kind === "cut" ? { ...use, piece: pieceOf(use, Math.exp(context.calibration.m)) } : use,
    })),
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
    if (part.layers.length > 0)
      return part.layers.map((layer) => ({
        ...forPart(layerPart(part, layer), flies, known),
        key: `${part.component}/${layer.material.code}`,
      }));
    const sided = part.uses.some(({ use }) => use.kind === "slips" || (use.kind === "feathers" && use.paired));
    return sided
      ? (["left", "right"] as const).map((side) => forPart(part, flies, known, side))
      : [forPart(part, flies, known)];
  });
}

/** The hooks of a batch, as a requirement like any other. */
export function hookRequirement(
  model: { id: string; name: string },
  size: string,
  flies: number,
  known: Knowledge = {},
): Requirement {
  const code = hookCode(model.id, size);
  const uses = [{ step: "hook", use: hookUse }];
  const hook = { component: "hook", role: "hook", material: { code, form: "hook" }, uses } as const;
  const q = quantities([hookUse], "count", contextOf(flies, hook, known));
  const requirement = {
    key: "hook",
    component: "hook",
    role: "hook" as const,
    material: code,
    materialName: `${model.name}, ${size}`,
    unit: "count" as const,
    alternates: [],
    ...q,
    teaches: true,
    uses,
  };
  return { ...requirement, words: benchWords(requirement, "hook") };
}
