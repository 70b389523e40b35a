import { sectors, type Sector } from "../../../recipe";
import { type Said, type Clause, clause, put } from "../../said";
import { numberOf } from "./amount";
import { setBy, stanceOf, attitudeOf, DAM } from "./howTied";
import { match, seq, words, opt, oneOf, map } from "../../parse";
import { times, count } from "../../text/count";
import { number } from "../../text/number";
import { absolute } from "../../text/place";
import { face } from "../wind";

const SECTOR = `(?:${sectors.join("|")})`;
const OF_PART = "of\\s+(?:(?:the\\s+|its\\s+)?(?:tail|wing|body|thorax|hook|shank|post|eyes|head)|it|them)";

const A_BALL =
  "(?:an?\\s+|the\\s+)?((?:small\\s+|tiny\\s+|little\\s+)*(?:ball|bump|knob)\\s+of\\s+(?:\\w+\\s+)?(?:dubbing|thread|fur)|(?:small\\s+|tiny\\s+|little\\s+)*(?:thread|dubbing|fur)\\s+(?:ball|bump|knob))";

/** How much of a post one turn of the thread covers, mm. */
const WRAP_MM = 0.15;

const heldApart = (s: Said, [by = ""]: readonly (string | undefined)[]): void => {
  s.stance = "V";
  s.setBy = setBy(by);
};

