import { LENGTH_UNIT, mmOf } from "../../units";
import type { PartEnd, Place, PlaceShift } from "../../hooks";
import { firstsOf } from "../firsts";
import { anyOf, beginning, map, match, memo, oneOf, opt, seq, unless, whole, words, type Reader } from "../parse";
import { number, readNumber } from "./number";
import { isColour } from "../../materials";
import { modifiers } from "../lexicon/nouns";
import { partPlaceWords, PART_PLACES } from "../lexicon/parts";

/** Where the thread hangs: “a centimetre further forward”; the bench knows where that is. */
export const HERE = "here";
/** Where the thread was started: “back to where you started”. */
export const STARTED = "started";
/** Where the halves of a body meet; the bench knows where that is. */
export const JOINT = "joint";
/** What a place by the stuff of a part is called, until the bench says which part that is. */
export const OF_STUFF = "of ";
const the = memo(opt(words("the|a|an|its|that")));
/** “60/40 in a loop” are no inches. */
const NOT_INCHES =
  "(?!in\\s+(?:an?|the|its|one|two|open|close|touching|tight|spiral|wide|front|all|each|turn|total)\\b)";
const unitWord = match(`${NOT_INCHES}(${LENGTH_UNIT})`);
const unitJoined = new RegExp(`${NOT_INCHES}(${LENGTH_UNIT})(?![\\p{L}\\p{N}])`, "iuy");
/** A unit may stand right behind its figure. */
const unit: Reader<(string | undefined)[]> = (text, at) => {
  // “a 3-inch length”
  if (text[at] === "-" && /\d/.test(text[at - 1] ?? "")) at++;
  unitJoined.lastIndex = at;
  const m = unitJoined.exec(text);
  return m ? { value: m.slice(1), end: at + m[0].length } : unitWord(text, at);
};

/** “2 mm”, “an eighth of an inch”, as mm. */
const andPart = map(match("and\\s+an?\\s+(half|quarter)"), ([w]) => (w === "half" ? 0.5 : 0.25));
export const absolute: Reader<number> = memo(
  oneOf(
    // “a millimetre and a half”.
    map(seq(number, unit, andPart), ([n, [u], more]) => exact(mmOf(n + more, u ?? ""))),
    map(seq(number, opt(words("(?:of\\s+)?an?")), unit), ([n, , [u]]) => exact(mmOf(n, u ?? ""))),
    map(seq(match("an?\\s+(centimet(?:re|er)|millimet(?:re|er)|inch|cm)"), opt(andPart)), ([[u], more]) =>
      exact(mmOf(1 + (more ?? 0), u ?? "")),
    ),
  ),
);
/** Inches in mm leave crumbs behind the last digit: nobody measures finer than that. */
const exact = (mm: number | undefined): number | undefined => (mm === undefined ? undefined : Number(mm.toFixed(4)));

/** A distance in any measure of the hook: “2 mm”, “two eyes”, “half a gape”, “1.5 eye lengths”. */
const distance: Reader<PlaceShift> = memo(
  oneOf<PlaceShift>(
    map(absolute, (mm) => ({ mm })),
    map(
      seq(
        number,
        opt(words("of")),
        the,
        match("(?:hook\\s+)?(eye|gape|gap|shank)(?:'?s)?(?:[- ](?:lengths?|widths?|diameters?))?"),
      ),
      ([times, , , [m]]) => ({ of: m === "eye" || m === "shank" ? m : "gape", times }),
    ),
  ),
);

type Towards = 1 | -1;
/** Words that lead away from a place: towards the bend, or towards the eye. */
const leading: [string, Towards][] = [
  ["behind|back\\s+(?:from|of)|to\\s+the\\s+rear\\s+of|rearward\\s+of|aft\\s+of", 1],
  ["in\\s+front\\s+of|ahead\\s+of|forward\\s+of|before|in\\s+advance\\s+of", -1],
];
const leads: Reader<Towards> = oneOf(...leading.map(([w, sign]) => map(words(w), () => sign)));
/** “short of”, “past”: seen from the middle of the shank, so they turn with the place. */
const crossing: Reader<"short" | "past"> = oneOf(
  map(
    words("short\\s+of|shy\\s+of|this\\s+side\\s+of|from(?=\\s+the\\s+(?:hook\\s+)?(?:eye|bend|bead|barb|point)\\b)"),
    () => "short" as const,
  ),
  map(words("past|beyond|over\\s+and\\s+past"), () => "past" as const),
);
const slightly = words(
  "just|right|immediately|directly|close|slightly|a\\s+(?:bit|little|touch|hair|fraction)|shortly",
);
/** What “just behind” is, in eye lengths. */
const JUST: PlaceShift = { of: "eye", times: 0.5 };

const turned = (shift: PlaceShift, sign: number): PlaceShift =>
  "mm" in shift ? { mm: sign * shift.mm } : { of: shift.of, times: sign * shift.times };

