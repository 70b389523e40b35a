import { acts, type Act } from "../../recipe";
import { anyOf, map, match, oneOf, opt, seq, words } from "../parse";
import { clause, type Clause, type Said } from "../said";
import { count, times } from "../text/count";
import { length, lengthNamed } from "../text/length";
import { number, readNumber } from "../text/number";
import { everywhere, where } from "./common";

/** So many whole turns hold it. */
function lashed(s: Said, turns: number): boolean {
  if (!Number.isInteger(turns) || turns < 1 || s.wraps !== undefined) return false;
  s.wraps = turns;
  return true;
}

/** What can be said of a bead or eyes. */
export const seatClauses: Clause[] = [
  clause(
    "on top",
    match(
      "(?:lashed\\s+|tied\\s+)?(on\\s+top(?:\\s+of\\s+the\\s+(?:shank|hook))?|(?:on\\s+)?the\\s+(?:underside|bottom)(?:\\s+of\\s+the\\s+(?:shank|hook))?|underneath|under\\s+the\\s+(?:shank|hook)|below\\s+the\\s+shank)",
    ),
    (s, [side]) => {
      s.lashed = side?.startsWith("on top") ? "on top" : "underneath";
    },
  ),
  clause(
    "8 turns",
    seq(count, words("(?:(?:crossed|criss-?cross(?:ed)?|cross|diagonal|tight|firm)\\s+)*(?:turns?|lashings?)")),
    (s, [c]) => lashed(s, c.n),
  ),
  clause("12 x-wraps", seq(count, words("(?:x|cross)-?\\s?wraps?")), (s, [c]) => lashed(s, c.n)),
  clause(
    "figure of eight x 10",
    seq(
      words("(?:in|with)?\\s*(?:an?\\s+)?figures?[- ](?:of[- ])?(?:eight|8)s?(?:\\s+(?:wraps?|turns?|lashings?))?"),
      words("x|×"),
      count,
    ),
    (s, [, , c]) => lashed(s, c.n),
  ),
  clause("10 each way", seq(count, words("(?:turns\\s+|wraps\\s+)?(?:each|either|both)\\s+ways?")), (s, [c]) =>
    lashed(s, 2 * c.n),
  ),
  clause(
    "figure of eight lashings",
    words("(?:in|with)?\\s*(?:an?\\s+)?figures?[- ](?:of[- ])?(?:eight|8)s?(?:\\s+(?:wraps?|turns?|lashings?))?"),
    () => undefined,
  ),
  clause(
    "pointing back",
    words(
      "(?:pointing|facing|looking|angled)\\s+(?:slightly\\s+)?(?:back(?:wards?)?|forwards?|out(?:wards)?|up(?:wards)?)",
    ),
    () => undefined,
  ),
  clause("a pair of", words("(?:an?\\s+|one\\s+)?pair\\s+of"), () => undefined),
  clause("2 of them", seq(opt(words("x")), number, words("of\\s+them")), (s, [, n]) => {
    if (!Number.isInteger(n) || n < 1) return false;
    s.count = n;
  }),
  clause(
    "10 figure-of-eight wraps",
    seq(
      opt(words("with|by|lashed\\s+with")),
      count,
      opt(words("turns?|wraps?|tight|firm")),
      words("(?:of\\s+)?figures?[- ](?:of[- ])?(?:eight|8)s?(?:\\s+(?:wraps|turns|lashings))?"),
      opt(words("wraps?|turns?|lashings?")),
    ),
    (s, [, c]) => {
      s.wraps = Math.max(1, Math.round(c.n));
    },
  ),
  clause(
    "4 turns under the eyes",
    seq(
      opt(words("then|and|plus")),
      count,
      words(
        "(?:posting|locking|securing)\\s+(?:wraps?|turns?)|(?:(?:wraps?|turns?)\\s+)?(?:of\\s+thread\\s+)?(?:under(?:neath)?|beneath|below|(?:a?round|about)(?:\\s+the\\s+(?:base|foot)\\s+of)?)\\s+(?:the\\s+eyes|them|it)",
      ),
    ),
    (s, [, c]) => {
      s.wraps = (s.wraps ?? s.tieIn?.wraps ?? 0) + Math.max(1, Math.round(c.n));
    },
  ),
  clause(
    "stuck on",
    words(
      "(?:stuck|set)(?:\\s+(?:firmly|well))?(?:\\s+on(?:\\s+to|to)?(?=\\s*(?:[,.;]|$|the\\s+(?:head|sides?)|both|each|either))|(?=\\s+(?:on|to|in|at)\\b))(?:\\s+(?:to\\s+)?(?:the\\s+)?(?:(?:both|each|either)\\s+)?(?:sides?(?:\\s+of\\s+the\\s+head)?|head))?",
    ),
    () => undefined,
  ),
  // A bead that slides to the eye is in no zone.
  ...where.slice(1),
  ...everywhere,
];

