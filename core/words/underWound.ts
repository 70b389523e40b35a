import { isOwnWords } from "./unheld";
import type { Reading } from "./reading";

const under = /(?<!\p{L})under(?:neath)?\s+(?:it|them|the\s+(?:hackles?|palmer))(?!\p{L})/iu;
const grounds: ReadonlySet<string | undefined> = new Set(["body", "thorax"]);

/**
 * “Thorax: olive fur under the hackle”, behind the line of the hackle: a list tells its parts in any order, and what
 * lies under a hackle is there before that is wound.
 */
export function tieUnderWound({ bench, out, plain, heads }: Pick<Reading, "bench" | "out" | "plain" | "heads">): void {
  out.forEach((line, i) => {
    if (!grounds.has(heads[i]?.role) || !under.test(plain[i] ?? "") || isOwnWords(line)) return;
    const own = bench.made.filter((m) => line.steps.includes(m.step.id));
    const others = bench.made.filter((m) => !own.includes(m));
    const isHackle = ({ step, line: from }: (typeof own)[number]): boolean =>
      step.do === "wind" && from < i && bench.formOf(bench.component(step.component)) === "hackle";
    const at = others.findIndex(isHackle);
    if (own.length === 0 || at < 0) return;
    bench.made.splice(0, bench.made.length, ...others.slice(0, at), ...own, ...others.slice(at));
    line.notes.push("tied before the hackle is wound");
  });
}
