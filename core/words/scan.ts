import { clausesOf } from "./kinds";
import type { Clause, Kind, Said } from "./said";
import type { StepContext, StepDoubt } from "./types";

/** Words that carry nothing by themselves. */
const filler = /(?:and|then|of|the|with|in|by|wound|wind|as|to|it|change|whip(?:\s+finish)?|knot)\b/iy;
const looseWords =
  /\b(a\s+couple|a\s+few|several|some|plenty|a\s+pinch|a\s+touch|a\s+bit)\b(?:\s+of)?(?:\s+(?:fibres?|herls?|barbs?|strands?|turns?|feathers?|pieces?|wraps?))?/iy;

/** What was found in a text, piece by piece. */
interface Scan {
  said: Said;
  understood: string[];
  doubts: StepDoubt[];
  rest: string[];
}

/** Goes through the text and takes, at each place, the first clause that fits. */
export function scan(text: string, kind: Kind, context: StepContext): Scan {
  const result: Scan = { said: {}, understood: [], doubts: [], rest: [] };
  const fits = clausesOf[kind];
  let at = 0;
  const matchAt = (re: RegExp) => {
    re.lastIndex = at;
    return re.exec(text);
  };
  while (at < text.length) {
    const gap = matchAt(/[\s,;:.]+/y);
    if (gap) {
      at += gap[0].length;
      continue;
    }
    const loose = matchAt(looseWords);
    if (loose) {
      result.doubts.push({ text: loose[0], sentence: looseSentence(loose[1] ?? loose[0], context.numberWords) });
      at += loose[0].length;
      continue;
    }
    const hit = firstHit(fits, matchAt, result.said);
    if (hit) {
      result.understood.push(hit.trim());
      at += hit.length;
      continue;
    }
    const skip = matchAt(filler);
    if (skip) {
      at += skip[0].length;
      continue;
    }
    const word = matchAt(/[^\s,;]+/y)?.[0] ?? text.slice(at, at + 1);
    result.rest.push(word);
    at += word.length;
  }
  return result;
}

function firstHit(
  fits: readonly Clause[],
  matchAt: (re: RegExp) => RegExpExecArray | null,
  said: Said,
): string | undefined {
  for (const c of fits) {
    const m = matchAt(c.pattern);
    if (m && m[0].trim() !== "" && c.set(said, m.slice(1))) return m[0];
  }
  return undefined;
}

function looseSentence(words: string, numberWords: Record<string, number> = {}): string {
  const known = numberWords[words.toLowerCase()] ?? numberWords[words.toLowerCase().replace(/^a\s+/, "")];
  if (/pinch|touch|bit/.test(words))
    return `“${words}” is no size that can be computed. Squeeze it and write its thickness: clump of 1.5 mm.`;
  return `“${words}” is a different number to each tier.${known === undefined ? "" : ` With you it is ${known}.`} Write the number${known === undefined ? "" : `, ${known} for instance`}.`;
}
