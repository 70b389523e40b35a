import type { Decoder } from "./decoder";
import { NONE, type Model } from "./model";
import type { Outline } from "./outline";

/** What comes first of the work that competes for a bench: a lower figure. */
export interface Rule {
  name: "due first" | "tardiness and change-over" | "least slack" | "shortest" | "most work left";
  /**
   * Whether a bench waits for nothing: what can begin first is placed, and the rule decides only between equals. Else
   * the operation that would end first names the bench, and what competes with it there may keep it waiting.
   */
  isEager?: boolean;
  /** How far ahead, in mean minutes of work, lateness already presses; for the rule of tardiness. */
  ahead?: number;
}

export const rules: Rule[] = [
  { name: "due first", isEager: true },
  { name: "tardiness and change-over", isEager: true, ahead: 3 },
  { name: "shortest", isEager: true },
  { name: "due first" },
  { name: "tardiness and change-over", ahead: 3 },
  { name: "least slack" },
  { name: "most work left" },
];

/** A plan that is followed as far as nobody has to wait for it: who does each operation, and how early it came. */
export interface Followed {
  who: Int32Array;
  rank: Float64Array;
}

/** Where the next operation of each job would go; a job without one has no person. */
class Offers {
  readonly op: Int32Array;
  readonly person: Int32Array;
  /** May be Infinity, where only later work makes room on a rack. */
  readonly start: Float64Array;
  readonly end: Float64Array;
  readonly changeOver: Int32Array;

  constructor(readonly jobs: number) {
    this.op = new Int32Array(jobs);
    this.person = new Int32Array(jobs).fill(NONE);
    this.start = new Float64Array(jobs);
    this.end = new Float64Array(jobs);
    this.changeOver = new Int32Array(jobs);
  }

  /** When its bench is first taken by it. */
  begins(j: number): number {
    return this.start[j]! - this.changeOver[j]!;
  }
}

/**
 * A first plan by a dispatch rule. Of all operations that could be next, the one that would end first names a bench; of
 * those that compete for it before that end, the rule says which is placed.
 *
 * Sources: B. Giffler and G. L. Thompson, Operations Research 8 (1960), for the set that competes; A. P. J.
 * Vepsalainen and T. E. Morton, Management Science 33 (1987), for apparent tardiness cost; Y. H. Lee, K. Bhaskaran
 * and M. Pinedo, IIE Transactions 29 (1997), for its factor of change-over.
 *
 * A job of which an operation would end beyond the horizon is given up, and stands behind everything: time only becomes
 * scarcer.
 *
 * Cost: operations within the horizon × jobs, and for each operation placed the offers of the jobs that share its bench
 * or station.
 */
export function construct(m: Model, decoder: Decoder, rule: Rule, outline?: Outline, followed?: Followed): void {
  const next = Int32Array.from({ length: m.jobs }, (_, j) => m.firstOp[j]!);
  const offers = new Offers(m.jobs);
  const left = workLeft(m);
  const mean = left.reduce((sum, w, o) => sum + (m.firstOp[m.jobOf[o]!] === o ? w : 0), 0) / Math.max(1, m.ops);
  decoder.clear();
  // Whoever may do it, until an offer says better: it may be placed out of turn.
  for (let o = 0; o < m.ops; o++) decoder.who[o] = m.choices[m.choicesFrom[o]!]!;
  const line = followed ? new Lead(followed) : outline && new Line(m, outline);
  // Placed, or given up.
  const placed = new Uint8Array(m.ops);
  const givenUp: number[] = [];
  const offerNext = (j: number): void => {
    offer(m, decoder, next, j, offers, line);
    // In an outline others wait for it to take its turn.
    if (outline || offers.person[j] === NONE || offers.end[j] === Infinity || offers.end[j]! <= m.problem.horizon)
      return;
    offers.person[j] = NONE;
    next[j] = m.firstOp[j + 1]!;
    placed.fill(1, m.firstOp[j], m.firstOp[j + 1]);
    givenUp.push(j);
  };
  for (let j = 0; j < m.jobs; j++) offerNext(j);
  for (;;) {
    const first = earliest(offers, rule.isEager ?? false);
    if (first === NONE) {
      placeBehind(m, decoder, givenUp);
      return;
    }
    const best = choose(m, rule, offers, first, left, mean, line);
    const [op, person] = [offers.op[best]!, offers.person[best]!];
    const before = decoder.count;
    decoder.who[op] = person;
    decoder.place(op);
    for (let i = before; i < decoder.count; i++) placed[decoder.order[i]!] = 1;
    line?.goOn(placed);
    const isMore = decoder.count > before + 1;
    for (let j = 0; j < m.jobs; j++) {
      const end = m.firstOp[j + 1]!;
      if (next[j]! >= end && offers.person[j] === NONE) continue;
      let isMoved = false;
      for (; next[j]! < end && placed[next[j]!] === 1; next[j]!++) isMoved = true;
      if (isMoved || isMore || offers.person[j] === NONE || touches(m, offers, j, op, person, line)) offerNext(j);
    }
  }
}

