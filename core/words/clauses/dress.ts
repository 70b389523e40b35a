import { type DubbedShape, type LengthRule, type NoodleThickness } from "../../recipe";
import { isColour } from "../../materials";
import { anyOf, beginning, map, match, oneOf, opt, seq, unless, words } from "../parse";
import { clause, put, putWay, samePair, type Clause, type Said } from "../said";
import { length, lengthPair } from "../text/length";
import { number } from "../text/number";
import { absolute } from "../text/place";
import {
  figureOfEight,
  endOfWay,
  endUp,
  wayBack,
  everywhere,
  leavingAtEnds,
  leavingBare,
  leavingRoom,
  shareOfIt,
  theRest,
  where,
  zone,
} from "./common";
import { count } from "../text/count";
import { aroundRead, leaving, leavingAtEye, leavingMm } from "./wind";

const thickness: [string, NoodleThickness][] = [
  [
    "(?:very\\s+|quite\\s+|fairly\\s+|rather\\s+)?(?:skinny|sparse(?:ly)?|sparing(?:ly)?|thin(?:ly|nish)?|slim|fine|light(?:ly)?)(?!\\s+(?:(?:at|towards?)\\s+(?:first|(?:the|both|either)\\s+(?:start|beginning|back|rear|tail|bend|ends?))|to\\s+(?:start|begin))\\b)",
    "sparse",
  ],
  ["medium(?:\\s+thick)?|normal", "medium"],
  [
    "(?:quite\\s+|fairly\\s+|rather\\s+|good\\s+and\\s+)?(?:full|thick(?:ly)?|fat|heav(?:y|ily)|generous(?:ly)?|dense(?:ly)?)",
    "full",
  ],
];
const nextWord = match("\\s+([\\p{L}-]+)");
const thickRead = oneOf(...thickness.map(([w, t]) => map(words(w), () => t)));
/** “light olive fur” is a shade, “a light dubbing” an amount. */
const isShade = /^(?:light|medium)$/;
const howThick: typeof thickRead = beginning(thickRead.firsts, (text, at) => {
  const found = thickRead(text, at);
  if (!found || !isShade.test(text.slice(at, found.end))) return found;
  const next = nextWord(text, found.end)?.value[0] ?? "";
  return isColour(next) && !isShade.test(next) ? undefined : found;
});
const shapes: [string, DubbedShape][] = [
  [
    anyOf(
      "(?:slim|thin|fine)(?:ner)?\\s+(?:behind|at\\s+the\\s+(?:back|rear|bend|tail)),?\\s+(?:and\\s+|but\\s+|getting\\s+)*(?:thick|full|fat)(?:t?er)?\\s+(?:in\\s+front|up\\s+front|ahead|at\\s+the\\s+(?:front|head|thorax)|towards?\\s+the\\s+(?:front|head|eye))|(?:nicely\\s+|gently\\s+|slightly\\s+|well\\s+|strongly\\s+)?taper(?:ed|ing)?(?!\\s+(?:down\\s+|up\\s+)?to\\b|\\s+(?:at|towards?)\\s+(?:both|either|each)\\b)(?:\\s+(?:towards?|to)\\s+the\\s+(?:tail|bend|rear|eye|front|head))?",
      "carrot(?:[- ]shaped?)?",
      "(?:thin(?:ner|ly)?|slim(?:mer)?|sparse(?:r|ly)?)\\s+(?:at|to|towards?)\\s+the\\s+(?:tail|bend|rear|back)(?:\\s+end)?(?:,?\\s+(?:and|then|but)\\s+(?:filling\\s+out|getting\\s+(?:fat|thick|full)(?:t?er)|building\\s+up)(?:\\s+(?:as\\s+(?:it|you)\\s+go(?:es)?|forwards?))?)?(?:,?\\s+(?:and\\s+|then\\s+)*(?:fat|thick|full)(?:t?er)?\\s+(?:to|towards?|at|near|behind)\\s+the\\s+(?:bead|eye|front|head|thorax))?(?:,?\\s+(?:(?:and|then|getting|becoming|growing)\\s+)+(?:fat|thick|full)(?:t?er)(?:\\s+forwards?)?)?(?:,?\\s+(?:and\\s+|but\\s+)?(?:fat|thick|full)(?:t?er)\\s+in\\s+front)?",
      "(?:the\\s+)?(?:rear|back)\\s+(?:half|third|part)\\s+(?:thin|slim),?\\s+(?:and\\s+)?(?:then\\s+)?(?:fat|thick|full)(?:t?er)?\\s+(?:to|towards?|at|near|behind)\\s+the\\s+(?:bead|eye|front|head|thorax)",
      "(?:fat|thick|full)(?:t?er)?\\s+(?:to|towards?|at)\\s+the\\s+(?:bead|eye|front|head|thorax)",
      "(?:from\\s+)?(?:very\\s+)?(?:thin|slim|sparse|fine|skinny)\\s+(?:at|by|near)\\s+the\\s+(?:tail|bend|rear|back)(?:\\s+end)?,?\\s+(?:(?:and|but|getting|growing|rising|swelling)\\s+)*to\\s+(?:about\\s+)?(?:twice|three\\s+times)\\s+(?:as\\s+(?:thick|fat|full)|that|the\\s+thickness)\\s+(?:at|by|near|behind|towards?)\\s+the\\s+(?:thorax|front|head|eye|bead)",
      "(?:about\\s+)?(?:twice|three\\s+times)\\s+as\\s+(?:thick|fat|full)\\s+(?:(?:at|by|near|behind|towards?)\\s+the\\s+(?:thorax|front|head|eye|bead)|in\\s+front)(?:\\s+as\\s+(?:at|by)\\s+the\\s+(?:tail|bend|rear|back))?",
    ),
    "tapered",
  ],
  [
    "(?:(?:gradually|slowly|steadily|slightly|gently)\\s+)?(?:thicken|fatten|widen|swell)(?:ing|ed|s)?(?:\\s+(?:out|up|slightly|gradually|steadily))*(?:\\s+(?:forwards?|(?:to|towards?|at)\\s+the\\s+(?:head|front|eye|thorax|bead)))?",
    "tapered",
  ],
  [
    "(?:that\\s+|which\\s+)?(?:getting|becoming|growing|gets|becomes|grows)\\s+(?:(?:gradually|slowly|steadily|slightly|progressively|gently|just|an?|little|bit|touch|shade)\\s+)*(?:fat|thick|full)(?:t?er)?(?:\\s+(?:to|towards?|forwards?|at)(?:\\s+the\\s+\\w+)?)?(?:\\s+as\\s+(?:you|it)\\s+go(?:es)?(?:\\s+(?:on|along|forwards?))?)?",
    "tapered",
  ],
  [
    "(?:start(?:ing)?|begin(?:ning)?)\\s+(?:skinny|thin|slim)(?:\\s+(?:at|by)\\s+the\\s+(?:tail|bend|rear|back))?,?\\s+(?:and\\s+|then\\s+)*(?:get(?:s|ting)?|becom(?:e|es|ing)|end(?:s|ing)?)\\s+(?:up\\s+)?(?:fat|thick|full)(?:t?er)?(?:\\s+(?:going|as\\s+(?:you|it)\\s+go(?:es)?)(?:\\s+(?:forwards?|along|on))?|\\s+forwards?|\\s+towards?\\s+the\\s+(?:front|eye|head|thorax|bead))?",
    "tapered",
  ],
  [
    "(?:thin(?:ner)?|slim(?:mer)?|sparser?)\\s+(?:at\\s+(?:first|the\\s+(?:start|beginning))|to\\s+(?:start|begin)(?:\\s+with)?),?\\s+(?:and\\s+|then\\s+|but\\s+)*(?:(?:twice|getting|becoming|growing)\\s+)?(?:as\\s+)?(?:thick|full|fat|heav)(?:t?er|ier|y)?(?:\\s+(?:at|in|for|over|towards?|to)\\s+the\\s+(?:(?:last|final|front|other)\\s+)?(?:third|half|quarter|end|front|thorax|eye|bead))?",
    "tapered",
  ],
  [
    "(?:thick|full|fatt|broad|stout)er\\s+(?:towards?|at|near)\\s+(?:the\\s+)?(?:front|shoulder|head|eye|thorax)",
    "tapered",
  ],
  ["(?:slim|slender)(?:\\s+taper(?:ed)?)?", "slim"],
  [
    "(?:(?:in\\s+the\\s+)?shaped?\\s+(?:like|of)\\s+an?\\s+)?cigar(?:[- ]shaped?)?|(?:fullest|thickest|fattest)\\s+(?:in|at)\\s+the\\s+(?:middle|centre)|(?:rather\\s+|a\\s+bit\\s+|quite\\s+)?(?:plump|fat|thick|full)(?:t?er)?\\s+in\\s+the\\s+middle(?:,?\\s+(?:(?:and|but)\\s+)?(?:taper(?:ed|ing)|thin(?:ner)?|slim(?:mer)?|narrow(?:er)?)\\s+(?:to|towards|at)\\s+(?:the|both|either|each)\\s+ends?)?|(?:taper(?:ed|ing)|thin(?:ner)?|slim(?:mer)?|narrow(?:er)?)\\s+(?:to|towards|at)\\s+(?:(?:both|either|each)\\s+ends?|the\\s+ends)\\b",
    "cigar",
  ],
  [
    "(?!(?:\\w+\\s+){0,3}ball\\s+of\\s+(?:it|the\\s+same)\\b)(?:as\\s+|into\\s+|in\\s+)?(?:a\\s+)?(?:round\\s+|small\\s+|tight\\s+|neat\\s+|little\\s+)*(?:ball|hump|lump)(?:[- ]shaped?)?(?:\\s+of)?|(?:round(?!\\s+(?:the\\s+)?(?:wings?|post|eyes?|legs?|bend|shank|hook|base|roots?)\\b)|bulbous)",
    "ball",
  ],
];
const shape = oneOf(...shapes.map(([w, s]) => map(words(w), () => s)));
/** “Half as long as the abdomen”, “slim, 2 mm long” are no matter of how full. */
const howFull: typeof length = beginning(length.firsts, (text, at) => {
  const found = length(text, at);
  const isLong =
    found && (/\bas\s+long\s+as\b/.test(text.slice(at, found.end)) || /^\s*long\b/.test(text.slice(found.end)));
  return isLong ? undefined : found;
});
const NOODLE = words("(?:dubbing\\s+)?(?:noodle|rope|strand)");
const fullWords = "(?:full|thick|fat|in\\s+diameter|across|high|deep)";
const atEnds = opt(
  words(
    `${fullWords}?\\s*(?:at|in|near)\\s+the\\s+(?:front|rear|bend|eye|tail|thorax|back)|behind\\s+the\\s+(?:bead|eye|head)|at\\s+the\\s+bead|(?:in\\s+front|at\\s+the\\s+rear)`,
  ),
);
const ratio = seq(
  words("taper(?:ed|ing)?|thin(?:ned)?\\s+at\\s+one\\s+end"),
  number,
  match("\\s*(?::|to)\\s*"),
  number,
);
const oneLength = map(seq(length, atEnds, opt(words(fullWords))), ([l]) => l);
const rear = /\b(?:at|in|near)\s+the\s+(?:rear|bend|tail|back)\b/;

