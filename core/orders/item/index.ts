import { type ItemState, type Draft, type Pair, coloursSoFar, sizesSoFar, ask } from "./draft";
import type { ReadLine, Catalogue } from "../types";
import type { Stretch } from "../stretch";
import type { Quantity } from "../quantity";
import { takeQuantity, takeQuantityless } from "./quantity";
import { takePattern, dropNameWords } from "./pattern";
import { takeBeadless, takeNames, settleColour } from "./names";
import { isShared, NOTHING_BEFORE, settleEach, sharedWords, spread } from "./spread";
import { takeSizes } from "../sizes";
import { settleSize } from "./sizes";
import { askRest } from "./rest";
import { takePairs } from "./pairs";
import { takeRatio } from "./ratio";
import { inHalves, takeHalves } from "./halves";
import { numberOf } from "../numbers";
import { findWish } from "../wishes";

/** “…; 3 dz 16 (same split)”: shared as the line before, which has to be said. */
const SHARED_AS_BEFORE =
  /(?<!\p{L})(?:same|gleiche[rn]?|selben)\s+(?:split|mix(?:ture)?|ratio|proportions?|shares?|division|verhältnis|mischung|aufteilung)(?!\p{L})/iu;

const AS_ABOVE = /(?<!\p{L})(?:as\s+above|wie\s+oben)(?!\p{L})/iu;