/** Places what was given up behind everything else, as the list of a plan holds all operations. */
function placeBehind(m: Model, decoder: Decoder, jobs: readonly number[]): void {
  const isPlaced = new Uint8Array(m.ops);
  let seen = 0;
  const look = (): void => {
    for (; seen < decoder.count; seen++) isPlaced[decoder.order[seen]!] = 1;
  };
  look();
  for (const j of jobs)
    for (let o = m.firstOp[j]!; o < m.firstOp[j + 1]!; o++) {
      if (isPlaced[o] === 0) decoder.place(o);
      look();
    }
}

/**
 * Whether what was placed changes an offer. Of others, whose time has only become scarcer, the offer stays the best.
 */
function touches(m: Model, offers: Offers, j: number, placed: number, person: number, line?: Guide): boolean {
  if (offers.person[j] === person || offers.end[j] === Infinity) return true;
  const op = offers.op[j]!;
  return (
    (m.setup[op]! >= 0 && m.minutes[op * m.people + person]! > 0 && (!line || line.could(op, person))) ||
    (m.station[op]! >= 0 && m.station[op] === m.station[placed]) ||
    (m.rack[op]! >= 0 &&
      m.mindsRacks &&
      (m.rack[op] === m.rack[placed] || (m.isFirst[placed] === 0 && m.rack[op] === m.rack[placed - 1])))
  );
}

function offer(m: Model, decoder: Decoder, next: Int32Array, j: number, offers: Offers, line?: Guide): void {
  const op = next[j]!;
  offers.person[j] = NONE;
  if (op >= m.firstOp[j + 1]!) return;
  offers.op[j] = op;
  for (let c = m.choicesFrom[op]!; c < m.choicesFrom[op + 1]!; c++) {
    const person = m.choices[c]!;
    if (line && !line.may(op, person)) continue;
    const end = decoder.wouldEnd(op, person);
    const changeOver = decoder.wouldChangeOver(op, person);
    const isFirst = offers.person[j] === NONE;
    if (!isFirst && (end > offers.end[j]! || (end === offers.end[j] && changeOver >= offers.changeOver[j]!))) continue;
    offers.person[j] = person;
    offers.start[j] = end === Infinity ? end : decoder.wouldStart;
    offers.end[j] = end;
    offers.changeOver[j] = changeOver;
  }
  // Whoever takes it up later: an operation out of turn, for the rack's sake, goes to this person.
  if (offers.person[j] !== NONE) decoder.who[op] = offers.person[j]!;
}

function earliest(offers: Offers, isEager: boolean): number {
  let first = NONE;
  for (let j = 0; j < offers.jobs; j++) {
    if (offers.person[j] === NONE) continue;
    if (first === NONE || (isEager ? offers.begins(j) < offers.begins(first) : offers.end[j]! < offers.end[first]!))
      first = j;
  }
  return first;
}

