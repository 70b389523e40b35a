import { NO_PIECE } from "../common";
import { opt, words, oneOf, map, match, seq, unless, anyOf } from "../../parse";
import { type Said, isThickness, type Clause, clause, put } from "../../said";
import type { LengthRule } from "../../../recipe";
import { length, lengthNamed, lengthReaching, LONGER, SHORTER } from "../../text/length";
import { readNumber } from "../../text/number";
import { absolute } from "../../text/place";

const tail = opt(words("tips?|tail|wing|throat|legs|topping|flash"));

const shown = (s: Said, rule: LengthRule): boolean | void => {
  if (s.shown !== undefined) {
    // “2 mm, three times the shank”: first how thick, then how long.
    if (s.amount !== undefined || s.thick !== undefined || !isThickness(s.shown)) return false;
    s.thick = s.shown;
  }
  s.shown = rule;
};

/** A measure alone counts only where it is one of the hook, or says that it is a length. */
const lengthBare = oneOf(
  length,
  map(match("(?:the\\s+)?(?:hook\\s+)?(shank|gape|gap)(?:'s)?(?:[- ](?:lengths?|heights?))?"), ([m]): LengthRule => ({
    of: m === "gap" ? "gape" : (m as "shank"),
    times: 1,
  })),
);

/** So far past the bend, wherever it is tied in. */
function pastBend(l: LengthRule): LengthRule {
  if ("mm" in l) return { reach: "bend", pastMm: l.mm };
  const isOfHook = "of" in l && (l.of === "gape" || l.of === "eye" || l.of === "shank");
  return isOfHook ? { to: { landmark: "bend", plus: { of: l.of as "gape", times: l.times } } } : l;
}

/** Level: by its own tips or ends. */
const LEVEL_WITH =
  "(?:with\\s+)?(?:(?:the\\s+|its\\s+|their\\s+)?(?:tips?|ends?)\\s+)?(?:(?:just|about|exactly)\\s+)?(?:level|even|flush|in\\s+line)\\s+with";
export const leavingBehind: Clause = clause(
  "leaving 20 mm past the bend",
  seq(
    words("(?:and\\s+)?leav(?:e|ing)(?:\\s+(?:about|roughly|some))?"),
    lengthNamed,
    words(
      "(?:hanging|sticking\\s+out|trailing)(?:\\s+(?:off|out|over|back|behind))?(?:\\s+(?:of\\s+)?the\\s+(?:back|rear|bend|end|hook))?(?=\\s*(?:[,.;]|$))|(?:off|over|out)\\s+the\\s+(?:back|rear|end)|(?:hanging\\s+|sticking\\s+out\\s+)?(?:(?:past|beyond|behind|over)\\s+the\\s+bend|as\\s+(?:a|the)\\s+tail|for\\s+(?:a|the)\\s+tail)(?:\\s+(?:as|for)\\s+(?:a|the)\\s+tail)?",
    ),
  ),
  (s, [, l]) => {
    // “2 inches of strip, leaving a shank past the bend”: the first was the piece.
    if (s.shown && "mm" in s.shown) s.pieceMm ??= s.shown.mm;
    s.shown = l;
  },
);

