import { deepCopy } from "./copy";
import { lettersOf } from "./letters";
import { withoutPlural } from "../numeric";
import type { HookWanted, Place } from "../hooks";
import { colourIn, isColour, type Material, type MaterialForm } from "../materials";
import type { Component, Recipe, RecipeStep, Role } from "../recipe";
import type { CabinetIndex } from "./cabinet";
import { stuffOf } from "./named";
import { described } from "./described";
import type { Description } from "./description";
import type { Said } from "./said";
import type { Told } from "./told";

/** What is tied in and waits to be wound, taken over or spun. */
export interface Waiting {
  /** The step that tied it in. */
  step: string;
  component: string;
  role: Role;
  form: MaterialForm;
  at: Place;
  /** It hangs to be pulled over; else it is wound. */
  hangs: boolean;
  /** What was said when it was tied in, for when it is taken up. */
  said: Said;
  /** The line in which it was tied in, and whether it has been used. */
  line: number;
  used: boolean;
}

/** “the strip” may be one of hide or of plastic. */
const isBand = (form: MaterialForm): boolean => form === "yarn" || form === "stretch body";
/** A slip of turkey is cut from the turkey tail that was named. */
const ofFeathers = new Set<MaterialForm | undefined>(["quill", "feather fibre", "hackle"]);
/** Forms that are called by each other's nouns: barbs are the hackle's fibres, fur is dubbed. */
const alikeForms: readonly ReadonlySet<MaterialForm | undefined>[] = [
  ofFeathers,
  new Set<MaterialForm>(["dubbing", "blend"]),
];
/** Nouns by which a part is called, whatever bird or beast its stuff is of. */
const saysOfAny =
  /^(?:hackles?|feathers?|fib(?:re|er)s?|barbs?|fur|dubbing|hairs?|herls?|foam|yarn|wool|strips?|slips?|quills?|strands?|wire|tinsel|floss|chenille|flash|rubber)$/;
const isFibresAlone = /^(?:fib(?:re|er)s?|barbs?|barbules?)$/i;
const ofFibres = new Set<MaterialForm>([
  "hackle",
  "feather fibre",
  "quill",
  "herl",
  "hair",
  "dubbing",
  "blend",
  "yarn",
  "chenille",
]);
/** “The olive strip” is the rabbit strip that was named. */
const isOfForm = (own: MaterialForm, form: MaterialForm | undefined): boolean =>
  own === form || (form !== undefined && isBand(own) && isBand(form));
const areAlike = (a: MaterialForm, b: MaterialForm): boolean =>
  isOfForm(a, b) || alikeForms.some((those) => those.has(a) && those.has(b));
/** A noun that says nothing of which. */
export const isNounAlone =
  /^(?:strips?|hackles?|saddles?|slips?|film|foam|hairs?|feathers?|yarn|floss|wire|tinsel|herls?|chenille|flash|quill|mono(?:filament)?|wool|fib(?:re|er)s?|barbs?|rubber|latex|raffia|plastic)(?:\s+strands?)?$/i;

/** “the tying silk itself” is what is on the hook. */
const SHAPED = "small|neat|tidy|slim|tiny|short|long|large|big|smooth|tapered|compact|round|built[- ]up|cone-shaped";
const isThreadAlone = new RegExp(
  `^(?:the\\s+)?(?:(?:tying|working|same|own|flat|flattened|waxed|${SHAPED}),?\\s+)*(?:(?:silk\\s+)?thread|silk)(?:,?\\s+(?:and\\s+)?(?:${SHAPED}))*$`,
);
const howUsed = /^\s*dubbed\s+(?=[a-z])/i;
const isFurAlone = /^(?:(?:the|same|this|that)\s+)*(?:fur|dubbing|wool|blend|mix)$/;
/** So many others are offered beside what was taken. */
const MOST_OTHERS = 6;

/** A step as a line made it, with its line. */
export interface MadeStep {
  step: RecipeStep;
  line: number;
}

const slug = (text: string): string =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40) || "step";

