import { NONE, type Model } from "./model";
import { RackLine, type RackWait } from "./rackLine";

/** What a job left out costs a search: more than anything that a plan can cost. */
const LEFT_OUT = 1e12;
/** And each minute beyond the horizon, so that the search is drawn back into it; of all jobs together less than one. */
const BEYOND = 1e3;
/** The end of an operation that found no place at all, in minutes after the horizon. */
const NOWHERE = 100_000;

/** What is known after so many operations of the list, to go on from there. */
interface Mark {
  free: Int32Array;
  state: Int32Array;
  nextPin: Int32Array;
  gapFrom: Int32Array;
  gapTo: Int32Array;
  gapIsOpen: Uint8Array;
  serverFree: Int32Array;
  serverLast: Int32Array;
  racks: RackLine[];
  cost: number;
  latest: number;
  beyond: number;
  setupMinutes: number;
}

/**
 * Places operations one after another, each as early as what is placed already lets it, behind what its person has
 * done: a list of operations and who does each is thereby a plan, and every plan that cannot be improved by moving
 * one operation earlier has such a list.
 *
 * The list is kept to, with two exceptions. A pinned operation comes when its minute does. And where a rack is full
 * of flies whose next operation stands further down in the list, those are placed first. `order` is the list as it
 * was done.
 */
export class Decoder {
  /** Who does each operation. Set by the search. */
  readonly who: Int32Array;
  readonly end: Int32Array;
  /** Index of the first minute of work among those of its person. */
  readonly index: Int32Array;
  /** What had to be waited for: the work before it at the station, and what made room on the rack. */
  readonly afterAtStation: Int32Array;
  readonly afterOnRack: Int32Array;
  readonly order: Int32Array;
  /** Jobs that are not in the list: nothing waits for what is pinned of them. */
  readonly isAbsent: Uint8Array;
  /** Whether the last run kept to its list throughout. */
  isStraight = true;
  /** How many operations were placed. */
  count = 0;
  /** From which place of the list on operations were placed anew by the last run. */
  resumedAt = 0;
  setupMinutes = 0;

  private readonly placed: Int32Array;
  private readonly inHand: Int32Array;
  private readonly isOut: Int32Array;
  private epoch = 0;
  private readonly free: Int32Array;
  private readonly state: Int32Array;
  private readonly nextPin: Int32Array;
  /** The last minutes that each bench stands idle, and whether what comes after them minds what is set up. */
  private readonly gapFrom: Int32Array;
  private readonly gapTo: Int32Array;
  private readonly gapIsOpen: Uint8Array;
  private readonly fillsGaps: boolean;
  private readonly serversFrom: Int32Array;
  private readonly serverFree: Int32Array;
  private readonly serverLast: Int32Array;
  private readonly racks: RackLine[];
  /** Operations whose flies are on a rack until a minute that is not known yet. */
  private readonly isHeld: Int32Array;
  private cost = 0;
  private latest = 0;
  /** Jobs left out, and the price of minutes beyond the horizon. */
  private beyond = 0;
  private readonly defers: boolean;
  private readonly wait: RackWait = { at: 0, by: -1 };
  private server = -1;

  private readonly marks: Mark[] = [];
  private readonly markEvery: number;
  /** How many of the marks belong to the list that is kept. */
  private marksValid = 0;

  constructor(private readonly m: Model) {
    const ints = (n: number) => new Int32Array(n);
    this.who = ints(m.ops);
    this.end = ints(m.ops);
    this.index = ints(m.ops);
    this.afterAtStation = ints(m.ops).fill(NONE);
    this.afterOnRack = ints(m.ops).fill(NONE);
    this.order = ints(m.ops);
    this.isAbsent = new Uint8Array(m.jobs);
    this.placed = ints(m.ops);
    this.inHand = ints(m.ops);
    this.isHeld = ints(m.ops);
    this.isOut = ints(m.jobs);
    this.free = ints(m.people);
    this.state = ints(m.people);
    this.nextPin = ints(m.people);
    this.gapFrom = ints(m.people);
    this.gapTo = ints(m.people);
    this.gapIsOpen = new Uint8Array(m.people);
    this.fillsGaps = m.choices.length > m.ops && !m.hasPins;
    this.serversFrom = ints(m.capacity.length + 1);
    // More places than there are operations are never taken.
    m.capacity.forEach((c, s) => (this.serversFrom[s + 1] = this.serversFrom[s]! + Math.min(c, m.ops)));
    this.serverFree = ints(this.serversFrom[m.capacity.length]!);
    this.serverLast = ints(this.serverFree.length);
    this.racks = Array.from(m.rackPlaces, () => new RackLine());
    this.defers = m.mindsRacks || m.hasPins || m.isTangled;
    this.markEvery = Math.max(12, Math.ceil(m.ops / 24));
  }

