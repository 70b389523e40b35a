import { deepCopy } from "./copy";
import { type RecipeContext, type RecipeReading, type Reading, type RecipeLine, lineOf } from "./reading";
import { Bench, type LineNotes } from "./bench";
import { inOneForm } from "./text/oneForm";
import { speltOf, speltOut, type Spelt, whereTyped, withoutWideBlanks } from "./text/spelt";
import { stuffAsPart } from "./text/stuffAsPart";
import { wrapsAsTurns } from "./text/wraps";
import { type LineHead, headingOf, headOf, numbering, ordinal } from "./head";
import { inLines } from "./inPieces";
import type { Piece } from "./text/piece";
import { piecesOf } from "./text/pieces";
import { isByHyphens, setOut } from "./text/laidOut";
import { headlinesIn, nameOf } from "./text/headlines";
import { isBodyAlone } from "./bodyAlone";
import { isTinselBody } from "./tinselBody";
import type { Told, ScanContext } from "./told";
import { LoopLines } from "./loopLines";
import { plain } from "./parse";
import { remembered } from "./remembered";
import { scan } from "./scan";
import { indexOf, scanned, scannedAndJoined } from "./scanned";
import { withoutNumbers, asList, withoutContractions, numberLength, isListInOne } from "./telling/spoken";
import { inOwnMeasures } from "./ownMeasures";
import { ribsOverAll, waitsToBeWound } from "./verbs";
import { askHookOnce, readFacts } from "./facts";
import { readStuffLists } from "./stuffLists";
import { takeSecondThread, declareThread, changeAtLast } from "./telling/threads";
import { askLostCounts } from "./heldCounts";
import { askLostFigures } from "./heldFigures";
import { askLostLengths } from "./heldLengths";
import { askLostPlaces } from "./heldPlaces";
import { askLostStuff } from "./heldStuff";
import { askUnused } from "./unused";
import { askWoundThatLies } from "./neverWound";
import { tieUnderWound } from "./underWound";
import { assemble, markStated } from "./assemble";
import { isNone, saysNone, noneAhead } from "./telling/none";
import { asideOf } from "./telling/asides";
import { joined } from "./joined";
import { inTurn } from "./telling/inTurn";
import { tellClause } from "./telling/clause";
import { mark } from "./marks";
import { asStuffBefore, ofSameStuff } from "./telling/sameStuff";
import { type Pull, pullsOf } from "./pulls";
import { isDoneMeanwhile, isOfThread, isToItsEnd, tiesInTaken, tiedInAs, onlyTaken } from "./taken";
import type { RecipeStep, Component } from "../recipe";
import { sayLine } from "./say/recipe";

const smallOf = remembered((line) => wrapsAsTurns(inOneForm(plain(line))));
const asTold = remembered((line) => asList(withoutContractions(line)));

/** Most lines that are read: a recipe has at most 60 steps. */
const MOST_LINES = 200;

const LONGEST_LINE = 1500;

/**
 * Read a recipe as it is told: line by line in its order, each in the state in which the lines before it leave the
 * bench.
 *
 * @param text any text; a line that cannot be read is asked about at its place, and the recipe goes on
 * @returns the lines with what was understood, doubted and taken as usual; the recipe that they make
 */
export function readRecipe(text: string, context: RecipeContext): RecipeReading {
  const typed = text.split(/\r?\n/);
  const pieces = piecesOf(typed, MOST_LINES);
  const reading = readLines(pieces, context);
  return pieces.every((p, i) => p.text === typed[i]) ? reading : inLines(reading, typed, pieces);
}

/** Reads lines, each of which is all or a piece of what was typed as one. */
function readLines(pieces: readonly Piece[], context: RecipeContext): RecipeReading {
  const typed = pieces.map((p) => p.text);
  // The first line is a name, but where it begins as a line of a list does.
  const isRead = (l: string, i: number): boolean =>
    (i > 0 || headOf(smallOf(l)).isListed) && i < MOST_LINES && l.length <= LONGEST_LINE;
  const headlines = headlinesIn(typed.slice(0, MOST_LINES));
  const above = new Map([...headlines.values()].map(({ of, name }) => [of, `${name}: `]));
  const byHyphens = isByHyphens(typed.slice(0, MOST_LINES));
  const calm = typed.slice(0, MOST_LINES).map((l, i) => {
    if (headlines.has(i)) return withoutWideBlanks(l, [{ at: 0, instead: l.length, put: "" }]);
    const head = above.get(i);
    const line = l.slice(0, LONGEST_LINE);
    const counted = numbering.exec(line.toLowerCase())?.[0].length ?? 0;
    return withoutWideBlanks(
      line,
      head === undefined ? setOut(line, byHyphens) : [{ at: 0, instead: counted, put: head }],
    );
  });
  const parts = stuffAsPart(calm.map((c) => c.text));
  const spelt = typed.map((l, i) => {
    const one = isRead(l, i) ? calm[i] : undefined;
    return one && speltOf(one, speltOut(one.text, parts[i]));
  });
  return new RecipeReader(pieces, spelt, context).read();
}

