import type { Telling, Waiting } from "../bench";
import type { MaterialForm } from "../../materials";
import type { Said } from "../said";

const strands = new Set<MaterialForm>(["wire", "tinsel", "floss", "yarn", "chenille", "herl"]);
const both =
  /\b(?:both(?!\s+(?:ends?|sides?|ways|halves|directions)\b)(?:\s+(?:of\s+)?(?:the|these|them))?|the\s+two|all\s+(?:three|the|of\s+them)|the\s+three)(?:\s+(?:wires|strands|tinsels|flosses|colours|yarns|herls|ribs|of\s+them))?\b/u;
const nounAlone = /^(?:(?:the|both|two)\s+)*(?:wires|strands|tinsels|flosses|yarns|herls|ribs|colours)$/u;
const sideBySide =
  /\b(?:side\s+by\s+side|together|next\s+to\s+each\s+other|as\s+(?:a|one)\s+(?:band|ribbon|pair)|at\s+once)\b/u;

/**
 * “Wind both wires forward side by side, in touching turns”: all strands that wait, each with room for the others
 * between its turns.
 *
 * @returns what is wound, with what is said of each; nothing where fewer than two strands wait
 */
export function bothStrands({ told, text, bench }: Telling): { waiting: Waiting; said: Said }[] {
  const words = text.slice(told.at, told.end);
  const isOfAll = both.test(words) || (told.refers === "it" && /\bthem\b/.test(words) && sideBySide.test(words));
  const isOfOther = told.description !== undefined && !nounAlone.test(told.description.text.trim().toLowerCase());
  if (!isOfAll || isOfOther) return [];
  const all = bench.waiting.filter((w) => !w.used && !w.hangs && strands.has(w.form));
  if (all.length < 2) return [];
  const widths = all.map((w) => bench.materialOf(bench.component(w.component))?.strand?.width ?? 0);
  const pitch = Number(widths.reduce((sum, w) => sum + w, 0).toFixed(3));
  const { rule } = told.said;
  // Touching as one band: from one turn of a strand to its next there is room for the others.
  const isBand = rule?.turns === undefined && (rule?.touching === true || sideBySide.test(words)) && pitch > 0;
  return all.map((waiting) => ({ waiting, said: { ...told.said, ...(isBand && { rule: { pitch } }) } }));
}
