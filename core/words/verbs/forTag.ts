import type { MaterialForm } from "../../materials";
import type { Bench, Waiting } from "../bench";
import type { Description } from "../description";
import { lettersOf } from "../letters";
import { formTold, type Told } from "../told";

/** Strands of which a tag is wound. */
export const tagForms = new Set<MaterialForm>(["tinsel", "wire", "floss", "flash"]);

/** What a strand is called, in words. */
export const nameOf = (w: Waiting, bench: Bench): string[] =>
  lettersOf(bench.materialOf(bench.component(w.component))?.name ?? "");
/** Strands that are tied in and not wound yet. */
export const strandsThatWait = (bench: Bench): Waiting[] =>
  bench.waiting.filter((w) => !w.used && !w.hangs && tagForms.has(w.form));

/**
 * Whether a later clause winds the strand on: by a word of its name, or as the rib, where no other could be meant.
 *
 * @param name what the strand is called, in words
 */
export function isWoundOn(
  name: readonly string[],
  form: MaterialForm | undefined,
  later: readonly Told[],
  isAlone: boolean,
) {
  // “… for a tag. Tie in oval silver … wind the tinsel”: another of its kind is nearer.
  const another = later.findIndex(
    (t) => t.kind === "lay" && t.description !== undefined && formTold(t) === form && !isCalled(t.description, name),
  );
  const isNearer = (t: Told, n: number): boolean =>
    another >= 0 && n > another && t.description !== undefined && !t.description.text.trim().includes(" ");
  return later.some((t, n) => {
    if (t.kind !== "wind" || t.role === "tag" || isNearer(t, n)) return false;
    if (!t.description) return t.role === "rib" && isAlone;
    return formTold(t) === form && isCalled(t.description, name);
  });
}
const isCalled = ({ text }: Description, name: readonly string[]): boolean =>
  lettersOf(text).every((word) => name.includes(word));
/** Whether what is tied in now is for a tag alone: a later clause winds one of it, and none winds it on. */
export function isForTag(name: string, form: MaterialForm | undefined, bench: Bench): boolean {
  if (form === undefined || !tagForms.has(form)) return false;
  const later = bench.toldLater();
  const own = lettersOf(name);
  const isOfIt = (t: Told): boolean =>
    t.description === undefined ||
    (formTold(t) === form && lettersOf(t.description.text).every((w) => own.includes(w)));
  const at = later.findIndex(
    (t) => t.kind === "wind" && t.role === "tag" && t.said.rule?.turns !== undefined && isOfIt(t),
  );
  if (at < 0) return false;
  const isTiedIn = (t: Told): boolean => t.kind === "lay" && tagForms.has(formTold(t) ?? "hook");
  return !isWoundOn(own, form, later.slice(at + 1), strandsThatWait(bench).length === 0 && !later.some(isTiedIn));
}
