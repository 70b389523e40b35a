import { hookDifference } from "../../hooks";
import { readHook, type HookSaid } from "../hook";
import { readWanted } from "../hookWanted";
import { lineOf, type Reading } from "../reading";
import { differenceWords } from "../say/hook";

/** The hook that a line tells becomes the pattern's, with all that is said of it. */
export function keepModel(r: Reading, i: number, said: HookSaid): void {
  const { facts } = r.bench;
  if (said.model) {
    facts.hookModel = said.model.id;
    lineOf(r, i).assumed.push(said.model.name);
  }
  if (said.family) facts.family = said.family;
  facts.hookWanted = { ...readWanted(said.text).wanted, ...facts.hookWanted };
  facts.hookLine ??= i;
}

/** “A simple marabou streamer”: what kind of fly it is tells which hook, where only its sizes are told. */
const kindOfFly = /\b(?:streamer|nymph|pupa|larva|wet|dry|spider)\b/g;
export function hookByKind(r: Reading): void {
  const { facts } = r.bench;
  if (facts.hookModel || !facts.sizes?.from) return;
  const at = facts.hookLine ?? facts.sizesLine;
  // “Wet Dock Streamer”: the last word says what it is.
  const kind = lineOf(r, 0).text.toLowerCase().match(kindOfFly)?.at(-1);
  if (kind === undefined || at === undefined) return;
  const said = readHook(`${kind} ${lineOf(r, at).text.toLowerCase()}`, r.context.hooks);
  if (!said.model) return;
  keepModel(r, at, { ...said, text: lineOf(r, at).text.toLowerCase() });
  lineOf(r, at).notes.push(`${said.model.name} was taken, as the fly is called a ${kind}`);
}

/** Once all lines are read for facts: where the hook taken is otherwise than is said of it, that is told. */
export function noteHook(r: Reading): void {
  const { hookModel, hookWanted, hookLine } = r.bench.facts;
  const model = [...r.context.hooks].find((h) => h.id === hookModel);
  if (!model || !hookWanted || hookLine === undefined) return;
  const difference = hookDifference(hookWanted, model);
  if (difference) lineOf(r, hookLine).notes.push(differenceWords(model.name, difference));
}
