import { isColour } from "../../materials";
import { A_COUNT } from "./number";
import type { Put } from "./stuffAsPart";

/** What is written short, or with words left out, and what stands there when it is spelt out. */
export interface Rule {
  /** In small letters: a line with none of these is not looked at, as most are not. */
  has: readonly string[];
  written: RegExp;
  as: (found: RegExpExecArray, typed: string) => Put[];
}

const PLACE =
  "bend|eye|shank|hook(?:\\s+(?:shank|eye|bend|point))?|point|barb|gape|gap|body|abdomen|thorax|tail|wings?|wing\\s+(?:case|post|base|root)|post|bead|cone|hackle|collar|head|eyes|weight|lead|throat|butt|tag|middle|base|root";
/** What goes on behind a place; anything else may be of what it is: “over lead wire”. */
const GOES_ON =
  "(?=\\s*(?:[,.;:)!]|$)|\\s+(?:and|then|&|or|in|with|to|for|so|as|before|after|is|are|at|by|leaving|again|back|forwards?|up|down|on|over|from|until)\\b)";
/** A word of each of the places above. */
const places =
  "bend eye shank hook point barb gape gap body abdomen thorax tail wing post bead cone hackle collar head weight lead throat butt tag middle base root".split(
    " ",
  );
const withoutArticle = new RegExp(
  `(?<![\\w-])(?!(?:under|over)\\s+wings?\\s*[:=–-])(?:(?:to|at|behind|past|beyond|over|round|around|under|into|from|against|front\\s+of|ahead\\s+of|towards?|below|above|near|through|along|across|up|down|before|back\\s+of|(?:long|high|tall|wide|thick)\\s+as|than)\\s(?=(?:${PLACE})${GOES_ON})|(?:end|base|root|foot|front|rear|back|middle|tip|top|sides?|thickness|length|height|width|half|third|thirds|quarter|quarters)\\s+of\\s(?=(?:bend|shank|hook|gape|gap|body|thorax|wings?|tail|post|bead)${GOES_ON}))`,
  "giu",
);
const ampersand = /&(?=\s)(?<=\s&)/gu;