/** Lengths that say themselves to be one: they are tried before places. */
export const saidToBeLengths: Clause[] = [
  clause(
    "height = body length",
    seq(
      words("(?:the\\s+)?(?:height|length(?:\\s+should\\s+be)?)"),
      opt(match("\\s*[=:]\\s*")),
      opt(words("of|is|about|equal\\s+to")),
      lengthNamed,
    ),
    (s, [, , , l]) => shown(s, l),
  ),
  clause(
    "an inch longer than the tail",
    seq(
      absolute,
      match("(longer|shorter)\\s+than"),
      match("(?:the\\s+|its\\s+)?(tail|wing)s?(?:\\s+tips?)?(?!\\s+\\p{L})"),
    ),
    (s, [mm, [way], [reach]]) =>
      shown(s, { reach: reach === "tail" ? "tail" : "wing", pastMm: way === "longer" ? mm : -mm }),
  ),
  clause("as the hair, plus an inch", seq(words("plus|and"), absolute), (s, [, mm]) => {
    if (s.shown !== undefined || s.like === undefined || s.likePlusMm !== undefined) return false;
    s.likePlusMm = mm;
  }),
  clause("an inch longer", seq(absolute, match("(longer|shorter)(?!\\s+than)")), (s, [mm, [way]]) => {
    if (s.shown !== undefined || s.besideOf === undefined) return false;
    return shown(s, { reach: s.besideOf, pastMm: way === "longer" ? mm : -mm });
  }),
  clause(
    "an inch longer than the hair",
    seq(
      absolute,
      match("(longer|shorter)\\s+than"),
      match("(?:the\\s+|its\\s+)?(?!(?:hackles?|body|shank|hook|gape|gap)\\b)([\\p{L}-]+)(?=\\s*(?:[,.;]|$))"),
    ),
    (s, [mm, [way], [like]]) => {
      if (s.shown !== undefined) return false;
      s.like = like;
      s.likePlusMm = way === "longer" ? mm : -mm;
    },
  ),
  clause(
    "twice the length of the fur",
    match(
      "(half|twice|double|three\\s+quarters\\s+of|two\\s+thirds\\s+of|(?:one\\s+and\\s+a\\s+half|three)\\s+times)\\s+(?:the\\s+length\\s+of|as\\s+long\\s+as)\\s+(?:the|its)\\s+((?!(?:hook|shank|gape|gap|eye|body|abdomen|tail|wing|thorax|hackle|throat|leg|whole|flash|underwing|shuck|post|beard)s?\\b)(?:[a-z]+\\s+)?[a-z]+)(?=\\s*(?:[,.;]|$))",
    ),
    (s, [share = "", like]) => {
      if (s.shown !== undefined || s.like !== undefined) return false;
      s.like = like;
      s.likeTimes = /twice|double/.test(share) ? 2 : (readNumber(share.replace(/\s+(?:times|of)$/, "")) ?? 1);
    },
  ),
  leavingBehind,
  clause(
    "leaving a tail of 20 mm",
    map(
      seq(
        words("(?:and\\s+)?leav(?:e|ing)\\s+(?:an?\\s+|the\\s+)?tail(?:\\s+(?:of|about|as\\s+long\\s+as))*"),
        lengthNamed,
        opt(words("long|behind|past\\s+the\\s+bend")),
      ),
      ([, l]) => l,
    ),
    (s, l) => shown(s, l),
  ),
  clause(
    "cut 2 mm long",
    seq(words("(?:and\\s+)?(?:trimmed|cut|clipped|shortened)"), length, words("long")),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "cut 2 mm either side",
    seq(
      words("(?:and\\s+)?(?:trimmed|cut|clipped)"),
      absolute,
      words("(?:on\\s+|to\\s+)?(?:each|either)\\s+side(?:\\s+of\\s+the\\s+(?:hook|shank|head))?"),
    ),
    (s, [, mm]) => shown(s, { mm }),
  ),
  clause(
    "trimmed to 2 mm",
    seq(
      words("(?:and\\s+)?(?:trimmed|cut|clipped|shortened)\\s+(?:back\\s+|down\\s+)?to"),
      length,
      opt(words("long|on\\s+each\\s+side|each\\s+side|each|either\\s+side")),
    ),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "tips one shank long",
    seq(
      words("(?:with\\s+)?(?:the\\s+|its\\s+)?tips"),
      lengthNamed,
      words("(?:long|high|tall|in\\s+(?:length|height))(?=\\s*(?:[,.;]|$|and\\b))"),
    ),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "= half the shank",
    seq(
      tail,
      words(
        "=|to(?=\\s+the\\s+(?:height|length|width|depth)\\s+of)|as\\s+(?:long|tall|high)\\s+as|(?:the\\s+)?height(?:\\s+of)?(?=\\s+(?:the|a|one|half|\\d))|(?:in\\s+)?lengths?(?:\\s+(?:of|is|=|:|about))?|:",
      ),
      oneOf(
        lengthReaching,
        map(seq(opt(words("about|to")), lengthNamed), ([, l]) => l),
      ),
    ),
    (s, [, , l]) => shown(s, l),
  ),
  clause(
    "a tail of it a shank long",
    seq(
      words("(?:with\\s+|and\\s+)?(?:the\\s+|an?\\s+)?tail\\s+of\\s+(?:it|that|them)"),
      opt(words("is|being|about")),
      lengthNamed,
      opt(words("long")),
    ),
    (s, [, , l]) => shown(s, l),
  ),
  clause(
    "so 5 mm is left as a tail",
    seq(
      opt(words("so(?:\\s+that)?")),
      lengthNamed,
      words(
        "(?:(?:is|are)\\s+)?(?:left|showing|sticking\\s+out|free|visible|shows?(?=\\s*(?:[,.;]|$)))(?:\\s+(?:as|for)\\s+(?:a|the)\\s+tail|\\s+behind)?|(?:hangs?|sticks?|stands?|pokes?|shows?|trails?)\\s+(?:off|out|back|behind|over)(?:\\s+(?:the\\s+)?(?:back|behind|end|bend))?",
      ),
    ),
    (s, [, l]) => {
      if (s.shown && "mm" in s.shown) {
        s.pieceMm ??= s.shown.mm;
        s.shown = l;
        return true;
      }
      return shown(s, l);
    },
  ),
  clause(
    "standing 4 mm high",
    seq(words("standing(?:\\s+up)?"), opt(words("about")), lengthNamed, opt(words("high|tall|up|clear|proud"))),
    (s, [, , l]) => shown(s, l),
  ),
  clause(
    "sticking out 12 mm",
    seq(
      words(
        "(?:so\\s+(?:that\\s+)?)?(?:the\\s+|their\\s+|its\\s+|they\\s+|it\\s+)?(?:tips?|ends?|fib(?:re|er)s)?\\s*(?:sticking|sticks?|poking|pokes?|standing|stands?|hanging|hangs?|show|shows)\\s+(?:out|past|beyond)|(?:sticking|poking|standing|hanging)\\s+out|(?:so\\s+(?:that\\s+)?)?(?:the\\s+|its\\s+)?(?:tips?\\s+)?(?:they\\s+|it\\s+)?extend(?:s|ing)?|projecting|showing",
      ),
      opt(words("by|about|for")),
      lengthNamed,
      opt(match("((?:past|behind|beyond)\\s+the\\s+(?:hook\\s+)?bend)|back(?:wards?)?|behind|to\\s+the\\s+rear")),
    ),
    (s, [, , l, past]) => shown(s, past?.[0] === undefined ? l : pastBend(l)),
  ),
  clause(
    "12 mm long",
    seq(
      lengthNamed,
      words(
        "(?:lengths?\\s+(?=long))?(?:or\\s+so\\s+)?(?:long|tall|high|showing|visible|free|sticking\\s+out(?:\\s+behind)?|in\\s+length|each\\s+end|to\\s+each\\s+end|behind\\s+the\\s+bend|beyond\\s+the\\s+(?:bend|tie-?in))(?:\\s+(?:behind|beyond|over|past)\\s+the\\s+(?:bend|hook|tie-?in))?",
      ),
    ),
    (s, [l]) => shown(s, l),
  ),
  clause("to the point", lengthReaching, (s, l) => {
    // A place that a length reaches and one where it is tied in may be said in the same words: reached are tips.
    if ("to" in l && s.shown !== undefined) return false;
    return shown(s, l);
  }),
];

