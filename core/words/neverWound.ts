import type { Role } from "../recipe";
import type { Reading } from "./reading";
import { isOwnWords } from "./unheld";

/** Parts that stand off the shank or lie over it: they are tied in, and not wound. */
const laid = new Set<Role>(["tail", "wing", "underwing", "topping", "cheeks", "eyes", "flash"]);
const saysWound = /\b(?:wound|wind|winds|winding|wrap\w*|palmer\w*)\b/i;

/** A tail or a wing of which nothing is tied in, only wound, where no word says so: it is asked about. */
export function askWoundThatLies({ bench, out }: Pick<Reading, "bench" | "out">): void {
  const tiedIn = new Set(bench.made.flatMap(({ step }) => (step.do === "lay" ? (step.component ?? []) : [])));
  for (const line of out) {
    if (line.kind !== "steps" || line.asks.length > 0 || isOwnWords(line) || saysWound.test(line.text)) continue;
    for (const { step } of bench.made) {
      if (step.do !== "wind" || !line.steps.includes(step.id) || tiedIn.has(step.component ?? "")) continue;
      const role = bench.component(step.component)?.role;
      if (role === undefined || !laid.has(role)) continue;
      const at: [number, number] = [line.text.search(/\S/), line.text.trimEnd().length];
      line.asks.push({
        at,
        sentence: `Is the ${role} wound? Say “wound” if it is; if not, how much of it is tied in, as “10 fibres” or “2 strands”.`,
        answers: [],
      });
      line.marks.push({ at, kind: "doubt" });
      break;
    }
  }
}
