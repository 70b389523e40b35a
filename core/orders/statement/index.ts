import { type OrderReading, namesFly } from "./reading";
import type { Span } from "../spans";
import { askOtherOrder } from "./other";
import {
  sameAhead,
  sameOfAnother,
  sameThenMore,
  takeLeftOut,
  SAME_IN,
  aheadOf,
  SAME_BEHIND,
  asBefore,
  sameAtEnd,
} from "./same";
import { Stretch } from "../stretch";
import { commaParts } from "../pieces";
import { quantitiesIn, asManyIn, type Quantity, dozensText } from "../quantity";
import { parted, inParts } from "./parts";
import { askFormOfAll, giveBack, giveAhead } from "../headings";
import { wishedOfAll, wishedOfEach, wishedOfSome } from "./wishes";
import { apart, countedBehind } from "./apart";
import { isOneItem, readLoose } from "./loose";
import { findWish } from "../wishes";
import { withoutTakenBack } from "../takenBack";
import type { ReadLine } from "../types";

/** “…, all barbless, no substitutes” */
const OF_ALL =
  /(?<=[,.]\s*)(?:and\s+|und\s+)?(?:all(?:\s+(?:of\s+)?(?:them|these))?|everything|alle[s]?)\s+(?=(?:to\s+be\s+|are\s+|on\s+|with(?:out)?\s+|no\s+|ohne\s+|mit\s+|auf\s+|bitte\s+|please\s+)*(?:barbless|de-?barbed|lead|unleaded|sparse|original|widerhaken|schonhaken|bleifrei|blei|(?:fine|heavy|strong|light|standard)[- ](?:wire|hooks?)|individually|separately|gift)(?!\p{L}))/iu;

/** “…, barbless, all of them”, “…, ohne Widerhaken alle” */
const OF_ALL_BEHIND =
  /(?<=[,.]\s{0,4})[^,.;\d]{4,40}\s,?\s*(?:all(?:\s+of\s+(?:them|these))?|alle[sn]?|throughout|for\s+all(?:\s+of\s+them)?|on\s+(?:all(?:\s+of\s+them)?|everything)|bei\s+allen|durchgehend)(?=\s*[.!]?\s*$)/iu;

/** “Glass Midge 20 – 2 doz, 22 – 2 doz (barbless on both)” */
const ON_BOTH =
  /\(\s*[^()\d]*?\s(?:on|for|in|bei|auf)\s+(?:both|all|each|beiden?|allen)(?:\s+(?:of\s+(?:them|these)|sizes|größen))?\s*\)/iu;

const TWO = /(?<!\p{L})(?:both|beiden?)(?!\p{L})/iu;

/** What is wished in brackets of both, or of all, is of every line of its statement; other words are asked about. */
function wishOfThese(o: OrderReading, made: ReadLine[], { at, words }: { at: [number, number]; words: string }): void {
  const wish = findWish(words, at[0]);
  // Beside other flies it is of the one that was named last.
  const these = made.filter((l) => l.pattern === made.at(-1)?.pattern);
  const isOther = TWO.test(words) && these.length !== 2;
  if (!wish || wish.policy || isOther) {
    o.order.doubts.push({ field: "rest", code: "NOT_UNDERSTOOD", details: { words }, at, candidates: [] });
    return;
  }
  for (const line of these) if (!line.wishes.some((w) => w.words === wish.words)) line.wishes.push({ ...wish, at });
  o.order.understood.push({ field: "wish", at, label: `wish: ${wish.words}` });
}

/** “Total 96.50”: what it all costs is no line, and no day. */
const SUM_OF_MONEY =
  /^(?:(?:grand\s+)?total|sum|summe|gesamt(?:betrag|summe|preis)?)\s*(?:price|value|amount|cost)?\s*[:=]?\s*(?:(?:[€$£]|eur)\s?)?\d+(?:[.,]\d{3})*[.,]\d{2}\s*(?:€|eur|\$|£)?\.?$/iu;

