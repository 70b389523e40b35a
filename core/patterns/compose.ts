import { DomainError } from "../errors";
import { hookAt, placeAt, sizeWithin, type HookGeometry, type HookModel, type Place } from "../hooks";
import type { Material } from "../materials";
import { ceilTo } from "../numeric";
import {
  DEFAULT_DUBBING_LOSS,
  DROP,
  tieFly,
  type Dubbing,
  type DressRule,
  type StepResult,
  type Take,
  type Thread,
  type TiedFly,
  type TyingStep,
} from "../tying";
import { fibreUse, layAmount } from "./amount";
import { reordered, stepFor } from "./change";
import { sameFor } from "./allowed";
import { codeOf, componentsOf } from "./choose";
import { missingFrom } from "./completeness";
import { dressed } from "./dressing";
import { Lengths, rootOf } from "./lengths";
import { dressingShare, methodFigures } from "./methods";
import { minutesOf } from "./minutes";
import type { Component, Dressing, DubbedShape, FlyChoice, Hold, NoodleThickness, Recipe, RecipeStep } from "./recipe";
import { roomWarnings } from "./room";
import { Schooling } from "./schooling";
import { strandFor } from "./strands";
import type { ComponentUse, ComposedFly, FlyPart, FlyStep, Materials } from "./use";

/** Fullness along a dubbed shape, as shares of its fullest, from the end named first. */
const shapes: Record<DubbedShape, number[]> = {
  slim: [1, 0.85],
  tapered: [1, 0.5],
  cigar: [0.6, 0.95, 1, 0.85, 0.5],
  ball: [0.45, 0.9, 1, 0.9, 0.45],
};

/** Line density of a noodle in mg/mm as people name it; docs/arithmetic.md, "Dress". */
export const noodleDensities: Record<NoodleThickness, number> = { sparse: 0.04, medium: 0.1, full: 0.14 };

/** Pieces cut for a fly are cut to whole 5 mm, with enough to hold them by. */
export const cutLength = (used: number): number => ceilTo(used + methodFigures.cutHandling, 5);

/** Least that holds a wound feather, in mm of stem. */
const FEATHER_BOUND = 4;
const USUAL_TRIM = 20;
/** Wraps of thread by how firmly a part is held, where nobody says how many. */
export const wrapsOfHold: Record<Hold, number> = { "loose hold": 2, lock: 5, final: 7 };

class Composer {
  readonly hook: HookGeometry;
  /** Length that a bead takes against the eye. */
  private readonly beadMm: number;
  private readonly lengths: Lengths;
  readonly parts = new Map<string, FlyPart>();
  readonly flySteps: FlyStep[] = [];
  private readonly components: Map<string, Component>;
  private readonly chosen = new Map<string, Material>();
  private readonly order: RecipeStep[];
  private readonly schooling: Schooling;

  constructor(
    readonly recipe: Recipe,
    readonly choice: FlyChoice,
    model: HookModel,
    readonly materials: Materials,
  ) {
    this.hook = hookAt(model, choice.size);
    if (!recipe.variants.some((v) => v.id === choice.variant))
      throw new DomainError("PATTERN_VARIANT_UNKNOWN", {
        variant: choice.variant,
        known: recipe.variants.map((v) => v.name),
      });
    this.components = new Map(componentsOf(recipe, choice).map((c) => [c.id, c]));
    for (const c of this.components.values()) if (c.role !== "hook") this.chooseMaterial(c);
    this.schooling = new Schooling(recipe, choice, (step) => {
      const component = step.component ? this.components.get(step.component) : undefined;
      return { role: component?.role, form: component && this.chosen.get(component.id)?.form };
    });
    this.order = this.stepsOfThisFly();
    this.beadMm = this.beadLength();
    this.lengths = new Lengths(this.order, (id) => this.components.get(id)?.role, this.hook, this.beadMm);
  }

