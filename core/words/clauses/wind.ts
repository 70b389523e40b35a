import { anyOf, map, match, oneOf, opt, seq, unless, words } from "../parse";
import { clause, put, putRule, putWay, samePair, type Clause } from "../said";
import { count, times } from "../text/count";
import { length, lengthNamed, lengthPair, lengthReaching } from "../text/length";
import { number, readNumber } from "../text/number";
import { absolute, placeReached } from "../text/place";
import {
  endOfWay,
  everywhere,
  leavingBare,
  leavingRoom,
  onSizes,
  shareOfIt,
  theRest,
  where,
  wraps,
  zoneRead,
  stretched,
} from "./common";

const of = opt(words("of|by|to|about|with"));
const TURNS = words(
  "(?:(?:open|close|closely|touching|tight|neat|even|evenly|spaced|evenly\\s+spaced|well\\s+spaced|equal|full|complete|whole|single|slightly|overlapping|firm)\\s+)*(?:turns?|trns?|spirals?(?!l)|t(?=\\s*(?:[,.;]|$|\\s))|wraps?(?=\\s+(?:of|forward|back|round|around|over|to|from|behind|in\\s+front)))",
);
const TOUCHING =
  "(?:in\\s+)?(?:close(?:ly)?(?:\\s+set)?|touching|tight(?=\\s+(?:turns?|wraps?|together))|side\\s+by\\s+side)(?:\\s*,\\s*(?:touching|close))?";

/** What “a slight overlap” is taken as; shown with the step. */
const SLIGHT_OVERLAP = 0.15;

const zoned: Clause[] = [
  // “2 layers, first 14 turns, then 10 on top”: each layer is told for itself.
  clause("2 layers, the first", words("(?:2|two)\\s+layers\\s*[,:]\\s*(?:the\\s+)?first(?:\\s+of)?"), () => undefined),
  clause(
    "2 mm ball",
    seq(opt(words("an?|into\\s+an?")), absolute, words("(?:round\\s+|neat\\s+)?(?:ball|bump|bulge|hump)")),
    (s, [, mm]) => {
      s.fill = samePair({ mm });
      putRule(s, { touching: true });
    },
  ),
  clause(
    "10 on top",
    seq(
      count,
      opt(words("more")),
      words("on\\s+top(?:\\s+of\\s+(?:it|them|that|the\\s+first))?|over\\s+(?:it|them|that|the\\s+first)"),
    ),
    (s, [{ n }]) => {
      if (s.rule?.turns !== undefined) return false;
      putRule(s, { touching: true, turns: n });
    },
  ),
  clause(
    "laid from mid-shank to the bend",
    seq(words("laid|bound\\s+down|bound\\s+in|laid\\s+down"), zoneRead),
    (s, [, z]) => void (s.laid = z),
  ),
  clause(
    "ramp 0.4 to 0.1 gape",
    seq(words("ramp(?:ed)?|filled|tapering|built"), opt(words("up")), opt(words("from|to")), lengthPair),
    (s, [, , , fill]) => {
      s.fill = fill;
      putRule(s, { touching: true });
    },
  ),
  // Where it hangs: so far it is wound where nothing else is said.
  clause("up to the thread", words("(?:up\\s+)?to\\s+the\\s+(?:thread|silk)(?=\\s+in\\s)"), () => undefined),
  clause(
    "until it is 6 mm thick",
    seq(
      words("(?:until|till)\\s+(?:it|the\\s+\\w+)\\s+(?:is|measures|gets)\\s+(?:about\\s+)?"),
      absolute,
      words("thick|across|wide|in\\s+diameter"),
    ),
    (s, [, mm]) => {
      s.fill = samePair({ mm });
      putRule(s, { touching: true });
    },
  ),
  clause(
    "filled to 0.3 gape",
    seq(
      words("ramp(?:ed)?|filled|built"),
      opt(words("up")),
      opt(words("(?:to|into)\\s+an?\\s+(?:small\\s+|neat\\s+|round\\s+)*(?:ball|bump|hump|taper)(?:\\s+of)?|to|from")),
      length,
    ),
    (s, [, , , l]) => {
      s.fill = samePair(l);
      putRule(s, { touching: true });
    },
  ),
  where[0] as Clause,
  shareOfIt,
  theRest,
  endOfWay,
  ...where.slice(1),
];

const onItsSides = (first: string, second: string) =>
  map(
    seq(
      number,
      opt(words("turns?(?:\\s+each)?|each")),
      words(first),
      opt(placeReached),
      opt(words("it|them|,")),
      opt(words("and|then|plus")),
      number,
      opt(words("turns?(?:\\s+each)?|each")),
      words(second),
      opt(words("it|them")),
      opt(placeReached),
    ),
    ([one, , , a, , , two, , , , b]) => ({ one, two, part: a ?? b }),
  );
