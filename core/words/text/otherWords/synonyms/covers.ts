import type { Rule } from "../../leftOut";
import { A_COUNT } from "../../number";
import { BEGINNING, PART, said } from "./said";

const COVER = "wing\\s?case|wing\\s?pads?|shell\\s?back|shell|back|cover|carapace";

/** What is pulled over, and what goes round a wing. */
export const covers: readonly Rule[] = [
  // “Pull over shellback, tie off”: it is what is pulled, and not what something is pulled over.
  said(
    [
      "over shell",
      "over wing",
      "over the shell",
      "over the wing",
      "over back",
      "over case",
      "over the back",
      "over the case",
    ],
    `${BEGINNING}(pull|fold|bring|draw|flip|lay|stretch)\\s+over\\s+(?:the\\s+)?(wing\\s?case|shell\\s?back|back|case)(?=\\s*(?:[,.;]|$|and\\b))`,
    "$1 the $2 over",
  ),
  said(
    ["breathers", "gills"],
    "(?<=^\\W*(?:breathers?|gills?)\\s*[:=–-][^;.]*,\\s+)(\\d+(?:[.,]\\d+)?\\s*(?:mm|millimet(?:re|er)s)),?\\s+(?:in\\s+front\\s+of|past|beyond|over)\\s+the\\s+(?:hook\\s+)?eye(?:\\s+of\\s+the\\s+hook)?(?=\\s*(?:[,.;]|$))",
    "$1 long, pointing forward",
  ),
  // A belly that is dubbed is wound as a body is; of hair it is tied in.
  said(["belly"], "(?<=^\\W*)belly(?=\\s*[:=–-]\\s*[^;.]*\\b(?:dubbing|dubbed)\\b)", "body"),
  said(
    ["over the"],
    `${BEGINNING}(pull|fold|bring|draw|flip|lay)\\s+over\\s+the\\s+(${COVER})(?=\\s*(?:[,.;]|$|and\\b))`,
    "$1 the $2 over",
  ),
  said(
    ["the back"],
    `${BEGINNING}(pull|fold|bring|draw|flip|lay|stretch)\\s+the\\s+back(?=\\s+(?:over|forwards?)(?!\\p{L}))`,
    "$1 the shellback",
  ),
  said(
    ["take the"],
    `${BEGINNING}take(?=\\s+the\\s+(?:wing\\s?case|shell\\s?back)\\s+(?:over|forward)(?!\\p{L}))`,
    "pull",
  ),
  said(
    ["wing case", "wingcase", "shellback"],
    `${BEGINNING}(?:the\\s+)?(wing\\s?case|shell\\s?back)\\s+(?:(?:then\\s+)?(?:goes|comes)\\s+)?(over|forwards?)(?=\\s*(?:[.;]|$|,\\s*(?:tie|trim|and)\\b|and\\b|the\\s+(?:thorax|body)))`,
    "pull the $1 $2",
  ),
  said(["over the top of"], "(?<=\\bover\\s+)the\\s+top\\s+of(?=\\s+the\\s+(?:thorax|body)(?!\\p{L}))", ""),
  said(
    ["behind the eye", "behind the bead", "behind the head"],
    "(?<=^\\W*(?:then\\s+|now\\s+|and\\s+)*(?:pull|fold|bring|draw|flip|lay|stretch)(?!\\p{L})[^.;]*\\b(?:over|forwards?)\\b[^.;]*(?:,|\\band)\\s+)(?:secure|fix|hold|fasten|trap|anchor|tie\\s+in|tying\\s+down)(?:\\s+(?:it|them))?(?=\\s+(?:just\\s+|right\\s+)?behind\\s+the\\s+(?:eye|bead|head))",
    "tie it down",
  ),
  said(
    ["over the back", "along the back"],
    `${BEGINNING}(?:over|along)\\s+the\\s+back\\s+(?:goes\\s+|lies\\s+|comes\\s+)?(an?\\s+(?:\\d[^,.;]*\\s)?(?:strip|slip|band)\\s+of\\s+[^,.;]+)(?=\\s*(?:[.;]|$))`,
    "back: $1, pulled over the body",
  ),
  said(
    ["set "],
    `${BEGINNING}set(?=\\s+(?:an?\\s+pair\\s+of\\s+)?(?:\\p{L}+\\s+){0,3}(?:bead\\s+chain|dumbbell|barbell)\\s+eyes(?!\\p{L}))`,
    "tie in",
  ),
];

