import type { Place } from "../../hooks";
import type { Telling } from "../bench";
import { alongShank } from "../settle";
import { verb } from "./verb";

/** “Leave the front 8 mm of the shank free”: what was wound or dubbed last ends there. */
function tellLeave({ told, bench, line }: Telling): void {
  const { begin, end } = told.said;
  const last = bench.made.findLast(({ step }) => step.do === "wind" || step.do === "dress");
  const role = bench.component(last?.step.component)?.role;
  const ends = last && (role === "body" || role === "weight" || role === "thorax");
  if (
    !ends ||
    !("to" in last.step) ||
    last.step.to === undefined ||
    (last.step.do === "wind" && isCounted(last.step))
  ) {
    told.kept.push(...told.understood);
    told.understood = [];
    return;
  }
  const { from, to } = last.step;
  const [front, rear] = alongShank(from) <= alongShank(to) ? [from, to] : [to, from];
  const [newFront, newRear]: [Place, Place] = [end ?? front, begin ?? rear];
  if (alongShank(newFront) >= alongShank(newRear)) {
    line.asks.push({
      at: [told.at, told.end],
      sentence: "So much is not left between where it begins and where it ends. Say another end.",
      answers: [],
    });
    return;
  }
  const isForward = front === to;
  last.step = { ...last.step, from: isForward ? newRear : newFront, to: isForward ? newFront : newRear };
  bench.hangs = newFront;
}
/** Touching turns that were counted take what they take. */
const isCounted = (step: { rule: { turns?: number; touching?: boolean } }): boolean =>
  step.rule.turns !== undefined && step.rule.touching === true;

export const leave = verb(
  "leave",
  "(?:leave|keep)(?=\\s+(?:the\\s+)?(?:front|last|rear|back)\\s+[^,.;]{1,40}?\\b(?:bare|free|clear|empty|uncovered|open)\\b)",
  tellLeave,
);
