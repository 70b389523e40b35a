/** A figure in centimetres as one in millimetres: “1.5 cm” is 15 mm. */
function inMillimetres(all: string, whole: string, part = "", blank = ""): string {
  const mm = Number((Number(`${whole}.${part || "0"}`) * 10).toFixed(3));
  // “6cm” has no room for it.
  const fits = [`${mm}${blank}mm`, `${mm}mm`].find((written) => written.length <= all.length);
  return fits?.padEnd(all.length) ?? all;
}

/** What is written in several ways, each as one of them that is no longer. */
const forms: readonly [RegExp, (all: string, ...groups: string[]) => string][] = [
  // “• Tail: …”, “* tail”: what only shows that a list goes on.
  [/^\s*[-*•▪‣●◦·]\s+(?=\S)/u, (all) => " ".repeat(all.length)],
  // A stop at the end of a line says nothing.
  [/(?<=[\p{L}\d)"%])\.(?=\s*$)/u, () => " "],
  [/[\t\u00a0\u2000-\u200a\u202f]/gu, () => " "],
  [
    /(?<![\d.,/])(\d+)(?:[.,](\d{1,2}))?(\s*)(?:cms?|centimet(?:re|er)s?)(?![\p{L}\p{N}])/gu,
    (all, whole = "", part, blank) => inMillimetres(all, whole, part, blank),
  ],
  [/(?<=\d\s*)(?:millimet(?:re|er)s?|mms)(?![\p{L}\p{N}])/gu, (all) => "mm".padEnd(all.length)],
  [/\bmid(?:dle)?[\s-]+hook[\s-]+shank\b/gu, (all) => "mid-shank".padEnd(all.length)],
  [/\bwing-(?=case|pad|post|cover)/gu, () => "wing "],
  // “Hackled with two turns of hen”: the part, and what it is of.
  [
    /(?<=^\s*|[,.;]\s+(?:and\s+)?)(hackle|wing|tail)(?:e?d)\s+with(?=\s)/gu,
    (all, part = "") => `${part} of`.padEnd(all.length),
  ],
  // “wire = 10 turns of …”
  [/^(\s*(?:[\p{L}'-]+\s+){0,3}[\p{L}'-]+)\s=(?=\s)/u, (_, ahead = "") => `${ahead}: `],
];

/** A line in small letters with units, bullets and blanks in one form each, of the same length. */
export const inOneForm = (line: string): string =>
  forms.reduce((text, [written, form]) => text.replace(written, form), line);
