import { A_COUNT } from "./number";

/** A figure in centimetres as one in millimetres: “1.5 cm” is 15 mm. */
function inMillimetres(all: string, whole: string, part = "", blank = ""): string {
  const mm = Number((Number(`${whole}.${part || "0"}`) * 10).toFixed(3));
  // “6cm” has no room for it.
  const fits = [`${mm}${blank}mm`, `${mm}mm`].find((written) => written.length <= all.length);
  return fits?.padEnd(all.length) ?? all;
}

const DONE =
  "tie|wind|wrap|dub|rib|palmer|pull|bind|trim|form|make|cut|take|bring|fold|whip|add|put|spin|twist|catch|lay|run|start|attach|secure|select|measure|stack|strip|brush|pick|coat|varnish|glue|slide|build|cover|lash|stroke";
/** What one does, as it is asked for. */
const asked: Record<string, string> = {
  tying: "tie",
  winding: "wind",
  wrapping: "wrap",
  pulling: "pull",
  binding: "bind",
  dubbing: "dub",
};
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
  // “rabbit, crosscut”: how the hide was cut is no stuff of its own.
  {
    has: ["cut", "zonker"],
    written: /\b(?<!\bsame\s)(rabbit|fur|hide|mink|squirrel|fox),(?=\s+(?:cross-?\s?cut|zonker)\b)/gu,
    as: (_, hide = "") => `${hide} `,
  },
  // “• Tail: …”, “* tail”: what only shows that a list goes on.
  {
    has: ["-", "*", "•", "▪", "‣", "●", "◦", "·"],
    written: /^\s*[-*•▪‣●◦·]\s+(?=\S)/u,
    as: (all) => " ".repeat(all.length),
  },
  // “Dry hook 12 · thread brown”: what divides a line.
  { has: ["·", "•"], written: /(?<=\S)\s[·•](?=\s+\S)/gu, as: () => ", " },
  // “hook 12 curved/ thread brown”
  { has: ["/ "], written: /(?<=\p{L})\/(?=\s+(?:thread|silk|bead)\b)/gu, as: () => "," },
  // “## Steps”, “|---|---|”, “=====”
  { has: ["#"], written: /^\s*#{1,6}\s+(?=\p{L})/u, as: (all) => " ".repeat(all.length) },
  {
    has: ["--", "==", "**", "__", "~~", "++", ".."],
    written: /^[\s\-=_|:+~*.]{3,}$/u,
    as: (all) => " ".repeat(all.length),
  },
  // “**Tail:** …”, “__Rib__: …”: letters that were to be bold.
  { has: ["**", "__"], written: /(?:\*\*|__)(?=\S)|(?<=\S)(?:\*\*|__)/gu, as: () => "  " },
  {
    has: ["*"],
    written: /^(\s*)\*([\p{L}][\p{L}\s]{1,20}:?)\*/u,
    as: (_, blank = "", word = "") => `${blank} ${word} `,
  },
  // “Tail ........ red wool”, “| Tail | red wool |”, and what stands in columns.
  {
    has: ["..."],
    written: /^(\s*[\p{L}][\p{L}\s]{1,20}?)\s*\.{4,}\s*(?=\S)/u,
    as: (all, part = "") => `${part}: `.padEnd(all.length),
  },
  { has: ["|"], written: /^\s*\|\s*(?=\S)|\s*\|\s*$/gu, as: (all) => " ".repeat(all.length) },
  {
    has: ["|"],
    written: /^(\s*[\p{L}][\p{L}\s]{1,20}?)\s*\|(?=\s)/u,
    as: (all, part = "") => `${part}:`.padEnd(all.length),
  },
  {
    has: ["\t"],
    written: /^(\s*[\p{L}][\p{L} ]{1,20}?:?) *\t\s*(?=\S)/u,
    as: (all, part = "") => `${part}${part.endsWith(":") ? "" : ":"}`.padEnd(all.length),
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
  // “Up to, let's say, the middle”
  {
    has: ["let's say", "let us say", "shall we say"],
    written: /,?\s*\b(?:let's|let\s+us|shall\s+we)\s+say\b,?/gu,
    as: (all) => " ".repeat(all.length),
  },
  // “From my notebook, p. 31”: no size of a hook.
  {
    has: ["p.", "page", "pg"],
    written: /,?\s*\(?\b(?:pp?\.|pages?|pg\.?)\s*\d{1,4}(?:\s*[-–]\s*\d{1,4})?\)?(?![\d/"])/gu,
    as: (all) => " ".repeat(all.length),
  },
  // “0,5 mm”: a comma where others write a stop.
  { has: [","], written: /(?<=(?<![\d.,])\d),(?=\d{1,2}\s*mm\b)/gu, as: () => "." },
  { has: ["inch"], written: /(?<=\d)\s*inch(?:es)?\b/gu, as: (all) => '"'.padEnd(all.length) },
  // “The hook bend”, “the bend of the hook”: what has no other bend.
  {
    has: ["hook"],
    written: /(?<=\S\s+)hook(?:'s)?\s+(?=(?:eye|bend)\b(?!\s*[:=]))/gu,
    as: (all) => " ".repeat(all.length),
  },
  {
    has: ["of the hook", "of your hook"],
    written: /(?<=\b(?:eye|bend)\s+)of\s+(?:the|your)\s+hook\b(?!\s+(?:shank|length))/gu,
    as: (all) => " ".repeat(all.length),
  },
  {
    has: ["approx", "roughly", "circa"],
    written: /\b(?:approximately|approx\.?|roughly|circa)(?=\s)/gu,
    as: (all) => "about".padEnd(all.length),
  },
  // Before a length it says nothing that “2 mm” does not; before a count it widens it.
  {
    has: ["ca", "~"],
    written: /(?:\bca\.?\s|~)(?=\s*(?:\d+(?:[.,]\d+)?|\d+\/\d+)\s*(?:mm|cm|"|inch|in\b))/gu,
    as: (all) => " ".repeat(all.length),
  },
  { has: ["ca"], written: /\bca(?:\.|(?=\s))(?=\s*\d)/gu, as: (all) => "~".padEnd(all.length) },
  { has: ["create"], written: /\bcreate(?=\s)/gu, as: (all) => "make".padEnd(all.length) },
  { has: ["creating"], written: /\bcreating(?=\s)/gu, as: (all) => "making".padEnd(all.length) },
  // “From the bend towards the eye”, “the silk towards the eye”
  {
    has: ["toward"],
    written: /(?<=\b(?:from|thread|silk)\s+(?:[^,.;:]{2,40}\s)?)towards?(?=\s+the\s+(?:eye|bead|head|bend|tail)\b)/gu,
    as: (all) => "to".padEnd(all.length),
  },
  // “Butt - ostrich, black - 2 turns”, “Tag: gold tinsel — 3 turns”: behind what the part is of it is a comma.
  {
    has: [" - ", " — ", " – "],
    written:
      /(?<=(?:[:=,]\s|\s[-–—]\s).*[^\d\s-]\s)[-–—](?=\s+(?:(?:about|just|only)\s+)?(?:\d|an?\s|one\s|two\s|three\s|four\s|five\s|six\s|seven\s|eight\s|ten\s|half\s))/gu,
    as: () => ",",
  },
  { has: [";"], written: /;(?=\s+(?:and\s+)?then\s)/gu, as: () => "," },
  // “I'll tie it in”, “now we're going to wind the rib”, “let's dub”: what is done is told all the same.
  {
    has: ["'ll", "’ll", "will", "going to", "gonna", "let's", "let’s", "want to", "need to", "like to", "go ahead"],
    written: new RegExp(
      `^(\\s*)(?:(?:so|now|ok(?:ay)?|right|alright|and|then|next|here|first|again)[,\\s]+)*(?:(?:i|we|you)(?:['’](?:ll|m|re|d))?|let['’]s)\\s+(?:(?:now|then|just|also|next|first)\\s+)*(?:(?:am|are|will|going\\s+to|gonna|want\\s+to|need\\s+to|like\\s+to|have\\s+to|go\\s+ahead\\s+and|now|then|just)\\s+)*(?<=(?:['’](?:ll|s)|will|to|gonna|and|now|then|just)\\s+)(?=(?:${DONE})\\s)`,
      "u",
    ),
    as: (all) => " ".repeat(all.length),
  },
  // “Tying it in at the bend”, as one tells what one does.
  {
    has: ["tying", "winding", "wrapping", "pulling", "binding", "dubbing"],
    written:
      /^(\s*)(tying|winding|wrapping|pulling|binding|dubbing)(?=\s+(?:an?|the|it|them|this|that|in|on|off|down|from|some|another|(?<!tying\s+)thread|(?<!tying\s+)silk)\b)(?!\s+\w+\W*$)/gu,
    as: (all, blank = "", verb = "") => `${blank}${asked[verb] ?? verb}`.padEnd(all.length),
  },
  // “3 mm right behind the eye”, “right behind the eye”
  {
    has: ["behind", "in front"],
    written: new RegExp(
      '(?<=(?:mm|cm|"|\\bin|eyes?|lengths?|widths?|thirds?|quarters?|half|shank|\\d)\\s+)(?:right|close|immediately|directly|straight)(?=\\s+(?:behind|in\\s+front))',
      "gu",
    ),
    as: (all) => " ".repeat(all.length),
  },
  {
    has: ["behind", "in front"],
    written: /\b(?:right|close|immediately|directly|straight)(?=\s+(?:behind|in\s+front\s+of)\s+the\b)/gu,
    as: (all) => "just".padEnd(all.length),
  },
  // “Five even turns”, “four neat wraps”: how well they are laid, and no more of them.
  {
    has: [" turn", " wrap"],
    written: new RegExp(
      `(?<=\\b${A_COUNT}\\s+(?:\\w+\\s+)?)(?:even|neat|nice|good|careful|complete|full)(?=\\s+(?:turns?|wraps?)\\b)`,
      "gu",
    ),
    as: (all) => " ".repeat(all.length),
  },
  {
    has: ["ly"],
    written:
      /(?<=\b(?:wind|wrap|tie|bind|pull|bring|take|run|palmer|secure|lash)\s+(?:(?:it|them|the\s+[a-z]+|in|down|off|back|forwards?|over)\s+){0,3})(?:tightly|firmly|carefully|neatly|smoothly|gently|slowly|securely)(?=\s|[,.;]|$)/gu,
    as: (all) => " ".repeat(all.length),
  },
  {
    has: [" touching"],
    written: /\b(?:close|tight|neat|even|nice)(?=,?\s+touching\b)/gu,
    as: (all) => " ".repeat(all.length),
  },
  { has: ["sweeping back"], written: /\bsweeping(?=\s+back)/gu, as: (all) => "swept".padEnd(all.length) },
  { has: ["your"], written: /\byour(?=\s+[a-z])/gu, as: () => "the " },
  {
    has: ["ribbed with"],
    written: /^(\s*)ribbed\s+with(?=\s)(?!.*\b(?:body|abdomen|thorax)\b)/gu,
    as: (all, blank = "") => `${blank}rib:`.padEnd(all.length),
  },
  // “Take the thread and wind it back”
  {
    has: ["take the"],
    written: /\btake(\s+the\s+(?:[a-z-]+\s+){0,2}?[a-z-]+)\s+and\s+(wind|wrap)\s+it\b/gu,
    as: (all, what = "", verb = "") => `${verb}${what}`.padEnd(all.length),
  },
  // “A bit of wire”: what comes from the spool is no small amount of it.
  {
    has: ["bit of"],
    written: /(?<=\ban?\s+)bit\s+of(?=\s+(?:[\w.-]+\s+){0,3}(?:wire|tinsel|floss|chenille|yarn|mono|thread|oval)\b)/gu,
    as: (all) => " ".repeat(all.length),
  },
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
  // “…; it should be fattest in the middle”: said of what is dubbed there.
  {
    has: ["be "],
    written:
      /(?<=\b(?:dub|fur|dubbing|seal|hare)\b.*)[;.]\s+(?:it|this|the\s+(?:body|abdomen))\s+(?:should|must|wants\s+to|needs\s+to|ought\s+to)\s+be(?=\s+(?:quite\s+|rather\s+|fairly\s+|nice\s+and\s+)?(?:fattest|thickest|fullest|slim|slender|thin|taper\w*|cigar|thicker|fuller|fatter|sparse|full|rough|shaggy)\b)/gu,
    as: (all) => ",".padEnd(all.length),
  },
  // “Then the wing case over the top”
  {
    has: ["over the top"],
    written:
      /(?<=\b(?:wing\s*case|shellback|back|foam|film|strip|cover|skin)\s+over)\s+the\s+top(?=\s*(?:[,.;]|$|and\b))/gu,
    as: (all) => " ".repeat(all.length),
  },
  {
    has: ["equal"],
    written: /\b(?:to\s+equal|equal(?:l?ing|s))(?=\s+(?:the|half|twice|in)\b)/gu,
    as: (all) => "equal to".padEnd(all.length),
  },
  // “Stopping at the half way mark”, “the two thirds mark”
  {
    has: [" mark"],
    written: /(?<=\b(?:half-?\s?way|middle|centre)\s+)mark(?=\s*(?:[,.;]|$|and\b|on\b))/gu,
    as: () => "    ",
  },
  // “Leave a short tag of red wool at the bend as a tail”
  {
    has: ["leave a"],
    written: /^(\s*)leave(?=\s+an?\s+(?:short\s+|small\s+)?(?:tag|stub|tuft|piece)\s+of\b)/gu,
    as: (all, blank = "") => `${blank}tie`.padEnd(all.length),
  },
  // A double has two points, and each is as far from the eye.
  {
    has: ["points of the"],
    written: /\bpoints\s+of\s+the\s+hooks?(?=\s*(?:[,.;]|$|and\b))/gu,
    as: (all) => "point".padEnd(all.length),
  },
  // “Two eyes' width from the eye”
  {
    has: ["eye"],
    written: /\beyes['’]\s+(?:widths?|lengths?)(?=\s+(?:from|behind|back|of|short)\b)/gu,
    as: (all) => "eyes".padEnd(all.length),
  },
  { has: ["der-wing", "er-wing"], written: /\b(under|over|upper)-(?=wings?\b)/gu, as: (_, side = "") => `${side} ` },
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
