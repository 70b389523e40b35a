import { type OrderReading, namesFlyIn } from "./reading";
import { type Span, piecesOf } from "../spans";
import { fliesOfNouns } from "../flyWords";
import { fold } from "../nearest";
import { quantitiesIn } from "../quantity";
import { Stretch } from "../stretch";
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

/**
 * “Everything barbless: …”, “Hollow Mere Lodge, due 1 May: …”: what is wished of all, or whom it is for, stands before
 * the colon, and is read for itself.
 */
export function headed(o: OrderReading, clause: Span): Span[] {
  const colon = /:\s/.exec(clause.text)?.index ?? -1;
  const head = clause.text.slice(0, Math.max(0, colon));
  const isWish = !/\d/.test(head) && findWish(head, 0) !== undefined;
  if (!(isWish || namesCustomer(o, head)) || namesFlyIn(o, head)) return [clause];
  return piecesOf(clause.text, clause.start, /(?<=^[^:]*):\s/g);
}

function namesCustomer({ catalogue, heading }: OrderReading, head: string): boolean {
  const words = new Stretch(head, 0).words().filter((w) => !/\d/.test(w.text) && fold(w.text) !== "");
  return (
    heading.customerNamed(words) !== undefined &&
    quantitiesIn(head, 0, catalogue).length === 0 &&
    fliesOfNouns(head, catalogue.patterns).length === 0
  );
}
