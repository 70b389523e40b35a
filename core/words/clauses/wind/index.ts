import { type Clause, clause, samePair } from "../../said";
import { byEnd, everyTieIn, whatItTakes, wrapsOfAll, wrapsOnly } from "./whatItTakes";
import { onSizes, leavingAtEnds, leavingBare, everywhere, withAnother, wraps } from "../common";
import {
  around,
  inFrontToo,
  eitherSide,
  onEitherSide,
  intoBead,
  pushedForward,
  pushedUp,
  roundPost,
  leaving,
  leavingAtEye,
  leavingMm,
  bodyToo,
  saysNothing,
  zoned,
  lengthNotPlace,
} from "./zone";
import { whenStroked } from "./barbs";
import { howOften } from "./howOften";
import { howItLies } from "./howItLies";
import { match, opt, seq, words } from "../../parse";
import { absolute } from "../../text/place";
import { lengthPair } from "../../text/length";

export { barbClauses, face } from "./barbs";
export { byEnd } from "./whatItTakes";
export { aroundRead, leaving, leavingAtEye, leavingMm } from "./zone";

/** From here on a bare figure is how long it is wound, not how thick. */
const THICK_MM = 3;
/** Nor is a longer one how far it is wound: that is the piece. */
const LONG_MM = 15;

/** What can be said of a winding, in the order in which it is tried: the longer forms first. */
export const windClauses: Clause[] = [
  withAnother,
  whenStroked,
  ...byEnd,
  everyTieIn,
  onSizes,
  eitherSide,
  onEitherSide,
  around,
  inFrontToo,
  intoBead,
  pushedForward,
  pushedUp,
  roundPost,
  leaving,
  leavingAtEye,
  leavingMm,
  leavingAtEnds,
  leavingBare,
  bodyToo,
  ...saysNothing,
  ...howOften,
  ...zoned,
  ...howItLies,
  ...whatItTakes.slice(0, 3),
  wrapsOfAll,
  ...everywhere.map((c) => (c === wraps ? wrapsOnly : c)),
  ...whatItTakes.slice(3),
  clause("2 mm of floss", seq(absolute, words("of(?!\\s+it\\b)")), (s, [mm]) => {
    if (s.size !== undefined || s.pieceMm !== undefined || mm > 10) return false;
    Object.assign(s, { size: samePair({ mm }), isLong: true });
  }),
  clause("2 mm long", seq(opt(words("about|roughly|some")), absolute, words("long")), (s, [, mm]) => {
    if (s.size !== undefined || s.pieceMm !== undefined || mm > LONG_MM) return false;
    Object.assign(s, { size: samePair({ mm }), isLong: true });
  }),
  // “Olive floss, 8 mm”: nothing is wound so thick.
  clause("8 mm", match("(?<=,\\s*)(\\d{1,2}(?:[.,]\\d+)?)\\s*mm(?=\\s*(?:[,.;]|$))"), (s, [n = ""]) => {
    const mm = Number(n.replace(",", "."));
    if (s.size !== undefined || s.pieceMm !== undefined || s.barb !== undefined) return false;
    if (mm < THICK_MM || mm > LONG_MM) return false;
    Object.assign(s, { size: samePair({ mm }), isLong: true });
  }),
  clause("1.5 to 2 gapes", lengthPair, (s, pair) => void (s.size = pair)),
  clause("1.5 gapes", lengthNotPlace, (s, l) => {
    if (s.size !== undefined || s.barb !== undefined || "to" in l || "reach" in l) return false;
    s.size = "between" in l ? [l.between[0], l.between[1]] : samePair(l);
  }),
];
