import { NO_PIECE } from "../common";
import { type Clause, clause, put } from "../../said";
import { seq, opt, words, map, unless, anyOf, match } from "../../parse";
import { absolute } from "../../text/place";
import { count } from "../../text/count";
import { setTurns } from "./howOften";
import { howItLies } from "./howItLies";

export const whatItTakes: Clause[] = [
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
    seq(unless(absolute, words(anyOf(NO_PIECE, "short", "back", "pitch", "between"))), opt(words("long|of"))),
    (s, [mm]) => {
      if (s.pieceMm !== undefined || mm < 9) return false;
      s.pieceMm = mm;
    },
  ),
  clause(
    "takes about 180 mm",
    seq(words("(?:it\\s+)?(?:will\\s+)?(?:takes?|uses?|needs?)(?:\\s+(?:about|around|roughly|some))?"), absolute),
    (s, [, mm]) => {
      if (s.pieceMm !== undefined || mm < 9) return false;
      s.pieceMm = mm;
    },
  ),
  clause("forward", match("(forward|forwards|back|backwards|rearwards?)"), (s, [w]) => {
    s.way = w?.startsWith("f") ? "forward" : "back";
  }),
];

/** Turns of a thread that is wound itself are turns, not wraps that hold. */
export const wrapsOfAll = clause(
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

export const wrapsOnly = clause(
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

export const byEnd: readonly Clause[] = howItLies.filter(
  (c) => c.example === "by the tip" || c.example === "tip first",
);

export const everyTieIn = clause(
  "5 wraps for every tie-in",
  words("(?:for|at|on)\\s+(?:every|each|all)\\s+(?:the\\s+)?tie-?\\s?ins?"),
  put({ everyTieIn: true }),
);