class RecipeReader implements Reading {
  readonly bench: Bench;
  readonly heads: LineHead[];
  private readonly scanned: (Told[] | undefined)[] = [];
  private readonly loops = new LoopLines(this);
  readonly plain: string[];
  readonly out: RecipeLine[];
  readonly scanContext: ScanContext;

  readonly lines: string[];

  constructor(
    private readonly pieces: readonly Piece[],
    private readonly spelt: readonly (Spelt | undefined)[],
    readonly context: RecipeContext,
  ) {
    const lines = pieces.map(({ text }, i) => spelt[i]?.text ?? text);
    this.lines = lines;
    const index = indexOf(context.materials);
    this.bench = new Bench(index, context.materials, context.was, this);
    const small = lines.map((l, i) => (i < MOST_LINES ? smallOf(l.slice(0, LONGEST_LINE)) : ""));
    const ahead = small.map(headingOf);
    const told = small.map((l, i) => " ".repeat(ahead[i] ?? 0) + l.slice(ahead[i]));
    const own = withoutNumbers(told).map((l) => inOwnMeasures(l, context.numberWords));
    this.plain = own.map(({ text }) => asTold(text));
    this.heads = this.plain.map(headOf);
    this.out = lines.map((l, i) => ({
      text: l,
      kind: "steps",
      steps: [],
      components: [],
      marks:
        this.plain[i] === small[i]
          ? []
          : [{ at: [0, (ahead[i] ?? 0) || numberLength(l.toLowerCase())], kind: "known" }],
      asks: own[i]?.asks ?? [],
      assumed: [],
      notes: [],
    }));
    this.out.forEach(({ marks }, i) => {
      const counted = ordinal.exec(this.plain[i] ?? "")?.[0].trimEnd();
      if (counted !== undefined) marks.push({ at: [0, counted.length], kind: "known" });
    });
    this.scanContext = {
      index,
      formOf: (role, description) =>
        description
          ? undefined
          : (this.bench.formOf(this.bench.ofRole(role)) ??
            (role === "thread" || role === "head" ? "thread" : undefined)),
      waits: waitsToBeWound,
      isNamed: (noun) => this.bench.namedBy(noun) !== undefined,
    };
    if (context.was) {
      const { hookModel, sizes } = context.was;
      const hook = [...context.hooks].find((h) => h.id === hookModel);
      this.bench.facts = { hookModel, sizes, family: hook?.family };
    }
    const hook = context.was?.components.find((c) => c.role === "hook");
    this.bench.components.push(hook ? deepCopy(hook) : { id: "hook", role: "hook", material: [] });
  }

  read(): RecipeReading {
    readStuffLists(this);
    // Facts first: sizes and the hook hold for every line, wherever they stand.
    this.lines.forEach((_, i) => readFacts(this, i));
    askHookOnce(this);
    this.lines.forEach((_, i) => takeSecondThread(this, i));
    this.lines.forEach((_, i) => declareThread(this, i));
    this.lines.forEach((_, i) => this.readLine(i));
    this.askTooMany();
    this.bench.releaseAll();
    changeAtLast(this);
    askLostFigures(this);
    askLostCounts(this);
    askLostPlaces(this);
    askWoundThatLies(this);
    tieUnderWound(this);
    askLostStuff(this);
    askLostLengths(this);
    askUnused(this);
    this.asTyped();
    const recipe = assemble(this);
    markStated(this, recipe);
    for (const line of this.out) line.notes = [...new Set(line.notes)];
    return {
      lines: this.out,
      recipe,
      newMaterials: this.bench.newMaterials,
      name: this.bench.facts.name,
      style: this.bench.facts.style,
    };
  }