const IN_FRONT = "(?:in\\s+front|ahead)(?:\\s+of)?";
/** So many turns on either side of a part. */
export const aroundRead = oneOf(
  map(onItsSides("behind", IN_FRONT), ({ one, two, part }) => ({ behind: one, front: two, part })),
  map(onItsSides(IN_FRONT, "behind"), ({ one, two, part }) => ({ behind: two, front: one, part })),
);
const around: Clause = clause("3 turns behind the wing and 2 in front of it", aroundRead, (s, found) => {
  // “2 turns behind and 3 in front” are round the wing.
  const part = found.part ?? { part: "wing", end: "rear" };
  s.around = { behind: found.behind, front: found.front, part };
  putRule(s, { turns: found.behind });
});
const roundPost: Clause = clause(
  "round the post",
  words(
    anyOf(
      "(?:a?round|about|on|(?:tied|bound)\\s+(?:in\\s+|on\\s+)?to|to)\\s+(?:the\\s+)?(?:(?:base|foot|root|bottom)\\s+of\\s+(?:the\\s+|this\\s+|its\\s+)?)?(?:wing\\s+)?post",
      "(?:a?round|about)\\s+(?:the\\s+)?(?:base|foot|root)\\s+of\\s+(?:the\\s+)?wings?",
      "(?:up|down)\\s+(?:and\\s+(?:up|down)\\s+)?(?:the\\s+)?(?:wing\\s+)?post",
      "(?:in\\s+)?parachute(?:-|\\s+)(?:style|fashion)",
      "as\\s+a\\s+parachute",
      "horizontally",
      "each\\s+(?:turn\\s+|wrap\\s+)?(?:under|below|beneath)\\s+the\\s+(?:one\\s+before|last(?:\\s+one)?|previous(?:\\s+one)?)",
      "parachute(?=\\s+(?:hackle|collar)\\b|\\s*(?:[,.;]|$))",
    ),
  ),
  put({ roundPost: true }),
);
const intoBead: Clause = clause(
  "pushed into the bead",
  words(
    "(?:and\\s+)?(?:(?:push|jam|slide|shove|force|press|run|tuck|work|ram|slip)(?:\\s+(?:it|them|those|these|everything|the\\s+(?:wire|lead|turns|wraps|weight)))?|pushed|jammed|slid|shoved|forced|pressed|run|tucked|worked|rammed|slipped)(?:\\s+(?:up|hard|tight|forward|well))*\\s+(?:in|into|inside|up\\s+against|against|under)(?:\\s+to)?\\s+(?:the\\s+)?(?:(?:back|hole|cavity|recess)\\s+of\\s+the\\s+)?(?:bead|cone|slot)(?:'s\\s+(?:hole|cavity|recess))?|(?:and\\s+)?(?:pushed|jammed|slid|shoved|pressed|tucked)\\s+(?:up\\s+)?in(?=\\s*(?:[,.;]|$))",
  ),
  (s) => {
    s.intoBead = true;
    s.begin ??= { landmark: "eye" };
  },
);
/** Room that stays in front of what is wound. */
const leaving: Clause = clause(
  "leaving 2 eyes",
  map(
    seq(
      words("(?:and\\s+)?leav(?:e|ing)(?:\\s+(?:about|a\\s+good))?"),
      number,
      words(
        "(?:hook[- ])?eyes?(?:[- ](?:lengths?|widths?|diameters?))?(?:\\s+(?:clear|free|bare|open|of\\s+(?:room|space)))*(?:\\s+(?:for\\s+the\\s+\\w+|behind\\s+(?:it|the\\s+eye)|at\\s+the\\s+(?:front|eye|head)))*",
      ),
    ),
    ([, n]) => n,
  ),
  (s, eyeLengths) => {
    if (s.from !== undefined) return false;
    s.end = { eyeLengths };
  },
);
/** “up to the back of the bead, leaving 2 mm for the thorax”. */
const leavingMm: Clause = clause(
  "leaving 2 mm",
  seq(
    words("(?:and\\s+)?leav(?:e|ing)(?:\\s+(?:about|a\\s+good|a\\s+gap\\s+of))?"),
    absolute,
    words(
      "(?:clear|free|bare|of\\s+(?:room|space)|for\\s+(?:the|a)\\s+\\w+|behind\\s+(?:the\\s+(?:eye|bead)|it)|in\\s+front)",
    ),
  ),
  (s, [, mm]) => {
    if (s.from !== undefined || (s.end !== undefined && s.end.plus !== undefined)) return false;
    s.end = { ...(s.end ?? { landmark: "eye" as const }), plus: { mm } };
  },
);
const bodyToo: Clause = clause(
  "which is the body as well",
  words(
    "the\\s+body\\s+is\\s+(?:just\\s+|only\\s+)?(?:of\\s+)?(?:the\\s+)?(?:same\\s+)?(?:thread|silk|it)(?=\\s*(?:[,.;]|$))|(?:(?:which|that|it)\\s+)?(?:also\\s+)?(?:is|makes|forms|gives|serves\\s+as|doubles\\s+(?:up\\s+)?as|(?:is\\s+)?used\\s+(?:for|as)|for|as)(?:\\s+also)?\\s+(?:the\\s+)?body(?:\\s+(?:as\\s+well|too|also))?(?=\\s*(?:[,.;]|$))",
  ),
  put({ isBodyToo: true }),
);
const saysNothing: Clause[] = [
  clause(
    "that is the body",
    words(
      "(?:and\\s+|so\\s+)?(?:that|this)(?:'s|\\s+is)\\s+(?:all\\s+)?(?:the|your|my|our)\\s+(?:body|abdomen|whole\\s+body)",
    ),
    () => undefined,
  ),
  clause(
    "from front to back",
    words(
      "(?:from\\s+)?(?:the\\s+)?(?:front|head)\\s+to\\s+(?:the\\s+)?(?:back|rear|tail)(?=\\s*(?:[,.;)]|$|in\\b|with\\b))|(?:from\\s+)?(?:the\\s+)?(?:back|rear|tail)\\s+to\\s+(?:the\\s+)?(?:front|head)(?=\\s*(?:[,.;)]|$|in\\b|with\\b))",
    ),
    () => undefined,
  ),
  leavingRoom,
  clause(
    "through the hackle",
    words("(?:back\\s+)?through\\s+(?:the\\s+|its\\s+)?(?:hackle|palmer|fibres|barbs|turns)(?:\\s+(?:fibres|barbs))?"),
    () => undefined,
  ),
  clause(
    "centred on the shank",
    words(
      "cent(?:re|er)(?:e?d)?(?:\\s+on\\s+(?:the\\s+)?(?:hook\\s+)?shank)?|in\\s+the\\s+cent(?:re|er)(?:\\s+of\\s+the\\s+shank)?",
    ),
    (s) => void (s.there ??= { fraction: 0.5 }),
  ),
  clause(
    "over both halves",
    words(
      "(?:(?:over|through|along)\\s+)?(?:both\\s+(?:halves|parts|sections)|it\\s+all|everything|the\\s+(?:whole\\s+)?lot|all\\s+of\\s+it)|in\\s+(?:all|total)(?=\\s*(?:[,.;]|$))",
    ),
    () => undefined,
  ),
  clause(
    "pulled down",
    words("(?:pulled|stroked|tied|drawn)\\s+(?:down|under|below|to\\s+the\\s+underside)"),
    () => undefined,
  ),
  clause(
    "figure of eight",
    words(
      "(?:in\\s+)?(?:an?\\s+)?figures?[- ]of[- ](?:eight|8)s?(?:\\s+(?:round|around|between|over)\\s+the\\s+\\w+)?",
    ),
    () => undefined,
  ),
  clause(
    "the gap",
    words("(?:the\\s+|any\\s+)?(?:gap|hollow|step|space)(?=\\s+(?:behind|between|in\\s+front|at|up|with))"),
    () => undefined,
  ),
];

