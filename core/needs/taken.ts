import { SERVICE_LEVEL, type Outcomes, uncalibrated, type Calibration } from "../learning";
import { cutLength, type ComponentUse } from "../fly";
import { feathersForFibres, feathersPerFly, fliesPerPiece } from "../tying";
import type { Material } from "../materials";
import type { Role } from "../recipe";
import { breakageKind, breakagePriors, type BreakageKind } from "./breakage";

/** What the room has learned, and how sure it wants to be. Everything absent falls back to the priors. */
export interface Knowledge {
  level?: number;
  calibration?: (component: string) => Calibration | undefined;
  /** Pieces of a material that the room has counted as sound and as spoiled, beside the prior of their kind. */
  pieces?: (material: string) => CountedPieces | undefined;
}

/** What finished batches have counted of a material's pieces. */
export interface CountedPieces extends Outcomes {
  batches: number;
}

/** How long a piece is cut: as stated, or to measure for what the room has learned that a fly takes. */
export const pieceOf = (use: Extract<ComponentUse, { kind: "cut" }>, kappa: number): number =>
  use.toMeasure ? cutLength(kappa * (use.length + use.bound)) : use.piece;

/**
 * How many whole pieces or feathers one fly takes for a use (1/k when one serves k flies), or undefined for what is
 * measured.
 */
export function piecesPerFly(use: ComponentUse, kappa: number): number | undefined {
  switch (use.kind) {
    case "pieces":
      return use.each;
    case "packets":
      return 1 / use.fliesPerPacket;
    case "wound feather": {
      const f = feathersPerFly(use, use, kappa);
      return (use.together ?? 1) * ("fliesPerFeather" in f ? 1 / f.fliesPerFeather : f.feathersPerFly);
    }
    case "cut":
      return (use.together ?? 1) * (use.toMeasure ? 1 : 1 / fliesPerPiece(use, use, kappa));
    case "fibres":
      return feathersPerUse(use);
    case "slips":
      return (use.each ?? 1) / use.perFeather;
    case "feathers":
      return use.paired ? use.each / 2 : use.each;
    case "patch":
      return 1 / use.fliesPerPatch;
    case "strands":
      return use.piecesPerFly / use.piecesPerStrand;
    case "layer":
      return use.unit === "count" ? use.each : undefined;
    case "length":
    case "mass":
    case "volume":
      return undefined;
  }
}

/** Feathers for the fibres of one fly: pooled within the batch, or a whole number of flies from each. */
export function feathersPerUse(use: Extract<ComponentUse, { kind: "fibres" }>): number {
  return use.pooled ? use.fibres / use.perFeather : feathersForFibres(1e6, use.fibres, use.perFeather, false) / 1e6;
}

export function measured(use: ComponentUse): number {
  if (use.kind === "layer") return use.each;
  return use.kind === "length" ? use.mm : use.kind === "mass" ? use.mg : use.kind === "volume" ? use.ul : 0;
}

export interface Context {
  /** Share of what is taken that is lost before the vise. */
  prepLoss: number;
  flies: number;
  level: number;
  calibration: Calibration;
  /** Prior and log together. */
  pieces: Outcomes;
  breaksAs: BreakageKind;
  /** Batches that told how many of its pieces were spoiled. */
  counted: number;
}

/** One component, as far as its losses go. */
export interface Lossy {
  component: string;
  role: Role;
  material: { code: string; form?: Material["form"]; prepLoss?: Material["prepLoss"] };
  uses: readonly { use: Pick<ComponentUse, "kind"> }[];
}

export function contextOf(flies: number, part: Lossy, known: Knowledge): Context {
  const { material } = part;
  const breaksAs = breakageKind(
    part.role,
    material.form,
    part.uses.map((u) => u.use),
  );
  const prior = breakagePriors[breaksAs];
  const counted = known.pieces?.(material.code);
  return {
    prepLoss: material.prepLoss?.share ?? 0,
    flies,
    level: known.level ?? SERVICE_LEVEL,
    calibration: known.calibration?.(part.component) ?? uncalibrated,
    pieces: { good: prior.good + (counted?.good ?? 0), bad: prior.bad + (counted?.bad ?? 0) },
    breaksAs,
    counted: counted?.batches ?? 0,
  };
}
