import type { HookDifference, HookGeometry, Place } from "../hooks";
import type { DressRule, Dubbing } from "./dress";
import type { Diameters, Ledge, Profile } from "./profile";
import type { Part } from "./seat";
import type { Strand, Thread, ThreadAspect } from "./strand";
import type { LiquidKind } from "./take";
import type { WindRule } from "./wind";

/** How one use is taken from stock; lengths in mm. */
export type Take =
  | { from: "spool"; bound: number; trim: number }
  | { from: "pieces"; piece: number; grip: number; trim: number; bound: number }
  | { from: "feather"; usable: number; grip: number; bound: number; single?: boolean };

interface StepBase {
  id: string;
  name: string;
  tieIn?: { at: Place; wraps: number };
}
export type TyingStep =
  | (StepBase & { do: "seat"; from: Place; part: Part; count: number })
  | (StepBase & {
      do: "wind";
      /** "thread" is the thread then on the hook. */
      strand: Strand | "thread";
      from: Place;
      to?: Place;
      rule: WindRule;
      passes?: number;
      stretch?: number;
      rope?: number;
      /** The rope's strands lie side by side instead of twisted. */
      ribbon?: boolean;
      take?: Take;
      /** The step's own material bound down along a zone before it is wound. */
      laid?: { from: Place; to: Place };
      /** Wind until so many mm are used up; the rule's turns are then what comes of it. */
      useUp?: number;
      /** But no more turns than this. */
      atMost?: number;
      /**
       * Layer on layer until it is as full as this, in mm at the zone's two ends; the rule then only says that it
       * touches.
       */
      fill?: [number, number];
      /** What the winding took of the piece at rest, bound part included: the stretch, or the overlap, follows. */
      tookMm?: number;
      /** Not round the shank but round something that stands on it, so thick in mm. */
      roundMm?: number;
      /** It is pushed up into the bead so deep, mm: its first turns lie inside. */
      cavityMm?: number;
      /** A body of tinsel, floss or thread, under which every ledge shows. */
      smooth?: boolean;
      /** How the thread lies when it is the thread that is wound; absent as it runs. */
      aspect?: ThreadAspect;
    })
  | (StepBase & {
      do: "lay";
      strand: Strand;
      strands: number;
      from: Place;
      to: Place;
      /** Shown + bound length of each strand in mm; absent where the material is counted when it is wound. */
      strandLength?: number;
      /** Length that shows behind its tie-in, in mm. */
      shown?: number;
      /** It is taken over from its tie-in along this zone; so much of it stays free beyond where it is held, in mm. */
      over?: { freeMm: number };
    })
  | (StepBase & {
      do: "dress";
      from: Place;
      to: Place;
      rule: DressRule;
      dubbing: Dubbing;
      /** Length of the loop in mm, or as long as the equivalent noodle. */ loop?: number | "as the noodle";
    })
  | (StepBase & { do: "thread"; thread: Thread })
  | (StepBase & {
      do: "glue";
      at: Place;
      drops: number;
      along?: { from: Place; to: Place; coats: number };
      liquid?: LiquidKind;
    })
  /** Something done that adds no material; half hitches take thread. */
  | (StepBase & { do: "act"; at?: Place; hitches?: number })
  | (StepBase & { do: "whip"; from: Place; to: Place; turns: number; liquid?: LiquidKind; coats: number });

/** What one step used, in mm, mg, µl and counts; only what applies is there. */
export interface StepResult {
  id: string;
  name: string;
  do: TyingStep["do"];
  from: number;
  to: number;
  count?: number;
  /** Diameter of a seated part. */
  fullMm?: number;
  length?: number;
  turns?: number;
  pitch?: number;
  cover?: number;
  growth?: number;
  /** What it adds to the diameter. */
  growthMm?: number;
  perPass?: number[];
  /** Length leaving the spool. */
  use?: number;
  bound?: number;
  trim?: number;
  stretch?: number;
  strandLength?: number;
  fliesPerPiece?: number;
  feathers?: { fliesPerFeather: number } | { feathersPerFly: number };
  strands?: number;
  lengthEach?: number;
  /** Way over the fly of what is taken over, along its profile. */
  wayMm?: number;
  /** Diameter that is covered by what is taken over, at its fullest. */
  coversMm?: number;
  volume?: number;
  mass?: number;
  noodle?: number;
  endDiameters?: [number, number];
  headDiameter?: number;
  /** Mean of the second profile over the head zone, the knot's own thread counted. */
  headBulk?: number;
  headLength?: number;
  /** Diameter under the step, mean over its zone, before it. */
  under?: number;
  /** The highest ledge on which a smooth body was wound. */
  ledge?: Ledge;
  /** D after this step, kept only when asked for. */
  after?: Diameters;
}

export interface ThreadUse {
  startTag: number;
  windings: number;
  tieIns: number;
  overLays: number;
  underDubbing: number;
  loops: number;
  whip: number;
  finishTag: number;
  /** 1.15 × the sum: what leaves the spool. */
  total: number;
}

export interface TiedFly {
  hook: HookGeometry;
  profile: Profile;
  steps: StepResult[];
  /** One for each thread, in the order in which they come on the hook. */
  threads: { thread: Thread; use: ThreadUse }[];
  mass: { hook: number; beads: number; materials: number; dubbing: number; thread: number; total: number };
  warnings: Warning[];
  /** Length against the eye that a bead takes. */
  beadMm: number;
}

/** What a warning rests on, by its code; lengths in mm, `name` and `over` are names of steps. Codes are permanent. */
export interface WarningDetails {
  /** The body was as full as that already. */
  NOTHING_TO_FILL: { name: string };
  SHORTER_THAN_TIE_IN: { name: string; shownMm: number; tieInMm: number };
  HEAD_CROWDS_EYE: { name: string; headMm: number };
  /** `name` adds most to it; `mostMm` is the fullest that looks right on this hook. */
  HEAD_BULKY: { name: string; fullMm: number; mostMm: number; beaded: boolean };
  PART_IN_HEAD: { name: string; intrudesMm: number; endAtMm: number };
  /** `name` is absent where no step covers the place. */
  POINT_NOT_CLEAR: { name?: string; fullMm: number };
  /** `over` is what is wound over it, `atMm` behind the eye. */
  STEP_SHOWS: { name: string; over: string; heightMm: number; atMm: number };
  KEPT_BARE: { name: string; coversMm: number; from: Place; to: Place; thread: boolean; why?: string };
  HEAD_ROOM: { name: string; leftMm: number; neededMm: number; eyes: number; parts: string[]; beaded: boolean };
  NOT_STAGGERED: { name: string; longer: string; shownMm: number; shorterByMm: number; leastMm: number };
  WRAPS_PILE_UP: { place: Place; wraps: number; most: number; steps: string[] };
  SHOWS_NOTHING: { name: string };
  /** The hook taken is otherwise than is said of it. */
  HOOK_OTHERWISE: { model: string } & HookDifference;
  /** Stated shorter than its way over the fly, what stays free, and what the fingers hold. */
  CANNOT_REACH: { name: string; statedMm: number; neededMm: number };
  /** What is taken over is narrower than half of what it covers. */
  COVER_NARROW: { name: string; widthMm: number; coversMm: number };
}
export type WarningCode = keyof WarningDetails;

/** Something that should be looked at; `step` is the one that causes it, "" where none does. */
export type Warning = {
  [C in WarningCode]: { step: string; code: C; details: WarningDetails[C] };
}[WarningCode];