const howOften: Clause[] = [
  clause(
    "the same number of turns",
    words(
      "(?:in\\s+)?(?:the\\s+)?same\\s+number\\s+of\\s+(?:turns|wraps)|as\\s+many\\s+turns(?!\\s+as\\s+(?:you|it|will))",
    ),
    put({ sameTurns: true }),
  ),
  clause("6 touching turns", seq(count, words(`${TOUCHING}\\s+(?:turns?|wraps?)`)), (s, [c]) => setTurns(s, c, true)),
  clause("at most 4 turns", seq(count, TURNS), (s, [c]) => {
    if (!c.atMost) return false;
    s.atMost = c.n;
  }),
  clause(
    "2 turns at most",
    seq(count, TURNS, words("at\\s+(?:the\\s+)?(?:very\\s+)?most|max(?:imum)?|tops")),
    (s, [c]) => {
      if (setTurns(s, c, false) === false) return false;
      s.atMost = c.n;
    },
  ),
  clause("4 at the most", count, (s, c) => {
    if (!c.atMost || s.rule?.turns === undefined) return false;
    s.atMost = c.n;
  }),
  clause("no more than 4", words("(?:and\\s+)?no\\s+more"), () => undefined),
  clause("a turn or two", match("(?:a\\s+turn\\s+or\\s+two|one\\s+or\\s+two\\s+turns|turn\\s+or\\s+two)"), (s) => {
    s.spread = [1, 2];
    putRule(s, { turns: 1.5 });
  }),
  clause("a turn and a half", match("(an?|one|two|three|four|\\d)\\s+turns?\\s+and\\s+a\\s+half"), (s, [n]) =>
    setTurns(s, { n: (readNumber(n ?? "") ?? 1) + 0.5 }, false),
  ),
  clause(
    "turns, 5",
    match("(?:open\\s+|even\\s+|spaced\\s+|evenly\\s+)*turns?\\s*[,:x]\\s*(\\d{1,2})(?=\\s*(?:[,.;]|$))"),
    (s, [n]) => setTurns(s, { n: Number(n) }, false),
  ),
  clause("5 turns", seq(count, TURNS), (s, [c]) => setTurns(s, c, false)),
  clause("12 x .015", seq(count, words("x(?=\\s*0?\\.\\d{2})")), (s, [c]) => setTurns(s, c, false)),
  clause("wound twice", match("(once|twice)(?=\\s*(?:[,.;]|$))"), (s, [n]) =>
    s.rule || s.passes !== undefined || s.from || s.end || s.begin
      ? false
      : setTurns(s, { n: n === "once" ? 1 : 2 }, false),
  ),
  clause("5 times", seq(count, words("times(?!\\s+(?:the|as|its))")), (s, [c]) =>
    s.rule?.turns === undefined &&
    s.stretch === undefined &&
    s.passes === undefined &&
    s.begin === undefined &&
    s.from === undefined
      ? setTurns(s, c, false)
      : false,
  ),
  clause("5 of them", seq(count, words("of\\s+(?:them|these|those)(?!\\s+side\\s+by)")), (s, [c]) =>
    s.rule?.turns === undefined ? setTurns(s, c, false) : false,
  ),
  clause("x5", match("x\\s?(\\d{1,2})(?:\\s+turns?)?"), (s, [n]) => setTurns(s, { n: Number(n) }, false)),
  clause("5t", match("(\\d{1,2})t"), (s, [n]) => setTurns(s, { n: Number(n) }, false)),
  clause(
    "wound twice",
    seq(words("(?:and\\s+)?(?:wound|wrapped|taken|turned)"), times, opt(words("round|around"))),
    (s, [, c]) => setTurns(s, c, false),
  ),
  clause("once round", seq(times, words("round|around")), (s, [c]) => setTurns(s, c, false)),
  clause(
    "slightly overlapping",
    words(
      anyOf(
        "(?:with\\s+)?(?:an?\\s+)?(?:slight(?:ly)?|small|little|touch\\s+of)\\s+overlap(?:ping|ped)?",
        "slightly\\s+overlapp?(?:ing|ed)",
        "overlapp?(?:ing|ed)\\s+(?:slightly|a\\s+little|a\\s+touch|just\\s+a\\s+little)",
        "(?:with\\s+)?(?:a\\s+)?(?:bit|touch)\\s+of\\s+overlap",
        "each\\s+turn\\s+slightly\\s+over(?:lapping)?\\s+the\\s+last",
      ),
    ),
    (s) => (s.rule?.turns === undefined ? putRule(s, { overlap: SLIGHT_OVERLAP }) : undefined),
  ),
  clause(
    "touching",
    words(`${TOUCHING}(?:\\s+(?:turns?|wraps?))?|(?:turns?|wraps?)\\s+(?:side\\s+by\\s+side|touching)`),
    (s) => putRule(s, { touching: true }),
  ),
  clause(
    "overlapping by half",
    seq(
      words("overlapp?(?:ed|ing)?"),
      of,
      oneOf(
        number,
        map(match("(\\d+)\\s*(?:%|per\\s?cent)"), ([p]) => Number(p) / 100),
      ),
    ),
    (s, [, , overlap]) => {
      if (!(overlap < 1)) return false;
      putRule(s, { overlap });
    },
  ),
  clause("every 1.1 mm", seq(words("every|pitch|spaced|at\\s+intervals\\s+of"), of, absolute), (s, [, , pitch]) => {
    if (!(pitch > 0)) return false;
    putRule(s, { pitch });
  }),
  clause("1.1 mm apart", seq(absolute, words("apart|between\\s+turns|spacing|pitch")), (s, [pitch]) => {
    if (!(pitch > 0)) return false;
    putRule(s, { pitch });
  }),
  clause("zigzag", words("zig-?\\s?zag(?:ged|ging)?|criss-?\\s?cross(?:ed|ing)?|crossing"), put({ passes: 2 })),
  clause(
    "open spiral",
    words(
      "(?:in\\s+)?(?:an?\\s+)?(?:even\\s+|open\\s+|wide\\s+)*(?:open(?:ly)?|wide(?:ly)?)\\s*(?:spirals?|turns?|wraps?|spaced)?|spirall?(?:ed|ing)?",
    ),
    () => undefined,
  ),
  clause(
    "stacked",
    words(
      "stacked|on\\s+top\\s+of\\s+each\\s+other|each\\s+(?:one\\s+)?(?:turn\\s+)?(?:under|below|in\\s+front\\s+of|behind|against|beside)\\s+the\\s+(?:one\\s+)?(?:before|last|other|previous)",
    ),
    (s) => {
      s.stacked = true;
    },
  ),
];

