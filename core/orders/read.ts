import { breakdownOf } from "./breakdown";
import { findDay } from "./dates";
import { isCourteousWord, isCourtesy, isReference, setAside } from "./asides";
import { Heading } from "./heading";
import { ItemReader } from "./item";
import { calmed } from "./long";
import { settleDays, type Statement } from "./days";
import { giveAhead, giveBack, headingsIn } from "./headings";
import { findExactly, findName, findShort, isNoun, plainColour, SURE } from "./names";
import { fold, nearest } from "./nearest";
import { asManyIn, dozensText, quantitiesIn, statedUnit, wordsOfFlies, type Quantity } from "./quantity";
import { covered, uncover } from "./quoted";
import { piecesOf, type Span } from "./spans";
import { runsOf, Stretch } from "./stretch";
import { tablesIn, type Table } from "./table";
import type { Catalogue, Doubt, ReadLine, ReadOrder, Wish } from "./types";
import { findQuoted, findWish, keptAsWish } from "./wishes";

const MARKER = /^\s*(?:[-*•·–]\s+|\d{1,2}[.)]\s+(?!\p{L}{3,9}\.?\s+\d{4}))/u;
const SENTENCE =
  /(?<!(?:^|[\s\d])(?:ea|dozn?|dzn?|dtzd?|nos?|sz|nr|gr|stk|pcs|ca|approx|\d{1,2}|jan|feb|mar|apr|jun|jul|aug|sept?|oct|okt|nov|dec|dez))[.!?]+\s+(?=\p{Lu}|\d)|(?<=\d[.!?])\s+(?!(?:jan|feb|mär|mar|apr|mai|may|jun|jul|aug|sep|okt|oct|nov|dez|dec)\p{L}*)(?=\p{Lu}\p{Ll}+\s+\p{Ll})|(?<=\d[.!?])\s+(?=(?:(?:viele|beste|liebe|herzliche|schöne)\s+)?(?:grüße|grüsse|gruß|gruss|mfg|danke|regards|cheers|thanks|best)(?!\p{L}))|(?<=\p{L}\.)\s+(?=(?:please|bitte|thanks|thank\s+you|danke|could\s+you|can\s+you)\s+\p{L})/giu;
const CLAUSE =
  /;|(?<=(?<!\p{L})(?:total|altogether|in all|insgesamt|gesamt))\s*:\s|(?<!\d)\s\/\/\s|(?<!(?:dz|dozn?|dozens?|dtzd?|dutzend)\.?)\s\+\s(?=\d{1,4}\s+\p{Lu}\p{L}{2})|\s(?:--|—)\s|\s\d{1,2}\)\s+(?=\p{Lu})|,\s*(?=(?:and\s+|und\s+)?(?:the\s+)?same(?:\s+again)?\s+(?:in|with)\s)|\s+(?=(?:and|plus)\s+(?:the\s+)?same(?:\s+again)?\s+(?:in|with|of(?!\s+(?:them|these|those|each|it)(?!\p{L})))\s)|\s+(?=und\s+(?:dasselbe|das\s+gleiche|nochmal)\s+(?:in|mit)\s)/gu;
/** “The same in 16”: as many as before. */
const SAME_IN =
  /^\s*(?:and\s+|und\s+|plus\s+)?(?:the\s+)?(?:(?:same(?:\s+again)?|dasselbe|das\s+gleiche|nochmal)\s+(?:in|with|mit|of|von)\s|dit+o\s+(?:(?:in|with|mit|of|von)\s)?)/iu;
