import { type OrderReading, namesFly, namesFlyIn } from "./reading";
import { commaParts } from "../pieces";
import { wordsOfFlies } from "../flyWords";
import { isShared } from "../item/spread";
import { type Span, piecesOf } from "../spans";
import { isReference, isCourtesy, isCourteousWord, isSmallTalk } from "../asides";
import { Stretch, TAKEN, runsOf } from "../stretch";
import { COURTEOUS, takeQuoted, takeWish } from "./wishes";
import { askUnknown } from "./unknown";
import { Heading } from "../heading";
import { fold } from "../nearest";
import { plainColour } from "../names";
import { findDay } from "../dates";
import { findWish } from "../wishes";
import { numberOf } from "../numbers";
import { LEAST_SPELLED } from "../item/quantity";
import { comesIn } from "../sizes";
import { rangeOf } from "../item/draft";
import type { ReadLine } from "../types";

const BEGINS_WITH_NUMBER =
  /^\s*(?:(?:and|plus|und)\s+)?(?:\d{1,4}|(?:two|three|four|five|six|seven|eight|nine|ten|eleven|zwei|drei|vier|fünf|sechs|acht|zehn|twelve|(?:fif|six|eigh)teen|(?:twen|thir|for|fif|six|seven|eigh|nine)ty(?:-\p{L}+)?))\s+(?:x\s+)?\p{L}/iu;
const BETWEEN = /^(?:only|just|nur|and|und|&|in|sizes?|over|across|between|among|of|in|size|them|all|auf|über)$/iu;
/**
 * “100 Harbour Nymphs, olive, weighted, split evenly over 12, 14, 16 and 18”: one line of an order, whose number says
 * no unit; what stands behind its commas says of what colour, weight and sizes, and how they share it.
 */
export function isOneItem(o: OrderReading, { left, start }: Stretch): boolean {
  const [first, ...behind] = commaParts(left, start);
  const said = first && withoutCourtesy(behindTaken(first.text));
  if (!first || !said || behind.length === 0 || !BEGINS_WITH_NUMBER.test(said) || !namesFlyIn(o, first.text))
    return false;
  const { isColour, isForm } = wordsOfFlies(o.catalogue.patterns);
  const says = (w: string): boolean =>
    isColour(w) ||
    isForm(w) ||
    (numberOf(w) ?? 0) > LEAST_SPELLED ||
    /^#?\d{1,2}(?:\/0)?s?$/.test(w) ||
    BETWEEN.test(w);
  return behind.every((chunk) => {
    const own = new Stretch(chunk.text, chunk.start);
    const isShare = isShared(own);
    const words = own.words();
    // “…, for Ida Pellworth”: whom it is for was taken out before.
    const isTaken = chunk.text.includes(TAKEN) && words.every((w) => LEADS_TO.test(w.text));
    if (isTaken) return true;
    return (isShare || words.length > 0) && (words.every((w) => says(w.text)) || isWish(chunk.text));
  });
}
const LEADS_TO = /^(?:for|to|by|before|from|für|bis|vor|an)$/iu;
/** “We would need by 20 April forty-eight …”: what stands behind the day. */
const behindTaken = (text: string): string => text.slice(text.lastIndexOf(TAKEN) + 1);
/** “Please can we have 150 …”: what is asked for stands behind. */
function withoutCourtesy(text: string): string {
  const from = text.search(/\d/);
  const ahead = from < 0 ? "" : text.slice(0, from);
  const isAll = ahead.split(/[\s,:]+/).every((w) => w === "" || isCourteousWord(w) || COURTEOUS.test(w));
  return isAll ? text.slice(ahead.length) : text;
}
const isWish = (text: string): boolean => findWish(text, 0)?.words === text.replace(/[\s.!]+$/, "");