/** Whether a place lies nearer the eye than the bend: what lies past it, or short of it, follows. */
function isFront(place: Place): boolean {
  if ("part" in place) return place.end !== "middle";
  if ("fraction" in place) return place.fraction < 0.5;
  return "eyeLengths" in place || place.landmark === "eye";
}
const crossed = (place: Place, how: "short" | "past", shift: PlaceShift): Place =>
  shifted(place, turned(shift, isFront(place) === (how === "past") ? -1 : 1));

/** Adds a shift; eye lengths behind the eye stay what they are called. */
export function shifted(place: Place, shift: PlaceShift): Place {
  if (!("part" in place) && "eyeLengths" in place && place.plus === undefined && "of" in shift && shift.of === "eye")
    return { eyeLengths: Number((place.eyeLengths + shift.times).toPrecision(12)) };
  if (!("part" in place) && "landmark" in place && place.landmark === "eye" && "of" in shift && shift.of === "eye")
    return shift.times >= 0 ? { eyeLengths: shift.times } : { ...place, plus: shift };
  if (!("part" in place) && "landmark" in place && place.landmark === "eye" && "of" in shift && shift.of === "shank")
    return { fraction: shift.times };
  return place.plus === undefined ? { ...place, plus: shift } : place;
}

const BETWEEN_POINT_AND_BARB: Place = { landmark: "bend", plus: { of: "gape", times: -0.31 } };

/** Landmarks, each with the words that name it. */
const landmarkWords: [string, Place][] = [
  ["between\\s+(?:the\\s+)?bends|between\\s+the\\s+two\\s+bends", { landmark: "betweenBends" }],
  [
    "(?:well|deep|far|just|slightly|a\\s+(?:little|bit|short)(?:\\s+way)?|some\\s+way|right|half-?\\s?way|(?:(?:an?|one)\\s+)?(?:third|quarter|half)\\s+of\\s+the\\s+way|part\\s+of\\s+the\\s+way)?\\s*(?:down\\s+)?(?:into|in|round|around|down)\\s+the\\s+bend|into\\s+the\\s+curve|(?:round|on)\\s+the\\s+curve",
    { landmark: "intoBend" },
  ],
  [
    anyOf(
      "(?:start|beginning|top|front|edge)\\s+of\\s+(?:the\\s+)?(?:hook\\s+)?bend",
      "(?:(?:point|place|spot|position)\\s+)?where\\s+the\\s+bend\\s+(?:begins|starts)",
      "(?:(?:point|place|spot|position)\\s+)?where\\s+the\\s+(?:hook(?:\\s+shank)?|shank|wire|curve)(?:\\s+just)?\\s+(?:(?:starts|begins)(?:\\s+to\\s+(?:curve|bend|slope|turn|dip)(?:\\s+down(?:wards)?)?)?|curves|bends|dips|turns\\s+down)",
      "(?:end|rear|back)\\s+of\\s+(?:the\\s+)?(?:straight\\s+)?shank",
      "(?<=\\b(?:at|near|in)\\s+the\\s+)(?:very\\s+)?(?:back|rear)(?:\\s+end)?(?=\\s+(?:tie|bind|catch|lash|secure|add|put|lay|i|we|you|an?|two|three|four|six|eight|ten|\\d+)\\b|\\s*[,.;])",
      "(?:rear|back)\\s+of\\s+the\\s+hook(?!\\s+(?:eye|point))",
      "(?:hook\\s+)?bend",
    ),
    { landmark: "bend" },
  ],
  [
    "(?:(?:the\\s+)?(?:point|place|spot|position)\\s+)?where\\s+(?:the|a|its)\\s+barb\\s+(?:would|should)(?:\\s+(?:be|have\\s+been|sit))?|(?:hook\\s+)?barb(?!\\s+lengths?\\b)",
    { landmark: "barb" },
  ],
  [
    "(?:the\\s+)?start(?:ing\\s+(?:point|place))?(?!\\s+(?:of|with|by|it|the|your|at|behind|near|a|an|thin|slim|skinny|small|sparse(?:ly)?|out|off)\\b|\\s+(?:[\\w/]+\\s+){1,3}(?:thread|silk)\\b)|where\\s+(?:you|we|i|it)\\s+(?:started|began|begun)",
    { part: STARTED, end: "front" },
  ],

  ["(?<=\\b(?:at|near|to|behind)\\s+(?:the\\s+)?)head(?!\\s+(?:of|hackle|end|size|length))", { eyeLengths: 1 }],
  ["(?<=\\b(?:at|to)\\s+the\\s+)(?:front\\s+)?quarter\\s+(?:mark|point)", { fraction: 0.25 }],
  ["(?<=\\b(?:at|to)\\s+the\\s+)(?:front\\s+)?third\\s+(?:mark|point)", { fraction: Number((1 / 3).toPrecision(12)) }],
  [
    "(?<=\\b(?:at|to)\\s+the\\s+)(?:first|front)\\s+third(?!\\s+(?:of|mark|point)\\b)",
    { fraction: Number((1 / 3).toPrecision(12)) },
  ],
  // “trimmed to a point” is a shape.
  [
    "(?<!\\b(?:an?|that|this|same|which)\\s+)(?:hook(?:'s)?\\s+)?(?:point|(?<=\\bthe\\s+)points)(?:\\s+of\\s+the\\s+hook)?(?!\\s+(?:(?:directly|right|just|exactly|straight)\\s+)?(?:above|over|opposite|level)\\b)",
    { landmark: "point" },
  ],
  [
    anyOf(
      "middle\\s+of\\s+(?:the\\s+)?(?:shank|hook|body)",
      "mid-?\\s?shank",
      "mid-?point(?:\\s+of\\s+(?:the\\s+)?shank)?",
      "cent(?:re|er)\\s+of\\s+(?:the\\s+)?(?:shank|hook)",
      "half-?\\s?way(?!\\s+(?:(?:back|up|down|forwards?)\\s+){0,2}(?:to|towards)\\b)(?:\\s+(?:point|mark))?(?:\\s+(?:along|down|up|back\\s+along)\\s+(?:the\\s+)?(?:shank|hook))?",
      "middle(?!\\s+(?:one|hackle|feather|half|third|quarter)\\b)",
    ),
    { fraction: 0.5 },
  ],
];
const landmark: Reader<Place> = oneOf(
  ...landmarkWords.map(([w, place]) => map(words(w), (): Place => place)),
  map(
    seq(words("between"), the, words("(?:hook\\s+)?point"), words("and"), the, words("barb(?:\\s+of\\s+the\\s+hook)?")),
    () => BETWEEN_POINT_AND_BARB,
  ),
  map(
    seq(words("between"), the, words("barb"), words("and"), the, words("(?:hook\\s+)?point")),
    () => BETWEEN_POINT_AND_BARB,
  ),
  // “eyes” are a part; “the eye” is the hook's.
  map(
    seq(words("(?:(?:back|rear|end)\\s+of\\s+(?:the\\s+)?)?(?:hook[- ]?)?eye"), opt(words("of\\s+the\\s+hook"))),
    (): Place => ({ landmark: "eye" }),
  ),
);

