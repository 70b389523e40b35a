import type { Material } from "../materials";
import { roles } from "../recipe";
import { clausesOf, examplesOf } from "./clauses";
import type { Kind } from "./said";

/** What may be meant by what is being typed. */
export interface RecipeOffer {
  label: string;
  note: string;
  text: string;
}

/** How a line may begin. */
const beginnings = [
  "tie in the ",
  "wind the ",
  "dub the ",
  "pull over the ",
  "whip finish, 5 turns",
  "Finish: ",
  "Hook: ",
  "Thread: ",
];
const places = [
  "at the bend",
  "behind the bead",
  "behind the eye",
  "from the bend to mid-shank",
  "to the eye",
  "in front of the body",
];
const MOST = 30;
const LEAST_LETTERS = 2;

const startsWord = (name: string, words: string[]): boolean => {
  const have = name.toLowerCase().split(/[^\p{L}\p{N}.]+/u);
  return words.every((w) => have.some((h) => h.startsWith(w)));
};

/**
 * What may stand at a place of a recipe: how a line begins, materials by any of their words, places, and what can be
 * said
 * of the kind of step.
 *
 * @param at where the cursor stands in the text
 * @param kinds kinds of the steps that the line makes as it stands
 * @returns where the words that are replaced begin, and the offers
 */
export function recipeOffers(
  text: string,
  at: number,
  materials: Iterable<Material>,
  kinds: readonly Kind[],
): { from: number; offers: RecipeOffer[] } | undefined {
  const begin = text.lastIndexOf("\n", at - 1) + 1;
  const line = text.slice(begin, at);
  const chunk = /[^,;:.]*$/.exec(line)?.[0] ?? "";
  const typed = chunk.replace(/^\s+/, "");
  const from = at - typed.length;
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const last = words[words.length - 1] ?? "";
  if (last.length < LEAST_LETTERS) return undefined;
  const offers: RecipeOffer[] = [];
  const isFirst = typed.length === line.replace(/^\s+/, "").length;
  if (isFirst) {
    for (const b of beginnings)
      if (b.toLowerCase().startsWith(typed.toLowerCase())) offers.push({ label: b.trim(), note: "", text: b });
    for (const r of roles)
      if (r !== "hook" && r.startsWith(typed.toLowerCase()))
        offers.push({ label: `${r}:`, note: "a part", text: `${r}: ` });
  }
  for (const p of places) if (p.startsWith(typed.toLowerCase())) offers.push({ label: p, note: "a place", text: p });
  for (const k of kinds)
    for (const e of examplesOf(k, clausesOf[k].length))
      if (e.startsWith(typed.toLowerCase())) offers.push({ label: e, note: "how", text: e });
  const named = words.slice(-3);
  const wordsAt = at - (/\S+(?:\s+\S+){0,2}\s*$/.exec(typed)?.[0].length ?? typed.length);
  const found: RecipeOffer[] = [];
  for (const m of materials) {
    if (m.form === "hook" || !startsWord(m.name, named)) continue;
    found.push({ label: m.name, note: m.form, text: m.name });
    if (found.length >= MOST) break;
  }
  if (found.length > 0 && offers.length === 0) return { from: wordsAt, offers: found };
  return offers.length + found.length === 0 ? undefined : { from, offers: [...offers, ...found].slice(0, MOST) };
}
