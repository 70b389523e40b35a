import type { MaterialForm } from "../../materials";
import type { Bench, Telling, Waiting } from "../bench";
import type { Said } from "../said";
import { formTold, type Told } from "../told";
import { make } from "./making";

const asTag =
  /\b(?:as|for|to\s+(?:make|form)|mak(?:e|es|ing)|form(?:s|ing)?|giv(?:e|es|ing)|build(?:ing)?)\s+(?:an?\s+|the\s+|your\s+)?(?:small\s+|short\s+|little\s+|neat\s+)*(?:tag|tip)\b/;
const tagForms = new Set<MaterialForm>(["tinsel", "wire", "floss", "flash"]);

const nameOf = (w: Waiting, bench: Bench): string[] =>
  (bench.materialOf(bench.component(w.component))?.name ?? "").toLowerCase().split(/[^a-z]+/);
const strandsThatWait = (bench: Bench): Waiting[] =>
  bench.waiting.filter((w) => !w.used && !w.hangs && tagForms.has(w.form));

/** The strand that waits, where a line winds so many turns of it for a tag. */
function strandOf({ told, text, bench }: Telling): Waiting | undefined {
  if (told.said.rule?.turns === undefined || !asTag.test(text.slice(told.at, told.end))) return undefined;
  const waiting = strandsThatWait(bench);
  if (!told.description) return waiting.at(-1);
  const called = told.description.text.trim().toLowerCase();
  const own = waiting.filter((w) => w.form === formTold(told));
  // “Of the flat”, where oval waits beside it.
  return own.findLast((w) => called.split(/\s+/).every((word) => nameOf(w, bench).includes(word))) ?? onlyOne(own);
}
const onlyOne = <T>(all: readonly T[]): T | undefined => (all.length === 1 ? all[0] : undefined);

/**
 * Whether a later clause winds the strand on: by a word of its name, or as the rib, where no other could be meant.
 *
 * @param name what the strand is called, in words
 */
function isWoundOn(name: readonly string[], form: MaterialForm | undefined, later: readonly Told[], isAlone: boolean) {
  return later.some((t) => {
    if (t.kind !== "wind" || t.role === "tag") return false;
    if (!t.description) return t.role === "rib" && isAlone;
    return formTold(t) === form && words(t.description.text).every((word) => name.includes(word));
  });
}
const words = (text: string): string[] =>
  text
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((w) => w !== "");

/** Whether what is tied in now is for a tag alone: a later clause winds one of it, and none winds it on. */
export function isForTag(name: string, form: MaterialForm | undefined, bench: Bench): boolean {
  if (form === undefined || !tagForms.has(form)) return false;
  const later = bench.toldLater();
  const own = words(name);
  const isOfIt = (t: Told): boolean =>
    t.description === undefined || (formTold(t) === form && words(t.description.text).every((w) => own.includes(w)));
  const at = later.findIndex(
    (t) => t.kind === "wind" && t.role === "tag" && t.said.rule?.turns !== undefined && isOfIt(t),
  );
  if (at < 0) return false;
  const isTiedIn = (t: Told): boolean => t.kind === "lay" && tagForms.has(formTold(t) ?? "hook");
  return !isWoundOn(own, form, later.slice(at + 1), strandsThatWait(bench).length === 0 && !later.some(isTiedIn));
}

/**
 * “Tie in flat gold and wind three turns as a tag”: behind all else; the strand goes on as the rib where a later line
 * winds it.
 */
export function windsTag(t: Telling): boolean {
  const { told, bench } = t;
  const waiting = strandOf(t);
  const component = bench.component(waiting?.component);
  if (!waiting || !component) return false;
  const isAlone = strandsThatWait(bench).length === 1;
  const goesOn = isWoundOn(nameOf(waiting, bench), waiting.form, bench.toldLater(), isAlone);
  waiting.used = !goesOn;
  const { there } = told.said;
  const said: Said = { ...(!goesOn && waiting.said), rule: { turns: told.said.rule?.turns }, ...(there && { there }) };
  make(t, "wind", said, { component, role: "tag", form: waiting.form }, { name: "tag", tiedIn: waiting });
  return true;
}