/** The side of a part, seen from where the tying comes: “behind the weight”, “the front of the body”. */
const ofPart = (): Reader<Place> =>
  map(
    partSide,
    // Behind a bead is where the eye lengths begin; a fly without the bead has the place all the same.
    ({ role, end }): Place => (role === "bead" ? { landmark: "eye" } : { part: role, end }),
  );
const partNamed = map(
  match(`(${PART_PLACES})(?:\\s+(?:butts?|stubs?|stumps?|base|roots?))?(?!\\s+(?:position|spot|coverts?)\\b)`),
  ([w]) => partPlaceWords[(w ?? "").replace(/\s+/g, " ")],
);
const alsoParts = new Set("body tail wing hackle back centre center left right neck shoulder head".split(" "));
const describing = memo(
  map(match("(?<=\\b(?:the|its|that)\\s+(?:[a-z-]+\\s+)?)([a-z][a-z-]+)"), ([w = ""]) =>
    (modifiers.has(w) || isColour(w)) && !alsoParts.has(w) ? true : undefined,
  ),
);
/** “behind the black bead”, “up to the foam eyes”: a part, with what it is of. */
const part = memo(
  oneOf(
    partNamed,
    map(seq(describing, partNamed), ([, role]) => role),
    map(seq(describing, describing, partNamed), ([, , role]) => role),
  ),
);
const THAT = "(?:it|them|(?:that|this|these|those|all\\s+that)(?=\\s*(?:[,.;]|$|and\\b|then\\b)))";
/** “behind it”: the part that was told of before; settled when the line is. */
const besideIt: Reader<Place> = oneOf<Place>(
  map(
    words(
      "(?:joint|join|junction|meeting(?:\\s+(?:point|place))?|division|seam)\\s+(?:of|between)\\s+(?:the\\s+)?(?:two\\s+)?(?:halves|bodies|colou?rs|sections|parts|flosses|furs)|where\\s+(?:the\\s+)?(?:two\\s+)?(?:halves|colou?rs|bodies|sections)\\s+(?:meet|join)",
    ),
    () => ({ part: JOINT, end: "front" as const }),
  ),
  map(
    words(
      "(?<=\\b(?:between|from)\\s+)there(?=\\s+(?:and|to|up|forward)\\b)|where\\s+(?:the|your)\\s+(?:thread|silk)\\s+(?:is|hangs|sits|waits)",
    ),
    () => ({
      part: HERE,
      end: "front" as const,
      plus: { mm: 0 },
    }),
  ),
  map(
    words("(?<=\\b(?:tied|tie)\\s+(?:it\\s+|them\\s+)?(?:in|on|down)\\s+)(?:right\\s+)?there(?=\\s*(?:[,.;]|$))"),
    () => ({
      part: HERE,
      end: "front" as const,
      plus: { mm: 0 },
    }),
  ),
  map(words("(?:in\\s+)?between\\s+(?:it|them)|in\\s+among\\s+(?:it|them)"), () => ({
    part: "it",
    end: "rear" as const,
  })),
  map(words("in\\s+front(?=\\s*(?:[,.;]|$|(?:\\d+|an?|one|two|three|four|five|six)\\s))"), () => ({
    part: HERE,
    end: "front" as const,
    plus: { mm: 0 },
  })),
  map(words("(?:just\\s+|right\\s+|close\\s+)?behind(?=\\s*(?:[,.;]|$))"), () => ({
    part: "it",
    end: "rear" as const,
  })),
  map(words(`(?:just\\s+|right\\s+|close\\s+)?behind\\s+${THAT}`), () => ({ part: "it", end: "rear" as const })),
  map(words(`(?:just\\s+|right\\s+)?(?:in\\s+front|ahead)\\s+of\\s+${THAT}`), () => ({
    part: "it",
    end: "front" as const,
  })),
);
/** “Where the body ends”. */
const wherePartEnds: Reader<Place> = map(
  seq(words("where"), the, part, words("ends?|stops?|finish(?:es)?")),
  ([, , role]) => ({ part: role, end: endOfTying(role) }),
);
/** “Where the feelers are”, “where the tail was tied in”: at the rear of that part. */
export const whereItIs: Reader<Place> = oneOf<Place>(
  wherePartEnds,
  // “Where the body begins”, “where the seal's fur starts”.
  map(
    seq(words("(?:at\\s+the\\s+(?:place|spot|point)\\s+)?where"), the, part, words("starts?|begins?")),
    ([, , role]) => ({
      part: role,
      end: "rear" as const,
    }),
  ),
  map(
    match(
      "(?:at\\s+the\\s+(?:place|spot|point)\\s+)?where\\s+the\\s+((?:[a-z]+(?:'s)?\\s+){0,2}(?:fur|floss|tinsel|wool|yarn|chenille|herl|dubbing|silk|hair|foam|wire))\\s+(starts?|begins?|ends?|stops?)",
    ),
    ([stuff = "", way = ""]) => ({
      part: `${OF_STUFF}${stuff}`,
      end: way.startsWith("start") || way.startsWith("begin") ? ("rear" as const) : ("front" as const),
    }),
  ),
  // “where the wing's going to be”: of a part that is still to come.
  map(
    seq(
      words("where"),
      the,
      part,
      words("(?:'s\\s+|is\\s+)?going\\s+to\\s+(?:be|go|sit)|will\\s+(?:be|go|sit)|goes|gets\\s+tied\\s+in"),
    ),
    // A wing is tied in two eyes behind the eye where nobody says where.
    ([, , role]): Place => (role === "wing" ? { eyeLengths: 2 } : { part: role, end: "rear" }),
  ),
  map(
    seq(
      words("(?:at\\s+the\\s+(?:place|spot|point)\\s+)?where"),
      the,
      part,
      words("(?:is|are|was|were)(?:\\s+tied\\s+in)?(?=\\s*(?:[,.;]|$|and\\b))"),
    ),
    ([, , role]) => ({ part: role, end: "rear" as const }),
  ),
);
const partSide: Reader<{ role: string; end: PartEnd }> = oneOf(
  map(seq(the, part, match("'s\\s+(front|rear|back|head)(?:\\s+(?:end|edge))?")), ([, role, [end]]) => ({
    role,
    end: end === "front" || end === "head" ? ("front" as const) : ("rear" as const),
  })),
  map(seq(words("(?:front|head|fore|forward)(?:\\s+(?:end|edge))?\\s+of"), the, part), ([, , role]) => ({
    role,
    end: "front" as const,
  })),
  map(seq(words("(?:rear|back|hind(?:\\s+end)?|rear\\s+end)\\s+of"), the, part), ([, , role]) => ({
    role,
    end: "rear" as const,
  })),
  map(words("(?:thin\\s+|narrow\\s+)?waist"), () => ({ role: "body" as const, end: "front" as const })),
  map(seq(words("(?:end|base|foot|root)\\s+of"), the, part), ([, , role]) => ({
    role,
    end: endOfTying(role),
  })),
  // “the eye end of the body” lies towards the eye.
  map(seq(match("(eye|head|bend|tail)\\s+end\\s+of"), the, part), ([[end], , role]) => ({
    role,
    end: end === "eye" || end === "head" ? ("front" as const) : ("rear" as const),
  })),
  map(seq(words("where"), the, part, words("ends?|stops?|finish(?:es)?")), ([, , role]) => ({
    role,
    end: endOfTying(role),
  })),
  map(
    seq(
      words("where"),
      the,
      part,
      match("((?:will|should|is\\s+going\\s+to|is\\s+to)\\s+)?(?:begins?|starts?|go(?:es)?|be)|is\\s+tied\\s+in"),
    ),
    // What comes up to a wing that is still to come ends behind it.
    ([, , role, [willBe]]) => ({
      role,
      end:
        endOfTying(role) === "front" || (willBe !== undefined && role === "wing")
          ? ("rear" as const)
          : ("front" as const),
    }),
  ),
  map(
    seq(
      words(
        "(?:middle|centre|center)\\s+of|mid-?|over|(?:under(?:neath)?|beneath)(?=\\s+(?:the\\s+)?thorax)|on\\s+top\\s+of|beside|alongside|between(?!.*\\band\\b)",
      ),
      the,
      part,
    ),
    ([, , role]) => ({ role, end: "middle" as const }),
  ),
);
/** A body is tied towards the eye, so that its end is its front; weight and eyes end at the rear. */
const endOfTying = (role: string): PartEnd =>
  role === "body" || role === "thorax" || role === "rib" ? "front" : "rear";