const HACKLE = "(?<=^\\W*(?:(?:front|dry)\\s+)?hackle\\s*[:=–-].*)";
/** Turns on either side of a wing. */
export const roundWings: readonly Rule[] = [
  said(
    ["take "],
    `${HACKLE}(?<=,\\s+)(?:take|make|give\\s+it)\\s+(?=(?:${A_COUNT})\\s+(?:turns\\s+|wraps\\s+)?behind(?!\\p{L}))`,
    "",
  ),
  said(
    ["back of the wing", "rear of the wing", "aft of", "in back of"],
    `${HACKLE}(?:(?:at|to|in)\\s+(?:the\\s+)?(?:back|rear)|aft)\\s+of(?=\\s+the\\s+wings?(?!\\p{L}))`,
    "behind",
  ),
  said(
    ["before it", "at the front", "ahead"],
    `(?<=^\\W*hackle\\s*[:=–-].*\\b(?:behind|aft|back|rear)\\b.*\\b(?:${A_COUNT})\\s+(?:turns\\s+|wraps\\s+)?)(?:before\\s+(?:it|them)|at\\s+the\\s+front|ahead(?:\\s+of\\s+(?:it|them))?)(?=\\s*(?:[,.;]|$))`,
    "in front",
  ),
  said(["back:"], "(?<=^\\W*(?:\\p{L}[\\p{L}'-]+\\s+){1,3})back(?=:\\s)", "shellback"),
  // “Foam back: 3 mm strip”: of what stands ahead of the part.
  said(
    ["strip"],
    `(?<=^\\W*(foam|latex|film|raffia|rubber|hide|rabbit)\\s+(?:${PART}|(?:shell)?back):\\s+(?:(?:an?|one|two|single|matched|${A_COUNT}|[\\d.]+\\s*mm)\\s+(?:wide\\s+)?){0,3})(strips?)(?!\\p{L})`,
    "$1 $2",
  ),
  said(
    ["behind the wing"],
    `${HACKLE}behind\\s+the\\s+(wings?)\\s+(${A_COUNT})\\s+(?:turns|wraps)(?:,|\\s+and)\\s+in\\s+front\\s+(${A_COUNT})(?:\\s+(?:turns|wraps))?(?=\\s*(?:[.;]|$))`,
    "$2 turns behind the $1 and $3 in front",
  ),
  said(
    ["behind and in front"],
    `${HACKLE}(${A_COUNT})\\s+(?:and|plus|\\+)\\s+(${A_COUNT})\\s+(?:turns|wraps)\\s+behind\\s+and\\s+in\\s+front\\s+of(?=\\s+the\\s+wings?)`,
    "$1 turns behind and $2 in front of",
  ),
  said(
    ["over the whole", "over the lot", "over all of it", "over it all"],
    "(?<=^\\W*rib(?:bing)?(?!\\p{L})[^.;]*\\s)over\\s+(?:the\\s+(?:whole|lot|entire\\s+length)|all\\s+of\\s+it|it\\s+all)(?=\\s*(?:[,.;]|$))",
    "over the whole body",
  ),
  said(
    ["and the eyes", "and eyes", "and the bead"],
    "(?<=\\bover\\s+the\\s+thorax)\\s+and\\s+(?:over\\s+)?(?:the\\s+)?(?:eyes|bead)(?=,?\\s+(?:and\\s+)?(?:tie|tied|secure|bind|hold))",
    "",
  ),
  said(
    [
      "make a loop",
      "form a loop",
      "make a hump",
      "form a hump",
      "makes a",
      "forms a",
      "forming a",
      "making a",
      "make a bubble",
    ],
    "(?<=\\b(?:fold|folded|pull|pulled|loop|looped)\\b[^.;]*\\bover\\b[^.;]*),?\\s+(?:to\\s+|so\\s+it\\s+|which\\s+)?(?:mak(?:e|es|ing)|form(?:s|ing)?)\\s+an?\\s+(?:\\p{L}+\\s+)?(?:loop|hump|bubble|bump)(?=\\s*(?:[,.;]|$))",
    "",
  ),
  said(["top"], "(?<=^\\W*)top(?=\\s*[:=]\\s)", "topping"),
  // What is tied across, piece by piece, is pulled over nothing.
  said(
    ["crosswise", "crossways"],
    "(?<=^\\W*)(?:carapace|shell|back)(?=\\s*[:=–-][^;]*\\b(?:yarn|wool)\\b[^;]*\\bcross(?:wise|ways))",
    "body",
  ),
  said(
    ["rear", "back,", "front"],
    `${HACKLE}(${A_COUNT})\\s+(?:turns?\\s+)?(?:rear|(?:at\\s+the\\s+)?back),?\\s+(?:and\\s+)?(${A_COUNT})\\s+(?:turns?\\s+)?(?:at\\s+the\\s+)?front(?=\\s*(?:[,.;]|$))`,
    "$1 turns behind the wing and $2 in front",
  ),

  // “Olive foil shellback, 3 mm wide”
  said(
    ["shellback", "shell back", "carapace"],
    "(?<=^\\W*)((?:\\p{L}+\\s+){0,3}(?:foil|film|raffia|tinsel|latex|foam|plastic|polythene))\\s+(shell\\s?back|carapace)(?=\\s*[,.;])",
    "$2 of $1",
  ),
];
