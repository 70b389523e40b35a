import { match, opt, words, seq, map, oneOf, anyOf, unless } from "../../parse";
import { type Clause, type Said, clause, samePair, putRule, put } from "../../said";
import { absolute, placeReached } from "../../text/place";
import { count } from "../../text/count";
import {
  figureOfEight,
  where,
  zoneRead,
  zone,
  shareOfIt,
  theRest,
  endOfWay,
  wayBack,
  wayDown,
  leavingRoom,
} from "../common";
import { lengthPair, length } from "../../text/length";
import { number } from "../../text/number";

export const of = opt(words("of|by|to|about|with"));

export const TURNS = words(
  "(?:(?:open|close|closely|touching|tight|neat|even|evenly|spaced|evenly\\s+spaced|well\\s+spaced|equal|full|complete|whole|single|slightly|overlapping|firm)\\s+)*(?:turns?|(?<=(?:open|touching|spaced|overlapping)\\s+)wraps?|trns?|spirals?(?!l)|t(?=\\s*(?:[,.;]|$|\\s))|wraps?(?=\\s+(?:of|forward|back|round|around|over|to|from|behind|in\\s+front)))",
);

export const TOUCHING =
  "(?:in\\s+)?(?:adjoining|adjacent|edge\\s+(?:to|against)\\s+edge|butted|close(?:ly)?(?:\\s+set)?|touching|tight(?=\\s+(?:turns?|wraps?|together))|side\\s+by\\s+side)(?:\\s*,\\s*(?:touching|close))?";

/** What “a slight overlap” is taken as; shown with the step. */
export const SLIGHT_OVERLAP = 0.15;

