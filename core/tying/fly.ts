import { DomainError } from "../errors";
import { hookMass, placeAt, spotOf, zoneOf, type HookGeometry, type Place } from "../hooks";
import { dress, type DressRule, type Dubbing } from "./dress";
import { lay, threadOverLay } from "./lay";
import { bareProfile, diameterAt, meanDiameter, type Profile } from "./profile";
import { seat, type Part } from "./seat";
import {
  ribbonOf,
  ropeOf,
  ropeStrandLength,
  threadStrand,
  type Strand,
  type Thread,
  type ThreadAspect,
} from "./strand";
import { DROP, fliesPerPiece, feathersPerFly, fromSpool, liquidVolume, type LiquidKind } from "./take";
import { judge, type Warning } from "./judge";
import {
  pitchToUseUp,
  stretchToUse,
  tieInThread,
  turnsToUseUp,
  wind,
  windAtSpot,
  windToFill,
  type WindRule,
} from "./wind";

/** How one use is taken from stock; lengths in mm. */
export type Take =
  | { from: "spool"; bound: number; trim: number }
  | { from: "pieces"; piece: number; grip: number; trim: number; bound: number }
  | { from: "feather"; usable: number; grip: number; bound: number };

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
      /** Layer on layer until it is as full as this, in mm at the zone's two ends; the rule then only says that it touches. */
      fill?: [number, number];
      /** What the winding took of the piece at rest, bound part included: the stretch follows from it. */
      tookMm?: number;
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
  | (StepBase & { do: "glue"; at: Place; drops: number })
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
  volume?: number;
  mass?: number;
  noodle?: number;
  endDiameters?: [number, number];
  headDiameter?: number;
  headLength?: number;
  /** Diameter under the step, mean over its zone, before it. */
  under?: number;
  /** D after this step, kept only when asked for. */
  after?: number[];
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

const MOST_STEPS = 60;
const START_TAG = 80;
const FINISH_TAG = 160;
const THREAD_SLACK = 1.15;
const LOOP_EXTRA = 40;

class Tying {
  readonly profile: Profile;
  readonly results: StepResult[] = [];
  readonly threads: TiedFly["threads"] = [];
  readonly warnings: Warning[] = [];
  readonly mass = { beads: 0, materials: 0, dubbing: 0 };
  beadMm = 0;
  private thread: Thread;
  private strand: Strand;
  private use: ThreadUse;

  constructor(
    readonly hook: HookGeometry,
    thread: Thread,
    readonly keepProfiles: boolean,
  ) {
    this.profile = bareProfile(hook);
    this.thread = thread;
    this.strand = threadStrand(thread);
    this.use = this.startThread();
  }

  private startThread(): ThreadUse {
    const use = {
      startTag: START_TAG,
      windings: 0,
      tieIns: 0,
      overLays: 0,
      underDubbing: 0,
      loops: 0,
      whip: 0,
      finishTag: FINISH_TAG,
      total: 0,
    };
    this.threads.push({ thread: this.thread, use });
    return use;
  }

  private zone(from: Place, to: Place) {
    return zoneOf(placeAt(from, this.hook, this.beadMm), placeAt(to, this.hook, this.beadMm), this.hook, this.beadMm);
  }

  step(step: TyingStep): void {
    if (step.tieIn) {
      const at = spotOf(placeAt(step.tieIn.at, this.hook, this.beadMm), this.hook, this.beadMm);
      this.use.tieIns += tieInThread(this.profile, at, step.tieIn.wraps, this.strand);
    }
    const result = this.run(step);
    if (this.keepProfiles) result.after = this.profile.d.slice();
    this.results.push(result);
  }

  private run(step: TyingStep): StepResult {
    switch (step.do) {
      case "seat":
        return this.seat(step);
      case "wind":
        return this.wind(step);
      case "lay":
        return this.lay(step);
      case "dress":
        return this.dress(step);
      case "thread":
        return this.changeThread(step);
      case "glue":
        return this.glue(step);
      case "act":
        return this.act(step);
      case "whip":
        return this.whip(step);
    }
  }

  private seat(step: TyingStep & { do: "seat" }): StepResult {
    const from = placeAt(step.from, this.hook, this.beadMm);
    const zone = zoneOf(from, from + step.part.length, this.hook);
    seat(this.profile, step.part, from);
    this.mass.beads += step.part.mass * step.count;
    if (from <= this.beadMm + 1e-9) this.beadMm = zone.to;
    return { id: step.id, name: step.name, do: "seat", from, to: zone.to, count: step.count };
  }