const setTurns = (
  s: Parameters<Clause["take"]>[0],
  c: { n: number; spread?: [number, number]; atMost?: boolean },
  touching: boolean,
): boolean => {
  if (!(c.n >= 0.05) || c.atMost) return false;
  if (c.spread) s.spread = c.spread;
  putRule(s, { turns: c.n, ...(touching && { touching: true }) });
  return true;
};

const side = map(
  match(
    "(hollow|dull|concave|inner|under|shiny|glossy|good|bright|convex|outer|best|front)\\s*(?:sides?|faces?)\\s+(?:facing\\s+|turned\\s+|looking\\s+)?(together|in(?:wards?)?|out(?:wards?)?|forwards?|back(?:wards?)?|to(?:wards?)?\\s+the\\s+(?:hook|shank|body)|away\\s+from\\s+(?:the\\s+(?:hook|shank|body)|you)|(?:to(?:wards?)?\\s+)?you|(?:to(?:wards?)?\\s+)?(?:the\\s+(?:eye|tier|front)|you|me)|to(?:wards?)?\\s+the\\s+bend|up|down)",
  ),
  ([which, where]) => {
    const w = where ?? "";
    // Facing forward is facing away from the body, behind which the feather sweeps back; facing the tier it looks away
    // from the hook, from whichever side it is tied in.
    const out =
      (/^(?:out|forward|up)|(?:eye|tier|front|you|me)$/.test(w) || /^away.*(?:hook|shank|body)$/.test(w)) &&
      !/^away.*you$/.test(w);
    const isHollow = /hollow|dull|concave|inner|under/.test(which ?? "");
    return { face: out === isHollow ? ("out" as const) : ("in" as const) };
  },
);
/** “hollow side in” is said of what is laid as well. */
export const face: Clause = clause(
  "hollow side in",
  oneOf(
    side,
    map(seq(opt(words("with|the")), opt(words("the")), side), ([, , f]) => f),
  ),
  (s, f) => void Object.assign(s, f),
);

