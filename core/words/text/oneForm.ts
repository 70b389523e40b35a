/** A figure in centimetres as one in millimetres: “1.5 cm” is 15 mm. */
function inMillimetres(all: string, whole: string, part = "", blank = ""): string {
  const mm = Number((Number(`${whole}.${part || "0"}`) * 10).toFixed(3));
  // “6cm” has no room for it.
  const fits = [`${mm}${blank}mm`, `${mm}mm`].find((written) => written.length <= all.length);
  return fits?.padEnd(all.length) ?? all;
}

const DONE =
  "tie|wind|wrap|dub|rib|palmer|pull|bind|trim|form|make|cut|take|bring|fold|whip|add|put|spin|twist|catch|lay|run|start|attach|secure|select|measure|stack|strip|brush|pick|coat|varnish|glue|slide|build|cover|lash|stroke";
interface Form {
  /** Without one of these a line is not looked at: most lines have none. */
  has: readonly string[];
  written: RegExp;
  as: (all: string, ...groups: string[]) => string;
}
/** What is written in several ways, each as one of them that is no longer. */
const forms: readonly Form[] = [
  // American spelling is as long.
  { has: ["fiber"], written: /\bfiber(?=s?\b)/gu, as: () => "fibre" },
  { has: ["gray"], written: /\bgray\b/gu, as: () => "grey" },
  { has: ["center"], written: /\bcenter(?=s?\b|ed\b)/gu, as: () => "centre" },
  // “• Tail: …”, “* tail”: what only shows that a list goes on.
  {
    has: ["-", "*", "•", "▪", "‣", "●", "◦", "·"],
    written: /^\s*[-*•▪‣●◦·]\s+(?=\S)/u,
    as: (all) => " ".repeat(all.length),
  },
  // A stop at the end of a line says nothing.
  { has: ["."], written: /\.(?=\s*$)(?<=[\p{L}\d)"%]\.)/u, as: () => " " },
  { has: ["\t", "\u00a0", "\u2009", "\u202f", "\u2003"], written: /[\t\u00a0\u2000-\u200a\u202f]/gu, as: () => " " },
  {
    has: ["cm", "centimet"],
    written: /(?<![\d.,/])(\d+)(?:[.,](\d{1,2}))?(\s*)(?:cms?|centimet(?:re|er)s?)(?![\p{L}\p{N}])/gu,
    as: (all, whole = "", part, blank) => inMillimetres(all, whole, part, blank),
  },
  {
    has: ["millimet", "mms"],
    written: /(?<=\d\s*)(?:millimet(?:re|er)s?|mms)(?![\p{L}\p{N}])/gu,
    as: (all) => "mm".padEnd(all.length),
  },
  { has: ["inch"], written: /(?<=\d)\s*inch(?:es)?\b/gu, as: (all) => '"'.padEnd(all.length) },
  // “Next, tie in …”: a line follows the one before it all the same.
  {
    has: ["next", "now", "then", "first", "after that", "finally", "lastly"],
    written: new RegExp(
      `^(\\s*)(?:next|now|then|first(?:ly)?|after\\s+that|finally|lastly)(?:\\s*,\\s*|\\s+)(?=(?:${DONE})\\s)`,
      "u",
    ),
    as: (all) => " ".repeat(all.length),
  },
  // “Next comes the rib: …”, “Then the body: …”
  {
    has: ["next", "then", "first"],
    written:
      /^(\s*)(?:next|then|now|first)\s*,?\s+(?:(?:comes?|goes|is|are|up\s+is|we\s+have|i\s+have|for)\s+)?(?=the\s+(?:[a-z]+\s+){0,2}[a-z]+\s*(?:[:,=]|\s-\s))/gu,
    as: (all) => " ".repeat(all.length),
  },
  {
    has: ["hook"],
    written: /\bmid(?:dle)?[\s-]+hook[\s-]+shank\b/gu,
    as: (all) => "mid-shank".padEnd(all.length),
  },
  // “Just longer than the bend”: a mark of the hook has no length.
  {
    has: ["longer than the"],
    written: /\blonger\s+than\s+the(?=\s+(?:hook\s+)?(?:bend|point|barb)\b)/gu,
    as: (all) => "past the".padEnd(all.length),
  },
  { has: ["wing-"], written: /\bwing-(?=case|pad|post|cover)/gu, as: () => "wing " },
  // “Hackled with two turns of hen”: the part, and what it is of.
  {
    has: ["ed with"],
    written: /(?<=^\s*|[,.;]\s+(?:and\s+)?)(hackle|wing|tail)e?d\s+with(?=\s)/gu,
    as: (all, part = "") => `${part} of`.padEnd(all.length),
  },
  // “wire = 10 turns of …”
  { has: [" ="], written: /^(\s*(?:[\p{L}'-]+\s+){0,3}[\p{L}'-]+)\s=(?=\s)/u, as: (_, ahead = "") => `${ahead}: ` },
];

/** A line in small letters with units, bullets and blanks in one form each, of the same length. */
export const inOneForm = (line: string): string =>
  forms.reduce(
    (text, { has, written, as }) => (has.some((w) => text.includes(w)) ? text.replace(written, as) : text),
    line,
  );