/** The name, or the name with the first number that is free. */
export function unique(wanted: string, taken: (name: string) => boolean): string {
  if (!taken(wanted)) return wanted;
  let n = 2;
  while (taken(`${wanted}-${n}`)) n++;
  return `${wanted}-${n}`;
}

/** “Head: black, small”, “purple silk”: a thread of which only the colour is said is that on the hook. */
const isSameThread = (words: string, onHook: Material): boolean => {
  const colour = colourIn(words)?.name;
  return (
    colour !== undefined && !/\d/.test(words) && colour === colourIn(`${onHook.colourName ?? ""} ${onHook.name}`)?.name
  );
};

/** “One grizzly”, behind wings of grizzly hen: a cock’s, that stands. */
const isOfHen = (m: Material, text: string): boolean =>
  m.form === "hackle" && /\bhen\b/.test(m.name.toLowerCase()) && !/\bhen\b|\bsame\b|\bthe\b/.test(text.toLowerCase());

/**
 * The bench as the lines of a recipe leave it, one after another: parts and their materials, the thread, what waits.
 */
/** What the bench knows of the lines that are read. */
export interface BenchLines {
  /** The number of a line as it was typed, from 1. */
  numberOf: (line: number) => number;
  /** Ids of the steps that the line made when it was read before. */
  stepsBefore: (line: number) => readonly string[];
}

export class Bench {
  readonly components: Component[] = [];
  readonly made: MadeStep[] = [];
  /** Windings whose turns nobody has said yet: a later line may. */
  readonly usualTurns = new Set<string>();
  /** What was laid, or a hackle, and nobody has said how long: a later line may. */
  readonly usualLengths = new Set<string>();
  /** Windings that end where the body does, because nobody said where. */
  readonly overBody = new Set<string>();
  /** Windings of what was only named, as “four herls for the body”: a later line may say how it is wound. */
  readonly onlyNamed = new Set<string>();
  readonly waiting: Waiting[] = [];
  readonly newMaterials: Material[] = [];
  /** Where the thread hangs; undefined until it is on the hook. */
  hangs: Place | undefined;
  /** Where it hung before it was moved last. */
  movedFrom: Place | undefined;
  /** Thread that is on the hook. */
  thread: string | undefined;
  /** Another thread that a list names for the head, until it is changed to. */
  second: Description | undefined;
  /** The thread is the body as well. */
  bodyOfThread = false;
  /** Whether a base of thread has been laid. */
  isBased = false;
  /** Parts that a list named, with what it said of them, for the line that ties them in. */
  readonly declared = new Map<string, { said: Said; line: number; used: boolean }>();
  /** Materials that a list named ahead of the steps, and not for which part. */
  readonly named: Description[] = [];
  /** Whether a wing was told of as a post. */
  hasPost = false;
  /** What was told of last. */
  last: { component?: string; step?: string } = {};
  /** What waits until another part is there: the rib of a list until the body. */
  readonly later: { after: Role[]; make: () => void }[] = [];
  /** Wraps of every tie-in, where the recipe says so once for all. */
  wraps: number | undefined;
  /** Parts that later lines are about. */
  ahead: ReadonlySet<Role> = new Set();
  /** Nothing lies in front of the body, in a recipe that is told to its end. */
  isBodyAlone = false;
  /** Stuff that is pulled over later without a name of the part; and what is told now, where that is what is meant. */
  pulledLater: { stuff: readonly string[]; own?: { isBack: boolean } } = { stuff: [] };
  /** The clauses behind the one that is told now. */
  toldLater: () => readonly Told[] = () => [];
  /** Whether tinsel that is told of now is wound as the body. */
  isTinselBody: () => boolean = () => false;
  finish: Recipe["finish"] = { state: "not stated" };
  facts: Partial<Pick<Recipe, "hookModel" | "sizes">> & {
    family?: string;
    name?: string;
    style?: string;
    /** What is said of the hook beside its model, once a line told of one. */
    hookWanted?: HookWanted;
    /** The line that told the hook. */
    hookLine?: number;
    /** The line that told the sizes. */
    sizesLine?: number;
  } = {};