/** “a third back”: from the eye, where no other end is named. */
export const thirdBack: Reader<Place> = map(
  seq(
    match("(?:the\\s+)?(one|two|three|a)[- ](thirds?|quarters?)"),
    words(
      "of\\s+the\\s+way\\s+back(?!\\s+(?:from|of|to|towards?|along|down|up)\\b)|back(?!\\s+(?:from|of|towards?|along|down|up)\\b)",
    ),
  ),
  ([[n, of]]) => ({ fraction: shareOf(n, of) }),
);
/** “two thirds of the way back from the eye”, “a third up from the bend”. */
export const shareFrom: Reader<Place> = map(
  seq(
    // A number alone would leave its sign behind.
    oneOf(
      map(match("(\\d+)\\s*(?:%|per\\s?cent)"), ([p]) => Number(p) / 100),
      number,
    ),
    opt(words("of")),
    opt(words("the\\s+(?:way|distance|shank|hook)")),
    opt(words("along|back|down|forward|up")),
    opt(words("(?:the\\s+)?(?:shank|hook)")),
    words("from"),
    the,
    match("(?:hook\\s+)?(eye|bend|rear|front)"),
  ),
  ([f, , , , , , , [end]]) =>
    f > 1 ? undefined : { fraction: end === "eye" || end === "front" ? f : Number((1 - f).toPrecision(12)) },
);
/** “A little over half way up”: whoever goes up the shank comes from the bend. */
const aboutHalfUp: Reader<Place> = map(
  match(
    "(?:just|slightly|a\\s+(?:little|bit|touch))\\s+(over|past|beyond|more\\s+than|under|less\\s+than|short\\s+of)\\s+half-?\\s?way\\s+up(?:\\s+the\\s+(?:hook\\s+)?(?:shank|hook))?",
  ),
  ([how = ""]) => ({ fraction: /under|less|short/.test(how) ? 0.55 : 0.45 }),
);
export const percent: Reader<number> = map(
  match("(\\d+(?:[.,]\\d+)?)\\s*(?:%|per\\s?cent)"),
  ([p = ""]) => Number(p.replace(",", ".")) / 100,
);
/** “1/3 behind the eye”, “30 % of the shank behind the eye”, “a third in front of the bend” */
const shareFromEnd: Reader<Place> = map(
  seq(
    oneOf(percent, number),
    opt(words("of\\s+the\\s+(?:way|shank|hook)")),
    oneOf(
      map(
        seq(
          words("behind|back\\s+from|from(?=\\s+the\\s+(?:hook\\s+)?eye\\s*(?:[,.;]|$))"),
          the,
          words("(?:hook\\s+)?eye"),
        ),
        () => false,
      ),
      map(
        seq(words("in\\s+front\\s+of|ahead\\s+of|forward\\s+of|up\\s+from"), the, words("(?:hook\\s+)?bend")),
        () => true,
      ),
    ),
  ),
  ([f, , isFromBend]) => (f > 0 && f < 1 ? { fraction: isFromBend ? Number((1 - f).toPrecision(12)) : f } : undefined),
);
const THE_FRONT = "the\\s+(?:hook\\s+)?(?:eye|bead|cone|head|front)";
const BACK_TO_EYE = `way\\s+back\\s+(?:up\\s+the\\s+(?:hook\\s+)?shank(?!\\s+from)|(?:up\\s+)?(?:(?:along\\s+)?the\\s+shank\\s+)?(?:to|towards?)\\s+${THE_FRONT})`;
/** “Half way”, “two thirds of the way”, and where it leads. */
const partOfWay = (leads: string): Reader<number> =>
  oneOf<number>(
    map(words(`half-?way${leads}`), () => 0.5),
    map(seq(number, words(`(?:(?:of\\s+)?the\\s+)?way${leads}`)), ([share]) =>
      share > 0 && share < 1 ? share : undefined,
    ),
  );
