import type { Telling } from "../bench";
import { isStuckOn } from "../described";
import type { Said } from "../said";
import { make, partName, withDeclared } from "./making";
import { objectOf } from "./object";
import { formTold } from "../told";
import { verb } from "./verb";

const wordsOf = ({ told, text }: Telling): string => text.slice(told.at, told.end);
const sticks = /^\W*(?:glue|stick)\b/;
/** “Glue on 8 mm eyes”: what is glued on is no dumbbell. */
function stuckOn({ told, text }: Telling): void {
  const { description } = told;
  if (description && !description.exact && sticks.test(text.slice(told.at, told.end)) && !isStuckOn(description.text))
    told.description = { ...description, text: `stick-on ${description.text.trim()}` };
}

/** A bead slides to the eye; eyes are lashed where they are said. */
export function tellSeat(t: Telling): void {
  // “Eyes: 4 mm, pearl, stick on”: the same ones once more.
  const again = t.bench.made.some(
    (m) => m.line === t.line.number && m.step.do === "seat" && t.bench.component(m.step.component)?.role === "eyes",
  );
  if (again && t.told.role === "eyes" && /^stick[-\s]?ons?$/.test((t.told.description?.text ?? "stick on").trim()))
    return;
  stuckOn(t);
  // “Bead on”: the word for it names the part.
  const isBeadOn = t.told.role === undefined && !t.told.description && /\b(?:bead|cone)\b/.test(wordsOf(t));
  // “Head: 5 mm dumbbell eyes under the shank”
  const isOfHead = t.told.role === "head" && formTold(t.told) === "eyes";
  const part = isBeadOn ? "bead" : isOfHead ? "eyes" : undefined;
  const object = objectOf(part ? { ...t, told: { ...t.told, role: part, part } } : t);
  // “Put the bead on”, where a line before has it on already.
  const isOn = t.bench.made.some((m) => m.step.do === "seat" && m.step.component === object.component?.id);
  if (object.role === "bead" && t.told.description === undefined && isOn) return;
  if (!object.component) {
    const sentence = `Of what ${object.role === "eyes" ? "are the eyes" : "is the bead"} made? Name the material.`;
    t.line.asks.push({ at: [t.told.at, t.told.end], sentence, answers: [] });
    return;
  }
  const said: Said = withDeclared(t, object.component, t.told.said);
  const role = object.role === "eyes" ? "eyes" : "bead";
  // “A bead behind the eye” lies against it.
  if (role === "bead" && said.there && "eyeLengths" in said.there && said.there.eyeLengths <= 0.5) delete said.there;
  const words = t.told.description?.text ?? t.bench.materialOf(object.component)?.name ?? "";
  // A dumbbell, a pair of chain is one piece; of beads there is one for each eye.
  const isBead = object.form === "bead";
  if (role === "eyes" && said.count === undefined && (isStuckOn(words) || isBead)) {
    said.count = 2;
    t.line.assumed.push("2 of them, one on each side");
  }
  const step = make(t, "seat", said, { ...object, role }, { name: partName(t, object, role) });
  if (step?.do === "seat" && step.tieIn) t.bench.hangs = step.tieIn.at;
}

export const seat = verb(
  "seat",
  "(?:glue|stick(?!\\s+on\\s+eyes\\s*[,:]\\s*\\d)|fix)\\s+(?:on\\s+)?(?=(?:(?:the|two|an?|pair|of|small|large)\\s+)*(?:[\\d.]+\\s*mm\\s+)?(?:(?!between|behind|a?round|under|over|at|to)[\\w-]+\\s+){0,3}?eyes\\b)|bead\\s+on(?=\\s*[,.;])|(?:slide|slip|seat|thread(?!\\s+(?:(?:on\\s+)?(?:behind|at|just|and)|collar|head|butt|tag|body|underbody)\\b)|push|put|feed)\\s+(?:on\\s+)?(?=(?:(?:the|a|an)\\s+)?(?:[\\d.]+\\s*mm\\s+)?(?:[\\w.-]+\\s+){0,3}?(?:bead|cone))|(?:mount|lash)(?!\\s+(?:it|them)\\b)(?=\\s+(?:the\\s+|on\\s+the\\s+|in\\s+the\\s+|a\\s+pair\\s+of\\s+)?(?:[\\w-]+\\s+){0,3}(?:eyes|dumb|chain))|tie\\s+(?:in|on)(?=\\s+(?:the\\s+|a\\s+pair\\s+of\\s+)?(?:[\\w-]+\\s+){0,2}(?:dumb-?bell|bead[- ]chain|chain\\s+eyes|weighted\\s+eyes))",
  tellSeat,
);