export const zoned: Clause[] = [
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
  // “To the eyes, cross underneath and finish in front of them”
  clause(
    "cross under the eyes and finish in front",
    words(
      "(?:then\\s+|and\\s+)*(?:cross(?:ing)?|go(?:ing)?|pass(?:ing)?|figure[\\s-]+(?:of[\\s-]+)?eight(?:ing)?)\\s+(?:it\\s+|over\\s+)?(?:under(?:neath)?|beneath|between|around|round|over)?(?:\\s+(?:the\\s+eyes|them))?\\s*,?\\s*(?:and|to)\\s+(?:then\\s+)?(?:finish|end|stop|tie\\s+(?:it\\s+)?(?:off|down)|come\\s+out)(?:ing)?\\s+(?:just\\s+)?in\\s+front(?:\\s+of\\s+(?:the\\s+eyes|them|it))?",
    ),
    (s) => {
      s.end = { part: "eyes", end: "front" };
    },
  ),
  clause("above it", words("(?:just\\s+|right\\s+)?above\\s+(?:it|that|this)(?=\\s*(?:[,.;]|$))"), (s) => {
    if (s.there !== undefined || s.from !== undefined) return false;
    s.there = { part: "it", end: "front" };
  }),
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
    "until it is as thick as the bead",
    seq(
      opt(words("(?:(?:ramp(?:ed)?|filled|built)(?:\\s+up)?|take\\s+it\\s+up\\s+and\\s+down)")),
      opt(words("until|till|so\\s+that")),
      opt(words("(?:it|the\\s+(?:body|abdomen|thread))(?:\\s+is|'s)")),
      words(
        "(?:about\\s+|nearly\\s+|almost\\s+)?(?:as\\s+(?:thick|full|fat|wide|big)\\s+as|to\\s+the\\s+(?:thickness|diameter|width)\\s+of)\\s+the\\s+bead",
      ),
      opt(words("(?:at\\s+the|in)\\s+(?:front|head|thorax)|in\\s+front")),
    ),
    (s, [, , , , inFront]) => {
      s.asBead = 1;
      if (inFront !== undefined) s.tapersToBead = true;
      putRule(s, { touching: true });
    },
  ),
  clause(
    "built up to twice the thickness of the body",
    seq(
      opt(words("(?:ramp(?:ed)?|filled|built)(?:\\s+up)?(?:\\s+with\\s+(?:the\\s+)?(?:thread|silk))?")),
      opt(words("to")),
      match(
        "(twice|double|(?:one\\s+and\\s+a\\s+half|two|three)\\s+times)\\s+(?:the\\s+(?:thickness|diameter|width|bulk)\\s+of|as\\s+thick\\s+as)\\s+the\\s+(?:body|abdomen)",
      ),
    ),
    (s, [, , [times = ""]]) => {
      const n = /twice|double|two/.test(times) ? 2 : times.startsWith("three") ? 3 : 1.5;
      s.fill = samePair({ of: "body", times: n });
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
  zone,
  shareOfIt,
  theRest,
  wayBack,
  wayDown,
  endOfWay,
  ...where.slice(1),
];

/** “Two or three turns”: their middle, as with all that is counted so. */
const turnsSaid = oneOf<number>(
  map(count, ({ n }) => n),
  number,
);
const onItsSides = (first: string, second: string) =>
  map(
    seq(
      turnsSaid,
      opt(words("turns?(?:\\s+each)?|each")),
      words(first),
      opt(placeReached),
      opt(words("it|them|,")),
      opt(words("and|then|plus")),
      turnsSaid,
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

/** “Three turns of ginger behind the wing, 2 in front”: the second number of them, where the stuff stands between. */
export const inFrontToo: Clause = clause(
  "and 2 in front of it",
  seq(
    opt(words("and|then|plus|with")),
    turnsSaid,
    opt(words("(?:more\\s+)?(?:turns?|wraps?)|more")),
    words(`${IN_FRONT}(?:\\s+(?:it|them|the\\s+wings?))?(?=\\s*(?:[,.;]|$|and\\b))`),
  ),
  (s, [, front]) => {
    const { there, rule } = s;
    if (!there || !("part" in there) || there.end !== "rear" || rule?.turns === undefined || s.around) return false;
    s.around = { behind: rule.turns, front, part: there };
    delete s.there;
  },
);

const eitherSideOf = words(
  "(?:on\\s+|to\\s+)?(?:either|each|both)\\s+sides?\\s+of\\s+(?:the\\s+)?(?:wing\\s+)?(?:post|wings?)",
);

/** “2 turns either side of the post”: as many behind it as in front. */
export const eitherSide: Clause = clause(
  "2 turns either side of the post",
  seq(count, opt(words("turns?|wraps?")), opt(words("of\\s+(?:it|the\\s+\\w+)")), eitherSideOf),
  (s, [c]) => eitherSideOfWing(s, c.n),
);
/** The same, where the stuff stands between the turns and the place. */
export const onEitherSide: Clause = clause("either side of the post", eitherSideOf, (s) =>
  s.rule?.turns === undefined || s.around ? false : eitherSideOfWing(s, s.rule.turns),
);
function eitherSideOfWing(s: Said, turns: number): undefined {
  s.around = { behind: turns, front: turns, part: { part: "wing", end: "rear" } };
  putRule(s, { turns });
}

export const around: Clause = clause("3 turns behind the wing and 2 in front of it", aroundRead, (s, found) => {
  // “2 turns behind and 3 in front” are round the wing.
  const part = found.part ?? { part: "wing", end: "rear" };
  s.around = { behind: found.behind, front: found.front, part };
  putRule(s, { turns: found.behind });
});

export const roundPost: Clause = clause(
  "round the post",
  words(
    anyOf(
      "(?:a?round|about|on|(?:tied|bound)\\s+(?:in\\s+|on\\s+)?to|(?<!\\b(?:forwards?|up|back|thread|silk)\\s+)(?<!\\b(?:body|abdomen|biots?|quills?|herls?|floss|wire|tinsel)\\b[^.;]*\\s)to)\\s+(?:the\\s+)?(?:(?:base|foot|root|bottom)\\s+of\\s+(?:the\\s+|this\\s+|its\\s+)?)?(?:wing\\s+)?post",
      "(?:a?round|about)\\s+(?:the\\s+)?(?:base|foot|root)\\s+of\\s+(?:the\\s+)?wings?",
      "(?:(?:coming|going|working)\\s+)?(?:up|down)\\s+(?:and\\s+(?:up|down)\\s+)?(?:the\\s+)?(?:wing\\s+)?post",
      "(?:up|a?round)\\s+(?:and\\s+down\\s+)?(?:the|its|their)\\s+(?:base|foot|root)s?(?:\\s+of\\s+(?:it|them))?(?=\\s*(?:[,.;]|$|to\\b|for\\b))",
      "(?:in\\s+)?parachute(?:-|\\s+)(?:style|fashion)",
      "as\\s+a\\s+parachute",
      "from\\s+the\\s+top\\s+down(?:wards?)?",
      "horizontally",
      "(?:(?:working|going|coming)\\s+)?downwards?(?=\\s*(?:[,.;]|$))",
      "each\\s+(?:turn\\s+|wrap\\s+)?(?:under|below|beneath|lower\\s+than)\\s+the\\s+(?:one\\s+before|last(?:\\s+one)?|previous(?:\\s+one)?)",
      "parachute(?=\\s+(?:hackle|collar)\\b|\\s*(?:[,.;]|$))",
    ),
  ),
  put({ roundPost: true }),
);

export const intoBead: Clause = clause(
  "pushed into the bead",
  words(
    "(?:and\\s+)?(?:(?:push|jam|slide|shove|force|press|run|tuck|work|ram|slip|pushing|jamming|sliding|shoving|forcing|pressing|tucking)(?:\\s+(?:it|them|that|this|those|these|everything|the\\s+(?:wire|lead|turns|wraps|weight)))?|pushed|jammed|slid|shoved|forced|pressed|run|tucked|worked|rammed|slipped)(?:\\s+(?:up|hard|tight|forward|well))*\\s+(?:in|into|inside|up\\s+against|against|under)(?:\\s+to)?\\s+(?:the\\s+)?(?:(?:back|hole|cavity|recess)\\s+of\\s+the\\s+)?(?:bead|cone|slot)(?:'s\\s+(?:hole|cavity|recess))?|(?<=\\bbead\\b[^.;]*)(?:pushed|jammed|slid|shoved|pressed|tucked)\\s+(?:up\\s+)?into\\s+it\\b|(?:and\\s+)?(?:(?:push|jam|slide|shove|press|tuck)\\s+(?:it|them|that|the\\s+(?:wire|lead|turns|wraps))|pushed|jammed|slid|shoved|pressed|tucked)\\s+(?:up\\s+)?in(?=\\s+and\\s+(?:lock|secure|tie|bind|cover)|\\s*(?:[,.;]|$))|up\\s+(?:in|into|inside)(?:\\s+to)?\\s+the\\s+(?:bead|cone)",
  ),
  (s) => {
    s.intoBead = true;
    s.begin ??= { landmark: "eye" };
  },
);

/** “… and push it up behind the bead”: where it goes is read by itself. */
export const pushedUp: Clause = clause(
  "and push it up",
  words(
    "(?:and\\s+)?(?:push|slide|shove|slip)(?:\\s+(?:it|them|that|these|the\\s+(?:wire|lead|turns|wraps|weight)))?(?:\\s+(?:hard|tight|close|forward|up(?!\\s+to\\b)))*(?=\\s+(?:behind|(?:up\\s+)?to)\\s+(?:the\\s+)?(?:bead|cone)\\b)",
  ),
  () => undefined,
);

/** “6 turns of lead, pushed up”: against the bead, where there is one. */
export const pushedForward: Clause = clause(
  "pushed up",
  words(
    "(?:and\\s+)?(?:push|slide|shove|jam|(?:push|jamm|shov)ed|slid)(?:\\s+(?:it|them|that|these|the\\s+(?:wire|lead|turns|wraps|weight)))?(?:\\s+(?:hard|tight|right|well))*\\s+(?:up|forwards?)(?:\\s+(?:hard|tight))?(?=\\s*(?:[,.;]|$))",
  ),
  put({ pushedForward: true }),
);

/** Room that stays in front of what is wound. */
export const leaving: Clause = clause(
  "leaving 2 eyes",
  map(
    seq(
      words("(?:and\\s+)?leav(?:e|ing)(?:\\s+(?:about|a\\s+good))?"),
      oneOf(
        number,
        map(words("an?"), () => 1),
      ),
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
export const leavingMm: Clause = clause(
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

const roomAtEye = seq(
  words("(?:and\\s+)?leav(?:e|ing)(?:\\s+(?:about|just|only|a(?:\\s+gap\\s+of)?))?"),
  absolute,
  opt(words("gap|space|of\\s+(?:the\\s+)?shank")),
);
/** “Up to the eye, leave 3 mm”: so much in front of it stays free. */
export const leavingAtEye: Clause = {
  example: "up to the eye, leaving 3 mm",
  firsts: roomAtEye.firsts,
  take: (said, text, at) => {
    const { end, from } = said;
    const found = roomAtEye(text, at);
    if (!found || from || !end || end.plus || !("landmark" in end) || end.landmark !== "eye") return undefined;
    if (!/^\s*(?:[,.;]|$)/.test(text.slice(found.end))) return undefined;
    said.end = { ...end, plus: { mm: found.value[1] } };
    return found.end;
  },
};

export const bodyToo: Clause = clause(
  "which is the body as well",
  words(
    "=\\s*(?:the\\s+)?body(?=\\s*(?:[,.;]|$))|(?:the\\s+)?body\\s+(?:is\\s+)?(?:made\\s+)?of\\s+(?:it|the\\s+same(?:\\s+(?:thread|silk))?)(?=\\s*(?:[,.;]|$))|the\\s+body\\s+is\\s+(?:just\\s+|only\\s+)?(?:of\\s+)?(?:the\\s+)?(?:same\\s+)?(?:thread|silk|it)(?=\\s*(?:[,.;]|$))|(?:(?:which|that|it)\\s+)?(?:also\\s+)?(?:is|makes|forms|gives|serves\\s+as|doubles\\s+(?:up\\s+)?as|(?:is\\s+)?used\\s+(?:for|as)|for|as)(?:\\s+also)?\\s+(?:the\\s+)?body(?:\\s+(?:as\\s+well|too|also))?(?=\\s*(?:[,.;]|$))",
  ),
  put({ isBodyToo: true }),
);

export const saysNothing: Clause[] = [
  clause(
    "built up with thread",
    words(
      "(?:built|made|formed|wound)(?:\\s+up)?(?:\\s+(?:with|of|from|in))?(?=\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk)\\b)",
    ),
    () => undefined,
  ),
  clause(
    "one after another",
    words("(?:(?:all\\s+)?wound\\s+)?one\\s+(?:after|in\\s+front\\s+of|behind)\\s+(?:the\\s+other|another)"),
    () => undefined,
  ),
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
  // What goes over a hackle that is palmered goes as far as the body does.
  clause(
    "over the palmer",
    words(
      "(?:over|across)\\s+(?:the\\s+|its\\s+)?(?:(?:palmered\\s+)?hackle|palmer)(?!\\s+(?:stem|butt|tip|root|base|stalk|end|position)s?\\b)",
    ),
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
    words(
      "(?:pulled|stroked|tied|drawn|swept|brushed)\\s+(?:down|under(?:neath)?|below|beneath|to\\s+the\\s+underside)",
    ),
    () => undefined,
  ),
  figureOfEight,
  clause(
    "the gap",
    words("(?:the\\s+|any\\s+)?(?:gap|hollow|step|space)(?=\\s+(?:behind|between|in\\s+front|at|up|with))"),
    () => undefined,
  ),
];

export const lengthNotPlace = unless(length, words("behind|in\\s+front|ahead|before|from|back|apart|of\\b|thick|wide"));