/** “Two thirds of the way back to the eye”: whoever comes back to it was at the bend. */
export const wayBackToEye: Reader<Place> = oneOf<Place>(
  map(seq(number, words(`(?:of\\s+the\\s+)?${BACK_TO_EYE}`)), ([f]) =>
    f > 0 && f < 1 ? { fraction: Number((1 - f).toPrecision(12)) } : undefined,
  ),
  map(partOfWay(`\\s+(?:(?:forwards?|up)\\s+)?(?:to|towards?)\\s+${THE_FRONT}`), (f) => ({
    fraction: Number((1 - f).toPrecision(12)),
  })),
);
/** “Half way to the bend”: whoever goes there comes from the eye. */
export const wayToBend: Reader<Place> = map(
  partOfWay(
    "\\s+(?:back\\s+|down\\s+)?(?:to|towards?)\\s+the\\s+(?:(?:hook\\s+)?bend|tail(?!\\s+(?:tip|end))|rear|back)",
  ),
  (fraction) => ({ fraction }),
);
/** “To the bend and half way back”: where the way was told that it comes back from. */
export const wayBackOnly: Reader<Place> = map(
  seq(number, words("(?:of\\s+the\\s+)?way\\s+back(?:\\s+up)?(?=\\s*(?:[,.;]|$))")),
  ([f]) => (f > 0 && f < 1 ? { fraction: Number((1 - f).toPrecision(12)) } : undefined),
);
const fractionOfShank: Reader<Place> = oneOf<Place>(
  wayToBend,
  aboutHalfUp,
  shareFrom,
  shareFromEnd,
  // “a third short of the eye”
  map(
    seq(number, opt(words("of\\s+(?:the\\s+)?shank")), words("short\\s+of|shy\\s+of"), the, match("(eye|bend)")),
    ([f, , , , [end]]) => (f > 0 && f < 1 ? { fraction: end === "eye" ? f : 1 - f } : undefined),
  ),
  map(
    seq(
      percent,
      opt(words("(?:mark|of\\s+(?:the\\s+)?shank|(?:of\\s+the\\s+way\\s+)?(?:along|back|down)(?:\\s+the\\s+shank)?)")),
    ),
    ([fraction]) => ({ fraction }),
  ),
  // “two thirds up the shank”: whoever goes up it comes from the bend.
  map(
    seq(
      number,
      words(
        "(?:of\\s+the\\s+way\\s+)?up\\s+the\\s+(?:hook\\s+)?(?:shank|hook)|of\\s+the\\s+way\\s+up(?!\\s+(?:the|from|to)\\b)|up(?=\\s*(?:[,.;]|$)|\\s+(?:leaving|and)\\b)",
      ),
    ),
    ([f]) => (f > 1 ? undefined : { fraction: Number((1 - f).toPrecision(12)) }),
  ),
  map(
    seq(
      number,
      opt(words("of|x")),
      the,
      words(
        `(?:hook\\s+)?shank(?:s)?(?!\\s+lengths?)|(?:of\\s+the\\s+)?(?!${BACK_TO_EYE})way\\s+(?:along|back|down|up)(?:\\s+the\\s+(?:shank|hook))?|(?:along|back|down|up)\\s+the\\s+(?:shank|hook)`,
      ),
      opt(words("behind\\s+the\\s+eye|back\\s+from\\s+the\\s+eye|mark")),
    ),
    // “1 of the shank” is its end; “one shank” is a length.
    ([f, of]) => (f < 1 || (f === 1 && of !== undefined) ? { fraction: f } : undefined),
  ),
  thirdBack,
);
const shareOf = (n: string | undefined, of: string | undefined): number =>
  (n === "two" ? 2 : n === "three" ? 3 : 1) / (of?.startsWith("third") ? 3 : 4);