  /** What was read of the lines as they were spelt out stands where it was typed. */
  private asTyped(): void {
    this.out.forEach((line, i) => {
      const spelt = this.spelt[i];
      const typed = this.pieces[i]?.text ?? "";
      if (!spelt || spelt.text === typed) return;
      const where = (at: readonly [number, number]): [number, number] => whereTyped(spelt, typed, at);
      line.text = typed;
      line.marks = line.marks.map((m) => ({
        ...m,
        at: m.kind === "doubt" ? where(m.at) : spelt.typedOver(...m.at),
      }));
      for (const { at, instead, put } of setOut(typed))
        if (put === "") line.marks.push({ at: [at, at + instead], kind: "known" });
      // What is read ahead of the line below, which it names.
      if (spelt.text === "") line.marks = [{ at: [0, typed.length], kind: "known" }];
      for (const ask of line.asks) ask.at = where(ask.at);
    });
  }

  /** The number of a line as it was typed, from 1. */
  numberOf(i: number): number {
    return (this.pieces[i]?.parts[0]?.line ?? i) + 1;
  }

  /** Ids of the steps that a line made when it was read before; of a piece, those that came of its words. */
  stepsBefore(i: number): readonly string[] {
    const line = this.numberOf(i) - 1;
    const ids = this.context.stepsOfLine?.(line) ?? [];
    const texts = this.pieces.filter((p) => p.parts[0]?.line === line).map((p) => p.text.trim());
    if (texts.length === 1) return ids;
    const own = this.pieces[i]?.text.trim() ?? "";
    const of = (id: string): string | undefined => this.context.was?.steps.find((s) => s.id === id)?.stated;
    const same = ids.filter((id) => of(id) === own);
    // Of a piece that was changed: those that are of no other.
    return same.length > 0 ? same : ids.filter((id) => !texts.includes(of(id) ?? ""));
  }

  private line(i: number): RecipeLine {
    return lineOf(this, i);
  }

  told(i: number): Told[] {
    return (this.scanned[i] ??= this.loops.told(i) ?? scanned(this.plain[i] ?? "", this.headsOf(i), this.scanContext));
  }

  /** The clauses of a line as they are told, those that belong together as one. */
  private joined(i: number): Told[] {
    const text = this.plain[i] ?? "";
    const all = this.loops.told(i)
      ? joined(this.told(i), text)
      : scannedAndJoined(text, this.headsOf(i), this.scanContext);
    return inTurn(all, text, this.scanContext);
  }

  /** Of “body and thorax: hare” there are two. */
  private headsOf(i: number): LineHead[] {
    const head = this.heads[i] as LineHead;
    return head.also ? [head, { ...head, ...head.also }] : [head];
  }

  notesOf(i: number): LineNotes {
    const line = this.line(i);
    return {
      number: i,
      isListed: this.heads[i]?.isListed === true || isListInOne(this.plain[i] ?? ""),
      assumed: line.assumed,
      asks: line.asks,
      notes: line.notes,
      steps: line.steps,
    };
  }

  private readLine(i: number): void {
    const line = this.line(i);
    if (line.kind !== "steps") return;
    if (line.text.length > LONGEST_LINE)
      line.asks.push({
        at: [LONGEST_LINE, line.text.length],
        sentence: "This line is too long for one step. Break it into several lines.",
        answers: [],
      });
    const head = this.heads[i] as LineHead;
    const text = this.plain[i] ?? "";
    if (head.named) line.marks.push({ at: head.named, kind: "known" });
    if (head.other) {
      line.marks.push({ at: head.other, kind: "doubt" });
      const other = line.text.slice(...head.other);
      line.asks.push({ at: head.other, sentence: `Tell the ${other} in a line of its own.`, answers: [] });
    }
    if (saysNone.test(text) || (head.isListed && isNone(text.slice(head.begin)))) return this.readNone(i, head);
    const aside = asideOf(text, head);
    if (aside !== undefined) {
      line.marks.push({ at: [head.begin, line.text.length], kind: "aside" });
      line.notes.push(aside);
      return;
    }
    const more = head.isListed ? noneAhead.exec(text.slice(head.begin))?.[0].length : undefined;
    if (more !== undefined) return this.readBehindNone(i, head, more);
    const kept = this.keptStep(i);
    if (kept) return this.keep(i, kept);
    const before = this.bench.made.length;
    this.bench.ahead = this.rolesAfter(i);
    this.bench.isBodyAlone = this.bodyAlone ??= isBodyAlone(this, this.allPulls());
    const same = ofSameStuff(this, i);
    const told = same ?? this.withTaken(i, this.joined(i));
    if (head.ahead && told[0]) this.tellAhead(told[0], text, head);
    if (this.loops.tellsOnly(i)) return;
    const finish = this.bench.finish;
    if (!this.ofTaken.has(i))
      told.forEach((t, n) => {
        this.bench.pulledLater = this.pulledAfter(i, t);
        this.bench.toldLater = () => [...told.slice(n + 1), ...this.toldAfter(i)];
        this.bench.isTinselBody = () => this.makesBodyOfTinsel(i, told.slice(n + 1));
        const own = t.isOfSame && t.role ? asStuffBefore(this, i, { role: t.role, part: t.part }, t) : [t];
        for (const one of own) tellClause(this, i, one, n, told);
        if (t.isOfSame)
          Object.assign(t, { understood: own.flatMap((o) => o.understood), rest: own.flatMap((o) => o.rest) });
      });
    ribsOverAll(this.bench, i);
    if (this.bench.finish !== finish && line.steps.length === 0) line.about = "finish";
    for (const t of told) mark(this.line(i), t, this.context.numberWords);
    if (line.steps.length === 0 && line.asks.length === 0) this.askNameAlone(line, text);
    line.components = [...new Set(this.bench.made.slice(before).flatMap((m) => m.step.component ?? []))];
  }

