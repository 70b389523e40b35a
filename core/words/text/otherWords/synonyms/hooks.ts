import type { Rule } from "../../leftOut";
import { said } from "./said";

/** The line of the hook. */
export const hooks: readonly Rule[] = [
  said(["sz"], "(?<=^\\W*)sz\\.?\\s*(?=\\d{1,2}(?:\\/0)?(?!\\d))", "size "),
  said(["longshank", "shortshank"], "(?<!\\p{L})(long|short)shank(ed)?(?!\\p{L})", "$1 shank$2"),
  said(["thru"], "(?<=\\d(?:\\/0)?)\\s+thru\\s+(?=#?\\d)", " to "),
  // “I do these on a 10 or a 12 wet”
  said(
    ["do these", "do this", "do mine", "do them", "do it on", "make these on", "make mine on", "make them on"],
    "(?<=^\\W*(?:i|we)\\s+(?:usually\\s+|mostly\\s+|always\\s+)?)(?:do|make)\\s+(?:these(?:\\s+ones)?|this(?:\\s+one)?|mine|them|it)(?=\\s+on\\s+(?:an?\\s|sizes?\\s|#|\\d))",
    "tie these",
  ),
  // “… a 10 or a 12 wet”
  said(
    [" or a", " and a"],
    "(?<=\\bon\\s+an?\\s+(?:sizes?\\s+|#)?\\d{1,2}\\s+)(?:or|and)\\s+an?(?=\\s+(?:sizes?\\s+|#)?\\d{1,2}(?!\\d|\\s*mm))",
    "and",
  ),
  // “Size 14 jig, and I've put a 3 mm bead on it, copper”
  said(
    ["put a", "put an", "slid a", "slipped a"],
    "(?<=[,.;]\\s+)(?:and\\s+)?(?:i've|i\\s+have|we've)\\s+(?:put|slid|slipped)\\s+(an?\\s+(?:(?!on\\b)[\\p{L}\\d.,]+\\s+){0,5}(?:bead|cone))\\s+on(?:to)?(?:\\s+it)?(?:,\\s+(black|gold|silver|copper|brass|red|orange|pink))?(?=\\s*(?:[.;]|$))",
    "and slide on $1, $2",
  ),
  // “No. 14 wet double. Black silk.”
  said(
    ["no. ", "nr. "],
    "(?<=^\\W*)(?:no|nr)\\.\\s*(?=\\d{1,2}(?:\\/0)?\\s+(?:wet|dry|nymph|streamer|double|single|curved|jig|grub)(?!\\p{L}))",
    "size ",
  ),
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
  // “Orange silk, hook 14 wet”: the hook is told first, so that neither takes the other for its own.
  said(
    ["silk, ", "thread, ", "silk; ", "thread; "],
    "(?<=^\\W*)((?:\\p{L}+\\s+){0,3}(?:silk|thread)(?:\\s+(?:\\d{1,2}\\/0|\\d{2,3}(?:\\s*den(?:ier)?)?))?)[,;]\\s+((?:(?:wet|dry|nymph|streamer)(?:\\s+fly)?\\s+)?hook\\s[^;:]*\\d[^;:]*?)(?=\\s*\\.?$)",
    "$2, $1",
  ),
  said(
    ["/0"],
    "(?<=^\\W*)((?:\\p{L}+\\s+)?\\d{1,2}\\/0(?:\\s+(?!long|short|hook|x)\\p{L}+)?)[,;]\\s+((?:(?:wet|dry|nymph|streamer)(?:\\s+fly)?\\s+)?hook\\s[^;:]*\\d[^;:]*?)(?=\\s*\\.?$)",
    "$2, thread $1",
  ),
];