  /** Nothing is placed. */
  clear(): void {
    this.epoch++;
    this.free.fill(0);
    this.state.set(this.m.initial);
    this.nextPin.fill(0);
    this.gapFrom.fill(0);
    this.gapTo.fill(0);
    this.gapIsOpen.fill(0);
    this.serverFree.fill(0);
    this.serverLast.fill(NONE);
    for (const r of this.racks) r.clear();
    this.cost = 0;
    this.latest = 0;
    this.beyond = 0;
    this.setupMinutes = 0;
    this.count = 0;
  }

  /** Forgets what is known of the list from a place on: it is another one now. */
  forget(from: number): void {
    this.marksValid = Math.min(this.marksValid, Math.floor(from / this.markEvery));
  }

  /**
   * Places a whole list.
   * @param list operations, each behind those that it waits for
   * @param length how many of them count
   * @param from the list is the one last kept up to here; 0 for another one
   * @param most what costs more is not looked at to its end
   * @returns what the plan costs; Infinity when it is more than `most`
   */
  run(list: Int32Array, length: number, from = 0, most = Infinity): number {
    let i = this.resume(list, from);
    this.resumedAt = i;
    const { markEvery, defers, who, end, index, free, state, placed, order, epoch, isHeld, m } = this;
    const { fillsGaps, gapTo, gapIsOpen } = this;
    const {
      minutes,
      people,
      setup,
      station,
      jobOf,
      isFirst,
      isLast,
      mindsRacks,
      predsFrom,
      preds,
      dry,
      release,
      rack,
      hours,
    } = m;
    const { only, total } = hours;
    const { objective, horizon } = m.problem;
    const isPlain = !defers;
    let nextMark = i + markEvery;
    this.isStraight = true;
    for (; i < length; i++) {
      if (i === nextMark) {
        if (i <= from && this.isStraight && this.marksValid === i / markEvery - 1) this.mark(i / markEvery - 1);
        nextMark += markEvery;
      }
      const o = list[i]!;
      // What needs no more than this is placed here, in one loop: it is most of the work of a search.
      if (isPlain || this.isPlainNow(o)) {
        const p = who[o]!;
        let ready = release[jobOf[o]!]!;
        for (let k = predsFrom[o]!; k < predsFrom[o + 1]!; k++) {
          const over = end[preds[k]!]! + dry[preds[k]!]!;
          if (over > ready) ready = over;
        }
        const opens = only[p]!;
        const all = total[p]!;
        const isOne = opens >= 0 && ready < opens + all;
        let at = isOne ? (ready > opens ? ready - opens : 0) : hours.indexAt(p, ready);
        const to = setup[o]!;
        const change = to >= 0 ? m.changeOverTo(state[p]!, to) : 0;
        const begin = free[p]! + change;
        if (
          fillsGaps &&
          at < begin &&
          gapTo[p]! > at &&
          (to < 0 || gapIsOpen[p] === 1) &&
          this.fillGap(o, p, at, change)
        ) {
          // Done before work that is planned already.
        } else if (station[o]! >= 0 || rack[o]! >= 0) {
          this.placeShared(o, p, begin > at ? begin : at);
        } else {
          if (begin > at) at = begin;
          if (fillsGaps) this.leaveGap(p, at - change, to);
          const till = at + minutes[o * people + p]!;
          const ends = opens >= 0 && till <= all ? opens + till : hours.clockAt(p, till - 1) + 1;
          free[p] = till;
          end[o] = ends;
          index[o] = at;
          placed[o] = epoch;
          order[this.count++] = o;
          if (to >= 0) {
            this.setupMinutes += change;
            state[p] = to;
          }
          if (mindsRacks && isFirst[o] === 0 && isHeld[o - 1] === epoch) this.leaveRack(o - 1, hours.clockAt(p, at), o);
          if (ends > horizon) this.countBeyond(jobOf[o]!, ends);
          if (isLast[o] === 1) this.finish(o, ends);
        }
        if (isLast[o] === 1) {
          const sum = this.cost + objective.setup * this.setupMinutes + objective.makespan * this.latest + this.beyond;
          if (sum > most) return Infinity;
        }
        if (this.count !== i + 1) this.isStraight = false;
        continue;
      }
      if (isPlain) this.place(o);
      else {
        if (placed[o] !== epoch) this.place(o);
        if (this.count !== i + 1) this.isStraight = false;
      }
      if (isLast[o] === 1 && this.sum() > most) return Infinity;
    }
    const cost = this.total();
    return cost > most ? Infinity : cost;
  }