  constructor(
    readonly index: CabinetIndex,
    readonly materials: ReadonlyMap<string, Material>,
    /** The recipe as it was, from which what no words say is kept. */
    readonly was: Pick<Recipe, "components" | "steps"> | undefined,
    readonly lines: BenchLines,
  ) {}

  materialOf(component: Component | undefined): Material | undefined {
    const code = component?.material[0]?.value;
    if (code === undefined) return undefined;
    return this.materials.get(code) ?? this.newMaterials.find((m) => m.code === code);
  }
  formOf(component: Component | undefined): MaterialForm | undefined {
    return this.materialOf(component)?.form;
  }
  component(id: string | undefined): Component | undefined {
    return this.components.find((c) => c.id === id);
  }
  ofRole(role: Role | undefined): Component | undefined {
    return role === undefined ? undefined : this.components.findLast((c) => c.role === role);
  }

  /**
   * The material that a description means: one that is named exactly, one of the fly, one of the cabinet, or a new one.
   */
  resolve(d: Description): { material?: Material; others: Material[]; isNew: boolean; isListed?: true } {
    if (d.exact) return { material: this.ownCalled(d.text, d.exact) ?? d.exact, others: [], isNew: false };
    if (d.isReference) {
      const named =
        this.namedWith(d.text, d.means?.form) ?? this.listed(this.namedBy(d.text) ?? this.namedWithWord(d.text));
      const same = named || d.means?.form !== "hair" ? undefined : this.lastOfForm("hair");
      if (!same) return { material: named, others: [], isNew: false };
      // “A bunch of chartreuse”, where all bunches are of bucktail.
      const { isReference: _reference, ...plain } = d;
      return this.resolve({ ...plain, text: `${d.text.trim()} ${stuffOf(same.name)}`, means: { form: "hair" } });
    }
    // “Dubbed olive fur”: how it is used is no part of its name.
    const used = howUsed.exec(d.text)?.[0];
    if (used !== undefined) return this.resolve(this.calledSo(d, d.text.slice(used.length)));
    const ownThread = this.threadCalled(d);
    if (ownThread) return { material: ownThread, others: [], isNew: false };
    const listed = this.namedAs(d);
    if (listed) return { ...this.resolve(listed), isListed: true };
    if (d.parts) return this.resolveBlend(d, d.parts);
    const form = d.means?.form;
    // “the same fur”, “the fur”: what this fly was dubbed with before.
    const fur = form === "dubbing" && isFurAlone.test(d.text.toLowerCase().trim()) ? this.lastDubbed() : undefined;
    if (fur) return { material: fur, others: [], isNew: false };
    // “same dubbing”, where nothing has been dubbed: nobody can say which.
    if (/^(?:the\s+)?same\s/.test(d.text.toLowerCase().trim())) {
      const same = form === undefined ? undefined : this.lastOfForm(form);
      return { material: same, others: [], isNew: false };
    }
    const own = this.ownMeant(d.text, form);
    if (own) return { material: own, others: [], isNew: false };
    const here = new Set(this.components.flatMap((c) => c.material.map((m) => m.value)));
    const [first, ...others] = this.index.find(d.text, here, form);
    if (first) return { material: first, others: others.slice(0, MOST_OTHERS), isNew: false };
    return this.asNew(d);
  }

  /** A description in other words, which may be a name of the cabinet. */
  private calledSo({ exact: _exact, ...d }: Description, words: string): Description {
    const text = words.trim();
    const named = this.index.nameAt(text.toLowerCase(), 0);
    return { ...d, text, ...(named?.end === text.length && { exact: named.material }) };
  }

  /** The thread on the hook, where it is called so or by nothing but its colour. */
  private threadCalled({ text, means }: Description): Material | undefined {
    const onHook = means?.form === "thread" ? this.materialOf(this.component(this.thread)) : undefined;
    if (!onHook) return undefined;
    return isThreadAlone.test(text.toLowerCase().trim()) || isSameThread(text, onHook) ? onHook : undefined;
  }