/** Without a quantity: a wish, a fly whose number is asked, courtesy; everything else is asked about. */
export function readLoose(o: OrderReading, chunk: Span, before: number): void {
  if (isReference(chunk.text)) {
    o.order.asides.push({ at: [chunk.start, chunk.end], why: "head" });
    return;
  }
  const stretch = new Stretch(chunk.text, chunk.start);
  if (isSmallTalk(chunk.text) && !findWish(chunk.text, 0) && !namesFly(o, stretch)) {
    o.order.asides.push({ at: [chunk.start, chunk.end], why: "courtesy" });
    return;
  }
  takeQuoted(o, stretch, before);
  if (!/[\p{L}\d]/u.test(stretch.left.replaceAll("\uE000", ""))) return;
  if (takeWish(o, stretch, before)) return;
  if (takeDatedWish(o, chunk, before) || takeFormOfAll(o, stretch) || takeKindOfThese(o, stretch, before)) return;
  if (fillsSizes(o, chunk, before) || fillsOpen(o, stretch)) return;
  const isFly = namesFly(o, stretch) || isSizeOfBefore(o, stretch) || isCountOfBefore(o, chunk);
  if (isFly) {
    o.order.lines.push(...o.items.read(stretch, undefined));
    return;
  }
  if (readParts(o, chunk)) return;
  o.heading.takeWithin(stretch);
  o.heading.takeSeason(stretch);
  if (takeWish(o, stretch, before)) return;
  if (isOpening(stretch)) {
    o.order.asides.push({ at: [chunk.start, chunk.end], why: "courtesy" });
    return;
  }
  // “No rush, but before Easter”: what goes on there is the day.
  const rest = stretch
    .words()
    .filter((w, n) => n > 0 || !stretch.left.includes(TAKEN) || !/^(?:but|aber)$/iu.test(w.text));
  if (rest.length === 0 || isCourtesy(rest.map((w) => w.text).join(" ")))
    for (const run of runsOf(stretch, rest)) o.order.asides.push({ at: [run.start, run.end], why: "courtesy" });
  else for (const run of runsOf(stretch, rest)) if (!isCourtesy(run.text)) askUnknown(o, run);
}

const OPENING =
  /^(?:(?:they(?:'re| are)|these are|all)\s+)?(?:wanted|needed|required|due|ready)?\s*(?:for|by|before|in\s+time\s+for)\s+(?:the\s+|our\s+)?(?:opening(?:\s+day)?|start\s+of\s+(?:the\s+)?season|season(?:['’]s)?\s+(?:start|opener|opening))[.!]?$/iu;
/** “Wanted for opening day, 15 March”: why then; the day itself stands beside it. */
const isOpening = ({ left }: Stretch): boolean => OPENING.test(left.trim());

