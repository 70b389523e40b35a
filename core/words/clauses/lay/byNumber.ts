import { type Clause, type Said, clause, putWay } from "../../said";
import { isColour } from "../../../materials";
import { seq, words, opt, match } from "../../parse";
import { count } from "../../text/count";
import { numberOf, amountOf, perSide, folded } from "./amount";
import { PENCIL_MM, MATCHSTICK_MM, THICK } from "./thick";
import { absolute } from "../../text/place";

const colourBehind = /^\s*of\s+([a-z]+)\s*(?:[,.;]|$)/;
/**
 * “30 strands of black bucktail, 4 strands of pearl”: a second number is of something else, unless it is of the same
 * stuff in another colour: “over 10 hairs of yellow”.
 */
const once = (counts: Clause): Clause => ({
  ...counts,
  take: (said, text, at) => {
    const { amount } = said;
    // “one feather, ten fibres” of it says more, and nothing else.
    const known = amount && !("feathers" in amount) ? numberOf(amount) : undefined;
    const own: Said = {};
    const end = counts.take(own, text, at);
    const isOther = end !== undefined && typeof known === "number" && known !== numberOf(own.amount);
    if (isOther && !isColour(colourBehind.exec(text.slice(end))?.[1] ?? "")) return undefined;
    return counts.take(said, text, at);
  },
});

