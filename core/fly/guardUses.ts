import { DomainError } from "../errors";
import { feathersForFibres, feathersPerFly } from "../tying";
import type { StockUnit } from "../units";
import type { ComponentUse, FlyPart, FlyStep } from "./types";

/** Most whole feathers that any fly takes for one part. */
const MOST_FEATHERS = 20;

/** How a use is counted; a cut piece may come from a drawer of pieces or off a spool. */
const countedIn: Record<ComponentUse["kind"], readonly StockUnit[]> = {
  pieces: ["count"],
  packets: ["count"],
  length: ["um"],
  mass: ["ug"],
  layer: ["ug", "um", "count"],
  volume: ["nl"],
  "wound feather": ["count"],
  cut: ["count", "um"],
  fibres: ["count"],
  slips: ["count"],
  feathers: ["count"],
  patch: ["count"],
  strands: ["count"],
};
const keptAs: Record<StockUnit, string> = {
  count: "by the piece",
  um: "by length",
  ug: "by weight",
  nl: "by volume",
};

/**
 * Refuses what no fly takes, before it reaches a pull sheet: nothing of a part that is there, more whole feathers than
 * any fly has, or an amount that its drawer does not count in.
 * @throws DomainError USE_ABSURD, KEPT_OTHERWISE, each with its step
 */
export function guardUses(part: FlyPart, steps: ReadonlyMap<string, FlyStep>): void {
  for (const { step, use } of part.uses) {
    const at = steps.get(step);
    const refuse = (error: DomainError): never => {
      if (at) error.step = { id: at.id, name: at.name };
      throw error;
    };
    const name = at?.name ?? part.component;
    const { material } = part;
    const units = countedIn[use.kind];
    if (!units.includes(material.unit))
      refuse(
        new DomainError("KEPT_OTHERWISE", {
          part: name,
          material: material.name,
          kept: keptAs[material.unit],
          needed: units.map((u) => keptAs[u]).join(" or "),
        }),
      );
    const absurd = absurdIn(use);
    if (absurd) refuse(new DomainError("USE_ABSURD", { part: name, material: material.name, ...absurd }));
  }
}

function absurdIn(use: ComponentUse): { each: number; of: string; look: string } | undefined {
  const [each, of, look] = figureOf(use);
  // Dubbing that finds nothing to fill takes none; that is told, not refused.
  const isNothing = use.kind !== "mass" && use.kind !== "layer" && !(each > 0);
  return isNothing || !Number.isFinite(each) || (of === "feathers" && each > MOST_FEATHERS)
    ? { each, of, look }
    : undefined;
}

/** How much one fly takes, of what, and which figures it rests on. */
function figureOf(use: ComponentUse): [number, string, string] {
  switch (use.kind) {
    case "wound feather": {
      const f = feathersPerFly(use, use);
      const each = "feathersPerFly" in f ? f.feathersPerFly : 1 / f.fliesPerFeather;
      return [(use.together ?? 1) * each, "feathers", "the usable stem and the turns"];
    }
    case "fibres": {
      const each = use.pooled ? use.fibres / use.perFeather : feathersForFibres(1, use.fibres, use.perFeather, false);
      return [each, "feathers", "the number of fibres, and the fibres per mm and span of the feather"];
    }
    case "feathers":
      return [use.each, "feathers", "the number of feathers"];
    case "slips":
      return [(use.each ?? 1) / use.perFeather, "feathers", "the width of the slip"];
    case "length":
      return [use.mm, "mm", "how long it shows and how far it is bound"];
    case "cut":
      return [(use.together ?? 1) * (use.length + use.bound), "mm", "how long it shows and how far it is bound"];
    case "mass":
      return [use.mg, "mg", "the density"];
    case "layer":
      return [use.each, use.unit === "count" ? "feathers" : "mg or mm", "its share of the loop"];
    case "volume":
      return [use.ul, "µl", "the drops and coats"];
    case "pieces":
      return [use.each, "pieces", "the number of pieces"];
    case "packets":
      return [1 / use.fliesPerPacket, "packets", "the flies a packet makes"];
    case "patch":
      return [1 / use.fliesPerPatch, "patches", "the area of the patch"];
    case "strands":
      return [use.piecesPerFly / use.piecesPerStrand, "strands", "the length of a strand"];
  }
}
