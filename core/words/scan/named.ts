import { type Here, article } from "./here";
import type { Next } from "../told";
import { plainPart, asPart, partAt } from "./parts";
import { descriptionAt } from "../description";
import { skipBlanks as skip } from "../parse";
import { description } from "./stuff";
import { sameSource, referenceAt } from "./references";

/** A part or a material; “the bead chain eyes” is more than the bead that it begins with. */
export function namedAt(here: Here): Next | undefined {
  const { told, text, at, context } = here;
  const part = plainPart(text, at) ?? asPart(text, at);
  const begin = article(text, at);
  const phrase = descriptionAt(text, begin ? skip(text, begin.end) : at, context.index);
  // “Weight: 6 turns lead wire”: the wire is what it is of.
  const isItsStuff =
    (told.role === "weight" && phrase?.means?.form === "weight wire") ||
    (phrase?.means?.form === "eyes" && /^(?:dumb|bar-?bell|chain)/.test(phrase.text.trim().toLowerCase()));
  if (part && phrase && (phrase.end > part.end || isItsStuff) && told.description === undefined)
    return description(here, false);
  // “a slotted bead, thread olive 70”: the thread is another thing than the bead.
  if (part && told.description && !told.isInherited && told.role === undefined && isThreadAhead(text, part))
    return "another";
  const same = sameSource(text, at) ? referenceAt(told, text, at) : undefined;
  return same ?? partAt(here) ?? description(here, false) ?? referenceAt(told, text, at, here.context.isNamed);
}

const isThreadAhead = (text: string, part: { end: number } & ({ value: string } | { word: string })): boolean =>
  /^(?:thread|silk)$/.test("word" in part ? part.word : part.value) && /^\s+[\p{L}\d]/u.test(text.slice(part.end));
