import { type Clause, clause, put, putWay, putRule } from "../../said";
import { face, barbClauses } from "./barbs";
import { match, seq, words, opt, map, anyOf, oneOf } from "../../parse";
import { absolute, placeReached, wayBackOnly, wayBackToEye } from "../../text/place";
import { count } from "../../text/count";
import { stretched } from "../common";
import { number, readNumber } from "../../text/number";
import type { Place } from "../../../hooks";

/** “To the bend”: from there it can only go forward. */
const isAtRear = (end: Place | undefined): boolean => end !== undefined && "landmark" in end && end.landmark !== "eye";

export const howItLies: Clause[] = [
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
        words(
          "(?:(?:and|&|then)\\s+(?:then\\s+)?|(?<=,\\s*))(?:in\\s+(?:open|close|touching|wide|spiral|spaced)\\s+(?:turns|wraps)\\s+)?(?:back(?:\\s+(?:up|forwards?|again|down))?|again(?:\\s+(?:up|forwards?))?)\\s+(?:to|as\\s+far\\s+as|until)",
        ),
        placeReached,
      ),
      ([, p]) => p,
    ),
    (s, p) => {
      const isFront = "eyeLengths" in p || ("landmark" in p && p.landmark === "eye");
      if (isFront || !(s.end ?? s.to)) {
        s.passes = 2;
        // “Into the bend and back to the bead”: there it begins, whoever tied it in where.
        const front: Place = "landmark" in p ? { eyeLengths: 0.5 } : p;
        if (isAtRear(s.end ?? s.to ?? s.there) && !s.from && !s.begin) {
          s.begin = front;
          s.end ??= s.there;
          delete s.there;
        }
      } else if (s.backTo === undefined) s.backTo = p;
      else return false;
    },
  ),
  clause(
    "then forward to mid-shank",
    map(
      seq(
        words(
          "(?:(?:and|&|then)\\s+(?:then\\s+)?|(?<=,\\s*))(?:forwards?|up)(?:\\s+again)?\\s+(?:to|as\\s+far\\s+as|until)",
        ),
        placeReached,
      ),
      ([, p]) => p,
    ),
    (s, p) => {
      if (!isAtRear(s.end ?? s.to) || s.backTo !== undefined || s.passes !== undefined) return false;
      s.backTo = p;
    },
  ),
  clause(
    "and back half way",
    seq(
      words("(?:(?:and|&|then)\\s+(?:then\\s+)?|(?<=,\\s*))back(?:\\s+(?:up|forwards?|again))?"),
      opt(words("about|roughly|by")),
      match(
        "(half(?=-?\\s?way|\\s*(?:[,.;]|$))|an?\\s+third|two\\s+thirds|an?\\s+quarter|three\\s+quarters)(?:-?\\s?way|\\s+of\\s+the\\s+way)?(?=\\s*(?:[,.;]|$|and\\b|over\\b|in\\b))",
      ),
    ),
    (s, [, , [words = ""]]) => {
      const share = readNumber(words);
      if (!isAtRear(s.end ?? s.to) || s.backTo !== undefined || share === undefined) return false;
      s.backTo = { fraction: Number((1 - share).toPrecision(12)) };
    },
  ),
  clause(
    "and two thirds of the way back",
    seq(
      words("(?:and|&|then)\\s+(?:then\\s+)?(?:come\\s+|go\\s+|wind\\s+|run\\s+)?"),
      oneOf(wayBackToEye, wayBackOnly),
    ),
    (s, [, p]) => {
      if (!(s.end ?? s.to) || s.backTo !== undefined) return false;
      s.backTo = p;
    },
  ),
  clause(
    "then back to the tail and forward again",
    match(
      "(?:(?:and\\s+|then\\s+)+(?:doubled\\s+|wound\\s+|taken\\s+|worked\\s+)?|(?:doubled|worked)\\s+)back\\s+to\\s+(?:the\\s+)?(?:tail|bend|start|rear)((?:\\s+and)?(?:\\s+then)?\\s+(?:forwards?|up)\\s+again)?",
    ),
    (s, [again]) => {
      // It was wound from there.
      const from = s.from ?? s.begin;
      const isFromBend =
        from !== undefined && ("landmark" in from ? from.landmark !== "eye" : "part" in from && from.part === "tail");
      if ((s.passes ?? 1) !== 1 || !isFromBend) return false;
      s.passes = again === undefined ? 2 : 3;
    },
  ),
  clause(
    "wound as a hackle",
    words("(?:wound\\s+)?(?:as|like)\\s+a\\s+(?:collar\\s+)?hackle(?=\\s*(?:[,.;]|$))"),
    () => undefined,
  ),
  clause(
    "and back and forward again",
    words("(?:there\\s+)?(?:and|then)\\s+back,?\\s+(?:and|then)\\s+(?:forwards?|up)\\s+again"),
    put({ passes: 3 }),
  ),
  clause(
    "back and forth twice",
    words("(?:there\\s+and\\s+back|back\\s+and\\s+forth|up\\s+and\\s+down|forwards?\\s+and\\s+back)\\s+twice"),
    put({ passes: 4 }),
  ),
  clause(
    "to the eye, and down and up again",
    words(
      "(?:and|then)\\s+(?:up\\s+and\\s+down|down\\s+and\\s+(?:back\\s+)?up)(?:\\s+again)?(?!\\s+(?:to|until|the|twice)\\b)",
    ),
    (s) => {
      if (!(s.end ?? s.to) || s.passes !== undefined) return false;
      s.passes = 3;
    },
  ),
  clause(
    "there and back",
    words(
      anyOf(
        "(?<!(?:pulled|swept|stroked|brushed|tied|folded|drawn|set)\\s+)(?:there|forward|up|down|out)\\s+and\\s+back(?:\\s+again)?(?!\\s+(?:a\\s+(?:bit|little|touch|few)|slightly)\\b)",
        "back\\s+and\\s+forth",
        "(?:up\\s+and\\s+down|down\\s+and\\s+(?:back\\s+)?up)(?:\\s+again)?(?!\\s+(?:to|until|the|twice)\\b)",
        "(?:and|then)\\s+(?:forwards?|down|return(?:ed)?)\\s+again",
        "and\\s+return(?:ed)?(?=\\s*(?:[,.;]|$))",
        "(?<!\\bdown\\s+)(?:and|then)\\s+back(?:\\s+again)?(?:\\s+to\\s+(?:the\\s+)?(?:start|front|where\\s+\\w+\\s+(?:began|started)))?(?!\\s+(?:to|a\\s+(?:bit|little|touch|few)|slightly)\\b)",
        "back\\s+again",
        "(?<=,\\s*)back(?:\\s+up)?\\s+in\\s+(?:open|touching|close)\\s+turns(?!\\s+(?:to|as|until))",
        "(?:an?|one)\\s+layer\\s+each\\s+way",
        "both\\s+ways",
        "two\\s+layers",
        "double\\s+layer",
        "twice\\s+over",
      ),
    ),
    put({ passes: 2 }),
  ),
  clause(
    "1 layer and 1 back",
    words(
      "(?:and|then)\\s+(?:one|another|1)\\s+(?:layer\\s+)?(?:in\\s+(?:open|close|touching|wide|spiral)\\s+(?:turns|wraps)\\s+)?(?:back(?!\\s+to)(?:\\s+again)?|forwards?\\s+again)",
    ),
    (s) => {
      if (s.passes !== 1) return false;
      s.passes = 2;
    },
  ),
  clause(
    "1 layer up and 1 back",
    words(
      "(?:one|1)\\s+(?:layer\\s+)?(?:up|forward|down)(?:\\s*,)?(?:\\s+and)?\\s+(?:one|1)\\s+(?:layer\\s+)?(?:back|down|up)",
    ),
    put({ passes: 2 }),
  ),
  clause(
    "from front to back",
    words(
      "(?:from\\s+)?(?:the\\s+)?(?:front\\s+to\\s+(?:the\\s+)?(?:back|rear)|(?:back|rear)\\s+to\\s+(?:the\\s+)?front)",
    ),
    put({ palmered: true }),
  ),
  clause(
    "3 layers",
    seq(count, words("(?:(?:flat|thin|even|more|further|extra|smooth)\\s+)*layers?|passes")),
    (s, [c]) => {
      if (!Number.isInteger(c.n) || c.n < 1) return false;
      s.passes = c.n;
    },
  ),
  clause("single layer", words("(?:one|single|a\\s+single)\\s+(?:flat\\s+|thin\\s+)?layer"), put({ passes: 1 })),
  stretched,
  clause(
    "on the far side",
    match("(?:on|along|down)\\s+the\\s+(far|near)\\s+side(?:\\s+of\\s+the\\s+(?:shank|hook))?"),
    (s, [side]) => {
      if (s.round !== undefined) return false;
      s.round = side === "far" ? { far: 1 } : { near: 1 };
    },
  ),
  clause(
    "8 side by side",
    seq(number, words("(?:of\\s+them\\s+)?(?:wound\\s+(?:on\\s+)?)?side\\s+by\\s+side(?!\\s+turns)")),
    (s, [rope]) => {
      if (!Number.isInteger(rope) || rope < 1) return false;
      Object.assign(s, { rope, ribbon: true });
    },
  ),
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
    "broken off by twisting",
    words(
      "(?:and\\s+|with\\s+)?(?:(?:the|its)\\s+)?(?:(?:wire|rib|spare|waste)\\s+)?(?:(?:end|tag|rest|wire)\\s+(?:is\\s+)?)?(?:broken|snapped|twisted|worried)\\s+off(?:\\s+by\\s+(?:twisting|worrying|bending|rocking)(?:\\s+it)?)?",
    ),
    (s) => putWay(s, "wire ends", "broken"),
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
          // Round a post that stands up.
          map(
            words(
              "(?:(?:as\\s+)?(?:seen|viewed|looking|looked\\s+at|looking\\s+down)\\s+)?from\\s+(?:above|(?:the\\s+)?top)(?:\\s+of\\s+(?:it|the\\s+post))?",
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
        "opposite(?=\\s*(?:[,.;]|$))",
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
    "swept back with 3 turns",
    seq(
      words("(?:and\\s+)?(?:swept|stroked|pushed|forced|held)\\s+back\\s+(?:and\\s+held\\s+)?(?:with|by)"),
      number,
      words(
        "(?:tight\\s+|firm\\s+|close\\s+)?(?:turns?|wraps?)(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?(?:\\s+in\\s+front(?:\\s+of\\s+it)?)?",
      ),
    ),
    (s, [, n]) => {
      if (!Number.isInteger(n)) return false;
      s.sweep = "back";
      s.wraps = n;
    },
  ),
  clause(
    "swept back",
    match(
      "(?:and\\s+)?(?:swept|stroked|pulled|sloped|sloping|angled|leaning|brushed)\\s+(?:well\\s+)?(back|forward|square)(?:wards?|s)?|(square)|(?<=,\\s*)swept(?=\\s*(?:[,.;]|$))",
    ),
    (s, [a, b]) => {
      s.sweep = (a ?? b) as "back" | "forward" | "square";
    },
  ),
  clause(
    "tip first",
    match("(?:the\\s+)?(tip|butt)s?\\s+(?:ends?\\s+)?(?:of\\s+(?:the\\s+)?[a-z]+\\s+)?first"),
    (s, [which]) => putWay(s, "hackle tied in", which === "tip" ? "tip" : "butt"),
  ),
  clause(
    "by the tip",
    match(
      "(?:(?:tied\\s+(?:in|on)\\s+)?by|(?<=\\b(?:wound|wrapped|wind|wrap)\\s+)(?:starting\\s+)?from)\\s+(?:(?:the|its|their)\\s+|(?=(?:tip|butt)s?\\b))(?:stripped\\s+|bare\\s+)?(tips?|butts?|stems?|stalks?|quills?|base|roots?(?:\\s+end)?|thin\\s+end|thick\\s+end)",
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
  // What follows a rib goes over the body with it.
  clause(
    "following the rib",
    words("(?:closely\\s+)?following\\s+the\\s+(?:rib(?:bing)?|tinsel|oval)(?:\\s+turns)?(?:\\s+(?:forwards?|up))?"),
    (s) => {
      if (s.from !== undefined || s.end !== undefined || s.over !== undefined) return false;
      s.palmered = true;
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
