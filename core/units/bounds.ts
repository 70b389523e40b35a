import { DomainError } from "../errors";

/** What a figure can be, by its meaning; both ends included. */
export interface Bounds {
  least?: number;
  most: number;
  whole?: boolean;
  /** For the sentence: mm, mg, turns. */
  unit?: string;
}

/** Whether a figure can be what it says. NaN and infinities never can. */
export const within = (value: number, { least, most, whole }: Bounds): boolean =>
  value <= most && (least === undefined || value >= least) && (whole !== true || Number.isInteger(value));

/**
 * Refuses a figure that cannot be what it says.
 * @param value undefined is let pass: nobody stated it
 * @throws DomainError FIGURE_OUT_OF_BOUNDS with what would be right
 */
export function guard(name: string, value: number | undefined, b: Bounds): void {
  if (value !== undefined && !within(value, b)) throw new DomainError("FIGURE_OUT_OF_BOUNDS", { name, value, ...b });
}

/** Nothing that is tied is shorter than a micrometre: below that a figure is a slip, and loops would never end. */
const length = (most: number, least = 0.001): Bounds => ({ least, most, unit: "mm" });
const room = (most: number): Bounds => ({ least: 0, most, unit: "mm" });
const count = (most: number, unit?: string): Bounds => ({ least: 1, most, whole: true, unit });
const share: Bounds = { least: 0, most: 0.99 };

/** Every figure of a recipe, a hook and a material: the contract refuses by the same table, and core refuses again. */
const table = {
  // Places and lengths.
  fraction: { least: -2, most: 3, unit: "shanks" },
  eyeLengths: { least: -20, most: 60, unit: "eyes" },
  shiftMm: { least: -300, most: 300, unit: "mm" },
  shiftTimes: { least: -20, most: 20 },
  lengthMm: room(600),
  lengthTimes: { least: 0, most: 40 },
  addedMm: { least: -600, most: 600, unit: "mm" },
  addedTimes: { least: -40, most: 40 },
  pastMm: { least: -60, most: 600, unit: "mm" },
  shareOfWay: { least: 0.01, most: 0.99 },
  shownMm: room(2000),
  clumpMm: length(60),
  slipWidthMm: length(60),
  noodleMm: length(20_000),
  fullnessMm: room(200),
  barbMm: length(1000),
  // What is wound.
  turns: { least: 0.05, most: 2000, unit: "turns" },
  atMostTurns: { least: 0.05, most: 200, unit: "turns" },
  pitchMm: length(100),
  overlap: { least: 0, most: 0.99 },
  passes: count(60, "passes"),
  rope: count(60, "strands"),
  stretch: { least: 1, most: 10 },
  trimMm: room(600),
  gripMm: room(600),
  pieceMm: length(2000),
  leftMm: room(2000),
  boundMm: room(2000),
  // What is laid.
  fibres: count(2000),
  ends: count(2000),
  spanMm: length(200),
  feathers: { least: 0.01, most: 200, unit: "feathers" },
  patchMm2: { least: 0.01, most: 10_000, unit: "mm²" },
  overTake: { least: 1, most: 10 },
  // Dubbing, knots, drops, minutes.
  taper: { least: 0.05, most: 20 },
  loopMm: length(1000),
  loopLayers: count(20, "layers"),
  loopLoad: { least: 0.0001, most: 50, unit: "mg a mm" },
  layers: count(20),
  wraps: count(2000, "wraps"),
  drops: { least: 0.01, most: 20, unit: "drops" },
  coats: { least: 0, most: 9, whole: true, unit: "coats" },
  minutes: { least: 0, most: 600, unit: "minutes" },
  // Materials.
  fibreMm: length(1000),
  widthMm: length(50),
  thicknessMm: length(50),
  coreMm: room(50),
  density: { least: 0.001, most: 25, unit: "mg/mm³" },
  lineDensity: { least: 0.00001, most: 100, unit: "mg/mm" },
  denier: { least: 1, most: 20_000, unit: "denier" },
  partDiameterMm: length(60),
  partLengthMm: length(200),
  partMassMg: { least: 0, most: 100_000, unit: "mg" },
  boreMm: length(30),
  cavityMm: room(60),
  usableMm: length(1000),
  featherGripMm: room(500),
  fibresPerMm: { least: 0, most: 50, unit: "fibres a mm" },
  featherSpanMm: room(1000),
  sides: { least: 1, most: 2, whole: true },
  hankMm: length(100_000),
  hideMm2: { least: 1, most: 1_000_000, unit: "mm²" },
  share,
  prepShare: { least: 0, most: 0.95 },
  fliesPerPacket: { least: 0.1, most: 5000, unit: "flies" },
  blendPart: { least: 0.001, most: 1_000_000 },
  leastChargeMg: { least: 0, most: 1_000_000, unit: "mg" },
  // Hooks.
  shankMm: length(300, 1),
  gapeMm: length(150, 0.3),
  wireMm: length(10, 0.02),
  eyeMm: length(50, 0.05),
  hookMassMg: { least: 0.01, most: 100_000, unit: "mg" },
} as const satisfies Record<string, Bounds>;
export type Figure = keyof typeof table;

/** All of one shape: each is asked for many times a fly, and the machine reads objects of one shape much faster. */
const ofOneShape = ({ least, most, whole, unit }: Bounds): Bounds => ({ least, most, whole, unit });
const figures = Object.keys(table) as Figure[];
export const bounds: Readonly<Record<Figure, Bounds>> = Object.fromEntries(
  figures.map((f) => [f, ofOneShape(table[f])]),
) as Record<Figure, Bounds>;
