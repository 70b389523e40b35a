import { isColour, type Material } from "../materials";
import type { Component, RecipeStep } from "../recipe";
import { Bench, isNamedBy, type LineNotes, type Telling } from "./bench";
import { headingOf, headOf, type LineHead } from "./head";
import { assemble, markStated } from "./assemble";
import { CabinetIndex } from "./cabinet";
import { descriptionAt } from "./description";
import { readFacts } from "./facts";
import { askLostFigures } from "./heldFigures";
import { askLostPlaces } from "./heldPlaces";
import { inOwnMeasures } from "./ownMeasures";
import { joined } from "./joined";
import { LoopLines } from "./loopLines";
import { lineOf, type Reading, type RecipeContext, type RecipeLine, type RecipeReading } from "./reading";
import { mark } from "./marks";
import { stuffOf } from "./named";
import { plain } from "./parse";
import { NUMBER_WORD, readNumber } from "./text/number";
import { modifiers } from "./lexicon/nouns";
import { PARTS, roleOfWord } from "./lexicon/parts";
import { sayLine } from "./say/recipe";
import { secondThreadOf } from "./secondThread";
import { hairOnTheBack, shareEach, shareLength } from "./shared";
import { saysItsStuff, supply } from "./supply";
import { isTiedInLine, onlyTaken, tiedInAs, tiesInTaken } from "./taken";
import { copyOf, kindOfTold, scan } from "./scan";
import type { ScanContext, Told } from "./told";
import { verbOf, waitsToBeWound } from "./verbs";
import { tellAct } from "./verbs/act";
import { tellDub } from "./verbs/dub";
import { tellFinish } from "./verbs/finish";
import { objectOf, type Meant } from "./verbs/making";
import { tellSeat } from "./verbs/seat";
import { isBareBundle, listedCover } from "./verbs/takeOver";
import { tellThread } from "./verbs/thread";
import { tellTieIn } from "./verbs/tieIn";
import { coverAndLegs, legsOfTips } from "./verbs/tips";
import { tellWhip } from "./verbs/whip";
import { listedRib, tellWind, windNew } from "./verbs/wind";

const indexes = new WeakMap<ReadonlyMap<string, Material>, CabinetIndex>();
function indexOf(materials: ReadonlyMap<string, Material>): CabinetIndex {
  const known = indexes.get(materials);
  if (known) return known;
  const index = new CabinetIndex(materials.values());
  indexes.set(materials, index);
  return index;
}

/** Lines as they were scanned with each cabinet. */
const scannedWith = new WeakMap<CabinetIndex, Map<string, Told[]>>();
function linesScannedWith(index: CabinetIndex): Map<string, Told[]> {
  const known = scannedWith.get(index) ?? new Map<string, Told[]>();
  scannedWith.set(index, known);
  return known;
}

/** Most lines that are read: a recipe has at most 60 steps. */
const MOST_LINES = 200;
const LONGEST_LINE = 1500;
/** Lines that are remembered for a cabinet. */
const MOST_SCANNED = 4000;

/**
 * Read a recipe as it is told: line by line in its order, each in the state in which the lines before it leave the
 * bench.
 *
 * @param text any text; a line that cannot be read is asked about at its place, and the recipe goes on
 * @returns the lines with what was understood, doubted and taken as usual; the recipe that they make
 */
export function readRecipe(text: string, context: RecipeContext): RecipeReading {
  const lines = text.split(/\r?\n/);
  return new RecipeReader(lines, context).read();
}

const numbered = /^\s*(\d{1,2})\s+(?=[\p{L}\d.])/u;
const FEWEST_NUMBERED = 3;
/** Lines that are numbered 1, 2, 3 … without a sign behind the number: it counts the line, and is blanked out. */
function withoutNumbers(lines: string[]): string[] {
  const told = lines.filter((l) => l.trim() !== "");
  const numbers = told.map((l) => Number(numbered.exec(l)?.[1] ?? NaN));
  const first = numbers.indexOf(1);
  const run = numbers.slice(Math.max(0, first));
  if (first < 0 || first > 1 || run.length < FEWEST_NUMBERED || run.some((n, i) => n !== i + 1)) return lines;
  return lines.map((l) => l.replace(numbered, (m) => " ".repeat(m.length)));
}

