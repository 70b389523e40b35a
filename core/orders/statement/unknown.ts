import type { OrderReading } from "./reading";
import type { Doubt } from "../types";
import type { Span } from "../spans";
import { nearest } from "../nearest";
import { wordsOfFlies } from "../flyWords";
import { keptAsWish } from "../wishes";

/** “Cheers, Tom”: who signs behind a closing is nobody that is ordered for, and nothing that is ordered. */
function isSignature(o: OrderReading, chunk: Span): boolean {
  if (
    !/^\p{Lu}[\p{L}'-]*(?:\s+\p{Lu}[\p{L}'.-]*){0,2}$/u.test(chunk.text) ||
    /\S/.test(o.text.slice(chunk.end).replace(/^[.!]/, ""))
  )
    return false;
  return o.order.asides.some(
    (a) => a.why === "closing" && a.at[1] <= chunk.start && !/[\p{L}\d]/u.test(o.text.slice(a.at[1], chunk.start)),
  );
}

/** “15/3” alone could be two sizes: the day is offered. */
const dayMeant = (text: string): Doubt["candidates"] =>
  /^\d{1,2}\/\d{1,2}\.?$/.test(text.trim()) ? [{ label: `by ${text.trim()}`, text: `by ${text.trim()}` }] : [];

export function askUnknown(o: OrderReading, chunk: Span): void {
  const at: [number, number] = [chunk.start, chunk.end];
  if (isSignature(o, chunk)) {
    o.order.asides.push({ at, why: "closing" });
    return;
  }
  const details = { words: chunk.text };
  const isNamed = /\p{Lu}/u.test(chunk.text) || !/\p{Lu}/u.test(o.text);
  const couldBeCustomer =
    isNamed && !TELLS.test(chunk.text) && !o.order.customer && o.order.lines.length > 0 && !/\d/.test(chunk.text);
  const close = nearest(chunk.text, o.catalogue.customers, (c) => c.name, { least: 0.5 });
  const names = close.map((c) => ({ label: c.item.name, text: c.item.name }));
  if (couldBeCustomer && chunk.text.split(/\s+/).length <= 5 && !o.order.doubts.some((d) => d.field === "customer")) {
    o.order.doubts.push({ field: "customer", code: "CUSTOMER_UNKNOWN", details, at, candidates: names });
    return;
  }
  const { isColour } = wordsOfFlies(o.catalogue.patterns);
  const namesColour = (chunk.text.match(/[\p{L}-]+/gu) ?? []).some(isColour);
  const looksLikeDay = /\d/.test(chunk.text) && o.order.lines.length > 0 && chunk.text.length < 24 && !namesColour;
  o.order.doubts.push(
    looksLikeDay
      ? { field: "due", code: "NOT_A_DAY", details, at, candidates: dayMeant(chunk.text) }
      : { field: "rest", code: "NOT_UNDERSTOOD", details, at, candidates: keptAsWish(chunk.text) },
  );
}

/** A sentence begins so, and no name of a customer. */
const TELLS =
  /^(?:no|not|without|nothing|kein\p{L}*|ohne|need|deliver|please|send|ship|want|would|could|can|may|we|i|they|it|if|and|but|also|these|those|let|make|thanks|bitte|wir|ich|wenn|und|aber|auch|liefer\w*|schick\w*)(?!\p{L})/iu;