/** Lengths that may be a place as well: behind these. */
export const bareLengths: Clause[] = [
  clause(
    "the shank length",
    seq(
      opt(
        words(
          "each(?:\\s+(?:leg|wing|tail|side|strand|end|tip|one))?|legs?|wings?|tails?(?=\\s+(?:half|twice|\\d|one|two|a\\b|the\\s+(?:shank|gape|hook)))",
        ),
      ),
      unless(lengthBare, words("from|at|behind|in|ahead|before|short|past")),
      opt(words("long|tall|to\\s+(?:each|either)\\s+(?:end|side)|each\\s+(?:end|side)")),
    ),
    (s, [, l]) => shown(s, l),
  ),
  clause(
    "the same length",
    words(
      "(?:of\\s+)?(?:the\\s+)?same\\s+length(?!\\s+as)|(?:the\\s+same\\s+length|as\\s+long)\\s+as\\s+(?:it|them)|level\\s+with\\s+(?:it|them)",
    ),
    put({ sameLength: 1 }),
  ),
  clause("the same", words("(?:and\\s+)?the\\s+same(?:\\s+again)?(?=\\s*(?:[,.;]|$))"), (s) => {
    if (s.shown !== undefined) return false;
    s.sameLength = 1;
    if (s.amount === undefined) s.thickLike = 1;
  }),
  clause(
    "tips level with the others",
    words(
      `${LEVEL_WITH}\\s+(?:the\\s+tips?\\s+of\\s+)?(?:the\\s+)?(?:others?|rest|first(?:\\s+(?:wing|one|bunch))?|(?:other|last|previous)\\s+(?:wing|one|bunch)|one\\s+(?:below|beneath|under(?:neath)?|before)|wing\\s+below|those\\s+(?:below|before))(?:\\s+tips)?`,
    ),
    put({ sameTips: true }),
  ),
  clause(
    "to the tips of the herl",
    seq(
      words(
        `(?:(?:extend|reach)(?:s|ing)?\\s+)?(?:to|as\\s+far\\s+as)\\s+the\\s+(?:tips?|ends?)\\s+of\\s+the|${LEVEL_WITH}\\s+(?:the\\s+tips?\\s+of\\s+)?the`,
      ),
      match(
        "((?!hook|shank|tail\\b|wing\\b|body\\b|bend\\b|barb\\b|point\\b|eye\\b|bead\\b|back\\b|end\\b|thorax\\b|head\\b|hackle\\b|collar\\b)(?:[a-z]+\\s+)?[a-z]+)(?=\\s*(?:[,.;]|$))",
      ),
    ),
    (s, [, [like]]) => {
      if (s.shown !== undefined || s.like !== undefined) return false;
      Object.assign(s, { like, likePlusMm: 0 });
    },
  ),
  clause(
    "of equal length",
    words(
      "(?:of\\s+)?(?:equal|the\\s+same|similar|like)\\s+length(?!\\s+(?:to|as)\\b)|(?<=,\\s*)(?:the\\s+)?same(?=\\s*(?:[.;]|$))",
    ),
    put({ sameLength: 1 }),
  ),
  clause(
    "twice as long",
    match(
      "(?:about\\s+)?(twice|half|(?:an?|one|two|three)\\s+(?:thirds?|quarters?)|(?:one\\s+and\\s+a\\s+half|two|three|\\d(?:\\.\\d)?)\\s+times)\\s+as\\s+long(?!\\s+as)",
    ),
    (s, [w = ""]) => {
      const times = readNumber(w.replace(/\s+times$/, "")) ?? 2;
      s.sameLength = times;
    },
  ),
  // “Sloping back over the body, twice its length”: that of the body, and not of what was laid before.
  clause(
    "over the body, twice its length",
    match(
      "(?<=\\bover\\s+the\\s+(?:whole\\s+)?(body|abdomen|shank)(?:\\s*,)?\\s+)(half|twice|two\\s+thirds|three\\s+quarters|(?:one\\s+and\\s+a\\s+half|two|three)\\s+times)\\s+(?:its|that)\\s+length",
    ),
    (s, [of = "", w = ""]) => {
      if (s.shown !== undefined) return false;
      const times = w === "twice" ? 2 : (readNumber(w.replace(/\s+times$/, "")) ?? 1);
      s.shown = { of: of === "shank" ? "shank" : "body", times };
    },
  ),
  clause(
    "half its length",
    match("(half|twice|two\\s+thirds|three\\s+quarters)\\s+(?:of\\s+)?(?:its|that|their)\\s+length"),
    (s, [w = ""]) => void (s.sameLength = w === "twice" ? 2 : (readNumber(w) ?? 1)),
  ),
  clause(
    "just past its tips",
    seq(
      opt(words("reach(?:ing|es)?|extend(?:ing|s)?|going|ending")),
      match(
        "((?:just|slightly|a\\s+(?:little|bit|touch))\\s+)?(past|beyond|to|level\\s+with|short\\s+of)\\s+(?:its|their)\\s+(?:tips?|ends?)",
      ),
    ),
    (s, [, [, how]]) => {
      const over = s.there ?? s.tieIn?.at;
      if (s.shown !== undefined || !over || !("part" in over) || (over.part !== "wing" && over.part !== "tail"))
        return false;
      // “over the wing, just past its tips”: it lies over it, and is tied in where its own part is.
      s.shown = {
        reach: over.part,
        ...(how === "past" || how === "beyond" ? { pastMm: 1 } : how?.startsWith("short") ? { pastMm: -1 } : {}),
      };
      delete s.there;
    },
  ),
  clause(
    "a quarter shorter",
    match("(?:by\\s+)?(?:an?\\s+)?(quarter|third|fifth|half)\\s+(?:of\\s+it\\s+)?(shorter|longer)(?!\\s+than)"),
    (s, [share = "", way]) => {
      const part = readNumber(share) ?? 0;
      s.sameLength = Number((way === "longer" ? 1 + part : 1 - part).toPrecision(4));
    },
  ),
  clause(
    "a bit shorter than it",
    match(
      "(?:(?:a\\s+)?(?:little|bit|touch|shade|hair|fraction)|slightly|just|somewhat)?\\s*(shorter|longer)(?:\\s+than\\s+(?:it|them|that)|(?=\\s*(?:[,.;]|$)))",
    ),
    (s, [way]) => {
      // “10 strands of flash, half an inch longer”: so much more than what it lies on.
      if (s.shown && "mm" in s.shown) {
        Object.assign(s, { sameLength: 1, plusMm: way === "longer" ? s.shown.mm : -s.shown.mm });
        delete s.shown;
      } else s.sameLength = way === "longer" ? LONGER : SHORTER;
    },
  ),
  clause(
    "a little longer than the hair",
    words(
      "(?:(?:a\\s+)?(?:little|bit|touch|shade|hair|fraction)|slightly|just|somewhat)?\\s*(?:longer|shorter)\\s+than(?=\\s+(?:the\\s+)?[a-z])(?!\\s+(?:it|them|that)\\b)",
    ),
    () => undefined,
  ),
];