const contracted: [RegExp, (m: string, kept: string) => string][] = [
  // “fifteen thousandths lead”
  [
    new RegExp(`\\b(${NUMBER_WORD})\\s+thou(?:sandths?)?(?=\\s)`, "gu"),
    (m, kept) => `${readNumber(kept) ?? kept} thou`.padEnd(m.length),
  ],
  // “so it's about as long as the shank”
  [/\b(so\s+(?:it|that))'s\b/gu, (m, kept) => kept.padEnd(m.length)],
  // “8/0 in tan”
  [/\b(\d{1,2}\/0)\s+in(?=\s+\p{L}+\s*[.,;]?\s*$)/gu, (m, kept) => kept.padEnd(m.length)],
  // “fl. pink thread”
  [/\b(fl(?:uor?)?)\.(?=\s+\p{L})/gu, (m, kept) => kept.padEnd(m.length)],
  [/\b(i|we|you|they|he|she)'(?:m|ve|re|ll|d|s)\b/gu, (m, kept) => kept.padEnd(m.length)],
  [
    new RegExp(`\\b((?:for|as)\\s+(?:the|a|an|my)\\s+(?:${PARTS}),?)\\s+(?:it's|that's|it\\s+is)(?=\\s)`, "gu"),
    (m, kept) => kept.padEnd(m.length),
  ],
  [
    new RegExp(`^((?:then\\s+|and\\s+|next\\s+)?(?:the\\s+|my\\s+)?(?!hook|hk\\b)(?:${PARTS}))'s(?=\\s)`, "u"),
    (m, kept) => kept.padEnd(m.length),
  ],
  [new RegExp(`\\b((?:${PARTS})\\s+that)'s(?=\\s)`, "gu"), (m, kept) => kept.padEnd(m.length)],
  [
    /^(\s*(?:\d{1,2}[.)]\s+)?)hook\s+in\s+(?:the\s+|your\s+)?vi[sc]e(?=\s*:)/gu,
    (m, kept) => `${kept}hook`.padEnd(m.length),
  ],
  [/\bfor\s+(?:the\s+|my\s+)?dubbing,?\s+(?:i|we|you)(?:\s+(?:take|use))?(?=\s)/gu, (m) => " ".repeat(m.length)],
];
/** “I've got”, “rib's fine gold wire”: spoken forms, as long as what stands for them. */
const withoutContractions = (line: string): string =>
  contracted.reduce((text, [spoken, plainly]) => text.replace(spoken, plainly), line);

const namesPart = new RegExp(
  `^(?:hook|${PARTS})\\s+(?!of\\b|with\\b|is\\b|and\\b|in\\b|over\\b|back\\b|forward\\b)[\\p{L}\\d#.]`,
  "u",
);
/** “peacock-coloured dubbing” is no peacock. */
const coloured = /(?<=\p{L})[- ]colou?red(?=\s)/gu;
const FEWEST_LISTED = 4;
/** “hook 12 wet // silk yellow // body fur”: marks that mean nothing else, as long as what stands for them. */
const listMarks = /(?<=\s)(?:\/\/|\|\|?)(?=\s)/g;
/** “hook 14 wet, thread black, tail 6 fibres, body fur”: between commas a list goes on as it does behind semicolons. */
function asList(told: string): string {
  const parts = told.split(/\s\/\s/);
  const isSlashed = parts.filter((p) => namesPart.test(p.trimStart())).length + 1 >= FEWEST_LISTED;
  if (isSlashed) return asList(parts.join(" ; "));
  const line = told.replace(listMarks, (m) => ";".padEnd(m.length)).replace(coloured, (m) => " ".repeat(m.length));
  const commas = [...line.matchAll(/,\s*/g)].filter((m) => namesPart.test(line.slice(m.index + m[0].length)));
  if (commas.length + 1 < FEWEST_LISTED || !namesPart.test(line.trimStart())) return line;
  const at = new Set(commas.map((m) => m.index));
  return [...line].map((c, i) => (at.has(i) ? ";" : c)).join("");
}

/** “hook wet 12; brown thread; rib …; body …”: a list in one line, whatever it begins with. */
const isListInOne = (text: string): boolean =>
  text.split(";").filter((s) => namesPart.test(s.trimStart())).length + 1 >= FEWEST_LISTED;

class RecipeReader implements Reading {
  readonly bench: Bench;
  readonly heads: LineHead[];
  private readonly scanned: (Told[] | undefined)[] = [];
  private readonly loops = new LoopLines(this);
  readonly plain: string[];
  readonly out: RecipeLine[];
  readonly scanContext: ScanContext;

  constructor(
    readonly lines: string[],
    readonly context: RecipeContext,
  ) {
    const index = indexOf(context.materials);
    this.bench = new Bench(index, context.materials, context.was, (n) => context.stepsOfLine?.(n) ?? []);
    const small = lines.map((l, i) => (i < MOST_LINES ? plain(l.slice(0, LONGEST_LINE)) : ""));
    const ahead = small.map(headingOf);
    const told = small.map((l, i) => " ".repeat(ahead[i] ?? 0) + l.slice(ahead[i]));
    const own = withoutNumbers(told).map((l) => inOwnMeasures(l, context.numberWords));
    this.plain = own.map(({ text }) => asList(withoutContractions(text)));
    this.heads = this.plain.map(headOf);
    this.out = lines.map((l, i) => ({
      text: l,
      kind: "steps",
      steps: [],
      components: [],
      marks:
        this.plain[i] === small[i]
          ? []
          : [{ at: [0, (ahead[i] ?? 0) || (numbered.exec(l)?.[0].length ?? 0)], kind: "known" }],
      asks: own[i]?.asks ?? [],
      assumed: [],
      notes: [],
    }));
    this.scanContext = {
      index,
      formOf: (role, description) =>
        description
          ? undefined
          : (this.bench.formOf(this.bench.ofRole(role)) ??
            (role === "thread" || role === "head" ? "thread" : undefined)),
      waits: waitsToBeWound,
    };
    if (context.was) {
      const { hookModel, sizes } = context.was;
      const hook = [...context.hooks].find((h) => h.id === hookModel);
      this.bench.facts = { hookModel, sizes, family: hook?.family };
    }
    const hook = context.was?.components.find((c) => c.role === "hook");
    this.bench.components.push(hook ? structuredClone(hook) : { id: "hook", role: "hook", material: [] });
  }

  read(): RecipeReading {
    // Facts first: sizes and the hook hold for every line, wherever they stand.
    this.lines.forEach((_, i) => readFacts(this, i));
    this.lines.forEach((_, i) => this.takeSecondThread(i));
    this.lines.forEach((_, i) => this.declareThread(i));
    this.lines.forEach((_, i) => this.readLine(i));
    this.askTooMany();
    this.bench.releaseAll();
    this.changeAtLast();
    this.tellUnused();
    askLostFigures(this);
    askLostPlaces(this);
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

  private line(i: number): RecipeLine {
    return lineOf(this, i);
  }

  /** “…; body hackle: none; …”: a part of a list in one line that is not there on purpose. */
  private saysNone(told: Told, text: string, i: number): boolean {
    const own = text.slice(told.at, told.end).replace(/[;,.\s]+$/, "");
    if (told.role === undefined || told.description || !isNone(own)) return false;
    this.line(i).marks.push({ at: [told.at, told.at + own.length], kind: "known" });
    told.rest = [];
    if (told.role === "finish" || told.role === "head") this.bench.finish = { state: "none" };
    return true;
  }

  /** “Thread: white, red for the head”: the second is changed to later, where the line names the first. */
  private takeSecondThread(i: number): void {
    const head = this.heads[i];
    const text = this.plain[i] ?? "";
    const second = head?.role === "thread" && this.bench.second === undefined && secondThreadOf(text, head.begin);
    if (!second) return;
    this.plain[i] = second.first;
    this.bench.second = second.description;
    for (const at of second.read) this.line(i).marks.push({ at, kind: "known" });
  }

  /** The head is built, or the knot tied: a second thread that a list named for it is changed to first. */
  private changeForHead(t: Telling): void {
    const { told, bench } = t;
    if (bench.second === undefined || told.verb === "change") return;
    const isNamed = told.role === "head" && t.line.isListed && this.isToldBySteps(t.line.number);
    if ((told.kind === "whip" || told.role === "head") && !isNamed)
      verbOf("change")?.tell({ ...t, told: { ...told, said: {}, description: undefined } });
  }

  /** Where no line comes to the head, it is changed to at the end. */
  private changeAtLast(): void {
    const i = this.heads.findIndex((h) => h.role === "thread");
    const told = this.bench.second === undefined || i < 0 ? undefined : this.scan(i)[0];
    if (!told) return;
    const said = { told: { ...told, said: {}, description: undefined }, text: this.plain[i] ?? "", bench: this.bench };
    verbOf("change")?.tell({ ...said, line: this.notesOf(i) });
  }

  /** Whether lines behind a list tell step by step what it has named. */
  private isToldBySteps(i: number): boolean {
    const isStep = (_: string, n: number): boolean =>
      n > i &&
      this.line(n).kind === "steps" &&
      !this.heads[n]?.isListed &&
      this.scan(n).some((t) => t.verb !== undefined);
    return this.lines.some(isStep);
  }

  /** The thread that a list names is on the hook from the start, wherever its line stands. */
  private declareThread(i: number): void {
    const head = this.heads[i];
    if (head?.role !== "thread" || this.line(i).kind !== "steps" || this.bench.thread) return;
    const text = this.plain[i] ?? "";
    const told = this.scan(i);
    const first = told[0];
    if (!first) return;
    const { component } = objectOf({ told: first, text, bench: this.bench, line: this.notesOf(i) });
    if (component) this.bench.thread = component.id;
  }

  private scan(i: number): Told[] {
    const text = this.plain[i] ?? "";
    const head = this.heads[i] as LineHead;
    return (this.scanned[i] ??= this.loops.told(i) ?? this.scanLine(text, head));
  }

  /** A line is scanned once for as long as its words and what its part is of are the same: typing changes one line. */
  private scanLine(text: string, head: LineHead): Told[] {
    const form = this.scanContext.formOf(head.role, undefined) ?? "";
    const rib = this.scanContext.formOf("rib", undefined) ?? "";
    const key = `${head.begin}|${head.role ?? ""}|${head.part ?? ""}|${form}|${rib}|${text}`;
    const scanned = linesScannedWith(this.scanContext.index);
    const known =
      scanned.get(key) ?? scan(text, head.begin, text.length, { role: head.role, part: head.part }, this.scanContext);
    scanned.delete(key);
    scanned.set(key, known);
    for (const [oldest] of scanned) {
      if (scanned.size <= MOST_SCANNED) break;
      scanned.delete(oldest);
    }
    return known.map(copyOf);
  }

  private notesOf(i: number): LineNotes {
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
    if (head.isListed && isNone(text.slice(head.begin))) return this.readNone(i, head);
    if (saysNone.test(text)) return this.readNone(i, head);
    const own = text.slice(head.begin);
    const isOfEyes = (head.role === "eyes" && arePainted.test(own)) || /^\s*painted\s+eyes?\b/.test(text);
    if (isOfEyes && !otherEyes.test(own)) {
      line.marks.push({ at: [head.begin, line.text.length], kind: "aside" });
      line.notes.push("painted on the head: kept as an instruction, nothing is taken for it");
      return;
    }
    if (leftBare.test(text)) {
      line.marks.push({ at: [head.begin, line.text.length], kind: "aside" });
      line.notes.push("left bare: nothing is taken for it");
      return;
    }
    const more = head.isListed ? noneAhead.exec(text.slice(head.begin))?.[0].length : undefined;
    if (more !== undefined) return this.readBehindNone(i, head, more);
    const kept = this.keptStep(i);
    if (kept) return this.keep(i, kept);
    const before = this.bench.made.length;
    this.bench.ahead = this.rolesAfter(i);
    const told = this.withTaken(i, joined(this.scan(i), text));
    if (this.loops.tellsOnly(i)) return;
    const finish = this.bench.finish;
    told.forEach((t, n) => this.act(i, t, n, told));
    if (this.bench.finish !== finish && line.steps.length === 0) line.about = "finish";
    for (const t of told) mark(this.line(i), t, this.context.numberWords);
    line.components = [...new Set(this.bench.made.slice(before).flatMap((m) => m.step.component ?? []))];
  }

  /** What an earlier line only took, by the line that ties it in. */
  private readonly taken = new Map<number, Told>();
  /** “Select a soft feather”, and a line later “tie it in by the tip”: it is tied in once, there. */
  private withTaken(i: number, told: Told[]): Told[] {
    const before = this.taken.get(i);
    if (before) {
      const n = told.findIndex((t) => tiesInTaken(t, before));
      return told.map((t, k) => (k === n ? tiedInAs(t, before) : t));
    }
    const own = onlyTaken(told, this.plain[i] ?? "");
    const next = own && this.tiesLater(i, own);
    if (next === undefined) return told;
    this.taken.set(next, own as Told);
    this.line(i).notes.push(`tied in by line ${next + 1}`);
    for (const t of told) mark(this.line(i), t, this.context.numberWords);
    return [];
  }
  /** The line, one or two further on, that ties in what this one took, with nothing else tied in between. */
  private tiesLater(i: number, taken: Told): number | undefined {
    for (let n = i + 1; n < this.lines.length && n <= i + 2; n++) {
      if (this.line(n).kind !== "steps" || this.heads[n]?.isListed) return undefined;
      const doing = this.scan(n).find((t) => t.verb !== undefined || t.description !== undefined);
      if (doing) return tiesInTaken(doing, taken) ? n : undefined;
    }
    return undefined;
  }

  private askTooMany(): void {
    const first = this.out[MOST_LINES];
    first?.asks.push({
      at: [0, first.text.length],
      sentence: `A recipe has at most 60 steps; lines from ${MOST_LINES + 1} on are not read. Take some out.`,
      answers: [],
    });
  }

  /** The step of a line that is still as the program said it: nobody has changed a word. */
  private keptStep(i: number): RecipeStep | undefined {
    const [id, more] = this.context.stepsOfLine?.(i) ?? [];
    const { was, materials } = this.context;
    const step = more === undefined ? was?.steps.find((s) => s.id === id) : undefined;
    return was && step && this.lines[i]?.trim() === sayLine(step, was, materials) ? step : undefined;
  }

  private keep(i: number, step: RecipeStep): void {
    const line = this.line(i);
    const { bench } = this;
    const component = this.context.was?.components.find((c) => c.id === step.component);
    if (component && !bench.component(component.id)) bench.components.push(structuredClone(component));
    bench.keep(structuredClone(step), i, component?.role, bench.formOf(component));
    line.steps.push(step.id);
    line.marks = [{ at: [0, line.text.length], kind: "known" }];
    line.components = component ? [component.id] : [];
  }

  /** Parts that each line, or one behind it, is about; made from the end, once. */
  private readonly rolesFrom: ReadonlySet<Component["role"]>[] = [];
  /** Parts that later lines are about. */
  private rolesAfter(i: number): ReadonlySet<Component["role"]> {
    if (this.rolesFrom.length === 0)
      for (let n = this.lines.length; n > i; n--) {
        const own =
          n < this.lines.length && this.line(n).kind === "steps"
            ? [this.heads[n]?.role, ...this.scan(n).map((t) => t.role)].flatMap((r) => r ?? [])
            : [];
        const later = this.rolesFrom[n + 1] ?? new Set();
        this.rolesFrom[n] = own.every((r) => later.has(r)) ? later : new Set([...later, ...own]);
      }
    return this.rolesFrom[i + 1] ?? new Set();
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

  /** Whether a later line ties in, winds or takes over what a list names here: then the list only names it. */
  private isToldLater(i: number, role: Component["role"], hasTurns: boolean): boolean {
    const material = this.bench.materialOf(this.bench.ofRole(role));
    for (let n = i + 1; n < this.lines.length; n++) {
      if (this.line(n).kind !== "steps") continue;
      const isListed = this.heads[n]?.isListed === true;
      // What goes into a loop is not what was tied in; what a list calls the thorax may be just that.
      if (isLaid(role) && /\bloop\b/.test(this.plain[n] ?? "")) continue;
      const told = this.scan(n);
      if (isListed && this.heads[n]?.role === role && told[0]?.description) continue;
      for (const t of told) {
        // Each half of a body has its rib, with its own turns.
        if (isListed && hasTurns && t.role === role && t.said.rule?.turns !== undefined) continue;
        // “Rib 6 turns” takes up what a list named before.
        if (isListed && t.verb === undefined && !(t.role === role && t.description === undefined)) continue;
        const isOfOther = t.description !== undefined && this.isOther(t, material);
        const isAbout =
          (t.role === role && !isOfOther) ||
          // “Tie in the partridge as a beard”, of what a list called legs.
          (beneath.has(role) &&
            t.role !== undefined &&
            beneath.has(t.role) &&
            t.description !== undefined &&
            material !== undefined &&
            this.means(t.description, material, role)) ||
          // “Dub from the bend”
          (role === "body" && t.verb === "dub" && t.role === undefined && !t.description && !t.refers) ||
          (role === "wing case" && t.verb === "take over" && isBareBundle(t.description?.text ?? "")) ||
          (t.role === undefined &&
            t.description !== undefined &&
            material !== undefined &&
            this.means(t.description, material, role));
        // What is wound of a tail is the rest of what was tied in for it.
        const isWound = !isLaid(role) && (t.verb === "wind" || t.verb === "dub");
        const isDone =
          t.verb === "tie in" ||
          isWound ||
          t.verb === "take over" ||
          t.verb === "seat" ||
          // “A slip of black duck on each side”
          (!isListed && t.verb === undefined && t.kind === "lay" && t.description?.means?.form === "quill") ||
          // “Make a narrow hot spot”
          (!isListed && role === "butt" && t.role === role && t.kind === "wind") ||
          (!isLaid(role) && t.said.rule?.turns !== undefined);
        if (isAbout && isDone) return true;
      }
    }
    return false;
  }

  /** “Palmer the hackles down the body”: what is wound over a part is not that part. */
  private isOther({ verb, description }: Told, material: Material | undefined): boolean {
    const form = description?.exact?.form ?? description?.means?.form;
    return verb === "wind" && form === "hackle" && material !== undefined && material.form !== form;
  }

  /** Whether a description later in the recipe means a material that a list named. */
  private means(d: NonNullable<Told["description"]>, material: Material, role: Component["role"]): boolean {
    if (d.exact) return d.exact.code === material.code || (standsOff.has(role) && isNamedBy(material.name, d.text));
    const words = d.text.toLowerCase().trim().split(/\s+/);
    if (words.length === 1)
      return `${material.name} ${material.form} ${role}`.toLowerCase().includes((words[0] ?? "").replace(/s$/, ""));
    // “the cdc feathers”, of what a list called “two dun cdc feathers”.
    const isNamed = d.means?.form === material.form && isNamedBy(material.name, d.text);
    // Of several dubbings “brown dubbing” may be another.
    if (isNamed && (standsOff.has(role) || !/dubbing$/.test(d.text.trim()))) return true;
    const found = this.scanContext.index.find(d.text, new Set([material.code]), d.means?.form)[0];
    return found?.code === material.code || material.name.toLowerCase() === d.text.toLowerCase().trim();
  }

  private act(i: number, told: Told, n: number, all: Told[]): void {
    const text = this.plain[i] ?? "";
    const head = this.heads[i] as LineHead;
    const t: Telling = { told, text, bench: this.bench, line: this.notesOf(i) };
    if (head.isOptional) told.said.optional = true;
    if (n === 0) shareEach(text, all);
    if (n === 0) hairOnTheBack(all);
    if (n === 0) shareLength(text, all);
    this.liesOver(told, text);
    this.sameAsPart(told, text);
    supply(told, text);
    this.settleReference(told);
    this.relook(told, text);
    if (isEmptyTold(told)) return;
    this.changeForHead(t);
    if (n > 0 && this.saysNone(told, text, i)) return;
    // “Body: in two halves. Rear half …”: how it is parted; what each is of comes behind.
    const isHow =
      told.kept.length > 0 && told.rest.length === 0 && !told.description && Object.keys(told.said).length === 0;
    if (n === 0 && isHow && told.verb === undefined && all[1]?.role === told.role && told.role !== undefined) return;
    if (n === 0 && this.tellsBarbs(told, text)) return;
    this.anotherOfIt(told, text);
    const both = coverAndLegs(told, head, text);
    if (both) {
      this.actListed({ ...t, told: both[0] }, i);
      legsOfTips({ ...t, told: both[1] });
      Object.assign(told, { rest: both[1].rest, understood: both[1].understood });
      return;
    }
    if (legsOfTips(t)) return;
    if (n > 0 && told.verb === undefined && told.refers === "it" && !told.description && this.addsToLast(i, told))
      return;
    if (told.verb === undefined && n > 0 && !told.description && told.role === undefined && this.isAboutLast(told))
      return verbOf("hold")?.tell(t);
    if (n === 0 && this.asksWhatPart(told, text, i)) return;
    if (this.isThreadStarted(told)) {
      const object = objectOf({ ...t, told: { ...told, role: "thread" } });
      this.bench.thread = object.component?.id;
      this.bench.hangs = told.said.there ?? this.bench.hangs;
      return;
    }
    if (this.isThreadNamed(told)) return this.actListedThread({ ...t, told: { ...told, role: "thread" } });
    if (this.isWoundAtOnce(told, text)) return windNew(t, objectOf(t), told.said);
    const isListed =
      head.isListed &&
      (told.verb === undefined ||
        (told.verb === "dub" && told.description !== undefined && isListInOne(text)) ||
        (n === 0 &&
          told.refers === undefined &&
          (told.verb === "wind" ||
            told.verb === "dub" ||
            (told.verb === "take over" && told.description !== undefined))));
    if (isListed) return this.actListed(t, i);
    // “Bind the hackle down with fine wire, four turns” winds the wire over it.
    if (told.verb === "hold" && told.kind === "wind" && (told.description ?? told.said.rule))
      return tellWind({ ...t, told: { ...told, role: "rib", said: { counter: true, ...told.said } } });
    const isHeld = (told.verb === "hold" || told.verb === "tie in") && !told.description && told.kind === "lay";
    if (told.verb === "take over" || isHeld) turnsHoldIt(told, text);
    const verb = told.verb === undefined ? undefined : verbOf(told.verb);
    if (verb && told.verb !== "act") return verb.tell(told.verb === "dub" ? this.byColour(t, i) : t);
    if (told.verb === "act") return tellAct(t);
    this.actUnsaid(t);
  }

  /** “Weed guard: double mono”: a line of a list whose part nobody knows is asked about; nothing is guessed of it. */
  private asksWhatPart(told: Told, text: string, i: number): boolean {
    const [name] = /^\s*(?:(?:[\p{L}'-]+\s+){0,2}[\p{L}'-]+(?=\s*:\s)|weed\s?-?guard\b)/u.exec(text) ?? [];
    const word = told.rest.find((r) => r.at < (name?.length ?? 0));
    if (name === undefined || !word || told.role !== undefined || told.description === undefined) return false;
    // “Rear: a ball of fur”: one of the two that make the body.
    if (/^\s*(?:rear|front|back|first|second)$/.test(name) && (told.kind === "dress" || told.kind === "wind")) {
      told.rest = told.rest.filter((r) => r !== word);
      told.understood.push(word);
      Object.assign(told, { role: "body", part: name.trim() });
      return false;
    }
    const at = this.lines[i]?.search(/\S/) ?? 0;
    const words = this.lines[i]?.slice(at, name.length) ?? name.trim();
    told.rest = told.rest.filter((r) => r !== word);
    this.line(i).marks.push({ at: [at, name.length], kind: "doubt" });
    this.line(i).asks.push({
      at: [at, name.length],
      sentence: `Which part of the fly is “${words}”?`,
      answers: ["Tail", "Body", "Wing", "Legs", "Throat", "Flash"].map((part) => ({
        label: part.toLowerCase(),
        text: part,
      })),
    });
    return true;
  }

  /** “Red thread.”, “and yellow silk”: the first thread that is only named is the one on the hook. */
  private isThreadNamed({ verb, role, description, said }: Told): boolean {
    const form = description && (description.exact?.form ?? description.means?.form);
    return (
      form === "thread" &&
      // “I tie this with 8/0 brown thread” names it, and ties nothing in.
      (verb === undefined || verb === "tie in") &&
      (role === undefined || role === "thread") &&
      this.bench.thread === undefined &&
      Object.keys(said).length === 0
    );
  }

  /** “Over that six strands of herl”: on top of what was tied in last. */
  private liesOver(told: Told, text: string): void {
    const lead = text.slice(told.at, told.description?.at ?? told.at);
    if (told.verb !== undefined || told.role !== undefined || !overThat.test(lead)) return;
    const form = told.description?.exact?.form ?? told.description?.means?.form;
    if (form !== "herl" && form !== "flash" && form !== "hair" && form !== "feather fibre") return;
    Object.assign(told, { kind: "lay", role: form === "herl" ? "topping" : form === "flash" ? "flash" : "wing" });
    told.said.attitude ??= "over";
  }

  /** “Tie in a brown hackle behind the eye, two turns”: what says its turns is wound as well. */
  private isWoundAtOnce(told: Told, text: string): boolean {
    const form = told.description && (told.description.exact?.form ?? told.description.means?.form);
    const turns = told.rest.find((r) => /\bturns?$/.test(text.slice(r.at, r.end)));
    // A plume is a hackle where its turns are told.
    const isPlume = form === "feather fibre" && told.said.amount !== undefined && "feathers" in told.said.amount;
    const isTied = told.verb === "tie in" || (isPlume && told.verb === undefined && told.role === undefined);
    if (!isTied || !(form === "hackle" || isPlume) || !turns) return false;
    const role = told.role ?? "collar";
    const again = scan(text, told.at, told.end, { role, part: role }, this.scanContext, "wind")[0];
    if (again?.said.rule?.turns === undefined) return false;
    const { there, ...said } = again.said;
    const at = told.said.tieIn?.at ?? there;
    Object.assign(told, { role, part: told.part ?? role, kind: "wind", verb: "wind" });
    told.said = { ...said, ...(at && { tieIn: { at }, there: at }) };
    told.rest = told.rest.filter((r) => r !== turns);
    told.understood.push(turns);
    return true;
  }

  /** “Tie in yellow silk at the eye”: the first thread that is tied in is the one that ties. */
  private isThreadStarted({ verb, role, description, said }: Told): boolean {
    const form = description && (description.exact?.form ?? description.means?.form);
    const isOnlyPlaced = Object.keys(said).every((k) => k === "there");
    return (
      verb === "tie in" &&
      form === "thread" &&
      (role === undefined || role === "thread") &&
      this.bench.thread === undefined &&
      isOnlyPlaced
    );
  }

  /** “Tie in ten fibres. They should be as long as the shank”: the length of what was just laid. */
  private addsToLast(i: number, { said }: Told): boolean {
    const last = this.bench.made.findLast((m) => m.line === i);
    if (last?.step.do !== "lay" || said.shown === undefined) return false;
    last.step = { ...last.step, shown: said.shown };
    return true;
  }

  /** “Fibres no longer than to the bend”, in a line of its own: of the hackle that was wound or tied in last. */
  private tellsBarbs(told: Told, text: string): boolean {
    if (told.role !== undefined || told.verb !== undefined || !ofBarbs.test(text.slice(told.at, told.end)))
      return false;
    const last = this.bench.made.at(-1);
    const form = this.bench.formOf(this.bench.component(last?.step.component));
    if (last?.step.do !== "wind" || form !== "hackle") return false;
    const again = scan(text, told.at, told.end, {}, this.scanContext, "wind")[0];
    if (!again?.said.barb || again.rest.length > 0) return false;
    // Two feathers wound at once, or one on either side of a wing, are all of that line.
    for (const m of this.bench.made) {
      const isHackle = this.bench.formOf(this.bench.component(m.step.component)) === "hackle";
      if (m.line === last.line && m.step.do === "wind" && isHackle) m.step = { ...m.step, barb: again.said.barb };
    }
    Object.assign(told, { description: undefined, rest: [], understood: again.understood, kept: again.kept });
    return true;
  }

  /** “Another 30 strands, chartreuse”: of what was tied in last, in the colour that is said. */
  private anotherOfIt(told: Told, text: string): void {
    const last = this.bench.made.findLast((m) => m.step.do === "lay" && m.step.shown !== undefined);
    const component = this.bench.component(last?.step.component);
    const material = this.bench.materialOf(component);
    const isMore = /^\W*(?:[\w-]+\s+){0,4}?(?:another|\d+\s+more|(?:the\s+)?same\s+again)\b/.test(
      text.slice(told.at, told.end),
    );
    const isBunch = told.said.thickLike !== undefined || told.loose.some((l) => /bunch|clump|bundle/.test(l.words));
    if (told.kind !== "lay" || told.description || told.role || !material || !component) return;
    if (!(told.said.amount && isMore) && !isBunch) return;
    const colours = told.rest.filter((r) => isColour(text.slice(r.at, r.end).trim()));
    const [at] = colours;
    if (!at && !isMore) return;
    told.rest = told.rest.filter((r) => !colours.includes(r));
    told.understood.push(...colours);
    const stuff = stuffOf(material.name);
    Object.assign(told, {
      role: component.role,
      verb: told.verb ?? "tie in",
      description: at
        ? { ...at, text: `${text.slice(at.at, at.end).trim()} ${stuff}`, means: { form: material.form } }
        : { at: told.at, end: told.at, text: material.name, exact: material },
    });
  }

  /** “Thorax: same as abdomen”: of what another part was told of. */
  private sameAsPart(told: Told, text: string): void {
    const same = told.role && !told.description && sameAs.exec(text.slice(told.at, told.end));
    const role = same ? roleOfWord(same[1] ?? "") : undefined;
    const component = role && role !== told.role ? this.bench.ofRole(role) : undefined;
    const exact = component && this.bench.materialOf(component);
    if (!exact) return;
    told.description = { at: told.at, end: told.end, text: exact.name, exact };
    delete told.said.size;
    told.kind = kindOfTold(told.verb, told.role, exact.form, text.slice(told.at, told.end));
  }

  /** A word of a material means one that the recipe has named; where it has none, the word is not understood. */
  private settleReference(told: Told): void {
    const { description } = told;
    if (!description?.isReference || this.bench.resolve(description).material) return;
    const { at, end } = description;
    // “rib with four turns of copper”, where the fly has none yet: of what a rib is.
    const isNew = !this.bench.waits((w) => w.role === "rib");
    if (isNew && told.role === "rib" && /^(?:copper|gold|silver|brass)$/.test(description.text)) {
      told.description = { at, end, text: `${description.text} wire`, means: { form: "wire" } };
      return;
    }
    told.description = undefined;
    told.understood = told.understood.filter((s) => s.end !== end);
    told.rest.push({ at, end });
  }

  /** The kind again, now that what the lines before did is known. */
  private relook(told: Told, text: string): void {
    if (told.description || told.role === undefined) return;
    const form = this.bench.formOf(this.bench.ofRole(told.role));
    const kind = kindOfTold(told.verb, told.role, form, text.slice(told.at, told.end));
    if (kind === told.kind || form === undefined) return;
    const again = scan(
      text,
      told.at,
      told.end,
      { role: told.role, part: told.part },
      { ...this.scanContext, formOf: () => form },
    )[0];
    if (again && again.rest.length <= told.rest.length)
      Object.assign(told, { ...again, verb: told.verb ?? again.verb, at: told.at, end: told.end });
  }

  private isAboutLast(t: Told): boolean {
    return t.kind === "act" || t.said.wraps !== undefined || t.understood.length === 0;
  }

  /** A line of a list: what it names is tied in where its role has its place, unless a later line does that. */
  private actListed(t: Telling, i: number): void {
    const { told, bench } = t;
    if (isBackOfHair(told)) Object.assign(told, { role: "wing", part: "wing" });
    const role = told.role;
    // “Legs: fibres picked out below”: they are what the body gives.
    if (role === "legs" && /\b(?:picked|teased|brushed|combed|pulled)\s+out\b/.test(t.text.slice(told.at, told.end)))
      return this.pickOutLegs(t);
    if (role === "thread") return this.actListedThread(t);
    // “head dubbed brown”: of dubbing, in that colour.
    const isDubbed = told.verb === "dub";
    if (role === "head" && !isDubbed && (told.kind === "wind" || told.kind === "act") && !this.isOfItsOwn(told))
      return this.actListedHead(t);
    if (told.kind === "whip") return tellWhip(t);
    if (role === "finish" || told.kind === "glue") return tellFinish(t);
    // “Head: 4 mm gold bead”
    const form = told.description && (told.description.exact?.form ?? told.description.means?.form);
    if (role === "head" && told.kind === "seat" && form !== "eyes")
      return tellSeat({ ...t, told: { ...told, role: "bead" } });
    if (role !== undefined && this.isTakenUp(role, told)) return this.takeUp(t);
    const named = this.stuffByHead(this.byColour(t, i), i);
    const object = objectOf(named);
    if (!object.component) return this.askMaterial(t, i);
    const isDeclared = role !== undefined && this.isToldLater(i, role, told.said.rule?.turns !== undefined);
    // “Tied in by the butts in front of the abdomen”: the place is that of the tie-in.
    const { there, ...more } = told.said;
    if (
      isDeclared &&
      role === "wing case" &&
      there &&
      !more.tieIn?.at &&
      tiedInBy.test(t.text.slice(told.at, told.end))
    )
      told.said = { ...more, tieIn: { ...more.tieIn, at: there } };
    // A list that says where it is tied in has tied it in; what follows later takes it up.
    if (isDeclared && (told.said.tieIn?.at !== undefined || told.said.hanging) && waitsOrHangs(object, told))
      return tellTieIn(t);
    if (isDeclared) {
      bench.declared.set(object.component.id, { said: told.said, line: i, used: false });
      return;
    }
    this.tieListed(t, object);
  }

  private pickOutLegs(t: Telling): void {
    t.told.rest = [];
    tellAct({ ...t, told: { ...t.told, kind: "act", role: undefined, said: { act: "pick out" } } });
  }

  /** A head of herl or chenille is wound of that, not of the thread. */
  private isOfItsOwn({ description }: Told): boolean {
    const form = description && (description.exact?.form ?? description.means?.form);
    return form !== undefined && form !== "thread" && form !== "liquid";
  }

  /** Whether a part waits to be wound or taken over, or was only named. */
  private isTakenUp(role: Component["role"], { description }: Told): boolean {
    if (description) return this.isOfWhatWaits(role, description);
    const component = this.bench.ofRole(role);
    return (
      this.bench.waits((w) => w.role === role) !== undefined ||
      (component !== undefined && this.bench.declared.has(component.id))
    );
  }
  /** “Rib: 7 turns of the mono”, of what was tied in for it and waits. */
  private isOfWhatWaits(role: Component["role"], description: NonNullable<Told["description"]>): boolean {
    const waiting = this.bench.waits((w) => w.role === role && !w.hangs);
    const material = waiting && this.bench.materialOf(this.bench.component(waiting.component));
    return material !== undefined && this.means(description, material, role);
  }
  private takeUp(t: Telling): void {
    const { told } = t;
    if (this.bench.waits((w) => w.role === told.role && w.hangs)) return verbOf("take over")?.tell(t);
    if (told.kind === "wind") return tellWind(t);
    if (told.kind === "dress") return tellDub(t);
    if (told.kind === "seat") return tellSeat(t);
    tellTieIn(t);
  }

  private tieListed(t: Telling, object: Meant): void {
    const { told } = t;
    const { said } = told;
    const { role } = object;
    if (told.kind === "seat") return tellSeat(t);
    if (told.kind === "dress") return tellDub(t);
    if (role === "rib" && told.kind !== "lay") return listedRib(t, object, said);
    if (role === "rib" && waitsToBeWound(role, object.form)) return listedRib(t, object, said);
    if (told.verb === "take over" && told.kind === "lay" && said.tieIn?.at) return listedCover(t, object, said);
    // Buds that lie on either side and reach somewhere are wings that are short yet: nothing is pulled over.
    const isBud =
      (said.round?.near && said.round.far) || (/\bbuds?\b/.test(told.part ?? "") && told.verb === undefined);
    if (role === "wing case" && said.shown && isBud)
      return tellTieIn({ ...t, told: { ...told, role: "wing", said: { attitude: "back", ...said } } });
    if (role === "wing case" && told.kind === "lay")
      return said.hanging && said.end === undefined && said.to === undefined
        ? tellTieIn(t)
        : listedCover(t, object, said);
    if (told.kind === "wind") return windNew(t, object, said);
    if (said.hanging && waitsToBeWound(role, object.form)) return tellTieIn(t);
    if (waitsToBeWound(role, object.form) && role !== "rib") return windNew(t, object, asWound(said));
    tellTieIn(t);
  }

  private actListedThread(t: Telling): void {
    const { told, bench } = t;
    const { component } = objectOf(t);
    if (component) bench.thread ??= component.id;
    const { said } = told;
    if (said.everyTieIn && said.wraps !== undefined) bench.wraps = said.wraps;
    bench.bodyOfThread ||= said.isBodyToo === true;
    const isBase =
      said.end !== undefined || said.to !== undefined || said.rule !== undefined || said.passes !== undefined;
    if (isBase) tellThread(t);
    else if (said.begin !== undefined || said.there !== undefined) bench.hangs = said.begin ?? said.there;
  }

  private actListedHead(t: Telling): void {
    const { told, bench } = t;
    const { said } = told;
    const thread = bench.component(bench.thread);
    const found = told.description ? bench.resolve(told.description).material : undefined;
    // Another thread than the one on the hook is changed to first.
    if (found?.thread && thread && !thread.material.some((m) => m.value === found.code)) {
      // “Head: red thread”, and below it the steps: it is changed to when they have come so far.
      if (this.isToldBySteps(t.line.number)) {
        bench.second = told.description;
        return;
      }
      const change = verbOf("change");
      change?.tell({ ...t, told: { ...told, said: {}, role: "thread", verb: "change" } });
    }
    // Where no line before has named one, it is the thread of the fly.
    if (found?.thread && !thread)
      bench.thread = objectOf({ ...t, told: { ...told, role: "thread", said: {} } }).component?.id;
    const isLong = said.size !== undefined && said.isLong === true;
    if (said.rule === undefined && said.from === undefined && said.end === undefined && !isLong) return;
    const wound: Told = { ...told, role: "head", part: "head", description: undefined };
    tellWind({ ...t, told: wound });
  }

  /** A clause without a verb, outside a list: what its material and words are used for. */
  private actUnsaid(t: Telling): void {
    const { told } = t;
    // “Then 3 inches of chenille”: a piece that is only named is tied in, to be wound by a later line.
    if (isPieceAlone(told)) return tellTieIn({ ...t, told: { ...told, kind: "lay" } });
    // “Black chenille and a saddle hackle tied in at the bend”: both wait there.
    const isOnlyTiedIn = told.kind === "wind" && told.description !== undefined && isTiedInLine.test(t.text);
    // “A foam strip tied along the shank from the eye to the bend”: bound down there, and free behind it.
    const isAlong = isOnlyTiedIn && /\b(?:tied|bound|lashed)\s+(?:down\s+)?along\b/.test(t.text);
    if (isOnlyTiedIn && told.said.rule === undefined && (isAlong || (!told.said.end && !told.said.from)))
      return tellTieIn({ ...t, told: { ...told, kind: "lay" } });
    if (told.said.rule?.turns !== undefined || told.kind === "wind") return tellWind(t);
    if (told.kind === "dress") return tellDub(t);
    if (told.kind === "seat") return tellSeat(this.stuffByHead(t, t.line.number));
    if (told.kind === "glue") return tellFinish(t);
    if (told.kind === "whip") return tellWhip(t);
    if (told.kind === "lay" && isGround(told.role)) {
      const object = objectOf(t);
      if (object.component) return this.tieListed(t, object);
    }
    if (told.kind === "lay") return tellTieIn(t);
    if (told.said.wraps !== undefined) return verbOf("hold")?.tell(t);
    if (told.said.act !== undefined) return tellAct(t);
    // “Orange silk. From the eye to the point and back”: it is the thread that goes there.
    const { from, end, begin } = told.said;
    if (this.bench.thread && !this.bench.isBased && (from ?? (begin && end)))
      return tellThread({ ...t, told: { ...told, role: "thread", kind: "wind" } });
  }

  /** “Flash: 10 strands, silver”, “dub a tan body”: of what it is needs no word but its colour. */
  private byColour(t: Telling, i: number): Telling {
    const [pearl] = t.told.role === "rib" ? t.told.rest : [];
    const isPearl = pearl !== undefined && /pearl|holo/.test((this.plain[i] ?? "").slice(pearl.at, pearl.end));
    const form = t.told.verb === "dub" ? "dubbing" : isPearl ? "tinsel" : formOfColours[t.told.role ?? "hook"];
    const [rest] = t.told.rest;
    const words = rest ? (this.plain[i] ?? "").slice(rest.at, rest.end).trim() : "";
    const isSaid = (w: string): boolean =>
      isColour(w) || modifiers.has(w) || (w === "pearl" && t.told.role === "flash") || isOfSize.test(w);
    const known = words.split(/[\s/]+/).filter(isSaid).length;
    const isColours = words !== "" && known === words.split(/[\s/]+/).length;
    // “Dub with olive seahorse”: whatever it is called, it is what is dubbed.
    const said = words.split(" ");
    // “Caddis green”: a shade that is called so.
    const isShade = said.length === 2 && isColour(said[1] ?? "");
    const isStuff =
      t.told.verb === "dub" && known > 0 && stuffBehindColour.test(words) && (isColour(said[0] ?? "") || isShade);
    if (isStuff && rest && !t.told.description) {
      t.told.rest = t.told.rest.slice(1);
      t.told.understood.push(rest);
      return {
        ...t,
        told: { ...t.told, description: { ...rest, text: `${words} dubbing`, means: { form: "dubbing" } } },
      };
    }
    if (!form || t.told.description || !rest || !isColours) return t;
    t.told.rest = t.told.rest.slice(1);
    t.told.understood.push(rest);
    // “Front hackle: longer ginger”: longer than another, of the same stuff.
    const plainWords = words
      .split(/\s+/)
      .filter((w) => !isOfSize.test(w))
      .join(" ");
    return { ...t, told: { ...t.told, description: { ...rest, text: `${plainWords} ${form}`, means: { form } } } };
  }

  /** “Lead under the thorax, 6 turns”, “Dumbbells, 4 mm”: the part itself says what it is of. */
  private stuffByHead(t: Telling, i: number): Telling {
    const at = this.heads[i]?.named?.[0];
    if (t.told.description || at === undefined || !saysItsStuff(t.told)) return t;
    const description = descriptionAt(this.plain[i] ?? "", at, this.scanContext.index);
    if (!description) return t;
    t.told.rest = t.told.rest.filter((r) => r.at >= description.end);
    t.told.understood.push({ at: description.at, end: description.end });
    return { ...t, told: { ...t.told, description } };
  }

  private askMaterial(t: Telling, i: number): void {
    const { told, line } = t;
    const rest = told.rest[0];
    const words = rest ? this.lines[i]?.slice(rest.at, rest.end).trim() : undefined;
    const role = told.role ?? "part";
    line.asks.push({
      at: rest ? [rest.at, rest.end] : [told.at, told.end],
      sentence: words
        ? `What is “${words}”? Say what it is made of.`
        : `Of what ${isPlural(role) ? "are" : "is"} the ${role} tied?`,
      answers: words
        ? (nounsOfRole[role] ?? ["dubbing", "floss", "yarn"]).map((noun) => ({
            label: `${words} ${noun}`,
            text: `${words} ${noun}`,
          }))
        : [],
    });
    if (rest) this.line(i).marks.push({ at: [rest.at, rest.end], kind: "doubt" });
    told.rest = told.rest.slice(rest ? 1 : 0);
    // Later lines tie in and wind it all the same, whatever it turns out to be of.
    if (told.role === "rib" && words) this.bench.componentFor("rib", undefined, words);
  }

  private tellUnused(): void {
    for (const w of this.bench.waiting)
      if (!w.used)
        this.line(w.line).notes.push(
          `the ${this.bench.component(w.component)?.role ?? w.role} is tied in here and never used`,
        );
    for (const [id, d] of this.bench.declared)
      if (!d.used)
        this.line(d.line).notes.push(`the ${this.bench.component(id)?.role ?? id} is named here and never tied in`);
  }
}

const tiedInBy = /\btied\s+(?:in|on)\s+by\s/;
const ofBarbs =
  /^\W*(?:the\s+)?(?:hackle\s+)?(?:fibres?|fibers?|barbs?)\s+(?:no|not|as|just|about|to|reach|a|one|two|the|half|equal|long)/;
const isOfSize = /^(?:longer|shorter|larger|smaller|bigger)$/;
const stuffBehindColour = /^(?:[a-z]+ ){1,2}[a-z]{4,}$/;
/** What a part is of where only colours are said of it. */
const formOfColours: Partial<Record<Component["role"], "flash" | "hackle">> = {
  flash: "flash",
  hackle: "hackle",
  collar: "hackle",
};

const bareTurns = new RegExp(`^(\\d{1,2}|${NUMBER_WORD})\\s+(?:turns?|wraps?)$`, "u");
/** “Fold the foam over and tie down, 4 turns”: turns of the thread, as nothing is wound. */
function turnsHoldIt(told: Told, text: string): void {
  for (const r of told.rest) {
    const n = readNumber(bareTurns.exec(text.slice(r.at, r.end).trim())?.[1] ?? "");
    if (n === undefined || told.said.wraps !== undefined) continue;
    told.said.wraps = n;
    told.rest = told.rest.filter((x) => x !== r);
    told.understood.push(r);
  }
}

/** Parts that are tied in and stand off the shank. */
const isLaid = (role: Component["role"]): boolean => role === "tail" || role === "underwing" || role === "throat";

/** Parts that hang beneath the fly: one and the same bundle goes by either name. */
const beneath = new Set<Component["role"]>(["legs", "throat"]);
/** Parts that stand off the shank. */
const standsOff = new Set<Component["role"]>([
  "tail",
  "wing",
  "underwing",
  "throat",
  "wing case",
  "legs",
  "topping",
  "cheeks",
]);

/** “Eyes: painted, yellow with a black pupil”. */
const arePainted =
  /^\s*(?:[a-z]+\s*,?\s+)?paint(?:ed)?(?=\s*(?:[,.;]|$|\b(?:on|in|white|yellow|black|red|orange|with)\b))/;
/** “Waist: bare thread, one millimetre”: what is not there is kept as it is said. */
const leftBare =
  /^\s*(?:waist|neck|gap)\s*[:=-]\s*(?:(?:just|only|a\s+bit\s+of)\s+)?(?:bare|left|thread|of\s+thread|none|nothing)\b(?!.*(?:[;]|\bturns?\b))/;
const otherEyes = /\d|\bor\b|stick|resin|epoxy|varnish|lacquer/;
const overThat =
  /^\W*(?:and\s+|then\s+)*(?:over|on\s+top\s+of|above)\s+(?:that|it|them|this|these|the\s+(?:wing|lot|whole))\b/;
const isPieceAlone = ({ verb, kind, description, said }: Told): boolean =>
  kind === "wind" &&
  verb === undefined &&
  description !== undefined &&
  said.pieceMm !== undefined &&
  Object.keys(said).length === 1;

/** The back of a little fish is hair that lies on top, tied in at the front: nothing is pulled over. */
const isBackOfHair = ({ part, description, said }: Told): boolean => {
  const form = description && (description.exact?.form ?? description.means?.form);
  return part === "back" && form === "hair" && said.hanging === undefined;
};

const sameAs = new RegExp(
  `^\\W*(?:(?:the\\s+)?same(?:\\s+(?:dubbing|fur|material|stuff|mix|herl))?\\s+as|as(?:\\s+for)?|like)\\s+(?:the\\s+|in\\s+the\\s+)?(${PARTS})(?![\\p{L}])`,
  "u",
);
/** Parts that a list never only ties in: they are there to be wound. */
const isGround = (role: Component["role"] | undefined): boolean =>
  role === "body" || role === "thorax" || role === "butt";

/** “Weed guard none”: a part that is not there on purpose, whatever it is called. */
const saysNone = /^\s*(?:[a-z-]+\s+){1,2}(?:none|not\s+needed|left\s+out)\s*[.!]?\s*$/;
const noneAhead = /^\s*(?:none|no|nothing)\s*[.;]\s+(?=\S)/;
const isNone = (text: string): boolean =>
  /^\s*(?:none|no|nothing|-|left\s+out|not\s+needed)\s*(?:,?\s*on\s+purpose\s*)?[.,]?\s*$/.test(text);
const isEmptyTold = (t: Told): boolean =>
  t.verb === undefined &&
  t.description === undefined &&
  t.role === undefined &&
  t.understood.length === 0 &&
  t.loose.length === 0;

const isPlural = (role: string): boolean => role === "legs" || role === "eyes" || role === "cheeks";
const nounsOfRole: Partial<Record<string, string[]>> = {
  body: ["dubbing", "floss", "yarn", "chenille"],
  thorax: ["dubbing", "herl", "chenille"],
  tail: ["hackle fibres", "hair", "marabou"],
  wing: ["hair", "wing quill", "flank"],
  hackle: ["hackle", "soft hackle"],
  collar: ["soft hackle", "hackle"],
  rib: ["wire", "tinsel", "thread"],
  legs: ["rubber legs", "hackle fibres"],
};
/** “Three strands of herl make the thorax; four wraps”: so many go together, in so many turns. */
function asWound({ amount, wraps, ...said }: Told["said"]): Told["said"] {
  const strands = amount && ("strands" in amount ? amount.strands : "fibres" in amount ? amount.fibres : 1);
  const isBare = said.rule === undefined && said.tieIn === undefined;
  return {
    ...said,
    ...(strands !== undefined && strands > 1 && { rope: said.rope ?? Math.round(strands) }),
    ...(wraps !== undefined && (isBare ? { rule: { turns: wraps } } : { wraps })),
  };
}
const waitsOrHangs = (object: Meant, told: Told): boolean =>
  waitsToBeWound(object.role, object.form) || object.role === "wing case" || told.said.hanging === true;