/** How long the barbs are, for what is wound now or was only tied in. */
export const barbClauses: Clause[] = [
  clause("undersized", match("(under|over)-?sized?"), (s, [way]) => {
    if (s.barbSteps !== undefined) return false;
    s.barbSteps = way === "over" ? 1 : -1;
  }),
  clause(
    "one size over",
    seq(
      match("(an?|one|two|half\\s+a|1|2)"),
      words("(?:hook\\s+)?sizes?"),
      opt(words("too")),
      match("(larger|bigger|large|big|over|up|longer|long|smaller|small|under|down|shorter|short)"),
      opt(words("than\\s+(?:usual|normal|the\\s+hook)")),
    ),
    (s, [[n = ""], , , [way = ""]]) => {
      if (s.barbSteps !== undefined) return false;
      const steps = n.startsWith("half") ? 0.5 : n === "two" || n === "2" ? 2 : 1;
      s.barbSteps = /^(?:l|b|over|up)/.test(way) ? steps : -steps;
    },
  ),
  clause(
    "barbs 1.2 to 1.7 gape",
    seq(
      words("(?:with\\s+)?(?:(?:hackle\\s+)?(?:barbs?|barbules?|fibres?)(?:\\s+length)?)"),
      opt(words("of|about|are|is|=|:")),
      lengthPair,
    ),
    (s, [, , barb]) => void (s.barb = barb),
  ),
  clause(
    "fibres long enough to reach the bend",
    map(
      seq(
        words(
          "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:(?:hackle\\s+)?(?:barbs?|fibres?|fibers?))(?:\\s+that)?(?:\\s+(?:are\\s+|just\\s+|will\\s+)*(?:long\\s+enough|so\\s+long\\s+as|as\\s+long\\s+as)?)?(?=\\s+(?:to|reach|come))",
        ),
        lengthReaching,
      ),
      ([, l]) => l,
    ),
    (s, l) => {
      s.barb = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
    },
  ),
  clause(
    "fibres no longer than the gape",
    map(
      seq(
        words("(?:with\\s+)?(?:hackle\\s+)?(?:barbs?|fibres?|fibers?)\\s+(?:no|not(?:\\s+any)?)\\s+longer\\s+than"),
        oneOf(lengthReaching, lengthNamed),
      ),
      ([, l]) => l,
    ),
    (s, l) => {
      s.barb = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
    },
  ),
  clause(
    "barbs 1.5 gapes",
    seq(
      words("(?:with\\s+)?(?:(?:hackle\\s+)?(?:barbs?|barbules?|fibres?)(?:\\s+length)?)"),
      opt(words("of|about|(?:that\\s+)?are|is|=|:|a\\s+good")),
      lengthNamed,
      opt(words("long")),
    ),
    (s, [, , l]) => {
      s.barb = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
    },
  ),
];