/** No body is half a shank thick: such a length says how far it goes. */
const isExtent = (l: LengthRule): boolean => "of" in l && (l.of === "shank" || l.of === "hook") && l.times > 0.25;

/** What is shorter is how far the dubbing goes. */
const SHORTEST_NOODLE = 20;
/** “12 mm of orange fur” is a noodle, however short. */
const SHORTEST_OF_IT = 8;

/** How long a loop is, and what it carries. */
export const loopLoad: readonly Clause[] = [
  clause(
    "loop of 40 mm",
    seq(
      opt(words("in|into")),
      opt(words("an?|the")),
      opt(words("dubbing")),
      words("loop"),
      opt(words("of|about")),
      absolute,
      opt(words("long")),
    ),
    (s, [, , , , , loopMm]) => {
      if (!(loopMm >= 1)) return false;
      s.loopMm = loopMm;
    },
  ),
  clause("a 40 mm loop", seq(absolute, words("(?:long\\s+|of\\s+)?(?:dubbing\\s+)?loop")), (s, [loopMm]) => {
    if (!(loopMm >= 1)) return false;
    s.loopMm = loopMm;
  }),
  clause(
    "in a loop",
    words("(?:in|into)\\s+a\\s+(?:dubbing\\s+)?loop|(?<!\\b(?:of|behind)\\s+(?:the\\s+)?)(?:dubbing\\s+)?loop"),
    put({ loop: true }),
  ),
  clause("3 layers", seq(number, words("layers?")), (s, [n]) => {
    if (!Number.isInteger(n) || n < 1) return false;
    s.loopLayers = n;
  }),
  clause("0.4 mg a mm", seq(number, words("mg\\s+(?:a|per|to\\s+the|/)\\s*mm")), (s, [loopLoad]) => {
    if (!(loopLoad >= 0.0001)) return false;
    s.loopLoad = loopLoad;
  }),
];