const shareInFigures =
  /[123]\/[234](?<=\b(?:rear|back|front|fore|hind|middle|first|last|to|up|at|over)\s(?:the\s)?\d\/\d)(?![\d/])(?!\s*(?:"|in\b|inch|mm|cm|gapes?|eyes?|x\b|oz))/giu;
/** “Tied in tip first” */
const endFirst =
  /(?<=\b(?:in|on|down|hackle|hackles|saddle|feather|feathers|hen|cock|plume|quill|herl|herls|biot|biots|fibres|fibers)\s)(tips?|butts?|points?)\s+first\b/giu;
/** “15 turns of 0.6 mm behind the bead”, in a line about lead: so thick is the wire. */
const gaugeAlone =
  /(?<=\b(?:lead|weight|weighted|underbody)\b.*\b(?:turns|wraps)(?:\s+of)?\s+|\b(?:turns|wraps)(?:\s+of)?\s+(?=\S+\s?mm\b.*\blead\b))0?[.,]\d+\s?mm(?=\s+(?:behind|in\s+front|at|over|under|round|around|up|pushed|on)\b)/giu;
/** “6 turns lead wire” */
const turnsOfLead = new RegExp(`${A_COUNT}\\s+(?:turns|wraps)\\s+(?=(?:fine\\s+|medium\\s+|flat\\s+)?lead\\b)`, "giu");
/** “A collar of orange marabou: two feathers wound by the tip” */
const colonAsComma = new RegExp(
  `:(?<=\\b(?:an?|the)\\s+(?:collar|tail|hackle|wing|body|thorax|head|throat)\\s+of\\s+[^:.;]{3,40}:)(?=\\s+${A_COUNT}\\s)`,
  "giu",
);
const shares: Record<string, string> = {
  "1/2": "half",
  "1/3": "a third",
  "2/3": "two thirds",
  "1/4": "a quarter",
  "3/4": "three quarters",
};
const ofAWhole = /\b(?:rear|back|front|fore|hind|middle|first|last)\s$/iu;
/** “Rear 1/3”: the rear third. */
function inWords(typed: string, { 0: figures, index }: RegExpExecArray): string {
  const words = shares[figures] ?? figures;
  return ofAWhole.test(typed.slice(0, index)) ? words.replace(/^a /, "") : words;
}

/** “40 long black fibres of goat”: the colour is that of the stuff. */
const colouredPieces = new RegExp(
  `(?<=\\b${A_COUNT}\\s)(?:(?:long|fine|soft|short|stiff)\\s+)?(\\p{L}+)\\s+(fibres|fibers|hairs|strands|barbs)\\s+of\\s+(?=\\p{L})`,
  "giu",
);

/** “Up to and round the post”, “to the post and round it”: as far as in front of it. */
const pastThePost =
  /(?:up\s+)?to\s+and\s+(?:a?round|past)\s+the\s+((?:wing\s+)?(?:post|wings?))\b|(?:up\s+)?to\s+the\s+((?:wing\s+)?(?:post|wings?))\s+and\s+(?:a?round|past)\s+(?:it|them)\b/giu;

/** “Leave 2 hook eyes at the front for the hackle”: so much of the front stays free. */
const eyesLeft =
  /(?<=^\s*(?:and\s+)?leave\s)(?:about\s+)?(\d+|one|two|three|four)\s+(?:hook\s+)?eyes?(?:[\s-]+(?:lengths?|widths?|diameters?))?\s+(?:clear\s+|free\s+|bare\s+|of\s+(?:room|space)\s+)?(?:(?:at\s+the\s+(?:front|head)|behind\s+the\s+eye)(?:\s+for\s+(?:the|an?)\s+\p{L}+)?|for\s+(?:the|an?)\s+(?:hackle|head|collar|wing|thorax))(?=\s*(?:[.;,]|$))/giu;

/** “Body: marabou butts of the tail”: what is left of it. */
const buttsOfTail =
  /(?<=^\W*(?:body|abdomen)\s*[:=,–-]\s*(?:the\s+)?)(?:(?:\p{L}+\s+)?butts\s+of\s+the\s+tail(?:\s+fib\p{L}+)?|tail(?:\s+fib\p{L}+['’]?)?\s+butts)\b/giu;

const BIRD =
  "(?:[\\p{L}-]+\\s+)?(?:hen|cock|partridge|grouse|starling|snipe|woodcock|coot|jackdaw|moorhen|waterhen|plover|jay|magpie|duck|drake|teal|mallard|pheasant|goose|swan|turkey|crow|rook|heron|pigeon|thrush|blackbird|peacock|guinea\\s+fowl)";
/** “A feather from the throat of a jackdaw”, “from a jackdaw throat”: that is no throat of the fly. */
const throatOf = new RegExp(
  `(?:an?\\s+)?(?:(?:small|soft|single|large)\\s+)*(feathers?|hackles?|plumes?)\\s+from\\s+(?:the\\s+throat\\s+of\\s+(?:an?|the)\\s+(${BIRD})|an?\\s+(${BIRD})(?:'s)?\\s+throat)(?!\\p{L})`,
  "giu",
);
/** “Fibres from the wing of a coot”: nor is that a place. */
const wingOf = new RegExp(
  `(?<=\\bfrom\\s)(?:the|an?)\\s+(wing|tail)\\s+of\\s+(?:an?|the)\\s+(${BIRD})(?!\\p{L})`,
  "giu",
);
/** “One feather from under a coot's wing” */
const birdsPart = new RegExp(
  `(feathers?|hackles?|plumes?|fib(?:re|er)s?)\\s+from\\s+(?:under\\s+)?(?:an?|the)\\s+(${BIRD})['’]s\\s+(wing|tail|neck|back|breast|rump)(?!\\p{L})`,
  "giu",
);
/** “Herl from the eye of a peacock tail” */
const peacockEye =
  /(?<=\bherls?\s+from\s)(?:the|an?)\s+(?:eye\s+(?:feather\s+)?of\s+(?:an?|the)\s+peacock(?:(?:'s)?\s+(?:tail|feather))?|peacock(?:'s)?\s+eye(?:\s+feather)?)(?!\p{L})/giu;

/** “Thread body”, “body of silk” */
const threadBody =
  /(?<=(?:^|[.;])\W*(?:\d{1,2}[.)]\s*)?)(?:(thread|silk)\s+body|(?:body|abdomen)\s+(?:is\s+)?of\s+(?:the\s+)?(?:tying\s+)?(thread|silk))(?=\s*(?:[.,;]|$)|\s+(?:in|from|to|with)\s)/giu;

/** Two blanks behind a comma are one. */
const wideBlanks = /(?<=[,;:.]) {2,}(?=\S)/gu;

/** “3 magpie tail herls”: of a bird that is no peacock, and no ostrich, they are fibres. */
const herlsOfOthers =
  /(?<=\b(?:magpie|heron|pheasant|turkey|condor|goose|swan|crow|rook|jackdaw)(?:\s(?:tail|wing|side|cent(?:re|er)))*\s)herl(s?)\b/giu;

const PIECES = "hairs|fibres|fibers|strands|herls|feathers|plumes|hackles|biots|slips|legs";
/** “30 olive hairs on top and 15 red ones beneath”: more of the same. */
const onesOf = new RegExp(
  `(?<=\\b((?:[\\p{L}'-]+\\s)?(?:${PIECES}))\\b(?:(?!\\b(?:${PIECES}|turns|wraps)\\b).)*\\b${A_COUNT}\\s(?:[\\p{L}]+\\s)?)ones\\b(?!\\s+(?:each|of)\\b)`,
  "giu",
);

/** “20 fibres of white bucktail under 20 of red”: the second is of the same stuff in another colour. */
const colourOfSame = new RegExp(
  `(?<=\\b${A_COUNT}\\s(?:(fib(?:re|er)s|hairs|strands|feathers|plumes|herls)\\s(?:of\\s)?)(\\p{L}+)\\s(\\p{L}+),?\\s(?:and|with|under|over|beneath|then|plus|below|above|on\\s+top\\s+of)\\s${A_COUNT}\\sof\\s)(\\p{L}+)(?=\\s*(?:[,.;)]|$)|\\s(?:on|over|under|beneath|below|above)\\b)`,
  "giu",
);
/** “A quill of peacock” is a peacock quill. */
const quillOf =
  /(?<!\p{L})(quills?|biots?)\s+(?:of|from)\s+(?:an?\s+)?(peacock|goose|turkey|condor|swan)(?=\s*(?:[,.;)]|$))/giu;

/** “Olive hairs”, “bucktail hairs”: the colour is that of the first alone. */
function stuffOf(pieces: string): string {
  const [first = "", second] = pieces.split(/\s/);
  return second === undefined || !isColour(first.toLowerCase()) ? pieces : second;
}

const SHARE = "(?:one|two|three|an?)\\s+(?:thirds?|quarters?)|half|[12]\\/[234]|3\\/4";
/** What is wound beside another, and never mixed with it. */
const WOUND = "(?:[\\p{L}-]+\\s+){0,3}(?:floss|tinsel|thread|silk|wool|yarn|chenille|herl|braid|wire)(?:\\s+\\p{L}+)?";
/** “Body: two thirds yellow floss, the rest black”: the first that is told of a body is its rear. */
const sharesOfBody = new RegExp(
  `(?<=^\\W*(?:body|abdomen)\\s*(?:[:=,-]|\\bis\\b|\\bof\\b)?\\s+)((?:${SHARE})[:,]?\\s+(?:of\\s+)?)(?:(?=[^;,.]{2,40}[;,]\\s*(?:and\\s+|then\\s+)*(?:the\\s+)?(?:front|fore)\\b)|(?=${WOUND}\\s*(?:[;,]|\\band\\b)\\s*(?:and\\s+|then\\s+)*(?:the\\s+)?(?:rest|remain))|(${WOUND}\\s*(?:[;,]|\\band\\b)\\s*(?:and\\s+|then\\s+)*)(?=(?:${SHARE})\\b))`,
  "giu",
);

/** Where the words that a line of shares leaves out would stand. */
function rearAndFront(typed: string, { index, 1: share = "", 2: stuff }: RegExpExecArray) {
  const put = (at: number, end: string): { at: number; instead: number; put: string } => {
    const figures = /^\d\/\d/.exec(typed.slice(at))?.[0];
    return figures === undefined
      ? { at, instead: oneOfIt.exec(typed.slice(at))?.[0].length ?? 0, put: `${end} ` }
      : { at, instead: figures.length, put: `${end} ${(shares[figures] ?? figures).replace(/^a /, "")}` };
  };
  const rear = put(index, "rear");
  return stuff === undefined ? [rear] : [rear, put(index + share.length + stuff.length, "front")];
}
const oneOfIt = /^(?:one|an?)\s+/iu;

/** In place of all that was found. */
export const inPlace = (m: RegExpExecArray, put: string): Put[] => [{ at: m.index, instead: m[0].length, put }];

/** Each is looked for by itself; where two are about one stretch, the first of them holds. */
export const leftOut: readonly Rule[] = [
  { has: places, written: withoutArticle, as: (m) => [{ at: m.index + m[0].length, instead: 0, put: "the " }] },
  { has: ["&"], written: ampersand, as: (m) => [{ at: m.index, instead: 1, put: "and" }] },
  { has: ["first"], written: endFirst, as: (m) => inPlace(m, `by the ${m[1] ?? ""}`) },
  { has: ["lead"], written: turnsOfLead, as: (m) => [{ at: m.index + m[0].length, instead: 0, put: "of " }] },
  {
    has: [":"],
    written: colonAsComma,
    as: (m) => [{ at: m.index, instead: 1, put: "," }],
  },
  { has: ["mm"], written: gaugeAlone, as: (m) => [{ at: m.index + m[0].length, instead: 0, put: " lead" }] },
  {
    has: ["fibres", "fibers", "hairs", "strands", "barbs"],
    written: colouredPieces,
    as: (m) => (isColour((m[1] ?? "").toLowerCase()) ? inPlace(m, `${m[2] ?? ""} of ${m[1] ?? ""} `) : []),
  },
  {
    has: ["post", "wing"],
    written: pastThePost,
    as: (m) => inPlace(m, `to in front of the ${m[1] ?? m[2] ?? ""}`),
  },
  {
    has: ["leave"],
    written: eyesLeft,
    as: (m) => inPlace(m, `the front ${m[1] ?? ""} eyes free`),
  },
  { has: ["tail"], written: buttsOfTail, as: (m) => inPlace(m, "rest of the tail") },
  {
    has: ["thread", "silk"],
    written: threadBody,
    as: (m) => inPlace(m, `body: ${m[1] ?? m[2] ?? ""}`),
  },
  {
    has: ["throat"],
    written: throatOf,
    as: (m) => inPlace(m, `a ${m[2] ?? m[3] ?? ""} throat ${m[1] ?? ""}`),
  },
  {
    has: ["from"],
    written: wingOf,
    as: (m) => inPlace(m, `a ${m[2] ?? ""} ${m[1] ?? ""}`),
  },
  { has: ["'s", "’s"], written: birdsPart, as: (m) => inPlace(m, `${m[2] ?? ""} ${m[3] ?? ""} ${m[1] ?? ""}`) },
  { has: ["eye"], written: peacockEye, as: (m) => inPlace(m, "a peacock tail") },
  {
    has: ["quill", "biot"],
    written: quillOf,
    as: (m) => inPlace(m, `${m[2] ?? ""} ${m[1] ?? ""}`),
  },
  {
    has: [" of"],
    written: colourOfSame,
    as: (m) =>
      [m[2], m[4]].every((c) => isColour((c ?? "").toLowerCase())) && !isColour((m[3] ?? "").toLowerCase())
        ? [
            { at: m.index - "of ".length, instead: 0, put: `${m[1] ?? ""} ` },
            { at: m.index + m[0].length, instead: 0, put: ` ${m[3] ?? ""}` },
          ]
        : [],
  },
  { has: ["  "], written: wideBlanks, as: (m) => inPlace(m, " ") },
  {
    has: ["herl"],
    written: herlsOfOthers,
    as: (m) => inPlace(m, m[1] ? "fibres" : "fibre"),
  },
  { has: ["ones"], written: onesOf, as: (m) => inPlace(m, stuffOf(m[1] ?? "")) },
  { has: ["body", "abdomen"], written: sharesOfBody, as: (m, typed) => rearAndFront(typed, m) },
  { has: ["/"], written: shareInFigures, as: (m, typed) => inPlace(m, inWords(typed, m)) },
];