/** So long a coat dries: a week at most. */
function putDry(s: Said, n: number, unit: string): boolean {
  const minutes = n * (unit.startsWith("m") ? 1 : unit.startsWith("h") ? 60 : 1440);
  if (!(minutes > 0 && minutes <= 10080)) return false;
  s.dryMinutes = Math.round(minutes);
  return true;
}

/** What can be said of glue within the fly. */
export const glueClauses: Clause[] = [
  clause(
    "a thin coat of",
    words(
      "(?:an?\\s+)?(?:thin|light|good|heavy|full|clear|final|single)\\s+coat(?:ing)?(?:\\s+of)?(?=\\s)|coat\\s+of(?=\\s)",
    ),
    (s) => {
      if (s.coats !== undefined) return false;
      s.coats = 1;
    },
  ),
  clause(
    "a drop",
    words(
      "(?:an?\\s+)?(?:(?:tiny|small|good|thin|wet|little|big|large|neat)\\s+)*(?:drop|dab|dot|spot|touch|zap|smear|lick|dash|blob|bubble|bead|needle(?:ful)?)(?=\\s+of\\b|\\s*(?:[,.;]|$)|\\s+(?:on|under|behind|at|over))",
    ),
    (s) => {
      if (s.drops !== undefined) return false;
      s.drops = 1;
    },
  ),
  clause(
    "1 drop",
    seq(count, opt(words("tiny|small|good|thin|large|little")), words("drops?|dots?|touch(?:es)?|spots?|beads?")),
    (s, [c]) => {
      if (!(c.n >= 0.01)) return false;
      s.drops = c.n;
    },
  ),
  clause(
    "2 coats",
    seq(
      count,
      opt(words("thin|light|good|heavy|full|clear")),
      words("(?:coats?|cts?|layers?|applications?)(?:\\s+(?:of\\s+)?clear(?=\\s*(?:[,.;]|$)))?"),
    ),
    (s, [c]) => {
      const n = Math.round(c.n);
      if (n < 1 || n > 9) return false;
      s.coats = n;
    },
  ),
  clause(
    "then a second",
    match(
      "(?:and\\s+|then\\s+|followed\\s+by\\s+)+(?:another|an?\\s+(?:second|third)|one\\s+more)(?:\\s+(?:one|coat|layer))?(?=\\s*(?:[,.;]|$|(?:when|once|after|later|over)\\b))",
    ),
    (s) => {
      if (s.coats === undefined || s.coats > 8) return false;
      s.coats += 1;
    },
  ),
  clause("resin coat", words("(?<=\\b(?:resin|varnish|lacquer|epoxy|cement)\\s+)coat(?=\\s*(?:[,.;]|$))"), (s) => {
    s.coats ??= 1;
  }),
  clause("x 3", match("x\\s?(\\d)(?!\\d)"), (s, [n]) => {
    if (s.coats !== undefined || Number(n) < 1) return false;
    s.coats = Number(n);
  }),
  clause("twice", times, (s, c) => {
    if (!Number.isInteger(c.n) || c.n > 9) return false;
    s.coats = c.n;
  }),
  clause(
    "letting each dry for 30 minutes",
    seq(
      words(
        "(?:and\\s+)?(?:let(?:ting)?|leav(?:e|ing)|allow(?:ing)?)\\s+(?:each|every)(?:\\s+(?:coat|one|layer))?\\s+(?:to\\s+)?dry(?:\\s+for)?",
      ),
      opt(words("about|at\\s+least|some")),
      number,
      match("(min(?:ute)?s?|h(?:ou)?rs?|h|days?)"),
    ),
    (s, [, , n, [unit = ""]]) => putDry(s, n, unit),
  ),
  clause(
    "4 hours to dry",
    seq(
      opt(
        words(
          "(?:and\\s+)?(?:let(?:ting)?|leav(?:e|ing)|allow(?:ing)?|wait(?:ing)?|left|dr(?:y|ied|ying)|with|for)(?:\\s+(?:each|it|the|them|every|coat|to|dry|turn|rotate|set|for))*",
        ),
      ),
      opt(words("about|at\\s+least|for|some")),
      oneOf(
        number,
        map(words("half\\s+an?"), () => 0.5),
        map(words("an?"), () => 1),
      ),
      match("(min(?:ute)?s?|h(?:ou)?rs?|h|days?)"),
      words(
        "(?:of\\s+)?(?:to\\s+dry|drying|dry)(?:\\s+(?:time|each|in\\s+between))*|(?:in\\s+)?between(?:\\s+(?:each|every|the|them|coats?))*|apart|each|after\\s+each(?:\\s+coat)?|for\\s+each(?:\\s+coat)?",
      ),
    ),
    (s, [, , n, [unit = ""]]) => putDry(s, n, unit),
  ),
  clause(
    "each",
    words(
      "each|(?:and\\s+)?cured?(?:\\s+(?:hard|well|each))?(?:\\s+(?:under|with|in)\\s+(?:the|a)\\s+(?:uv\\s+)?(?:lamp|light|torch))?|(?:and\\s+)?(?:left\\s+to\\s+)?(?:dry|dried|set)",
    ),
    () => undefined,
  ),
  clause(
    "not the thorax",
    words(
      "(?:but\\s+)?(?:not|never)\\s+(?:on\\s+|over\\s+)?the\\s+(?:thorax|body|head|wing(?:\\s+case)?s?|hackle|legs|tail|eyes|bead)",
    ),
    () => undefined,
  ),
  clause(
    "to the thread wraps",
    words("(?:(?:to|on|over)\\s+)?the\\s+(?:thread\\s+|whip\\s+)?(?:wraps|windings|turns)(?=\\s*(?:[,.;]|$))"),
    () => undefined,
  ),
  clause(
    "on both sides of the head",
    words("(?:on|to|at)?\\s*(?:the\\s+)?(?:both|each|either)\\s+sides?(?:\\s+of\\s+the\\s+head)?"),
    () => undefined,
  ),
  clause(
    "between them",
    words(
      anyOf(
        "(?:between|under(?:neath)?|on|over|behind)\\s+(?:them|it|both)",
        "(?:on|to|along|over)\\s+the\\s+(?:underside|bottom|belly)(?=\\s*(?:[,.;]|$|and\\b))",
        "(?:between|on|over)\\s+the\\s+eyes",
        "(?:on(?:to)?\\s+)?the\\s+(?:whip(?:\\s+finish)?|wraps|windings?|butts?|threads?|knot|tie-?in)(?:\\s+(?:below|underneath|on\\s+(?:the\\s+)?(?:underside|top)))?",
        "under(?:neath)?\\s+the\\s+(?:\\w+)",
      ),
    ),
    () => undefined,
  ),
  clause(
    "the back",
    words("(?:over\\s+|along\\s+|on\\s+)?the\\s+(?:back|shell|top)(?=\\s*(?:[,.;]|$|and\\b))"),
    (s) => {
      // “a blob on the top, just behind the bead”: on the top of that place.
      if (s.drops !== undefined) return;
      s.from = { part: "body", end: "front" };
      s.to = { part: "body", end: "rear" };
    },
  ),
  clause(
    "the whole fly",
    words(
      "(?:over\\s+|along\\s+)?(?:the\\s+)?(?:whole|entire|complete)\\s+(?:fly|length)|(?:(?:over|across)\\s+)?everything|all\\s+over",
    ),
    (s) => {
      s.from = { eyeLengths: 0 };
      s.to = { landmark: "bend" };
    },
  ),
  clause(
    "open 5 min",
    seq(words("open|working\\s+time"), number, words("min(?:utes)?")),
    (s, [, openMinutes]) => void (s.openMinutes = openMinutes),
  ),
  ...where,
  ...everywhere,
];
/** Words for what is done without adding material. */
const actWords: [string, Act][] = [
  ["brush(?:es|ed|ing)?(?!\\s+of\\b)(?:\\s+out)?|comb(?:ed|ing)?(?:\\s+out)?", "brush"],
  [
    anyOf(
      "(?:pull|tease)(?:s|ed|ing)?\\s+out\\s+(?:(?:a\\s+)?(?:few|little|bit|some)\\s+)?(?:of\\s+)?(?:the\\s+)?(?:guard\\s+hairs?|fibres?|fibers?|fur|dubbing|hairs?)",
      "pick(?:s|ed|ing)?\\s+(?:(?:a\\s+)?(?:few|little|bit|some|the|of|fibres|fur|dubbing|hairs?)\\s+)+out",
      "pick(?:s|ed|ing)?\\s+(?:it\\s+|them\\s+|the\\s+(?:\\w+\\s+)??)?out",
      "pick(?:ed)?\\s+out",
      "(?:pick|pull|tease|work)(?:s|ed|ing)?\\s+(?:(?:some|a\\s+few)\\s+(?:of\\s+)?)?(?:the\\s+)?(?:dubbing|fur|fibres|fibers|hairs?)\\s+out",
      "tease(?:d|s)?(?:\\s+out)?",
      "rough(?:ed|en)?\\s+up",
      "fluff(?:ed)?(?:\\s+(?:up|out))?",
    ),
    "pick out",
  ],
  ["thin(?:ned|s|ning)?\\s+(?:it\\s+|them\\s+)?out|cull(?:ed)?", "thin out"],
  [
    "trim(?:s|med|ming)?|cut(?:s|ting)?|clip(?:s|ped)?|snip(?:s|ped)?|nip(?:s|ped)?(?:\\s+off)?|shorten(?:ed)?|shape(?:d)?\\s+with\\s+scissors",
    "trim",
  ],
  ["half[- ]?hitch(?:es|ed)?", "half hitch"],
  ["wax(?:ed|ing)?", "wax"],
  [
    "(?:turn|flip|rotate|invert)(?:s|ed|ing)?\\s+(?:the\\s+)?(?:hook|vise|fly|it)(?:\\s+(?:over|upside\\s+down|round))?|turn\\s+the\\s+hook",
    "turn the hook",
  ],
  [
    "wait|let\\s+(?:it|that|the\\s+\\w+)\\s+(?:dry|set|harden|go\\s+(?:off|tacky))|leave\\s+(?:it\\s+)?to\\s+(?:dry|set)",
    "wait",
  ],
  ["move\\s+the\\s+thread", "move the thread"],
  [
    "giv(?:e|ing)\\s+(?:it|them|the\\s+\\w+)\\s+(?:an?|one|two|three|a\\s+few|some)\\s+(?:(?:little|slight|gentle|good|quick|single|half|bit\\s+of\\s+an?)\\s+)*twists?(?:\\s+(?:anti|counter)?-?clockwise)?",
    "twist",
  ],
  [
    "spin\\s+the\\s+(?:bobbin|thread|silk)\\s+(?:anti|counter)-?\\s?clockwise(?:\\s+to\\s+(?:flatten|untwist)\\s+(?:it|the\\s+(?:thread|silk)))?",
    "flatten",
  ],
  [
    "spin\\s+the\\s+(?:bobbin|thread|silk)\\s+clockwise(?:\\s+to\\s+(?:cord|tighten|twist)\\s+(?:it|the\\s+(?:thread|silk)))?",
    "twist",
  ],
  ["twist(?:ed|s|ing)?|spin\\s+the\\s+(?:bobbin|thread)|cord(?:ed)?", "twist"],
  ["flatten(?:ed|s|ing)?|untwist(?:ed)?", "flatten"],
  ["burnish(?:ed|es|ing)?|rub(?:bed)?(?:\\s+smooth)?", "burnish"],
  [
    "(?:singe(?:d|s)?|burn(?:t|ed|s)?(?!\\s+(?:orange|red|olive|brown|yellow|copper|sienna|umber)\\b)|melt(?:ed)?)(?:\\s+(?:the|its)\\s+(?:tips?|ends?)(?=\\s*(?:[,.;]|$|of\\b|with\\b)))?",
    "singe",
  ],
  [
    "zap(?:s|ped|ping)?(?!\\s+of\\b)(?:\\s+(?:it|them))?(?:\\s+(?:with|under)\\s+(?:the|a)\\s+(?:uv\\s+)?(?:light|lamp|torch))?|hit\\s+(?:it|them)\\s+with\\s+(?:the|a)\\s+(?:uv\\s+)?(?:light|lamp|torch)",
    "cure",
  ],
  ["cure(?:d|s)?|(?:set|hardened?)\\s+(?:with|under)\\s+the\\s+lamp|lamp", "cure"],
  [
    "press(?:ed|es)?|squeeze(?:d)?|pinch(?:ed)?(?:\\s+flat)?(?!\\s+of\\b|\\s+and\\s+loop\\b|\\s+(?:[a-z]+\\s+){0,3}(?:dubbing|fur|wool|hair|marabou|fibres?)\\b)",
    "press",
  ],
  [
    anyOf(
      "strok(?:e|ed|es|ing)",
      "fold(?:ed)?(?=\\s+(?:(?:the|its|all)\\s+)?(?:hackle\\s+)?(?:fibres|barbs)\\s+back)",
      "sweep",
      "preen(?:ed)?",
      "clear(?=\\s+(?:the\\s+)?(?:hackle|fibres|barbs|hairs?)(?:\\s+fibres)?\\s+(?:back|out\\s+of\\s+the\\s+way))",
      "pull(?:ed)?(?=\\s+(?:the\\s+)?(?:hackle|fibres|barbs|legs))",
    ),
    "stroke",
  ],
  [
    "wet(?:ted|s)?(?!\\s+(?:varnish|cement|glue|superglue|resin|lacquer|layer|coat)\\b)|moisten(?:ed)?|dampen(?:ed)?|soak(?:ed)?",
    "wet",
  ],
];
export const actRead = oneOf(
  ...actWords.map(([w, act]) => map(words(w), () => act)),
  // “Over wet varnish”: that one is read by its own words.
  ...acts.flatMap((a) => (a === "wet" || a === "brush" ? [] : [map(words(a), () => a)])),
);

