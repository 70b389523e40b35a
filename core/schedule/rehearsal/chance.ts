import { nth, normalQuantile } from "../../numeric";
import { Random } from "../../numeric";

/** Uniform numbers closer to 0 or 1 than this are not drawn: five standard deviations. */
const LEAST = 3e-7;

/**
 * The chance of one run after another, as uniform numbers, one for each thing that may turn out otherwise. Runs come in
 * pairs: what is high in the first is as low in the second, so that means settle with fewer runs.
 *
 * Source: J. M. Hammersley and K. W. Morton, Proceedings of the Cambridge Philosophical Society 52 (1956), antithetic
 * variates.
 */
export class Chance {
  private readonly random: Random;
  private readonly drawn: Float64Array;

  constructor(
    seed: number,
    readonly things: number,
  ) {
    this.random = new Random(seed);
    this.drawn = new Float64Array(things);
  }

  /** Draws for a run, counted from 0. */
  draw(run: number): void {
    const { drawn, random } = this;
    if (run % 2 === 1) for (let i = 0; i < drawn.length; i++) drawn[i] = 1 - drawn[i]!;
    else for (let i = 0; i < drawn.length; i++) drawn[i] = LEAST + (1 - 2 * LEAST) * random.next();
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
