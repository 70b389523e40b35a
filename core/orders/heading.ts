import type { Coded } from "../errors";
import { differenceInCalendarDays, parseISO, subWeeks } from "date-fns";
import type { SaidDay } from "./days";
import { daysIn, findDay, isoDate, readDay, type DayRead } from "./dates";
import { findExactly, findName, findShort, isInName, isSure, SURE, type NameFound } from "./names";
import { fold, nearest } from "./nearest";
import type { Span } from "./spans";
import { isCourteousWord } from "./asides";
import { findWish } from "./wishes";
import { remembered } from "./remembered";
import { Stretch } from "./stretch";
import type { Catalogue, Doubt, DoubtDetails, ReadOrder } from "./types";

/** Without a year, a day so far ahead was rather the one that has just passed. */
const FAR_DAYS = 300;
const BEFORE =
  /^(?:(?:needed|wanted|required|due|ship(?:ping|s)?(?:\s+(?:date|on))?|deliver(?:y|ed)?|liefer\p{L}*)\s*:?\s+)?(?:(?:in time for|before|for|by|vor|zum|zur|bis)\s+)?(?:the\s+|dem\s+|der\s+)?/iu;
const WEEKS = "(?:the|an?|one|two|three|four|[1-9]|eine?|zwei|drei|vier)\\s+(?:weeks?|wochen?)";
/** “Deliver two weeks before the char run”: so long before the season's day. */
const WEEKS_BEFORE = new RegExp(
  `^(?:(?:please\\s+)?(?:needed|wanted|required|due|ship(?:ping)?|send|deliver(?:y|ed)?|liefer\\p{L}*)\\s*:?\\s+)?(${WEEKS})\\s+(?:before|vor)\\s+(?:the\\s+|dem\\s+|der\\s+)?`,
  "iu",
);
const numbers: readonly (readonly [RegExp, number])[] = [
  [/two|zwei|2/iu, 2],
  [/three|drei|3/iu, 3],
  [/four|vier|4/iu, 4],
];
/** A season's day, so many weeks earlier as is said ahead of it. */
function weeksBack(date: string, said: string | undefined): string {
  if (said === undefined) return date;
  const n = numbers.find(([words]) => words.test(said))?.[1] ?? Number(/[1-9]/.exec(said)?.[0] ?? 1);
  return isoDate(subWeeks(parseISO(date), n));
}
/** “Week of 12 April”: from that day on they are waited for. */
const WEEK_OF =
  /^(?:(?:delivery|deliver|lieferung)\s+)?(?:(?:we\s+|i\s+)?(?:need|want)(?:ed)?\s+(?:(?:them|it|these|this|all|everything)\s+)?)?(?:(?:for|in|by|during)\s+)?(?:the\s+)?(?:week\s+(?:of|commencing|beginning|starting)|w\/c|woche\s+(?:ab|vom))\s+(?:the\s+)?/iu;
