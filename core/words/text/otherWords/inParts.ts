import { isColour } from "../../../materials";
import { inPlace, type Rule } from "../leftOut";
import type { Put } from "../stuffAsPart";

/** The parts of a body from the bend forward, where it has two and where it has three. */
const SHARES = {
  two: ["rear half", "front half"],
  three: ["rear third", "middle third", "front third"],
} as const;
type Share = (typeof SHARES)[keyof typeof SHARES][number];

const BEHIND =
  "(?:at|in|on|to)\\s+the\\s+(?:back|rear|bend|tail)|behind|(?:for\\s+)?the\\s+(?:rear|back)(?:\\s+half)?|rear";
const IN_FRONT = "(?:in|at)\\s+(?:the\\s+)?front|(?:for\\s+)?the\\s+front(?:\\s+half)?|ahead|front";
const MIDDLE = "in\\s+the\\s+middle|(?:for\\s+)?the\\s+middle|between";
const sides: readonly (readonly [at: RegExp, shares: readonly Share[]])[] = [
  [new RegExp(`[,\\s]+(?:${BEHIND})\\s*$`, "iu"), ["rear half", "rear third"]],
  [new RegExp(`[,\\s]+(?:${MIDDLE})\\s*$`, "iu"), ["middle third"]],
  [new RegExp(`[,\\s]+(?:${IN_FRONT})\\s*$`, "iu"), ["front half", "front third"]],
];
/** What already says which share it is. */
const saysShare = /^(?:(?:the|an?)\s+)?(?:rear|back|hind|front|fore|first|last|middle|half|third)\b/iu;

interface Part {
  stuff: string;
  /** Where it is said to be; undefined where only its turn says it. */
  at: readonly Share[] | undefined;
}
function partOf(words: string): Part {
  for (const [at, shares] of sides) if (at.test(words)) return { stuff: words.replace(at, ""), at: shares };
  return { stuff: words, at: undefined };
}

/** “Red, orange and yellow wool”: what the others are of is said with the last. */
function withStuff(parts: readonly Part[]): Part[] {
  const last = parts.at(-1)?.stuff.trim() ?? "";
  const stuff = /^\S+\s+(\S.*)$/u.exec(last)?.[1];
  return parts.map((p) =>
    stuff !== undefined && isColour(p.stuff.trim().toLowerCase()) ? { ...p, stuff: `${p.stuff.trim()} ${stuff}` } : p,
  );
}

/**
 * The parts, each ahead of its share of the body; undefined where they are not as many as the body has, or where one
 * of them says its share already.
 */
function toldInShares(list: string, shares: readonly Share[]): string | undefined {
  const parts = withStuff(
    list
      .split(/\s*;\s*|\s*,\s*(?:(?:and|then)\s+)*|\s+(?:and\s+then|and|then)\s+/u)
      .filter((words) => words !== "")
      .map(partOf),
  );
  if (parts.length !== shares.length || parts.some(({ stuff }) => stuff.trim() === "" || saysShare.test(stuff)))
    return undefined;
  const told = parts.map(({ stuff, at }, i) => {
    const share = at ? shares.find((s) => at.includes(s)) : shares[i];
    return share && { share, stuff: stuff.trim() };
  });
  if (told.some((t) => t === undefined) || new Set(told.map((t) => t?.share)).size < shares.length) return undefined;
  return told.map((t) => `${t?.share ?? ""} ${t?.stuff ?? ""}`).join(", ");
}

const puts = (m: RegExpExecArray, list: string, shares: readonly Share[]): Put[] => {
  const told = toldInShares(list, shares);
  return told === undefined ? [] : inPlace(m, told);
};

/** A body that is told in parts: each has its share of it. */
export const inParts: readonly Rule[] = [
  // “Body in two halves: silver tinsel at the back, claret fur in front”, “in three parts: red, orange and yellow wool”
  {
    has: ["halves", "parts", "sections", "thirds"],
    written:
      /(?<=^\W*(?:body|abdomen)\b)\s*(?:[:=,–-]\s*)?(?:is\s+)?(?:in|of)?\s*(two|three|2|3)\s+(?:equal\s+)?(?:halves|parts|sections|thirds)\s*[:=,–-]\s*(\p{L}[^.]*?)(?=\s*(?:\.|$))/giu,
    as: (m) => {
      const [put] = puts(m, m[2] ?? "", m[1] === "two" || m[1] === "2" ? SHARES.two : SHARES.three);
      return put ? [{ ...put, put: `: ${put.put}` }] : [];
    },
  },
  // “Body: silver tinsel at the back, fur in front”
  {
    has: ["front", "behind", "back", "rear"],
    written: new RegExp(
      `(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)(\\p{L}[^.,;]*?[,\\s]+(?:${BEHIND}|${IN_FRONT})(?:\\s*[,;]\\s*(?:and\\s+)?|\\s+and\\s+)\\p{L}[^.,;]*?[,\\s]+(?:${BEHIND}|${IN_FRONT}))(?=\\s*(?:\\.|$))`,
      "giu",
    ),
    as: (m) => puts(m, m[1] ?? "", SHARES.two),
  },
];
