import { withoutPlural } from "../../numeric";
import type { OrderReading } from "./reading";
import { Stretch } from "../stretch";
import { findWish, findQuoted } from "../wishes";
import { isCourteousWord } from "../asides";
import type { ReadLine, Wish } from "../types";
import { fold } from "../nearest";
import { plainColour } from "../names";

/** Words that say nothing beside a wish. */
export const COURTEOUS =
  /^(?:please|bitte|thanks|and|und|all|alle|any|none|ones?|only|them|those|of|the|order|orders|everything|alles|for|für|with|mit|on|in|is|are|if|you|can|these|this|possible|throughout|durchgehend|course|obviously|naturally|natürlich)$/iu;

/** A wish alone: of the lines of this line of the text, or of the whole order. */
export function takeWish(o: OrderReading, stretch: Stretch, before: number): boolean {
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
  const [one, another] = o.order.lines.slice(before);
  const isOfAll = !of && beside.words().some((w) => ALL.test(w.text));
  // “A 14 2 dz” in one row, “B 16 2 dz – all barbless” in the next.
  if (isOfAll && one && !another && before > 0) askOfAll(o, one, [stretch.start, stretch.end], 0);
  return true;
}

/** “No substitutes on the sedges”, “no hackle on the 18s”: the lines of such flies or sizes, where there are some. */
function linesCalled(o: OrderReading, words: string[]): ReadLine[] | undefined {
  const sizes = words.flatMap((w) => /^#?(\d{1,2}(?:\/0)?)(?:'?s)?$/.exec(w)?.[1] ?? []);
  const said = words.filter((w) => !/\d/.test(w)).map((w) => withoutPlural(fold(w)));
  const lines = o.order.lines.filter((l) => {
    const name = o.catalogue.patterns.find((p) => p.id === l.pattern)?.name ?? "";
    const own = fold(name).split(" ");
    const isSized = sizes.length === 0 || (l.size !== undefined && sizes.includes(l.size));
    const kinds = kindsOf(o, l);
    return isSized && said.every((w) => kinds.includes(w) || own.some((o) => withoutPlural(o) === w));
  });
  const isRead = sizes.length === words.filter((w) => /\d/.test(w)).length;
  return isRead && lines.length > 0 ? lines : undefined;
}

/** The colour and the weight of a line, as somebody would call it by them. */
function kindsOf({ catalogue }: OrderReading, { pattern, variant, form }: ReadLine): string[] {
  const of = catalogue.patterns.find((p) => p.id === pattern);
  const named = [of?.variants.find((v) => v.id === variant)?.name, of?.forms.find((f) => f.id === form)?.name];
  return named.flatMap((name) => (name === undefined ? [] : [withoutPlural(fold(name))]));
}

const ONES = String.raw`(?:the|die|den)\s+#?([\p{L}\d/-]+?)(?:['’]?s)?(?:\s+(?:ones?|flies))?`;
const ONES_AHEAD = new RegExp(
  String.raw`(?<!\p{L})(?:only\s+|nur\s+)?${ONES}\s*(?:to\s+be|should\s+be|are|with|on|in)?[\s,:]*$`,
  "iu",
);
const ONES_BEHIND = new RegExp(
  String.raw`^\s*(?:on|for|in|with|bei|auf|für)\s+(?:only\s+|nur\s+)?${ONES}(?![\p{L}\d])`,
  "iu",
);
/** “Two dozen each in red and olive, the red ones barbless”: of those lines, and not of the others. */
export function wishedOfSome(o: OrderReading, made: readonly ReadLine[]): void {
  for (const wish of new Set(made.flatMap((l) => l.wishes))) {
    const [begin, end] = wish.at;
    const ahead = ONES_AHEAD.exec(o.text.slice(0, begin));
    const behind = ahead ? null : ONES_BEHIND.exec(o.text.slice(end));
    const called = (ahead ?? behind)?.[1];
    if (called === undefined) continue;
    const word = withoutPlural(fold(plainColour(called)));
    const isMeant = (l: ReadLine): boolean => l.size === called || kindsOf(o, l).includes(word);
    if (!made.some(isMeant)) continue;
    const [from, to] = [ahead?.index ?? end, behind ? end + behind[0].length : begin];
    for (const line of made) {
      const others = line.wishes.filter((w) => w !== wish);
      line.wishes = isMeant(line) ? [...others, wish] : others;
      line.doubts = line.doubts.filter((d) => d.code !== "NOT_UNDERSTOOD" || d.at[0] < from || d.at[1] > to);
    }
  }
}

/** Words in quotation marks are a wish, whatever stands beside them. */
export function takeQuoted(o: OrderReading, stretch: Stretch, before: number): void {
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

const ALL = /^(?:all|alle[sn]?|both|beide[sn]?|everything|throughout|durchgehend)$/iu;
const ALL_AHEAD =
  /(?<!\p{L})(?:(all|alle[sn]?|everything|(?:make|tie|dress|have|do|want|need|binden|bindet)\s+(?:them|these)(?:\s+all)?)|(?:both|beide[sn]?))(?:\s+(?:of\s+)?(?:them|these))?\s+$/iu;
// “…, all by 8 May”: of all is the day, and not what is wished ahead of it.
const ALL_BEHIND =
  /^\s*,?\s*(?:(all|alle[sn]?|throughout)|(?:both|beide[sn]?))(?!\p{L})(?!\s+(?:(?:in|of|#|sizes?|\d)|(?:to\s+be|needed|wanted|due|required|ready|by|for|before|until|bis|zum|für|vor)(?!\p{L})))/iu;
/**
 * “14 2 dz, 16 2 dz all barbless”: what the last line of a statement says of all is wished of each of them; behind a
 * single line it could be said of those before it as well, and is asked about.
 */
export function wishedOfEach(o: OrderReading, made: readonly ReadLine[]): void {
  const last = made.at(-1);
  if (!last) return;
  // How it is packed, said behind the last, is said of the order.
  const packed = last.wishes.filter((w) => w.kind === "parcels");
  for (const line of made)
    if (line !== last) line.wishes = [...line.wishes, ...packed.filter((w) => !line.wishes.includes(w))];
  const said = last.understood.flatMap(({ field, at, policy }) => (field === "wish" ? [{ at, policy }] : []));
  for (const { at, policy } of said) {
    const ahead = ALL_AHEAD.exec(o.text.slice(last.at[0], at[0]));
    const all = ahead ?? ALL_BEHIND.exec(o.text.slice(at[1], last.at[1]));
    if (!all) continue;
    const isOfTwo = all[1] === undefined;
    if (made.length > 1 && (!isOfTwo || made.length === 2)) {
      for (const line of made)
        if (policy) line.policy = policy;
        else line.wishes = [...new Set([...line.wishes, ...last.wishes.filter((w) => w.at[0] === at[0])])];
    } else if (isOfTwo && o.order.lines.length === 2) ofBoth(o, last, at);
    else if (o.order.lines.length > made.length) askOfAll(o, last, at, ahead?.[0].length ?? 0);
  }
}

/** “…; 2 dz 18 olive, both sparse”: of the two lines that there are. */
function ofBoth({ order, text }: OrderReading, last: ReadLine, at: [number, number]): void {
  const wished = last.wishes.filter((w) => w.at[0] === at[0]);
  for (const line of order.lines) line.wishes = [...new Set([...line.wishes, ...wished])];
  last.doubts = last.doubts.filter((d) => d.code !== "NOT_UNDERSTOOD" || !TWO_ALONE.test(text.slice(...d.at)));
}
const TWO_ALONE = /^\s*(?:both|beide[sn]?)\s*$/iu;

function askOfAll(o: OrderReading, line: ReadLine, wished: [number, number], ahead: number): void {
  const words = findWish(o.text.slice(...wished), 0)?.words ?? o.text.slice(...wished).trim();
  const begin = wished[0] - ahead;
  const dash = /(?<=\s)[-–]\s+$/.exec(o.text.slice(0, begin))?.[0].length ?? 0;
  const [from, to] = [begin - dash, wished[1]];
  const isBracketed = o.text[from - 1] === "(" && o.text[to] === ")";
  const at: [number, number] = isBracketed ? [from - 1, to + 1] : [from, to];
  line.doubts.push({
    field: "wish",
    code: "WISH_OF_ALL",
    details: { words },
    at,
    candidates: [
      { label: "of this line", text: words },
      { label: "of all of them", text: `, ${words} all of them` },
    ],
  });
}

/** What is wished before the parts of a quantity, or behind the last and a comma, is wished of all of them. */
export function wishedOfAll(lines: ReadLine[], text: string): void {
  const [first, last] = [lines[0], lines.at(-1)];
  if (!first || !last || first === last) return;
  const begins = first.understood.find((u) => u.field === "quantity")?.at[0] ?? 0;
  const ahead = first.wishes.filter((w) => w.at[1] <= begins);
  const standsBehind = (at: number): boolean => /(?:,|\s[-–])\s*(?:all\s+|alle\s+)?$/iu.test(text.slice(0, at));
  const behind = last.wishes.filter((w) => standsBehind(w.at[0]));
  const materials = last.understood.find((u) => u.policy !== undefined);
  for (const line of lines) {
    line.wishes = [...new Set([...line.wishes, ...ahead, ...behind])];
    if (materials && standsBehind(materials.at[0])) line.policy ??= last.policy;
  }
}