  private chooseMaterial(c: Component): void {
    const buys = c.bought !== undefined && this.choice.buy?.includes(c.id) === true;
    const code = codeOf(this.recipe, this.choice, c);
    const material = code === undefined ? undefined : this.materials.get(code);
    if (!material)
      throw new DomainError("MATERIAL_UNKNOWN", { material: code ?? "none for this size", component: c.role });
    this.chosen.set(c.id, material);
    this.parts.set(c.id, {
      component: c.id,
      role: c.role,
      material,
      alternates: sameFor(c, material, this.materials).map((a) => a.material),
      uses: [],
      made: c.bought !== undefined && !buys,
      makeMinutes: buys ? 0 : (c.makeMinutes ?? 0),
    });
  }

  /** Steps that this fly has, as they hold for its size, in the order of its methods. Those of components left out fall away. */
  private stepsOfThisFly(): RecipeStep[] {
    const here = this.recipe.steps
      .filter((s) => !s.component || this.components.has(s.component))
      .map((s) => stepFor(s, this.choice, s.component ? this.components.get(s.component) : undefined));
    for (const step of here) this.schooling.settle(step);
    const ordered = reordered(here, (s) => this.school(s, "order") === "before");
    const longButts = new Map(
      ordered.flatMap((s) =>
        s.do === "wind" && this.school(s, "underbody") === "long butts" && s.levels?.butts !== undefined && s.to
          ? [[s.levels.butts, s]]
          : [],
      ),
    );
    return ordered.map((s) => this.inItsWay(s, longButts.get(s.id)));
  }

  /** A step as its schools turn it: dressed otherwise, wound the other way, its butts carried over what would be levelled. */
  private inItsWay(step: RecipeStep, levelled: (RecipeStep & { do: "wind" }) | undefined): RecipeStep {
    const dressing = this.school(step, "dressing");
    const now = dressing === undefined ? step : dressed(step, dressingShare(this.recipe, dressing as Dressing));
    if (this.school(now, "underbody") === "long butts") return { ...now, tieIn: undefined };
    if (now.do === "wind" && now.to !== undefined && this.school(now, "palmer") !== undefined)
      return this.palmered(now, now.to);
    return now.do === "lay" && levelled?.to
      ? { ...now, ...this.spanning(now, { from: levelled.from, to: levelled.to }) }
      : now;
  }

  /** A palmer begins in front and runs back, or begins at the bend and runs forward; its tie-in is where it begins. */
  private palmered(step: RecipeStep & { do: "wind" }, to: Place): RecipeStep {
    const [a, b] = [step.from, to].sort((p, q) => placeAt(p, this.hook) - placeAt(q, this.hook)) as [Place, Place];
    const forward = this.school(step, "palmer") === "forward";
    const begins = forward ? b : a;
    return { ...step, from: begins, to: forward ? a : b, ...(step.tieIn && { tieIn: { ...step.tieIn, at: begins } }) };
  }

  /** The zone that holds both. */
  private spanning(...zones: { from: Place; to: Place }[]): { from: Place; to: Place } {
    const ends = zones.flatMap((z) => [z.from, z.to]).sort((p, q) => placeAt(p, this.hook) - placeAt(q, this.hook));
    return { from: ends[0] as Place, to: ends.at(-1) as Place };
  }

  private school(step: RecipeStep, question: string): string | undefined {
    return this.schooling.school(step, question)?.id;
  }

  private beadLength(): number {
    for (const step of this.order) {
      if (step.do !== "seat" || !step.component) continue;
      if (placeAt(step.from, this.hook) < 1e-9) return this.chosen.get(step.component)?.part?.length ?? 0;
    }
    return 0;
  }

  steps(): TyingStep[] {
    return this.order.map((s) => this.resolve(s));
  }

  private use(step: RecipeStep, use: ComponentUse): void {
    this.parts.get(step.component ?? "")?.uses.push({ step: step.id, use });
  }

  private material(step: RecipeStep): Material {
    const material = this.chosen.get(step.component ?? "");
    if (!material) throw new DomainError("STEP_NEEDS", { step: step.name, missing: "a component" });
    return material;
  }