function choose(
  m: Model,
  rule: Rule,
  offers: Offers,
  first: number,
  left: Float64Array,
  mean: number,
  line?: Guide,
): number {
  let best = first;
  let least = Infinity;
  const from = offers.begins(first);
  for (let j = 0; j < offers.jobs; j++) {
    if (offers.person[j] === NONE) continue;
    if (rule.isEager ? offers.begins(j) > from : isElsewhere(offers, j, first)) continue;
    const rank = line ? line.rankOf(m, offers.op[j]!) : rankOf(m, rule, offers, j, left, mean);
    if (rank < least) {
      least = rank;
      best = j;
    }
  }
  return best;
}

const isElsewhere = (offers: Offers, j: number, first: number): boolean =>
  offers.person[j] !== offers.person[first] || offers.start[j]! >= offers.end[first]!;

function rankOf(m: Model, rule: Rule, offers: Offers, job: number, left: Float64Array, mean: number): number {
  const op = offers.op[job]!;
  const changeOver = offers.changeOver[job]!;
  const minutes = m.minutes[op * m.people + offers.person[job]!]!;
  const slack = m.due[job]! - offers.start[job]! - left[op]!;
  if (rule.name === "due first") return m.due[job]!;
  if (rule.name === "least slack") return slack;
  if (rule.name === "shortest") return minutes + changeOver;
  if (rule.name === "most work left") return -left[op]!;
  const presses = Math.exp(-Math.max(0, slack) / ((rule.ahead ?? 2) * mean));
  return -(m.weight[job]! / minutes) * presses * Math.exp(-changeOver / 5);
}

/** Minutes of work and drying from the beginning of each operation to the end of its job, with whoever is quickest. */
function workLeft(m: Model): Float64Array {
  const left = new Float64Array(m.ops);
  for (let o = m.ops - 1; o >= 0; o--) {
    left[o] = m.leastMinutes(o) + m.dry[o]! + (m.isLast[o] ? 0 : left[o + 1]!);
  }
  return left;
}

/** What a plan is made along, instead of by a rule. */
interface Guide {
  rankOf: (m: Model, op: number) => number;
  /** Whether a person may take up an operation now, and ever. */
  may: (op: number, person: number) => boolean;
  could: (op: number, person: number) => boolean;
  goOn: (placed: Uint8Array) => void;
}

class Lead implements Guide {
  constructor(private readonly followed: Followed) {}

  rankOf(_m: Model, op: number): number {
    return this.followed.rank[op]!;
  }

  may(op: number, person: number): boolean {
    return this.followed.who[op] === person;
  }

  could(op: number, person: number): boolean {
    return this.may(op, person);
  }

  goOn(): void {
    // Nobody is kept to an order: whoever can begin something does.
  }
}

/** Keeps people to the order in which an outline gives them the main work of each job. */
class Line implements Guide {
  /** When the main work of each job begins in the outline: what begins earlier comes first. */
  private readonly rank: Float64Array;
  private readonly person: Int32Array;
  private readonly done: number[];

  constructor(
    m: Model,
    private readonly outline: Outline,
  ) {
    this.rank = new Float64Array(m.jobs);
    this.person = new Int32Array(m.ops).fill(-1);
    this.done = outline.turns.map(() => 0);
    outline.turns.forEach((jobs, p) =>
      jobs.forEach((j) => {
        this.rank[j] = outline.starts[j]!;
        this.person[outline.main[j]!] = p;
      }),
    );
  }

  rankOf(m: Model, op: number): number {
    return this.rank[m.jobOf[op]!]!;
  }

  may(op: number, p: number): boolean {
    const own = this.person[op]!;
    if (own < 0) return true;
    const next = this.outline.turns[p]?.[this.done[p]!];
    return own === p && next !== undefined && this.outline.main[next] === op;
  }

  could(op: number, p: number): boolean {
    return this.person[op]! < 0 || this.person[op] === p;
  }

  goOn(placed: Uint8Array): void {
    this.outline.turns.forEach((jobs, p) => {
      while (this.done[p]! < jobs.length && placed[this.outline.main[jobs[this.done[p]!]!]!] === 1) this.done[p]!++;
    });
  }
}