  /** “Tail”, and nothing else; “Head” and “Varnish” do it. */
  private askNameAlone(line: RecipeLine, text: string): void {
    const { role } = headOf(`${nameOf(text) ?? ""}: x`);
    if (role === undefined || ["head", "finish", "thread", "hook"].includes(role)) return;
    line.asks.push({
      at: [0, line.text.length],
      sentence: `Of the ${line.text.trim()} nothing is said but its name. Say what it is of, and how much, or take the line out.`,
      answers: [],
    });
  }

  /** “Forked tail: two biots”: what stands ahead of the part is said of it, or kept as it is. */
  private tellAhead(first: Told, text: string, { ahead: [at, end] = [0, 0], role, part }: LineHead): void {
    const [own, ...more] = scan(text, at, end, { role, part }, this.scanContext, first.kind);
    if (own && more.length === 0 && own.rest.length === 0) Object.assign(first.said, { ...own.said, ...first.said });
    // “Tail (shank length): 6 fibres”: what stands in brackets says a thing of its own, or is asked about.
    if (text[at - 1] === "(" && own && own.rest.length > 0) first.rest = [...first.rest, ...own.rest];
    else first.kept = [...first.kept, { at, end }];
  }

  /** What an earlier line only took, by the line that ties it in. */
  private readonly taken = new Map<number, readonly Told[]>();
  /** “Select a soft feather”, and a line later “tie it in by the tip”: it is tied in once, there. */
  private withTaken(i: number, told: Told[]): Told[] {
    const before = this.taken.get(i);
    if (before) {
      const n = told.findIndex((t) => tiesInTaken(t, before));
      return told.flatMap((t, k) => (k === n ? before.map((b) => tiedInAs(t, b, this.plain[i] ?? "")) : [t]));
    }
    const own = onlyTaken(told, this.plain[i] ?? "");
    const next = own && this.tiesLater(i, own);
    if (next === undefined) return told;
    for (let n = i + 1; n < next; n++) this.addLength(n, own ?? []);
    this.taken.set(next, own ?? []);
    this.line(i).notes.push(`tied in by line ${this.numberOf(next)}`);
    for (const [n, t] of told.entries()) {
      // Who ties it in reads it there.
      if (isToItsEnd(t, n, this.plain[i] ?? "")) Object.assign(t, { kept: [{ at: t.at, end: t.end }], understood: [] });
      mark(this.line(i), t, this.context.numberWords);
    }
    return told.filter(isDoneMeanwhile).map((t) => ({ ...t, refers: undefined }));
  }
  /** Lines that only say how long that is which was taken. */
  private readonly ofTaken = new Set<number>();
  /** “They extend half a shank beyond the bend”, between taking feathers and tying them in. */
  private addLength(n: number, [taken]: readonly Told[]): void {
    const [own, more] = this.told(n);
    const shown = own?.said.shown ?? own?.said.leave;
    const isBare = own?.verb === undefined && own?.role === undefined && own?.description === undefined;
    if (!taken || more || shown === undefined || !isBare || taken.said.shown !== undefined) return;
    taken.said.shown = shown;
    this.ofTaken.add(n);
  }
  /** The line, one or two further on, that ties in what this one took, with nothing else tied in between. */
  private tiesLater(i: number, taken: readonly Told[]): number | undefined {
    for (let n = i + 1, most = i + 2; n < this.lines.length && n <= most; n++) {
      const doing = this.told(n).find((t) => t.verb !== undefined || t.description !== undefined);
      // What the thread does meanwhile ties nothing in.
      if (this.heads[n]?.role === "thread" || (doing && isOfThread(doing))) {
        most++;
        continue;
      }
      if (this.line(n).kind !== "steps" || this.heads[n]?.isListed) return undefined;
      if (doing) return tiesInTaken(doing, taken) ? n : undefined;
    }
    return undefined;
  }

