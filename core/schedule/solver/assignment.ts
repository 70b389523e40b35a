/**
 * The least that it costs to give n jobs n places, one each.
 *
 * @param n how many; 0 costs nothing
 * @param cost of job i at place k, finite
 * @returns the sum over the best assignment
 *
 * Source: H. W. Kuhn, Naval Research Logistics Quarterly 2 (1955), in the form with potentials and shortest augmenting
 * paths (J. Edmonds and R. M. Karp, Journal of the ACM 19, 1972): n³ steps.
 */
export function assignmentCost(n: number, cost: (i: number, k: number) => number): number {
  const costs = Float64Array.from({ length: n * n }, (_, x) => cost(Math.floor(x / n), x % n));
  const ofJob = new Float64Array(n + 1);
  const ofPlace = new Float64Array(n + 1);
  /** Which job has each place; places and jobs count from 1 here, 0 is nobody. */
  const holder = new Int32Array(n + 1);
  const way = new Int32Array(n + 1);
  for (let i = 1; i <= n; i++) {
    holder[0] = i;
    let place = 0;
    const least = new Float64Array(n + 1).fill(Infinity);
    const isSeen = new Uint8Array(n + 1);
    do {
      isSeen[place] = 1;
      const job = holder[place]!;
      let step = Infinity;
      let next = 0;
      for (let k = 1; k <= n; k++) {
        if (isSeen[k]) continue;
        const more = costs[(job - 1) * n + k - 1]! - ofJob[job]! - ofPlace[k]!;
        if (more < least[k]!) {
          least[k] = more;
          way[k] = place;
        }
        if (least[k]! < step) {
          step = least[k]!;
          next = k;
        }
      }
      for (let k = 0; k <= n; k++)
        if (isSeen[k]) {
          ofJob[holder[k]!]! += step;
          ofPlace[k]! -= step;
        } else least[k]! -= step;
      place = next;
    } while (holder[place] !== 0);
    do {
      const before = way[place]!;
      holder[place] = holder[before]!;
      place = before;
    } while (place !== 0);
  }
  let sum = 0;
  for (let k = 1; k <= n; k++) sum += costs[(holder[k]! - 1) * n + k - 1]!;
  return sum;
}