  /** Notes the minutes that a bench stands idle before work that begins at index `at`, change-over included. */
  private leaveGap(p: number, at: number, setup: number): void {
    const free = this.free[p]!;
    if (at > free) {
      this.gapFrom[p] = free;
      this.gapTo[p] = at;
      this.gapIsOpen[p] = setup < 0 ? 1 : 0;
    } else if (setup >= 0) this.gapIsOpen[p] = 0;
  }

  /**
   * Does an operation in the minutes that its person stands idle before work that stands earlier in the list. One
   * that sets the bench up may only if nothing after the gap depends on what is set up.
   */
  private fillGap(o: number, p: number, ready: number, change: number): boolean {
    const { m } = this;
    const { hours } = m;
    const minutes = m.minutes[o * m.people + p]!;
    const from = this.gapFrom[p]! + change;
    let i = ready > from ? ready : from;
    if (i + minutes > this.gapTo[p]!) return false;
    const station = m.station[o]!;
    this.server = NONE;
    if (station >= 0) {
      const at = hours.indexAt(p, this.stationFrom(station, hours.clockAt(p, i)));
      if (at > i) i = at;
      if (i + minutes > this.gapTo[p]!) return false;
    }
    const end = hours.clockAt(p, i + minutes - 1) + 1;
    if (m.mindsRacks && m.rack[o]! >= 0 && !(this.askRack(o, end) && this.wait.at === end)) return false;
    const free = this.free[p]!;
    const to = this.gapTo[p]!;
    this.take(o, p, i, end, minutes);
    this.free[p] = free;
    // The larger of what is left of it.
    if (to - i - minutes >= i - change - this.gapFrom[p]!) this.gapFrom[p] = i + minutes;
    else {
      this.gapTo[p] = i - change;
      if (m.setup[o]! >= 0) this.gapIsOpen[p] = 0;
    }
    return true;
  }

  /** Places an operation of a station or a rack that could begin at `at` if it were for its person alone. */
  private placeShared(o: number, p: number, at: number): void {
    const { m } = this;
    const { hours } = m;
    const minutes = m.minutes[o * m.people + p]!;
    let i = at;
    const station = m.station[o]!;
    let server = NONE;
    if (station >= 0) {
      const free = this.stationFrom(station, hours.clockAt(p, i));
      server = this.server;
      const from = hours.indexAt(p, free);
      if (from > i) i = from;
    }
    let end = hours.clockAt(p, i + minutes - 1) + 1;
    this.afterOnRack[o] = NONE;
    if (m.mindsRacks && m.rack[o]! >= 0) {
      if (!this.askRack(o, end)) return this.place(o);
      const later = this.wait.at;
      if (later > end) {
        i = Math.max(i, hours.indexAt(p, later - 1) - minutes + 1);
        end = hours.clockAt(p, i + minutes - 1) + 1;
        this.afterOnRack[o] = this.wait.by;
      }
    }
    this.server = server;
    if (this.fillsGaps) this.leaveGap(p, i - m.changeOverTo(this.state[p]!, m.setup[o]!), m.setup[o]!);
    this.take(o, p, i, end, minutes);
  }

  private sum(): number {
    const { objective } = this.m.problem;
    return this.cost + objective.setup * this.setupMinutes + objective.makespan * this.latest + this.beyond;
  }

