import { type OrderReading, namesFlyIn } from "./reading";
import { type Span, piecesOf } from "../spans";
import { findWish } from "../wishes";

/** A dash with no number and no dash behind it. */
const LAST_DASH = /\s[-–]\s+(?=\D*$)(?!.*\s[-–]\s)/gu;

/** “3 dz of one, 3 dz of another – originals only”: what is wished behind a dash is of all before it. */
export function dashed(o: OrderReading, clause: Span): Span[] {
  const at = clause.text.search(LAST_DASH);
  const behind = clause.text.slice(Math.max(0, at));
  if (at <= 0 || !findWish(behind, 0) || namesFlyIn(o, behind)) return [clause];
  return piecesOf(clause.text, clause.start, LAST_DASH);
}

/** “Everything barbless: …”: what is wished of all stands before the colon, and is read for itself. */
export function headed(o: OrderReading, clause: Span): Span[] {
  const colon = /:\s/.exec(clause.text)?.index ?? -1;
  const head = clause.text.slice(0, Math.max(0, colon));
  if (/\d/.test(head) || !findWish(head, 0) || namesFlyIn(o, head)) return [clause];
  return piecesOf(clause.text, clause.start, /(?<=^[^:]*):\s/g);
}