export const sides: Clause[] = [
  clause(
    "split by a ball of dubbing",
    match(
      `(?:split|divided|separated|splayed|spread|forked|set\\s+apart)\\s+(?:in(?:to)?\\s+(?:two|halves|a\\s+v)\\s+|(?:\\d|two|three)\\s+and\\s+(?:\\d|two|three)\\s+)?(?:by|with|over|round|around|against)\\s+${A_BALL}`,
    ),
    heldApart,
  ),
  clause(
    "on either side of a ball of dubbing",
    match(`(?:(?:tied|set|mounted|one)\\s+)?(?:in\\s+)?(?:on\\s+)?(either|each|both)\\s+sides?\\s+of\\s+${A_BALL}`),
    (s, [which, by]) => {
      heldApart(s, [by]);
      // “Two fibres each side of a ball”: so many on each.
      if (which === "each" && s.amount) Object.assign(s, { round: { near: 1, far: 1 }, perSide: true });
    },
  ),
  clause(
    "base wrapped 6 times",
    seq(
      words("(?:the\\s+|its\\s+)?(?:base|root|foot|post)\\s+(?:is\\s+)?(?:wrapped|bound|whipped|wound)(?:\\s+up)?"),
      times,
      opt(words("up|up\\s+and\\s+down|round|around")),
    ),
    (s, [, c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "wraps at the root";
    },
  ),
  clause(
    "wrap the base 2 mm high",
    seq(
      words(
        "(?:and\\s+)?(?:wrap|wind|bind|post|whip)(?:ped|ing)?(?:\\s+up)?\\s+(?:the|its)\\s+(?:base|root|foot|bottom)(?:\\s+of\\s+(?:it|the\\s+(?:wing|post)))?(?:\\s+up)?(?:\\s+with\\s+(?:the\\s+)?(?:thread|silk))?",
      ),
      opt(seq(opt(words("for|to|about|up\\s+to")), absolute, opt(words("high|up|tall")))),
    ),
    (s, [, high]) => {
      s.setBy ??= "wraps at the root";
      if (high) s.wraps ??= Math.max(2, Math.ceil(high[1] / WRAP_MM));
    },
  ),
  clause(
    "stand it upright",
    words(
      `(?:and\\s+)?(?:stand|pull|prop|lift|set|bring|post)\\s+(?:it|them|the\\s+(?:wing|post|yarn))\\s+(?:up(?:right)?(?:\\s+straight)?|straight\\s+up)(?:${DAM})?`,
    ),
    (s) => void (s.attitude ??= "up"),
  ),
  clause(
    "tied forward, then stood up with wraps in front",
    words(
      `(?:tied\\s+(?:in\\s+)?forwards?(?:\\s+over\\s+the\\s+eye)?,?\\s+(?:and\\s+)?then\\s+)?(?:stood|propped|held|pulled|set)\\s+(?:it\\s+|them\\s+)?(?:up(?:right)?|erect)(?:${DAM}|(?=\\s+(?:with|by)\\s+(?:[\\w-]+\\s+){1,2}(?:wraps|turns)\\b|\\s*(?:[,.;]|$)))`,
    ),
    (s) => void (s.attitude ??= "up"),
  ),
  clause(
    "with 5 wraps of thread in front",
    seq(
      words("with|by"),
      count,
      words(
        "(?:tight\\s+)?(?:wraps|turns)(?:\\s+of\\s+(?:the\\s+)?(?:thread|silk))?\\s+(?:tight\\s+)?in\\s+front(?:\\s+of\\s+(?:it|them))?",
      ),
    ),
    (s, [, turns]) => {
      s.setBy ??= "wraps in front";
      s.wraps ??= Math.max(1, Math.round(turns.n));
    },
  ),
  clause(
    "from left and right quills",
    words(
      "(?:one\\s+each\\s+|taken\\s+|cut\\s+)?from\\s+(?:an?\\s+|the\\s+|matching\\s+|matched\\s+)*(?:left\\s+and\\s+(?:an?\\s+)?right|right\\s+and\\s+(?:an?\\s+)?left|opposite|matching|matched)(?:[\\s-]+(?:hand|wing|side))*\\s+(?:quills?|feathers?|wings?|primar(?:y|ies)|secondar(?:y|ies))",
    ),
    () => undefined,
  ),
  clause(
    "8 wraps up the base",
    seq(
      opt(words("(?:posted|wrapped|bound|whipped)\\s+with|with|by")),
      count,
      words(
        "(?:thread\\s+)?(?:wraps|turns)\\s+(?:up|round|around|up\\s+and\\s+down)\\s+(?:the|its)\\s+(?:base|post|root|foot)",
      ),
    ),
    (s, [, c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "wraps at the root";
    },
  ),
  clause(
    "wrapped 8 times round its base",
    seq(
      words("(?:and\\s+)?(?:wrapped|bound|whipped|wound|posted|lashed)(?:\\s+up)?"),
      times,
      words("(?:a?round|up|about|at)\\s+(?:the|its)\\s+(?:base|root|foot|bottom)"),
    ),
    (s, [, c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
      s.setBy ??= "wraps at the root";
    },
  ),
  clause(
    "shared 1 near and 1 far",
    match(`shared\\s+(\\d+\\s+${SECTOR}(?:\\s*(?:,|and)\\s*\\d+\\s+${SECTOR})*)`),
    (s, [parts]) => {
      const named = [...(parts ?? "").matchAll(new RegExp(`(\\d+)\\s+(${SECTOR})`, "g"))];
      s.round = Object.fromEntries(named.map((m) => [m[2] as Sector, Number(m[1])]));
      return Object.values(s.round).every((n) => n > 0);
    },
  ),
  clause(
    "sides",
    words(
      "(?:on|along|at|down)?\\s*(?:the\\s+|both\\s+)?sides(?:\\s+of\\s+the\\s+(?:shank|hook|head|body))?(?=\\s*(?:[,.;]|$))",
    ),
    put({ round: { near: 1, far: 1 } }),
  ),
  clause(
    "top and bottom",
    words(
      "(?:one\\s+)?on\\s+top,?\\s+and\\s+one\\s+(?:under(?:neath)?|below|beneath)(?:\\s+the\\s+(?:shank|hook))?|one\\s+(?:on\\s+top|over|above)(?:\\s*,|\\s+and)?\\s+(?:the\\s+other|one)\\s+(?:under(?:neath)?|below|beneath)(?:\\s+the\\s+(?:shank|hook))?|(?:on\\s+(?:the\\s+)?)?top\\s+and\\s+(?:bottom|below|underneath)",
    ),
    (s) => {
      s.round = { top: 1, underside: 1 };
      s.bunches ??= 2;
    },
  ),
  clause(
    "one on each side",
    seq(
      number,
      words("(?:on\\s+)?(?:each|either|a|per)\\s+side|(?:to|for)\\s+(?:each|either|a)\\s+side|a\\s+side"),
      opt(words(OF_PART)),
    ),
    (s, [n]) => {
      if (!Number.isInteger(n) || n < 1) return false;
      // “Six hackles, four a side”: one of the two is wrong, and nobody can say which.
      const all = numberOf(s.amount);
      const disagree = n > 1 && all !== undefined && all !== n && all !== 2 * n;
      if (disagree) s.disagree = { all, each: n };
      s.round = { near: 1, far: 1 };
      if (!disagree) s.count = 2 * n;
      // “On either side, 2 per side”: that is said once.
      delete s.perSide;
    },
  ),
  clause("above that", words("(?:just\\s+|right\\s+)?above\\s+(?:that|this|it|these|those|them)\\b"), (s) => {
    s.round ??= { top: 1 };
  }),
  clause(
    "tips apart",
    words(
      "(?:with\\s+)?(?:the\\s+)?(?:tips|points)\\s+(?:apart|diverging|pointing\\s+(?:apart|outwards?)|spread\\s+apart)",
    ),
    (s) => void (s.stance ??= "V"),
  ),
  clause("under the thorax", words("(?:under(?:neath)?|beneath|below)\\s+the\\s+(?:thorax|body|abdomen)"), (s) => {
    if (s.round !== undefined) return false;
    s.round = { underside: 1 };
  }),
  clause(
    "on the near side",
    match(
      `(?:on|along|at)\\s+(?:the\\s+)?(${SECTOR}|far|near|bottom)(?:\\s+side)?(?:\\s+of\\s+the\\s+(?:shank|hook))?|(underneath|below(?=\\s*(?:[,.;]|$))|below\\s+the\\s+shank|(?:under|below|beneath)\\s+the\\s+head|under\\s+the\\s+(?:shank|hook)|beneath(?:\\s+the\\s+(?:shank|hook))?)|(on\\s+top(?:\\s+of\\s+the\\s+(?:shank|hook|body|abdomen))?)`,
    ),
    (s, [a, under, top]) => {
      const sector = under !== undefined || a === "bottom" ? "underside" : top !== undefined ? "top" : (a as Sector);
      // Where it is tied in along the shank says nothing of a bundle that is not split.
      s.round = { [sector]: 1 };
    },
  ),
  clause(
    "splayed to either side",
    seq(
      words(
        "(?:splayed|splaying|flared|spread|curving|sticking)\\s+(?:out\\s+)?(?:to\\s+|on\\s+)?(?:each|either|both)\\s+sides?|splaying(?:\\s+out(?:wards)?)?",
      ),
      opt(words(OF_PART)),
    ),
    put({ stance: "splayed", round: { near: 1, far: 1 } }),
  ),
  clause(
    "fibres under",
    words("(?<=\\b(?:fibres?|fibers?|barbs?|strands?|legs?)\\s+)under(?=\\s*(?:[,.;]|$))"),
    put({ round: { underside: 1 } }),
  ),
  clause(
    "half to each side",
    words(
      "half\\s+(?:of\\s+(?:it|them)\\s+)?(?:to\\s+|on\\s+)?(?:a|each|either)\\s+side|(?:split|divided|shared)\\s+(?:evenly\\s+|equally\\s+)?(?:to|on|between|over)\\s+(?:both|each|the\\s+two)\\s+sides?|both\\s+sides(?!\\s+of)",
    ),
    put({ round: { near: 1, far: 1 } }),
  ),
  // “3 strands each side of the tail, 5 mm longer”: they lie with it, and are measured by it.
  clause(
    "each side of the tail",
    seq(
      words("(?:on|down|to|along)?\\s*(?:each|either)\\s+side\\s+of"),
      match("(?:the\\s+)?(tail|wing)(?!\\s+\\p{L})"),
    ),
    (s, [, [part]]) => {
      Object.assign(s, { round: { near: 1, far: 1 }, perSide: true, besideOf: part === "wing" ? "wing" : "tail" });
      if (part === "tail" && s.there === undefined) s.there = { landmark: "bend" };
    },
  ),
  clause(
    "on each side",
    oneOf(
      map(seq(words("(?:on|down|to|along)?\\s*(?:each|either)\\s+side"), words(OF_PART)), () => true as const),
      words("(?:on|down|to)?\\s*(?:each|either|a|per)\\s+side(?:\\s+of\\s+(?:that|it|them|this|those))?(?!\\s+of)"),
      // “Sides: two strands of pearl on each”
      words("(?<=^\\W*(?:\\d+\\W+)?(?:the\\s+)?(?:sides|cheeks|shoulders|flanks)\\b.*)on\\s+each(?=\\s*(?:[,.;]|$))"),
    ),
    put({ round: { near: 1, far: 1 }, perSide: true }),
  ),
  clause(
    "as a tent set by wraps at the root",
    seq(
      match(
        "(?:(?:as|in|like)\\s+an?\\s+(v|u|tent|roof)(?:[- ]shape)?|(?:lying|laid|low\\s+and)\\s+(flat)(?:\\s+over\\s+the\\s+(?:back|body))?|(flat)\\s+over\\s+the\\s+(?:back|body)|(splayed(?:\\s+(?:in|into|as)\\s+a\\s+fan)?|split|divided|forked|separated|spread(?:\\s+(?:wide|well))?)(?:\\s+in(?:to)?\\s+(?:two|half|halves|equal\\s+halves)(?:\\s+(?:halves|bunches|parts|pairs))?)?|(full\\s+round|all\\s+(?:the\\s+way\\s+)?round|fully\\s+round)|((?:set\\s+)?tent(?:ed|-?\\s?(?:wise|style|fashion)|-?\\s?shaped|-?\\s?like)?|roof(?:ed|-?\\s?(?:like|wise|shaped|style)))(?:\\s+over\\s+the\\s+body)?|(spent)|v-?shaped)",
      ),
      opt(
        map(
          match(
            "(?:set|fixed|held|kept|split|separated)?\\s*(?:by|with)\\s+((?:[\\w-]+\\s+){0,4}?(?:wraps|turns|root|glue|thread)(?:\\s+at\\s+the\\s+root|\\s+underneath|\\s+between(?:\\s+(?:them|the\\s+\\w+))?)?)",
          ),
          ([by]) => by,
        ),
      ),
    ),
    (s, [[a, b, c, d, e, tent, spent], by]) => {
      const stance = stanceOf(a ?? b ?? c ?? d ?? e ?? (tent ? "tent" : spent ? "flat" : "v"));
      if (!stance) return false;
      s.stance = stance;
      if (spent) s.attitude = "sides";
      if (by) s.setBy = setBy(by);
    },
  ),
  clause(
    "figure-of-eight wraps",
    seq(
      opt(count),
      words(
        "(?:turns?\\s+(?:of\\s+)?)?(?:with\\s+)?(?:a\\s+)?figures?[- ]of[- ](?:eight|8)(?:s|\\s+(?:wraps?|turns?|lashing))?(?:\\s+(?:between|around|round)\\s+(?:them|both|the\\s+(?:two\\s+)?wings?))?|figure[- ]?8(?:\\s+(?:wraps?|turns?))?(?:\\s+(?:between|around|round)\\s+(?:them|both|the\\s+(?:two\\s+)?wings?))?",
      ),
    ),
    (s, [c]) => {
      // “in a figure of eight” counts nothing.
      if (c && c.n > 1) s.wraps = Math.round(c.n);
      s.setBy ??= "figure-of-eight wraps";
    },
  ),
  clause(
    "to both sides",
    words(
      "to\\s+both\\s+sides|out\\s+to\\s+the\\s+sides|sideways|(?:laid\\s+|tied\\s+|lying\\s+)?(?:straight\\s+)?across\\s+the\\s+(?:top\\s+of\\s+the\\s+)?(?:shank|hook|eye)|tied\\s+(?:in\\s+)?(?:across|crosswise)(?=\\s*(?:[,.;]|$|behind\\b|at\\b|and\\b))",
    ),
    put({ attitude: "sides" }),
  ),
  clause(
    "over the back",
    words(
      "(?:lying\\s+|laid\\s+)?over\\s+the\\s+(?:back|body|top)|(?<!\\b(?:pull|fold|draw|stretch|bring|brought|take|taken|turn|bend|bent|tied|tie|push)(?:ed|n)?\\s+(?:(?:it|them|the\\s+\\w+)\\s+)?)(?:lying\\s+|laid\\s+)?back\\s+over\\s+the\\s+(?:body|abdomen)|on\\s+its\\s+back",
    ),
    put({ attitude: "over" }),
  ),
  clause(
    "tips to the rear",
    match(
      "(?:with\\s+)?(?:the\\s+|its\\s+|their\\s+)?(?:tips?|points?)\\s+(?:(?:point|fac|ly|project|extend)ing\\s+)?(?:to\\s+the\\s+(rear|back|front)|(?:out\\s+|forwards?\\s+)*(?:towards?|over)\\s+the\\s+(?:hook\\s+)?(rear|back|front|bend|eye))(?=\\s*(?:[,.;]|$|and\\b))",
    ),
    (s, [end, towards]) => {
      if (s.attitude !== undefined && s.attitude !== "over") return false;
      s.attitude = /front|eye/.test(end ?? towards ?? "") ? "forward" : "back";
    },
  ),
  clause(
    "so the fibres slope back over the body",
    words(
      "(?:so\\s+(?:that\\s+)?)?(?:(?:the\\s+)?(?:fib(?:re|er)s|tips)|they|it)\\s+(?:slope|sweep|lie|slant|lean)s?\\s+(?:(?:well|low|flat|straight)\\s+)?(?:back\\s+)?(?:(?:well|low|flat)\\s+)?over\\s+the\\s+(?:body|back|abdomen)",
    ),
    (s) => {
      if (s.attitude !== undefined) return false;
      s.attitude = "over";
    },
  ),
  clause(
    "up and forward",
    words(
      "(?<!\\b(?:tie|bind|wind|wrap|run|pull|bring|fold|work|thread|dub|rib|body)\\s+(?:it\\s+|them\\s+)?)(?:sloping\\s+|leaning\\s+|standing\\s+)?up(?:right)?\\s+and\\s+(?:slightly\\s+|a\\s+(?:little|bit)\\s+)?(?:forwards?|back(?:wards)?)(?=\\s*(?:[,.;]|$))",
    ),
    (s) => {
      if (s.attitude !== undefined) return false;
      s.attitude = "up";
    },
  ),
  clause(
    "pointing back",
    match(
      "(?:pointing|facing|leaning|sloping|slanting|sticking|swept|curv(?:ing|ed)(?!\\s+(?:(?:slightly|gently|well)\\s+)*down)|standing|tips?|hanging|extending|tilted)\\s+(?:(?:straight|well|slightly|out|just)\\s+)*(back|backwards?|rearwards?|behind|forward|forwards|down|downwards?|under(?:neath)?|below|beneath|up|upwards?|(?=over\\s+the\\s+(?:bend|tail)\\b))(?:\\s*over\\s+the\\s+(?:bend|eye|tail))?|(?:tips?\\s+|standing\\s+|set\\s+|mounted\\s+|held\\s+)?(upright|erect|cocked)|(stood\\s+up(?:right)?(?=\\s*(?:[,;.]|$|and\\s+(?:divided|split))))",
    ),
    (s, [way, upright, stood]) => {
      s.attitude = (upright ?? stood) !== undefined ? "up" : attitudeOf(way ?? "");
    },
  ),
  face,
];