  private askTooMany(): void {
    const first = this.out[MOST_LINES];
    first?.asks.push({
      at: [0, first.text.length],
      sentence: `A recipe has at most 60 steps; lines from ${this.numberOf(MOST_LINES)} on are not read. Take some out.`,
      answers: [],
    });
  }

  /** The step of a line that is still as the program said it: nobody has changed a word. */
  private keptStep(i: number): RecipeStep | undefined {
    const [id, more] = this.stepsBefore(i);
    const { was, materials } = this.context;
    const step = more === undefined ? was?.steps.find((s) => s.id === id) : undefined;
    return was && step && this.lines[i]?.trim() === sayLine(step, was, materials) ? step : undefined;
  }

  private keep(i: number, step: RecipeStep): void {
    const line = this.line(i);
    const { bench } = this;
    const component = this.context.was?.components.find((c) => c.id === step.component);
    if (component && !bench.component(component.id)) bench.components.push(deepCopy(component));
    bench.keep(deepCopy(step), i, component?.role, bench.formOf(component));
    line.steps.push(step.id);
    line.marks = [{ at: [0, line.text.length], kind: "known" }];
    line.components = component ? [component.id] : [];
  }

  private bodyAlone: boolean | undefined;
  /** Parts that each line, or one behind it, is about; made from the end, once. */
  private readonly rolesFrom: ReadonlySet<Component["role"]>[] = [];
  /** Parts that later lines are about. */
  private rolesAfter(i: number): ReadonlySet<Component["role"]> {
    if (this.rolesFrom.length === 0)
      for (let n = this.lines.length; n > i; n--) {
        const own =
          n < this.lines.length && this.line(n).kind === "steps"
            ? [this.heads[n]?.role, ...this.told(n).map((t) => t.role)].flatMap((r) => r ?? [])
            : [];
        const later = this.rolesFrom[n + 1] ?? new Set();
        this.rolesFrom[n] = own.every((r) => later.has(r)) ? later : new Set([...later, ...own]);
      }
    return this.rolesFrom[i + 1] ?? new Set();
  }

  /** What the lines pull over without naming a part. */
  private pulls: Pull[] | undefined;
  private allPulls(): readonly Pull[] {
    return (this.pulls ??= pullsOf(
      this.lines.map((_, line) => (this.line(line).kind === "steps" ? this.told(line) : [])),
      this.plain,
    ));
  }
  private pulledAfter(i: number, told: Told): Bench["pulledLater"] {
    const later = this.allPulls().filter(({ line, at }) => line > i || (line === i && at > told.at));
    const isOfIt = ({ of }: Pull): boolean => of?.line === i && of.at >= told.at && of.at < told.end;
    return { stuff: later.flatMap(({ stuff }) => stuff ?? []), own: later.find(isOfIt)?.of };
  }

  /** The clauses of the lines behind one. */
  private toldAfter(i: number): Told[] {
    return this.lines.flatMap((_, n) => (n > i && this.line(n).kind === "steps" ? this.told(n) : []));
  }
  private makesBodyOfTinsel(i: number, behind: readonly Told[]): boolean {
    const isWireThere = this.bench.components.some((c) => c.role === "rib" && this.bench.formOf(c) === "wire");
    return isTinselBody([...behind, ...this.toldAfter(i)], isWireThere);
  }

  /** “Hackle: none. 2 legs of cdc each side”: the rest is told by itself. */
  private readBehindNone(i: number, head: LineHead, length: number): void {
    this.line(i).marks.push({ at: [head.begin, head.begin + length], kind: "known" });
    const end = head.begin + length;
    this.plain[i] = " ".repeat(end) + (this.plain[i] ?? "").slice(end);
    this.heads[i] = headOf(this.plain[i] ?? "");
    this.scanned[i] = undefined;
    this.readLine(i);
  }

  private readNone(i: number, head: LineHead): void {
    const line = this.line(i);
    line.kind = "fact";
    line.marks.push({ at: [0, line.text.length], kind: "known" });
    if (head.role !== "finish" && head.role !== "head") return;
    this.bench.finish = { state: "none" };
    line.about = "finish";
  }
}