  /** What the list ahead of the steps ended with this noun. */
  namedBy(noun: string): Description | undefined {
    const last = (d: Description): string =>
      d.text
        .toLowerCase()
        .trim()
        .split(/[\s,]+/)
        .at(-1) ?? "";
    const wanted = withoutPlural(noun.toLowerCase().trim());
    return this.named.find((d) => withoutPlural(last(d)) === wanted);
  }
  /** “The copper”, of the one thing in that list of which it is a word. */
  private namedWithWord(word: string): Description | undefined {
    const fits = this.named.filter((d) => lettersOf(d.text).includes(word.toLowerCase().trim()));
    return fits.length === 1 ? fits[0] : undefined;
  }
  private listed(d: Description | undefined): Material | undefined {
    return d && this.resolve(d).material;
  }

  /** “The bucktail”, “two herls”: what the list named so, where it is called by a word of it. */
  private namedAs(d: Description): Description | undefined {
    if (this.named.length === 0 || this.named.includes(d)) return undefined;
    const form = d.exact?.form ?? d.means?.form;
    const fits = this.named.filter((n) => {
      const own = n.exact?.form ?? n.means?.form;
      const isLike = own === form || (ofFeathers.has(own) && ofFeathers.has(form));
      return isLike && sameWords(n.text, d.text, form);
    });
    const [only, other] = fits;
    return only && !other && only.text.trim() !== d.text.trim() ? only : undefined;
  }

  private lastDubbed(): Material | undefined {
    return this.materialOf(this.components.findLast((c) => ["dubbing", "blend"].includes(this.formOf(c) ?? "")));
  }

  /** What the fly has itself: by its name, by words that all stand in it, or by its noun alone. */
  private ownMeant(text: string, form: MaterialForm | undefined): Material | undefined {
    const words = text.trim();
    const own = this.newMaterials.find((m) => m.name.toLowerCase() === words.toLowerCase());
    if (own) return own;
    const fitting = this.components.filter((c) => {
      const m = this.materialOf(c);
      return m !== undefined && isOfForm(m.form, form) && sameWords(withForm(m), text, form) && !isOfHen(m, text);
    });
    // “Wind the tinsel”, of two: the one that is not wound yet.
    const isLeft = (c: Component): boolean =>
      this.waiting.some((w) => w.component === c.id && !w.used) || this.declared.get(c.id)?.used === false;
    const here = this.materialOf((isNounAlone.test(words) ? fitting.find(isLeft) : undefined) ?? fitting[0]);
    if (here || form === undefined) return here;
    // “the strip”, “the hair”: a noun alone is what the fly has of it.
    const alone = isNounAlone.test(words)
      ? (this.namedWith(words, form) ?? this.lastOfForm(form) ?? this.quillOfHerl(text))
      : undefined;
    return alone ?? this.listedCalled(text, form);
  }

  /** A material that neither the fly nor the cabinet has: one that was described before, or a new one. */
  private asNew(d: Description): ReturnType<Bench["resolve"]> {
    const form = d.means?.form;
    const mine = this.newMaterials.find((m) => m.form === form && sameWords(m.name, d.text, form));
    if (mine) return { material: mine, others: [], isNew: false };
    if (!d.means || form === "hook") return { others: [], isNew: false };
    const material = described(
      d.text,
      d.means,
      (code) => this.materials.has(code) || this.newMaterials.some((m) => m.code === code),
    );
    this.newMaterials.push(material);
    return { material, others: form === undefined ? [] : this.index.near(d.text, form, MOST_OTHERS), isNew: true };
  }

  /** “the saddles”, of what a list named “white saddle hackles” and no line has tied in yet. */
  private listedCalled(words: string, form: MaterialForm): Material | undefined {
    const noun = words.trim().toLowerCase();
    if (/\s/.test(noun)) return undefined;
    return this.components
      .filter((c) => this.declared.get(c.id)?.used === false)
      .flatMap((c) => this.materialOf(c) ?? [])
      .find((m) => {
        const own = m.name
          .toLowerCase()
          .split(/[^\p{L}]+/u)
          .map(withoutPlural);
        // “The tubing”, of stretch tubing: what it is called is the same, whatever it is taken for alone.
        return m.form === form ? own.includes(withoutPlural(noun)) : own[own.length - 1] === withoutPlural(noun);
      });
  }