const howItLies: Clause[] = [
  face,
  clause("gold face showing", match("(\\w+)\\s+face\\s+(?:showing|out|outwards?|up)"), (s, [shows]) => {
    if (shows === undefined || shows === "the") return false;
    s.shows = shows;
  }),
  clause(
    "begun with 120 mm, 45 mm left",
    seq(
      words("begun\\s+with|started\\s+with|from\\s+a\\s+piece\\s+of"),
      absolute,
      opt(words(",")),
      absolute,
      words("left(?:\\s+over)?"),
    ),
    (s, [, startMm, , leftMm]) => {
      if (!(startMm > leftMm)) return false;
      s.take = { from: "leftover", startMm, leftMm };
    },
  ),
  clause(
    "and back to the front",
    map(
      seq(
        words("(?:and|then)\\s+(?:then\\s+)?back(?:\\s+(?:up|forwards?|again|down))?\\s+(?:to|as\\s+far\\s+as|until)"),
        placeReached,
      ),
      ([, p]) => p,
    ),
    (s, p) => {
      const isFront = "eyeLengths" in p || ("landmark" in p && p.landmark === "eye");
      if (isFront || !(s.end ?? s.to)) s.passes = 2;
      else if (s.backTo === undefined) s.backTo = p;
      else return false;
    },
  ),
  clause(
    "there and back",
    words(
      anyOf(
        "(?<!(?:pulled|swept|stroked|brushed|tied|folded|drawn|set)\\s+)(?:there|forward|up|down|out)\\s+and\\s+back(?:\\s+again)?",
        "back\\s+and\\s+forth",
        "(?:and|then)\\s+(?:forwards?|down|return(?:ed)?)\\s+again",
        "and\\s+return(?:ed)?(?=\\s*(?:[,.;]|$))",
        "(?<!\\bdown\\s+)(?:and|then)\\s+back(?:\\s+again)?(?:\\s+to\\s+(?:the\\s+)?(?:start|front|where\\s+\\w+\\s+(?:began|started)))?(?!\\s+to)",
        "back\\s+again",
        "(?:an?|one)\\s+layer\\s+each\\s+way",
        "two\\s+layers",
        "double\\s+layer",
        "twice\\s+over",
      ),
    ),
    put({ passes: 2 }),
  ),
  clause(
    "1 layer up and 1 back",
    words("(?:one|1)\\s+(?:layer\\s+)?(?:up|forward|down)\\s+and\\s+(?:one|1)\\s+(?:layer\\s+)?(?:back|down|up)"),
    put({ passes: 2 }),
  ),
  clause(
    "from front to back",
    words(
      "(?:from\\s+)?(?:the\\s+)?(?:front\\s+to\\s+(?:the\\s+)?(?:back|rear)|(?:back|rear)\\s+to\\s+(?:the\\s+)?front)",
    ),
    put({ palmered: true }),
  ),
  clause("3 layers", seq(count, words("(?:flat\\s+|thin\\s+|even\\s+)?layers?|passes")), (s, [c]) => {
    if (!Number.isInteger(c.n) || c.n < 1) return false;
    s.passes = c.n;
  }),
  clause("single layer", words("(?:one|single|a\\s+single)\\s+(?:flat\\s+|thin\\s+)?layer"), put({ passes: 1 })),
  stretched,
  clause(
    "on the far side",
    match("on\\s+the\\s+(far|near)\\s+side(?:\\s+of\\s+the\\s+(?:shank|hook))?"),
    (s, [side]) => {
      if (s.round !== undefined) return false;
      s.round = side === "far" ? { far: 1 } : { near: 1 };
    },
  ),
  clause("8 side by side", seq(number, words("(?:of\\s+them\\s+)?side\\s+by\\s+side(?!\\s+turns)")), (s, [rope]) => {
    if (!Number.isInteger(rope) || rope < 1) return false;
    Object.assign(s, { rope, ribbon: true });
  }),
  clause(
    "one feather",
    seq(count, words("(?:whole\\s+|single\\s+)?(?:feathers?|plumes?)(?!\\s+(?:fibres?|tips?))")),
    (s, [c]) => {
      if (!Number.isInteger(c.n) || c.n < 1) return false;
      if (c.n > 1) s.count = c.n;
    },
  ),
  clause("3 strands", seq(count, words("(?:single\\s+)?(?:strands?|herls?|fibres?|lengths?)")), (s, [c]) => {
    // “four or five fibres”: a rope of the upper number, since none has half a fibre.
    const n = c.spread ? Math.round(c.n) : c.n;
    if (!Number.isInteger(n) || n < 1) return false;
    if (n > 1) s.rope = n;
  }),
  clause("rope of 3", seq(opt(words("a")), words("rope\\s+of"), number), (s, [, , rope]) => {
    if (!Number.isInteger(rope) || rope < 1) return false;
    s.rope = rope;
  }),
  clause(
    "twisted",
    words(
      "twisted(?:\\s+(?:together|up))?(?:\\s+(?:into|to)\\s+a\\s+rope)?(?:\\s+(?:with|round|around)\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk))?|(?:made\\s+)?into\\s+a\\s+rope|as\\s+a\\s+rope",
    ),
    () => undefined,
  ),
  clause(
    "clockwise seen from the eye",
    seq(
      oneOf(
        map(words("(?:anti|counter)-?\\s?clockwise"), () => false),
        map(words("clockwise"), () => true),
      ),
      opt(
        oneOf(
          map(
            words(
              "(?:(?:as\\s+)?(?:seen|viewed|looking|looked\\s+at)\\s+)?(?:from|at)\\s+(?:the\\s+)?(?:eye|front|head)(?:\\s+end)?",
            ),
            () => true,
          ),
          map(
            words(
              "(?:(?:as\\s+)?(?:seen|viewed|looking|looked\\s+at)\\s+)?(?:from|at)\\s+(?:the\\s+)?(?:bend|rear|back|tail|behind)(?:\\s+end)?",
            ),
            () => false,
          ),
        ),
      ),
    ),
    // Without a viewpoint it is taken as seen from the eye, and said back so.
    (s, [clockwise, fromEye]) => void (s.clockwise = fromEye === false ? !clockwise : clockwise),
  ),
  clause(
    // As a right-handed tier sees it, the eye on the right.
    "over the top, away from you",
    oneOf(
      map(
        words("(?:over\\s+the\\s+top\\s*,?\\s*)?away\\s+from\\s+(?:you|me|the\\s+(?:tier|tyer))(?:rself)?"),
        () => true,
      ),
      map(words("(?:over\\s+the\\s+top\\s*,?\\s*)?towards?\\s+(?:you|me|the\\s+(?:tier|tyer))(?:rself)?"), () => false),
    ),
    (s, clockwise) => void (s.clockwise = clockwise),
  ),
  clause(
    "counter",
    words(
      anyOf(
        "(?:wound\\s+)?(?:in\\s+the\\s+)?opposite(?:\\s+(?:way|direction))?\\s+to\\s+(?:the\\s+)?(?:thread|silk|body|dubbing|hackle|floss|fur|winding)",
        "counter(?:ed|-?\\s?(?:wound|wrapped|wind|wise))?(?:\\s+to\\s+(?:the\\s+)?(?:thread|silk|body|dubbing|hackle|floss|winding))?",
        "against\\s+(?:the\\s+)?(?:body|hackle|floss|dubbing|direction\\s+of\\s+(?:the\\s+)?\\w+|\\w+)",
        "reversed?(?:[- ]?(?:wrapped|wound|wrap|ribbed|turns?))?(?=\\s*(?:[,.;]|$|\\())",
        "reverse[- ]?(?:wrapped|wound|wrap|ribbed)",
        "wrapped\\s+in\\s+reverse",
        "(?:in\\s+)?(?:the\\s+)?(?:opposite|reverse|other)\\s+(?:direction|way)(?:\\s+(?:to|from|of|as|than)\\s+(?:the\\s+)?(?:thread|silk|body|dubbing|floss|hackle|herl|winding|turns?|tinsel|quill))?(?:\\s+round)?",
        "the\\s+other\\s+way(?:\\s+round)?",
      ),
    ),
    put({ counter: true }),
  ),
  clause(
    "with the body",
    words(
      "with\\s+the\\s+body(?!\\s+\\w+ing)|(?:in\\s+)?(?:the\\s+)?same\\s+direction(?:\\s+as\\s+the\\s+body)?|the\\s+same\\s+way(?:\\s+as\\s+the\\s+body)?",
    ),
    put({ counter: false }),
  ),
  ...barbClauses,
  clause(
    "swept back",
    match(
      "(?:and\\s+)?(?:swept|stroked|pulled|sloped|sloping|angled|leaning|brushed)\\s+(?:well\\s+)?(back|forward|square)(?:wards?|s)?|(square)",
    ),
    (s, [a, b]) => {
      s.sweep = (a ?? b) as "back" | "forward" | "square";
    },
  ),
  clause("tip first", match("(tip|butt)s?\\s+(?:end\\s+)?first"), (s, [which]) =>
    putWay(s, "hackle tied in", which === "tip" ? "tip" : "butt"),
  ),
  clause(
    "by the tip",
    match(
      "(?:(?:tied\\s+(?:in|on)\\s+)?by|(?<=\\b(?:wound|wrapped|wind|wrap)\\s+)(?:starting\\s+)?from)\\s+(?:(?:the|its|their)\\s+|(?=(?:tip|butt)s?\\b))(?:stripped\\s+|bare\\s+)?(tips?|butts?|stems?|stalks?|quills?|base|thin\\s+end|thick\\s+end)",
    ),
    (s, [which]) => putWay(s, "hackle tied in", /tip|thin/.test(which ?? "") ? "tip" : "butt"),
  ),
  clause(
    "until the stem goes bare or thick",
    words(
      "(?:wound\\s+)?(?:until|till)\\s+(?:the\\s+|its\\s+)?(?:stem|feather|hackle|quill|it)\\s+(?:goes|gets|becomes|is|turns|grows)\\s+(?:too\\s+)?(?:bare|thick)(?:\\s+or\\s+(?:too\\s+)?(?:bare|thick))?|(?:until|till)\\s+(?:the\\s+)?(?:bare|thick)\\s+(?:stem|quill)(?:\\s+(?:shows|comes|is\\s+reached))?",
    ),
    (s) => {
      putRule(s, { turns: s.rule?.turns ?? 3 });
      putWay(s, "hackle turns", "until it stops");
    },
  ),
  clause(
    "the whole feather",
    words(
      anyOf(
        "(?:the\\s+)?whole\\s+(?:usable\\s+)?feather",
        "until\\s+(?:the\\s+)?(?:feather|hackle|it)\\s+(?:is|runs|goes|gets)\\s+(?:used\\s+up|out|finished|wound)",
        "all\\s+of\\s+(?:it|the\\s+feather)",
        "as\\s+(?:many\\s+turns\\s+as|far\\s+as)\\s+(?:it|the\\s+feather|they)\\s+(?:will\\s+)?(?:go|goes|gives?|allows?|lasts?)",
      ),
    ),
    (s) => {
      putRule(s, { turns: s.rule?.turns ?? 3 });
      putWay(s, "hackle turns", "whole feather");
    },
  ),
  clause(
    "from the second turn of the rib",
    match(
      "(?:from|at|starting\\s+(?:from|at))\\s+(?:the\\s+)?(first|second|third|1st|2nd|3rd)\\s+turn(?:\\s+of\\s+(?:the\\s+)?(?:rib(?:bing)?|tinsel|oval|wire))?",
    ),
    (s, [nth]) => {
      if (s.begin !== undefined || s.from !== undefined) return false;
      s.palmered = true;
      s.begin = { landmark: "bend", plus: { of: "shank", times: -TURN_OF_RIB * (turnNo[nth ?? ""] ?? 1) } };
    },
  ),
  clause(
    "palmered",
    words("palmer(?:ed)?(?:\\s+(?:style|(?:over|along|through)(?!\\s+(?:the\\s+)?thorax\\b)))?"),
    put({ palmered: true }),
  ),
];