/** “the same but in 16”, “same but brown” */
const SAME_BUT =
  /(?<!\p{L})(?:the\s+)?same(?:\s+(?:again|fly|one))?,?\s+but(?=\s+[\p{L}#\uE000])|(?<=^\s*)(?:the\s+)?same(?:\s+again)?,?\s+but(?=\s+\d)/iu;

const EACH =
  /(?<!\p{L})(?:(?:(?:in|of)\s+)?(?:each|every)\s+size|(?:in\s+|von\s+)?jede[rn]?\s+größe|each|ea|apiece|(?:per|a) (?:size|colour|color)|of each|je(?:weils)?)(?!\p{L})/iu;

/** “2 dz 16 in the same colours”: in all that the order has of that fly. */
const SAME_COLOURS =
  /(?<!\p{L})(?:in\s+)?(?:(?:the\s+)?same|(?:den\s+)?(?:gleichen|selben)|denselben)\s+(?:colou?rs|shades|farben)(?!\p{L})/iu;

const OF_SIZES = /size|größe/iu;

/** “2 dz on barbless hooks and 1 dz on normal ones”. */
const USUAL_HOOKS =
  /(?<!\p{L})(?:(?:on|in|auf|with|mit)\s+)?(?:the\s+)?(?:normal(?:en?)?|ordinary|standard|usual|barbed|regular)(?:\s+(?:hooks?|ones?|haken))?(?!\p{L})/iu;

/** “a dozen with a red throat, a dozen plain”: nothing of what was wished of those before. */
const PLAIN =
  /(?<!\p{L})(?:plain|without|ohne|as\s+(?:usual|normal)|(?:the\s+)?(?:normal|usual|standard)(?:\s+(?:ones?|way|dressing))?)\s*(?=[.!]?\s*$)/iu;

/** “…, 2 Dtzd 14 ohne Widerhaken, Rest mit”: the others are as they always are. */
const REST_USUAL =
  /(?<=[,;(]\s*)(?:(?:and|und)\s+)?(?:(?:der|die|den|the|all\s+the)\s+)?(?:rest|übrigen|others)\s+(?:mit(?:\s+widerhaken)?|normal|barbed|with(?:\s+barbs?)?|on\s+(?:normal|ordinary|standard)\s+hooks)(?=\s*(?:[).;,]|$))/iu;

/** “we're after some …”, “any chance of …”, “over the weekend”: courtesy made of words that could mean more. */
const AFTER =
  /(?<!\p{L})(?:(?:(?:we(?:'|’)?re|we\s+are|i(?:'|’)?m|i\s+am)\s+(?:now\s+)?|now\s+)after(?!\p{L})(?:\s+some)?|(?:is\s+there\s+)?any\s+chance\s+(?:of|for)|(?:over|at)\s+the\s+weekend|(?:vom|von\s+(?:de[nmr]|eure[nmr]|ihre[nmr]))(?=\s*\uE000))(?!\p{L})/iu;

/** “The same in 12 but unweighted”: what stands behind it is read already. */
const BUT = /(?<!\p{L})(?<!(?<!\p{L})same\s+)(?:but|aber|jedoch)(?=\s+\uE000)/iu;

/** “For the opening we would like …”: the occasion, where no day is called so. */
const OCCASION =
  /(?<!\p{L})(?:for|zum|zur|für\s+die)\s+(?:the\s+)?(?:opening|start|(?:(?:new|coming|next)\s+)?season|(?:neue\s+)?saison|eröffnung)(?=\s+(?:we|i|please|could|can|wir|ich|bitte|brauch\p{L}*|hätt\p{L}*)(?!\p{L}))/iu;

const ASSORTED =
  /(?<!\p{L})(?:assorted|mixed|all(?:\s+of)?(?:\s+(?:the|its))?[\s\uE000]+colou?rs|gemischt|sortiert|alle farben)(?!\p{L})/iu;
/** “all four colours”, of a fly that comes in so many. */
const ALL_SO_MANY =
  /(?<!\p{L})(?:of\s+)?(?:all|alle)\s+(?:(?:of\s+)?(?:the|its)\s+)?(two|three|four|five|six|zwei|drei|vier|fünf|sechs|\d)\s+(?:colou?rs|farben)(?!\p{L})/iu;

/** “a dozen of each colour”: of all that the fly comes in, where none is left out. */
const EACH_COLOUR =
  /(?<!\p{L})(?:(?:in|of|from)\s+)?(?:(?:each|every)\s+(?:(?:one\s+)?of\s+the\s+)?colou?rs?|(?:in\s+|von\s+)?jede[rn]?\s+farbe|per\s+colou?r|pro\s+farbe)(?!\p{L})(?!\s*[,(]?\s*(?:but|except|apart|bar|save|without|aber|außer|ohne|bis)(?!\p{L}))/iu;

/** “2 dz of each of the three … colours”, with the fly's name between: of all of them, where there are so many. */
const EACH_OF_SO_MANY =
  /(?<!\p{L})(?:of\s+)?(?:each|every)\s+(?:one\s+)?of\s+the\s+(two|three|four|five|six|\d)\s+[\uE000\s]*colou?rs(?!\p{L})/iu;

/** “a third each”: of so many sizes or colours, of which there must be as many. */
const A_PART_EACH =
  /(?<!\p{L})(?:(?:an?|one)\s+)?(third|quarter|fifth)\s+(?:of\s+)?(?:each|apiece)(?!\p{L})|(?<!\p{L})(?:je|jeweils)\s+(?:ein\s+)?(drittel|viertel|fünftel)(?!\p{L})/iu;

const LEADED = /(?<!\p{L})(?:with|mit)\s+(?:lead|blei)(?!\p{L})/iu;

const PARTS: Record<string, number> = { third: 3, quarter: 4, fifth: 5, drittel: 3, viertel: 4, fünftel: 5 };

/** Reads the lines of an order one after another; what a line leaves out it takes from the one before it. */
export class ItemReader implements ItemState {
  lastPattern?: string;
  before?: ReadLine;
  spreadBefore = NOTHING_BEFORE;
  goneThrough = NOTHING_BEFORE;
  readonly soFar: ReadLine[] = [];
  private isBeforePart = false;

  constructor(readonly catalogue: Catalogue) {}

  /** One statement of the text: a line of the order, or one for each size or colour when that is said. */
  read(stretch: Stretch, quantity: Quantity | undefined): ReadLine[] {
    const line: ReadLine = {
      text: stretch.text.trim(),
      at: [stretch.start, stretch.end],
      flies: quantity?.flies,
      wishes: [],
      understood: [],
      doubts: [],
    };
    if (quantity) takeQuantity(stretch, quantity, line);
    const draft: Draft = { line, isNamed: false, sizes: undefined, colours: [], formSaid: false };
    takePattern(this, stretch, draft);
    if (draft.pattern) takeBeadless(stretch, draft, draft.pattern);
    takeWishes(stretch, line);
    const open = stretch.take(SHARED_AS_BEFORE);
    if (open) ask(line, "rest", open.at, { code: "NOT_UNDERSTOOD", details: { words: open.words } }, []);
    stretch.take(SAME_BUT);
    stretch.take(AS_ABOVE);
    stretch.take(REST_USUAL);
    stretch.take(AFTER);
    stretch.take(OCCASION);
    if (draft.isNamed && draft.pattern) dropNameWords(stretch, draft.pattern);
    const isUsualHook =
      this.before?.wishes.some((w) => w.kind === "barbless") === true && stretch.take(USUAL_HOOKS) !== undefined;
    const isPlain = this.takePlain(stretch, draft);
    // What is wished of a part of a quantity is of no other.
    if (!draft.isNamed && this.before?.pattern === line.pattern && !this.isBeforePart)
      line.wishes.push(
        ...(isUsualHook || isPlain ? [] : carried(this.before, line, draft.formSaid || LEADED.test(line.text))),
      );
    const halves = takeHalves(stretch, draft);
    if (halves) draft.formSaid = true;
    if (halves) line.form = halves[0].id;
    // Where each number is told there is nothing left to share.
    if (!quantity?.inTurn) draft.ratio = takeRatio(stretch);
    const part = stretch.take(A_PART_EACH);
    const parts = part && PARTS[(part.groups[1] ?? part.groups[2] ?? "").toLowerCase()];
    const shareSaid = sharedWords(stretch);
    const isInShares = part !== undefined || isShared(stretch);
    const eachColour = isInShares
      ? undefined
      : (stretch.take(EACH_COLOUR) ?? takeAllOf(stretch, draft, EACH_OF_SO_MANY));
    const eachOf = isInShares ? undefined : stretch.take(EACH);
    const each = isInShares ? "shared" : eachColour || eachOf || quantity?.isOfEach ? "each" : undefined;
    const assorted = stretch.take(ASSORTED) ?? takeAllOf(stretch, draft, ALL_SO_MANY);
    const sameColours = stretch.take(SAME_COLOURS);
    draft.pairs = draft.pattern && takePairs(stretch, draft.pattern);
    if (draft.pairs) inPairs(draft, draft.pairs);
    if (draft.pattern) takeNames(this, stretch, draft, draft.pattern);
    if (isInShares && draft.colours.length === 2) takeBothHalves(stretch);
    takeQuantityless(this, stretch, draft, quantity, eachOf?.at[0]);
    draft.sizes ??= takeSizes(stretch, draft.pattern?.sizes);
    settleSize(this, stretch, draft, quantity?.isPart === true || isUsualHook || isPlain);
    if (assorted && draft.pattern && draft.colours.length === 0) draft.colours = draft.pattern.variants;
    if (eachColour) inEachColour(this, draft, eachColour.at);
    if (sameColours && draft.pattern && draft.colours.length === 0) draft.colours = coloursSoFar(this, draft.pattern);
    settleColour(this, stretch, draft);
    stretch.take(BUT);
    askRest(this, stretch, draft);
    // “1 dz of black in each size”: in those that the order has of that fly.
    if (eachOf && OF_SIZES.test(eachOf.words) && !draft.sizes && draft.pattern)
      this.goneThrough = { sizes: sizesSoFar(this, draft.pattern.id), variants: [line.variant], forms: [line.form] };
    if (eachOf) settleEach(this, draft, eachOf.at);
    if (eachOf) askOne(stretch, line, eachOf.at[0]);
    const shared = spread(this, draft, each, quantity);
    const made = halves ? inHalves(shared, halves) : shared;
    // “5 dz, half each barbless”: between what, where the line is of one size and one colour?
    const [only] = made;
    if (shareSaid && /half|hälfte/iu.test(shareSaid.words) && made.length === 1 && only?.doubts.length === 0)
      ask(only, "rest", shareSaid.at, { code: "NOT_UNDERSTOOD", details: { words: shareSaid.words } }, []);
    this.isBeforePart = quantity?.isPart === true;
    this.soFar.push(...made);
    if (part && made.length !== parts && line.doubts.length === 0)
      ask(line, "quantity", part.at, { code: "NOT_UNDERSTOOD", details: { words: part.words } }, []);
    return made;
  }

  /** Whether a line is of the fly before it, without what was wished of that. */
  private takePlain(stretch: Stretch, { line, isNamed }: Draft): boolean {
    const { before } = this;
    if (isNamed || !before || before.pattern !== line.pattern || before.wishes.length === 0) return false;
    const plain = stretch.take(PLAIN);
    if (plain) line.understood.push({ field: "wish", at: plain.at, label: "as usual" });
    return plain !== undefined;
  }
}

/** “Each of the three colours”, “all four colours”, of a fly that comes in just so many. */
function takeAllOf(stretch: Stretch, { pattern }: Draft, colours: RegExp): ReturnType<Stretch["take"]> {
  const said = stretch.find(colours);
  return said && numberOf(said.groups[1] ?? "") === pattern?.variants.length ? stretch.take(colours) : undefined;
}

/** “3 dz …, one per size”: what “one” counts, where that did not come to the whole. */
function askOne(stretch: Stretch, line: ReadLine, eachAt: number): void {
  const one = /(?<!\p{L})(?:one|eine?[ns]?)\s+$/iu.exec(stretch.text.slice(0, eachAt - stretch.start));
  if (!one) return;
  const at: [number, number] = [stretch.start + one.index, eachAt];
  const isOpen = stretch.left.slice(one.index, one.index + 3) === one[0].slice(0, 3);
  if (isOpen) ask(line, "rest", at, { code: "NOT_UNDERSTOOD", details: { words: one[0].trim() } }, []);
}

/** Each that the order has of that fly, where it has several. With several sizes it is not said how they go. */
function inEachColour(s: ItemState, draft: Draft, at: [number, number]): void {
  const { pattern, sizes, colours, line } = draft;
  const [only] = colours;
  // “In each colour, the white ones first”: all of them, or that alone.
  if (pattern && only && colours.length === 1 && pattern.variants.length > 1 && (sizes?.sizes.length ?? 0) < 2)
    ask(line, "variant", at, { code: "WHICH_COLOUR", details: { pattern: pattern.name } }, [
      { label: `${only.name} only`, text: only.name },
    ]);
  if (!pattern || colours.length > 0 || (sizes?.sizes.length ?? 0) > 1) return;
  const known = coloursSoFar(s, pattern);
  draft.colours = known.length > 1 ? known : pattern.variants;
}

/** What the pairs say of sizes and colours. */
function inPairs(draft: Draft, pairs: readonly Pair[]): void {
  const { line } = draft;
  const words = pairs.map((p) => `${p.colour.name} ${p.size}`).join(", ");
  const [first] = pairs;
  line.size = first?.size;
  draft.sizes = { at: line.at, words, sizes: [...new Set(pairs.map((p) => p.size))], isRange: false };
  draft.colours = [...new Set(pairs.map((p) => p.colour))];
}

function takeWishes(stretch: Stretch, line: ReadLine): void {
  for (let wish = findWish(stretch.left, stretch.start); wish; wish = findWish(stretch.left, stretch.start)) {
    stretch.takeOut(wish.at);
    if (wish.policy) line.policy = wish.policy;
    else line.wishes.push(wish);
    line.understood.push({
      field: "wish",
      at: wish.at,
      label: wish.policy ? `materials: ${wish.policy}` : `wish: ${wish.words}`,
      ...(wish.policy && { policy: wish.policy }),
    });
  }
}

const HALF = /(?<!\p{L})(?:half|halb)(?!\p{L})/giu;
/** “Half olive half rust, in 12 and 14 evenly”: that the two colours share alike is said twice. */
function takeBothHalves(stretch: Stretch): void {
  const halves = [...stretch.left.matchAll(HALF)];
  if (halves.length !== 2) return;
  for (const { index, 0: word } of halves)
    stretch.takeOut([stretch.start + index, stretch.start + index + word.length]);
}

/**
 * What is wished of the barb, or that no lead be in it, holds for the next size of the same fly too, but where it stood
 * in brackets; no lead, until a weight is told.
 *
 * @param weighed whether the line tells its own weight form
 */
export const carried = (before: ReadLine | undefined, line: ReadLine, weighed: boolean): ReadLine["wishes"] =>
  (before?.wishes ?? []).filter(({ kind, words }) => {
    const isCarried = kind === "barbless" || (kind === "leadFree" && !weighed && !before?.text.includes(`(${words}`));
    return isCarried && !line.wishes.some((own) => own.kind === kind);
  });
