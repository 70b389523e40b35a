import { englishOnes } from "../../../../numeric";
import { inPlace, type Rule } from "../../leftOut";
import { said } from "./said";

/** Sizes as words: “ten”, “twelves”. */
const inWords: Record<string, string> = Object.fromEntries(
  Object.entries(englishOnes)
    .filter(([, n]) => n >= 2 && n <= 20)
    .flatMap(([word, n]) => [
      [word, String(n)],
      [word.endsWith("x") ? `${word}es` : `${word}s`, String(n)],
    ]),
);
const SIZE = Object.keys(inWords)
  .sort((a, b) => b.length - a.length)
  .join("|");

/** The line of the hook. */
export const hooks: readonly Rule[] = [
  said(["iron", "hook used", "vice"], "(?<=^\\W*)(?:iron|hook\\s+used)(?=\\s*[:=])", "hook"),
  said(["hook ("], "(?<=^\\W*)hook\\s*\\((\\p{L}[\\p{L}\\s-]{2,20})\\)\\s*[:=]", "hook: $1,"),
  said(
    ["sz", "no.", "nos", "s."],
    "(?<=^\\W*hook(?!\\p{L}).*[\\s,])(?:sz\\.?|nos?\\.?|s\\.)\\s*(?=#?\\d{1,2}(?!\\d))",
    "size ",
  ),
  said(
    ["("],
    "(?<=^\\W*hook\\s*[:=–-][^(]*?)\\s*\\((?:sizes?\\s+)?(\\d{1,2}(?:\\s*(?:-|–|to)\\s*\\d{1,2})?)\\)",
    ", $1",
  ),
  {
    has: ["hook"],
    written: new RegExp(
      `(?<=^\\W*hook\\s*[:=–-].*(?<!\\p{L}))(?:sizes?\\s+)?(${SIZE})\\s+(?:to|through|-)\\s+(${SIZE})(?=\\s*(?:[,.;]|$))`,
      "giu",
    ),
    as: (m) => inPlace(m, `${inWords[m[1]?.toLowerCase() ?? ""] ?? ""} to ${inWords[m[2]?.toLowerCase() ?? ""] ?? ""}`),
  },
];
