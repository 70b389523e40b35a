import type { MaterialForm } from "../materials";

export const colourDepths = ["pale", "medium", "deep"] as const;
export const consistencies = ["thin", "as it should be", "thickening", "too thick"] as const;

/**
 * What a natural or opened thing has of its own, beside what is known of its material: seen as it came in, or measured
 * on it. Lengths in mm, shares from 0 to 1. What is absent nobody has looked at.
 */
export interface LotTraits {
  /** Of the skin: edge, rear, shoulder, upper or lower wing, side of the tail. Fibre length differs by it. */
  area?: string;
  /** Of the bird or animal, in words. */
  age?: string;
  depth?: (typeof colourDepths)[number];
  /** Share of its feathers that are split or broken. */
  splits?: number;
  /** Share of it that cannot be tied with. */
  unusable?: number;
  /** Fibres a mm of stem on one side, measured on this lot. */
  perMm?: number;
  /** Stem that can be wound. */
  stemMm?: number;
  /** Longest fibre, barb or hair. */
  fibreMm?: number;
  stapleMm?: number;
  /** Which band of a barred tail or flank. */
  band?: string;
  gauge?: string;
  /** Plated, painted, a front and a back. */
  finish?: string;
  consistency?: (typeof consistencies)[number];
  /** Hooks stripped after a dressing went wrong. */
  used?: boolean;
  /** As the label says it, and as it is seen, "#rrggbb": two things. */
  labelColour?: string;
  seenColour?: string;
}
export type LotTrait = keyof LotTraits;

/** The head of each in a table, in and out. */
export const traitHeads: Record<LotTrait, string> = {
  area: "area",
  age: "age",
  depth: "colour_depth",
  splits: "splits",
  unusable: "unusable",
  perMm: "fibres_per_mm",
  stemMm: "stem_mm",
  fibreMm: "fibre_mm",
  stapleMm: "staple_mm",
  band: "band",
  gauge: "gauge",
  finish: "finish",
  consistency: "consistency",
  used: "used",
  labelColour: "label_colour",
  seenColour: "seen_colour",
};

const colours = ["labelColour", "seenColour"] as const;
const feather = ["area", "age", "depth", "splits", "unusable", "perMm", "stemMm", "fibreMm"] as const;
const metal = ["gauge", "finish"] as const;
const byForm: Partial<Record<MaterialForm, readonly LotTrait[]>> = {
  hackle: feather,
  "feather fibre": [...feather, "band"],
  quill: [...feather, "band"],
  herl: ["area", "depth", "unusable", "fibreMm"],
  hair: ["area", "age", "depth", "unusable", "fibreMm", "band"],
  dubbing: ["area", "depth", "stapleMm", "unusable"],
  blend: ["depth", "stapleMm"],
  yarn: ["stapleMm"],
  wire: metal,
  tinsel: metal,
  "weight wire": metal,
  hook: ["finish", "used"],
  bead: ["finish"],
  eyes: ["finish"],
  liquid: ["consistency"],
};

/** What is worth looking at on a lot of such a material, in the order in which one looks. */
export const traitsFor = (form: MaterialForm): readonly LotTrait[] => [...(byForm[form] ?? []), ...colours];

const percent = (share: number): string => `${Math.round(share * 100)} %`;
const mm = (length: number): string => `${Number(length.toFixed(1))} mm`;

/** Undefined and "" say nothing; nought says that there is none. */
const told = <V extends string | number>(value: V | undefined, words: (value: V) => string): string[] =>
  value === undefined || value === "" ? [] : [words(value)];
const asIs = (v: string): string => v;

/** What is known of a lot, a few words each, for its page, the pull sheet and what is found. */
export const traitWords = (t: LotTraits): string[] => [
  ...told(t.area, (v) => `from the ${v}`),
  ...told(t.age, asIs),
  ...told(t.depth, (v) => `${v} in colour`),
  ...told(t.splits, (v) => `${percent(v)} split`),
  ...told(t.unusable, (v) => `${percent(v)} of no use`),
  ...told(t.perMm, (v) => `${Number(v.toFixed(2))} fibres a mm`),
  ...told(t.stemMm, (v) => `stem ${mm(v)}`),
  ...told(t.fibreMm, (v) => `fibres to ${mm(v)}`),
  ...told(t.stapleMm, (v) => `staple ${mm(v)}`),
  ...told(t.band, (v) => `band: ${v}`),
  ...told(t.gauge, (v) => `gauge ${v}`),
  ...told(t.finish, asIs),
  ...told(t.consistency, asIs),
  ...(t.used ? ["used, stripped"] : []),
  ...told(t.labelColour, (v) => `label says ${v}`),
  ...told(t.seenColour, (v) => `seen ${v}`),
];

/**
 * What one usable piece of a lot costs, so that a dear skin with little waste is weighed against a cheap one.
 *
 * @param pieces what the price was for, counted; > 0
 * @param unusable share of it that cannot be tied with, in [0, 1)
 * @returns coins a piece; undefined where nothing of it is of use
 * @example centsPerUsable(6000, 300, 0.2) // 25
 */
export function centsPerUsable(priceCents: number, pieces: number, unusable = 0): number | undefined {
  const usable = pieces * (1 - unusable);
  return usable > 0 ? priceCents / usable : undefined;
}
