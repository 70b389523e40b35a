import { startsFor } from "../batches";
import { ceilSafe, ceilTo } from "../numeric";
import type { ComponentUse, ComposedFly, FlyPart, Role } from "../patterns";
import { issueQuantity } from "./calibration";
import { basePerCore, issueStep, type StockUnit } from "./material";
import { contextOf, measured, pieceOf, piecesPerFly, type Context, type Knowledge } from "./taken";
import { benchWords } from "./words";

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
  /** Length to which pieces are cut from a spool, mm. */
  cutTo?: number;
  /** Whether what a batch used of it tells anything: pieces cut to a learned length only repeat what was learned. */
  teaches: boolean;
  uses: { step: string; use: ComponentUse }[];
}

const hookUse: ComponentUse = { kind: "pieces", each: 1 };

/** Code of the drawer item for a hook model at a size: "N1-14", "S2-1-0". */
export const hookCode = (model: string, size: string): string => `${model}-${size.replace("/", "-")}`;

function quantities(uses: ComponentUse[], unit: StockUnit, c: Context) {
  const counted = uses.map((use) => piecesPerFly(use, Math.exp(c.calibration.m))).map((m) => m && m / (1 - c.prepLoss));
  if (counted.every((m) => m !== undefined)) {
    const perFly = counted.reduce((sum, m) => sum + m, 0);
    const cutTo =
      unit === "um"
        ? uses.reduce((mm, u) => (u.kind === "cut" ? pieceOf(u, Math.exp(c.calibration.m)) : mm), 0)
        : undefined;
    const each = cutTo === undefined ? 1 : cutTo * basePerCore.um;
    const net = ceilSafe(perFly * c.flies);
    return {
      perFly: perFly * (cutTo ?? 1),
      cutTo,
      net: net * each,
      expected: net * each,
      issue: startsFor(net, c.pieces, c.level) * each,
    };
  }
  const perFly = uses.reduce((sum, use) => sum + measured(use), 0) / (1 - c.prepLoss);
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
  const context = contextOf(flies, part, known);
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
    teaches: true,
    uses: [{ step: "hook", use: hookUse }],
  };
  return { ...requirement, words: benchWords(requirement, "hook") };
}
