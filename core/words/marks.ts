import { formSaid } from "./description";
import type { Ask } from "./bench";
import { numberOfLoose, looseSentence } from "./read";
import type { RecipeContext, RecipeLine } from "./reading";
import { isThickness } from "./said";
import type { Span, Told } from "./told";

type NumberWords = RecipeContext["numberWords"];

/** Marks what became of the words of a clause, and asks about what was not understood. */
export function mark(line: RecipeLine, t: Told, numberWords: NumberWords): void {
  for (const s of t.understood) line.marks.push({ at: [s.at, s.end], kind: "known" });
  for (const s of t.kept) line.marks.push({ at: [s.at, s.end], kind: "aside" });
  for (const s of t.loose) {
    if (isOfTrace(t)) {
      line.marks.push({ at: [s.at, s.end], kind: "aside" });
      continue;
    }
    if (isOfKnownThickness(t, s.words)) {
      line.marks.push({ at: [s.at, s.end], kind: "known" });
      continue;
    }
    line.marks.push({ at: [s.at, s.end], kind: "doubt" });
    line.asks.push(askLoose(line.text, s, t, numberWords));
  }
  for (const s of asStretches(t, line.text)) {
    // “long, 1 1/2 times the shank”: how long is told.
    if (isOfLength.test(line.text.slice(s.at, s.end)) && t.said.shown !== undefined) {
      line.marks.push({ at: [s.at, s.end], kind: "known" });
      continue;
    }
    line.marks.push({ at: [s.at, s.end], kind: "doubt" });
    const words = line.text.slice(s.at, s.end);
    if (t.kind === "lay" && isOfLength.test(words)) {
      line.asks.push({
        at: [s.at, s.end],
        sentence: `“${words}” is another length to each tier. Say how long: “half the shank”.`,
        answers: ["half the gape", "the gape length", "half the shank", "the shank length"].map((length) => ({
          label: length,
          text: length,
        })),
      });
      continue;
    }
    line.asks.push({
      at: [s.at, s.end],
      sentence: `“${words}” is not understood. Say it in other words, or keep it as an instruction for the bench.`,
      answers: [{ label: "Keep it as an instruction", text: `[${words}]` }],
    });
  }
}

const isOfLength = /^(?:(?:quite|fairly|rather|very)\s+)?(?:short|long)$/i;

function askLoose(text: string, s: Told["loose"][number], t: Told, numberWords: NumberWords): Ask {
  const known = numberOfLoose(s.words, numberWords);
  const typed = text.slice(s.at, s.end);
  const isClump = /pinch|wisp|tuft|bunch|clump|bundle|stack|amount|sprig/.test(s.words) && s.noun === "";
  const answers =
    isClump && t.kind === "lay"
      ? ["1 mm", "1.5 mm", "2 mm"].map((mm) => ({ label: `${mm} thick when squeezed`, text: `${typed} (${mm})` }))
      : isClump || (t.kind !== "lay" && t.kind !== "wind" && t.kind !== "whip")
        ? // Of dubbing and glue nothing is counted.
          [{ label: "Keep it as an instruction", text: `[${typed}]` }]
        : [...new Set([known, ...(t.kind === "wind" ? [2, 3, 4] : [4, 6, 8])])].flatMap((n) =>
            n === undefined
              ? []
              : [{ label: `${n}${n === known ? ", as usual with you" : ""}`, text: `${typed} (${n})` }],
          );
  return { at: [s.at, s.end], sentence: looseSentence(s, numberWords), answers };
}

/** Words that are not understood, as stretches: those between which only small words stand are asked about at once. */
function asStretches(t: Told, text: string): Span[] {
  const out: Span[] = [];
  for (const s of [...t.rest].sort((a, b) => a.at - b.at)) {
    const last = out[out.length - 1];
    const isOne =
      last &&
      !/[,;:.()[\]]/.test(text.slice(last.end, s.at)) &&
      ![...t.understood, ...t.loose].some((u) => u.at < s.at && u.end > last.end);
    if (isOne) last.end = s.end;
    else out.push({ ...s });
  }
  return out;
}

/** “A clump of white bucktail, 2 mm”: the word needs no figure beside the one that is there. */
const isOfKnownThickness = ({ kind, said, description }: Told, words: string): boolean => {
  const form = formSaid(description);
  const isThick =
    (said.amount && "clump" in said.amount) ??
    (form === "hair" && (said.thick !== undefined || isThickness(said.shown)));
  return kind === "lay" && isThick && /clump|bunch|bundle|tuft|wisp|pinch/.test(words);
};

/** What is touched on is never weighed: a pinch of it says enough. */
const isOfTrace = ({ kind, said }: Told): boolean =>
  kind === "dress" && (said.trace === true || said.methods?.["dubbing way"] === "touched");
