import { type Clause, clause, put, putRule } from "../../said";
import { words, seq, match, opt, anyOf, oneOf, map, unless } from "../../parse";
import { count, times } from "../../text/count";
import { TOUCHING, TURNS, SLIGHT_OVERLAP, of } from "./zone";
import { readNumber, number } from "../../text/number";
import { absolute, placeReached } from "../../text/place";
import { isColour } from "../../../materials";

/** One of two stuffs that lie behind each other: “over the tinsel”. */
const OVER_IT = words("(?:over|on|through|along)\\s+the\\s+(?!body\\b|whole\\b)[a-z]+");
export const howOften: Clause[] = [
  clause(
    "the yellow half",
    match("(?:over\\s+)?(?:the\\s+)?([a-z]+)\\s+(?:half|part|section)(?=\\s*(?:[,.;]|$|with\\b|in\\b|only\\b))"),
    (s, [colour = ""]) => {
      if (s.over !== undefined || !isColour(colour)) return false;
      s.over = colour;
    },
  ),
  clause(
    "the same number of turns",
    words(
      "(?:in\\s+)?(?:the\\s+)?same\\s+number\\s+of\\s+(?:turns|wraps)|as\\s+many\\s+turns(?!\\s+as\\s+(?:you|it|will))",
    ),
    put({ sameTurns: true }),
  ),
  clause(
    "one turn to each turn of the rib",
    words(
      "(?:(?:one|a)\\s+turn|once|turn\\s+for\\s+turn)\\s+(?:(?:to|for|with|behind|beside|against|alongside|in\\s+front\\s+of)\\s+)?(?:a|an|each|every|per|the)(?:\\s+(?:turn|wrap)(?:\\s+of)?)?(?:\\s+(?:the|of))?\\s+(?:rib(?:bing)?(?:\\s+turn)?|tinsel|oval)",
    ),
    put({ palmered: true, sameTurns: "rib" }),
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
  clause(
    "first turn behind the tail, then 4 more",
    seq(
      words(
        "(?:with\\s+)?(?:the\\s+|its\\s+)?first\\s+(?:turn|wrap|one)(?:\\s+(?:is|goes|going|right|just|close|tight))*",
      ),
      placeReached,
      opt(words("[,;]")),
      opt(words("(?:(?:and|then)\\s+)+")),
      count,
      words("(?:more|others)(?:\\s+(?:turns|wraps))?"),
    ),
    (s, [, first, , , c]) => {
      if (setTurns(s, { ...c, n: c.n + 1 }, false) === false) return false;
      s.begin ??= first;
    },
  ),
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
  clause(
    "touching turns, about 10",
    seq(
      match(`(?:in\\s+)?(${TOUCHING}\\s+)?turns?\\s*[,:(]`),
      unless(
        count,
        words(
          "turns?|wraps?|(?:(?:thin|light|heavy|good|clear)\\s+)*(?:coats?|layers?|drops?|strands?|fib(?:re|er)s?|feathers?)\\b",
        ),
      ),
      opt(words("of\\s+them|in\\s+all|altogether|in\\s+total")),
    ),
    (s, [[touching], c]) => (s.rule?.turns === undefined ? setTurns(s, c, touching !== undefined) : false),
  ),
  clause(
    "3 turns over each half",
    seq(
      count,
      TURNS,
      words(
        "(?:over|on|in|through|for|along)\\s+each(?:\\s+of\\s+the\\s+(?:two\\s+)?)?\\s*(?:half|halves|section|part)s?|per\\s+half",
      ),
    ),
    (s, [c]) =>
      setTurns(s, { ...c, n: 2 * c.n, ...(c.spread && { spread: [2 * c.spread[0], 2 * c.spread[1]] }) }, false),
  ),
  clause(
    "3 turns over the tinsel, 4 over the floss",
    seq(count, TURNS, OVER_IT, opt(words(",")), opt(words("and|then|plus")), count, opt(TURNS), OVER_IT),
    (s, [a, , , , , b]) => setTurns(s, { n: a.n + b.n }, false),
  ),
  clause("5 turns", seq(count, TURNS), (s, [c]) => setTurns(s, c, false)),
  clause(
    "5 open ones",
    seq(count, words("(?:(?:open|even|spaced|evenly|wide|wider)\\s+)+ones")),
    (s, [c]) => s.rule?.turns === undefined && setTurns(s, c, false),
  ),
  clause(
    "5 even ribs of",
    seq(count, words("(?:(?:even(?:ly)?|equal(?:ly)?|open|spaced)\\s+)*ribs?(?=\\s+(?:of|with)\\b)")),
    (s, [c]) => setTurns(s, c, false),
  ),
  clause("12 x .015", seq(count, words("x(?=\\s*0?\\.\\d{2})")), (s, [c]) => setTurns(s, c, false)),
  clause("wound twice", match("(once|twice)(?=\\s*(?:[,.;]|$)|\\s+(?:towards?|back|forwards?)\\b)"), (s, [n]) =>
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
  // “In open turns, 5 of them”; “peacock herl, 3 of them” are as many herls.
  clause("5 of them", seq(count, words("of\\s+(?:them|these|those)(?!\\s+side\\s+by)")), (s, [c]) => {
    if (s.rule?.turns !== undefined || s.ofThem !== undefined) return false;
    s.ofThem = c;
  }),
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
        "(?:with\\s+)?(?:an?\\s+)?(?:slight(?:ly)?|small|little|touch\\s+of)\\s+overlap(?:(?:ping|ped)(?:\\s+(?:turns|wraps))?)?",
        "slightly\\s+overlapp?(?:ing|ed)(?:\\s+(?:turns|wraps))?",
        "(?:in\\s+)?overlapp(?:ing|ed)\\s+(?:turns|wraps)",
        "(?:in\\s+)?overlapp?ing(?=\\s*(?:[,.;]|$|(?:so|from|to|up|forwards?|back)\\b))",
        "overlapp?(?:ing|ed)\\s+(?:slightly|a\\s+little|a\\s+touch|just\\s+a\\s+little)",
        "(?:with\\s+)?(?:a\\s+)?(?:bit|touch)\\s+of\\s+overlap",
        "each\\s+(?:turn\\s+|one\\s+)?(?:slightly\\s+|just\\s+)?(?:over|overlapping|covering)\\s+(?:the\\s+edge\\s+of\\s+)?the\\s+(?:last|one\\s+before|previous(?:\\s+one)?)(?:\\s+(?:slightly|a\\s+little|a\\s+bit))?",
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
    "with half overlaps",
    words("(?:with\\s+|in\\s+)?half(?:-|\\s+)(?:overlaps?|overlapping|overlapped)(?:\\s+(?:turns|wraps))?"),
    (s) => putRule(s, { overlap: 0.5 }),
  ),
  clause(
    "overlapping by half",
    seq(
      words(
        "overlapp?(?:ed|ing)?(?:\\s+(?:the\\s+)?(?:last|one\\s+before|previous|each\\s+other)(?:\\s+(?:one|turn|wrap))?)?",
      ),
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
  clause(
    "zigzag",
    words(
      "back\\s+and\\s+forth(?!\\s+(?:twice|\\d|two|three))|to\\s+and\\s+fro|zig-?\\s?zag(?:ged|ging)?|criss-?\\s?cross(?:ed|ing)?|crossing",
    ),
    put({ passes: 2 }),
  ),
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

export const setTurns = (
  s: Parameters<Clause["take"]>[0],
  c: { n: number; spread?: [number, number]; atMost?: boolean },
  touching: boolean,
): boolean => {
  if (!(c.n >= 0.05) || c.atMost) return false;
  // “1.5 turns, held with 3 turns”: two numbers are not one of them.
  if (s.rule?.turns !== undefined && s.rule.turns !== c.n) return false;
  if (c.spread) s.spread = c.spread;
  putRule(s, { turns: c.n, ...(touching && { touching: true }) });
  return true;
};
