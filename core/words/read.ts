import { build, missingQuantity } from "./build";
import { examplesOf } from "./clauses";
import type { Kind, Said } from "./said";
import { CabinetIndex } from "./cabinet";
import { plain } from "./parse";
import { kindOf } from "./clauses";
import { scan } from "./scan";
import type { ScanContext } from "./told";
import { finishSaid } from "./finish";
import { settle } from "./settle";
import { settleStart } from "./started";
import type { Told } from "./told";
import type { StepContext, StepDoubt, StepReading } from "./types";

const emptyIndex = new CabinetIndex([]);

/**
 * Read how a step is done, as it is typed: “6 fibres, = half the shank, from mid-shank to the bend”.
 *
 * @returns the step as far as it was understood, and what was not; `step` is absent while a needed quantity is missing.
 *   Reading what sayStep wrote gives the same step.
 */
export function readStep(text: string, context: StepContext): StepReading {
  const kind = kindOf(text, context.role, context.form);
  const merged = together(text, kind, context);
  settleStart(merged.said);
  finishSaid(merged.said, kind, context);
  const assumed = settle(merged.said, kind, context);
  const { from, to } = merged.said;
  if (kind === "lay" && context.was?.tiedIn !== undefined && from && to)
    Object.assign(merged.said, { from: to, to: from });
  const missing = missingQuantity(merged.said, kind);
  const { doubts } = merged;
  // A loose word asks for the very number that is missing: that is said already.
  if (missing && doubts.length === 0) doubts.push({ text: "", sentence: missing });
  return {
    step: missing ? undefined : build(text, merged.said, kind, context),
    understood: merged.understood,
    assumed,
    doubts: [...doubts, ...restDoubts(merged.rest, kind)],
    rest: merged.rest,
  };
}

/** All that a text says of one step, with the kind given. */
function together(text: string, kind: Kind, context: StepContext) {
  const clean = plain(text);
  const asked: ScanContext = { index: emptyIndex, formOf: () => context.form, waits: () => false };
  const told = scan(clean, 0, clean.length, { role: context.role }, asked, kind);
  const said: Said = Object.assign({}, ...told.map((t) => t.said)) as Said;
  const words = (list: { at: number; end: number }[]) => list.map((s) => text.slice(s.at, s.end).trim());
  return {
    said,
    understood: told.flatMap((t) => words(t.understood)),
    rest: told.flatMap((t) => words(t.rest)),
    doubts: told.flatMap((t) =>
      t.loose.map((l): StepDoubt => ({
        text: text.slice(l.at, l.end),
        sentence: looseSentence(l, context.numberWords),
      })),
    ),
  };
}

export function looseSentence(
  loose: Pick<Told["loose"][number], "words">,
  numberWords: Record<string, number> = {},
): string {
  const words = loose.words.trim();
  const known = numberOfLoose(words, numberWords);
  if (/pinch|touch|bit|wisp|tuft|bunch|clump|bundle|stack|amount|sprig/.test(words))
    return `“${words}” is no size that can be computed. Squeeze it and write its thickness: clump of 1.5 mm.`;
  return `“${words}” is a different number to each tier.${known === undefined ? "" : ` With you it is ${known}.`} Write the number${known === undefined ? "" : `, ${known} for instance`}.`;
}
export const numberOfLoose = (words: string, numberWords: Record<string, number> = {}): number | undefined =>
  numberWords[words] ?? numberWords[words.replace(/^an?\s+/, "")];

function restDoubts(rest: string[], kind: Kind): StepDoubt[] {
  if (rest.length === 0) return [];
  const words = rest.join(" ");
  return [{ text: words, sentence: notUnderstood(words, kind) }];
}
function notUnderstood(words: string, kind: Kind): string {
  const examples = examplesOf(kind, 5).map((e) => `“${e}”`);
  return `“${words}” is not understood. Here one can say ${examples.join(", ")}.`;
}