const LEADS =
  /^(?:book|booking|following|arrival|arriving|bill|billed|invoice|sold|account|would|like|likes|please|orders|ordering|requests|asks|asking|here|hier|again|writes|calling|speaking|new|re-?order|restock|hätte|hätten|möchte|möchten|gerne?|bestellt|braucht|will|want|need|and|&|it's|its|this|is|at|attn\.?|on|behalf|of|\p{L}\.?|\/|for|from|to|customer|kunde|client|für|von|an|the|order|orders|bestellung|please|bitte|by|before|vor|bis|zum|zur|due|gruß|grüße|gruss|cheers|thanks|regards|best|lg|vg|mfg|wants|needs|needed|required|ship|shipping|ships|account|name|shop|deliver|delivery)$/iu;
const FOR = /(?<!\p{L})(?:for|from|to|customer:?|für|von|an|kunde:?)\s+(?:the\s+)?/iu;
/** “Mrs Ida Pellworth”, “ordered by Frau Pellworth” */
const TITLE = /^(?:ordered\s+by\s+|bestellt\s+von\s+)?(?:(?:mrs?|ms|miss|dr|frau|herrn?|familie)\.?\s+)*/iu;

const LED_BY =
  /(?<!\p{L})(?:(?:please\s+)?(?:send|ship|deliver)|for|from|customer:?|client:?|account:?|für|von|kunde:?)\s+(?:the\s+|di?en?\s+|das\s+)?(?:(?:(?:angel|fliegen)?(?:laden|geschäft|verein)|shop|store|club|lodge|mrs?\.?|ms\.?|herrn?|frau)\s+)?$/iu;
/** Words of many names: none of them is a name by itself. */
const COMMON =
  /^(?:fly|flies|club|lodge|shop|store|tackle|house|water|lake|river|camp|guides?|guiding|outfitters?|anglers?|angling|society|hotel|inn|team|company|club|laden|verein|haus|season|spring|summer|autumn|winter|north|south|east|west|three|old|new|great)$/;
const HAS_A_WISH =
  /^\s+(?:would\s+like|wants?|needs?|orders|requires?|asks|wishes|h(?:ä|ae)tten?\s+gern|möchten?|bestell(?:t|en)|brauch(?:t|en))(?!\p{L})/iu;
type Customer = Catalogue["customers"][number];
/** A name as it stands, within a regular expression; “ice-out” is “ice out” as well. */
const asPattern = (name: string): string => name.replace(/[.*+?^${}()|[\]\\]/g, "\\$&").replace(/[-\s]+/g, "[-\\s]?");
const seasonAlone = remembered((name) => new RegExp(`(?<!\\p{L})${asPattern(name)}(?!\\p{L})`, "iu"));
/** “before ice-out”, “(ice-out)” */
const ledToSeason = remembered(
  (name) =>
    new RegExp(
      `(?<!\\p{L})(?:(?:to\\s+(?:reach|be\\s+with|arrive\\s+with)\\s+(?:us|me)|to\\s+(?:arrive|be\\s+here)|in\\s+time(?=\\s+for))\\s+)?(?:(${WEEKS})\\s+(?=before|vor))?(?:before|for|by|vor|zum|zur)\\s+(?:the\\s+)?${asPattern(name)}(?!\\p{L})|\\(\\s*${asPattern(name)}\\s*\\)`,
      "iu",
    ),
);

/** A name of one or two words ahead of the customer's. */
const WRITES_FOR =
  /^\s*(?:\p{Lu}[\p{L}.'-]*\s+){1,2}(?:\(([^()]{3,60})\)|(?:at|from|of|bei|von)\s+(?:the\s+)?(.{3,60}?)(?:\s+(?:again|here))?)[.!]?\s*$/u;

/** What holds for the whole order: whom it is for, and the day it is promised for. */
export class Heading {
  /** Every day that was said; for what each was said is settled when all is read. */
  readonly days: SaidDay[] = [];

  constructor(
    private readonly catalogue: Catalogue,
    private readonly order: ReadOrder,
    private readonly text = "",
  ) {}

  /** A part of the text that is a day, a season or a customer and nothing else. */
  takeWhole(chunk: Span): boolean {
    const at: [number, number] = [chunk.start, chunk.end];
    const season = this.seasonOf(chunk.text);
    if (season) {
      this.settleDay({ day: season.day }, at, chunk.text, season.name);
      return true;
    }
    // The point of a sentence, and not that of a German number.
    const said = chunk.text.replace(WEEK_OF, "").replace(/(?<=\d{4}|\p{L})[.!]$/u, "");
    const day = readDay(said, this.catalogue.today);
    if (day) {
      this.settleDay(day, at, chunk.text);
      return true;
    }
    return this.takeNamedWhole(chunk) || this.takeCustomer(chunk, at);
  }

  /** “Order for Hollow Mere Lodge by ice-out”: a customer by the full name, a day, and nothing but what leads there. */
  private takeNamedWhole(chunk: Span): boolean {
    const stretch = new Stretch(chunk.text, chunk.start);
    const words = stretch.words().filter((w) => !/\d/.test(w.text) && fold(w.text) !== "");
    const named = this.customerNamed(words);
    if (!named) return false;
    for (const w of words.slice(named.from, named.to)) stretch.takeOut([w.start, w.end]);
    const day = findDay(stretch.left, this.catalogue.today);
    if (day) stretch.takeOut([stretch.start + day.at[0], stretch.start + day.at[1]]);
    const seasons = new Set(this.catalogue.seasons.flatMap((s) => s.name.toLowerCase().split(/\s+/)));
    if (!stretch.words().every((w) => LEADS.test(w.text) || seasons.has(w.text.toLowerCase()))) return false;
    const used = words.slice(named.from, named.to);
    this.settleCustomer(named.item, [used[0]?.start ?? chunk.start, used.at(-1)?.end ?? chunk.end]);
    const rest = new Stretch(chunk.text, chunk.start);
    for (const w of used) rest.takeOut([w.start, w.end]);
    this.takeWithin(rest);
    this.takeSeason(rest);
    return true;
  }

  /** A day or a customer within a longer statement. */
  takeWithin(stretch: Stretch): void {
    for (const found of daysIn(stretch.left, this.catalogue.today)) {
      const at: [number, number] = [stretch.start + found.at[0], stretch.start + found.at[1]];
      this.settleDay(found.read, at, stretch.left.slice(...found.at).trim());
      stretch.takeOut(at);
    }
    for (const season of this.catalogue.seasons) {
      const named = stretch.take(ledToSeason(season.name));
      const weeks = named?.groups[1];
      const day = weeksBack(season.date, weeks);
      if (named) this.settleDay({ day }, named.at, named.words, weeks === undefined ? season.name : named.words);
    }
    while (this.takeNamed(stretch));
  }

  /** A season that is named among nothing but courtesy: “opening day would be perfect”. */
  takeSeason(stretch: Stretch): void {
    if (this.order.due !== undefined) return;
    for (const season of this.catalogue.seasons) {
      const found = stretch.find(seasonAlone(season.name));
      if (!found) continue;
      const rest = new Stretch(stretch.left, stretch.start);
      rest.takeOut(found.at);
      if (!rest.words().every((w) => isCourteousWord(w.text))) continue;
      stretch.takeOut(found.at);
      this.settleDay({ day: season.date }, found.at, found.words, season.name);
    }
  }

  /** A customer by the full name, or by what that is shortened to. */
  customerNamed(words: Span[]): NameFound<Customer> | undefined {
    return findExactly(words, this.catalogue.customers, (c) => c.name) ?? this.shortName(words);
  }

  /** “Quayhead”, “the Weirs club”: words of one customer's name only, and no word of a fly's. */
  private shortName(words: Span[]): NameFound<Customer> | undefined {
    return findShort(
      words,
      this.catalogue.customers,
      (c) => c.name,
      (word) => !COMMON.test(word) && !isInName(word, this.catalogue.patterns, (p) => p.name),
    );
  }

  /** A customer by the full name, or nearly by it after a word such as "for". */
  private takeNamed(stretch: Stretch): boolean {
    const words = stretch.words().filter((w) => !/\d/.test(w.text) && fold(w.text) !== "");
    const isSaid = FOR.test(stretch.left);
    const nearly = (isSaid ? findName : findExactly)(words, this.catalogue.customers, (c) => c.name, SURE);
    const named = nearly && isSure(nearly) && nearly.like >= 0.9 ? nearly : this.shortAfterFor(stretch, words);
    if (!named) return false;
    const used = words.slice(named.from, named.to);
    const at: [number, number] = [used[0]?.start ?? 0, used[used.length - 1]?.end ?? 0];
    if (named.like < 1 && !FOR.test(stretch.left.slice(0, at[0] - stretch.start))) return false;
    for (const w of used) stretch.takeOut([w.start, w.end]);
    const lead = LED_BY.exec(stretch.left.slice(0, at[0] - stretch.start));
    if (lead) stretch.takeOut([stretch.start + lead.index, at[0]]);
    this.settleCustomer(named.item, at);
    return true;
  }

  /** “for weirs by mid April”, “…, 6 dz. Stonecrop.”: behind the word that leads to a customer, or a part by itself. */
  private shortAfterFor(stretch: Stretch, words: Span[]): NameFound<Customer> | undefined {
    const named = this.shortName(words);
    const first = named && words[named.from];
    const last = named && words[named.to - 1];
    if (!first || !last) return undefined;
    const before = stretch.left.slice(0, first.start - stretch.start);
    const after = stretch.left.slice(last.end - stretch.start);
    const isSubject = /^\s*(?:the\s+)?$/iu.test(before) && HAS_A_WISH.test(after);
    const isApart = /[.,;–-]\s+(?:the\s+)?$/u.test(before) && /^\s*(?:[.,;]|\s[–-]|\uE000|$)/u.test(after);
    // “Quayhead: 5 dz …”, “Quayhead 5 dz …”, “Quayhead by 10 March: …”: at the head of what is ordered.
    const isAhead = /^\s*(?:the\s+)?$/iu.test(before) && /^[\s\uE000]*(?::|\d)/u.test(after);
    return LED_BY.test(before) || isApart || isSubject || isAhead ? named : undefined;
  }

  private seasonOf(text: string): { name: string; day: string } | undefined {
    const weeks = WEEKS_BEFORE.exec(text);
    const name = text.slice(weeks?.[0].length ?? 0).replace(BEFORE, "");
    const season = nearest(name, this.catalogue.seasons, (s) => s.name, { most: 1, least: SURE })[0]?.item;
    if (!season) return undefined;
    if (!weeks) return { name: season.name, day: season.date };
    return { name: text.trim(), day: weeksBack(season.date, weeks[1]) };
  }

  private settleDay(read: DayRead, at: [number, number], words: string, reason?: string): void {
    const ask = (why: Coded<DoubtDetails>, days: string[]): void => {
      this.order.doubts.push({ ...why, field: "due", at, candidates: days.map((d) => ({ label: d, text: d })) });
    };
    if ("either" in read) return ask({ code: "TWO_DAYS_MEANT", details: { words } }, read.either);
    const { day } = read;
    const { today } = this.catalogue;
    if (day < today)
      return ask({ code: "DAY_PASSED", details: { day, today } }, [`${Number(today.slice(0, 4)) + 1}${day.slice(4)}`]);
    const hasYear = /\d{4}|\d\d?[./]\d\d?[./]\d\d/.test(words);
    if (!hasYear && reason === undefined && differenceInCalendarDays(parseISO(day), parseISO(today)) > FAR_DAYS)
      return ask({ code: "DAY_FAR", details: { words, day } }, [day]);
    this.days.push({ day, at, words, ...(reason !== undefined && { reason }) });
  }

  private takeCustomer(chunk: Span, at: [number, number]): boolean {
    // “Otter Creek Anglers - reorder”, “no lead on anything”: read for themselves elsewhere.
    if (findWish(chunk.text, 0) || this.namesOneInParts(chunk)) return false;
    if (/[\d#]/.test(chunk.text) && !this.catalogue.customers.some((c) => /\d/.test(c.name))) return false;
    const clean = chunk.text
      .replace(new RegExp(`^${FOR.source.replace("(?<!\\p{L})", "")}`, "iu"), "")
      .replace(TITLE, "");
    const signed = this.signedFor(clean);
    if (signed) {
      this.settleCustomer(signed, at);
      return true;
    }
    const close = nearest(clean, this.catalogue.customers, (c) => c.name);
    const [first, second] = close;
    if (!first || first.like < 0.6) return false;
    const [fly] = nearest(clean, this.catalogue.patterns, (p) => p.name, { most: 1 });
    if (fly && fly.like >= first.like) return false;
    if (first.like >= SURE && (!second || first.like - second.like > 0.05)) this.settleCustomer(first.item, at);
    else
      this.order.doubts.push({
        field: "customer",
        code: "CUSTOMER_UNKNOWN",
        details: { words: chunk.text },
        at,
        candidates: close.map((c) => ({ label: c.item.name, text: c.item.name })),
      });
    return true;
  }

  /** Whether one of its parts, between dashes, is a customer by the full name. */
  private namesOneInParts(chunk: Span): boolean {
    const parts = chunk.text.split(/\s[/–-]\s/);
    return parts.length > 1 && parts.some((p) => this.catalogue.customers.some((c) => fold(c.name) === fold(p)));
  }

  /** “Jo (Fernhill Lodge)”, “Jo at Fernhill Lodge”: who writes, and for whom. */
  private signedFor(words: string) {
    const [, inBrackets, behind] = WRITES_FOR.exec(words) ?? [];
    const name = inBrackets ?? behind;
    if (name === undefined) return undefined;
    const own = new Stretch(name, 0).words();
    const short = this.shortName(own);
    const isWhole = short && short.from === 0 && short.to === own.length;
    return (
      this.catalogue.customers.find((c) => fold(c.name) === fold(name.trim())) ?? (isWhole ? short.item : undefined)
    );
  }

  /** Who signed is the customer, where nobody else is named and the name is one that is known. */
  takeSigned(line: Span): void {
    if (this.order.customer !== undefined) return;
    // “Thanks, Stonecrop Outfitters”: who signs stands behind the comma.
    const name = /^[^,]{2,40},\s*(.*?)[.!]?\s*$/u.exec(line.text)?.[1] ?? line.text;
    const customer =
      this.signedFor(name) ?? nearest(name, this.catalogue.customers, (c) => c.name, { most: 1, least: 0.99 })[0]?.item;
    if (customer) this.settleCustomer(customer, [line.start, line.end]);
  }

  private settleCustomer(customer: { id: string; name: string }, at: [number, number]): void {
    const { order } = this;
    if (order.customer !== undefined && order.customer !== customer.id) {
      const name = this.catalogue.customers.find((c) => c.id === order.customer)?.name ?? order.customer;
      const details = { words: customer.name, customer: name };
      order.doubts.push({ field: "customer", code: "ANOTHER_CUSTOMER", details, at, candidates: [] });
      return;
    }
    order.customer = customer.id;
    order.understood.push({ field: "customer", at, label: customer.name });
  }

  /** “Date: 22 April 2027”, in the head: when it was written, or when it is wanted, if that day is still to come. */
  private daysInHead(): string[] {
    const { order, text, catalogue } = this;
    const heads = order.asides.filter((a) => a.why === "head").map((a) => text.slice(...a.at));
    return heads.flatMap((head) => {
      const read = findDay(head, catalogue.today)?.read;
      return read && "day" in read && read.day > catalogue.today ? [read.day] : [];
    });
  }

  /**
   * Whom for, and when, if the text does not say.
   *
   * @param behind what parts an answer from the text's end: behind a row of a sheet it is no further cell
   */
  askMissing(end: number, behind: string): void {
    const { order, catalogue } = this;
    const isAsked = (field: Doubt["field"]): boolean => order.doubts.some((d) => d.field === field);
    if (!order.customer && !isAsked("customer"))
      order.doubts.push({ field: "customer", code: "WHO_FOR", details: {}, at: [end, end], candidates: [] });
    if (!order.due && !isAsked("due"))
      order.doubts.push({
        field: "due",
        code: "WHEN_FOR",
        details: {},
        at: [end, end],
        candidates: [
          ...this.daysInHead().map((day) => ({ label: day, text: `${behind}${day}` })),
          ...catalogue.seasons
            .filter((s) => s.date > catalogue.today)
            .slice(0, 2)
            .map((s) => ({ label: s.name, text: `${behind}${s.name}` })),
        ],
      });
  }
}
