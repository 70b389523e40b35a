import { DAY_MINUTES } from "../calendar";
import type { Chance } from "./chance";
import type { Diary } from "./diary";
import type { Stage } from "./stage";
import type { Cause } from "./types";

/** What an act waited for, as a number; 0 is nothing. */
const waits: (Cause | undefined)[] = [undefined, "bench", "station", "rack", "absence"];
const [BENCH, STATION, RACK, ABSENCE] = [1, 2, 3, 4];

interface Hold {
  act: number;
  until: number;
  places: number;
}

/**
 * How a plan goes once. Played many thousand times: flat arrays by act, job or person, read with `!` since their
 * indices come from the stage, and nothing is made anew in a run but what is held on a full rack.
 */
export class Play {
  /** By job: when it was over. */
  readonly over: Float64Array;
  /** By person: when their last work was over. */
  readonly lastOf: Float64Array;
  private readonly end: Float64Array;
  private readonly waited: Uint8Array;
  private readonly release: Float64Array;
  private readonly isMaterialLate: Uint8Array;
  private readonly isTiedAgain: Uint8Array;
  private readonly free: Float64Array;
  /** By person: minutes of work from and to which they wait for what is next, in order. */
  private readonly gaps: number[][];
  private readonly used: Float64Array;
  private readonly places: Float64Array[];
  private readonly held: Hold[][];
  private readonly mindsRack: boolean[];
  // The acts, flat.
  private readonly jobOf: Int32Array;
  private readonly person: Int32Array;
  private readonly minutes: Float64Array;
  private readonly changeOver: Float64Array;
  private readonly dry: Float64Array;
  private readonly pinnedAt: Float64Array;
  private readonly station: Int32Array;
  private readonly rack: Int32Array;
  private readonly frees: Int32Array;
  private readonly afterFrom: Int32Array;
  private readonly after: Int32Array;
  private readonly errorFrom: Int32Array;
  private readonly errorChance: Int32Array;
  private readonly errorSd: Float64Array;

  constructor(
    private readonly stage: Stage,
    private readonly diaries: Diary[],
    private readonly goesAhead = false,
  ) {
    const { acts, jobs, people, stations, racks } = stage;
    const ints = (of: (a: Stage["acts"][number]) => number) => Int32Array.from(acts, of);
    const reals = (of: (a: Stage["acts"][number]) => number) => Float64Array.from(acts, of);
    this.end = new Float64Array(acts.length);
    this.waited = new Uint8Array(acts.length);
    this.over = new Float64Array(jobs.length);
    this.lastOf = new Float64Array(people.length);
    this.release = new Float64Array(jobs.length);
    this.isMaterialLate = new Uint8Array(jobs.length);
    this.isTiedAgain = new Uint8Array(jobs.length);
    this.free = new Float64Array(people.length);
    this.gaps = people.map(() => []);
    this.used = new Float64Array(people.length);
    this.places = stations.map((n) => new Float64Array(Math.max(1, Math.min(n, acts.length))));
    this.held = racks.map(() => []);
    this.mindsRack = racks.map((n, r) => acts.reduce((sum, a) => sum + (a.rack === r ? a.places : 0), 0) > n);
    this.jobOf = ints((a) => a.job);
    this.person = ints((a) => a.person);
    this.minutes = reals((a) => a.minutes);
    this.changeOver = reals((a) => a.changeOver);
    this.dry = reals((a) => a.dry);
    this.pinnedAt = reals((a) => a.pinnedAt);
    this.station = ints((a) => a.station);
    this.rack = ints((a) => (a.rack >= 0 && this.mindsRack[a.rack] ? a.rack : -1));
    this.frees = ints((a) => (a.frees >= 0 && this.rack[a.frees]! >= 0 ? a.frees : -1));
    this.afterFrom = starts(acts.map((a) => a.after.length));
    this.after = Int32Array.from(acts.flatMap((a) => a.after));
    this.errorFrom = starts(acts.map((a) => a.errors.length));
    this.errorChance = Int32Array.from(acts.flatMap((a) => a.errors.map((e) => e.chance)));
    this.errorSd = Float64Array.from(acts.flatMap((a) => a.errors.map((e) => e.sd)));
  }

