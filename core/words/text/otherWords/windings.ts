import { isColour } from "../../../materials";
import { inPlace, type Rule } from "../leftOut";
import { roleOfWord } from "../../lexicon/parts";
import { A_COUNT, NUMBER_WORD, readNumber } from "../number";

const byLetter = [..."0123456789"].flatMap((figure) => [`${figure}t`, `${figure} t`]);

const inParts = (n = ""): string => `${n} ${n === "1" || n === "one" ? "part" : "parts"}`;

const countBehind = new RegExp(`^(.*(?:fib(?:re|er)s|herls)),\\s+(${A_COUNT})$`, "iu");
/** “Pheasant tail fibres, eight” */
const countFirst = (stuff: string): string => stuff.replace(countBehind, "$2 $1");

/** What is wound, tied in and broken off: ribs, weights, thread and its knots. */
export const windings: readonly Rule[] = [
  // “Two turns of brown, one of grizzly, one more of brown”: turns of each.
  {
    has: [" of "],
    written: new RegExp(
      `(?<=\\b(?:${A_COUNT})\\s+(?:turns?|wraps?)\\s+of\\s+[^.;:]*?(?:,\\s+(?:(?:then|and)\\s+)?|\\s+(?:and|then)\\s+))(${A_COUNT})(?:\\s+more)?\\s+of\\s+(?!(?:it|them|these|those|each|the|which)\\b)`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[1] ?? ""} ${m[1] === "1" || m[1]?.toLowerCase() === "one" ? "turn" : "turns"} of `),
  },
  // “Wind it up to the thorax, back to the bend, and up again”: three layers as far as that.
  {
    has: ["back to the", "back again to the", "down to the", "back down"],
    written:
      /(?<=\b(?:wind|wrap|wound|run|take|work)(?!\p{L})[^.;]*?\s)((?:up\s+|forwards?\s+)*(?:to|until|leave|leaving)\s+[^.;,]+?),?\s+(?:(?:and|then)\s+)*(?:back|down|back\s+down)\s+(?:again\s+)?to\s+the\s+(?:hook\s+)?(?:bend|tail|tag|barb|start),?\s+(?:(?:and|then)\s+)+(?:back\s+)?(?:up|forwards?)\s+(?:again|once\s+more|(?:a|one)\s+(?:third|last|final)\s+time)(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""}, three layers`),
  },
  // “Three turns down the bend and three back up”
  {
    has: ["turns down", "wraps down", "turns into", "turns round", "turns back", "wraps back", "turns under"],
    written: new RegExp(
      `(${A_COUNT})(\\s+(?:close\\s+|touching\\s+)?(?:turns|wraps))\\s+((?:down|into|round|around|under|back)(?:\\s+(?:into|round|around))?(?:\\s+the\\s+bend)?)\\s*,?\\s+(?:and|then)\\s+(?:the\\s+same\\s+number|as\\s+many|the\\s+same|\\1)(?:\\s+(?:turns|wraps))?\\s+(?:back\\s+up|back|up|forwards?)(?:\\s+(?:again|over\\s+(?:it|them|itself|the\\s+first)))*(?!\\p{L})`,
      "giu",
    ),
    as: (m) =>
      inPlace(
        m,
        `${m[1] ?? ""}${m[2] ?? ""} ${/bend/iu.test(m[3] ?? "") ? `${m[3] ?? ""} and back up` : "there and back"}`,
      ),
  },
  // “Three turns of tinsel for a tip”: the tip of a body is a tag.
  {
    has: ["a tip", "the tip"],
    written:
      /(?<=\b(?:turns|wraps|tinsel|floss|wire|silk|itself)\b[^.;]*\s(?:as|for|(?:to\s+)?(?:make|form|give)|making|forming|giving)\s+(?:an?|the)\s+(?:(?:small|short|little|neat)\s+)*)tip(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, "tag"),
  },
  // “Start with a tip of four turns of flat gold tinsel”
  {
    has: ["tip of"],
    written: new RegExp(
      `(?<=^\\W*)(?:(?:start|begin)\\s+with\\s+|make\\s+|form\\s+|wind\\s+)?(?:an?|the)\\s+(?:(?:small|short|little|neat)\\s+)*(?:tip|tag)\\s+(?:of|with)\\s+(?=(?:${A_COUNT})\\s+(?:turns|wraps)\\s)`,
      "giu",
    ),
    as: (m) => inPlace(m, "tag: "),
  },
  // “Light olive dubbing mixed half and half with grey fur”: what it is mixed with, and then how.
  {
    has: ["half and half", "50/50", "50:50", "equally", "in equal parts", "one to one", "1:1"],
    written:
      /,?\s+(mixed|blended)\s+((?:half\s+and\s+half|50[/:]50|1:1|one\s+to\s+one|equally|in\s+equal\s+(?:parts|amounts)))\s+with\s+([^,.;]+?)(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, ` mixed with ${m[3] ?? ""}, half and half`),
  },
  // “Half olive and half brown fur, mixed”
  {
    has: ["half "],
    written:
      /(?<=(?:^|[:=–,-])\s*)half\s+(\p{L}[^.;,]*?)(?:,\s+|\s+and\s+)half\s+(\p{L}[^.;,]*?),?\s+(?:well\s+)?(?:mixed|blended)(?:\s+(?:well|together))?(?=\s*(?:[,.;(]|$))/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} and ${m[2] ?? ""}, mixed half and half`),
  },
  // “Black thread built up in 20 turns”
  {
    has: ["built up"],
    written: new RegExp(`built\\s+up\\s+(?:in|with|by)\\s+(?=${A_COUNT}\\s+(?:turns|wraps))`, "giu"),
    as: (m) => inPlace(m, ", "),
  },
  // “Spin fur and wind three turns to make an egg sac”
  {
    has: ["egg sac"],
    written:
      /(?<=\b(?:turns|wraps|fur|dubbing|ball)\b[^.;]*?),?\s+(?:to\s+(?:make|form)|for)\s+(an?|the)\s+(?=(?:small\s+|neat\s+|little\s+)?egg\s+sac(?!\p{L}))/giu,
    as: (m) => inPlace(m, ` as ${m[1] ?? ""} `),
  },
  // “Build a taper with thread”: what is wound to that shape is an underbody.
  {
    has: ["taper ", "carrot", "cigar"],
    written:
      /(?<=^\W*)(?:build|form|make|wind|lay)(?:\s+up)?\s+an?\s+((?:[a-z]+\s+)?)(?:taper|(?:carrot|cigar)(?:\s+shape)?)\s+(?:with|of|from|using|out\s+of)\s+(?:the\s+)?(?:tying\s+)?(thread|silk)(?!\p{L})/giu,
    as: (m) => inPlace(m, `form a ${m[1] ?? ""}tapered underbody of ${m[2] ?? ""}`),
  },
  // “Make a dubbing brush of fur and flash, 8 cm long, and wind it to the eye”
  {
    has: ["brush of"],
    written:
      /(?<!\p{L})(?:make|form|spin|prepare)\s+(?:up\s+)?an?\s+(?:dubbing\s+|fur\s+)?brush\s+of\s+(\p{L}[^.;,\d]*?)(?:,?\s+(\d[\d.,]*\s*(?:mm|cm|"|in(?:ch(?:es)?)?))(?:\s+long)?)?(?:,\s*|\s+)(?:and\s+|then\s+)?(?=(?:wind|wrap|palmer)\s+(?:it|this)\b)/giu,
    as: (m) => inPlace(m, `tie in ${m[2] === undefined ? "a" : `${m[2]} of`} ${m[1] ?? ""} dubbing brush and `),
  },
  // “Take the silk to the barb and return it to half way”
  {
    has: ["return it"],
    written: /(?<=\b(?:thread|silk)\b[^.;]*\s)return\s+it(?=\s+(?:to|in)\s)/giu,
    as: (m) => inPlace(m, "come back"),
  },
  // “Black chenille with blue tinsel rib, 6 turns”, “thread with a strand of pearl tinsel ribbed 4 turns”
  {
    has: [" rib", "ribbed", "ribbing"],
    written: new RegExp(
      `(?<=^\\W*(?:body|abdomen)\\b[^.;]*?\\p{L})(?:,?\\s+with|;)\\s+(?:an?\\s+)?(?:(?:strand|length|piece)\\s+of\\s+)?((?:\\p{L}[\\p{L}-]*\\s+){1,5}?)(?:rib(?:bed|bing)?)\\s*(?:(?:[-–:,]|of)\\s*((?:\\p{L}+\\s+)?(?:oval|flat|wire|tinsel|thread|floss)))?\\s*,?\\s*(?:(?:in|with)\\s+)?(?=${A_COUNT}\\s+(?:turns|wraps))`,
      "giu",
    ),
    as: (m) => inPlace(m, `; rib: ${m[1] ?? ""}${m[2] ? `${m[2]} ` : ""}, `),
  },
  // “Three fibres of turkey, wound as herl”: how it is wound, and no herl.
  {
    has: ["as herl", "like herl", "a herl", "as yarn", "as chenille", "like chenille", "like yarn"],
    written:
      /(?<=\b(?:wound|wrapped|wind|wrap)\s)(?:on\s+)?(?:as|like)\s+(?:an?\s+)?(?:herl|yarn|chenille)(?!\p{L})/giu,
    as: (m) => inPlace(m, "on"),
  },
  // “Thread dubbed with mole”: of what is dubbed on it.
  {
    has: ["dubbed with"],
    written:
      /(?<=^\W*(?:body|abdomen|thorax)\s*[:=,–-]\s*)(?:the\s+)?(?:(?:tying|working|bare)\s+)?(?:thread|silk)\s+dubbed\s+with\s+(?=\p{L}|\d)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Trim it flat below, a cone towards the eye”: a shape, and no bead.
  {
    has: ["cone"],
    written:
      /(?<=(?<!\p{L})(?:trim|clip|cut|shape)(?!\p{L})[^.;]*)(?<!\p{L})(?:(?:in)?to\s+)?an?\s+cone,?\s+(?:narrow(?:er|ing)?\s+|tapering\s+)?(?:to|towards?)\s+the\s+(?:eye|head|front|bend|rear|back|tail)(?!\p{L})/giu,
    as: (m) => inPlace(m, "a neat cone"),
  },
  // “Coarse dubbing of brown seal”, “the finest possible dubbing of hare”
  {
    has: ["dubbing of"],
    written:
      /(?<=^\W*(?:the\s+)?(?:body|abdomen|thorax|collar|head)(?:\s*[:=,–-]|\s+is)\s*)(?:(?:an?|the)\s+)?((?:(?:thinnest|finest|sparsest|slimmest|lightest)(?:\s+possible)?|coarse|rough|fine|soft|loose|tight|sparse|thick|thin|slim)\s+)?dubbing\s+of\s+(\p{L}[\p{L}\s'’-]*?)(?=\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, `${/st\s/iu.test(m[1] ?? "") ? "sparse " : (m[1] ?? "")}${m[2] ?? ""} dubbing`),
  },
  // “The thinnest possible dubbing of mole”
  {
    has: ["thinnest", "finest", "sparsest", "slimmest", "lightest"],
    written:
      /(?:(?<!\p{L})(?:an?|the)\s+)?(?:very\s+)?(?<!\p{L})(?:thinnest|finest|sparsest|slimmest|lightest)(?:\s+possible|\s+(?:you|i)\s+can)?\s+(?=(?:dubbing|layer|veil|covering|film|body|noodle)(?!\p{L}))/giu,
    as: (m) => inPlace(m, "a thin "),
  },
  // “Hare's mask 2 parts, rabbit 1 part”
  {
    has: ["part,", "parts,"],
    written:
      /(?<=^\W*(?:body|abdomen|thorax|dubbing)\s*[:=,–-]\s*)(\p{L}[\p{L}\s'’-]*?)\s+(\d{1,2}|one|two|three|four)\s+parts?,\s+(?:and\s+)?(\p{L}[\p{L}\s'’-]*?)\s+(\d{1,2}|one|two|three|four)\s+parts?(?!\p{L})/giu,
    as: (m) => inPlace(m, `${inParts(m[2])} ${m[1] ?? ""} and ${inParts(m[4])} ${m[3] ?? ""}`),
  },
  // “Twist the butts of the tail with the thread and wrap the rope to mid-shank”
  {
    has: ["the rope"],
    written:
      /(?<!\p{L})twist\s+(the\s+(?:tail\s+)?(?:butts|butt\s+ends|remaining\s+fibres|fibres)(?:\s+of\s+the\s+tail)?)\s+(?:with|and|round|around)\s+the\s+(thread|silk)(?:\s+together)?(?:\s+and|,(?:\s+then)?)\s+(?:wrap|wind)\s+the\s+rope(?!\p{L})/giu,
    as: (m) => inPlace(m, `twist ${m[1] ?? ""} and the ${m[2] ?? ""} together and wind them`),
  },
  // “White thread to start, 140 denier”
  {
    has: ["to start"],
    written: /(?<=^\W*(?:\p{L}+\s+){0,2}(?:thread|silk))\s+to\s+start(?:\s+with)?,?\s+(?=\d)/giu,
    as: (m) => inPlace(m, " "),
  },
  // “A base from the eye to the bend, then come back two thirds”
  {
    has: ["come back", "comes back"],
    written:
      /(?<=\b(?:base|thread|silk|layer)\b[^.;]*\bto\s+(?:the\s+)?bend),?\s+(?:and\s+)?then\s+comes?\s+back\s+(two\s+thirds|half|a\s+third|a\s+quarter)(?:\s+(?:of\s+the\s+way|way))?(?=\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, ` and back ${m[1] ?? ""} of the way`),
  },
  // “One layer down to the barb and one layer back to the middle”
  {
    has: ["layer"],
    written:
      /(?<!\p{L})one\s+layer\s+((?:in\s+touching\s+turns\s+)?(?:down\s+)?to\s+[^.;,]{4,40}?),?\s+and\s+one\s+(?:layer\s+)?back\s+to(?!\p{L})/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} and back to`),
  },
  // “Dub the thread with hare for 5 cm and wind to the thorax”
  {
    has: ["dub"],
    written:
      /(?<!\p{L})dub\s+the\s+(?:thread|silk)\s+with\s+(\p{L}[^.;,]{2,40}?)\s+for\s+(\d[\d.,]*\s*(?:mm|cm|inch(?:es)?|"))(?=\s*[.;,]|\s*$|\s+and\s)/giu,
    as: (m) => inPlace(m, `dub ${m[2] ?? ""} of ${m[1] ?? ""}`),
  },
  // “Blend hare and antron 2 to 1 and dub it to the wing”
  {
    has: ["blend", "mix"],
    written:
      /(?<=^\W*)(?:blend|mix)\s+(\p{L}[^.;,\d]{2,30}?\s+and\s+\p{L}[^.;,\d]{2,30}?)\s+(\d)\s*(?:to|:|\/)\s*(\d)(?:\s+parts)?,?\s+(?:and|then)\s+dub\s+(?:it|this|that)(?!\p{L})/giu,
    as: (m) => inPlace(m, `dub ${m[1] ?? ""}, ${m[2] ?? ""}:${m[3] ?? ""},`),
  },
  // “Attach brown thread and cover the lead”, “ten wraps of lead and cover it”: with thread.
  {
    has: ["cover"],
    written:
      /(?<=\b(?:lead|weight|thread|silk)\b[^.;]*[\s,])cover\s+(?:the\s+)?(lead|weight|it)(?=\s*(?:[.;]|$|,\s*(?:and|then)\s+(?!back\b)|\s+and\s+(?:go|run|take|wind)\b))(?<=\b(?:lead|weight)\b.*)(?<!^\W*thread\s*[:=–-].*)/giu,
    as: (m) => inPlace(m, "cover the lead with thread"),
  },
  // “Body in two halves, …, 3 turns each half”
  {
    has: ["each half", "each part", "each section", "each third"],
    written: new RegExp(
      `(?<=\\b(?:two|three)\\s+(?:equal\\s+)?(?:halves|parts|sections|thirds)\\b[^;]*?)(${A_COUNT})\\s+turns\\s+(?:in\\s+|on\\s+|over\\s+|to\\s+)?each\\s+(?:half|part|section|third)(?!\\p{L})`,
      "giu",
    ),
    as: (m, typed) => {
      const parts = /\bthree\s+(?:equal\s+)?(?:parts|sections|thirds)\b/iu.test(typed) ? 3 : 2;
      return inPlace(m, `${parts * (readNumber(m[1] ?? "") ?? 0)} turns`);
    },
  },
  // “Touch dubbed on 50 mm waxed thread”
  {
    has: ["waxed thread", "waxed silk"],
    written: /(?<=\bon\s+\d[\d.,]*\s*(?:mm|cm)\s)(?=(?:waxed|well\s+waxed)\s+(?:thread|silk)(?!\p{L}))/giu,
    as: (m) => [{ at: m.index, instead: 0, put: "of " }],
  },
  // “Thorax: same, double thickness”
  {
    has: ["thickness"],
    written: /(?<=^\W*thorax\b[^;]*,\s)(?:(?:of|at)\s+)?(double|twice\s+the)\s+thickness(?=\s*(?:[.;,]|$))/giu,
    as: (m) => inPlace(m, "twice as thick as the body"),
  },
  // “A bit of a ramp”
  {
    has: ["a bit of a"],
    written: /(?<!\p{L})a\s+bit\s+of\s+(?=an?\s+(?:ramp|taper|bump|ball|dam|slope)\b)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Crisscross x 8”
  {
    has: ["cross"],
    written: new RegExp(`criss-?\\s?cross(?:ed|\\s+wraps?)?\\s*[x×]\\s*(${A_COUNT})(?=\\s*(?:[.,;]|$))`, "giu"),
    as: (m) => inPlace(m, `${m[1] ?? ""} criss-cross wraps`),
  },
  // “Two layers, bottom 14 turns, top 9 turns”
  {
    has: ["layers"],
    written: new RegExp(
      `(?<=\\b(?:lead|weight|wire)\\b[^;]*,\\s)two\\s+layers,\\s+(?:the\\s+)?(?:bottom|lower|first|under)(?:\\s+one)?\\s+(${A_COUNT})(?:\\s+turns)?,\\s+(?:the\\s+)?(?:top|upper|second|over)(?:\\s+one)?\\s+(${A_COUNT})(?:\\s+turns)?(?!\\p{L})`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[1] ?? ""} turns, then ${m[2] ?? ""} turns on top of that`),
  },
  // “Half a gape at mid-shank, tapering to both ends”: how full it is in its middle.
  {
    has: ["taper"],
    written:
      /(?<=\bgapes?(?:\s+(?:thick|full|wide))?)\s+(?:at|in)\s+(?:the\s+middle|mid-?\s?shank|the\s+cent(?:re|er))(?:\s+of\s+the\s+(?:body|shank))?(?=,?\s+(?:and\s+|then\s+)?taper(?:ing|ed|s)?\s+(?:to|towards?|at|off\s+(?:to|at))\s+(?:both|either|each)\s)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Finish with four whip turns”
  {
    has: ["whip"],
    written: new RegExp(`(\\d+|${NUMBER_WORD})\\s+whip\\s+turns(?!\\p{L})`, "giu"),
    as: (m) => inPlace(m, `${m[1] ?? ""} turns of whip`),
  },
  // “Two whip finishes of four turns each”
  {
    has: ["whip"],
    written: /\b(two|three|2|3)\s+whip\s+finish(?:es)?\s+of\s+(\d+|\p{L}+)\s+turns?(?:\s+each)?/giu,
    as: (m) => inPlace(m, `whip finish ${m[2] ?? ""} turns, ${m[1] ?? ""} times`),
  },
  // “Hd - 4 t whip”, “1.5 t, tip in”: turns by their letter.
  { has: byLetter, written: /(?<=\d)\s?t(?=\s*(?:[,.;]|$)|\s+whip\b)/giu, as: (m) => inPlace(m, " turns") },
  // “Reverse the wire round the body”
  {
    has: ["reverse"],
    written: /(?<=^\W*(?:(?:and|then|now)\s+)*)reverse(?=\s+the\s+(?:\p{L}+\s+)?(?:wire|rib|tinsel|oval|mono)\b)/giu,
    as: (m) => inPlace(m, "counter-wind"),
  },
  // “Body: chenille, 12 turns, tied off at the eye”: as far as there it is wound.
  {
    has: ["tied"],
    written:
      /(?<=^\W*(?:body|abdomen|underbody|rib)\b.*\bturns,?\s+)(?:and\s+)?tied\s+off\s+(?=(?:just\s+)?(?:at|behind|in\s+front\s+of)\s+the\s+(?:hook\s+)?(?:eyes?|bead|head|hackle|wing|thorax)\b)/giu,
    as: (m) => inPlace(m, "to "),
  },
  // “Two strips of lead along the sides, 0.6 mm”: so thick is the wire.
  {
    has: ["lead"],
    written:
      /(?<=\b(?:two|2|a|one|1)\s+(?:strips?|lengths?|pieces?)\s+of\s+)(?=lead\b)([^.;,]*),\s*(0?[.,]\d+)\s?mm(?:\s+(?:thick|wire))?(?=\s*(?:[.,;]|$))/giu,
    as: (m) => inPlace(m, `${m[2] ?? ""} mm ${m[1] ?? ""}`),
  },
  // “Segmented with 5 bands of thread”, “segmented with thread in five places”
  {
    has: ["segmented"],
    written: new RegExp(
      `segmented\\s+(?:(?:with|by)\\s+(?:the\\s+)?thread\\s+in(?:to)?\\s+(\\d+|${NUMBER_WORD})\\s+(?:places|bands|segments)|(?:with|by)\\s+(\\d+|${NUMBER_WORD})\\s+(?:(?:bands|segments)\\s+of\\s+(?:the\\s+)?thread|thread\\s+(?:bands|segments)))(?!\\p{L})`,
      "giu",
    ),
    as: (m) => inPlace(m, `tied down in ${m[1] ?? m[2] ?? ""} segments`),
  },
  // “Tie down behind the eye, mono forward in 8 turns”: another thing that is done.
  {
    has: ["turns", "wraps"],
    written:
      /(?<=,\s)(?:the\s+)?(mono|wire|rib|oval|tinsel|floss)\s+(?=(?:forwards?|up|over(?:\s+(?:it|that))?|through)\b[^.;,]*\b(?:turns|wraps)\b)(?<!^\W*(?:rib|body|tag|underbody)\b.*)/giu,
    as: (m) => inPlace(m, `; wind the ${m[1] ?? ""} `),
  },
  // “Fur to mid-shank, then the wire in five turns”, “…, then five turns of the wire”: of what waits.
  {
    has: ["then"],
    written: new RegExp(
      `(?<=^\\W*(?:body|abdomen)\\b[^;]*),?\\s+(?:and\\s+)?then\\s+(?:the\\s+((?:\\p{L}+\\s+)?(?:wire|rib|oval|tinsel|mono)),?\\s+(?:in\\s+|for\\s+)?(${A_COUNT})\\s+((?:open\\s+|even\\s+)?(?:turns|wraps))|(${A_COUNT})\\s+((?:open\\s+|even\\s+)?(?:turns|wraps))\\s+of\\s+the\\s+((?:\\p{L}+\\s+)?(?:wire|rib|oval|tinsel|mono)))(?!\\p{L})`,
      "giu",
    ),
    as: (m) => inPlace(m, `; wind the ${m[1] ?? m[6] ?? ""} ${m[2] ?? m[4] ?? ""} ${m[3] ?? m[5] ?? ""}`),
  },
  // “Rib: flat gold, from the tag”: from where that ends.
  {
    has: ["from the tag", "from the butt"],
    written:
      /(?<=^\W*(?:rib|body|hackle|palmer)\b[^;]*\s)from\s+the\s+(tag|butt)(?:\s+(?:up|on|forwards?))?(?=\s*[,.;]|\s+(?:to|up|forwards?|in)\b|\s*$)/giu,
    as: (m) => inPlace(m, `from in front of the ${m[1] ?? ""}`),
  },
  // “Rib: four turns of pearl, tied down with three turns of thread”: they hold it.
  {
    has: ["thread"],
    written: new RegExp(
      `(?<=^\\W*rib\\b[^;]*)\\b(tied|bound|fixed|secured|held)\\s+(?:down|off|in)\\s+(?:with|by)\\s+(${A_COUNT})\\s+(?:turns|wraps)\\s+of\\s+(?:the\\s+)?thread(?!\\p{L})`,
      "giu",
    ),
    as: (m) => inPlace(m, `tied off with ${m[2] ?? ""} wraps`),
  },
  // “Gold wire and red thread side by side, 5 turns”: each is wound as far, and no turn touches the next.
  {
    has: ["side by side"],
    written: /(?<=^\W*rib\b[^;.]*\sand\s[^;.]*),?\s+(?:wound\s+)?side\s+by\s+side/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Copper, double strand”
  {
    has: ["double strand", "two strand"],
    written: /(?<=^\W*rib\s*[:=–-]\s*)(copper|gold|silver|brass)(\s+wire)?,\s+(?:double|two)\s+strands?(?!\p{L})/giu,
    as: (m) => inPlace(m, `${m[1] ?? ""} wire, doubled`),
  },
  // “Turns 1.5 mm apart”
  {
    has: ["apart"],
    written: /(?<!\p{L})(?:the\s+)?(?:turns|wraps)\s+(?=\d[\d.,]*\s*mm\s+apart)/giu,
    as: (m) => inPlace(m, ""),
  },
  // “10 turns starting mid-shank and going forward”
  {
    has: ["starting"],
    written:
      /(?<=\b(?:turns|wraps|lead|weight|wire)),?\s+starting\s+(?:at\s+|from\s+)?(mid-?\s?shank|the\s+middle(?:\s+of\s+the\s+shank)?),?\s+(?:and\s+)?(?:going|winding|working)\s+(forwards?|back(?:wards?)?)(?!\p{L})/giu,
    as: (m) => inPlace(m, `, wound ${m[2] ?? ""} from ${m[1] ?? ""}`),
  },
  // “Two layers of lead, 12 turns under and 8 on top”
  {
    has: ["layers"],
    written: new RegExp(
      `(?<=^\\W*(?:(?:weight|lead|underbody)\\s*[:=–-]\\s*)?)(?:in\\s+)?two\\s+layers\\s+of\\s+([^.;,]*\\b(?:lead|wire)\\b[^.;,]*),\\s+(${A_COUNT})\\s+turns\\s+(?:under|underneath|below|first)\\s+and\\s+(${A_COUNT})\\s+(?:turns\\s+)?(?:on\\s+top|over|above)(?!\\p{L})`,
      "giu",
    ),
    as: (m) => inPlace(m, `${m[1] ?? ""}, ${m[2] ?? ""} turns, then ${m[3] ?? ""} turns on top of that`),
  },
  // “Figure-eighted 12 times”
  {
    has: ["eighted"],
    written: new RegExp(`figure[- ](?:of[- ])?eighted\\s+(${A_COUNT})\\s+times`, "giu"),
    as: (m) => inPlace(m, `${m[1] ?? ""} figure-of-eight wraps`),
  },
  // “Tie in and leave”: it waits there.
  {
    has: ["leave", "left"],
    written:
      /(?<=\btied?\s+(?:(?:it|them)\s+)?in\s+(?:[^.;,]{2,40}\s+)?)and\s+(leave|left)(?:\s+(?:it|there))*(?=\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, `and ${m[1] ?? ""} hanging`),
  },
  // “14 turns of lead, and run red thread over all of it”
  {
    has: ["over"],
    written:
      /(?<=\b(?:lead|weight)\b[^;]*\b(?:thread|silk)\s+)over\s+(?:all\s+of\s+)?(?:it|that|them)(?!\p{L}|\s+both)/giu,
    as: (m) => inPlace(m, "over the lead"),
  },
  // “Gold wire for the rib, tie in and leave”: what is tied in is told ahead of it.
  {
    has: ["for"],
    written:
      /(?<=^\W*(?:\d+[.)]\s+)?)((?:\d[\d./]*\s*(?:mm|x|lb)\s+|\d+\s+)?\p{L}[\p{L}\d.\s-]{2,40}\sfor\s+(?:the\s+|an?\s+)?\p{L}+),\s+(?:and\s+|then\s+)*tie\s+(?:it\s+|them\s+)?in(?!\p{L})/giu,
    as: (m) => inPlace(m, `tie in ${m[1] ?? ""}`),
  },
  // “Six pheasant fibres, tie in as a tail”
  {
    has: ["tie in as", "tie them in as", "tie it in as", "tied in as"],
    written:
      /(?<=^\W*(?:\d+[.)]\s+)?)((?:\d[\d./]*\s*(?:mm|x|lb)\s+|\d+\s+)?\p{L}[\p{L}\d.\s'’-]{2,40}),\s+(?:and\s+|then\s+)*tied?\s+(?:it\s+|them\s+)?in\s+(?=as\s)(?<!\btie\b.*\btied?\s.*)/giu,
    as: (m) => inPlace(m, `tie in ${m[1] ?? ""} `),
  },
  // “Put on some olive thread”, “get the thread on”: it is begun.
  {
    has: ["thread", "silk"],
    written:
      /(?<!\p{L})(?:put|get)\s+(?:on\s+((?:some\s+|the\s+|an?\s+|your\s+)?(?:[\p{L}\d/]+\s+){0,3}?(?:thread|silk))(?!\p{L}|\s+(?:base|head|hackle|collar|dam|bump|turns|wraps))|((?:some\s+|the\s+|your\s+)?(?:[\p{L}\d/]+\s+){0,3}?(?:thread|silk))\s+on(?=\s*(?:[,.;]|$)|\s+(?:and|then|at|behind)\b))/giu,
    as: (m) => inPlace(m, `start ${m[1] ?? m[2] ?? ""}`),
  },
  // “…, laying it down to the barb”
  {
    has: ["laying"],
    written:
      /(?<=\b(?:thread|silk)\b[^.;]*),?\s+(?:and\s+)?laying\s+(?:it\s+)?(?:down\s+)?(?=(?:in\s+touching\s+turns\s+)?(?:back\s+)?(?:down\s+)?to\s)/giu,
    as: (m) => inPlace(m, " and run it "),
  },
  // “Slip of pheasant tail, 8 fibres, tied in at mid-shank”, of no part: what is done comes behind what it is of.
  {
    has: ["tied in"],
    written:
      /(?<=^\W*(?:\d+[.)]\s+)?)((?:(?:\d+|an?|one|two|three|\p{L}+)\s+)?(?:\p{L}+\s+){0,3}?(?:slip|fibres|fibers|herls?)(?!\p{L})[^.;:]{0,40}?),?\s+tied\s+in(?=\s+(?:at|by|in\s+front|behind|tips?|butts?|mid|just|on|over)(?!\p{L}))(?<!\btie\b.*)/giu,
    as: (m) => {
      const [, stuff = ""] = m;
      return roleOfWord(/\p{L}+/u.exec(stuff)?.[0] ?? "") ? [] : inPlace(m, `tie in ${countFirst(stuff)}`);
    },
  },
  // “Five turns, then cut the copper”: none is taken anew.
  {
    has: ["cut the"],
    written: /(?<=\bturns\b[^.;]*\s)cut(?=\s+the\s+(?:copper|gold|silver|oval|wire|tinsel|mono|rib)\s*(?:[,.;]|$))/giu,
    as: (m) => inPlace(m, "trim"),
  },
  // “Tied down at the bend with the rib”, which is wound already.
  {
    has: ["rib"],
    written:
      /(?<=\b(?:tied|bound|held|lashed|secured)\s+down(?:\s+at\s+the\s+(?:hook\s+)?\p{L}+(?:\s+of\s+the\s+hook)?)?)\s+(?:with|by)\s+(?:the|your|my|a)\s+rib(?=\s*(?:[.,;]|$))/giu,
    as: (m) => inPlace(m, ""),
  },
  // “Thread over the lead, ending at the bend”
  {
    has: ["ending"],
    written: /(?<=\b(?:thread|silk)\b[^.;]*),?\s+ending\s+at(?=\s+the\s)/giu,
    as: (m) => inPlace(m, " and go to"),
  },
  // “5 turns to finish”
  {
    has: ["turns"],
    written: new RegExp(`(${A_COUNT})\\s+turns\\s+to\\s+(?:finish|whip)(?=\\s*(?:[.,;]|$))`, "giu"),
    as: (m) => inPlace(m, `whip finish ${m[1] ?? ""} turns`),
  },
  // “Black thread over the lead and to the bend”
  {
    has: ["over the"],
    written: /(?<=\bover\s+the\s+(?:lead|weight|wire))\s+and\s+(?:back\s+|on\s+)?to(?=\s+(?:the|just|above)\s)/giu,
    as: (m) => inPlace(m, " and go to"),
  },
  // “…, a brass bead, black 6/0”: what comes in such sizes and has a colour is thread.
  {
    has: ["/0"],
    written:
      /(?<=,\s*(?:and\s+)?)(?:(\p{L}+)\s+(?:[3-9]|1[0-8])\/0|(?:[3-9]|1[0-8])\/0\s+(\p{L}+))(?=\s*(?:[,.]|$))(?<!\b(?:thread|silk)\b.*)/giu,
    as: (m) =>
      isColour((m[1] ?? m[2] ?? "").toLowerCase()) ? [{ at: m.index + m[0].length, instead: 0, put: " thread" }] : [],
  },
];