export const byNumber: Clause[] = [
  // “6 fibres, 3 a side”: these are the six, not six more.
  clause(
    "3 a side",
    seq(
      count,
      words(
        "(?:(?:curv|fac|splay|flar|point|sweep|bend|lean)\\w+\\s+(?:(?:out|in|back|up|down|away)(?:wards?)?\\s+)?)?(?:(?:on|down|along|to)\\s+)?(?:a|each|per|either|every)\\s+(?:side|flank)",
      ),
    ),
    (s, [c]) => {
      if (numberOf(s.amount) !== 2 * c.n) return false;
      s.round = { near: 1, far: 1 };
      delete s.perSide;
    },
  ),
  clause(
    "a slip from each side",
    words("(?:an?|one)\\s+(?:slip|strip|section|segment)\\s+from\\s+(?:each|either)\\s+(?:side|wing|feather)"),
    () => undefined,
  ),
  clause(
    "matched slips of",
    seq(
      opt(count),
      words(
        "(?:an?\\s+|one\\s+)?(?:pair\\s+of\\s+)?(?:matched|matching|paired)?\\s*(?:slips?|strips?|tufts?|sections?|segments?)\\s+(?:of|from)(?:\\s+an?\\s+left\\s+and\\s+(?:an?\\s+)?right(?=\\s))?",
      ),
    ),
    (s, [c]) => {
      if (c && !Number.isInteger(c.n)) return false;
      s.isSlips = true;
      if (c) s.count = c.n;
    },
  ),
  clause(
    "2 pencil thick bundles",
    seq(
      count,
      match(
        "(pencil|match(?:stick)?)[-\\s](?:sized?|thick(?:ness)?)\\s+(?:bunches|clumps|bundles|stacks|tufts)(?:\\s+of)?",
      ),
    ),
    (s, [c, [thick]]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
      s.amount = { clump: { mm: thick === "pencil" ? PENCIL_MM : MATCHSTICK_MM } };
    },
  ),
  clause(
    "2 clumps of 4 mm",
    seq(count, words("(?:bunches|clumps|bundles|stacks)\\s+of"), absolute, THICK),
    (s, [c, , mm]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
      s.amount = { clump: { mm } };
    },
  ),
  clause(
    "2 bunches, 4 mm thick",
    seq(count, absolute, opt(words("thick|across|through")), words("(?:bunches|clumps|bundles|stacks)(?:\\s+of)?")),
    (s, [c, mm]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
      s.amount = { clump: { mm } };
    },
  ),
  clause(
    "2 clumps of",
    seq(
      count,
      words(
        "(?<!\\binto\\s+(?:two|three|2|3)\\s+)(?:(?:small|good|more|further|extra|even|equal|separate|sparse|matched|neat|tiny|large|slim)\\s+){0,2}(?:bunches|clumps|bundles|tufts|stacks)(?:\\s+of)?(?:,?\\s*each)?(?!\\s+side)",
      ),
    ),
    (s, [c]) => {
      if (!Number.isInteger(c.n) || c.n < 2 || c.n > 12) return false;
      s.bunches = c.n;
    },
  ),
  clause(
    "then another one the same",
    words(
      "(?:,\\s*)?(?:(?:and|then|plus)\\s+)*another(?:\\s+one)?\\s+(?:the\\s+same|just\\s+like\\s+(?:it|that)|like\\s+(?:it|that)|of\\s+the\\s+same(?:\\s+(?:size|thickness))?|as\\s+thick)",
    ),
    (s) => {
      if (!s.amount || !("clump" in s.amount)) return false;
      s.bunches = (s.bunches ?? 1) + 1;
    },
  ),
  clause(
    "two claws of",
    seq(count, words("(?:claws|pincers|antennae|feelers|horns|whiskers)\\s+(?:(?:made\\s+)?of|from|in)")),
    (s, [{ n }]) => {
      if (s.count !== undefined || s.amount !== undefined || !Number.isInteger(n) || n < 1) return false;
      s.count = n;
    },
  ),
  clause(
    "a piece of yarn",
    words("(?:an?\\s+|one\\s+)?(?:small|short|little|single)?\\s*(?:piece|length|bit)\\s+of(?!\\s+(?:[1-9]|the\\b))"),
    (s) => {
      if (s.count !== undefined || s.amount !== undefined) return false;
      s.count = 1;
    },
  ),
  clause(
    "stack it",
    words(
      "(?:and\\s+)?(?:stack|even(?:\\s+up)?|level|align|line\\s+up|square\\s+up)\\s+(?:it|them|the\\s+(?:hair|tips|fibres))|(?:and\\s+)?(?:line|even|square)\\s+(?:them|(?:the|their|its)\\s+tips)\\s+up",
    ),
    (s) => putWay(s, "tips", "stacked"),
  ),
  clause(
    "measure it",
    words("(?:and\\s+)?(?:measured?|size)(?:\\s+(?:it|them))?(?:\\s+(?:so\\s+that|against|to\\s+be|until|so))?"),
    () => undefined,
  ),
  clause("fibres x6", match("x\\s?(\\d{1,2})"), (s, [n]) => {
    const c = { n: Number(n) };
    return amountOf(s, c, "fibres");
  }),
  clause(
    "3 mm of fibres",
    seq(
      absolute,
      words(
        "of\\s+(?:fibres?|fibers?|stem|barbs?|the\\s+(?:stem|feather))|(?:wide\\s+)?(?:section|span|stretch|worth)\\s+of\\s+(?:fibres?|stem)|span\\s+of\\s+stem",
      ),
    ),
    (s, [spanMm]) => {
      if (!(spanMm > 0)) return false;
      s.amount = { spanMm };
    },
  ),
  clause(
    "a roll of 12 mm",
    seq(
      words("(?:an?\\s+)?(?:rolled\\s+)?(?:roll|fold|strip|section|segment)\\s+(?:of|from)"),
      absolute,
      opt(words("of\\s+(?:stem|fibres?|feather)|wide|of\\s+it")),
    ),
    (s, [, spanMm]) => {
      if (s.amount !== undefined || !(spanMm > 0)) return false;
      s.amount = { spanMm };
    },
  ),
  clause(
    "3 fibres each",
    seq(count, words("(?:fibres?|fibers?|barbs?|strands?|herls?)\\s+each(?!\\s+(?:side|end))")),
    (s, [c]) => {
      s.isOfEach = s.count === undefined;
      return amountOf(s, { n: c.n * (s.count ?? 1) }, "fibres");
    },
  ),
  once(
    clause(
      "6 to 8 fibres",
      seq(
        count,
        words(
          "(?:(?:(?:stiff|soft|webby|strong|straight|glassy|springy|clean|short|hard|supple|nice|matching|long|good)\\s+){1,2}(?=\\w+\\s+(?:of|from)\\b)|(?:good|long|single|whole|more|extra|further|other)\\s+)?(?:fibres?|fibers?|barbs?|barbules?|herls?(?=\\s*(?:,|$))|hairs?)",
        ),
        perSide,
      ),
      (s, [c, , side]) => amountOf(s, c, "fibres", { perSide: side !== undefined }),
    ),
  ),
  clause(
    "doubled over the thread to give 4",
    seq(
      words(
        "(?:doubled|folded)(?:\\s+(?:over|round|around)(?:\\s+the\\s+(?:tying\\s+)?thread)?)?\\s+(?:to\\s+(?:give|make)|giving|making)|so\\s+(?:that\\s+)?you(?:'ve(?:\\s+got)?|\\s+(?:have|get|end\\s+up\\s+with))",
      ),
      opt(words("you")),
      count,
      opt(words("ends?|legs?|strands?|tails?")),
    ),
    (s, [, , c]) => {
      if (!s.amount || !("strands" in s.amount) || !Number.isInteger(c.n) || c.n < 2) return false;
      s.amount = { strands: c.n, folded: true };
    },
  ),
  clause("a loop of", words("an?\\s+(?:(?:small|single|short|flat|wide)\\s+)?loop\\s+of(?=\\s+[a-z])"), (s) => {
    if (s.amount !== undefined) return false;
    s.amount = { strands: 2, folded: true };
  }),
  clause("a double strand", words("(?:an?\\s+)?(?:double|doubled)\\s+strands?(?:\\s*,?\\s*folded)?"), (s) => {
    s.amount = { strands: 2, folded: true };
  }),
  once(
    clause(
      "2 strands folded",
      seq(
        count,
        words("(?:(?:single|more|extra|further)\\s+)?(?:strands?|herls?|lengths?|ends|threads)"),
        folded,
        perSide,
      ),
      (s, [c, , f, side]) => amountOf(s, c, "strands", { folded: f !== undefined, perSide: side !== undefined }),
    ),
  ),
  clause(
    "folded",
    words(
      "folded\\s+(?:in\\s+)?half\\s+(?:over|round|around)\\s+the\\s+thread|folded\\s+over\\s+the\\s+(?:tying\\s+)?thread|folded\\s+(?:to\\s+)?(?:double|over|in\\s+half|a?round\\s+the\\s+thread)|folded|doubled(?:\\s+over)?",
    ),
    (s) => {
      if (!s.amount || !("strands" in s.amount)) return false;
      s.amount = { ...s.amount, folded: true };
    },
  ),
  clause("doubled", words("doubled(?:\\s+over)?(?=\\s*(?:[,.;]|$))"), (s) => {
    // A feather that is doubled is folded along its stem, and is one all the same.
    if (s.amount && "feathers" in s.amount) return;
    if (s.amount !== undefined) return false;
    s.folded = true;
  }),
];