const goesOnTo = words("(?:and\\s+)?(?:up\\s+|on\\s+)?to\\b");
const CROSSING =
  "(?:(?:in\\s+|with\\s+)?(?:an?\\s+)?figures?[- ](?:of[- ])?(?:eights?|8s?)(?:[- ]?ed)?|figure-eighted|figured|cross(?:ed|ing)|criss-?cross(?:ed|ing)?)\\s+";
const roundEyes = words(`(?:${CROSSING}|(?:wrapped|wound|dubbed)\\s+)?a?round\\s+the\\s+eyes(?!\\s+of\\b)`);
const roundWing = words(
  `(?:on\\s+)?(?:both|either)\\s+sides?\\s+of\\s+the\\s+(?:wings?|(?:wing\\s+)?post)|in\\s+front\\s+and\\s+behind\\s+the\\s+(?:wings?|(?:wing\\s+)?post)|(?:${CROSSING})?a?round\\s+(?:the\\s+)?(?:(?:roots?|base)\\s+of\\s+the\\s+)?(?:wings?|(?:wing\\s+)?post)`,
);
/** From so many eye lengths in front of a part to as many behind it. */
const onBothSidesOf =
  (part: string, eyes: number) =>
  (s: Said): boolean | void => {
    if (s.from !== undefined || s.begin !== undefined || s.end !== undefined || s.there !== undefined) return false;
    s.from = { part, end: "front", plus: { of: "eye", times: -eyes } };
    s.to = { part, end: "rear", plus: { of: "eye", times: eyes } };
  };