  /** “the cdc feathers”, of a fly that has dun ones: its own, though the cabinet has some of just that name. */
  private ownCalled(words: string, exact: Material): Material | undefined {
    const own = this.components.flatMap((c) => this.materialOf(c) ?? []);
    if (own.includes(exact)) return undefined;
    return own.find((m) => m.form === exact.form && isNamedBy(m.name, words));
  }

  /** What the fly has of a form: what waits first, then what came last. */
  private lastOfForm(form: MaterialForm): Material | undefined {
    const waiting = this.waits((w) => w.form === form);
    return this.materialOf(
      this.component(waiting?.component) ?? this.components.findLast((c) => this.formOf(c) === form),
    );
  }

  /** “the quill”, of a herl that was stripped, where the recipe has no other. */
  private quillOfHerl(words: string): Material | undefined {
    return words.trim().toLowerCase() === "quill" ? this.lastOfForm("herl") : undefined;
  }

  /** The part of the fly that a description means, where it has one: nothing new is made of it. */
  partOf(d: Description): Component | undefined {
    const form = d.exact?.form ?? d.means?.form;
    // “Stroke the fibres back”: those of what was wound or tied in last.
    if (isFibresAlone.test(d.text.trim())) return this.lastOfFibres();
    const used = new Set(this.components.flatMap((c) => c.material.map((m) => m.value)));
    const code = (d.exact ?? this.index.find(d.text, used)[0] ?? this.ownMeant(d.text, form))?.code;
    const named = this.components.findLast((c) => c.material.some((m) => m.value === code));
    if (code !== undefined && named) return named;
    // “Hare fibres, picked out”, “trim the hackle fibres”: of what is called so, then of what is of such stuff.
    const words = d.text.toLowerCase().split(/[^\p{L}]+/u);
    const nameOf = (c: Component): string[] =>
      this.materialOf(c)
        ?.name.toLowerCase()
        .split(/[^\p{L}]+/u) ?? [];
    // In a colour of its own it is another one, which is not on the fly.
    const colours = words.filter((w) => isColour(w));
    const isInColour = (c: Component): boolean => colours.every((w) => nameOf(c).includes(w));
    const isCalled = (c: Component): boolean =>
      isInColour(c) &&
      words.some((w) => w === c.role || (w !== "" && !isFibresAlone.test(w) && !isColour(w) && nameOf(c).includes(w)));
    // “Comb the marabou” is not said of a tail of hen fibres.
    const isOfAny = words.some((w) => saysOfAny.test(w));
    const isLike = (c: Component): boolean => {
      const own = this.formOf(c);
      return isOfAny && isInColour(c) && form !== undefined && own !== undefined && areAlike(own, form);
    };
    return (
      this.components.findLast((c) => isLike(c) && isCalled(c)) ??
      this.components.findLast(isCalled) ??
      this.components.findLast(isLike)
    );
  }
  private lastOfFibres(): Component | undefined {
    const last = this.made.findLast((m) => {
      const form = this.formOf(this.component(m.step.component));
      return form !== undefined && ofFibres.has(form);
    });
    return this.component(last?.step.component);
  }

  /** The part that is of what this word names: “the saddles”. */
  componentOf(word: string): Component | undefined {
    const material = this.namedWith(word) ?? this.namedWith(word.replace(/s$/, "")) ?? this.namedWith(`${word}s`);
    return this.components.findLast((c) => c.material.some((m) => m.value === material?.code));
  }

