import { bounds, guard } from "../units";

/**
 * One strand of a material as it is wound or laid, in mm and mg.
 * Source: docs/arithmetic.md, "The profile" and "Thread".
 */
export interface Strand {
  /** Wound width w: the pitch at which turns touch. */
  width: number;
  /** Radial thickness t: what a touching layer adds on each side. */
  thickness: number;
  /** Thickness of the core that lies on the hook where the rest is pile; else the thickness. */
  core: number;
  /** Cross-section of one strand in mm². */
  area: number;
  /** Mass of one strand in mg per mm. */
  massPerMm: number;
  /** Growth never above one layer: what is piled splays out (feathers, herl, chenille). */
  capped: boolean;
  /** Mostly pile (herl, chenille, yarn, feathers): soft at the hook point. */
  pile: boolean;
}

export type Section = "round" | "oval" | "flat";

/** A material's section as measured or as in the nominal table. Densities in mg/mm³ and mg/mm. */
export interface StrandSize {
  section?: Section;
  width: number;
  thickness: number;
  core?: number;
  density?: number;
  lineDensity?: number;
  capped?: boolean;
  pile?: boolean;
}

/**
 * Strands lie a little slack in a rope, and a line density without a section is packed into an area by the same share.
 */
const ROPE_TAKE = 1.1;

/** Cross-section in mm²: by the section where there is one, else from the line density. */
export function areaOf(size: StrandSize): number {
  switch (size.section) {
    case "round":
      return (Math.PI / 4) * size.width ** 2;
    case "oval":
      return (Math.PI / 4) * size.width * size.thickness;
    case "flat":
      return size.width * size.thickness;
    case undefined:
      return (size.lineDensity ?? 0) / ROPE_TAKE;
  }
}

/**
 * A strand from its measured or nominal size.
 * @throws DomainError FIGURE_OUT_OF_BOUNDS for a width, thickness or density that nothing can have
 */
export function strandOf(size: StrandSize): Strand {
  guard("width", size.width, bounds.widthMm);
  guard("thickness", size.thickness, bounds.thicknessMm);
  guard("core", size.core, bounds.coreMm);
  guard("density", size.density, bounds.density);
  guard("line density", size.lineDensity, bounds.lineDensity);
  const area = areaOf(size);
  const massPerMm = size.section === undefined ? (size.lineDensity ?? 0) : area * (size.density ?? 0);
  return {
    width: size.width,
    thickness: size.thickness,
    core: size.core ?? size.thickness,
    area,
    massPerMm,
    capped: size.capped ?? false,
    pile: size.pile ?? false,
  };
}

/** A rope of n strands twisted together: √n as wide and thick; each strand is used 1.1 times the rope's length. */
export function ropeOf(strand: Strand, n: number): Strand {
  guard("strands of the rope", n, bounds.rope);
  if (n === 1) return strand;
  const k = Math.sqrt(n);
  return {
    ...strand,
    width: strand.width * k,
    thickness: strand.thickness * k,
    core: strand.core * k,
    area: strand.area * n,
    massPerMm: ROPE_TAKE * n * strand.massPerMm,
  };
}

/** n strands wound side by side, untwisted: n times as wide, no thicker; each is used as long as the ribbon. */
export function ribbonOf(strand: Strand, n: number): Strand {
  guard("strands side by side", n, bounds.rope);
  return { ...strand, width: strand.width * n, area: strand.area * n, massPerMm: strand.massPerMm * n };
}

/** Length of each strand used in mm of rope. */
export const ropeStrandLength = (ropeMm: number, n: number): number => (n === 1 ? ropeMm : ROPE_TAKE * ropeMm);

/** Stretched to σ times its length a strand is √σ thinner and narrower. */
export function stretched(strand: Strand, stretch: number): Strand {
  if (stretch === 1) return strand;
  const k = 1 / Math.sqrt(stretch);
  return { ...strand, width: strand.width * k, thickness: strand.thickness * k, core: strand.core * k };
}

export const threadFibres = { polyester: 1.38, nylon: 1.14, "gel-spun": 0.97 } as const;
export type ThreadFibre = keyof typeof threadFibres;
export const threadAspects = { asItComes: 3, flat: 6, corded: 1.2 } as const;
export type ThreadAspect = keyof typeof threadAspects;

/** A thread: τ in denier (grams per 9000 m) of a fibre, lying as it comes, spun flat or corded. */
export interface Thread {
  denier: number;
  fibre: ThreadFibre;
  aspect?: ThreadAspect;
}

/** Share of a thread's cross-section that is fibre. */
const THREAD_PACKING = 0.8;

/**
 * The section of a thread: A = (τ/9000)/(ρ·0.8), w = √(A·r), t = √(A/r) with aspect r.
 * @example threadStrand({ denier: 70, fibre: "polyester" }).width // 0.14538
 */
export function threadStrand(thread: Thread): Strand {
  guard("denier", thread.denier, bounds.denier);
  const area = thread.denier / 9000 / (threadFibres[thread.fibre] * THREAD_PACKING);
  const aspect = threadAspects[thread.aspect ?? "asItComes"];
  const thickness = Math.sqrt(area / aspect);
  return {
    width: Math.sqrt(area * aspect),
    thickness,
    core: thickness,
    area,
    massPerMm: thread.denier / 9000,
    capped: false,
    pile: false,
  };
}