  /** Plays it once: each act as early as order, hours, stations and racks allow, or while its person waits. */
  run(chance: Chance): void {
    const { stage, places, held } = this;
    this.free.fill(0);
    this.used.fill(0);
    this.over.fill(0);
    this.lastOf.fill(0);
    this.isTiedAgain.fill(0);
    for (let p = 0; p < this.gaps.length; p++) this.gaps[p]!.length = 0;
    for (let s = 0; s < places.length; s++) places[s]!.fill(0);
    for (let r = 0; r < held.length; r++) held[r]!.length = 0;
    for (let j = 0; j < stage.jobs.length; j++) {
      const job = stage.jobs[j]!;
      let release = job.release;
      for (const a of job.arrivals) {
        const comes = a.at + chance.oneOf(a.chance, a.daysLate) * DAY_MINUTES;
        if (comes > release) release = comes;
      }
      this.isMaterialLate[j] = release > job.release ? 1 : 0;
      this.release[j] = release;
    }
    const count = stage.acts.length;
    for (let i = 0; i < count; i++) this.act(i, chance);
  }

  private act(i: number, chance: Chance): void {
    const p = this.person[i]!;
    const job = this.jobOf[i]!;
    const diary = this.diaries[p]!;
    const minutes = this.minutesOf(i, chance);
    let ready = this.release[job]!;
    if (this.pinnedAt[i]! > ready) ready = this.pinnedAt[i]!;
    for (let k = this.afterFrom[i]!; k < this.afterFrom[i + 1]!; k++) {
      const before = this.after[k]!;
      const over = this.end[before]! + this.dry[before]!;
      if (over > ready) ready = over;
    }
    const station = this.station[i]!;
    const server = station >= 0 ? firstFree(this.places[station]!) : -1;
    const opens = server >= 0 ? diary.indexAt(this.places[station]![server]!) : 0;
    const soonest = diary.indexAt(ready);
    const rack = this.rack[i]!;
    const ahead = this.goesAhead ? this.takeGap(i, Math.max(soonest, opens), minutes) : -1;
    const free = ahead >= 0 ? ahead : this.free[p]! + this.changeOver[i]!;
    let from = soonest;
    let cause = 0;
    if (free > from) {
      from = free;
      cause = BENCH!;
    }
    if (opens > from) {
      from = opens;
      cause = STATION!;
    }
    let end = diary.clockAt(from + minutes - 1) + 1;
    if (rack >= 0) {
      const opens = this.rackOpens(i, end);
      if (opens > end) {
        from = Math.max(from, diary.indexAt(opens - 1) - minutes + 1);
        end = diary.clockAt(from + minutes - 1) + 1;
        cause = RACK!;
      }
    }
    if (diary.isAnyAway && diary.wasAway(ready, end)) cause = ABSENCE!;
    this.waited[i] = cause;
    this.end[i] = end;
    if (ahead < 0) {
      if (from > free && this.goesAhead) this.gaps[p]!.push(this.free[p]!, from - this.changeOver[i]!);
      this.free[p] = from + minutes;
    }
    this.used[p]! += this.changeOver[i]! + minutes;
    if (end > this.lastOf[p]!) this.lastOf[p] = end;
    if (server >= 0) this.places[station]![server] = end;
    if (this.frees[i]! >= 0) this.leaveRack(this.frees[i]!, diary.clockAt(from));
    if (rack >= 0) this.onRack(rack, i, end);
    const over = end + this.dry[i]!;
    if (over > this.over[job]!) this.over[job] = over;
  }