/** How far apart the turns of a usual rib lie, in shanks. */
const TURN_OF_RIB = 0.14;
/** Turns that lie behind the one that is named. */
const turnNo: Record<string, number> = { first: 0, "1st": 0, second: 1, "2nd": 1, third: 2, "3rd": 2 };

const whatItTakes: Clause[] = [
  clause(
    "pieces of 60 mm",
    seq(
      opt(words("cut")),
      opt(words("in|into")),
      words("pieces?\\s+of|lengths?\\s+of"),
      absolute,
      opt(map(seq(words("held\\s+by"), absolute), ([, mm]) => mm)),
      opt(map(seq(words("trimm?(?:ed)?"), opt(words("by")), absolute), ([, , mm]) => mm)),
    ),
    (s, [, , , pieceMm, gripMm = 0, trimMm = 0]) => void (s.take = { from: "pieces", pieceMm, gripMm, trimMm }),
  ),
  clause(
    "trimmed by 20 mm",
    seq(opt(words("from\\s+the\\s+spool")), words("trimm?(?:ed)?"), opt(words("by")), absolute),
    (s, [, , , trimMm]) => void (s.take = { from: "spool", trimMm }),
  ),
  clause("one feather at a time", words("one\\s+feather\\s+at\\s+a\\s+time"), put({ take: { from: "feather" } })),
  clause(
    "60 mm of it",
    seq(
      unless(
        absolute,
        words(
          anyOf(
            "apart",
            "(?:is\\s+|are\\s+)?(?:left\\s+)?hang(?:s|ing)?",
            "stick(?:s|ing)?",
            "show(?:s|ing)?",
            "behind",
            "in\\s+front",
            "past",
            "short",
            "back",
            "from",
            "thick",
            "wide",
            "pitch",
            "between",
            "before",
            "ahead",
            "noodle",
          ),
        ),
      ),
      opt(words("long|of")),
    ),
    (s, [mm]) => {
      if (s.pieceMm !== undefined || mm < 9) return false;
      s.pieceMm = mm;
    },
  ),
  clause("forward", match("(forward|forwards|back|backwards|rearwards?)"), (s, [w]) => {
    s.way = w?.startsWith("f") ? "forward" : "back";
  }),
];