  /** What it costs so far; jobs with parallel operations are counted when all of theirs are placed. */
  total(): number {
    const { m } = this;
    let more = 0;
    let latest = this.latest;
    for (let j = 0; j < m.jobs; j++) {
      if (m.isChain[j] || this.isOut[j] === this.epoch) continue;
      let at = 0;
      let isWhole = true;
      for (let o = m.firstOp[j]!; o < m.firstOp[j + 1]!; o++) {
        if (this.placed[o] !== this.epoch) isWhole = false;
        at = Math.max(at, this.end[o]! + m.dry[o]!);
      }
      if (!isWhole) continue;
      more += this.priceOf(j, at);
      latest = Math.max(latest, at);
    }
    return this.sum() + more + m.problem.objective.makespan * (latest - this.latest);
  }

  priceOf(job: number, at: number): number {
    const { m } = this;
    const { objective } = m.problem;
    const late = at - m.due[job]!;
    return (late > 0 ? objective.tardiness * m.weight[job]! * late : 0) + objective.flow * (at - m.given0[job]!);
  }

  /** Whether a job has no place within the horizon in the plan that was placed last. */
  isLeftOut(job: number): boolean {
    return this.isOut[job] === this.epoch;
  }

  private resume(list: Int32Array, from: number): number {
    const k = Math.min(this.marksValid, Math.floor(from / this.markEvery));
    this.clear();
    if (k === 0) return 0;
    const mark = this.marks[k - 1]!;
    this.free.set(mark.free);
    this.state.set(mark.state);
    this.nextPin.set(mark.nextPin);
    this.gapFrom.set(mark.gapFrom);
    this.gapTo.set(mark.gapTo);
    this.gapIsOpen.set(mark.gapIsOpen);
    this.serverFree.set(mark.serverFree);
    this.serverLast.set(mark.serverLast);
    mark.racks.forEach((r, i) => this.racks[i]!.copyFrom(r));
    this.cost = mark.cost;
    this.latest = mark.latest;
    this.beyond = mark.beyond;
    this.setupMinutes = mark.setupMinutes;
    const i = k * this.markEvery;
    this.count = i;
    for (let x = 0; x < i; x++) {
      const o = list[x]!;
      this.placed[o] = this.epoch;
      this.order[x] = o;
      if (this.m.rack[o]! >= 0 && this.m.isLast[o] === 0) this.isHeld[o] = this.epoch;
      if (this.m.isFirst[o] === 0) this.isHeld[o - 1] = 0;
      if (this.end[o]! > this.m.problem.horizon) this.isOut[this.m.jobOf[o]!] = this.epoch;
    }
    return i;
  }

  private mark(k: number): void {
    const old = this.marks[k];
    if (old) {
      old.free.set(this.free);
      old.state.set(this.state);
      old.nextPin.set(this.nextPin);
      old.gapFrom.set(this.gapFrom);
      old.gapTo.set(this.gapTo);
      old.gapIsOpen.set(this.gapIsOpen);
      old.serverFree.set(this.serverFree);
      old.serverLast.set(this.serverLast);
      this.racks.forEach((r, i) => old.racks[i]!.copyFrom(r));
      old.cost = this.cost;
      old.latest = this.latest;
      old.beyond = this.beyond;
      old.setupMinutes = this.setupMinutes;
    } else
      this.marks[k] = {
        free: this.free.slice(),
        state: this.state.slice(),
        nextPin: this.nextPin.slice(),
        gapFrom: this.gapFrom.slice(),
        gapTo: this.gapTo.slice(),
        gapIsOpen: this.gapIsOpen.slice(),
        serverFree: this.serverFree.slice(),
        serverLast: this.serverLast.slice(),
        racks: this.racks.map((r) => {
          const copy = new RackLine();
          copy.copyFrom(r);
          return copy;
        }),
        cost: this.cost,
        latest: this.latest,
        beyond: this.beyond,
        setupMinutes: this.setupMinutes,
      };
    this.marksValid = k + 1;
  }

  /** The minute from which on an operation can begin: its release, and what it waits for. */
  ready(o: number): number {
    const { m } = this;
    let ready = m.release[m.jobOf[o]!]!;
    for (let i = m.predsFrom[o]!; i < m.predsFrom[o + 1]!; i++) {
      const before = m.preds[i]!;
      const over = this.end[before]! + m.dry[before]!;
      if (over > ready) ready = over;
    }
    return ready;
  }

