import type { Coded } from "../errors";
import { fold, nearest } from "./nearest";
import { isCourteousWord } from "./asides";
import { findName, findShort, isNoun, isSure, plainColour, SURE, type NameFound } from "./names";
import { numberOf } from "./numbers";
import { bareQuantity, dozensText, type Quantity } from "./quantity";
import { comesIn, sizeOf, takeSizes, type SizesRead } from "./sizes";
import { runsOf, type Stretch } from "./stretch";
import { wordsOf, type Span } from "./spans";
import type { Catalogue, Doubt, DoubtDetails, ReadLine, Understood } from "./types";
import { findWish, keptAsWish } from "./wishes";

/** Smaller numbers in words count in dozens, or belong to something else. */
const LEAST_SPELLED = 12;
const SEVERAL_SIZES = /(?<!\d)\d{1,2}(?:\/0)?(?:\s?[/,]\s?\d{1,2}(?:\/0)?)+(?!\d)/u;
/** A size that is said to be one. */
const MARKED = /#\s?\d{1,2}(?:\/0)?s?(?!\d)/u;
/** A fly that comes with and without weight, as it is asked for without. */
const WITHOUT_WEIGHT =
  /(?<!\p{L})(?<!(?:not?|nicht|kein\p{L}*)\s+(?:the\s+|die\s+)?)(?:(?:no|without|w\/o) (?:added )?weights?|light(?: version)?|un-weighted|leicht(?:e[nrms]?)?|ohne gewicht)(?!\p{L})(?!\s+(?:wire|hooks?|dressed|tied))/iu;
/** The same, of a fly whose weight is its bead. */
const WITHOUT_BEAD =
  /(?<!\p{L})(?:(?:no|without(?: an?)?|w\/o) beads?|beadless|ohne (?:perle|kopf|goldkopf))(?!\p{L})/iu;
const isUnweighted = ({ name }: Named): boolean => /^un-?weighted$/i.test(name);
const JOINS = /^(?:and|und|&|\+|with|mit)$/iu;
/** Some of what was said before, not as many more: how the rest stands has to be said. */
const PART_OF =
  /(?<!\p{L})(?:of\s+(?:them|which|it)|of\s+(?:these|those)(?!\s*\uE000)|thereof|davon|darunter|including|incl\.?|inkl\.?|inklusive)(?!\p{L})/iu;
const OF_THE_SIZE =
  /(?<!\p{L})(?:of|from)\s+the\s+(?:sizes?\s+)?#?\d{1,2}(?:\/0)?'?s?(?![\p{L}\d])|(?<!\p{L})von\s+den\s+\d{1,2}(?:er)?n?(?![\p{L}\d])/iu;
/** “the same but in 16” */
const SAME_BUT = /(?<!\p{L})(?:the\s+)?same(?:\s+(?:again|fly|one))?\s+but(?=\s+(?:in|on)(?!\p{L}))/iu;
/** “in tan, same size”, and “another 6 dz of the same” */
const SAME_SIZE =
  /(?<!\p{L})(?:(?:in|of)\s+)?(?:the\s+)?same(?!\s+(?:in|with|but|as|number|quantity|amount|colou?r|fly|pattern)(?!\p{L}))(?:\s+(?:sizes?|again|ones?))?(?!\p{L})|(?<!\p{L})(?:(?:in\s+)?(?:der)?selben|gleichen?)\s+größe(?!\p{L})|(?<!\p{L})(?:dasselbe|das\s+gleiche)(?!\p{L})(?!\s+(?:in|mit))/iu;
const EACH =
  /(?<!\p{L})(?:(?:in\s+)?(?:each|every)\s+size|(?:in\s+)?jede[rn]?\s+größe|each|ea|apiece|(?:per|a) (?:size|colour|color)|of each|je(?:weils)?)(?!\p{L})/iu;
/** “2 dz 16 in the same colours”: in all that the order has of that fly. */
const SAME_COLOURS =
  /(?<!\p{L})(?:in\s+)?(?:(?:the\s+)?same|(?:den\s+)?(?:gleichen|selben)|denselben)\s+(?:colou?rs|shades|farben)(?!\p{L})/iu;
const OF_SIZES = /size|größe/iu;
const SIZES = /sizes|größen/iu;
const SHARED =
  /(?<!\p{L})(?:half each|half and half|half\/half|50\s?\/\s?50|shared(?: evenly| equally)?|evenly(?: split)?(?: between| across| over| among)?|split(?: evenly| equally)?(?: between| across| over| among)?|(?:in )?equal(?:ly| parts| amounts| numbers| quantities| shares)?|(?:je )?(?:zur )?hälfte|halb und halb|halb\/halb|zu gleichen teilen|gemischt zu gleichen teilen)(?!\p{L})/iu;