/** What can be said of dubbing, in the order in which it is tried: the longer forms first. */
export const dressClauses: Clause[] = [
  leavingAtEnds,
  leavingBare,
  leaving,
  leavingAtEye,
  leavingMm,
  leavingRoom,
  endUp,
  zone,
  shareOfIt,
  theRest,
  wayBack,
  endOfWay,
  // Round a part, and not from there to another place.
  clause("round the eyes", unless(roundEyes, goesOnTo), onBothSidesOf("eyes", 0.5)),
  clause("in front of and behind the wing", unless(roundWing, goesOnTo), onBothSidesOf("wing", 1)),
  clause(
    "noodle 90 mm sparse",
    seq(NOODLE, opt(words("of|about|,|,?\\s*about")), length, opt(words("long")), opt(words(",")), opt(howThick)),
    (s, [, , noodle, , , t]) => {
      Object.assign(s, { noodle, ...(t && { thickness: t }) });
    },
  ),
  clause(
    "a thin 40 mm noodle",
    seq(opt(words("an?")), opt(howThick), length, opt(words("long")), opt(howThick), NOODLE),
    (s, [, t, noodle, , u]) => {
      Object.assign(s, { noodle, ...((t ?? u) && { thickness: t ?? u }) });
    },
  ),
  clause(
    "a thin noodle of 40 mm",
    seq(
      opt(words("an?")),
      howThick,
      NOODLE,
      opt(words("of|,|about|of\\s+about|about\\s+of")),
      absolute,
      opt(words("long")),
    ),
    (s, [, t, , , mm]) => void Object.assign(s, { noodle: { mm }, thickness: t }),
  ),
  clause(
    "a 7 cm rope",
    seq(opt(words("an?")), absolute, opt(words("long")), words("rope")),
    (s, [, mm]) => void (s.noodle = { mm }),
  ),
  clause(
    "40 mm of noodle",
    seq(length, words("of\\s+(?:dubbing\\s+)?noodle")),
    (s, [noodle]) => void (s.noodle = noodle),
  ),
  clause(
    "a thin dubbing of",
    seq(opt(words("an?")), howThick, words("dubbing\\s+of(?=\\s+[a-z])")),
    (s, [, t]) => void (s.thickness ??= t),
  ),
  clause(
    "a thin layer of",
    seq(opt(words("an?")), howThick, words("(?:layer|coating|covering|veil|skin|film)(?:\\s+of)?")),
    (s, [, t]) => void (s.thickness ??= t),
  ),
  clause(
    "a short noodle of",
    words(
      "(?:an?\\s+)?(?:short|small|little|long)\\s+(?=(?:dubbing\\s+)?(?:noodle|rope)\\s+(?:of\\s+)?(?:about\\s+)?\\d)",
    ),
    () => undefined,
  ),
  clause("a thin noodle", seq(opt(words("an?")), howThick, NOODLE), (s, [, t]) => {
    Object.assign(s, { thickness: t, isNoodle: true });
  }),
  clause(
    "tapered 1 to 3",
    unless(ratio, match('\\s*(?:mm|cm|in\\b|"|of\\b|gape|shank|eye|body|times|/|%)')),
    (s, [, a, , b]) => {
      if (s.noodle === undefined || !(a >= 0.05 && a <= 20 && b >= 0.05 && b <= 20)) return false;
      s.taper = [a, b];
    },
  ),
  clause("0.4 to 0.2 gape full", endsRead(), (s, { pair }) => void (s.fullness = pair)),
  clause(
    "0.5 gape full",
    oneOf(
      map(seq(words("full|(?:no|not)\\s+(?:thicker|fatter|fuller|bigger)\\s+than"), length), ([, l]) => l),
      map(seq(length, words(fullWords)), ([l]) => l),
    ),
    (s, l) => {
      s.fullness = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
    },
  ),
  clause(
    "cigar 0.5 gape",
    seq(
      shape,
      opt(words(",|of|about")),
      oneOf(
        map(lengthPair, (p) => p),
        // “slim, 2 mm long” says how far.
        map(unless(length, words("long")), samePair),
      ),
      opt(words(fullWords)),
    ),
    (s, [sh, , fullness]) => {
      // “tapered, to mid-shank” says how far, not how full.
      if (fullness.some((l) => "to" in l || "reach" in l || isExtent(l) || ("mm" in l && l.mm > SHORTEST_NOODLE / 2)))
        return false;
      Object.assign(s, { shape: sh, fullness });
    },
  ),
  clause(
    "tapering up to the wing",
    words(
      "(?:and\\s+|then\\s+)?taper(?:ing|ed|s)?(?=\\s+(?:(?:up|down|forward|back)\\s+)?to\\s+(?:(?:about|around|roughly|just|almost)\\s+)?(?:the\\s+)?(?:post|wing|thorax|eyes?|bead|head|hackle|bend|tail|weight|(?:one|two|three)[- ](?:third|quarter)s?|half(?:-?\\s?way)?|mid-?\\s?shank|(?:1|2|3)\\/[2-4])\\b)",
    ),
    (s) => {
      if (s.shape !== undefined) return false;
      s.shape = "tapered";
    },
  ),
  clause(
    "starting thin at the tail and getting fat by the bead",
    words(
      "(?:start(?:ing)?|begin(?:ning)?)\\s+(?:off\\s+)?(?:very\\s+)?(?:thin|slim|sparse|fine|skinny)(?:\\s+(?:at|by|near|from)\\s+the\\s+(?:tail|bend|back|rear))?\\s*,?\\s*(?:and\\s+|then\\s+)*(?:get|grow|becom|go|build|end)(?:ing|ting|s)?(?:\\s+up)?\\s+(?:fat|thick|full|heav|wid|plump)(?:ter|er|ier|y|d?er)?(?:\\s+(?:by|at|near|towards?|behind)\\s+the\\s+(?:bead|eye|head|front|thorax))?",
    ),
    (s) => {
      s.shape ??= "tapered";
    },
  ),
  clause("tapered", shape, (s, sh) => {
    // “Slim, thicker towards the front”: how thin it is at most, and that it grows.
    if (s.shape !== sh && [s.shape, sh].every((is) => is === "slim" || is === "tapered")) {
      s.shape = "tapered";
      s.thickness ??= "sparse";
      return;
    }
    if (s.shape !== undefined && s.shape !== sh) return false;
    s.shape = sh;
  }),
  ...loopLoad,
  clause(
    "a trace",
    words(
      "(?:just\\s+|only\\s+)?(?:an?\\s+|the\\s+)?(?:(?:tini|small)est\\s+(?:amount|pinch|bit)|(?:(?:mere|faint|slight|light|bare|thinn?)(?:est)?\\s+)?(?:trace|touch(?!-dub)|hint|suggestion|dusting|mist|haze|whisper|smear))(?:\\s+of)?(?!\\s+(?:\\w+er|more|less)\\b)",
    ),
    put({ trace: true }),
  ),
  clause(
    "touched on waxed thread",
    words(
      "(?<!\\ban?\\s+)touch(?:ed)?(?:[- ]dubb?(?:ed|ing)?)?(?:\\s+on(?:to)?)?(?:\\s+(?:well[- ])?waxed\\s+thread)?",
    ),
    (s) => putWay(s, "dubbing way", "touched"),
  ),
  clause(
    "ample and reduced",
    words(
      "(?:put\\s+on\\s+)?(?:ample|generous(?:ly)?|plenty)(?:\\s+(?:and|then))?\\s+(?:reduced|thinned(?:\\s+(?:down|out))?|plucked\\s+(?:down|out))",
    ),
    (s) => putWay(s, "dubbing dose", "reduced"),
  ),
  clause(
    "little and added to",
    words("(?:a\\s+)?little\\s+(?:and|then)\\s+added\\s+to|(?:built|added)\\s+(?:up\\s+)?little\\s+by\\s+little"),
    (s) => putWay(s, "dubbing dose", "added"),
  ),
  clause(
    "brushed out",
    words(
      anyOf(
        "(?:the\\s+|some\\s+)?(?:legs?|fibres?|fur|hairs?)\\s+(?:are\\s+)?(?:picked|teased|brushed|pulled)\\s+(?:out|down)",
        "(?:then\\s+|well\\s+)?(?:brushed|picked|teased|roughed)(?:\\s+(?:out|up))?(?:\\s+(?:well|back(?:wards)?|a\\s+little|underneath|below|at\\s+the\\s+sides))?(?<=\\b(?:out|up)\\b[^,.;]*)\\s+(?:only\\s+)?(?:on|over|in|at|for)\\s+(?:the\\s+)?(?:last|front|rear|back|first|middle|hind)\\s+(?:third|half|quarter|part|end|\\d+\\s*mm)(?:\\s+only)?",
        "(?:then\\s+|well\\s+)?(?:brushed|picked|teased|roughed)(?:\\s+(?:out|up))?(?:\\s+(?:well|back(?:wards)?|a\\s+little|underneath|below|at\\s+the\\s+sides))?",
        "left\\s+(?:rough|shaggy|spiky)",
        "rough(?:ly)?",
        "shaggy",
        "spiky",
      ),
    ),
    put({ brushed: true }),
  ),
  ...where.slice(1),
  clause(
    "a little fuller than the body",
    match(
      "(?:(?:a\\s+)?(?:little|bit|touch|shade)|slightly|somewhat|rather|much)?\\s*(fuller|thicker|fatter|bigger|larger|wider|slimmer|thinner|smaller)\\s+than\\s+(?:the\\s+)?(body|abdomen|rear|bead)",
    ),
    (s, [w = "", than]) => {
      const times = /^(?:slim|thin|small)/.test(w) ? 0.85 : 1.2;
      if (than === "bead") s.asBead = times;
      else s.ofBody = times;
    },
  ),
  clause(
    "but thicker",
    match(
      "(?:but\\s+)?(?:an?\\s+(?:good\\s+)?(?:bit|little|touch|deal)\\s+|slightly\\s+|rather\\s+|much\\s+|a\\s+lot\\s+)?(thicker|fuller|fatter|bigger|thinner|slimmer|smaller)(?:\\s+this\\s+time)?(?=\\s*(?:[,.;]|$))",
    ),
    (s, [w]) => {
      if (s.ofBody !== undefined) return false;
      s.ofBody = w === "slimmer" || w === "thinner" || w === "smaller" ? 0.85 : 1.2;
    },
  ),
  clause(
    "but twice as thick",
    match(
      "(?:but\\s+|and\\s+)?(?:about\\s+)?(twice|double|half)\\s+(?:as\\s+(?:thick|full|fat|big)(?!\\s+as)|the\\s+(?:thickness|size)(?!\\s+of))",
    ),
    (s, [w]) => {
      if (s.ofBody !== undefined) return false;
      s.ofBody = w === "half" ? 0.5 : 2;
    },
  ),
  clause(
    "twice as thick as the body",
    seq(
      opt(words("about|roughly|some|maybe|perhaps|say")),
      oneOf(
        map(words("twice|double"), () => 2),
        map(match("(\\d+(?:[.,]\\d+)?)x"), ([n = ""]) => Number(n.replace(",", "."))),
        number,
      ),
      opt(words("times|x")),
      words(
        "(?:as\\s+(?:thick|full|fat|wide|big|deep)\\s+as|the\\s+(?:thickness|diameter|width)\\s+of)\\s+(?:the\\s+)?(?:body|abdomen)",
      ),
    ),
    (s, [, times]) => {
      if (!(times >= 0.5 && times <= 4)) return false;
      s.ofBody = times;
    },
  ),
  clause(
    "as thick as the bead",
    seq(
      opt(words("about|roughly|nearly|almost|just|maybe|perhaps")),
      words(
        "(?:as\\s+(?:thick|full|fat|wide|big)\\s+as|(?:the\\s+)?(?:same\\s+)?(?:thickness|diameter|width|size)\\s+(?:of|as)|to\\s+match)\\s+(?:the\\s+)?bead",
      ),
      opt(words("(?:at\\s+the|in)\\s+(?:front|head|thorax)")),
    ),
    (s) => {
      // “2 mm, as thick as the bead”: so far it goes.
      if (s.fullness !== undefined) Object.assign(s, { size: s.fullness, isLong: true });
      delete s.fullness;
      s.asBead = 1;
    },
  ),
  clause(
    "over the eyes",
    words(
      "(?:(?:figure-eighted|figured|wrapped|wound|dubbed)\\s+)?(?:a?round|over|between)\\s+the\\s+eyes(?!\\s+of\\b)",
    ),
    onBothSidesOf("eyes", 0.5),
  ),
  clause(
    "in front of and behind the wing",
    match(
      "(?:(?:both\\s+)?(?:in\\s+front\\s+of|ahead\\s+of|before)\\s+and\\s+(?:behind|after)|(?:both\\s+)?(?:behind|after)\\s+and\\s+(?:in\\s+front\\s+of|ahead\\s+of|before))\\s+(?:the\\s+)?(?:wings?|(?:wing\\s+)?post)(?!\\s+case)",
    ),
    (s) => {
      if (s.from !== undefined) return false;
      s.from = { part: "wing", end: "front", plus: { of: "eye", times: -1 } };
      s.to = { part: "wing", end: "rear", plus: { of: "eye", times: 1 } };
    },
  ),
  clause("2 turns behind the wing and 1 in front", aroundRead, (s, { part }) => {
    if (!part || s.from !== undefined || !("part" in part)) return false;
    s.from = { ...part, end: "front", plus: { of: "eye", times: -1 } };
    s.to = { ...part, end: "rear", plus: { of: "eye", times: 1 } };
  }),
  clause(
    "on the thread",
    words("(?:on(?:to)?|round|around)\\s+(?:the\\s+)?(?:(?:waxed|tying|working)\\s+)?(?:thread|silk)"),
    () => undefined,
  ),
  clause("short", words("(?:and\\s+)?short(?=\\s*(?:[,.;]|$))"), () => undefined),
  clause("of the dubbed silk", words("(?:of\\s+)?(?:the\\s+)?dubbed\\s+(?:thread|silk)"), () => undefined),
  clause(
    "a rope",
    words("(?:an?\\s+)?(?:dubbing\\s+)?(?:noodle|rope)(?!\\s+(?:of\\s+)?(?:about\\s+)?[\\d.])(?:\\s+of)?"),
    put({ isNoodle: true }),
  ),
  clause(
    "in touching turns",
    words("(?:in\\s+)?(?:close|touching|open|even|tight|firm|side\\s+by\\s+side)\\s+(?:turns|wraps)"),
    () => undefined,
  ),
  figureOfEight,
  clause(
    "80 mm long",
    seq(opt(words("about|roughly|some|maybe|perhaps|say")), absolute, words("long")),
    (s, [, mm]) => {
      if (s.loop && s.loopMm === undefined) s.loopMm = mm;
      // A thorax is 3 mm long, a noodle is not.
      else if (!s.loop && s.noodle === undefined && mm >= SHORTEST_NOODLE) s.noodle = { mm };
      else if (!s.loop && s.size === undefined && mm < SHORTEST_NOODLE) {
        s.size = samePair({ mm });
        s.isLong = true;
      } else return false;
    },
  ),
  clause("2 mm wide", seq(absolute, words("wide|in\\s+width")), (s, [mm]) => {
    if (s.size !== undefined || s.fullness !== undefined || mm >= SHORTEST_NOODLE) return false;
    Object.assign(s, { size: samePair({ mm }), isWide: true });
  }),
  clause(
    "on 40 mm of the silk",
    seq(
      opt(words("on(?:to)?|over|along")),
      opt(words("about|roughly|some|maybe|perhaps|say")),
      absolute,
      words("of\\s+(?:the\\s+|your\\s+)?(?:waxed\\s+)?(?:thread|silk)"),
    ),
    (s, [, , mm]) => {
      if (s.loop || s.noodle !== undefined || mm < SHORTEST_OF_IT) return false;
      s.noodle = { mm };
    },
  ),
  clause(
    "for 40 mm",
    match("(?:for|over)(?:\\s+(?:about|roughly|some))?\\s+(\\d+(?:[.,]\\d+)?)\\s*(mm|cm)(?=\\s*(?:[,.;]|$))"),
    (s, [n = "", unit]) => {
      const mm = Number(n.replace(",", ".")) * (unit === "cm" ? 10 : 1);
      if (s.loop || s.noodle !== undefined || mm < SHORTEST_NOODLE) return false;
      s.noodle = { mm };
    },
  ),
  clause(
    "40 mm of it",
    seq(
      opt(words("about|roughly|some|maybe|perhaps|say")),
      absolute,
      words("of(?:\\s+it)?(?!\\s+(?:the|an?)\\b)|on\\s+(?:the\\s+)?(?:waxed\\s+)?(?:thread|silk)"),
    ),
    (s, [, mm]) => {
      if (s.loop || s.noodle !== undefined || mm < SHORTEST_OF_IT) return false;
      s.noodle = { mm };
    },
  ),
  clause("0.4 gape", unless(howFull, words("behind|in\\s+front|ahead|before|from|back|of\\b|wide|long\\b")), (s, l) => {
    if (s.fullness !== undefined || s.noodle !== undefined || "to" in l || "reach" in l || isExtent(l)) return false;
    // “in a dubbing loop, 5 cm”: so long is the loop.
    if (s.loop && s.loopMm === undefined && "mm" in l && l.mm >= SHORTEST_NOODLE) {
      s.loopMm = l.mm;
      return;
    }
    // “a thin noodle of olive fur, 40 mm”: so long is the noodle.
    if (s.isNoodle && "mm" in l && l.mm >= SHORTEST_OF_IT) {
      s.noodle = l;
      return;
    }
    s.fullness = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
  }),
  clause(
    "in 6 turns",
    seq(
      opt(words("in|with")),
      count,
      words(
        "(?:close\\s+|open\\s+|touching\\s+)?(?:turns?|wraps?)(?:'?\\s+worth)?(?:\\s+of(?:\\s+(?:the\\s+)?(?:dubbed\\s+)?(?:thread|silk)\\b)?)?",
      ),
    ),
    (s, [, { n }]) => {
      s.dubbedTurns ??= n;
    },
  ),
  clause("sparse", howThick, (s, t) => {
    if (s.thickness !== undefined) return false;
    s.thickness = t;
  }),
  ...everywhere,
];

/** Two ends of a taper: “0.4 to 0.2 gape full”, “0.2 gape at the bend to 0.4 gape behind the bead”. */
function endsRead() {
  return (text: string, at: number) => {
    const found = taper(text, at);
    if (!found) return undefined;
    const stretch = text.slice(at, found.end);
    const isRearFirst = rear.test(stretch.split(/\bto\b/)[0] ?? "");
    const { pair } = found.value;
    return { value: { pair: isRearFirst ? ([pair[1], pair[0]] as typeof pair) : pair }, end: found.end };
  };
}
const taper = oneOf(
  map(
    seq(
      opt(words("from|full|tapering\\s+from|taper(?:ed)?\\s+from")),
      oneLength,
      words("(?:taper(?:ing|s)?\\s+|thinning\\s+|rising\\s+)?(?:down\\s+|up\\s+)?to|and"),
      oneLength,
    ),
    ([, a, , b]) => ({ pair: [a, b] as [typeof a, typeof a] }),
  ),
  map(
    seq(opt(words("from|full|tapering\\s+from|taper(?:ed)?\\s+from")), lengthPair, opt(words(fullWords))),
    ([, pair]) => ({ pair }),
  ),
);