/** Turns of a thread that is wound itself are turns, not wraps that hold. */
const wrapsOfAll = clause(
  "5 wraps, for every tie-in",
  map(
    seq(
      opt(words("with|by")),
      count,
      opt(words("tight|firm|soft|thread|securing")),
      words("wraps?(?=\\s*,?\\s*(?:for|at|on)\\s+(?:every|each|all)\\b)"),
    ),
    ([, c]) => c,
  ),
  (s, c) => {
    if (!Number.isInteger(c.n) || c.n < 1) return false;
    s.wraps = c.n;
  },
);
const wrapsOnly = clause(
  "5 wraps",
  seq(
    opt(words("with|by")),
    count,
    opt(words("tight|firm|soft|thread|securing")),
    words("wraps?|(?<=\\b(?:thread|silk)\\s+)(?:bands?|segments?)"),
  ),
  (s, [by, c, how]) => {
    if (!Number.isInteger(c.n) || c.n < 1) return false;
    // “hackle: black, palmered, 6 wraps”: bare wraps of what is wound are its turns.
    if (by === undefined && how === undefined && s.tieIn === undefined && s.rule?.turns === undefined)
      return setTurns(s, c, false);
    s.wraps = c.n;
  },
);
const lengthNotPlace = unless(length, words("behind|in\\s+front|ahead|before|from|back|apart|of\\b|thick|wide"));
export const byEnd: readonly Clause[] = howItLies.filter(
  (c) => c.example === "by the tip" || c.example === "tip first",
);
const everyTieIn = clause(
  "5 wraps for every tie-in",
  words("(?:for|at|on)\\s+(?:every|each|all)\\s+(?:the\\s+)?tie-?\\s?ins?"),
  put({ everyTieIn: true }),
);

/** What can be said of a winding, in the order in which it is tried: the longer forms first. */
export const windClauses: Clause[] = [
  ...byEnd,
  everyTieIn,
  onSizes,
  around,
  intoBead,
  roundPost,
  leaving,
  leavingMm,
  leavingBare,
  bodyToo,
  ...saysNothing,
  ...howOften,
  ...zoned,
  ...howItLies,
  ...whatItTakes.slice(0, 3),
  wrapsOfAll,
  ...everywhere.map((c) => (c === wraps ? wrapsOnly : c)),
  ...whatItTakes.slice(3),
  clause("2 mm of floss", seq(absolute, words("of(?!\\s+it\\b)")), (s, [mm]) => {
    if (s.size !== undefined || s.pieceMm !== undefined || mm > 10) return false;
    Object.assign(s, { size: samePair({ mm }), isLong: true });
  }),
  clause("2 mm long", seq(absolute, words("long")), (s, [mm]) => {
    if (s.size !== undefined || s.pieceMm !== undefined || mm > 15) return false;
    Object.assign(s, { size: samePair({ mm }), isLong: true });
  }),
  clause("1.5 to 2 gapes", lengthPair, (s, pair) => void (s.size = pair)),
  clause("1.5 gapes", lengthNotPlace, (s, l) => {
    if (s.size !== undefined || s.barb !== undefined || "to" in l || "reach" in l) return false;
    s.size = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
  }),
];