/** “half in red and half in black” */
const HALF_AND =
  /(?<!\p{L})(?:half|hälfte)(?:\s+(?:of\s+(?:them|these|those)|davon))?(?=\s+(?:in\s+)?(?!now|today|then|by|later|at|jetzt|heute|sofort)\p{L}+\s*,?\s*(?:and|und|&)?\s*(?:the\s+other\s+|die\s+andere\s+)?(?:half|hälfte)(?!\p{L}))/iu;
/** “2 dz on barbless hooks and 1 dz on normal ones”. */
const USUAL_HOOKS =
  /(?<!\p{L})(?:(?:on|in|auf|with|mit)\s+)?(?:the\s+)?(?:normal(?:en?)?|ordinary|standard|usual|barbed|regular)(?:\s+(?:hooks?|ones?|haken))?(?!\p{L})/iu;
/** “half of them 14s and half 16s”: the sizes stay to be read. */
const HALF_SIZES =
  /(?<!\p{L})(?:half|hälfte)(?:\s+(?:of\s+(?:them|these|those)|davon))?(?=\s+(?:(?:in|on)\s+)?#?\d{1,2}(?:\/0)?(?:'?s)?\s*(?:,|(?:,\s*)?(?:and|und|&))\s+(?:the\s+other\s+|die\s+andere\s+)?(?:half|hälfte)(?!\p{L}))/iu;
const OTHER_HALF = /(?<!\p{L})(?:the\s+other\s+|die\s+andere\s+)?(?:half|hälfte)(?!\p{L})/iu;
const ASSORTED = /(?<!\p{L})(?:assorted|mixed|all colou?rs|gemischt|sortiert|alle farben)(?!\p{L})/iu;
const FILLER =
  /^(?:all|alle[nr]?|alles|of|the|in|sizes?|sz|x|and|und|@|-|–|#|patterns?|from|with|mit|von|in|flies|hooks?|please|bitte|also|likewise|w\/?|plus|some|colou?rs?|farbe|die|der|den|das|as|well|auch|noch|again|more|same|ditto|dito|desgl|gleiche[rnms]?|dasselbe|those|ones?|qty|quantity|menge|anzahl|item|fly|artikel|a|an|to|for|für|at|&|\+|stück|dann|then|sowie|dazu|mix|mixture|assortment|nochmals?|wieder|lieferbar|split|außerdem|zusätzlich|additionally|another|weitere|we|need|i|want|would|like|take|haken)$/iu;
const MOST_ANSWERS = 4;
/** Words that say how a quantity goes with what follows: they are never part of a name. */
/** “a third each”: of so many sizes or colours, of which there must be as many. */
const A_PART_EACH =
  /(?<!\p{L})(?:(?:an?|one)\s+)?(third|quarter|fifth)\s+(?:of\s+)?(?:each|apiece)(?!\p{L})|(?<!\p{L})(?:je|jeweils)\s+(?:ein\s+)?(drittel|viertel|fünftel)(?!\p{L})/iu;
const PARTS: Record<string, number> = { third: 3, quarter: 4, fifth: 5, drittel: 3, viertel: 4, fünftel: 5 };
const HOW_SHARED = /^(?:each|apiece|shared|evenly|equally|split|je|jeweils)$/iu;
type Pattern = Catalogue["patterns"][number];
type Named = { id: string; name: string };
interface Draft {
  line: ReadLine;
  pattern?: Pattern;
  /** Whether its words name the pattern, or it is that of the line before. */
  isNamed: boolean;
  sizes: SizesRead | undefined;
  colours: Named[];
  formSaid: boolean;
}

/** Reads the lines of an order one after another; what a line leaves out it takes from the one before it. */
export class ItemReader {
  lastPattern?: string;
  private before?: ReadLine;
  /** Sizes and colours among which the statement before went, where there were several. */
  private spreadBefore: { sizes: ReadLine["size"][]; variants: ReadLine["variant"][] } = { sizes: [], variants: [] };

  private readonly soFar: ReadLine[] = [];
  private isBeforePart = false;

  constructor(private readonly catalogue: Catalogue) {}

  private coloursSoFar({ id, variants }: Pattern): Named[] {
    return variants.filter((v) => this.soFar.some((l) => l.pattern === id && l.variant === v.id));
  }
  private readonly sizesSoFar = (pattern: string): ReadLine["size"][] => [
    ...new Set(this.soFar.filter((l) => l.pattern === pattern && l.size !== undefined).map((l) => l.size)),
  ];

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
    if (quantity) this.takeQuantity(stretch, quantity, line);
    const draft: Draft = { line, isNamed: false, sizes: undefined, colours: [], formSaid: false };
    this.takePattern(stretch, draft);
    if (draft.pattern) this.takeBeadless(stretch, draft, draft.pattern);
    this.takeWishes(stretch, line);
    stretch.take(SAME_BUT);
    if (draft.isNamed && draft.pattern) dropNameWords(stretch, draft.pattern);
    const isUsualHook =
      this.before?.wishes.some((w) => w.kind === "barbless") === true && stretch.take(USUAL_HOOKS) !== undefined;
    // What is wished of a part of a quantity is of no other.
    if (!draft.isNamed && this.before?.pattern === line.pattern && (!this.isBeforePart || quantity?.isPart))
      line.wishes.push(...(isUsualHook ? [] : carried(this.before, line)));
    const part = stretch.take(A_PART_EACH);
    const parts = part && PARTS[(part.groups[1] ?? part.groups[2] ?? "").toLowerCase()];
    const isShared = part !== undefined || this.isShared(stretch);
    const eachOf = isShared ? undefined : stretch.take(EACH);
    const each = isShared ? "shared" : eachOf || quantity?.isOfEach ? "each" : undefined;
    const assorted = stretch.take(ASSORTED);
    const sameColours = stretch.take(SAME_COLOURS);
    if (draft.pattern) this.takeNames(stretch, draft, draft.pattern);
    this.takeQuantityless(stretch, draft, quantity, eachOf?.at[0]);
    draft.sizes = takeSizes(stretch, draft.pattern?.sizes);
    this.settleSize(stretch, draft, quantity?.isPart === true || isUsualHook);
    if (assorted && draft.pattern && draft.colours.length === 0) draft.colours = draft.pattern.variants;
    if (sameColours && draft.pattern && draft.colours.length === 0) draft.colours = this.coloursSoFar(draft.pattern);
    this.settleColour(stretch, draft);
    this.askRest(stretch, draft);
    // “1 dz of black in each size”: in those that the order has of that fly.
    if (eachOf && OF_SIZES.test(eachOf.words) && !draft.sizes && draft.pattern)
      this.spreadBefore = { sizes: this.sizesSoFar(draft.pattern.id), variants: [line.variant] };
    if (eachOf) this.settleEach(draft, eachOf.at);
    const made = this.spread(draft, each, quantity);
    this.isBeforePart = quantity?.isPart === true;
    this.soFar.push(...made);
    if (part && made.length !== parts && line.doubts.length === 0)
      this.ask(line, "quantity", part.at, { code: "NOT_UNDERSTOOD", details: { words: part.words } }, []);
    return made;
  }

  /**
   * “2 dz white, 1 dz black, and half a dozen each in 4/0”: of each colour so far. Where “each” stands alone behind
   * sizes that were told in several statements, it is asked of which.
   */
  private settleEach(draft: Draft, at: [number, number]): void {
    const { pattern, line, sizes, colours, isNamed } = draft;
    if (!pattern || isNamed || (sizes?.sizes.length ?? 0) > 1 || colours.length > 1) return;
    const known = this.coloursSoFar(pattern);
    if (sizes && colours.length === 0 && known.length > 1) draft.colours = known;
    const soFar = this.sizesSoFar(pattern.id);
    const before = this.spreadBefore.sizes.length;
    if (sizes || before < 2 || soFar.length <= before) return;
    this.ask(
      line,
      "size",
      at,
      { code: "WHICH_SIZE", details: { pattern: pattern.name } },
      [soFar, this.spreadBefore.sizes].map((of) => ({ label: of.join(", "), text: `each in ${of.join("/")}` })),
    );
  }

  private isShared(stretch: Stretch): boolean {
    if (stretch.take(SHARED)) return true;
    if (!stretch.take(HALF_AND) && !stretch.take(HALF_SIZES)) return false;
    stretch.take(OTHER_HALF);
    return true;
  }

  private takeQuantity(stretch: Stretch, quantity: Quantity, line: ReadLine): void {
    if (quantity.doubt) line.doubts.push(quantity.doubt);
    if (quantity.flies !== undefined)
      line.understood.push({ field: "quantity", at: quantity.at, label: dozensText(quantity.flies) });
    stretch.takeOut(quantity.at);
  }

  private takePattern(stretch: Stretch, draft: Draft): void {
    const words = stretch.words().filter((w) => isName(w) && !FILLER.test(w.text));
    const nearly = findName(words, this.catalogue.patterns, (p) => p.name, 0.62);
    const found = nearly && isSure(nearly) ? nearly : (this.shortName(words) ?? nearly);
    if (found && isSure(found)) {
      const at = rangeOf(words.slice(found.from, found.to));
      takeWords(stretch, words.slice(found.from, found.to));
      draft.line.understood.push({ field: "pattern", at, label: found.item.name });
      draft.pattern = found.item;
      draft.isNamed = true;
    } else if (found && this.looksLikeName(words.slice(found.from, found.to), found.like)) {
      this.askPattern(stretch, words.slice(found.from, found.to), draft.line);
      return;
    } else {
      const strange = this.strangeName(words);
      if (strange.length > 0) return this.askPattern(stretch, strange, draft.line);
      draft.pattern = this.catalogue.patterns.find((p) => p.id === this.lastPattern);
    }
    if (draft.pattern) {
      draft.line.pattern = draft.pattern.id;
      this.lastPattern = draft.pattern.id;
    } else if (words.length > 0) this.askPattern(stretch, words, draft.line);
    else this.ask(draft.line, "pattern", [stretch.end, stretch.end], { code: "WHICH_PATTERN", details: {} }, []);
  }

  /**
   * “3dz Quay Sparrow 12” after flies that are known: two words beside each other that are written as names, and mean
   * nothing of the fly before, are another fly. It is asked about; nothing is carried on to it.
   */
  private strangeName(words: Span[]): Span[] {
    const before = this.catalogue.patterns.find((p) => p.id === this.lastPattern);
    const own = before ? [...before.variants, ...before.forms] : [];
    const isCapital = (w: Span | undefined): w is Span =>
      w !== undefined && /^\p{Lu}\p{Ll}{2,}$/u.test(w.text) && isOpen(w) && findWish(w.text, 0) === undefined;
    const isOwn = (w: Span): boolean => findName(plain([w]), own, (n) => n.name, SURE) !== undefined;
    const at = words.findIndex((w, i) => {
      const next = words[i + 1];
      // “Grey Quill”: a name may begin with a colour of the fly before it.
      return isCapital(w) && isCapital(next) && next.start === w.end + 1 && !isOwn(next);
    });
    const [first, second] = words.slice(at < 0 ? words.length : at);
    return first && second ? [first, second] : [];
  }

  /** “the Lodgers”: the noun of one pattern only, and nothing unknown beside it that would make it another's. */
  private shortName(words: Span[]): NameFound<Pattern> | undefined {
    const found = findShort(words, this.catalogue.patterns, (p) => p.name, isNoun);
    if (!found) return undefined;
    const own = [...found.item.variants, ...found.item.forms];
    const isKnown = (w: Span | undefined): boolean => {
      if (!w || !isOpen(w)) return true;
      const name = findName(plain([w]), own, (n) => n.name, SURE);
      return (name !== undefined && isSure(name)) || findWish(w.text, 0) !== undefined;
    };
    const [before, first] = [words[found.from - 1], words[found.from]];
    const [last, after] = [words[found.to - 1], words[found.to]];
    const besideIt = (a: Span | undefined, b: Span | undefined): boolean => a !== undefined && b?.start === a.end + 1;
    if (besideIt(before, first) && !isKnown(before)) return undefined;
    if (besideIt(last, after) && !isKnown(after)) return undefined;
    return found;
  }

  /** A word that is nearly a pattern's name, and no colour, weight or wish of the fly before it. */
  private looksLikeName(words: Span[], like: number): boolean {
    const before = this.catalogue.patterns.find((p) => p.id === this.lastPattern);
    if (!before) return true;
    const own = findName(plain(words), [...before.variants, ...before.forms], (n) => n.name, SURE);
    return own === undefined && like < 1;
  }

  /** Of words in several places those are asked about that are most like a name; the others are left. */
  private askPattern(stretch: Stretch, words: Span[], line: ReadLine): void {
    const asked = runsOf(
      stretch,
      words.filter((w) => !HOW_SHARED.test(w.text)),
    ).map((run) => ({ run, close: this.closePatterns(run) }));
    const [best = { run: words[0], close: [] }] = asked.sort((a, b) => b.close.length - a.close.length);
    const { run, close } = best;
    if (!run) return;
    const why = { code: "PATTERN_UNKNOWN", details: { words: run.text } } as const;
    this.ask(line, "pattern", [run.start, run.end], why, close);
    stretch.takeOut([run.start, run.end]);
    this.lastPattern = undefined;
  }

  private closePatterns(run: Span): Doubt["candidates"] {
    const all = [
      ...byInitials(run.text, this.catalogue.patterns),
      ...findClose(run.text, this.catalogue.patterns, 0.6),
      ...this.withWord(wordsOf(run)),
    ];
    return all.filter((a, i) => all.findIndex((b) => b.text === a.text) === i).slice(0, MOST_ANSWERS);
  }

  /** Names that share a word with what was said, put in the place of that word. */
  private withWord(words: Span[]): Doubt["candidates"] {
    const found = findShort(
      words,
      this.catalogue.patterns,
      (p) => p.name,
      () => true,
    );
    if (!found) return [];
    const said = words.map((w, i) =>
      i === found.from ? found.item.name : i > found.from && i < found.to ? "" : w.text,
    );
    return [{ label: found.item.name, text: said.filter(Boolean).join(" ") }];
  }

  private takeWishes(stretch: Stretch, line: ReadLine): void {
    for (let wish = findWish(stretch.left, stretch.start); wish; wish = findWish(stretch.left, stretch.start)) {
      stretch.takeOut(wish.at);
      if (wish.policy) line.policy = wish.policy;
      else line.wishes.push(wish);
      line.understood.push({
        field: "wish",
        at: wish.at,
        label: wish.policy ? `materials: ${wish.policy}` : `wish: ${wish.words}`,
      });
    }
  }

  /** Weight forms and colours by their names; several colours of one quantity are several lines. */
  private takeNames(stretch: Stretch, draft: Draft, pattern: Pattern): void {
    const form = draft.formSaid ? undefined : this.takeName(stretch, draft.line, "form", pattern.forms);
    if (form) {
      draft.line.form = form.id;
      draft.formSaid = true;
    }
    const joint = this.takeJoint(stretch, draft.line, pattern.variants);
    if (joint) draft.colours.push(joint);
    for (;;) {
      this.takeSlashed(stretch, draft, pattern.variants);
      const colour = this.takeName(stretch, draft.line, "variant", pattern.variants);
      if (!colour) break;
      if (!draft.colours.includes(colour)) draft.colours.push(colour);
    }
    this.settleForm(draft, pattern);
  }

  /** “red/black/olive”: colours of the fly, each by itself. */
  private takeSlashed(stretch: Stretch, draft: Draft, variants: readonly Named[]): void {
    // “14/16 amber/slate”: whether each goes with its own is not said.
    if (/\d\s*\/\s*#?\d/.test(stretch.text)) return;
    for (const word of stretch.words()) {
      const parts = word.text.split("/");
      const found = parts.map((p) => variants.find((v) => fold(v.name) === fold(plainColour(p))));
      const isOne = variants.some((v) => fold(v.name) === fold(word.text));
      if (parts.length < 2 || isOne || !found.every((v) => v !== undefined)) continue;
      takeWords(stretch, [word]);
      const label = found.map((v) => v.name).join(", ");
      draft.line.understood.push({ field: "variant", at: [word.start, word.end], label });
      draft.colours.push(...found.filter((v) => !draft.colours.includes(v)));
    }
  }

  /** “no bead”, of a fly that comes with one and without weight: the weight, not a wish beside it. */
  private takeBeadless(stretch: Stretch, draft: Draft, { forms }: Pattern): void {
    const light = forms.find(isUnweighted);
    if (!light || !forms.some((f) => /(?<!\p{L})bead/iu.test(f.name))) return;
    const said = stretch.take(WITHOUT_BEAD);
    if (!said) return;
    draft.line.form = light.id;
    draft.formSaid = true;
    draft.line.understood.push({ field: "form", at: said.at, label: light.name });
  }

  /** “white and red” for the colour “white/red”, where they are not two colours of the fly. */
  private takeJoint(stretch: Stretch, line: ReadLine, variants: readonly Named[]): Named | undefined {
    const known = new Set(variants.map((v) => fold(v.name)));
    for (const v of variants) {
      const parts = v.name.split(/\s*(?:\/|&|\+|(?<!\p{L})(?:and|with)(?!\p{L}))\s*/iu);
      if (parts.length !== 2 || parts.every((p) => known.has(fold(p)))) continue;
      const words = stretch.words();
      const at = words.findIndex(
        (w, i) =>
          fold(plainColour(w.text)) === fold(parts[0] ?? "") &&
          JOINS.test(words[i + 1]?.text ?? "") &&
          fold(plainColour(words[i + 2]?.text ?? "")) === fold(parts[1] ?? ""),
      );
      if (at < 0) continue;
      takeWords(stretch, words.slice(at, at + 3));
      line.understood.push({ field: "variant", at: rangeOf(words.slice(at, at + 3)), label: v.name });
      return v;
    }
    return undefined;
  }

  private takeName(stretch: Stretch, line: ReadLine, field: "variant" | "form", names: Named[]): Named | undefined {
    const light = field === "form" ? names.find(isUnweighted) : undefined;
    const said = light && stretch.take(WITHOUT_WEIGHT);
    if (light && said) {
      line.understood.push({ field, at: said.at, label: light.name });
      return light;
    }
    const words = plain(stretch.words().filter(isName));
    const nearly = findName(words, names, (n) => n.name, SURE);
    // “tungsten” for “tungsten bead”: a word that only one of them has.
    const found =
      nearly && isSure(nearly)
        ? nearly
        : findShort(
            words,
            names,
            (n) => n.name,
            (w) => !FILLER.test(w),
          );
    if (!found) return undefined;
    const at = rangeOf(words.slice(found.from, found.to));
    takeWords(stretch, words.slice(found.from, found.to));
    line.understood.push({ field, at, label: found.item.name });
    return found.item;
  }

  /** The weight that was said last of this fly; named anew without it, it is asked whether it still holds. */
  private settleForm(draft: Draft, pattern: Pattern): void {
    if (draft.formSaid) return;
    const usual = pattern.forms[0];
    const carried = this.before?.pattern === pattern.id ? this.before.form : undefined;
    draft.line.form = carried ?? usual?.id ?? "";
    if (carried === undefined || carried === usual?.id || !draft.isNamed || !usual) return;
    const names = [pattern.forms.find((f) => f.id === carried)?.name ?? carried, usual.name];
    const details = { pattern: pattern.name, before: names[0] ?? "", usual: usual.name };
    const end = endOf(draft.line);
    this.ask(
      draft.line,
      "form",
      [end, end],
      { code: "WHICH_FORM", details },
      names.map((n) => ({ label: n, text: ` ${n}` })),
    );
  }

  /** No unit was said: a number that is left over beside the size may be dozens or flies. */
  private takeQuantityless(
    stretch: Stretch,
    draft: Draft,
    quantity: Quantity | undefined,
    eachAt: number | undefined,
  ): void {
    if (quantity) return;
    const isNumber = (w: string): boolean => /^\d{1,4}(?:[.,]\d+)?x?$/.test(w) || (numberOf(w) ?? 0) > LEAST_SPELLED;
    const free = stretch.words().filter((w) => isNumber(w.text));
    // “8/10/12 6 each”: what stands before “each” is how many.
    const ofEach = SEVERAL_SIZES.test(stretch.left)
      ? free.find((w) => eachAt !== undefined && eachAt > w.end && eachAt - w.end <= 2)
      : undefined;
    const first = ofEach ?? aside(free, draft.pattern?.sizes) ?? free[0];
    // “12 Meadow Hopper #8”: where the size is marked, the other number counts.
    const isMarked = MARKED.test(stretch.left);
    if (first && (ofEach || free.length > 1 || !draft.pattern || (numberOf(first.text) ?? 0) > 32 || isMarked)) {
      const at: [number, number] = [first.start, first.end];
      const bare = bareQuantity(first.text.replace(/x$/, ""), at, this.catalogue);
      this.takeQuantity(stretch, bare, draft.line);
      draft.line.flies = bare.flies;
      return;
    }
    const at: [number, number] = [draft.line.at[0], draft.line.at[0]];
    this.ask(draft.line, "quantity", at, { code: "HOW_MANY", details: {} }, []);
  }

  /** “3 dz in slate, one in amber”: another colour or weight of the same fly is of the same size. */
  private sizeCarried({ line, pattern, colours, formSaid, isNamed }: Draft, isSaid: boolean): string | undefined {
    const { before } = this;
    if (isSaid && before && (pattern === undefined || before.size === undefined || comesIn(before.size, pattern.sizes)))
      return before.size;
    const isCounted = line.flies !== undefined || line.doubts.some((d) => d.code === "DOZENS_OR_FLIES");
    if (isNamed || !pattern || before?.pattern !== pattern.id || !isCounted) return undefined;
    const isOther = (colours[0] !== undefined && colours[0].id !== before.variant) || formSaid;
    return isOther ? before.size : undefined;
  }

  private settleSize(stretch: Stretch, draft: Draft, isPart: boolean): void {
    const { line, pattern, sizes } = draft;
    const within = pattern ? [pattern.sizes.from, pattern.sizes.to].filter(Boolean) : [];
    const same = sizes ? undefined : stretch.take(SAME_SIZE);
    const isSame = same !== undefined;
    // “Slate Wisp 10, 12 and 14 …; Old Pilot, same sizes”: all that the statement before named.
    const several = this.spreadBefore.sizes.flatMap((s) => s ?? []);
    if (
      same &&
      SIZES.test(same.words) &&
      several.length > 1 &&
      pattern &&
      several.every((s) => comesIn(s, pattern.sizes))
    ) {
      draft.sizes = { at: same.at, words: same.words, sizes: several, isRange: false };
      line.size = several[0];
      line.understood.push({ field: "size", at: same.at, label: `size ${several.join(", ")}` });
      return;
    }
    const carriedOn = sizes ? undefined : this.sizeCarried(draft, isPart || isSame);
    if (carriedOn !== undefined) {
      line.size = carriedOn;
      return;
    }
    if (!sizes) {
      const details = pattern ? { pattern: pattern.name, ...pattern.sizes } : {};
      const answers = within.map((s) => ({ label: s, text: ` ${s} ` }));
      this.ask(line, "size", [endOf(line), endOf(line)], { code: "WHICH_SIZE", details }, answers);
      return;
    }
    const [size] = sizes.sizes;
    if (size === undefined)
      this.ask(line, "size", sizes.at, { code: "SIZE_UNREADABLE", details: { words: sizes.words } }, []);
    else if (pattern && !comesIn(size, pattern.sizes)) {
      const details = { pattern: pattern.name, size, ...pattern.sizes };
      this.ask(
        line,
        "size",
        sizes.at,
        { code: "SIZE_OUTSIDE", details },
        within.map((s) => ({ label: s, text: s })),
      );
    } else {
      line.size = size;
      line.understood.push({ field: "size", at: sizes.at, label: `size ${sizes.sizes.join(", ")}` });
    }
  }

  /** The colour said, the only one, or that of the line before of the same fly; else it is asked. */
  private settleColour(stretch: Stretch, { line, pattern, colours }: Draft): void {
    if (!pattern) return;
    const [first] = colours;
    const [only] = pattern.variants.length === 1 ? pattern.variants : [];
    const carried = this.before?.pattern === pattern.id ? this.before.variant : undefined;
    line.variant = first?.id ?? only?.id ?? carried;
    if (line.variant || stretch.words().some((w) => isOpen(w))) return;
    const answers = pattern.variants.slice(0, 4).map((v) => ({ label: v.name, text: ` ${v.name}` }));
    this.ask(
      line,
      "variant",
      [endOf(line), endOf(line)],
      { code: "WHICH_COLOUR", details: { pattern: pattern.name } },
      answers,
    );
  }

  /** Every word that is left is asked about: a plausible name for it, or kept as a wish in these words. */
  private askRest(stretch: Stretch, { line, pattern }: Draft): void {
    const part = stretch.take(PART_OF) ?? this.partOfSize(line);
    if (part) this.ask(line, "rest", part.at, { code: "NOT_UNDERSTOOD", details: { words: part.words } }, []);
    for (const run of runsOf(
      stretch,
      stretch.words().filter((w) => isOpen(w)),
    ))
      this.askRun(run, line, pattern);
  }

  /** “1 dz of the 10s barbless”, behind 10s that are ordered: some of those, or as many more? */
  private partOfSize(line: ReadLine): { at: [number, number]; words: string } | undefined {
    const said = OF_THE_SIZE.exec(line.text);
    const isThere = this.soFar.some((l) => l.pattern === line.pattern && l.size !== undefined && l.size === line.size);
    if (!said || !isThere) return undefined;
    const from = line.at[0] + said.index;
    return { at: [from, from + said[0].length], words: said[0] };
  }

  private askRun(run: Span, line: ReadLine, pattern: Pattern | undefined): void {
    const at: [number, number] = [run.start, run.end];
    const words = run.text;
    if (!/\p{L}/u.test(words)) return this.ask(line, "rest", at, { code: "WHAT_NUMBER", details: { words } }, []);
    const names = [...(pattern?.variants ?? []), ...(pattern && pattern.forms.length > 1 ? pattern.forms : [])];
    const customers = this.catalogue.customers.filter((c) => fold(c.name).split(" ").includes(fold(words)));
    this.ask(line, "rest", at, { code: "NOT_UNDERSTOOD", details: { words } }, [
      ...findClose(words, names, 0.78),
      ...(customers.length <= 3 ? customers.map((c) => ({ label: c.name, text: c.name })) : []),
      ...keptAsWish(words),
    ]);
  }

  /** One line for each size and colour that was said, when it was said how the quantity goes with them. */
  private spread(draft: Draft, how: "each" | "shared" | undefined, quantity: Quantity | undefined): ReadLine[] {
    const { line, sizes, colours } = draft;
    const before = how === "each" && !draft.isNamed ? this.spreadBefore : { sizes: [], variants: [] };
    // “1 dz each of claret 8, 10 and 12, and 1 dz each in green”: in each of those sizes.
    const all =
      sizes && sizes.sizes.length > 1 ? sizes.sizes : !sizes && before.sizes.length > 1 ? before.sizes : [line.size];
    const variants =
      colours.length > 1
        ? colours.map((c) => c.id)
        : colours.length === 0 && before.variants.length > 1
          ? before.variants
          : [line.variant];
    const count = all.length * variants.length;
    this.before = line;
    this.spreadBefore = { sizes: all, variants };
    if (count === 1) return [line];
    const flies = line.flies;
    const after = quantity?.at[1] ?? line.at[0];
    if (how === undefined || flies === undefined) {
      if (flies !== undefined)
        this.askShared(
          line,
          after,
          count,
          all.length > 1 ? (sizes?.words ?? "") : colours.map((c) => c.name).join(", "),
        );
      return [line];
    }
    if (how === "shared" && flies % count !== 0) {
      this.ask(line, "quantity", [after, after], { code: "NOT_SHARED", details: { flies, count } }, []);
      return [line];
    }
    const share = how === "each" ? flies : flies / count;
    const lines = all.flatMap((size) => variants.map((variant) => ({ ...line, size, variant, flies: share })));
    this.before = lines[lines.length - 1];
    return lines.map((l, i) => (i === 0 ? l : { ...l, understood: [], doubts: [] }));
  }

  private askShared(line: ReadLine, at: number, count: number, words: string): void {
    const flies = line.flies ?? 0;
    const shared =
      flies % count === 0 ? [{ label: `${dozensText(flies / count)} of each`, text: " shared evenly" }] : [];
    this.ask(line, "quantity", [at, at], { code: "SHARED_HOW", details: { words, count } }, [
      { label: `${dozensText(flies)} of each`, text: " each" },
      ...shared,
    ]);
  }

  private ask(
    line: ReadLine,
    field: Understood["field"],
    at: [number, number],
    why: Coded<DoubtDetails>,
    candidates: Doubt["candidates"],
  ): void {
    line.doubts.push({ ...why, field, at, candidates });
  }
}

/** “Midges: Glass Midge olive …”: words of the name that stand beside it once more say nothing new. */
function dropNameWords(stretch: Stretch, pattern: Pattern): void {
  const own = new Set(fold(pattern.name).split(" "));
  for (const w of stretch.words())
    if (own.has(fold(w.text)) || own.has(fold(w.text).replace(/s$/, ""))) {
      const isColour = [...pattern.variants, ...pattern.forms].some((n) =>
        fold(n.name).split(" ").includes(fold(w.text)),
      );
      if (!isColour) stretch.takeOut([w.start, w.end]);
    }
}

/** Of numbers the only one that cannot be a size, where another can. */
function aside(free: Span[], sizes: Pattern["sizes"] | undefined): Span | undefined {
  if (!sizes || free.length < 2) return undefined;
  const others = free.filter((w) => {
    const size = sizeOf(w.text);
    return size === undefined || !comesIn(size, sizes);
  });
  return others.length === 1 ? others[0] : undefined;
}

/** A barb wish holds for the next size of the same fly too. */
const carried = (before: ReadLine | undefined, line: ReadLine): ReadLine["wishes"] =>
  line.wishes.some((w) => w.kind === "barbless") ? [] : (before?.wishes.filter((w) => w.kind === "barbless") ?? []);
/** Where the words of a line end: before the mark that ends its sentence. */
const endOf = ({ text, at }: ReadLine): number => at[1] - (/[\s.!?]+$/.exec(text)?.[0].length ?? 0);
/** A word that must not be passed over. */
const isOpen = (word: Span): boolean =>
  !FILLER.test(word.text) && !isCourteousWord(word.text) && /[\p{L}\d]/u.test(word.text);
/** Signs and numbers belong to no name: a run of words must not reach across them unseen. */
const isName = (word: Span): boolean => !/\d/.test(word.text) && fold(word.text) !== "";
/** Words one by one: what stands between them is still to be read. */
function takeWords(stretch: Stretch, words: Span[]): void {
  for (const w of words) stretch.takeOut([w.start, w.end]);
}
const rangeOf = (words: Span[]): [number, number] => [words[0]?.start ?? 0, words[words.length - 1]?.end ?? 0];
const plain = (words: Span[]): Span[] => words.map((w) => ({ ...w, text: plainColour(w.text) }));
/** “CL 14 olive”: names that begin with those letters, in their order, with what was said beside. */
function byInitials(said: string, patterns: readonly Pattern[]): Doubt["candidates"] {
  const [, letters = "", rest = ""] = /^(\p{L}{2,4})(?:\s+(.*))?$/u.exec(said) ?? [];
  const initials = (name: string): string =>
    name
      .split(/\s+/)
      .map((w) => w.charAt(0))
      .join("")
      .toLowerCase();
  return patterns
    .filter((p) => initials(p.name) === letters.toLowerCase())
    .map((p) => ({ label: p.name, text: `${p.name} ${rest}`.trim() }));
}
/** Answers that are plausible: what is merely the nearest of strings is not. */
const findClose = (said: string, names: readonly { name: string }[], least: number): Doubt["candidates"] =>
  nearest(said, names, (n) => n.name, { least }).map((c) => ({ label: c.item.name, text: c.item.name }));
