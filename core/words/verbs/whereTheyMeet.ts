import { isSame } from "../../numeric";
import type { RecipeStep } from "../../recipe";
import type { Telling } from "../bench";

/** What says that the one lies on the other: then both cover all of it. */
const saysOver =
  /\b(?:over|under(?:neath|body|lay)?|beneath|below|on\s+top|cover(?:ed|ing)?|layers?|coats?|bed|base|veil(?:ed|ing)?|through|between|mixed|twisted|together|same|dubbed|touched)\b/;

const liesOver = /\bover\s+(?:it|that|them)\b/;

/**
 * “Body: three turns of orange fur, the rest black”, “yellow floss, then black chenille”: two stuffs of one body, each
 * over all of it, and not where the one ends and the other begins. It is asked; thread alone lies beneath whatever
 * comes.
 */
export function askWhereTheyMeet({ bench, line, told, text }: Telling, step: RecipeStep): void {
  const component = bench.component(step.component);
  if (component?.role !== "body" || (step.do !== "dress" && step.do !== "wind")) return;
  const before = bench.made.findLast((m) => m.line === line.number && m.step.id !== step.id)?.step;
  if ((before?.do !== "dress" && before?.do !== "wind") || before.component === step.component) return;
  const other = bench.component(before.component);
  if (other?.role !== "body" || bench.formOf(other) === "thread" || bench.formOf(component) === "thread") return;
  const [was, is] = [before, step].map(({ from, to }) => [from, to ?? from] as const);
  // Wound forward or back, it is the same stretch.
  if (!isSame(was, is) && !isSame(was?.toReversed(), is)) return;
  const isWound = before.do === "wind" || step.do === "wind";
  if ((isWound && saysOver.test(text)) || liesOver.test(text.slice(told.at, told.end))) return;
  line.asks.push({
    at: [told.at, told.end],
    sentence:
      "Where does the one end and the other begin? Say it as a share: “rear third orange seal, rest black seal”.",
    answers: [],
  });
}