  /**
   * When an operation would end if a person took it up next; `wouldStart` is when it would begin. Pins aside.
   * @returns Infinity while the rack is full of flies that nobody has taken up yet
   */
  wouldEnd(o: number, p: number): number {
    const { m } = this;
    const minutes = m.minutes[o * m.people + p]!;
    const free = this.free[p]! + m.changeOverTo(this.state[p]!, m.setup[o]!);
    let i = Math.max(free, m.hours.indexAt(p, this.ready(o)));
    const station = m.station[o]!;
    if (station >= 0) i = Math.max(i, m.hours.indexAt(p, this.stationFrom(station, m.hours.clockAt(p, i))));
    let end = m.hours.clockAt(p, i + minutes - 1) + 1;
    if (m.mindsRacks && m.rack[o]! >= 0) {
      if (!this.askRack(o, end)) return Infinity;
      if (this.wait.at > end) {
        i = Math.max(i, m.hours.indexAt(p, this.wait.at - 1) - minutes + 1);
        end = m.hours.clockAt(p, i + minutes - 1) + 1;
      }
    }
    this.wouldStart = m.hours.clockAt(p, i);
    return end;
  }
  wouldStart = 0;

  /** The change-over that an operation would need if it were the person's next. */
  wouldChangeOver = (o: number, p: number): number => this.m.changeOverTo(this.state[p]!, this.m.setup[o]!);

  /** From when on a station has a place; `server` is the place that is free the shortest while before. */
  private stationFrom(station: number, wanted: number): number {
    const from = this.serversFrom[station]!;
    const to = this.serversFrom[station + 1]!;
    let best = from;
    for (let s = from + 1; s < to; s++) {
      const a = this.serverFree[best]!;
      const b = this.serverFree[s]!;
      if (a <= wanted ? b <= wanted && b > a : b < a) best = s;
    }
    this.server = best;
    return this.serverFree[best]!;
  }

  /** Places an operation as early as can be; what it waits for is placed first where it is not yet. */
  place(o: number): void {
    const { m } = this;
    if (this.defers && !this.placeBefore(o)) return;
    const p = this.who[o]!;
    const minutes = m.minutes[o * m.people + p]!;
    const ready = this.ready(o);
    const free = this.free[p]! + m.changeOverTo(this.state[p]!, m.setup[o]!);
    let i = m.hours.indexAt(p, ready);
    if (free > i) i = free;
    const station = m.station[o]!;
    let server = NONE;
    let serverFree = 0;
    if (station >= 0) {
      serverFree = this.stationFrom(station, m.hours.clockAt(p, i));
      server = this.server;
      const at = m.hours.indexAt(p, serverFree);
      if (at > i) i = at;
    }
    let end = m.hours.clockAt(p, i + minutes - 1) + 1;
    this.afterOnRack[o] = NONE;
    if (this.defers) {
      if (m.rack[o]! >= 0 && m.mindsRacks) {
        const later = this.onRack(o, end);
        if (later < 0) return this.leave(o);
        if (later > end) {
          i = Math.max(i, m.hours.indexAt(p, later - 1) - minutes + 1);
          end = m.hours.clockAt(p, i + minutes - 1) + 1;
          this.afterOnRack[o] = this.wait.by;
        }
      }
      // What was placed first may have been work of the same bench or station: then all is asked again.
      if (this.free[p]! + m.changeOverTo(this.state[p]!, m.setup[o]!) !== free || this.ready(o) !== ready)
        return this.placeAgain(o);
      if (server >= 0 && this.serverFree[server]! !== serverFree) return this.placeAgain(o);
      const pin = this.pinInTheWay(o, p, i + minutes);
      if (pin === o) return this.leave(o);
      if (pin >= 0) {
        this.place(pin);
        return this.placeAgain(o);
      }
    }
    this.server = server;
    if (this.fillsGaps) this.leaveGap(p, i - m.changeOverTo(this.state[p]!, m.setup[o]!), m.setup[o]!);
    this.take(o, p, i, end, minutes);
  }

  private placeAgain(o: number): void {
    this.inHand[o] = 0;
    this.place(o);
  }

