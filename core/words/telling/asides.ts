import type { LineHead } from "../head";

/** “Eyes: painted, yellow with a black pupil”. */
const arePainted =
  /^\s*(?:[a-z]+\s*,?\s+)?paint(?:ed)?(?=\s*(?:[,.;]|$|\b(?:on|in|white|yellow|black|red|orange|with)\b))/;
const paintedEyes = /^\s*painted\s+eyes?\b/;
const otherEyes = /\d|\bor\b|stick|resin|epoxy|varnish|lacquer/;
/** “Waist: bare thread, one millimetre”: what is not there is kept as it is said. */
const leftBare =
  /^\s*(?:waist|neck|gap)\s*[:=-]\s*(?:(?:just|only|a\s+bit\s+of)\s+)?(?:bare|left|thread|of\s+thread|none|nothing)\b(?!.*(?:[;]|\bturns?\b))/;

const isEnd =
  /^\s*(?:(?:and\s+)?(?:finish(?:ed)?|done|that(?:'s|\s+is)\s+(?:it|all)|the\s+end|ready|nothing\s+(?:else|more)))\s*[.!]*\s*$/;

/** What is noted of a line that is kept as an instruction and takes no material; undefined of all others. */
export function asideOf(text: string, head: LineHead): string | undefined {
  const own = text.slice(head.begin);
  const isOfEyes = (head.role === "eyes" && arePainted.test(own)) || paintedEyes.test(text);
  if (isOfEyes && !otherEyes.test(own)) return "painted on the head: kept as an instruction, nothing is taken for it";
  if (isEnd.test(text)) return "the end: nothing is said of how it is finished";
  return leftBare.test(text) ? "left bare: nothing is taken for it" : undefined;
}
