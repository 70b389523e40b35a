import { placeAt, spotOf, zoneOf, type HookGeometry, type Place, type Zone } from "../hooks";
import { lay, threadOverLay } from "./lay";
import { bareProfile, heapUp, meanDiameter, type Profile } from "./profile";
import { threadStrand, type Strand, type Thread, type ThreadAspect } from "./strand";
import type { ThreadUse, TiedFly, Warning } from "./types";
import { tieInThread } from "./wind";

const EDGE = 1e-9;
const START_TAG = 80;
const FINISH_TAG = 160;

/** The fly in the vise: what each step reads, and what it changes for the steps after it. */
export class Vise {
  readonly profile: Profile;
  readonly threads: TiedFly["threads"] = [];
  readonly warnings: Warning[] = [];
  /** mg that the steps have put on. */
  readonly mass = { beads: 0, materials: 0, dubbing: 0 };
  /** Length against the eye that a bead takes. */
  beadMm = 0;
  /** Where hard parts sit away from the eye: dumbbells, bead chain. */
  readonly hard: { from: number; to: number }[] = [];
  /** The thread on the hook now, its section, and what it has been used for. */
  thread: Thread;
  strand: Strand;
  use: ThreadUse;

  constructor(
    readonly hook: HookGeometry,
    thread: Thread,
  ) {
    this.profile = bareProfile(hook);
    this.thread = thread;
    this.strand = threadStrand(thread);
    this.use = this.begin(thread);
  }

  /** Another thread takes the place of the one before. */
  begin(thread: Thread): ThreadUse {
    this.thread = thread;
    this.strand = threadStrand(thread);
    this.use = {
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
    this.threads.push({ thread, use: this.use });
    return this.use;
  }

  /** The section of the thread as it runs, or as it is made to lie. */
  strandAs(aspect: ThreadAspect | undefined): Strand {
    return aspect ? threadStrand({ ...this.thread, aspect }) : this.strand;
  }

  /** mm behind the eye, or behind the bead where the place counts from there. */
  at(place: Place): number {
    return placeAt(place, this.hook, this.beadMm);
  }

  /** Whether two places are one. */
  isOneSpot(one: Place, other: Place): boolean {
    return Math.abs(this.at(one) - this.at(other)) < EDGE;
  }

  /** A place on the shank that can be wound at. @throws DomainError SPOT_UNDER_BEAD, SPOT_OFF_PROFILE */
  spot(place: Place): number {
    return spotOf(this.at(place), this.hook, this.beadMm);
  }

  /** A zone between two places, clipped to the usable shank. @throws DomainError as zoneOf */
  zone(from: Place, to: Place): Zone {
    return zoneOf(this.at(from), this.at(to), this.hook, this.beadMm);
  }

  /**
   * The zone of a knot: in front of what stands close to the eye it is as short as there is room.
   * @throws DomainError as zoneOf; ZONE_EMPTY where there is none
   */
  knot(from: Place, to: Place): Zone {
    return zoneOf(Math.max(this.at(from), 0), Math.max(this.at(to), 0), this.hook, this.beadMm);
  }

  /**
   * A zone for what is wound or dubbed: where it would run over eyes that are seated, it begins behind them. What lies
   * about the eyes themselves, or in front of them, stays as it is said.
   */
  behindHard(zone: Zone): Zone {
    const over = this.hard.filter((h) => zone.from < h.from + EDGE && zone.to > h.to + EDGE && h.to > zone.from);
    const from = Math.max(zone.from, ...over.map((h) => h.to));
    return { ...zone, from };
  }

  /** Wraps of thread at a place, on what lies there now: of a tie-in, or of a knot. */
  tieIn(at: Place, wraps: number): void {
    const spot = this.spot(at);
    const length = tieInThread(this.profile, spot, wraps, this.strand);
    this.use.tieIns += length;
    heapUp(this.profile, spot, length * this.strand.area, this.beadMm);
  }

  /** Lays a cross-section in mm² down along a zone and binds it with thread there and back. */
  bind(area: number, from: Place, to: Place): Zone & { lengthEach: number; under: number; growthMm: number } {
    const zone = this.zone(from, to);
    const under = meanDiameter(this.profile, zone.from, zone.to);
    const lengthEach = lay(this.profile, area, zone.from, zone.to);
    this.use.overLays += threadOverLay(this.profile, this.strand, zone.from, zone.to);
    const growthMm = meanDiameter(this.profile, zone.from, zone.to) - under;
    return { ...zone, lengthEach, under, growthMm };
  }
}
