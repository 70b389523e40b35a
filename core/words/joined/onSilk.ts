import type { MaterialForm } from "../../materials";
import { formTold, type Told } from "../told";

const furs = new Set<MaterialForm | undefined>(["dubbing", "blend"]);
const onIt = /\bon(?:to)?\s+(?:the\s+|an?\s+)?(?:(?:well\s+)?waxed\s+)?$/;

/**
 * “Hare's fur on orange silk”: the silk is what the fur is spun on, and is not wound for itself; the words stay with
 * the step, as they say which silk.
 */
export const withSilkUnder = (all: Told[], text: string): Told[] =>
  all.reduce<Told[]>((told, t) => {
    const before = told.at(-1);
    const isSpunOn =
      before?.description !== undefined &&
      before.kind === "dress" &&
      furs.has(formTold(before)) &&
      t.verb === undefined &&
      formTold(t) === "thread" &&
      (t.said.rule ?? t.said.from ?? t.said.end ?? t.said.there) === undefined &&
      onIt.test(text.slice(before.at, t.description?.at));
    if (!before || !isSpunOn) return [...told, t];
    const silk = { at: t.description?.at ?? t.at, end: t.description?.end ?? t.end };
    return told.with(-1, {
      ...before,
      end: t.end,
      kept: [...before.kept, silk, ...t.kept],
      loose: [...before.loose, ...t.loose],
      rest: [...before.rest, ...t.rest],
    });
  }, []);