  thread(component: Component): Thread {
    const material = this.chosen.get(component.id);
    if (!material?.thread)
      throw new DomainError("STEP_NEEDS", { step: component.role, missing: "a thread with its denier" });
    return material.thread;
  }

  firstThread(): Component {
    const thread = [...this.components.values()].find((c) => c.role === "thread");
    if (!thread) throw new DomainError("PATTERN_INCOMPLETE", { missing: ["the thread is not named"] });
    return thread;
  }

  private resolve(step: RecipeStep): TyingStep {
    const component = step.component ? this.components.get(step.component) : undefined;
    const flyStep: FlyStep = {
      id: step.id,
      name: step.name,
      step,
      role: component?.role,
      material: component && this.chosen.get(component.id),
      methods: this.schooling.waysOf(step),
    };
    if (step.do === "wind") flyStep.clockwise = this.isClockwise(step);
    this.flySteps.push(flyStep);
    try {
      const resolved = this.resolveUse(step, flyStep);
      if (step.tieIn) {
        flyStep.wraps = (step.tieIn.wraps ?? wrapsOfHold[step.tieIn.hold ?? "lock"]) + this.extraWraps(step);
        resolved.tieIn = { at: step.tieIn.at, wraps: flyStep.wraps };
      }
      return resolved;
    } catch (error) {
      if (error instanceof DomainError) error.step ??= { id: step.id, name: step.name };
      throw error;
    }
  }

  /** A rib runs against the body or with it, whichever way the body is wound; reversing the body turns its ribs round. */
  private isClockwise(step: RecipeStep & { do: "wind" }): boolean {
    const direction = this.school(step, "rib direction");
    if (direction === undefined) return step.counter !== true;
    const body = this.order.find((s) => s.do === "wind" && this.components.get(s.component ?? "")?.role === "body");
    const bodyClockwise = body?.do === "wind" ? body.counter !== true : true;
    return direction === "against" ? !bodyClockwise : bodyClockwise;
  }

  private extraWraps(step: RecipeStep): number {
    return this.school(step, "weighted eyes") === "thread only" ? methodFigures.threadOnlyWraps : 0;
  }

  private resolveUse(step: RecipeStep, flyStep: FlyStep): TyingStep {
    const { id, name } = step;
    switch (step.do) {
      case "seat":
        return this.seat(step);
      case "wind":
        return this.wind(step, flyStep);
      case "lay":
        return this.lay(step, flyStep);
      case "dress":
        return this.dress(step);
      case "thread":
        return { id, name, do: "thread", thread: this.threadOf(step) };
      case "glue":
        return { id, name, do: "glue", at: step.at, drops: step.drops };
      case "act":
        return { id, name, do: "act", at: step.at, hitches: step.act === "half hitch" ? 1 : undefined };
      case "whip":
        return this.whip(step);
    }
  }

  private threadOf(step: RecipeStep): Thread {
    const component = this.components.get(step.component ?? "");
    if (!component) throw new DomainError("STEP_NEEDS", { step: step.name, missing: "the thread that it changes to" });
    return this.thread(component);
  }

