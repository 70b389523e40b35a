import type { MaterialForm } from "../../materials";
import type { Bench, MadeStep, Telling } from "../bench";
import type { Said } from "../said";
import { alongShank } from "../settle";
import { formTold } from "../told";
import { tellTieIn } from "./tieIn";
import { verb } from "./verb";

/** “Repeat with 10 cm of chartreuse bucktail”: tied in as what was laid last, but for what is said anew. */
function tellRepeat(t: Telling): void {
  const { told, bench, line } = t;
  const form = formTold(told);
  const last = repeated(bench, form);
  const component = bench.component(last?.component);
  if (last?.do !== "lay" || !component) {
    line.asks.push({
      at: [told.at, told.end],
      sentence: "What is repeated? Nothing that lies on the hook is tied in yet; tie it in first.",
      answers: [],
    });
    return;
  }
  const { amount, shown, attitude, round } = last;
  // The thread has moved on since, or hangs where the first was tied in.
  const at = told.said.tieIn?.at ?? told.said.there ?? bench.hangs;
  const isLike = form === undefined || form === bench.formOf(component);
  const as: Said = {
    // As many strands of flash are no bunch of hair.
    ...(isLike && { amount }),
    ...(shown && { shown }),
    ...(attitude && { attitude }),
    ...(round && { round }),
    ...(at && { tieIn: { at } }),
  };
  const isAhead = component.role === "tail" && at !== undefined && alongShank(at) < REAR;
  const role = isAhead ? "wing" : component.role;
  const exact = told.description ? undefined : bench.materialOf(component);
  tellTieIn({
    ...t,
    told: {
      ...told,
      role,
      part: role,
      verb: "tie in",
      said: { ...as, ...told.said },
      ...(exact && { description: { at: told.at, end: told.at, text: exact.name, exact } }),
    },
  });
}

/** What was laid last of such stuff; of stuff that is new, whatever stands there but for the flash beside it. */
function repeated(bench: Bench, form: MaterialForm | undefined): MadeStep["step"] | undefined {
  const laid = bench.made.filter((m) => m.step.do === "lay" && bench.component(m.step.component) !== undefined);
  const formOf = (m: MadeStep): MaterialForm | undefined => bench.formOf(bench.component(m.step.component));
  return (laid.findLast((m) => formOf(m) === form) ?? laid.findLast((m) => formOf(m) !== "flash"))?.step;
}

/** What is tied in ahead of that is no tail. */
const REAR = 0.85;

export const repeat = verb(
  "repeat",
  "(?:and\\s+)?(?:repeat(?:\\s+(?:it|this|that|the\\s+(?:process|step|same)))?|do\\s+the\\s+same(?:\\s+again)?|(?:the\\s+)?same\\s+again)\\s+(?:but\\s+)?with(?=\\s)|(?:the\\s+)?same\\s+again\\s+(?:but\\s+)?in(?=\\s+[a-z])",
  tellRepeat,
);
