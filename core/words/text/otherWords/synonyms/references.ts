import { inPlace, type Rule } from "../../leftOut";
import { A_COUNT } from "../../number";
import { BEGINNING, PART, said } from "./said";

const BODY_LINE = "(?<=^\\W*(?:body|abdomen|underbody)\\s*[:=,–-]\\s*(?:the\\s+)?)";
const FORWARD = "(?=\\s+(?:forwards?\\s+|up\\s+|on\\s+)*(?:to|until|as\\s+far|over|along)(?!\\p{L}))";

/** What is told by what was told before: the rest of it, the same, those. */
export const references: readonly Rule[] = [
  said(
    ["remaining", "leftover", "left-over", "left over"],
    `${BODY_LINE}(?:remaining|left-?\\s?over)\\s+(?:tail\\s+)?(?:fib(?:re|er)s|herls|ends|butts)`,
    "rest of the tail fibres",
  ),
  said(
    ["the same "],
    "the\\s+same\\s+(?:two|three|four|five|six|seven|eight|nine|ten|\\d{1,2})(?=\\s+(?:fib(?:re|er)s|herls|strands|barbs)(?!\\p{L}))",
    "the same",
  ),
  said(
    ["tail butts"],
    `${BEGINNING}(?:wind|wrap|take|bring)\\s+the\\s+tail(?:\\s+fib(?:re|er))?\\s+butts${FORWARD}`,
    "wind the rest of the tail fibres",
  ),
  said(
    ["butts"],
    `${BEGINNING}(wind|wrap)\\s+the\\s+butts\\s+((?:forwards?\\s+|up\\s+)?(?:to|until)\\s+the\\s+(?:thorax|wing\\s?case|middle|eye|bead|head))\\s+(?:for|as|to\\s+(?:make|form))\\s+(?:the|a)\\s+(?:body|abdomen)(?=\\s*(?:[,.;]|$))`,
    "$1 the butts $2",
  ),
  said(
    ["butts"],
    `${BEGINNING}(?:take|bring)\\s+the\\s+butts(?:\\s+of\\s+the\\s+tail(?:\\s+fib(?:re|er)s)?)?${FORWARD}`,
    "wind the rest of the tail fibres",
  ),
  said(
    ["butts"],
    `${BEGINNING}(?:use\\s+the\\s+butts\\s+(?:for|as)\\s+(?:the|a)\\s+(?:body|abdomen),?\\s+(?:wound|wrapped)|(?:the\\s+)?butts\\s+(?:are|get)\\s+(?:then\\s+)?(?:wound|wrapped))${FORWARD}`,
    "wind the butts",
  ),
  said(
    ["these ", "them "],
    `${BEGINNING}(wind|wrap)\\s+(?:these|them|those)\\s+((?:forwards?\\s+|up\\s+)?to\\s+the\\s+(?:thorax|wing\\s?case|middle|eye|bead|head))\\s+(?:for|as|to\\s+(?:make|form))\\s+(?:the|a)\\s+(?:body|abdomen)(?=\\s*(?:[,.;]|$))`,
    "$1 them $2",
  ),
  said(["what is left", "what's left"], "what(?:'s|\\s+is)\\s+left\\s+of(?=\\s+the\\s)", "the rest of"),
  said(["long ends", "free ends"], `${BEGINNING}(wind|wrap)\\s+the\\s+(?:long|free)\\s+ends${FORWARD}`, "$1 the butts"),
  said(
    ["those fib", "these fib", "those herl", "these herl"],
    `(?<=\\b(?:wind|wrap)\\s+)(?:those|these)\\s+(?:fib(?:re|er)s|herls)${FORWARD}`,
    "the butts",
  ),
  said(
    ["more of"],
    "(?<=[:=–-]\\s*)more\\s+of\\s+(?:the\\s+same|it)(?=\\s*(?:[,.;]|$|\\s(?:dubbing|fur|herl|stuff|material)))",
    "the same",
  ),
  said(["like"], "(?<=[:=–-]\\s*)like(?:\\s+the)?\\s+(body|abdomen|thorax|tail)(?=\\s*(?:[,.;]|$))", "same as the $1"),
  said(["~"], "~\\s*(?=(?:shank|gape|hook|body)\\s+(?:length|width)(?!\\p{L}))", "about "),
  said([".."], "(?<=\\b\\d{1,2})\\s*\\.\\.\\.?\\s*(?=\\d{1,2}\\s+\\p{L})", " to "),
  said(
    ["pcs", "pc ", " no. "],
    "(?<=\\b\\d{1,3}\\s*)(?:pcs?\\.?|nos?\\.)\\s+(?:of\\s+)?(?=(?:\\p{L}+\\s+){0,3}(?:fib(?:re|er)s|hairs|strands|herls))",
    "",
  ),
  {
    has: ["doz", "dz"],
    written:
      /(?<!\p{L})(\d{1,2}|one|two|three)\s+(?:doz(?:en)?\.?|dz\.?)\s+(?=(?:\p{L}+\s+){0,3}(?:fib(?:re|er)s|hairs|strands|herls|barbs)(?!\p{L}))/giu,
    as: (m) => inPlace(m, `${12 * (few[m[1]?.toLowerCase() ?? ""] ?? Number(m[1]))} `),
  },
  // In a list the thread has gone nowhere: it is where the line before has tied in.
  said(
    ["same place", "same spot", "same point", "top there"],
    `(?<=^\\W*(?:${PART}|indicator|post|flash|foam|yarn)\\s*[:=–-][^.;]*?)(?:tied|bound|set|mounted|caught)(?:\\s+in|\\s+on)?\\s+(?:(?:at|in)\\s+the\\s+same\\s+(?:place|spot|point)|on\\s+top\\s+there)(?=\\s*(?:[,.;]|$))`,
    "tied in there",
  ),
  said(
    ["in front another", "in front a second", "in front, another"],
    "(?<=^\\W*(?:then\\s+|and\\s+)?)in\\s+front,?\\s+(?=(?:another|a\\s+second)\\s+(?:collar|bunch|clump)(?!\\p{L}))",
    "in front of it ",
  ),
  said(
    ["in front"],
    "(?<=^\\W*(?:second|third)\\s+(?:hackle|collar)\\s*[:=–-][^.;]*\\s)in\\s+front(?=\\s*(?:[,.;]|$))",
    "in front of that",
  ),
  said(
    ["hackle, "],
    "(an?|one)\\s+((?:cock|hen|saddle)\\s+hackle),\\s+((?:red|blue|light|dark|honey|rusty)\\s+(?:game|dun)|ginger|grizzly|badger|furnace|cree|dun|greenwell)(?=\\s*,)",
    "$1 $3 $2",
  ),
  // “Grizzly saddle over pink chenille”: what is wound over a body is a hackle.
  said(
    ["over "],
    `(?<=^\\W*(?:body|abdomen)\\s*[:=–-]\\s*)((?:[\\p{L}-]+\\s+){0,3}(?:saddle|hackle|cock|palmer))(?:\\s+(?:wound|palmered))?\\s+over\\s+((?:[\\p{L}'-]+\\s+){0,3}(?:chenille|fritz|wool|floss|fur|dubbing|tinsel|yarn|braid))(?=\\s*(?:[,.;]|$))`,
    "$2, palmered with $1",
  ),
  said(
    ["ribbed "],
    `(?<=\\bribbed\\s+)(${A_COUNT})\\s+turns(?:\\s+of)?\\s+((?:[\\p{L}-]+\\s+){0,2}(?:wire|tinsel|oval|silver|gold|copper))(?=\\s*(?:[,.;]|$))`,
    "with $2, $1 turns",
  ),
  said(
    ["from the eye of"],
    "(?:(?:from|off)\\s+the\\s+eyed?\\s+(?:part\\s+)?of\\s+(?:an?|the)\\s+peacock(?:\\s+(?:tail\\s+)?feather)?)",
    "from peacock",
  ),
  said(
    ["of them wound side by side", "of them side by side"],
    `,?\\s+(${A_COUNT})\\s+of\\s+them(?:\\s+wound)?\\s+side\\s+by\\s+side`,
    ", $1 side by side",
  ),

  said(["point of the barb", "tip of the barb"], "the\\s+(?:point|tip)\\s+of\\s+the\\s+barb(?!\\p{L})", "the barb"),
  // “Feather: one starling”: which one is named behind it.
  said(["feather"], "(?<=^\\W*feather\\s*[:=–-]\\s*)(?:one|an?)\\s+(?=\\p{L})", ""),
  // “Loop: black marabou in a 6 cm loop”
  said(["loop"], "(?<=^\\W*)(?:dubbing\\s+)?loop\\s*:(?=.*\\bloop\\b)", ""),

  said(
    ["and behind the eyes", "front of the eyes"],
    "(?:(?:(?:ahead|in\\s+front)(?:\\s+of)?\\s+and\\s+(?:then\\s+)?behind)|(?:behind\\s+and\\s+(?:then\\s+)?(?:ahead|in\\s+front)\\s+of))(?=\\s+the\\s+eyes)",
    "round",
  ),
  said(
    ["round them"],
    "(?<=\\bto\\s+the\\s+eyes)\\s+and\\s+(?:a?round|over)\\s+them(?=\\s*(?:[,.;]|$))",
    " and round the eyes",
  ),

  said(
    ["from the eye"],
    "(?:taken\\s+)?(?:from|off)\\s+the\\s+eyed?\\s+(?:(?:part|end)(?:\\s+of\\s+(?:the|a)\\s+(?:feather|plume|tail))?|of\\s+(?:the|a)\\s+(?:feather|plume|tail))(?=\\s*(?:[,.;]|$))",
    "",
  ),

  said(
    ["end of the", "ends of the"],
    "(?<=\\bthe\\s+)ends?(?=\\s+of\\s+the\\s+(?:claws|legs|feelers|antennae)(?!\\p{L}))",
    "tip",
  ),
  // “First feather: dun cdc”: in which order they come, and which it is behind that.
  said(["feather"], "(?<=^\\W*)(?:first|second|third|next|last|other)\\s+feather\\s*:", ""),
  said(
    ["to the eyes"],
    "(?<=\\bto\\s+)the\\s+eyes\\s+and\\s+(?:once|(?:an?|one|two)\\s+(?:more\\s+)?turns?)\\s+(?:in\\s+front|round|around|ahead)(?:\\s+of)?(?:\\s+them)?(?=\\s*(?:[,.;]|$))",
    "in front of the eyes",
  ),
  said(
    ["ribbed in the", "ribbed the"],
    "ribbed\\s+(?:in\\s+)?the\\s+(?:opposite|other)\\s+(?:direction|way)\\s+with(?!\\p{L})",
    "counter ribbed with",
  ),
  // From where on the skin it was cut.
  said(
    [" hair from the"],
    "(?<=\\b(?:deer|elk|moose|caribou|squirrel|goat|calf|calf-?tail)\\s+hair)\\s+(?:taken\\s+|cut\\s+)?from\\s+the\\s+(?:flank|rump|back|belly|neck|mask|face|leg|shoulder|body)(?=\\s*(?:[,.;]|$))",
    "",
  ),

  said(
    ["surplus"],
    "(?<=\\b(?:wind|wrap|twist|bring|take|use)\\s+)the\\s+surplus(?:\\s+(?:fib(?:re|er)s|ends?|butts?|herls?))?(?=\\s+(?:forwards?|up|to|round|over|as|on|along|clockwise|in)(?!\\p{L}))",
    "the rest of the fibres",
  ),
  // “Select five fibres; tie in as a tail”
  said(
    ["tie in as", "bind in as", "catch in as"],
    "(?<=\\b(?:select|take|pick|choose|cut|pull|measure)\\s+[^.;]{4,60}(?:;|,|\\sand)\\s+(?:then\\s+)?)(tie|bind|catch)\\s+in(?=\\s+as\\s)",
    "$1 them in",
  ),
  // “3 turns of oval and 4 of floss”: turns, too.
  said(
    [" of "],
    `(?<=${A_COUNT}\\s+turns?\\s+(?:of\\s+)?(?:[\\p{L}'-]+\\s+){1,4})and\\s+(${A_COUNT})\\s+of(?=\\s)`,
    "and $1 turns of",
  ),
];
const few: Record<string, number> = { one: 1, two: 2, three: 3 };
