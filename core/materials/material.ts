import type { StockUnit } from "../units";
import type { Dubbing, LiquidKind, StrandSize, Thread } from "../tying";

export const materialForms = [
  "hook",
  "bead",
  "eyes",
  "weight wire",
  "thread",
  "wire",
  "tinsel",
  "floss",
  "yarn",
  "chenille",
  "herl",
  "stretch body",
  "hackle",
  "feather fibre",
  "quill",
  "hair",
  "flash",
  "rubber",
  "dubbing",
  "blend",
  "extended body",
  "liquid",
  "made part",
] as const;
export type MaterialForm = (typeof materialForms)[number];

const spooled: ReadonlySet<MaterialForm> = new Set(["thread", "floss", "wire", "tinsel", "weight wire", "yarn"]);

/** Whether it is tied with from a bobbin or a spool holder. */
export const isSpooled = (form: MaterialForm): boolean => spooled.has(form);

/** What stands against a material: it may be shown on a fly, not promised; discontinued, it may until it is gone. */
export const standings = ["unidentified", "unreleased", "vintage", "custom", "discontinued"] as const;
export type Standing = (typeof standings)[number];

/** What a feather gives; lengths in mm. */
export interface Feather {
  /** Stem that can be wound. */
  usable: number;
  /** What fingers or pliers hold. */
  grip: number;
  /** Fibres a mm of stem on one side, over `span`. */
  perMm: number;
  span: number;
  sides: number;
  /** Share of its fibres that is of no use. */
  unusable: number;
  /** Fibres a mm on its other side, where that is denser or thinner. */
  otherPerMm?: number;
  /** Game, hen, plume: what is left of it has no tip to tie in, so it serves one fly. */
  soft?: boolean;
}

/**
 * A material as the computation needs it. Each form has the figures that belong to it; lengths in mm, masses in mg.
 * Figures are nominal until the room has measured its own.
 */
export interface Material {
  code: string;
  name: string;
  form: MaterialForm;
  unit: StockUnit;
  /** As seen, for drawing: "#rrggbb"; absent when nobody has said. */
  colour?: string;
  colourName?: string;
  measured: boolean;
  lead: boolean;
  /** Named when its trade may be restricted; papers are kept with the lot. */
  controlledSpecies?: string;
  caution?: string;
  strand?: StrandSize;
  dubbing?: Dubbing;
  /** A hard part; `cavityMm` is the depth into which weight wire can be pushed. */
  part?: { diameter: number; length: number; mass: number; bore?: number; cavityMm?: number };
  thread?: Thread;
  /** Wound or stripped feathers. */
  feather?: Feather;
  /** Longest fibre, hair or herl that it gives, mm: no part of it can be longer. */
  fibreMm?: number;
  /** Length of one hank strand, cut piece or made part. */
  pieceMm?: number;
  hair?: { density: number };
  /** A patch of hide as it lies in the drawer: its area and the share of it that is lost to edges and culls. */
  hide?: { areaMm2: number; loss: number };
  /** What it is good for, so that a substitute that is weaker, stiffer or thinner can be told: 1 least to 5 most. */
  qualities?: { mobility?: number; strength?: number; floats?: number };
  /** Thin glue creeps and sets at once; gel stays where it is put. Never one for the other without saying so. */
  liquid?: { kind: LiquidKind; body?: "thin" | "gel" };
  /** A dubbing that is never weighed: so many flies are tied of a packet. */
  fliesPerPacket?: number;
  /** What is lost before the vise: underfur combed out, mill loss, split eyes. */
  prepLoss?: { share: number; what: string };
  /** Faces of a two-sided tinsel, with the colours that each shows. */
  faces?: { name: string; colour: string }[];
  /** Gauge as it stands on the label: fine, medium, a number. */
  gauge?: string;
  /** What stands in the way of promising or ordering it. */
  standing?: Standing;
  /** Ordered again when less than this is left, in base units: what is judged by looking at its level. */
  orderBelow?: number;
  /** What its offcuts are still good for, in words: “butts for legs”. */
  secondLife?: string;
  /** Mixed of other materials, by parts; `laid` where they lie over each other in a loop and no mill mixes them. */
  blend?: { parts: Record<string, number>; leastChargeMg: number; laid?: boolean };
  /**
   * A part that is kept ready, such as a hook with its bead on: pieces of each material in one of it, of weight wire
   * its turns.
   */
  madeOf?: Record<string, number>;
  hook?: { model: string; size: string };
}

/** The cabinet as the computation takes it: materials by code. */
export type Materials = ReadonlyMap<string, Material>;