  private seat(step: RecipeStep & { do: "seat" }): TyingStep {
    const { part, name } = this.material(step);
    if (!part)
      throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the diameter, length and weight of “${name}”` });
    const count = step.count ?? 1;
    this.use(step, { kind: "pieces", each: count });
    if (step.glue !== undefined && this.school(step, "weighted eyes") === "glued")
      this.parts.get(step.glue)?.uses.push({ step: step.id, use: { kind: "volume", ul: DROP } });
    return { id: step.id, name: step.name, do: "seat", from: step.from, part, count };
  }

  private span(z: { from: Place; to: Place }): number {
    const at = (p: Place) => Math.max(this.beadMm, placeAt(p, this.hook, this.beadMm));
    return Math.abs(at(z.to) - at(z.from));
  }

  /** Bound length of a wound material: what its own laid zone, or the step that bound it in, holds down. */
  private boundMm(step: RecipeStep & { do: "wind" }): number {
    const tiedIn = step.tiedIn ? this.order.find((s) => s.id === step.tiedIn) : undefined;
    return (step.laid ? this.span(step.laid) : 0) + (tiedIn?.do === "lay" ? this.span(tiedIn) : 0);
  }

  private wind(step: RecipeStep & { do: "wind" }, flyStep: FlyStep): TyingStep {
    // The butts lie there already: nothing is wound, and the thread stays where it hangs.
    if (this.school(step, "underbody") === "long butts") return { id: step.id, name: step.name, do: "act" };
    const material = this.material(step);
    const { id, name, from, to, rule, passes, stretch, rope, ribbon, laid } = step;
    const fill = step.fill && ([this.lengths.mm(step.fill[0]), this.lengths.mm(step.fill[1])] as [number, number]);
    flyStep.fillMm = fill;
    const flat = this.school(step, "underbody") === "flat thread";
    if (flat || this.isWorkingThread(step, material))
      return {
        id,
        name,
        do: "wind",
        from,
        to,
        rule,
        strand: "thread",
        passes,
        fill,
        ...(flat && { aspect: "flat" as const }),
      };
    if (this.school(step, "body ground") === "flat thread")
      return { id, name, do: "wind", from, to, rule: { touching: true }, strand: "thread", aspect: "flat", passes };
    if (step.barb) flyStep.barbMm = [this.lengths.mm(step.barb[0]), this.lengths.mm(step.barb[1])];
    const take = this.take(step, material, this.boundMm(step));
    const useUp =
      this.school(step, "hackle turns") === "whole feather" && take.from === "feather"
        ? take.usable - take.grip - take.bound
        : undefined;
    const tookMm = step.take?.from === "leftover" ? step.take.startMm - step.take.leftMm : undefined;
    return {
      id,
      name,
      do: "wind",
      from,
      to,
      rule,
      atMost: step.atMost,
      strand: strandFor(material, step),
      passes,
      stretch,
      rope,
      ribbon,
      laid,
      take,
      useUp,
      fill,
      tookMm,
    };
  }

  /** The thread on the hook at this step; another thread wound as rib or body is a material like any other. */
  private isWorkingThread(step: RecipeStep, material: Material): boolean {
    if (material.form !== "thread") return false;
    const role = this.components.get(step.component ?? "")?.role;
    const changed = this.order.slice(0, this.order.indexOf(step)).findLast((s) => s.do === "thread")?.component;
    const running = this.chosen.get(changed ?? this.firstThread().id);
    return role === "thread" || role === "head" || material === running;
  }

  private take(step: RecipeStep & { do: "wind" }, material: Material, bound: number): Take {
    const rule =
      step.take ??
      (material.form === "hackle" ? { from: "feather" as const } : { from: "spool" as const, trimMm: USUAL_TRIM });
    if (rule.from === "feather") return this.featherTake(step, material, bound);
    // What is left is stock again: nothing is thrown away.
    if (rule.from === "leftover") return { from: "spool", bound, trim: 0 };
    const trim =
      this.school(step, "wire ends") === "broken" ? Math.min(rule.trimMm, methodFigures.brokenEnd) : rule.trimMm;
    if (rule.from === "pieces" && this.school(step, "pieces") !== "spool")
      return { from: "pieces", bound, piece: rule.pieceMm, grip: rule.gripMm, trim };
    return { from: "spool", bound, trim };
  }

  private featherTake(step: RecipeStep, material: Material, bound: number): Take {
    const f = this.featherOf(material, step);
    const byTip = this.school(step, "hackle tied in") === "tip";
    const held = Math.max(bound, FEATHER_BOUND);
    // By the butt the pliers hold the usable tip; by the tip they hold the thick butt, which is not usable anyway.
    return byTip
      ? { from: "feather", usable: f.usable, grip: 0, bound: held + methodFigures.tipDoubledBack }
      : { from: "feather", usable: f.usable, grip: f.grip, bound: held };
  }

  private lay(step: RecipeStep & { do: "lay" }, flyStep: FlyStep): TyingStep {
    const material = this.material(step);
    const bound = this.span(step);
    const root = rootOf(step, this.hook, this.beadMm);
    const shown = step.shown ? this.lengths.mm(step.shown, root) : 0;
    const butts = this.school(step, "butts") === "trimmed after" ? (step.trimMm ?? methodFigures.longButts) : 0;
    flyStep.shownMm = shown;
    flyStep.grossMm = shown + bound + butts;
    const taken = this.laid(step, material, flyStep.grossMm);
    flyStep.fibres = taken.fibres;
    flyStep.widthMm = taken.widthMm;
    if (taken.use && !step.countedWhenWound) this.use(step, taken.use);
    return {
      id: step.id,
      name: step.name,
      do: "lay",
      from: step.from,
      to: step.to,
      strand: taken.strand,
      strands: taken.strands,
      strandLength: step.countedWhenWound ? undefined : shown + bound,
      shown,
    };
  }

  private laid(step: RecipeStep & { do: "lay" }, material: Material, grossMm: number) {
    const strand = () => strandFor(material, step);
    const bought = this.components.get(step.component ?? "")?.bought;
    if (material.form === "made part" && bought)
      return {
        strand: strand(),
        strands: bought.perFly,
        fibres: bought.perFly,
        widthMm: undefined,
        use: { kind: "pieces", each: bought.perFly } as const,
      };
    return layAmount(step.amount, {
      step,
      material,
      strand,
      mm: (rule) => this.lengths.mm(rule),
      grossMm,
      pooled: this.school(step, "feather use") !== "whole flies",
      stacked: this.school(step, "tips") === "stacked",
    });
  }

  private featherOf(material: Material, step: RecipeStep) {
    if (!material.feather)
      throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the usable stem of “${material.name}”` });
    return material.feather;
  }

  private dress(step: RecipeStep & { do: "dress" }): TyingStep {
    const material = this.material(step);
    if (!material.dubbing)
      throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the packed density of “${material.name}”` });
    if (step.trace) return this.trace(step, material);
    const way = this.school(step, "dubbing way");
    const dubbing: Dubbing = {
      density: material.dubbing.density,
      lineDensity:
        this.loads(step) ?? (step.thickness ? noodleDensities[step.thickness] : material.dubbing.lineDensity),
      loss: way === "touched" ? methodFigures.touchedLoss : (material.dubbing.loss ?? DEFAULT_DUBBING_LOSS),
    };
    const loop = way === "loop" ? (step.loopMm ?? ("as the noodle" as const)) : undefined;
    return {
      id: step.id,
      name: step.name,
      do: "dress",
      from: step.from,
      to: step.to,
      rule: this.dressRule(step),
      dubbing,
      loop,
    };
  }

  /** A trace is never weighed and fills nothing: the packet ties so many flies. */
  private trace(step: RecipeStep & { do: "dress" }, material: Material): TyingStep {
    if (!material.fliesPerPacket)
      throw new DomainError("STEP_NEEDS", {
        step: step.name,
        missing: `how many flies a packet of “${material.name}” makes`,
      });
    this.use(step, { kind: "packets", fliesPerPacket: material.fliesPerPacket });
    // At the zone's rear end, which is on the shank even where a bead covers its front.
    return { id: step.id, name: step.name, do: "act", at: this.spanning(step).to };
  }

  /** mg a mm of a loop that says what it carries, where it is a loop that is tied. */
  private loads(step: RecipeStep & { do: "dress" }): number | undefined {
    return step.loopMm !== undefined && step.loopLoad !== undefined && this.school(step, "dubbing way") === "loop"
      ? step.loopLoad
      : undefined;
  }

  private dressRule(step: RecipeStep & { do: "dress" }): DressRule {
    if (this.loads(step) !== undefined) return { noodle: (step.loopMm ?? 0) * (step.loopLayers ?? 1) };
    const byShape = step.fullness && this.school(step, "dubbing amount") !== "noodle";
    if (step.noodle && !byShape) return { noodle: this.lengths.mm(step.noodle) };
    if (!step.fullness)
      throw new DomainError("STEP_NEEDS", { step: step.name, missing: "how full, or how long a noodle" });
    const [a, b] = [this.lengths.mm(step.fullness[0]), this.lengths.mm(step.fullness[1])];
    if (!step.shape) return { target: [a, b] };
    const full = Math.max(a, b);
    return { target: shapes[step.shape].map((share) => share * full) };
  }

  private whip(step: RecipeStep & { do: "whip" }): TyingStep {
    const head = this.school(step, "head");
    const { coats, component } = this.headCoats(head);
    const liquid = component === undefined ? undefined : this.chosen.get(component)?.liquid?.kind;
    return {
      id: step.id,
      name: step.name,
      do: "whip",
      from: step.from,
      to: step.to,
      turns: head === "none" ? 2 * step.turns : step.turns,
      liquid,
      coats,
    };
  }

  private headCoats(school: string | undefined): { component?: string; coats: number } {
    const finish = this.recipe.finish;
    if (school === "none") return { coats: 0 };
    if (school !== undefined && school !== "as stated") return { component: school, coats: 1 };
    return finish.state === "given" ? finish : { coats: 0 };
  }

  /** Once tied: what windings, dubbing, threads and coats took. */
  collect(tied: TiedFly): void {
    const byId = new Map(this.flySteps.map((s) => [s.id, s]));
    for (const result of tied.steps) {
      const flyStep = byId.get(result.id);
      if (!flyStep) continue;
      if (result.do === "dress") this.use(flyStep.step, { kind: "mass", mg: result.mass ?? 0 });
      if (result.do === "wind" && result.strands !== undefined) this.collectWound(flyStep, result);
      if (result.do === "glue") this.use(flyStep.step, { kind: "volume", ul: result.volume ?? 0 });
      if (result.do === "whip") this.collectCoats(flyStep.step, result);
    }
    const threads = [
      this.firstThread().id,
      ...this.flySteps.filter((s) => s.step.do === "thread").map((s) => s.step.component ?? ""),
    ];
    tied.threads.forEach((t, i) =>
      this.parts.get(threads[i] ?? "")?.uses.push({ step: "thread", use: { kind: "length", mm: t.use.total } }),
    );
    this.shareFeathers();
  }

  private collectCoats(step: RecipeStep, result: StepResult): void {
    const school = this.school(step, "head");
    const { component } = this.headCoats(school);
    if (component === undefined || !result.volume) return;
    this.parts.get(component)?.uses.push({ step: result.id, use: { kind: "volume", ul: result.volume } });
    const finish = this.recipe.finish;
    if (school !== "as stated" || finish.state !== "given") return;
    const perCoat = result.volume / finish.coats;
    for (const coat of finish.then ?? [])
      this.parts.get(coat.component)?.uses.push({ step: result.id, use: { kind: "volume", ul: perCoat * coat.coats } });
  }

  /** Feathers that serve several parts are needed once: their fibres are counted together. */
  private shareFeathers(): void {
    for (const c of this.components.values()) {
      const own = this.parts.get(c.id);
      const shared = c.sharesWith === undefined ? undefined : this.parts.get(c.sharesWith);
      if (!own || !shared || own.material !== shared.material) continue;
      shared.uses.push(...own.uses.splice(0));
    }
  }

  private collectWound(flyStep: FlyStep, result: StepResult): void {
    const { step } = flyStep;
    if (step.do !== "wind" || !flyStep.material) return;
    const carried = step.carries === undefined ? undefined : this.flySteps.find((s) => s.id === step.carries);
    if (carried && this.school(step, "bundle") === "fold back") {
      // The same bundle goes on: counted once, but it has to be long enough for both.
      const use = this.parts.get(carried.step.component ?? "")?.uses.find((u) => u.step === carried.id)?.use;
      if (use?.kind === "fibres") use.lengthMm += result.strandLength ?? 0;
      return;
    }
    this.use(step, this.woundUse(flyStep, step, flyStep.material, result));
  }

  private woundUse(
    flyStep: FlyStep,
    step: RecipeStep & { do: "wind" },
    material: Material,
    result: StepResult,
  ): ComponentUse {
    const length = result.length ?? 0;
    const bound = result.bound ?? 0;
    const one = result.strandLength ?? 0;
    const count = result.strands ?? 1;
    if (material.form === "hackle") {
      const take = this.featherTake(
        step,
        material,
        bound - (this.school(step, "hackle tied in") === "tip" ? methodFigures.tipDoubledBack : 0),
      );
      const { usable, grip } = take.from === "feather" ? take : { usable: 0, grip: 0 };
      return {
        kind: "wound feather",
        length,
        bound,
        usable,
        grip,
        barb: flyStep.barbMm,
        ...(this.school(step, "hackle turns") === "whole feather" && { whole: true }),
      };
    }
    if (material.form === "feather fibre" && material.feather)
      return fibreUse(material, step, count, one, this.school(step, "feather use") !== "whole flies");
    if (material.unit === "count") return { kind: "pieces", each: count };
    if (this.school(step, "pieces") === "cut") return this.cutUse(step, one, bound);
    return { kind: "length", mm: count * (result.use ?? one) };
  }

  private cutUse(step: RecipeStep & { do: "wind" }, one: number, bound: number): ComponentUse {
    const take = step.take?.from === "pieces" ? step.take : undefined;
    if (take)
      return { kind: "cut", length: one - bound, bound, piece: take.pieceMm, grip: take.gripMm, trim: take.trimMm };
    return {
      kind: "cut",
      length: one - bound,
      bound,
      piece: cutLength(one),
      grip: 0,
      trim: methodFigures.cutHandling,
      toMeasure: true,
    };
  }

  ridesPointUp(): boolean {
    return this.order.some((s) => s.do === "seat" && s.lashed === "on top");
  }

  waysMinutes(): number {
    return this.order.reduce((sum, step) => sum + this.schooling.minutesOver(step), 0);
  }
}

/**
 * Tie one fly of a pattern by computation, for a size, variant and weight form.
 *
 * @param materials by code; every material that the recipe names for this choice must be there
 * @param options.keepProfiles keep D after each step, for drawing
 * @param options.incomplete tie it all the same, for the editor, as far as what is there allows
 * @returns the tied fly, and per component what one fly uses
 * @throws DomainError PATTERN_INCOMPLETE, PATTERN_SIZE_OUTSIDE, PATTERN_VARIANT_UNKNOWN, MATERIAL_UNKNOWN, METHOD_UNKNOWN,
 *   NOT_OPTIONAL, STEP_NEEDS and whatever a step refuses (with `step` set)
 */
export function composeFly(
  recipe: Recipe,
  choice: FlyChoice,
  model: HookModel,
  materials: Materials,
  options: { keepProfiles?: boolean; incomplete?: boolean } = {},
): ComposedFly {
  const missing = options.incomplete ? [] : missingFrom(recipe);
  if (missing.length > 0) throw new DomainError("PATTERN_INCOMPLETE", { missing });
  if (!sizeWithin(choice.size, recipe.sizes))
    throw new DomainError("PATTERN_SIZE_OUTSIDE", { size: choice.size, ...recipe.sizes });
  const composer = new Composer(recipe, choice, model, materials);
  const tied = tieFly(composer.hook, composer.thread(composer.firstThread()), composer.steps(), options);
  composer.collect(tied);
  const minutes = minutesOf(recipe, choice, composer.hook, tied, composer.waysMinutes(), (c) =>
    composeFly(recipe, c, model, materials, { incomplete: true }),
  );
  const fly: ComposedFly = {
    choice,
    hook: composer.hook,
    tied,
    steps: composer.flySteps,
    ridesPointUp: composer.ridesPointUp(),
    minutes: Math.max(0, minutes.standard + minutes.ways + minutes.leftOut + minutes.filled),
    minutesOf: minutes,
    parts: [...composer.parts.values()].filter((p) => p.uses.length > 0),
  };
  tied.warnings.push(...roomWarnings(recipe, fly));
  return fly;
}
