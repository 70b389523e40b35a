import type { Role, FlyChoice, RecipeStep } from "../recipe";
import type { HookGeometry } from "../hooks";
import type { Layer, Material } from "../materials";
import type { Way } from "../methods";
import type { TiedFly } from "../tying";
import type { StockUnit } from "../units";

/** What one fly uses of a component, in the way in which it is taken. Lengths mm, areas mm², mass mg, volume µl. */
export type ComponentUse =
  | { kind: "pieces"; each: number }
  | { kind: "packets"; fliesPerPacket: number }
  /** `turns` of weight wire: hooks can be weighted beforehand with as many. */
  | { kind: "length"; mm: number; turns?: number }
  | { kind: "mass"; mg: number }
  /** One of the layers of a loop: its share of what the loop carries, mg, and `each` of it in the drawer's unit. */
  | { kind: "layer"; share: number; mg: number; each: number; unit: StockUnit }
  | { kind: "volume"; ul: number }
  | {
      kind: "wound feather";
      length: number;
      bound: number;
      usable: number;
      grip: number;
      barb?: [number, number];
      /** Serves one fly: soft, or tied in by its tip. */
      single?: boolean;
      /** The whole feather is wound, whatever its length. */
      whole?: boolean;
      /** So many of them are wound together, each so long. */
      together?: number;
    }
  | {
      kind: "cut";
      length: number;
      bound: number;
      piece: number;
      grip: number;
      trim: number;
      /** Cut for this fly: the piece is as long as it takes, whatever the room has learned that to be. */
      toMeasure?: boolean;
      /** So many of them are wound together, each so long. */
      together?: number;
    }
  | { kind: "fibres"; fibres: number; perFeather: number; lengthMm: number; pooled: boolean }
  /** `each` slips on either side, where they are doubled or stacked. */
  | { kind: "slips"; widthMm: number; perFeather: number; each?: number }
  | { kind: "feathers"; each: number; paired: boolean }
  | { kind: "patch"; areaMm2: number; fliesPerPatch: number }
  | { kind: "strands"; piecesPerFly: number; piecesPerStrand: number; pieceMm: number };

/** A component on this fly: chosen material, the steps that use it and what they take. */
export interface FlyPart {
  component: string;
  role: Role;
  material: Material;
  /** Materials allowed by the pattern in its place, best first. */
  alternates: string[];
  uses: { step: string; use: ComponentUse }[];
  /** Of what is laid in a loop: its layers, each taken from a drawer of its own. */
  layers: Layer[];
  made: boolean;
  makeMinutes: number;
  /** Where on the skin it is to come from; of another material than the recipe’s nothing is asked. */
  area?: string;
}

/** A step with what the drawing and the bench need beside the computation. */
export interface FlyStep {
  id: string;
  name: string;
  step: RecipeStep;
  role?: Role;
  material?: Material;
  shownMm?: number;
  /** Shown and bound length together, with butts that are trimmed away. */
  grossMm?: number;
  /** Of what is taken over: its way over the fly, with what stays free and what the fingers hold. */
  reachMm?: number;
  /** Of what is taken over: what stays free beyond where it is held, and how wide it lies there. */
  freeMm?: number;
  coverMm?: number;
  /** Of a blend: the colours of what it is mixed of, with their shares. */
  flecks?: { colour: string; share: number }[];
  barbMm?: [number, number];
  /** How full a ramp becomes at the two ends of its zone, from the end named first. */
  fillMm?: [number, number];
  fibres?: number;
  widthMm?: number;
  /** Of a bundle: how thick it is where it is bound, when it is round. */
  bundleMm?: number;
  /** Its pieces are tied across the shank, each held at one spot. */
  isAcross?: true;
  /** Of thread, where it is tied in, by the chosen way. */
  wraps?: number;
  /** Of a winding: clockwise, seen from the eye. The one normal form; shown from the tier's side. */
  clockwise?: boolean;
  /** The school of each question that the step raises. */
  methods: Way[];
}

export interface ComposedFly {
  choice: FlyChoice;
  hook: HookGeometry;
  tied: TiedFly;
  parts: FlyPart[];
  steps: FlyStep[];
  /** Weighted eyes lashed on top turn it over in the water. */
  ridesPointUp: boolean;
  /** Standard minutes of this fly, its methods and what was left out counted. */
  minutes: number;
  /**
   * Of which: the pattern's own, what its ways add or spare, what the parts left out spare, what filling a gap adds,
   * what lies on the hook already spares.
   */
  minutesOf: { standard: number; ways: number; leftOut: number; filled: number; ready: number };
}