/** “Half Past Six 16: the same”: all that the statement before told of it. */
const SAME_BEHIND = /[:,]\s*(?:the\s+)?same(?:\s+again)?\s*[.!]?\s*$|[:,]\s*(?:dasselbe|das\s+gleiche)\s*[.!]?\s*$/iu;
const UNIT_OR_DATE = String.raw`(?:\s*(?:dz|doz|dozens?|dtz|dutzend|flies|fly|pcs|pieces|stück|stk|gross|x\s*\d|[½¼¾+]|th\b|st\b|nd\b|rd\b|\.\s?\d|-\d\d|[-–]\s*\d+\s*(?:dz|doz)|\s\d\/\d|(?:jan|feb|mar|mär|apr|may|mai|jun|jul|aug|sep|oct|okt|nov|dec|dez)))`;
/** A comma ends a part, but not within a number, and not within a list of sizes. */
const COMMA = new RegExp(
  String.raw`,(?!\d{3}(?!\d))(?<!\d,(?=\d))(?!(?<=(?:^|[\s#/])\d{1,2}(?:\/0)?,)\s*#?\d{1,2}(?:\/0)?(?!\d)(?!${UNIT_OR_DATE}))`,
  "giu",
);
const OTHER_ORDER =
  /(?<!\p{L})(?:(?<=^\s*(?:(?:please|could you|can you|can we|bitte)\s+)?)(?:swap|exchange|replace|switch|tausch\w*|ersetz\w*)|same as (?:my|our|the) order|cancel\w*|stornier\w*|storno|(?<!(?<!\p{L})(?:with|mit)\s[^,;.]{0,40})(?:instead of|anstatt|statt)|amend\w*|change (?:the|my|our|that) order|add(?:ed)? (?:\S+ ){0,8}to (?:the |our |my |their |his |her )?(?:last|previous|existing|order)|add(?:ed)? (?:\S+ ){0,8}to (?:what|the (?:one|order|list|lot)) (?:i|we) (?:sent|ordered|gave|placed|asked)|(?:on|in|of|from) (?:my|our|the) (?:last|previous|open|current) order|(?:last week's|previous|existing|earlier) order|bestellung (?:ändern|vom)|our order of)(?!\p{L})/iu;
const AS_BEFORE =
  /(?<![\p{L}“"„])(?:(?:the )?(?:same )?as (?:last|before|in \d{4}|ever|always|usual)(?: (?:year|time|season|order))?|(?:same|repeat)(?: order)? (?:again(?!\s+(?:in|with)\s)|as last \w+)|(?:the |our )?usual order|wie (?:letzte[sn]|vorige[sn]|immer|gehabt|im vorjahr)(?: (?:jahr|mal|saison))?)(?!\p{L})/iu;

/** “…, all barbless, no substitutes” */
const OF_ALL =
  /(?<=[,.]\s*)(?:and\s+|und\s+)?(?:all(?:\s+(?:of\s+)?(?:them|these))?|everything|alle[s]?)\s+(?=(?:to\s+be\s+|are\s+|on\s+|with(?:out)?\s+|no\s+|ohne\s+|mit\s+|auf\s+|bitte\s+|please\s+)*(?:barbless|de-?barbed|lead|unleaded|sparse|original|widerhaken|schonhaken|bleifrei|blei|(?:fine|heavy|strong|light|standard)[- ](?:wire|hooks?)|individually|separately|gift)(?!\p{L}))/iu;
/** “…, barbless, all of them”, “…, ohne Widerhaken alle” */
const OF_ALL_BEHIND =
  /(?<=[,.]\s{0,4})[^,.;\d]{4,40}\s,?\s*(?:all(?:\s+of\s+(?:them|these))?|alle[sn]?|throughout|for\s+all(?:\s+of\s+them)?|on\s+(?:all(?:\s+of\s+them)?|everything)|bei\s+allen|durchgehend)(?=\s*[.!]?\s*$)/iu;
const NOT_BEFORE =
  /(?<!\p{L})(?:(?:but|aber)\s+)?(?:(?:not|nicht)\s+(?:before|earlier\s+than|sooner\s+than|vor(?:\s+dem)?)|(?:at\s+the\s+)?earliest(?:\s+on)?|frühestens(?:\s+am)?)\s+/iu;
/** A fly's name has so many words at most. */
const MOST_NAMED = 4;
const OTHERWISE = /(?<!\p{L})(?:but|more|less|plus|minus|except|without|aber|mehr|weniger|außer|ohne)(?!\p{L})/iu;
/** Words in brackets, or up to the next comma. */
const BEHIND_QUANTITY = /^\s*(?:\(([^()]*)\)|,?\s*(\p{L}[^,;()]*)(?=\s*(?:[,;]|$)))/u;
const EACH_AHEAD = /(?<!\p{L})(?:je(?:weils)?|each)\s+$/iu;
const AHEAD = /(?<=(?:[,;]|(?<!\p{L})(?:and|und|plus|sowie))\s+)(\p{L}[\p{L}-]*(?:\s\p{L}[\p{L}-]*)?)\s+$/iu;
const EACH_OF = /(?<!\p{L})(?:each(?:\s+of)?|of\s+each|apiece|ea(?=\.?\s*:)\.?|je(?:weils)?)(?!\p{L})\s*:?/iu;

/** A dash with no number and no dash behind it. */
const LAST_DASH = /\s[-–]\s+(?=\D*$)(?!.*\s[-–]\s)/gu;

/** An order while it is read: its text, and what was made of it so far. */
interface OrderReading {
  readonly text: string;
  readonly catalogue: Catalogue;
  readonly order: ReadOrder;
  readonly items: ItemReader;
  readonly heading: Heading;
  /** Wishes that stand for themselves: for the whole order. */
  readonly wishes: Wish[];
  /** Statements that made lines, so that a day within one is theirs. */
  readonly statements: Statement[];
}

class OrderReader implements OrderReading {
  readonly order: ReadOrder = { lines: [], asides: [], understood: [], doubts: [] };
  readonly items: ItemReader;
  private readonly unit: ReturnType<typeof statedUnit>;
  readonly heading: Heading;
  readonly wishes: Wish[] = [];
  readonly statements: Statement[] = [];

  readonly catalogue: Catalogue;

  constructor(
    readonly text: string,
    catalogue: Catalogue,
  ) {
    this.unit = statedUnit(text);
    this.catalogue = this.unit ? { ...catalogue, unit: this.unit.unit } : catalogue;
    this.items = new ItemReader(this.catalogue);
    this.heading = new Heading(catalogue, this.order);
  }

  read(): ReadOrder {
    const { lines, asides, signed } = setAside(covered(this.unit?.rest ?? this.text));
    this.order.asides.push(...asides, ...(this.unit ? [{ at: this.unit.at, why: "heading" as const }] : []));
    for (const part of tablesIn(lines, this.catalogue))
      if ("rows" in part) this.readTable(part);
      else this.readLine(part);
    for (const line of this.order.lines) line.wishes = [...line.wishes, ...this.wishes];
    for (const line of signed) this.heading.takeSigned(line);
    headingsIn(this.order);
    const { understood, doubts } = settleDays(this.order, this.heading.days, this.statements);
    this.order.understood.push(...understood);
    this.order.doubts.push(...doubts);
    if (this.order.lines.length > 0) this.heading.askMissing(this.text.length, /\n/.test(this.text) ? "\n" : ", ");
    uncover(this.order, this.text);
    return this.order;
  }

  private readTable(table: Table): void {
    this.order.asides.push(...table.asides);
    this.order.doubts.push(...table.doubts);
    for (const row of table.rows) {
      const stretch = new Stretch(row.span.text, row.span.start);
      for (const cell of row.outside) stretch.takeOut(cell);
      this.heading.takeWithin(stretch);
      const first = this.order.lines.length;
      this.order.lines.push(...this.items.read(stretch, row.quantity));
      this.statements.push({ at: [row.span.start, row.span.end], lines: [first, this.order.lines.length] });
    }
  }

  private readLine(whole: Span): void {
    const line = this.withoutEarliest(whole);
    const marker = MARKER.exec(line.text)?.[0].length ?? 0;
    const before = this.order.lines.length;
    for (const sentence of piecesOf(line.text.slice(marker), line.start + marker, SENTENCE))
      for (const clause of piecesOf(sentence.text, sentence.start, CLAUSE))
        for (const part of headed(this, clause).flatMap((c) => dashed(this, c))) this.readClause(part, before);
  }

  /** “Not before 1 May” is a wish, and no day for which it is due. */
  private withoutEarliest(line: Span): Span {
    const lead = NOT_BEFORE.exec(line.text);
    const from = lead ? lead.index + lead[0].length : 0;
    const day = lead && findDay(line.text.slice(from), this.catalogue.today);
    if (!lead || !day || /\S/.test(line.text.slice(from, from + day.at[0]))) return line;
    const end = from + day.at[1];
    const words = line.text.slice(lead.index, end).trim();
    const at: [number, number] = [line.start + lead.index, line.start + end];
    this.wishes.push({ at, words, kind: "own" });
    this.order.understood.push({ field: "wish", at, label: `wish: ${words}` });
    return { ...line, text: line.text.slice(0, lead.index) + " ".repeat(end - lead.index) + line.text.slice(end) };
  }

  /** @param before how many lines the order had before this line of the text */
  private readClause(clause: Span, before: number): void {
    const first = this.order.lines.length;
    readStatement(this, clause, before);
    this.statements.push({ at: [clause.start, clause.end], lines: [first, this.order.lines.length] });
  }
}

/** “3 dz of one, 3 dz of another – originals only”: what is wished behind a dash is of all before it. */
function dashed(o: OrderReading, clause: Span): Span[] {
  const at = clause.text.search(LAST_DASH);
  const behind = clause.text.slice(Math.max(0, at));
  if (at <= 0 || !findWish(behind, 0) || namesFlyIn(o, behind)) return [clause];
  return piecesOf(clause.text, clause.start, LAST_DASH);
}

/** “Everything barbless: …”: what is wished of all stands before the colon, and is read for itself. */
function headed(o: OrderReading, clause: Span): Span[] {
  const colon = /:\s/.exec(clause.text)?.index ?? -1;
  const head = clause.text.slice(0, Math.max(0, colon));
  if (/\d/.test(head) || !findWish(head, 0) || namesFlyIn(o, head)) return [clause];
  return piecesOf(clause.text, clause.start, /(?<=^[^:]*):\s/g);
}

function readStatement(o: OrderReading, clause: Span, before: number): void {
  if (askOtherOrder(o, clause)) return;
  const same = sameAhead(o, clause);
  if (same) {
    for (const part of same) readStatement(o, part, before);
    return;
  }
  const stretch = new Stretch(clause.text, clause.start);
  for (const chunk of commaParts(clause.text, clause.start))
    if (quantitiesIn(chunk.text, chunk.start, o.catalogue).length === 0 && o.heading.takeWhole(chunk))
      stretch.takeOut([chunk.start, chunk.end]);
  const quantities = quantitiesIn(stretch.left, stretch.start, o.catalogue);
  if (quantities.length > 0 || namesFly(o, stretch)) o.heading.takeWithin(stretch);
  if (fillsBefore(o, stretch, quantities)) return;
  const last = o.order.lines.at(-1);
  const asMany = asManyIn(stretch.left, stretch.start) ?? (SAME_IN.test(clause.text) ? aheadOf(clause) : undefined);
  const flies = (last?.flies ?? NaN) * (asMany?.times ?? NaN);
  if (quantities.length === 0 && asMany && Number.isInteger(flies)) {
    const as: Quantity = { flies, at: asMany.at, isOfEach: SAME_IN.test(clause.text) };
    const isSame = SAME_IN.test(clause.text) || SAME_BEHIND.test(clause.text);
    o.order.lines.push(...asBefore(o, o.items.read(stretch, as), isSame));
    return;
  }
  if (quantities.length > 0) {
    const parts = parted(o, stretch, inParts(o, stretch, quantities));
    const from = o.order.lines.length;
    for (const [part, quantity] of parts) readItem(o, part, quantity);
    const made = o.order.lines.slice(from);
    giveBack(made, o.text, o.catalogue);
    giveAhead(made, o.catalogue);
    if (parts[0]?.[1].isPart) wishedOfAll(made, o.text);
    const end = parts.at(-1)?.[0].end ?? stretch.end;
    for (const chunk of commaParts(stretch.left.slice(end - stretch.start), end)) readLoose(o, chunk, before);
    return;
  }
  for (const chunk of commaParts(stretch.left, stretch.start)) readLoose(o, chunk, before);
}

/**
 * “3 dz #12, 2 dz #16”, and a line later “same again in brown”: all that the statement before told of its fly, in
 * another colour or size.
 */
function asBefore(o: OrderReading, made: ReadLine[], isSame: boolean): ReadLine[] {
  const [one, another] = made;
  const { lines } = o.statements.findLast((s) => s.lines[1] > s.lines[0]) ?? {};
  const before = lines ? o.order.lines.slice(...lines) : [];
  if (!isSame || !one || another || before.length < 2 || before.some((l) => l.pattern !== one.pattern)) return made;
  const says = (["size", "variant", "form"] as const).filter((f) => one.understood.some((u) => u.field === f));
  const [said] = says;
  // Where none or several are said, or they differ in that already, it is of the last of them.
  if (said === undefined || says.length > 1 || new Set(before.map((l) => l[said])).size > 1) return made;
  return before.map(({ flies, size, variant, form }, i) => ({
    ...one,
    ...{ flies, size, variant, form, [said]: one[said] },
    ...(i > 0 && { understood: [], doubts: [] }),
  }));
}

/** “and the same in 16, 4 dz Slate Wisp 12”: the same ends where the part begins that tells another fly's number. */
function sameAhead(o: OrderReading, { text, start, end }: Span): [Span, Span] | undefined {
  if (!SAME_IN.test(text)) return undefined;
  const [first] = quantitiesIn(text, start, o.catalogue);
  const holder = first && commaParts(text, start).find((c) => c.end > first.at[0]);
  if (!first || !holder) return undefined;
  const from = holder.start > start && /\p{L}/u.test(text.slice(0, holder.start - start)) ? holder.start : first.at[0];
  const rest = { text: text.slice(from - start), start: from, end };
  const isAnother =
    namesFlyIn(o, rest.text) || /(?:^|[\s,])(?:plus|and|und|sowie|dazu)\s+$/iu.test(text.slice(0, first.at[0] - start));
  if (from <= start || !isAnother) return undefined;
  const own = text.slice(0, from - start).replace(/(?:[\s,]|\s(?:and|und|plus|also))+$/iu, "");
  return [{ text: own, start, end: start + own.length }, rest];
}

/** The quantities of a statement; one that is broken down is taken out, and its parts count in its stead. */
function inParts(o: OrderReading, stretch: Stretch, quantities: Quantity[]): Quantity[] {
  const counted = { text: stretch.left, start: stretch.start, quantities, catalogue: o.catalogue };
  const found = breakdownOf(counted, (text) => namesFlyIn(o, text));
  if (!found) return quantities;
  stretch.takeOut(found.words);
  o.order.understood.push({ field: "quantity", at: found.words, label: found.label });
  return found.parts;
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

/** “2 dozen each of Slate Wisp 12 amber and Old Pilot 10”: one quantity, so many flies named. */
function eachNamed(o: OrderReading, stretch: Stretch, quantity: Quantity): [Stretch, Quantity][] | undefined {
  if (!EACH_OF.test(stretch.left)) return undefined;
  const words = stretch.words().filter((w) => !/\d/.test(w.text));
  const begins: number[] = [];
  for (let i = 0; i < words.length; i++)
    for (let n = Math.min(4, words.length - i); n > 0; n--) {
      const named = findExactly(words.slice(i, i + n), o.catalogue.patterns, (p) => p.name);
      if (named?.from !== 0 || named.to !== n) continue;
      begins.push(words[i]?.start ?? stretch.start);
      i += n - 1;
      break;
    }
  if (begins.length < 2 || (begins[0] ?? 0) < quantity.at[0]) return undefined;
  return begins.map((from, i) => {
    const begin = i === 0 ? stretch.start : from;
    const to = begins[i + 1] ?? stretch.end;
    const part = new Stretch(stretch.text.slice(begin - stretch.start, to - stretch.start), begin);
    part.left = stretch.left
      .slice(begin - stretch.start, to - stretch.start)
      .replace(EACH_OF, (w) => "\uE000".repeat(w.length));
    // The quantity stands with the first of them and holds for all.
    return [part, i === 0 ? quantity : { flies: quantity.flies, at: [begin, begin] }];
  });
}

/** One part for each quantity: it stands at the head of its part, or at its end. */
function parted(o: OrderReading, stretch: Stretch, quantities: Quantity[]): [Stretch, Quantity][] {
  const [first] = quantities;
  const last = quantities[quantities.length - 1];
  if (!first || !last) return [];
  const each = quantities.length === 1 ? eachNamed(o, stretch, first) : undefined;
  if (each) return each;
  const head = stretch.left.slice(0, first.at[0] - stretch.start);
  const tail = stretch.left.slice(last.at[1] - stretch.start);
  const ends = quantities.map((q, i) => withItsWishes(o, stretch, q.at[1], quantities[i + 1]?.at[0]));
  const areLast = quantities.length > 1 && quantities.every((q, i) => endsPart(o, stretch, q, ends[i] ?? q.at[1]));
  const isAtEnd = areLast || (quantities.length > 1 && !/[\p{L}\d]/u.test(tail) && namesFlyIn(o, head));
  const begins = beginsOf(o, stretch, quantities);
  const bounds = quantities.map((q, i) => {
    const from = isAtEnd ? (ends[i - 1] ?? stretch.start) : (begins[i] ?? stretch.start);
    const to = isAtEnd ? (ends[i] ?? q.at[1]) : (begins[i + 1] ?? stretch.end);
    return [from, to] as const;
  });
  return bounds.map(([from, to], i) => {
    const part = new Stretch(stretch.text.slice(from - stretch.start, to - stretch.start), from);
    part.left = stretch.left.slice(from - stretch.start, to - stretch.start);
    const quantity = quantities[i] ?? first;
    return [part, quantity];
  });
}

/**
 * “Tar Pupa 3 dz (tied sparse), Slate Wisp 2 dz”: what is wished right behind a quantity is of the flies before it,
 * not of those that come.
 */
function withItsWishes(o: OrderReading, { left, start }: Stretch, from: number, next: number | undefined): number {
  let end = from;
  for (;;) {
    const found = BEHIND_QUANTITY.exec(left.slice(end - start, (next ?? left.length + start) - start));
    const words = found?.[1] ?? found?.[2] ?? "";
    if (!found || /\d/.test(words) || namesFlyIn(o, words)) return end;
    if (!findWish(words, 0) && !isForm(o, words)) return end;
    end += found[0].length;
  }
}

/**
 * Where the part of each quantity begins: at it, or at what is said of it ahead. “…, and unweighted 1 dz 16” begins
 * with the form, “olive 2 dz 12, black 1 dz 14” with the colour, where the part before has one of its own.
 */
function beginsOf(o: OrderReading, stretch: Stretch, quantities: readonly Quantity[]): number[] {
  const begins: number[] = [stretch.start];
  for (const q of quantities.slice(1)) {
    const before = stretch.text.slice(0, q.at[0] - stretch.start);
    const words = AHEAD.exec(before)?.[1] ?? "";
    const from = q.at[0] - (before.length - before.lastIndexOf(words));
    const isOfIt = words !== "" && (isForm(o, words) || findWish(words, 0)?.at[0] === 0);
    const isItsColour =
      hasColour(o, words) &&
      hasColour(o, stretch.text.slice((begins.at(-1) ?? 0) - stretch.start, from - stretch.start));
    const each = EACH_AHEAD.exec(before)?.[0].length ?? 0;
    begins.push(isOfIt || isItsColour ? from : q.at[0] - each);
  }
  return begins;
}

function hasColour(o: OrderReading, text: string): boolean {
  const { colours } = wordsOfFlies(o.catalogue.patterns);
  return (text.match(/[\p{L}-]+/gu) ?? []).some((w) => colours.has(fold(plainColour(w))));
}

/** Whether words only name a form, as “unweighted”. */
function isForm(o: OrderReading, words: string): boolean {
  const said = fold(words.trim());
  return o.catalogue.patterns.some((p) => p.forms.some((f) => fold(f.name) === said));
}

/** Whether a quantity ends its part of a list: “14 slate 3 dz, 16 slate 3 dz. Size 18: …”. */
function endsPart(o: OrderReading, { left, start }: Stretch, { at }: Quantity, end: number): boolean {
  if (!/(?:^|[,;.])[^,;.]*[\p{L}\d][^,;.]*$/u.test(left.slice(0, at[0] - start))) return false;
  const after = left.slice(end - start);
  if (/^\s*(?:[,;.&+)]|and(?!\p{L})|und(?!\p{L})|$)/iu.test(after)) return true;
  // “#16 x 2dz. Bailiff …”: what stands behind a sign is of the size before it.
  const isPoint = left.charAt(end - start - 1) === ".";
  if (isPoint && /[\p{L}\d]\s*[x×]\s*$/iu.test(left.slice(0, at[0] - start))) return true;
  // The point belongs to “dz.”, or ends a sentence: then no fly is named behind it.
  const next = new Stretch(after, end).words().slice(0, MOST_NAMED);
  return isPoint && findExactly(next, o.catalogue.patterns, (p) => p.name)?.from !== 0;
}

function namesFlyIn(o: OrderReading, text: string): boolean {
  return namesFly(o, new Stretch(text, 0));
}

function namesFly(o: OrderReading, stretch: Stretch): boolean {
  const words = stretch.words().filter((w) => !/\d/.test(w.text));
  const pattern = findName(words, o.catalogue.patterns, (p) => p.name, 0.62);
  const customer = findName(words, o.catalogue.customers, (c) => c.name, SURE);
  if (pattern !== undefined && (customer === undefined || pattern.like >= customer.like)) return true;
  return customer === undefined && findShort(words, o.catalogue.patterns, (p) => p.name, isNoun) !== undefined;
}

/** Without a quantity: a wish, a fly whose number is asked, courtesy; everything else is asked about. */
function readLoose(o: OrderReading, chunk: Span, before: number): void {
  if (isReference(chunk.text)) {
    o.order.asides.push({ at: [chunk.start, chunk.end], why: "head" });
    return;
  }
  const stretch = new Stretch(chunk.text, chunk.start);
  takeQuoted(o, stretch, before);
  if (!/[\p{L}\d]/u.test(stretch.left.replaceAll("\uE000", ""))) return;
  if (takeWish(o, stretch, before)) return;
  if (takeDatedWish(o, chunk, before) || takeFormOfAll(o, stretch)) return;
  const isFly = namesFly(o, stretch) || isSizeOfBefore(o, stretch);
  if (isFly) {
    o.order.lines.push(...o.items.read(stretch, undefined));
    return;
  }
  if (readParts(o, chunk)) return;
  o.heading.takeWithin(stretch);
  o.heading.takeSeason(stretch);
  if (takeWish(o, stretch, before)) return;
  const rest = stretch.words();
  if (rest.length === 0 || isCourtesy(rest.map((w) => w.text).join(" ")))
    for (const run of runsOf(stretch, rest)) o.order.asides.push({ at: [run.start, run.end], why: "courtesy" });
  else for (const run of runsOf(stretch, rest)) if (!isCourtesy(run.text)) askUnknown(o, run);
}

/** “Order #2291 / Fernhill Lodge / deliver by 28 April”: each part for itself, when each is known. */
function readParts(o: OrderReading, chunk: Span): boolean {
  const parts = piecesOf(chunk.text, chunk.start, /\s[/–-]\s/g);
  if (parts.length < 2) return false;
  const isKnown = (p: Span): boolean => isCourtesy(p.text) || isReference(p.text);
  const trial = new Heading(o.catalogue, { lines: [], asides: [], understood: [], doubts: [] });
  if (!parts.every((p) => isKnown(p) || trial.takeWhole(p))) return false;
  for (const p of parts)
    if (isKnown(p)) o.order.asides.push({ at: [p.start, p.end], why: isReference(p.text) ? "head" : "courtesy" });
    else o.heading.takeWhole(p);
  return true;
}

function isSizeOfBefore(o: OrderReading, stretch: Stretch): boolean {
  if (o.items.lastPattern === undefined) return false;
  const pattern = o.catalogue.patterns.find((p) => p.id === o.items.lastPattern);
  const words = stretch.words();
  const own = [...(pattern?.variants ?? []), ...(pattern?.forms ?? [])];
  const isSize = (text: string): boolean => /^(?:#|sz\.?|size)?\d{1,2}(?:\/0)?$/i.test(text);
  return (
    words.length > 0 &&
    words.every((w) => isSize(w.text) || own.some((o) => fold(o.name) === fold(w.text))) &&
    words.some((w) => isSize(w.text))
  );
}

/** “All weighted”: the weight of every line so far, where each fly comes in it. */
function takeFormOfAll(o: OrderReading, stretch: Stretch): boolean {
  if (!/^[\s.]*(?:all|everything|alle[s]?)(?!\p{L})/iu.test(stretch.left) || o.order.lines.length === 0) return false;
  const words = stretch.words().filter((w) => !COURTEOUS.test(w.text) && !isCourteousWord(w.text));
  const said = fold(words.map((w) => plainColour(w.text)).join(" "));
  const forms = o.order.lines.map((l) =>
    o.catalogue.patterns.find((p) => p.id === l.pattern)?.forms.find((f) => fold(f.name) === said),
  );
  if (said === "" || forms.some((f) => f === undefined)) return false;
  o.order.lines.forEach((l, i) => (l.form = forms[i]?.id));
  for (const w of words) o.order.understood.push({ field: "form", at: [w.start, w.end], label: said });
  return true;
}

/** “He'd pick them up on March 6th”: a day and a wish, and courtesy. */
function takeDatedWish(o: OrderReading, chunk: Span, before: number): boolean {
  const day = findDay(chunk.text, o.catalogue.today);
  if (!day) return false;
  const stretch = new Stretch(chunk.text, chunk.start);
  stretch.takeOut([chunk.start + day.at[0], chunk.start + day.at[1]]);
  if (!takeWish(o, stretch, before)) return false;
  o.heading.takeWithin(new Stretch(chunk.text.slice(...day.at), chunk.start + day.at[0]));
  return true;
}

/** A wish alone: of the lines of this line of the text, or of the whole order. */
function takeWish(o: OrderReading, stretch: Stretch, before: number): boolean {
  const wish = findWish(stretch.left, stretch.start);
  if (!wish) return false;
  const beside = new Stretch(stretch.text, stretch.start);
  beside.left = stretch.left;
  beside.takeOut(wish.at);
  const rest = beside.words().filter((w) => !COURTEOUS.test(w.text) && !isCourteousWord(w.text));
  const of =
    rest.length > 0
      ? linesCalled(
          o,
          rest.map((w) => w.text),
        )
      : undefined;
  if (rest.length > 0 && of === undefined) return false;
  stretch.takeOut(wish.at);
  if (of) for (const w of rest) stretch.takeOut([w.start, w.end]);
  wishFor(o, wish, before, of);
  return true;
}

/** “No substitutes on the sedges”: the lines of flies with these words in their names, where there are some. */
function linesCalled(o: OrderReading, words: string[]): ReadLine[] | undefined {
  const said = words.map((w) => fold(w).replace(/(?<=[^s])s$/, ""));
  const lines = o.order.lines.filter((l) => {
    const name = o.catalogue.patterns.find((p) => p.id === l.pattern)?.name ?? "";
    const own = fold(name).split(" ");
    return said.every((w) => own.some((o) => o.replace(/(?<=[^s])s$/, "") === w));
  });
  return lines.length > 0 ? lines : undefined;
}

/** Words in quotation marks are a wish, whatever stands beside them. */
function takeQuoted(o: OrderReading, stretch: Stretch, before: number): void {
  for (let wish = findQuoted(stretch); wish; wish = findQuoted(stretch)) {
    stretch.takeOut(wish.at);
    wishFor(o, wish, before);
  }
}

function wishFor(o: OrderReading, wish: Wish, before: number, called?: ReadLine[]): void {
  const of = called ?? o.order.lines.slice(before);
  o.order.understood.push({ field: "wish", at: wish.at, label: `wish: ${wish.words}` });
  if (wish.policy) {
    const { policy } = wish;
    for (const line of of.length > 0 ? of : o.order.lines) line.policy = policy;
    if (of.length === 0) o.wishes.push(wish);
  } else if (of.length > 0) for (const line of of) line.wishes = [...line.wishes, wish];
  else o.wishes.push(wish);
}

/** It speaks of an order that is there: that one has to be opened. */
function askOtherOrder(o: OrderReading, clause: Span): boolean {
  const other = OTHER_ORDER.exec(clause.text);
  const before = other ? undefined : AS_BEFORE.exec(clause.text);
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

function askUnknown(o: OrderReading, chunk: Span): void {
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
  const looksLikeDay = /\d/.test(chunk.text) && o.order.lines.length > 0 && chunk.text.length < 24;
  o.order.doubts.push(
    looksLikeDay
      ? { field: "due", code: "NOT_A_DAY", details, at, candidates: [] }
      : { field: "rest", code: "NOT_UNDERSTOOD", details, at, candidates: keptAsWish(chunk.text) },
  );
}
/** A sentence begins so, and no name of a customer. */
const TELLS =
  /^(?:need|deliver|please|send|ship|want|would|could|can|may|we|i|they|it|if|and|but|also|these|those|let|make|thanks|bitte|wir|ich|wenn|und|aber|auch|liefer\w*|schick\w*)(?!\p{L})/iu;
/** What is wished before the parts of a quantity, or behind the last and a comma, is wished of all of them. */
function wishedOfAll(lines: ReadLine[], text: string): void {
  const [first, last] = [lines[0], lines.at(-1)];
  if (!first || !last || first === last) return;
  const begins = first.understood.find((u) => u.field === "quantity")?.at[0] ?? 0;
  const ahead = first.wishes.filter((w) => w.at[1] <= begins);
  const behind = last.wishes.filter((w) => /,\s*(?:all\s+|alle\s+)?$/iu.test(text.slice(0, w.at[0])));
  for (const line of lines) line.wishes = [...new Set([...line.wishes, ...ahead, ...behind])];
}
/** Parts between commas, but for those within brackets. */
const commaParts = (text: string, start: number): Span[] =>
  piecesOf(
    text.replace(/\([^()]*\)/g, (inside) => inside.replaceAll(",", "\uE001")),
    start,
    COMMA,
  ).map((p) => ({ ...p, text: text.slice(p.start - start, p.end - start) }));

const aheadOf = ({ start }: Span): { at: [number, number]; times: number } => ({ at: [start, start], times: 1 });

/** “je vier Dutzend”: what says that it is of each stands before the number and belongs to it. */
const COURTEOUS =
  /^(?:please|bitte|thanks|and|und|all|alle|any|none|ones?|only|them|those|of|the|order|orders|everything|alles|for|für|with|mit|on|in|is|are|if|you|can|these|this|possible|throughout|durchgehend|course|obviously|naturally|natürlich)$/iu;

/**
 * Read an order as it is typed or pasted: one line, a list, a sheet's rows, a mail.
 * Understood parts and doubts carry their range in the text, so that a candidate can be put in their place;
 * nothing that was typed is thrown away: what is not the order is among its asides.
 *
 * @param catalogue names to recognise, and today's date
 * @returns one line per item in the text's order; an item without a pattern takes the one before it, and of the same
 *   pattern colour and weight too
 */
export function readOrder(text: string, catalogue: Catalogue): ReadOrder {
  const { text: calm, doubts } = calmed(text);
  const order = new OrderReader(calm, catalogue).read();
  order.doubts.push(...doubts);
  return order;
}

/** Whether every line is whole and customer and day are known: then it can be saved. */
export const isWhole = (order: ReadOrder): boolean =>
  order.lines.length > 0 &&
  order.customer !== undefined &&
  order.due !== undefined &&
  order.doubts.length === 0 &&
  order.lines.every(
    (l) => l.doubts.length === 0 && l.flies && l.pattern && l.size && l.variant && l.form !== undefined,
  );

/** The wishes of a line as they are kept and shown. */
export const wishWords = (line: Pick<ReadLine, "wishes">): string =>
  [...new Set([...line.wishes].sort((a, b) => a.at[0] - b.at[0]).map((w) => w.words))].join("; ");

/** The lines of a whole order as they are saved. */
export const linesOf = (order: ReadOrder) =>
  order.lines.map((l) => {
    const { pattern = "", variant = "", form = "", size = "", flies = 0, policy, due } = l;
    return { pattern, variant, form, size, flies, policy, wishes: wishWords(l), ...(due !== undefined && { due }) };
  });
