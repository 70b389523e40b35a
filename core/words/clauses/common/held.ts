import { oneOf, map, match, words, seq, opt } from "../../parse";
import { holds } from "../../../recipe";
import { count } from "../../text/count";
import { type Clause, clause, putWay } from "../../said";
import { place, placeReached } from "../../text/place";
import { shareOfShank } from "./zone";

const hold = oneOf(...holds.map((h) => map(words(h.replace(" ", "\\s+")), () => h)));

const howMany = map(
  seq(
    opt(words("with|by|using|,")),
    count,
    // “8 crosswise wraps”, “6 more tight wraps”: how they are laid is told by the words that stay.
    opt(
      words(
        "(?:(?!of\\b|and\\b|with\\b|turns?\\b|the\\b)[\\w-]+\\s+){0,2}?(?=(?:thread\\s+)?wraps?\\b|thread\\s+bands?\\b|turns?\\s+of\\b)",
      ),
    ),
    words(
      "(?:thread\\s+)?wraps?(?:\\s+of\\s+(?:the\\s+)?(?:(?:tying|working)\\s+)?(?:thread|silk))?(?!\\s+of\\s+(?!(?:the\\s+)?(?:(?:tying|working)\\s+)?(?:thread|silk)\\b))|(?:soft|pinch|loose)\\s+loops?|thread\\s+bands?|bands?\\s+of\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk)|turns?\\s+of\\s+(?:the\\s+)?(?:tying\\s+)?(?:thread|silk)",
    ),
  ),
  ([, c]) => c,
);

export const tiedIn: Clause = clause(
  "tied in at the bend with 5 wraps",
  seq(
    match(
      "(?:(tied\\s+down)|tied\\s+(?:in|on)|tied(?=\\s+(?:half-?\\s?way|(?:an?|one|two)\\s+(?:third|quarter)s?\\b|mid-?|(?:just\\s+|right\\s+)?behind\\s+the|at\\s+the|\\d[\\d.,]*\\s*(?:mm|cm)\\s+(?:behind|in\\s+front|from|back)))|caught\\s+in|bound\\s+in|set\\s+in|set(?=\\s+(?:at|near)\\s)|fixed|(?<=\\b(?:wire|tinsel|oval|rib|herls?|hackle|saddle|floss|mono|strip|chenille|yarn|wool)\\s+)in(?=\\s+(?:at|on)\\s))",
    ),
    opt(words("just|right")),
    opt(words("at|on|near")),
    // “tied in at the front third”: where that ends.
    oneOf(
      place,
      map(shareOfShank, ({ from, to }) => ("landmark" in from && from.landmark === "eye" ? to : from)),
      placeReached,
    ),
    // When, and no second place: “tied in at the bend before the body and folded over it”.
    opt(words("before\\s+the\\s+(?:body|abdomen|dubbing)(?=\\s*(?:[,.;]|$|and\\b))")),
    opt(map(seq(words("as"), opt(words("a")), hold, opt(words("hold"))), ([, , h]) => h)),
    opt(howMany),
  ),
  (s, [[down], , , where, , held, n]) => {
    if (n && !(Number.isInteger(n.n) && n.n >= 1)) return false;
    // “Tied in at the bend and folded forward, tied down behind the eye”: there it goes.
    if (down !== undefined && s.tieIn?.at !== undefined && s.there === undefined) {
      s.there = where;
      if (n) s.wraps = n.n;
      return;
    }
    s.tieIn = { at: where, ...(n && { wraps: n.n }), ...(held && { hold: held }) };
  },
);

/** “Tied in with the tinsel”: where and when that is; of that nothing new is tied. */
export const withAnother: Clause = clause(
  "tied in with the tinsel",
  words(
    "(?:tied|caught|bound|lashed)\\s+(?:in|down)\\s+(?:together\\s+|along\\s+)?with\\s+the\\s+(?!thread\\b|silk\\b)[a-z]+(?=\\s*(?:[,.;]|$|and\\b))",
  ),
  () => undefined,
);

export const wraps: Clause = clause("5 wraps", howMany, (s, c) => {
  const n = c.spread ? Math.round(c.n) : c.n;
  if (!Number.isInteger(n) || n < 1) return false;
  s.wraps = n;
});

export const held: Clause = clause(
  "as a loose hold",
  map(seq(words("as"), opt(words("a")), hold, opt(words("hold"))), ([, , h]) => h),
  (s, h) => void (s.tieIn = { ...s.tieIn, hold: h }),
);

/** How firmly it is secured, where a school rather than a number was said. */
export const securing: Clause = clause(
  "held by as few wraps as will do",
  oneOf(
    map(
      words(
        "(?:held|secured|tied\\s+down|bound)\\s+(?:by|with)\\s+(?:as\\s+few|only\\s+as\\s+many|the\\s+fewest)\\s+(?:wraps|turns)(?:\\s+(?:as|that)\\s+(?:will\\s+)?(?:do|hold|needed))?|(?:as\\s+few|the\\s+fewest)\\s+(?:wraps|turns)\\s+(?:as|that)\\s+(?:will\\s+)?(?:do|hold)",
      ),
      () => "few",
    ),
    map(words("secured\\s+(?:by|with)\\s+(?:several|many|plenty\\s+of|extra)\\s+(?:wraps|turns)"), () => "several"),
  ),
  (s, school) => putWay(s, "securing", school),
);