/** “to two thirds”, “at one third”: of the shank, where nothing else is said. */
export const bareFraction: Reader<Place> = map(
  seq(
    opt(words("the|about")),
    match(
      "(one|two|three|a)[- ](thirds?|quarters?)(?!\\s+(?:of|the|along|back|down|up|from|shank|gape|as|longer|way|one|layer|coat|turn|time|wrap))",
    ),
    opt(words("point|mark|spot|position")),
  ),
  ([, [n, of]]) => ({ fraction: shareOf(n, of) }),
);

/** “halfway” begins with a share, and is none. */
const landmarkFirst: Reader<Place> = beginning(firstsOf("h"), (text, at) =>
  text.startsWith("half", at) &&
  /^half-?\s?way\b(?!\s+(?:from|between|(?:(?:back|up|down|forwards?)\s+){0,2}(?:to|towards)\b))/.test(
    text.slice(at, at + 32),
  )
    ? landmark(text, at)
    : undefined,
);

const eyeLengths: Reader<Place> = map(
  seq(
    number,
    words("(?:hook[- ])?eye(?:'?s)?(?:[- ](?:lengths?|widths?|diameters?))?"),
    opt(andPart),
    opt(words("(?:behind|back\\s+from|from)\\s+the\\s+(?:hook\\s+)?(?:eye|bead)|back|behind\\s+it")),
  ),
  ([n, , more]) => ({ eyeLengths: n + (more ?? 0) }),
);

