import type { Decoder } from "./decoder";
import type { Model } from "./model";
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

/** Where the next operation of a job would go. */
interface Offer {
  op: number;
  person: number;
  start: number;
  end: number;
  changeOver: number;
}

/**
 * A first plan by a dispatch rule. Of all operations that could be next, the one that would end first names a bench; of
 * those that compete for it before that end, the rule says which is placed.
 *
 * Sources: B. Giffler and G. L. Thompson, Operations Research 8 (1960), for the set that competes; A. P. J.
 * Vepsalainen and T. E. Morton, Management Science 33 (1987), for apparent tardiness cost; Y. H. Lee, K. Bhaskaran
 * and M. Pinedo, IIE Transactions 29 (1997), for its factor of change-over.
 *
 * Cost: operations × jobs, and for each operation placed the offers of the jobs that share its bench or station.
 */
export function construct(m: Model, decoder: Decoder, rule: Rule, outline?: Outline, followed?: Followed): void {
  const next = Int32Array.from({ length: m.jobs }, (_, j) => m.firstOp[j]!);
  const offers: (Offer | undefined)[] = Array.from({ length: m.jobs }, () => undefined);
  const left = workLeft(m);
  const mean = left.reduce((sum, w, o) => sum + (m.firstOp[m.jobOf[o]!] === o ? w : 0), 0) / Math.max(1, m.ops);
  decoder.clear();
  // Whoever may do it, until an offer says better: it may be placed out of turn.
  for (let o = 0; o < m.ops; o++) decoder.who[o] = m.choices[m.choicesFrom[o]!]!;
  const line = followed ? new Lead(followed) : outline && new Line(m, outline);
  const placed = new Uint8Array(m.ops);
  for (let j = 0; j < m.jobs; j++) offers[j] = offerOf(m, decoder, next, j, line);
  for (;;) {
    const first = earliest(offers, rule.isEager ?? false);
    if (!first) return;
    const best = choose(m, rule, offers, first, left, mean, line);
    const before = decoder.count;
    decoder.who[best.op] = best.person;
    decoder.place(best.op);
    for (let i = before; i < decoder.count; i++) placed[decoder.order[i]!] = 1;
    line?.goOn(placed);
    for (let j = 0; j < m.jobs; j++) {
      const isMoved = next[j]! < m.firstOp[j + 1]! && placed[next[j]!] === 1;
      while (next[j]! < m.firstOp[j + 1]! && placed[next[j]!] === 1) next[j]!++;
      const offer = offers[j];
      const isTouched = !offer || decoder.count > before + 1 || touches(m, offer, best);
      if (isMoved || isTouched) offers[j] = offerOf(m, decoder, next, j, line);
    }
  }
}

/**
 * Whether what was placed changes an offer. Of others, whose time has only become scarcer, the offer stays the best.
 */
function touches(m: Model, offer: Offer, { op: placed, person }: Offer): boolean {
  const { op } = offer;
  return (
    offer.person === person ||
    offer.end === Infinity ||
    (m.setup[op]! >= 0 && m.minutes[op * m.people + person]! > 0) ||
    (m.station[op]! >= 0 && m.station[op] === m.station[placed]) ||
    (m.rack[op]! >= 0 &&
      m.mindsRacks &&
      (m.rack[op] === m.rack[placed] || (m.isFirst[placed] === 0 && m.rack[op] === m.rack[placed - 1])))
  );
}

function offerOf(m: Model, decoder: Decoder, next: Int32Array, j: number, line?: Guide): Offer | undefined {
  const op = next[j]!;
  if (op >= m.firstOp[j + 1]!) return undefined;
  let best: Offer | undefined;
  for (let c = m.choicesFrom[op]!; c < m.choicesFrom[op + 1]!; c++) {
    const person = m.choices[c]!;
    if (line && !line.may(op, person)) continue;
    const end = decoder.wouldEnd(op, person);
    const changeOver = decoder.wouldChangeOver(op, person);
    if (best && (end > best.end || (end === best.end && changeOver >= best.changeOver))) continue;
    best = { op, person, start: end === Infinity ? end : decoder.wouldStart, end, changeOver };
  }
  // Whoever takes it up later: an operation out of turn, for the rack's sake, goes to this person.
  if (best) decoder.who[op] = best.person;
  return best;
}

function earliest(offers: (Offer | undefined)[], isEager: boolean): Offer | undefined {
  let first: Offer | undefined;
  for (const o of offers) {
    if (!o) continue;
    if (!first || (isEager ? o.start - o.changeOver < first.start - first.changeOver : o.end < first.end)) first = o;
  }
  return first;
}

function choose(
  m: Model,
  rule: Rule,
  offers: (Offer | undefined)[],
  first: Offer,
  left: Float64Array,
  mean: number,
  line?: Guide,
): Offer {
  let best = first;
  let least = Infinity;
  for (const o of offers) {
    if (!o || (rule.isEager ? o.start - o.changeOver > first.start - first.changeOver : isElsewhere(o, first)))
      continue;
    const rank = line ? line.rankOf(m, o.op) : rankOf(m, rule, o, left, mean);
    if (rank < least) {
      least = rank;
      best = o;
    }
  }
  return best;
}

const isElsewhere = (o: Offer, first: Offer): boolean => o.person !== first.person || o.start >= first.end;

function rankOf(m: Model, rule: Rule, o: Offer, left: Float64Array, mean: number): number {
  const job = m.jobOf[o.op]!;
  const minutes = m.minutes[o.op * m.people + o.person]!;
  const slack = m.due[job]! - o.start - left[o.op]!;
  if (rule.name === "due first") return m.due[job]!;
  if (rule.name === "least slack") return slack;
  if (rule.name === "shortest") return minutes + o.changeOver;
  if (rule.name === "most work left") return -left[o.op]!;
  const presses = Math.exp(-Math.max(0, slack) / ((rule.ahead ?? 2) * mean));
  return -(m.weight[job]! / minutes) * presses * Math.exp(-o.changeOver / 5);
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
  /** Whether a person may take up an operation now. */
  may: (op: number, person: number) => boolean;
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

  goOn(placed: Uint8Array): void {
    this.outline.turns.forEach((jobs, p) => {
      while (this.done[p]! < jobs.length && placed[this.outline.main[jobs[this.done[p]!]!]!] === 1) this.done[p]!++;
    });
  }
}