  /**
   * Takes the first time in which somebody waits for what comes before it, where an act fits in whole with its
   * change-over. @returns the minute of work at which it begins; −1 for none
   */
  private takeGap(i: number, soonest: number, minutes: number): number {
    const gaps = this.gaps[this.person[i]!]!;
    const setup = this.changeOver[i]!;
    for (let g = 0; g < gaps.length; g += 2) {
      const [opens, closes] = [gaps[g]!, gaps[g + 1]!];
      const from = Math.max(soonest, opens + setup);
      if (from + minutes > closes || !this.hasRoom(i, from + minutes)) continue;
      const [before, after] = [from - setup - opens, closes - from - minutes];
      if (before > 0 && after > 0) gaps.splice(g + 1, 0, from - setup, from + minutes);
      else if (before > 0) gaps[g + 1] = from - setup;
      else if (after > 0) gaps[g] = from + minutes;
      else gaps.splice(g, 2);
      return from;
    }
    return -1;
  }

  /** Whether the rack takes the flies of an act that ends with a minute of work. */
  private hasRoom(i: number, ends: number): boolean {
    if (this.rack[i]! < 0) return true;
    const end = this.diaries[this.person[i]!]!.clockAt(ends - 1) + 1;
    return this.rackOpens(i, end) <= end;
  }

  private minutesOf(i: number, chance: Chance): number {
    let error = 0;
    for (let k = this.errorFrom[i]!; k < this.errorFrom[i + 1]!; k++)
      error += this.errorSd[k]! * chance.normal(this.errorChance[k]!);
    const slow = error === 0 ? 1 : Math.exp(error);
    let minutes = this.minutes[i]! * slow;
    const { again } = this.stage.acts[i]!;
    if (again) {
      const u = chance.at(again.chance);
      let missing = 0;
      while (missing < again.missing.length && u < again.missing[missing]!) missing++;
      if (missing > 0) {
        minutes += missing * again.minutesPerFly * slow;
        this.isTiedAgain[this.jobOf[i]!] = 1;
      }
    }
    return Math.max(1, Math.round(minutes));
  }

  /** The minute from which the rack has enough places, at `end` or later. */
  private rackOpens(i: number, end: number): number {
    const rack = this.rack[i]!;
    const holds = this.held[rack]!.filter((h) => h.until > end);
    const room = this.stage.racks[rack]!;
    let used = holds.reduce((sum, h) => sum + h.places, this.stage.acts[i]!.places);
    if (used <= room) return end;
    holds.sort((a, b) => a.until - b.until);
    for (const h of holds) {
      // Flies of which nobody knows yet when they leave had their places in the plan as well.
      if (h.until === Infinity) return end;
      used -= h.places;
      if (used <= room) return h.until;
    }
    return end;
  }

  private onRack(rack: number, i: number, end: number): void {
    const act = this.stage.acts[i]!;
    this.held[rack]!.push({ act: i, until: act.isLast ? end + act.dry : Infinity, places: act.places });
  }

  private leaveRack(act: number, at: number): void {
    const hold = this.held[this.rack[act]!]!.find((h) => h.act === act);
    if (hold) hold.until = at;
  }

  /** Minutes of a person without work before their last work is over. */
  idleOf(person: number): number {
    return Math.max(0, this.free[person]! - this.used[person]!);
  }

  /** What a job last waited for. @param acts its acts, in order */
  causeOf(job: number, acts: number[]): Cause {
    for (let k = acts.length - 1; k >= 0; k--) {
      const cause = waits[this.waited[acts[k]!]!];
      if (cause !== undefined) return cause;
    }
    if (this.isMaterialLate[job] === 1) return "material";
    return this.isTiedAgain[job] === 1 ? "rejects" : "minutes";
  }
}

/** Where each of several lists of these lengths begins when they stand one behind the other. */
function starts(lengths: number[]): Int32Array {
  const from = new Int32Array(lengths.length + 1);
  lengths.forEach((n, i) => (from[i + 1] = from[i]! + n));
  return from;
}

function firstFree(places: Float64Array): number {
  let best = 0;
  for (let i = 1; i < places.length; i++) if (places[i]! < places[best]!) best = i;
  return best;
}