/** “Tel. 0555 123456”: how to reach who orders is no line, and no day. */
const PHONE =
  /^(?:tel(?:ephone|efon)?|phone|mobile|mob|handy|call(?:\s+me)?(?:\s+on)?)\s*[.:]?\s*[+(]?\d[\d\s()/+-]{4,}\.?$/iu;

export function readStatement(o: OrderReading, clause: Span, before: number): void {
  if (askOtherOrder(o, clause)) return;
  const several =
    sameOfAnother(o, clause) ??
    sameAhead(o, clause) ??
    sameThenMore(clause) ??
    apart(o, clause) ??
    countedBehind(o, clause);
  if (several) {
    for (const part of several) readStatement(o, part, before);
    return;
  }
  const stretch = new Stretch(clause.text, clause.start);
  for (const chunk of commaParts(clause.text, clause.start))
    if (SUM_OF_MONEY.test(chunk.text) || PHONE.test(chunk.text)) {
      o.order.asides.push({ at: [chunk.start, chunk.end], why: PHONE.test(chunk.text) ? "head" : "heading" });
      stretch.takeOut([chunk.start, chunk.end]);
    } else if (quantitiesIn(chunk.text, chunk.start, o.catalogue).length === 0 && o.heading.takeWhole(chunk))
      stretch.takeOut([chunk.start, chunk.end]);
  const counted = quantitiesIn(stretch.left, stretch.start, o.catalogue);
  const quantities = withoutTakenBack(stretch, counted, o.order.understood);
  if (quantities.length > 0 || namesFly(o, stretch)) o.heading.takeWithin(stretch);
  if (fillsBefore(o, stretch, quantities)) return;
  const last = o.order.lines.at(-1);
  const said = asManyIn(stretch.left, stretch.start);
  const atEnd = said ? undefined : sameAtEnd(o, clause);
  const asMany = said ?? atEnd ?? (SAME_IN.test(clause.text) ? aheadOf(clause) : undefined);
  const flies = (last?.flies ?? NaN) * (asMany?.times ?? NaN);
  if (quantities.length === 0 && asMany && Number.isInteger(flies)) {
    const as: Quantity = { flies, at: asMany.at, isOfEach: SAME_IN.test(clause.text) };
    const isSame = atEnd !== undefined || SAME_IN.test(clause.text) || SAME_BEHIND.test(clause.text);
    const left = isSame ? takeLeftOut(stretch) : [];
    o.order.lines.push(...asBefore(o, o.items.read(stretch, as), clause, isSame, left));
    return;
  }
  if (quantities.length > 0) {
    const ofBoth = quantities.length > 1 ? stretch.take(ON_BOTH) : undefined;
    const parts = parted(o, stretch, inParts(o, stretch, quantities));
    const from = o.order.lines.length;
    // Lines from the first on of which so many of each are told.
    let ofEach = 0;
    for (const [n, [part, quantity]] of parts.entries()) {
      readItem(o, part, quantity);
      if (parts.slice(0, n + 1).every(([, q]) => q.isOfEach)) ofEach = o.order.lines.length - from;
    }
    const told = o.order.lines.slice(from);
    giveBack(told, o.text, o.catalogue);
    const made =
      ofEach > 0
        ? [...giveAhead(told.slice(0, ofEach), o.catalogue, true), ...told.slice(ofEach)]
        : giveAhead(told, o.catalogue, false);
    askFormOfAll(o.order.lines.slice(0, from), made, o.text);
    o.order.lines.splice(from, told.length, ...made);
    if (ofBoth) wishOfThese(o, made, ofBoth);
    if (parts[0]?.[1].isPart) wishedOfAll(made, o.text);
    wishedOfEach(o, made);
    wishedOfSome(o, made);
    const end = parts.at(-1)?.[0].end ?? stretch.end;
    for (const chunk of commaParts(stretch.left.slice(end - stretch.start), end)) readLoose(o, chunk, before);
    return;
  }
  if (isOneItem(o, stretch)) {
    o.order.lines.push(...o.items.read(stretch, undefined));
    return;
  }
  for (const chunk of commaParts(stretch.left, stretch.start)) readLoose(o, chunk, before);
}

/** A line; what is wished of “all” behind the last one is wished of every line so far. */
function readItem(o: OrderReading, part: Stretch, quantity: Quantity): void {
  const behind = OF_ALL_BEHIND.exec(part.left);
  const ofAll = OF_ALL.exec(part.left) ?? (behind && findWish(behind[0], 0) ? behind : null);
  if (!ofAll) {
    o.order.lines.push(...o.items.read(part, quantity));
    return;
  }
  const from = part.start + ofAll.index;
  const all = new Stretch(part.text.slice(ofAll.index), from);
  all.left = part.left.slice(ofAll.index);
  const own = new Stretch(part.text.slice(0, ofAll.index), part.start);
  own.left = part.left.slice(0, ofAll.index);
  o.order.lines.push(...o.items.read(own, quantity));
  for (const chunk of commaParts(all.left, all.start)) readLoose(o, chunk, 0);
}

/** A quantity that stands alone belongs to the fly before it that has none: “Copper Lodger 14 olive. 6 dz.” */
function fillsBefore(o: OrderReading, stretch: Stretch, quantities: Quantity[]): boolean {
  const [quantity, another] = quantities;
  const last = o.order.lines.at(-1);
  if (!quantity || another || !last?.pattern || last.flies !== undefined) return false;
  const rest = new Stretch(stretch.text, stretch.start);
  rest.left = stretch.left;
  rest.takeOut(quantity.at);
  if (/[\p{L}\d]/u.test(rest.left.replaceAll("\uE000", ""))) return false;
  const isAsked = last.doubts.some((d) => d.code === "HOW_MANY");
  if (!isAsked) return false;
  last.doubts = [...last.doubts.filter((d) => d.code !== "HOW_MANY"), ...(quantity.doubt ? [quantity.doubt] : [])];
  last.flies = quantity.flies;
  if (quantity.flies !== undefined)
    last.understood.push({ field: "quantity", at: quantity.at, label: dozensText(quantity.flies) });
  return true;
}
