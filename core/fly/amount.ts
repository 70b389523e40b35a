import { bounds, guard } from "../units";
import { DomainError } from "../errors";
import type { Material } from "../materials";
import { floorSafe, roundHalfUp } from "../numeric";
import {
  clumpArea,
  clumpMass,
  fibresInSpan,
  fibresPerFeather,
  HAIR_PACKING,
  slipsPerFeather,
  strandPieces,
  type Strand,
} from "../tying";
import type { FeatherPart, LayAmount, LengthRule, RecipeStep } from "../recipe";
import type { ComponentUse } from "./types";

export interface Laid {
  strand: Strand;
  strands: number;
  fibres?: number;
  widthMm?: number;
  /** Absent where the material is counted when it is wound. */
  use?: ComponentUse;
}

interface LayContext {
  step: RecipeStep & { do: "lay" };
  material: Material;
  strand: () => Strand;
  mm: (rule: LengthRule) => number;
  /** Shown and bound, with butts to be trimmed. */
  grossMm: number;
  boundMm: number;
  pooled: boolean;
  /** How many times more is taken than stays, by the way it is measured and levelled. */
  over: number;
}

const featherOf = (material: Material, step: RecipeStep) => {
  if (!material.feather)
    throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the fibres per mm of “${material.name}”` });
  return material.feather;
};

/**
 * Refuses a part that is longer than its material gives. What is laid is no longer than its feather's stem where nobody
 * has said how long its fibres are; what is wound is held against a stated length only.
 * @throws DomainError FIBRE_TOO_SHORT with the reach
 */
export function guardReach(
  part: string,
  material: Material,
  neededMm: number,
  boundMm = 0,
  reachMm: number | undefined = material.fibreMm,
): void {
  if (reachMm === undefined || neededMm <= reachMm + 1e-9) return;
  throw new DomainError("FIBRE_TOO_SHORT", { part, material: material.name, reachMm, neededMm, boundMm });
}

const guardLaid = ({ step, material, grossMm, boundMm }: LayContext, neededMm = grossMm): void =>
  guardReach(step.name, material, neededMm, boundMm, material.fibreMm ?? material.feather?.usable);

/** Fibres taken from a feather, pooled within the batch or for whole flies only. */
export function fibreUse(
  material: Material,
  step: RecipeStep,
  fibres: number,
  lengthMm: number,
  pooled: boolean,
): ComponentUse {
  const perFeather = fibresPerFeather(featherOf(material, step));
  if (!(perFeather > 0)) throw new DomainError("FEATHER_WITHOUT_FIBRES", { material: material.name });
  return { kind: "fibres", fibres, perFeather, lengthMm, pooled };
}

/**
 * What is laid for an amount as it is said: the cross-section that goes on the shank, and what leaves the drawer.
 * @throws DomainError STEP_NEEDS when the material lacks a figure, PIECE_TOO_SHORT
 */
export function layAmount(amount: LayAmount, c: LayContext): Laid {
  guard("taken times as much", c.step.overTake, bounds.overTake);
  const over = (c.step.overTake ?? 1) * c.over;
  if ("clump" in amount)
    return c.material.unit === "ug" ? clump(c.mm(amount.clump), c, over) : bundle(c.mm(amount.clump), c, over);
  if (c.material.form === "hair" && ("fibres" in amount || "strands" in amount)) return hairs(amount, c, over);
  if ("patchMm2" in amount) return patch(amount.patchMm2, c);
  if ("slipWidth" in amount) {
    const widthMm = c.mm(amount.slipWidth);
    const f = featherOf(c.material, c.step);
    const fibres = fibresInSpan(widthMm, f.perMm);
    const layers = amount.layers ?? 1;
    guard("slips on each side", layers, bounds.layers);
    guardLaid(c);
    return {
      strand: c.strand(),
      strands: 2 * fibres * layers,
      fibres: fibres * layers,
      widthMm,
      use: {
        kind: "slips",
        widthMm,
        perFeather: slipsPerFeather(f.span, widthMm),
        ...(layers > 1 && { each: layers }),
      },
    };
  }
  if ("fibres" in amount || "spanMm" in amount) {
    if ("fibres" in amount) guard("fibres", amount.fibres, bounds.fibres);
    else guard("span of stem", amount.spanMm, bounds.spanMm);
    const fibres =
      "fibres" in amount ? amount.fibres : fibresInSpan(amount.spanMm, featherOf(c.material, c.step).perMm);
    guardLaid(c);
    return {
      strand: c.strand(),
      strands: fibres,
      fibres,
      use: fibreUse(c.material, c.step, fibres * over, c.grossMm, c.pooled),
    };
  }
  if ("strands" in amount) {
    guard("strands", amount.strands, bounds.ends);
    const use = c.step.countedWhenWound ? undefined : strandUse(amount, c);
    return { strand: c.strand(), strands: amount.strands, fibres: amount.strands, use };
  }
  if ("feathers" in amount) return feathers(amount, c);
  guard("pieces", amount.pieces, bounds.fibres);
  return {
    strand: c.strand(),
    strands: amount.pieces,
    fibres: amount.pieces,
    use: { kind: "pieces", each: amount.pieces },
  };
}

/** Share of its fibres that stays on a feather of which only a part is used. */
const shareLeft: Record<FeatherPart, number> = { tip: 0.25, "one flank": 0.5, "centre out": 0.7 };

/**
 * Whole feathers: laid or rolled, centre cut out or not, they are their fibres, for bulk, butts and the drawing. A
 * hackle or one of a pair lies by its stem.
 */
function feathers(amount: Extract<LayAmount, { feathers: number }>, c: LayContext): Laid {
  guard("feathers", amount.feathers, bounds.feathers);
  guardLaid(c);
  const each = amount.feathers;
  const { part, paired = false } = amount;
  const isFibres = c.material.form === "feather fibre" && c.material.feather !== undefined && !paired;
  const share = part === undefined ? 1 : shareLeft[part];
  const strands = isFibres
    ? Math.max(1, roundHalfUp(each * share * fibresPerFeather(featherOf(c.material, c.step))))
    : Math.ceil(each);
  return {
    strand: c.strand(),
    strands,
    fibres: strands,
    // Its other flank serves the next fly; a feather has but one tip, and one middle.
    use: { kind: "feathers", each: part === "one flank" ? each / 2 : each, paired },
  };
}

/**
 * Laid strands in the unit in which the drawer counts them: cut from hank strands, by length from a spool, fibres of a
 * feather, or pieces.
 */
function strandUse({ strands, folded }: { strands: number; folded: boolean }, c: LayContext): ComponentUse {
  const { material, grossMm } = c;
  if (material.pieceMm !== undefined)
    return {
      kind: "strands",
      ...strandPieces({ hank: material.pieceMm, piece: grossMm, ends: strands, folded }),
      pieceMm: folded ? 2 * grossMm : grossMm,
    };
  // Folded, two ends are one piece of twice the length; an odd number of ends takes one piece more.
  const length = folded ? 2 * Math.ceil(strands / 2) * grossMm : strands * grossMm;
  if (material.unit === "um")
    return { kind: "length", mm: length + LAID_TRIM * (folded ? Math.ceil(strands / 2) : strands) };
  guardLaid(c, folded ? 2 * grossMm : grossMm);
  if (material.feather) return fibreUse(material, c.step, strands, grossMm, c.pooled);
  return { kind: "pieces", each: folded ? Math.ceil(strands / 2) : strands };
}
/** Thrown away of each piece that is cut from a spool to be laid, in mm. */
const LAID_TRIM = 5;

/** Density of hair where nobody has said: solid. */
const SOLID_HAIR = 1.3;

function clumpStrand(q: number, density: number): Strand {
  const area = clumpArea(q);
  const massPerMm = area * density * HAIR_PACKING;
  return { width: q, thickness: q, core: q, area, massPerMm, capped: false, pile: false };
}

function clump(q: number, c: LayContext, over: number): Laid {
  guardLaid(c);
  const density = c.material.hair?.density ?? SOLID_HAIR;
  return {
    strand: clumpStrand(q, density),
    strands: 1,
    widthMm: q,
    use: { kind: "mass", mg: clumpMass(q, c.grossMm, density) * over },
  };
}

/**
 * A clump of what the drawer does not weigh, such as marabou or flash: as many fibres or strands as pack to it,
 * n = 0.6 · π/4·q² / A.
 */
function bundle(q: number, c: LayContext, over: number): Laid {
  guard("clump", q, bounds.clumpMm);
  const one = c.strand();
  if (!(one.area > 0))
    throw new DomainError("STEP_NEEDS", {
      step: c.step.name,
      missing: `how thick a fibre of “${c.material.name}” is`,
    });
  const n = Math.max(1, roundHalfUp((HAIR_PACKING * clumpArea(q)) / one.area));
  guardLaid(c);
  const use = c.step.countedWhenWound
    ? undefined
    : c.material.feather
      ? fibreUse(c.material, c.step, n * over, c.grossMm, c.pooled)
      : strandUse({ strands: n, folded: false }, c);
  return { strand: clumpStrand(q, one.massPerMm / one.area), strands: 1, fibres: n, widthMm: q, use };
}

/** Width of a hair where nobody has measured it, in mm. */
const HAIR_WIDTH = 0.1;

/** Hair by number: as thick a clump as so many hairs pack to, so that its mass is theirs. */
function hairs(amount: { fibres: number } | { strands: number }, c: LayContext, over: number): Laid {
  const n = "fibres" in amount ? amount.fibres : amount.strands;
  guard("fibres", n, bounds.fibres);
  const q = (c.material.strand?.width ?? HAIR_WIDTH) * Math.sqrt(n / HAIR_PACKING);
  return { ...clump(q, c, over), fibres: n };
}

/** Hair stands about a tenth as dense on the hide as it lies squeezed in a clump. */
const HAIR_ON_HIDE = 0.1;

function patch(areaMm2: number, c: LayContext): Laid {
  guard("patch", areaMm2, bounds.patchMm2);
  const hide = c.material.hide;
  if (!hide)
    throw new DomainError("STEP_NEEDS", { step: c.step.name, missing: `the area of a patch of “${c.material.name}”` });
  const fliesPerPatch = floorSafe((hide.areaMm2 * (1 - hide.loss)) / areaMm2);
  if (fliesPerPatch < 1)
    throw new DomainError("PATCH_TOO_SMALL", { patchMm2: hide.areaMm2 * (1 - hide.loss), neededMm2: areaMm2 });
  const q = Math.sqrt((4 / Math.PI) * areaMm2 * HAIR_ON_HIDE);
  return {
    strand: clumpStrand(q, c.material.hair?.density ?? SOLID_HAIR),
    strands: 1,
    widthMm: q,
    use: { kind: "patch", areaMm2, fliesPerPatch },
  };
}
