import { nth, normalQuantile, Random } from "../../numeric";

/** Uniform numbers closer to 0 or 1 than this are not drawn: five standard deviations. */
const LEAST = 3e-7;

/**
 * The chance of one run after another, as uniform numbers, one for each thing that may turn out otherwise. Runs come in
 * pairs: what is high in the first is as low in the second, so that means settle with fewer runs. And each thing has a
 * chance of its own by its name: in another plan with the same seed it turns out alike, so that what differs between
 * two plans is the plans.
 *
 * Source: J. M. Hammersley and K. W. Morton, Proceedings of the Cambridge Philosophical Society 52 (1956), antithetic
 * variates.
 */
export class Chance {
  private readonly randoms: Random[];
  private readonly drawn: Float64Array;

  constructor(seed: number, names: readonly string[]) {
    this.randoms = names.map((name) => new Random(hashOf(`${seed} ${name}`)));
    this.drawn = new Float64Array(names.length);
  }

  /** Draws for a run, counted from 0. */
  draw(run: number): void {
    const { drawn, randoms } = this;
    if (run % 2 === 1) for (let i = 0; i < drawn.length; i++) drawn[i] = 1 - drawn[i]!;
    else for (let i = 0; i < drawn.length; i++) drawn[i] = LEAST + (1 - 2 * LEAST) * randoms[i]!.next();
  }

  /** Between 0 and 1, for thing i. */
  at(i: number): number {
    return this.drawn[i]!;
  }

  /** Of the standard normal distribution. */
  normal(i: number): number {
    return normalQuantile(this.at(i));
  }

  /** One of a list, all equally probable. */
  oneOf<T>(i: number, list: readonly T[]): T {
    return nth(list, Math.min(list.length - 1, Math.floor(this.at(i) * list.length)));
  }
}

/** A number of 32 bits that looks random, for a text. Source: MurmurHash3 (A. Appleby, public domain), its mixing. */
function hashOf(text: string): number {
  let h = 1779033703 ^ text.length;
  for (let i = 0; i < text.length; i++) {
    h = Math.imul(h ^ text.charCodeAt(i), 3432918353);
    h = (h << 13) | (h >>> 19);
  }
  h = Math.imul(h ^ (h >>> 16), 2246822507);
  h = Math.imul(h ^ (h >>> 13), 3266489909);
  return (h ^ (h >>> 16)) >>> 0;
}
