import { assume } from "./assume";
import { build, missingQuantity } from "./build";
import { kindOf } from "./kind";
import { examplesOf } from "./kinds";
import type { Kind } from "./said";
import { scan } from "./scan";
import type { StepContext, StepDoubt, StepReading } from "./types";

/**
 * Read how a step is done, as it is typed: “6 fibres, = half shank, from mid-shank to bend”.
 *
 * @returns the step as far as it was understood, and what was not; `step` is absent while a needed quantity is missing.
 *   Reading what sayStep wrote gives the same step.
 */
export function readStep(text: string, context: StepContext): StepReading {
  const kind = kindOf(text, context.role, context.form);
  const { said, understood, doubts, rest } = scan(text, kind, context);
  const assumed = assume(said, kind, context);
  const missing = missingQuantity(said, kind);
  // A loose word asks for the very number that is missing: that is said already.
  if (missing && doubts.length === 0) doubts.push({ text: "", sentence: missing });
  return {
    step: missing ? undefined : build(text, said, kind, context),
    understood,
    assumed,
    doubts: [...doubts, ...restDoubts(rest, kind)],
    rest,
  };
}

function restDoubts(rest: string[], kind: Kind): StepDoubt[] {
  if (rest.length === 0) return [];
  const words = rest.join(" ");
  const examples = examplesOf(kind, 5).map((e) => `“${e}”`);
  return [{ text: words, sentence: `“${words}” is not understood. Here one can say ${examples.join(", ")}.` }];
}