/** “At the 1/3 point”. */
const sharePoint: Reader<Place> = map(
  match("([1-3])\\s*/\\s*([2-5])\\s+(?:point|mark|spot|position)(?!\\s+of)"),
  ([n, of]) => (Number(n) < Number(of) ? { fraction: Number(n) / Number(of) } : undefined),
);
const base: Reader<Place> = memo(
  oneOf(
    map(seq(opt(words("the")), sharePoint), ([, p]) => p),
    map(seq(the, landmarkFirst), ([, p]) => p),
    map(seq(opt(words("the|its")), fractionOfShank), ([, p]) => p),
    bareFraction,
    map(seq(the, ofPart()), ([, p]) => p),
    map(seq(the, landmark), ([, p]) => p),
  ),
);
/** “the eyes”, “the weight”: where the tying stops in front of it or behind it, it comes from the bend. */
// “… by the tip, to palmer later” is no place.
const isDone = /^palmer\s+(?:it|them|later|over|the|forwards?|with)\b/;
const partThere: typeof part = beginning(part.firsts, (text, at) =>
  isDone.test(text.slice(at, at + 16)) ? undefined : part(text, at),
);
const plainPart: Reader<Place> = map(seq(the, partThere), ([, role]): Place =>
  role === "bead" ? { landmark: "eye" } : { part: role, end: "rear" },
);
const partFront: Reader<Place> = map(seq(the, part), ([, role]): Place =>
  role === "bead" ? { landmark: "eye" } : { part: role, end: "front" },
);
const target: Reader<Place> = oneOf(base, plainPart);
/** “1 cm in front of it”: of what was told of last. */
const itself: Reader<Place> = map(
  words("(?:it|that|them|those)(?=\\s*(?:[,.;)]|$|(?:and|then|with|on|in|at)\\b))"),
  () => ({
    part: "it",
    end: "front" as const,
  }),
);

/**
 * A place at a distance from another: “3 mm behind the eye”, “just in front of the weight”, “2 eyes short of the bend”.
 */
const away: Reader<Place> = oneOf<Place>(
  // Nothing is tied in between a bead and the eye that it stands against: “before” is when, or where it comes from.
  map(words("before\\s+the\\s+(?:bead|cone)(?:\\s+goes\\s+on)?"), () => ({ eyeLengths: 0.5 })),
  map(seq(distance, leads, oneOf(base, plainPart, itself)), ([d, sign, p]) => shifted(faced(p, sign), turned(d, sign))),
  map(seq(distance, crossing, target), ([d, how, p]) => crossed(p, how, d)),
  map(seq(slightly, leads, target), ([, sign, p]) => besides(faced(p, sign), sign)),
  map(seq(slightly, crossing, target), ([, how, p]) => crossed(p, how, JUST)),
  map(seq(words("short\\s+of|shy\\s+of"), target), ([, p]) => crossed(p, "short", JUST)),
  map(seq(words("past|beyond"), target), ([, p]) => crossed(p, "past", JUST)),
  map(seq(words("behind|back\\s+of"), target), ([, p]) => besides(faced(p, 1), 1)),
  map(seq(words("in\\s+front\\s+of|ahead\\s+of|before|forward\\s+of"), oneOf(base, partFront)), ([, p]) =>
    besides(faced(p, -1), -1),
  ),
  (text, at) => ofStuff(text, at),
);
const stuffNamed = match(
  "(saddles?|marabou|bucktail|chenille|wool|yarn|floss|foam|herls?|biots?|flank|fox|rabbit|feathers?|plumes?|hair|fur|fibres|strip|zonker|squirrel|calftail|partridge|grouse|starling|woodcock|snipe|ostrich|peacock|cdc|elk|deer|teal|mallard|turkey|pheasant|guinea|braid|mylar|seal|hare|dubbing)(?=\\s*(?:[,.;)]|$|(?:and|then|with|to|in|at|for|so|by|but|\\d+)\\b))",
);
/** “To the foam”: so far as the part that is of it. */
export const stuffReached: Reader<Place> = map(seq(words("the"), stuffNamed), ([, [stuff]]) => ({
  part: `${OF_STUFF}${stuff ?? ""}`,
  end: "rear",
}));
/** “In front of the saddles”: a part by what it is of; the bench knows which of them that is. */
const ofStuff: Reader<Place> = map(seq(opt(slightly), leads, words("the"), stuffNamed), ([, sign, , [stuff]]) => ({
  part: `${OF_STUFF}${stuff ?? ""}`,
  end: sign === 1 ? "rear" : "front",
}));
const faced = (p: Place, sign: Towards): Place =>
  "part" in p && p.end !== "middle" ? { ...p, end: sign === 1 ? "rear" : "front" } : p;