const ALL_IN_SIZE =
  /^[\s,]*(?:(?:all|both|alle)\s+)?(?:(?:of\s+)?(?:them|these)\s+)?(?:in\s+)?(?:sizes?|sz\.?|größe|gr\.?|#)\s*#?(\d{1,2}(?:\/0)?)(?:'?s)?[.!]?$/iu;
/** “Olive 6 dz, black 3 dz, size 16”: the size of the flies of this line of the text that have none yet. */
function fillsSizes(o: OrderReading, { text, start, end }: Span, before: number): boolean {
  const size = ALL_IN_SIZE.exec(text)?.[1];
  const open = o.order.lines.slice(before).filter((l) => l.doubts.some((d) => d.code === "WHICH_SIZE"));
  const comes = ({ pattern }: ReadLine): boolean =>
    size !== undefined && o.catalogue.patterns.some((p) => p.id === pattern && comesIn(size, p.sizes));
  if (size === undefined || open.length === 0 || !open.every(comes)) return false;
  for (const line of open) {
    line.size = size;
    line.doubts = line.doubts.filter((d) => d.code !== "WHICH_SIZE");
  }
  o.order.understood.push({ field: "size", at: [start, end], label: size });
  return true;
}

/**
 * “Six dozen Harbour Nymph for us? Olive 14 please”: what is asked of the fly before it, its size and its colour or
 * weight, and nothing else but courtesy.
 */
function fillsOpen(o: OrderReading, stretch: Stretch): boolean {
  const line = o.order.lines.at(-1);
  const pattern = o.catalogue.patterns.find((p) => p.id === line?.pattern);
  const isOpen = (code: string): boolean => line?.doubts.some((d) => d.code === code) ?? false;
  if (!line || !pattern || !isOpen("WHICH_SIZE")) return false;
  const words = stretch.words().filter((w) => !COURTEOUS.test(w.text) && !isCourteousWord(w.text));
  const isSize = (w: Span): boolean => /^#?\d{1,2}(?:\/0)?s?$/iu.test(w.text);
  const [size, another] = words.filter(isSize).map((w) => w.text.replace(/^#|s$/giu, ""));
  const said = fold(
    words
      .filter((w) => !isSize(w))
      .map((w) => plainColour(w.text))
      .join(" "),
  );
  const variant = pattern.variants.find((v) => fold(v.name) === said);
  if (size === undefined || another !== undefined || !comesIn(size, pattern.sizes)) return false;
  if (said !== "" && !(variant && isOpen("WHICH_COLOUR"))) return false;
  line.size = size;
  if (variant) line.variant = variant.id;
  const filled = variant ? ["WHICH_SIZE", "WHICH_COLOUR"] : ["WHICH_SIZE"];
  line.doubts = line.doubts.filter((d) => !filled.includes(d.code));
  for (const w of words)
    o.order.understood.push({ field: isSize(w) ? "size" : "variant", at: [w.start, w.end], label: w.text });
  return true;
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

const COUNT_IN_SIZE =
  /^\s*\d{1,3}\s*(?:x\s+|of\s+|in\s+|on\s+)?(?:#\s?|(?:sizes?|sz|no|nr|gr|größe)\b\.?\s*)\d{1,2}(?:\/0)?\s*\.?\s*$/iu;
/** “…; 18 no. 14”: so many of the fly before it, in a size that is marked as one. */
const isCountOfBefore = (o: OrderReading, { text }: Span): boolean =>
  o.items.lastPattern !== undefined && (COUNT_IN_SIZE.test(text) || SIZE_AND_COUNT.test(text));
/** “size 10: 18” */
const SIZE_AND_COUNT = /^\s*(?:size|sz|gr|größe)\.?\s*#?\d{1,2}(?:\/0)?\s*[:=]\s*\d{1,3}\s*$/iu;

/** “All weighted”: the weight of every line so far, where each fly comes in it. */
function takeFormOfAll(o: OrderReading, stretch: Stretch): boolean {
  if (
    !/^[\s.]*(?:all|everything|alle[s]?|jeweils|durchweg)(?!\p{L})/iu.test(stretch.left) ||
    o.order.lines.length === 0
  )
    return false;
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

/**
 * “… a dozen Bailiffs in 12. Claret.”, “… olive, 14. Weighted.”: a colour or a weight that stands alone is that of the
 * flies of its line of the text, where none of them says one and each comes in it; “All in olive.” is that of all.
 */
function takeKindOfThese(o: OrderReading, stretch: Stretch, before: number): boolean {
  // “All in olive”: of every line so far.
  const isOfAll = /^(?:all|everything|alle[s]?)$/iu.test(stretch.words()[0]?.text ?? "");
  const words = stretch.words().filter((w) => !isOfAll || !COURTEOUS.test(w.text));
  const said = fold(words.map((w) => plainColour(w.text)).join(" "));
  const lines = o.order.lines.slice(isOfAll ? 0 : before);
  const at = rangeOf(words);
  const take = (field: "variant" | "form", named: ReadLine["form"][]): boolean => {
    const isSaid = lines.some((l) => l.understood.some((u) => u.field === field));
    if (said === "" || lines.length === 0 || isSaid || named.some((id) => id === undefined)) return false;
    lines.forEach((line, i) => {
      line[field] = named[i];
      line.doubts = line.doubts.filter((d) => d.code !== (field === "variant" ? "WHICH_COLOUR" : "WHICH_FORM"));
    });
    o.order.understood.push({ field, at, label: said });
    return true;
  };
  const flies = lines.map((l) => o.catalogue.patterns.find((p) => p.id === l.pattern));
  const ids = (of: "variants" | "forms") =>
    flies.map((p) => (p && p[of].length > 1 ? p[of].find((n) => fold(n.name) === said)?.id : undefined));
  return take("variant", ids("variants")) || take("form", ids("forms"));
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