  private wind(step: TyingStep & { do: "wind" }): StepResult {
    const strand =
      step.strand === "thread"
        ? this.threadAs(step.aspect)
        : step.ribbon
          ? ribbonOf(step.strand, step.rope ?? 1)
          : ropeOf(step.strand, step.rope ?? 1);
    if (step.laid) this.bind(strand.area, step.laid.from, step.laid.to);
    const under = diameterAt(this.profile, placeAt(step.from, this.hook, this.beadMm));
    const wound = this.windOn(step, strand);
    const base: StepResult = {
      id: step.id,
      name: step.name,
      do: "wind",
      under,
      from: wound.from,
      to: wound.to,
      length: wound.length,
      turns: wound.turns,
      pitch: wound.pitch,
      cover: wound.cover,
      growth: wound.growth,
      growthMm: 2 * strand.thickness * wound.growth * (step.passes ?? 1),
      perPass: wound.perPass,
      stretch: wound.length > 0 ? wound.length / wound.unstretched : 1,
    };
    if (step.strand === "thread") {
      this.use.windings += wound.length;
      return base;
    }
    const bound = step.take?.bound ?? 0;
    this.mass.materials += strand.massPerMm * (wound.unstretched + bound);
    return { ...base, bound, ...this.taken(step, wound, bound) };
  }

  private threadAs(aspect: ThreadAspect | undefined): Strand {
    return aspect ? threadStrand({ ...this.thread, aspect }) : this.strand;
  }

  private windOn(step: TyingStep & { do: "wind" }, strand: Strand) {
    const a = placeAt(step.from, this.hook, this.beadMm);
    const b = step.to === undefined ? undefined : placeAt(step.to, this.hook, this.beadMm);
    if (b !== undefined && Math.abs(b - a) < 1e-9) {
      const at = spotOf(a, this.hook, this.beadMm);
      const turns =
        step.useUp === undefined
          ? (step.rule.turns ?? 0)
          : Math.min(step.atMost ?? Infinity, turnsToUseUp(this.profile, strand, at, step.useUp));
      return windAtSpot(this.profile, strand, at, turns, step.stretch);
    }
    const passes = step.passes ?? 1;
    if (b !== undefined && step.fill)
      return windToFill(this.profile, strand, zoneOf(a, b, this.hook, this.beadMm), step.fill);
    const took = step.tookMm === undefined ? undefined : step.tookMm - (step.take?.bound ?? 0);
    if (b !== undefined && took !== undefined) {
      const zone = zoneOf(a, b, this.hook, this.beadMm);
      return wind(this.profile, strand, zone, step.rule, {
        passes,
        stretch: stretchToUse(this.profile, strand, zone, step.rule, passes, took),
      });
    }
    const options = { passes, stretch: step.stretch ?? 1 };
    if (b !== undefined) {
      const zone = zoneOf(a, b, this.hook, this.beadMm);
      const closest = (zone.to - zone.from) / (step.atMost ?? Infinity);
      const rule =
        step.useUp === undefined
          ? step.rule
          : { pitch: Math.max(closest, pitchToUseUp(this.profile, strand, zone, step.useUp)) };
      return wind(this.profile, strand, zone, rule, options);
    }
    if (!(step.rule.touching && step.rule.turns))
      throw new DomainError("STEP_NEEDS", { step: step.name, missing: "an end, or touching with a number of turns" });
    if (a < -1e-9) throw new DomainError("ZONE_OVER_EYE", { fromMm: a });
    return wind(this.profile, strand, { from: Math.max(a, this.beadMm) }, step.rule, options);
  }

  private taken(
    step: TyingStep & { do: "wind" },
    { length, unstretched }: { length: number; unstretched: number },
    bound: number,
  ): Partial<StepResult> {
    const rope = step.rope ?? 1;
    const one = ropeStrandLength(unstretched + bound, step.ribbon ? 1 : rope);
    const common = { strands: rope, strandLength: one };
    switch (step.take?.from) {
      case undefined:
        return { ...common, use: one };
      case "spool":
        return { ...common, use: fromSpool({ length: one, trim: step.take.trim }), trim: step.take.trim };
      case "pieces":
        return { ...common, fliesPerPiece: fliesPerPiece(step.take, { length: one }) };
      case "feather":
        return { ...common, feathers: feathersPerFly(step.take, { length, bound }) };
    }
  }

  /** Lay a cross-section down and bind it with thread there and back. */
  private bind(area: number, from: Place, to: Place) {
    const zone = this.zone(from, to);
    const under = meanDiameter(this.profile, zone.from, zone.to);
    const lengthEach = lay(this.profile, area, zone.from, zone.to);
    this.use.overLays += threadOverLay(this.profile, this.strand, zone.from, zone.to);
    return { ...zone, lengthEach, under };
  }

  private lay(step: TyingStep & { do: "lay" }): StepResult {
    const { from, to, lengthEach, under } = this.bind(step.strands * step.strand.area, step.from, step.to);
    if (step.strandLength !== undefined)
      this.mass.materials += step.strands * step.strand.massPerMm * step.strandLength;
    const wrapped = (step.tieIn?.wraps ?? 0) * this.strand.width;
    if (step.shown && step.shown < wrapped)
      this.warnings.push({
        step: step.id,
        code: "SHORTER_THAN_TIE_IN",
        sentence: `“${step.name}” shows ${step.shown.toFixed(1)} mm, less than the ${wrapped.toFixed(1)} mm of its own tie-in: it would vanish under the wraps.`,
      });
    return { id: step.id, name: step.name, do: "lay", from, to, strands: step.strands, lengthEach, under };
  }