export const itsPiece: Clause[] = [
  clause("60 mm long", seq(absolute, words("long")), (s, [mm]) => {
    if (s.pieceMm !== undefined) return false;
    s.pieceMm = mm;
  }),
  clause(
    "a 60 mm length of it",
    seq(opt(words("an?")), absolute, words("(?:long\\s+)?(?:lengths?|pieces?)(?:\\s+of)?")),
    (s, [, mm]) => {
      if (s.pieceMm !== undefined) return false;
      s.pieceMm = mm;
    },
  ),
  clause(
    "60 mm of it",
    seq(
      unless(absolute, words(anyOf(NO_PIECE, "long", "short\\s+of", "back\\s+from", "tall", "free"))),
      opt(words("of|lengths?\\s+of|pieces?\\s+of")),
    ),
    (s, [mm]) => {
      if (s.pieceMm !== undefined || mm < 15) return false;
      s.pieceMm = mm;
    },
  ),
];

/** “tail, the length of the shank”: of what is laid that is how long it is, not where. */
export const lengthOfShank: Clause = clause(
  "the length of the shank",
  words(
    "(?:the\\s+)?(?:full\\s+)?length\\s+of\\s+the\\s+(?:hook\\s+)?shank|(?<=[,;:]\\s*)(?:the\\s+)?(?:whole|full|entire)\\s+(?:hook\\s+)?shank(?=\\s*(?:[,.;]|$))",
  ),
  (s) => shown(s, { of: "shank", times: 1 }),
);