  /**
   * Sees to what must be placed before an operation.
   * @returns whether it can be placed now, by the usual way
   */
  private placeBefore(o: number): boolean {
    const { m } = this;
    this.inHand[o] = this.epoch;
    for (let i = m.predsFrom[o]!; i < m.predsFrom[o + 1]!; i++) {
      const before = m.preds[i]!;
      if (this.placed[before] !== this.epoch && this.inHand[before] !== this.epoch) this.place(before);
      const isNowhere = this.placed[before] !== this.epoch || this.end[before]! >= m.problem.horizon + NOWHERE;
      if (isNowhere) {
        this.leave(o);
        return false;
      }
    }
    if (m.pinnedAt[o] === NONE) return true;
    this.placePinned(o);
    return false;
  }

  private placePinned(o: number): void {
    const { m } = this;
    const p = m.pinnedTo[o]!;
    const at = m.pinnedAt[o]!;
    // Those pinned before it on the same bench come first.
    for (let earlier = this.earliestPin(p); earlier >= 0 && earlier !== o; earlier = this.earliestPin(p)) {
      if (this.inHand[earlier] === this.epoch) break;
      this.place(earlier);
    }
    const minutes = m.minutes[o * m.people + p]!;
    const i = m.hours.indexAt(p, at);
    const end = m.hours.clockAt(p, i + minutes - 1) + 1;
    const free = this.free[p]! + m.changeOverTo(this.state[p]!, m.setup[o]!);
    const station = m.station[o]!;
    this.server = -1;
    this.afterOnRack[o] = NONE;
    const fits =
      m.hours.isWorking(p, at) &&
      free <= i &&
      this.ready(o) <= at &&
      (station < 0 || this.stationFrom(station, at) <= at) &&
      (m.rack[o]! < 0 || !m.mindsRacks || this.onRack(o, end) === end);
    if (!fits || this.free[p]! + m.changeOverTo(this.state[p]!, m.setup[o]!) !== free) return this.leave(o);
    // Asked once more: what was placed for the rack's sake may have taken the place.
    this.server = NONE;
    if (station >= 0 && this.stationFrom(station, at) > at) return this.leave(o);
    this.take(o, p, i, end, minutes);
  }

  private earliestPin(p: number): number {
    const { m } = this;
    const pins = m.pins[p]!;
    let k = this.nextPin[p]!;
    while (k < pins.length && (this.placed[pins[k]!] === this.epoch || this.isAbsent[m.jobOf[pins[k]!]!] === 1)) k++;
    this.nextPin[p] = k;
    return k < pins.length ? pins[k]! : NONE;
  }

  /**
   * A pinned operation of the same bench that could not be at its minute if this one, busy until `free`, went first.
   * @returns itself when the two cannot be set right, since one of them waits for the other
   */
  private pinInTheWay(o: number, p: number, free: number): number {
    const { m } = this;
    if (!m.hasPins) return NONE;
    const pin = this.earliestPin(p);
    if (pin < 0) return NONE;
    const state = m.setup[o]! >= 0 ? m.setup[o]! : this.state[p]!;
    const isClear = free + m.changeOverTo(state, m.setup[pin]!) <= m.hours.indexAt(p, m.pinnedAt[pin]!);
    if (isClear) return NONE;
    if (this.inHand[pin] === this.epoch || this.waitsFor(pin, o)) return o;
    return pin;
  }

  private waitsFor(o: number, before: number): boolean {
    const { m } = this;
    for (let i = m.predsFrom[o]!; i < m.predsFrom[o + 1]!; i++)
      if (m.preds[i] === before || this.waitsFor(m.preds[i]!, before)) return true;
    return false;
  }

  /** When an operation that ends at `end` at the earliest finds its places on the rack; −1 when never. */
  private onRack(o: number, end: number): number {
    while (!this.askRack(o, end)) {
      const next = this.nextOffRack(this.m.rack[o]!, o);
      if (next < 0) return -1;
      this.place(next);
    }
    return this.wait.at;
  }

  /** Fills `wait` with the minute from which a rack has the places for an operation that ends at `end` or later. */
  private askRack(o: number, end: number): boolean {
    const { m } = this;
    const r = m.rack[o]!;
    const isOwn = m.follows[o] === 1 && m.rack[o - 1] === r && this.isHeld[o - 1] === this.epoch;
    const most = m.rackPlaces[r]! - m.places[o]! + (isOwn ? m.places[o - 1]! : 0);
    return this.racks[r]!.freeFrom(end, m.isLast[o] ? m.dry[o]! : RackLine.FOR_EVER, most, this.wait);
  }