/** Behind a part is at its rear end; behind a place of the hook a little must lie between. */
const besides = (p: Place, sign: Towards): Place =>
  "part" in p || ("landmark" in p && p.landmark === "eye" && sign === 1)
    ? "part" in p
      ? p
      : { eyeLengths: 0.5 }
    : shifted(p, turned(JUST, sign));

const opposite = opt(
  words(
    "(?:(?:the\\s+|a\\s+)?(?:point|place|spot)\\s+)?(?:right|directly|exactly|just|straight)?\\s*(?:over|above|opposite|in\\s+line\\s+with|level\\s+with)",
  ),
);

/** “A centimetre further forward”, “5 mm in front of that”: from where the last was tied in. */
const fromHere: Reader<Place> = map(
  seq(
    opt(words("again|another")),
    absolute,
    words(
      "(?:further\\s+(?:forwards?|up|along)|forwards?|ahead|nearer\\s+(?:to\\s+)?the\\s+eye|(?:in\\s+front|ahead)\\s+of\\s+(?:that|this|those))(?!\\s+(?:to|of|from)\\b)",
    ),
  ),
  ([, mm]) => ({ part: HERE, end: "front", plus: { mm: -mm } }),
);
/** “Move forward 5 mm”, “back by 3 mm”: so much further than the thread hangs. */
const onwardFromHere: Reader<Place> = map(
  seq(match("(forward|back)(?:wards?|s)?(?:\\s+(?:by|about|another))*"), absolute),
  ([[way], mm]) => ({ part: HERE, end: "front", plus: { mm: way === "back" ? mm : -mm } }),
);
/** A place that lies beside another: “behind the eyes”, “2 mm in front of the bend”. */
export const placeBeside: Reader<Place> = memo(oneOf(shareFromEnd, fromHere, onwardFromHere, besideIt, away));
/** A place that says itself to be one, with a landmark, a part's side or a distance. */
export const place: Reader<Place> = memo(
  oneOf<Place>(
    fromHere,
    onwardFromHere,
    besideIt,
    away,
    unless(eyeLengths, words("long|wide|thick|high|tall|clear|of|free|bare")),
    map(seq(opposite, base), ([, p]) => p),
  ),
);
/** “the front”, “the rear”: ends of the shank, where a word before them says that a place comes. */
const endOfShank: Reader<Place> = oneOf<Place>(
  map(
    seq(the, words("(?:very\\s+)?(?:front|head\\s+end|shoulder)(?!\\s+(?:half|third|quarter|two|of|hackle|\\d))")),
    () => ({ eyeLengths: 1.5 }),
  ),
  map(
    seq(the, words("(?:very\\s+)?(?:rear|tail\\s+end|back\\s+end)(?!\\s+(?:half|third|quarter|two|of|hackle|\\d))")),
    () => ({ landmark: "bend" as const }),
  ),
);
/** “Wrap forward to the thread”: to where it hangs. */
const whereItHangs: Reader<Place> = map(
  words(
    "(?:the\\s+|your\\s+)?(?:(?:waiting|hanging|tying)\\s+)?(?:thread|silk)(?=\\s*(?:[,.;]|$)|\\s+(?:and|then)\\b)",
  ),
  () => ({ part: HERE, end: "front" as const, plus: { mm: 0 } }),
);
const nearly = opt(words("about|around|roughly|approximately|somewhere|nearly|almost|a\\s+(?:point|spot|place)"));
/** The same, where a part alone will do: “up to the eyes”. */
export const placeReached: Reader<Place> = memo(
  map(seq(nearly, oneOf(place, plainPart, endOfShank, whereItHangs)), ([, p]) => p),
);

/** @returns the place, or undefined where the text is none */
export const readPlace = (text: string): Place | undefined => {
  const t = text.trim().toLowerCase();
  if (/^(?:behind\s+the\s+bead)$/.test(t)) return { landmark: "eye" };
  const shank = /^(.+?)\s*shanks?$/.exec(t);
  const n = shank ? readNumber(shank[1] ?? "") : undefined;
  if (n !== undefined) return { fraction: n };
  return whole(placeReached, text);
};

const fromAnEnd = /\b(?:behind|back|from|down|up|forwards?|front|ahead|short|shy|eye|bend)\b/;
/**
 * Whether words tell more than half of the shank and not from which end it is counted. What is wound there from the
 * bend covers so much: “a body to two thirds”.
 */
export const isBareShare = (place: Place, words: string): place is { fraction: number } =>
  "fraction" in place &&
  place.plus === undefined &&
  place.fraction > 0.5 &&
  place.fraction < 1 &&
  !fromAnEnd.test(words);
/** A share of the shank, counted from its other end. */
export const fromOtherEnd = ({ fraction }: { fraction: number }): Place => ({
  fraction: Number((1 - fraction).toPrecision(12)),
});
