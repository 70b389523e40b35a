import { map, match, oneOf, seq, opt, words } from "../../parse";
import { type Clause, type Said, clause, samePair } from "../../said";
import { measures, type PlainLength } from "../../../recipe";
import { JUST_MM, LONGER, lengthPair, lengthReaching, lengthNamed, lengthTo } from "../../text/length";

export const side = map(
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

/** How far they reach is how long they are, and no place of the winding. */
export const whenStroked: Clause = clause(
  "just past the bend when stroked back",
  seq(
    lengthReaching,
    words("when\\s+(?:it\\s+is\\s+)?(?:stroked|swept|pulled|drawn|laid|folded|brushed)\\s+(?:back|down)"),
  ),
  (s, [l]) => {
    if (s.barb !== undefined) return false;
    s.barb = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
  },
);

/** A step longer or shorter than is usual, unless their length is told already. */
function setSteps(s: Said, isLonger: boolean): false | undefined {
  if (s.barbSteps !== undefined || s.barb !== undefined) return false;
  s.barbSteps = isLonger ? 1 : -1;
}

/** How long the barbs are, for what is wound now or was only tied in. */
export const barbClauses: Clause[] = [
  clause(
    "a bit longer",
    match(
      "(?<=\\b(?:hackles?|cock|hen|saddle|grizzly|feather)\\b[^.;]{0,30})(?:an?\\s+(?:bit|little|touch|shade)\\s+|slightly\\s+|somewhat\\s+)?(longer|shorter)(?:\\s+in\\s+(?:the\\s+)?(?:fibre|barb|hackle))?(?=\\s*(?:[,.;]|$))",
    ),
    (s, [way]) => setSteps(s, way === "longer"),
  ),
  clause(
    "long in the fibre",
    match(
      "(long|short)(?:[-\\s]+fib(?:r|er)ed|\\s+in\\s+(?:the\\s+)?(?:fibre|fiber|barb|hackle))(?!\\s*(?:,|-)?\\s*(?:just\\s+)?reach|\\s*[-,]\\s*to\\b)",
    ),
    (s, [way]) => setSteps(s, way === "long"),
  ),
  clause(
    "longer than the hook",
    seq(
      opt(words("(?:(?:the|its)\\s+)?(?:fib(?:re|er)s|barbs|tips)|reaching")),
      oneOf<PlainLength>(
        map(
          match(
            "(?<!\\b(?:length|half|third|quarter|inch|mm|gapes?|shanks?|sizes?|steps?)\\s+)(?:a\\s+(?:bit|little|touch)\\s+|slightly\\s+|just\\s+)?longer\\s+than\\s+(?:the\\s+)?(hook|shank|gape|body)(?!\\s+hackle)",
          ),
          ([of]) => ({
            of: measures.find((m) => m === of) ?? ("gape" as const),
            times: LONGER,
          }),
        ),
        map(match("past\\s+(?:the\\s+)?(hook|bend)(?!\\s+point)"), ([of]) =>
          of === "hook" ? { of: "hook" as const, times: LONGER } : { reach: "bend" as const, pastMm: JUST_MM },
        ),
      ),
    ),
    (s, [, l]) => {
      if (s.barb !== undefined) return false;
      s.barb = samePair(l);
    },
  ),
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
      words("(?:with\\s+)?(?:(?:hackle\\s+)?(?:barbs?|barbules?|fibres?)(?:\\s+lengths?)?)"),
      opt(words("of|about|are|is|=|:")),
      lengthPair,
    ),
    (s, [, , barb]) => void (s.barb = barb),
  ),
  clause("1.25 gape barbs", seq(lengthNamed, words("(?:long\\s+)?(?:barbs|barbules)")), (s, [barb]) => {
    if (s.barb !== undefined) return false;
    s.barb = samePair(barb);
  }),
  clause(
    "fibres long enough to reach the bend",
    map(
      seq(
        words(
          "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:(?:hackle\\s+)?(?:barbs?|fibres?|fibers?|legs)|tips(?=\\s+(?:to|reach(?:ing)?)\\s+(?:the\\s+)?(?:hook\\s+)?points?\\b))(?:\\s+that)?(?:\\s+(?:are\\s+|just\\s+|will\\s+)*(?:long\\s+enough|so\\s+long\\s+as|as\\s+long\\s+as)?)?(?=\\s+(?:to|reach|come))",
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
    "long in the fibre, reaching the point",
    map(
      seq(
        words("(?:long|short|soft)\\s+in\\s+(?:the\\s+)?(?:fibre|hackle|barb)\\s*(?:,|-)?"),
        map(seq(opt(words("(?:just\\s+)?(?=reach)")), lengthReaching), ([, l]) => l),
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
        words(
          "(?:with\\s+)?(?:the\\s+|its\\s+)?(?:hackle\\s+)?(?:barbs?|fibres?|fibers?)\\s+(?:no|not(?:\\s+any)?)\\s+longer\\s+than",
        ),
        oneOf(lengthReaching, lengthNamed, lengthTo),
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
      words("(?:with\\s+)?(?:(?:hackle\\s+)?(?:barbs?|barbules?|fibres?)(?:\\s+lengths?)?)"),
      opt(words("of|about|(?:that\\s+)?are|is|=|:|a\\s+good")),
      lengthNamed,
      opt(words("long")),
    ),
    (s, [, , l]) => {
      s.barb = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
    },
  ),
];
