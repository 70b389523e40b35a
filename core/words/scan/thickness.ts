import { formSaid } from "../description";
import type { Here } from "./here";
import { formTold, type Next, type Told } from "../told";
import { match, words } from "../parse";
import { lengthReaching } from "../text/length";
import type { MaterialForm } from "../../materials";

export function toRibHere({ told, text, at, to }: Here): Next | undefined {
  const ribs = told.description && toRib(text, at);
  if (!ribs) return undefined;
  Object.assign(told, { role: "rib", part: "rib", isInherited: false });
  return { told, end: Math.min(ribs.end, to) };
}

const timesRead = match("x\\s?(\\d{1,2})(?=\\s*(?:[,.;]|$))");

/** “peacock herl x3”: so many strands, right behind what they are of; turns stand behind what is done. */
export function strandsBehind({ told, text, at }: Here): Next | undefined {
  const { description } = told;
  const form = formSaid(description);
  if (told.kind !== "wind" || form !== "herl" || !/^\s*$/.test(text.slice(description?.end ?? 0, at))) return undefined;
  const found = timesRead(text, at);
  if (!found) return undefined;
  told.said.rope = Number(found.value[0]);
  told.understood.push({ at, end: found.end });
  return { told, end: found.end };
}

/** Nothing that is tied in is so wide, nor so short where it reaches somewhere as well. */
const WIDEST = 8;

/** “Paired slips, 2.5 mm, to the end of the tail”: of two figures the small one is how much it is. */
export function thicknessBefore({ told, text, at }: Here): undefined {
  const { shown, amount, isSlips } = told.said;
  if (told.kind !== "lay" || amount || !shown || !("mm" in shown) || shown.mm > WIDEST) return;
  const form = formTold(told);
  const inSlips = form === "feather fibre" && isSlips ? "quill" : form;
  const is = inSlips === undefined ? undefined : byThickness[inSlips]?.(shown.mm);
  if (!is || !lengthReaching(text, at)) return;
  told.said.amount = is;
  delete told.said.shown;
}

const byThickness: Partial<Record<MaterialForm, (mm: number) => Told["said"]["amount"]>> = {
  hair: (mm) => ({ clump: { mm } }),
  quill: (mm) => ({ slipWidth: { mm } }),
  "feather fibre": (mm) => ({ spanMm: mm }),
};

/** “6 turns of clear mono to rib it”: what a strand in another part's line is for. */
const toRib = words("to\\s+rib(?:\\s+(?:it|over\\s+it|the\\s+\\w+))?");

const thickRead = match("(\\d+(?:[.,]\\d+)?\\s*mm\\s+thick)");

/** “a strip of foam as wide as the gape, 2 mm thick”: so thick is the sheet. */
export function thicknessOf({ told, text, at }: Here): Next | undefined {
  const { description } = told;
  const thick = description && thickRead(text, at);
  if (!thick || formSaid(description) !== "stretch body") return undefined;
  const { exact: _exact, ...plain } = description;
  told.description = {
    ...plain,
    text: `${description.text.trim()} ${thick.value[0] ?? ""}`,
    means: description.means ?? { form: "stretch body" },
  };
  told.understood.push({ at, end: thick.end });
  return { told, end: thick.end };
}