  /** What the recipe has named with this word: what waits first, then what came last. */
  private namedWith(word: string, form?: MaterialForm): Material | undefined {
    const says = (c: Component | undefined): Material | undefined => {
      const m = this.materialOf(c);
      const isQuill = word.toLowerCase() === "quill" && m?.form === "herl";
      if (form !== undefined && m && m.form !== form && !isQuill && !(isBand(m.form) && isBand(form))) return undefined;
      const name = `${m?.name ?? ""} ${m?.colourName ?? ""}`.toLowerCase();
      return name.split(/[^\p{L}\d]+/u).includes(word.toLowerCase()) ? m : undefined;
    };
    const waiting = this.waits((w) => says(this.component(w.component)) !== undefined);
    return says(this.component(waiting?.component)) ?? says(this.components.findLast((c) => says(c)));
  }

  /** Mixed of several, in equal parts as long as nobody says in which. */
  private resolveBlend(d: Description, parts: Description[]): ReturnType<Bench["resolve"]> {
    const name = d.text.trim().toLowerCase();
    const own = this.newMaterials.find((m) => m.name.toLowerCase() === name);
    if (own) return { material: own, others: [], isNew: false };
    const shares = parts.flatMap((p): [string, number][] => {
      const code = this.resolve(p).material?.code;
      return code === undefined ? [] : [[code, p.share ?? 1]];
    });
    const blend = described(
      d.text,
      { form: "blend" },
      (code) => this.materials.has(code) || this.newMaterials.some((m) => m.code === code),
    );
    const material: Material = {
      ...blend,
      blend: {
        leastChargeMg: blend.blend?.leastChargeMg ?? 0,
        parts: Object.fromEntries(shares),
        ...(d.laid && { laid: true }),
      },
    };
    this.newMaterials.push(material);
    return { material, others: [], isNew: true };
  }

  /** A part that is tied of a material: the one that is there, the one that was there before, or a new one. */
  componentFor(role: Role, material: Material | undefined, part: string | undefined): Component {
    const isIt = (c: Component): boolean =>
      c.role === role && (material === undefined || c.material.some((m) => m.value === material.code));
    const there = this.components.findLast(isIt);
    if (there) return there;
    const before = this.was?.components.find((c) => isIt(c) && !this.components.some((x) => x.id === c.id));
    const id = unique(
      slug(role),
      (n) =>
        this.components.some((c) => c.id === n) ||
        (before === undefined && this.was?.components.some((c) => c.id === n && c.role !== role) === true),
    );
    const fresh: Component = before
      ? deepCopy(before)
      : {
          id,
          role,
          material: material ? [{ value: material.code }] : [],
          ...(material === undefined && part !== undefined && { asStated: part }),
        };
    this.components.push(fresh);
    return fresh;
  }

  /** The part that the recipe had in a role, where its lines name no material. */
  before(role: Role): Component | undefined {
    return this.was?.components.some((c) => c.role === role && c.material.length > 0)
      ? this.componentFor(role, undefined, undefined)
      : undefined;
  }

  /** The id of the next step that a line makes, and the step as it was. */
  nextId(line: number, name: string, kind: RecipeStep["do"]): { id: string; was?: RecipeStep } {
    const mine = this.made.filter((m) => m.line === line).length;
    const before = this.lines.stepsBefore(line)[mine];
    const was = before === undefined ? undefined : this.was?.steps.find((s) => s.id === before);
    if (was && !this.made.some((m) => m.step.id === was.id))
      return { id: was.id, was: was.do === kind ? was : undefined };
    const taken = (n: string): boolean =>
      this.made.some((m) => m.step.id === n) || this.was?.steps.some((s) => s.id === n) === true;
    return { id: unique(slug(name), taken) };
  }

  push(step: RecipeStep, line: number, before?: string): void {
    const at = before === undefined ? -1 : this.made.findIndex((m) => m.step.id === before);
    if (at >= 0) this.made.splice(at, 0, { step, line });
    else this.made.push({ step, line });
    this.last = { component: step.component ?? this.last.component, step: step.id };
  }

