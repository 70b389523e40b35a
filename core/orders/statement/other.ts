import { type OrderReading, namesFlyIn, namesFly } from "./reading";
import type { Span } from "../spans";
import { Stretch } from "../stretch";
import { quantitiesIn } from "../quantity";
import type { Doubt } from "../types";
import { sameAtEnd } from "./same";

const OTHER_ORDER =
  /(?<!\p{L})(?:(?<=(?:^|[:;–-]\s)\s*(?:(?:please|could you|can you|can we|bitte)\s+)?)(?:swap|exchange|replace|switch|tausch\w*|ersetz\w*)|same as (?:(?:my|our|the) order|(?:invoice|order|rechnung|auftrag|po) (?:no\.? ?|#|nr\.? ?)?\d+)|cancel\w*|stornier\w*|storno|(?<!(?<!\p{L})(?:with|mit)\s[^,;.]{0,40})(?:instead of|anstatt|statt)|amend\w*|change (?:the|my|our|that) order|add(?:ed)? (?:\S+ ){0,8}to (?:the |our |my |their |his |her )?(?:last|previous|existing|order)|add(?:ed)? (?:\S+ ){0,8}to (?:what|the (?:one|order|list|lot)) (?:i|we) (?:sent|ordered|gave|placed|asked)|add(?:ed)? (?:\S+ ){0,8}to (?:what(?:ever)? )(?:you(?:'re| are)|we(?:'re| are)|is|was)|(?:on|in|of|from) (?:my|our|the) (?:last|previous|open|current) order|(?:last week's|previous|existing|earlier) order|bestellung (?:ändern|vom)|our order of)(?!\p{L})/iu;

const AS_BEFORE =
  /(?<![\p{L}“"„])(?:(?:the )?(?:same )?as (?:last|before|in \d{4}|ever|always|usual)(?: (?:year|time|season|order))?|(?:same|repeat)(?: order)? (?:again(?!,?\s+(?:in|with|but)\s)|as last \w+)|(?:the |our |my )?usual order|(?:the|our|my) usual(?=\s*(?:please|bitte|for (?:us|me)|again|[.,;!]|$))|(?:the same (?:as |that )?|what(?:ever)? |(?:all|everything) (?:that )?)(?:we|they|i|he|she|you|(?:\p{L}[\p{L}'&-]* ){0,3}\p{L}[\p{L}'&-]*) (?:had|got|ordered|took) (?:(?:the )?last|in \d{4}|in (?:the )?(?:spring|summer|autumn|fall|winter)|in (?:january|february|march|april|may|june|july|august|september|october|november|december)) ?(?:year|time|season|week|month|spring|summer|autumn|fall|winter|january|february|march|april|may|june|july|august|september|october|november|december)?|(?:all (?:of )?)?last (?:year|season|spring|summer|autumn)(?:'|’)s (?:order|list|lot|flies|selection)|wie (?:letzte[sn]|vorige[sn]|immer|gehabt|im vorjahr)(?: (?:jahr|mal|saison))?)(?!\p{L})/iu;

/** “Invoice as usual”, “same address as always”: of the post, and no order that is meant. */
const OF_THE_POST =
  /^\s*(?:please\s+)?(?:(?:invoice|bill|post|pack|box|ship|carriage|postage|delivery|shipping|payment|terms|discount|rechnung|versand)|(?:send|deliver)(?:\s+(?:it|them))?\s+to\s+the|(?:the\s+)?(?:same|usual)\s+(?:delivery\s+|postal\s+)?address|address)(?!\p{L})[^\d]*$/iu;

const OTHERWISE = /(?<!\p{L})(?:but|more|less|plus|minus|except|without|aber|mehr|weniger|außer|ohne)(?!\p{L})/iu;

/** “Deliver by 1 April, carriage as usual”: that part speaks of no order. */
function asBefore(text: string): RegExpExecArray | null {
  const found = AS_BEFORE.exec(text);
  if (!found) return null;
  const from = Math.max(text.lastIndexOf(",", found.index), text.lastIndexOf(";", found.index)) + 1;
  const part = text.slice(from).split(/[,;]/)[0] ?? "";
  return OF_THE_POST.test(part) ? null : found;
}

/** It speaks of an order that is there: that one has to be opened. */
export function askOtherOrder(o: OrderReading, clause: Span): boolean {
  const other = OTHER_ORDER.exec(clause.text);
  // “Olive the same again” is of the statement before it.
  const isOfThis = o.order.lines.length > 0 && sameAtEnd(o, clause) !== undefined;
  const isOther = isOfThis || OF_THE_POST.test(clause.text);
  const before = other || isOther ? undefined : asBefore(clause.text);
  const found = other ?? before;
  if (!found || (other && replacesAPart(o, clause, other))) return false;
  // Whose order it is, and for when, is said there all the same.
  o.heading.takeWithin(new Stretch(clause.text, clause.start));
  o.order.doubts.push({
    field: "rest",
    code: other ? "OTHER_ORDER" : "AS_BEFORE",
    details: { words: clause.text },
    at: [clause.start, clause.end],
    candidates: before ? asAWish(o, clause, before) : [],
  });
  return true;
}

/** “6 dz Slate Wisp 14 amber with an orange tag instead of red” speaks of no other order. */
function replacesAPart(o: OrderReading, { text, start }: Span, found: RegExpExecArray): boolean {
  if (!/^(?:instead of|anstatt|statt)$/i.test(found[0])) return false;
  const [before, after] = [text.slice(0, found.index), text.slice(found.index + found[0].length)];
  const counts = (of: string): boolean => quantitiesIn(of, start, o.catalogue).length > 0;
  return counts(before) && namesFlyIn(o, before) && !counts(after) && !namesFlyIn(o, after);
}

/** “6 dz Slate Wisp 14 amber as last year” says its flies: what was before may be kept as a wish. */
function asAWish(o: OrderReading, clause: Span, before: RegExpExecArray): Doubt["candidates"] {
  const stretch = new Stretch(clause.text, clause.start);
  const quantities = quantitiesIn(stretch.left, stretch.start, o.catalogue);
  // “as last time but 2 dz more” is not told by the flies that it names.
  if (quantities.length === 0 || !namesFly(o, stretch) || OTHERWISE.test(clause.text)) return [];
  const end = before.index + before[0].length;
  const text = `${clause.text.slice(0, before.index)}“${before[0]}”${clause.text.slice(end)}`;
  return [{ label: "keep it as a wish", text }];
}