/** What can be said of something that adds no material. */
export const actClauses: Clause[] = [
  clause("brush back", seq(actRead, opt(match("(back|forward)(?:wards?|s)?"))), (s, [act, way]) => {
    if (s.act !== undefined) return false;
    Object.assign(s, { act, ...(way?.[0] !== undefined && { direction: way[0] }) });
  }),
  clause("back", match("(back|forward|rearward)(?:wards?|s)?"), (s, [way]) => {
    if (s.direction !== undefined) return false;
    s.direction = way === "forward" ? "forward" : "back";
  }),
  clause("0.5 min", seq(number, words("min(?:utes)?")), (s, [minutes]) => void (s.minutes = minutes)),
  clause("for an hour", match("(?:for\\s+)?(?:about\\s+)?(an|one|two|three|four|\\d{1,2})\\s+hours?"), (s, [n]) => {
    if (s.minutes !== undefined) return false;
    s.minutes = 60 * (n === "an" ? 1 : (readNumber(n ?? "") ?? 1));
  }),
  clause("half hitch twice", times, (s, c) => {
    if ((s.act !== undefined && s.act !== "half hitch") || !Number.isInteger(c.n) || c.n < 1) return false;
    s.times = c.n;
  }),
  clause("2 half hitches", seq(number, actRead), (s, [n, act]) => {
    if (s.act !== undefined && s.act !== act) return false;
    Object.assign(s, { act, times: n });
  }),
  clause(
    "to 4 mm",
    oneOf(
      map(
        seq(
          words(
            "leaving|(?:to\\s+)?leave(?:\\s+an?\\s+(?:[a-z]+\\s+)?(?:head|stub|post|tuft|tail|fan|flap|lip|tag)(?:\\s+of)?)?|(?:down|back)?\\s*to(?!\\s+the\\s+(?:hook(?!\\s+(?:eye|bend|point|barb|gape|gap))|shank|body|thread|hide)(?!\\s+length))|level\\s+with|even\\s+with|at(?=\\s+(?:about\\s+)?[\\d½¼¾]|\\s+the\\s+(?:hook\\s+)?(?:point|barb|bend))|=",
          ),
          lengthNamed,
          opt(words("long|left|of\\s+(?:it|them)|tall")),
        ),
        ([, l]) => l,
      ),
      map(seq(length, opt(words("long|left|tall"))), ([l]) => l),
    ),
    (s, leave) => {
      if (s.leave !== undefined) return false;
      s.leave = leave;
    },
  ),
  clause(
    "short",
    words(
      anyOf(
        "(?:off|from|along|on)\\s+(?:the\\s+)?(?:top|bottom|underside|sides|under(?:neath)?|(?:lower|upper)(?=\\s+half))(?:\\s+half)?(?:\\s+only)?",
        "an?\\s+(?:v|vee|notch|gap|slit)(?:\\s+(?:out\\s+of|in|into|from|on)\\s+(?:the\\s+)?(?:bottom|underside|top|hackle|collar|fibres|barbs))?",
        "(?:the\\s+)?top\\s+(?:and|&)\\s+bottom",
        "the\\s+(?:top|bottom|underside|belly)(?=\\s*(?:[,.;]|$)|\\s+(?:flat|level|close|short|square|off|away|even|to)\\b)",
        "at\\s+the\\s+(?:bottom|underside|belly)",
        "underneath",
        "below",
        "beneath",
        "on\\s+top",
        "(?:to\\s+(?:look\\s+like|suggest|imitate|make|form)|for|as)\\s+(?:the\\s+|some\\s+)?(?:legs|gills|breathers)",
        "(?:at|on|along)\\s+(?:the\\s+|both\\s+)?sides?(?:\\s+for\\s+(?:the\\s+)?legs)?",
        "all\\s+round",
        "short",
        "(?:(?:as\\s+)?close(?:ly)?\\s+)?(?:down\\s+)?to\\s+the\\s+(?:thread|hook\\s+shank|shank|body|hook|hide)(?:\\s+as\\s+(?:you|i|we)\\s+(?:can|dare))?",
        "close",
        "level",
        "square",
        "flush",
        "tidy",
        "to\\s+(?:length|shape|size)",
        "(?:in)?to\\s+(?:a\\s+)?(?:\\w+\\s+)?(?:bullet|cone|cylinder|wedge|ball|dome|point|mushroom|ramp|slope|taper|shape)(?:[\\s-]+(?:shaped?|head))?",
        "flat",
        "straight",
        "at\\s+an\\s+angle",
        "slanting",
      ),
    ),
    () => undefined,
  ),
  ...where,
  ...everywhere,
];
/** What can be said of the knot. */
export const whipClauses: Clause[] = [
  clause("2x4", match("(\\d)\\s?x\\s?(\\d)(?:\\s*turns?)?"), (s, [often, n]) => {
    if (s.turns !== undefined || Number(n) < 1 || Number(often) < 1) return false;
    Object.assign(s, { times: Number(often), turns: Number(n) });
  }),
  clause("5 turns", seq(count, opt(words("-")), words("turns?|wraps?")), (s, [c]) => {
    if (!(c.n >= 0.05)) return false;
    if (c.spread) s.spread = c.spread;
    s.turns = c.spread ? Math.round(c.n) : c.n;
  }),
  // “x5” are turns: nobody makes so many knots.
  clause("x2", match("[x×]\\s?([2-9])(?!\\d)"), (s, [n]) => {
    if (Number(n) <= 3 ? s.times !== undefined : s.turns !== undefined) return false;
    if (Number(n) <= 3) s.times = Number(n);
    else s.turns = Number(n);
  }),
  clause("twice", seq(opt(words("done|made|repeated")), times, opt(words("over"))), (s, [, c]) => {
    if (!Number.isInteger(c.n) || c.n < 1) return false;
    s.times = c.n;
  }),
  clause(
    "in two lots",
    map(match("in\\s+(two|three|2|3)\\s+(?:lots|goes|sets|stages|batches)"), ([n]) => readNumber(n ?? "")),
    (s, n) => {
      if (s.times !== undefined) return false;
      s.times = n;
      // “10 turns in two lots”: so many in all.
      if (s.turns !== undefined && s.turns % n === 0) s.turns /= n;
    },
  ),
  clause("2 times", seq(oneOf(number), words("(?:separate\\s+)?(?:whip\\s+finish(?:es)?|knots?)")), (s, [n]) => {
    if (!Number.isInteger(n) || n < 1) return false;
    s.times = n;
  }),
  clause(
    "whip finish",
    words("(?:(?:with|of)\\s+(?:the|a)\\s+)?(?:whip(?:[- ]?finish(?:ed|es|er|ing\\s+tool)?)?|knot)"),
    () => undefined,
  ),
  clause(
    "and do it again",
    words(
      "(?:and\\s+)?(?:then\\s+)?(?:do\\s+it|do\\s+that|repeat(?:\\s+(?:it|that|the\\s+\\w+))?|once)\\s*(?:again|once\\s+more|more)|(?:and\\s+)?repeat(?=\\s*(?:[,.;]|$))",
    ),
    (s) => {
      if (s.times !== undefined) return false;
      s.times = 2;
    },
  ),
  clause(
    "and another four turn",
    words(
      "(?:and\\s+|then\\s+|followed\\s+by\\s+)*(?:another|a\\s+second)(?:\\s+(?:(?:\\d|two|three|four|five|six|seven|eight)[- ]turn|whip(?:[- ]?finish)?|one|the\\s+same))+",
    ),
    (s) => {
      if (s.times !== undefined) return false;
      s.times = 2;
    },
  ),
  clause("turns each", words("each(?:\\s+time)?"), () => undefined),
  ...where,
  clause("5", count, (s, c) => {
    if (s.turns !== undefined || !Number.isInteger(c.n) || c.n > 30) return false;
    s.turns = c.n;
  }),
  ...everywhere,
];
export const threadClauses: Clause[] = [
  clause("change to it", words("change\\s+to\\s+it"), () => undefined),
  ...where,
  ...everywhere,
];