  /** A step that is taken over as it was, with what it leaves on the bench. */
  keep(step: RecipeStep, line: number, role: Role | undefined, form: MaterialForm | undefined): void {
    this.push(step, line);
    if (step.tiedIn !== undefined) for (const w of this.waiting) if (w.step === step.tiedIn) w.used = true;
    if (step.do === "wind" && role === "thread") {
      this.thread ??= step.component;
      this.isBased = true;
      this.hangs = step.to ?? step.from;
    }
    if (step.do === "lay" && step.tiedIn === undefined) {
      const at = step.tieIn?.at ?? step.to;
      this.hangs = at;
      if (step.countedWhenWound || step.hanging)
        this.waiting.push({
          step: step.id,
          component: step.component ?? "",
          role: role ?? "body",
          form: form ?? "yarn",
          at,
          hangs: step.hanging === true,
          said: {},
          line,
          used: false,
        });
    }
    if (role) this.release(role);
  }

  /** What waits, by part, by material, or simply what was tied in last. */
  waits(fits: (w: Waiting) => boolean): Waiting | undefined {
    return this.waiting.findLast((w) => !w.used && fits(w));
  }

  /** Runs what waited for a part that is there now. */
  release(role: Role): void {
    const ready = this.later.filter((l) => l.after.includes(role));
    for (const l of ready) this.later.splice(this.later.indexOf(l), 1);
    for (const l of ready) l.make();
  }
  releaseAll(): void {
    for (const l of this.later.splice(0)) l.make();
  }
}

const pieceNouns = /^(?:feathers?|fib(?:re|er)s?|plumes?|hairs?|strands?|slips?|herls?)$/;
/** Whether words, two of them at least, all stand in a name; “one CDC feather” is of the CDC. */
export function isNamedBy(name: string, words: string): boolean {
  const own = name.toLowerCase().split(/[^\p{L}\d.']+/u);
  const said = words.toLowerCase().trim().split(/\s+/);
  const named = said.filter((w) => own.includes(w) || !pieceNouns.test(w));
  return said.length > 1 && named.some((w) => !isColour(w)) && named.every((w) => own.includes(w));
}
/** What is sold by its size: a bead of 2 mm is none of 3 mm. */
const bySize = new Set<MaterialForm>(["bead", "eyes", "thread", "weight wire", "wire"]);
/** A strip of hide is wound and counted as yarn is, and is none: “olive yarn” does not mean it. */
const withForm = ({ name, form }: Material): string =>
  form === "yarn" && /strip|zonker|hide|leather|fur/i.test(name) ? name : `${name} ${form}`;

const sameWords = (a: string, b: string, form: MaterialForm | undefined): boolean => {
  const isSized = form !== undefined && bySize.has(form);
  const set = (t: string) =>
    new Set(
      t
        .toLowerCase()
        .split(/[^a-z0-9.]+/)
        .filter((w) => w.length > 2 || (isSized && /\d/.test(w)))
        // “A hen back feather” is the hen back that was named.
        .filter((w) => form !== "hackle" || !/^feathers?$/.test(w))
        // “30 white bucktail hairs” are of the white bucktail; orange hackles need be no orange saddles.
        .map((w) => (form === "hackle" ? w : withoutPlural(w))),
    );
  const [x, y] = [set(a), set(b)];
  // “amber dubbing” is not the brown and amber of the body.
  const colours = (s: Set<string>): number => [...s].filter((w) => isColour(w)).length;
  if (/ (?:and|&|\/) /.test(a) && colours(y) > 0 && colours(y) < colours(x)) return false;
  // Peacock herl is not the stripped quill of it.
  if (x.has("stripped") && !y.has("stripped") && !y.has("quill")) return false;
  return y.size > 0 && [...y].every((w) => x.has(w));
};

/** Something told, with what the verbs need to act on it. */
export interface Telling {
  told: Told;
  /** The line, in small letters. */
  text: string;
  bench: Bench;
  line: LineNotes;
}

/** What comes of a line while it is told. */
export interface LineNotes {
  number: number;
  /** Begun with the name of a part, as in a list. */
  isListed: boolean;
  assumed: string[];
  asks: Ask[];
  notes: string[];
  steps: string[];
}

/** A question about a stretch of the line, with words that may stand there instead. */
export interface Ask {
  at: [from: number, to: number];
  sentence: string;
  answers: { label: string; text: string }[];
}