  private dress(step: TyingStep & { do: "dress" }): StepResult {
    const zone = this.zone(step.from, step.to);
    const under = meanDiameter(this.profile, zone.from, zone.to);
    const dressed = dress(this.profile, step.dubbing, zone, step.rule);
    this.mass.dubbing += dressed.massOnFly;
    if (step.loop !== undefined)
      this.use.loops += 2 * (step.loop === "as the noodle" ? dressed.noodle : step.loop) + LOOP_EXTRA;
    else this.use.underDubbing += dressed.noodle;
    if (dressed.nothingToFill)
      this.warnings.push({
        step: step.id,
        code: "NOTHING_TO_FILL",
        sentence: `“${step.name}” adds nothing: the body is as full as that already.`,
      });
    const { volume, mass, noodle, endDiameters } = dressed;
    return {
      id: step.id,
      name: step.name,
      do: "dress",
      from: zone.from,
      to: zone.to,
      volume,
      mass,
      noodle,
      endDiameters,
      under,
    };
  }

  private changeThread(step: TyingStep & { do: "thread" }): StepResult {
    this.thread = step.thread;
    this.strand = threadStrand(step.thread);
    this.use = this.startThread();
    return { id: step.id, name: step.name, do: "thread", from: 0, to: 0 };
  }

  private glue(step: TyingStep & { do: "glue" }): StepResult {
    const at = spotOf(placeAt(step.at, this.hook, this.beadMm), this.hook, this.beadMm);
    return { id: step.id, name: step.name, do: "glue", from: at, to: at, volume: step.drops * DROP };
  }

  private act(step: TyingStep & { do: "act" }): StepResult {
    const at = step.at ? spotOf(placeAt(step.at, this.hook, this.beadMm), this.hook, this.beadMm) : 0;
    if (step.hitches) this.use.tieIns += tieInThread(this.profile, at, step.hitches, this.strand);
    return { id: step.id, name: step.name, do: "act", from: at, to: at };
  }

  private whip(step: TyingStep & { do: "whip" }): StepResult {
    const zone = this.zone(step.from, step.to);
    const headDiameter = meanDiameter(this.profile, zone.from, zone.to);
    const headLength = zone.to - zone.from;
    const length = step.turns * Math.PI * (headDiameter + this.strand.thickness);
    this.use.whip += length;
    const volume = step.liquid ? liquidVolume(step.liquid, headDiameter, headLength, step.coats) : 0;
    return {
      id: step.id,
      name: step.name,
      do: "whip",
      from: zone.from,
      to: zone.to,
      length,
      turns: step.turns,
      headDiameter,
      headLength,
      volume,
    };
  }

  finish(): TiedFly {
    this.warnings.push(...judge(this.hook, this.profile, this.results));
    let threadOnFly = 0;
    for (const { use, thread } of this.threads) {
      const onFly = use.windings + use.tieIns + use.overLays + use.underDubbing + use.loops + use.whip;
      use.total = THREAD_SLACK * (onFly + use.startTag + use.finishTag);
      threadOnFly += (onFly * thread.denier) / 9000;
    }
    const hook = hookMass(this.hook);
    const parts = { hook, ...this.mass, thread: threadOnFly };
    return {
      hook: this.hook,
      profile: this.profile,
      steps: this.results,
      threads: this.threads,
      mass: { ...parts, total: parts.hook + parts.beads + parts.materials + parts.dubbing + parts.thread },
      warnings: this.warnings,
      beadMm: this.beadMm,
    };
  }
}

/**
 * Tie one fly by computation: each step reads the diameter that it finds, says what it uses and leaves a new one.
 *
 * @param thread the thread on the hook at the start; a `thread` step changes it
 * @param steps at most 60, in working order
 * @param options.keepProfiles keep D after every step (for drawing)
 * @returns per step its use; thread by cause; mass in mg; warnings with the step that causes them
 * @throws DomainError with `step` set to the step at which it happened
 *
 * Source: docs/arithmetic.md, "The profile".
 */
export function tieFly(
  hook: HookGeometry,
  thread: Thread,
  steps: TyingStep[],
  options: { keepProfiles?: boolean } = {},
): TiedFly {
  if (steps.length > MOST_STEPS) throw new DomainError("TOO_MANY_STEPS", { steps: steps.length, most: MOST_STEPS });
  const tying = new Tying(hook, thread, options.keepProfiles ?? false);
  for (const step of steps) {
    try {
      tying.step(step);
    } catch (error) {
      if (error instanceof DomainError) error.step = { id: step.id, name: step.name };
      throw error;
    }
  }
  return tying.finish();
}

/** D at a place of a tied fly, in mm. */
export const diameterAtPlace = (fly: TiedFly, place: Place): number =>
  diameterAt(fly.profile, placeAt(place, fly.hook, fly.beadMm));