  /** The operation that takes flies off a rack, of those that can be placed now. */
  private nextOffRack(r: number, besides: number): number {
    for (let i = 0; i < this.count; i++) {
      const holder = this.order[i]!;
      if (this.m.rack[holder] !== r || this.isHeld[holder] !== this.epoch) continue;
      const next = holder + 1;
      if (next !== besides && this.placed[next] !== this.epoch && this.inHand[next] !== this.epoch) return next;
    }
    return NONE;
  }

  private take(o: number, p: number, i: number, end: number, minutes: number): void {
    const { m } = this;
    const j = m.jobOf[o]!;
    const start = m.hours.clockAt(p, i);
    this.end[o] = end;
    this.index[o] = i;
    this.free[p] = i + minutes;
    const setup = m.setup[o]!;
    if (setup >= 0) {
      this.setupMinutes += m.changeOverTo(this.state[p]!, setup);
      this.state[p] = setup;
    }
    if (this.server >= 0) {
      this.afterAtStation[o] = this.serverLast[this.server]!;
      this.serverLast[this.server] = o;
      this.serverFree[this.server] = end;
    }
    this.placed[o] = this.epoch;
    this.order[this.count++] = o;
    if (m.mindsRacks) this.moveOnRack(o, start, end);
    if (end > m.problem.horizon) this.countBeyond(j, end);
    if (m.isLast[o]) this.finish(o, end);
  }

  /** A job's last operation is placed: jobs with parallel ones are counted at the end. */
  private finish(o: number, end: number): void {
    const { m } = this;
    const j = m.jobOf[o]!;
    if (!m.isChain[j] || this.isOut[j] === this.epoch) return;
    const at = end + m.dry[o]!;
    if (at > this.latest) this.latest = at;
    this.cost += this.priceOf(j, at);
  }

  /** Whether the place of an operation is not a matter of pins, or of what stands further down in the list. */
  private isPlainNow(o: number): boolean {
    const { m } = this;
    if (this.placed[o] === this.epoch || m.isTangled) return false;
    return !m.hasPins || (m.pinnedAt[o]! < 0 && this.earliestPin(this.who[o]!) < 0);
  }

  private countBeyond(j: number, end: number): void {
    this.beyond += BEYOND * (end - this.m.problem.horizon);
    if (this.isOut[j] === this.epoch) return;
    this.isOut[j] = this.epoch;
    this.beyond += LEFT_OUT;
  }

  private moveOnRack(o: number, start: number, end: number): void {
    const { m } = this;
    if (m.isFirst[o] === 0 && m.rack[o - 1]! >= 0 && this.placed[o - 1] === this.epoch) this.leaveRack(o - 1, start, o);
    const r = m.rack[o]!;
    if (r < 0) return;
    const rack = this.racks[r]!;
    rack.change(end, m.places[o]!, o);
    if (m.isLast[o]) rack.change(end + m.dry[o]!, -m.places[o]!, o);
    else if (this.placed[o + 1] === this.epoch)
      rack.change(Math.max(end, m.hours.clockAt(this.who[o + 1]!, this.index[o + 1]!)), -m.places[o]!, o + 1);
    else this.isHeld[o] = this.epoch;
  }

  private leaveRack(holder: number, at: number, by: number): void {
    if (this.isHeld[holder] !== this.epoch) return;
    this.isHeld[holder] = 0;
    this.racks[this.m.rack[holder]!]!.change(Math.max(at, this.end[holder]!), -this.m.places[holder]!, by);
  }

  /** An operation that finds no place: its job is left out of this plan. */
  private leave(o: number): void {
    const { m } = this;
    if (m.isFirst[o] === 0 && m.rack[o - 1]! >= 0 && m.mindsRacks && this.placed[o - 1] === this.epoch)
      this.leaveRack(o - 1, this.end[o - 1]!, o);
    const end = m.problem.horizon + NOWHERE;
    this.end[o] = end;
    this.index[o] = 0;
    this.afterAtStation[o] = NONE;
    this.placed[o] = this.epoch;
    this.order[this.count++] = o;
    this.countBeyond(m.jobOf[o]!, end);
  }
}
