import { DomainError } from "../errors";
import { hookAt, placeAt, sizeWithin, type HookGeometry, type HookModel, type Place } from "../hooks";
import type { Material } from "../materials";
import {
  clumpArea, clumpMass, fibresInSpan, fibresPerFeather, slipsPerFeather, strandOf, strandPieces, tieFly,
  type Dubbing, type LiquidKind, type Strand, type Take, type Thread, type TiedFly, type TyingStep,
} from "../tying";
import { missingFrom } from "./completeness";
import { Lengths } from "./lengths";
import type { BySize, Component, FlyChoice, LayAmount, Recipe, RecipeStep, Role } from "./recipe";

export type Materials = ReadonlyMap<string, Material>;

/** What one fly uses of a component, in the way in which it is taken. Lengths mm, mass mg, volume µl. */
export type ComponentUse =
  | { kind: "pieces"; each: number }
  | { kind: "length"; mm: number }
  | { kind: "mass"; mg: number }
  | { kind: "volume"; ul: number }
  | { kind: "wound feather"; length: number; bound: number; usable: number; grip: number; barb?: [number, number] }
  | { kind: "cut"; length: number; bound: number; piece: number; grip: number; trim: number }
  | { kind: "fibres"; fibres: number; perFeather: number; lengthMm: number }
  | { kind: "slips"; widthMm: number; perFeather: number }
  | { kind: "strands"; piecesPerFly: number; piecesPerStrand: number; pieceMm: number };

/** A component on this fly: chosen material, the steps that use it and what they take. */
export interface FlyPart {
  component: string;
  role: Role;
  material: Material;
  /** Alternates allowed by the pattern, best first. */
  alternates: string[];
  uses: { step: string; use: ComponentUse }[];
  made: boolean;
  makeMinutes: number;
}

/** A step with what the drawing and the bench need beside the computation. */
export interface FlyStep {
  id: string;
  name: string;
  step: RecipeStep;
  role?: Role;
  material?: Material;
  shownMm?: number;
  barbMm?: [number, number];
  fibres?: number;
  widthMm?: number;
}

export interface ComposedFly {
  choice: FlyChoice;
  hook: HookGeometry;
  tied: TiedFly;
  parts: FlyPart[];
  steps: FlyStep[];
}

/** The entry that holds for a size, or undefined. */
export function forSize<T>(options: BySize<T>[], size: string): T | undefined {
  return options.find((o) => !o.sizes || sizeWithin(size, o.sizes))?.value;
}

/** The materials of a choice, without tying it; what is not in the cabinet is left out. */
export function materialsOf(recipe: Recipe, choice: Pick<FlyChoice, "size" | "variant" | "form">, materials: Materials): Material[] {
  const form = recipe.forms.find((f) => f.id === choice.form);
  const swaps = { ...recipe.variants.find((v) => v.id === choice.variant)?.swaps, ...form?.swaps };
  return recipe.components.flatMap((c) => {
    const code = form?.omit.includes(c.id) ? undefined : forSize(swaps[c.id] ?? c.material, choice.size);
    return (code !== undefined && materials.get(code)) || [];
  });
}

/** Forms of material whose turns splay out instead of piling up; yarn is pile too but keeps its growth. */
const cappedForms = new Set(["herl", "chenille", "hackle"]);
const pileForms = new Set(["herl", "chenille", "yarn", "hackle"]);

/** Strands by material: the same material is wound and laid again and again. */
const strands = new WeakMap<Material, Strand>();

function strandFor(material: Material, step: RecipeStep): Strand {
  const known = strands.get(material);
  if (known) return known;
  if (!material.strand) throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the width and thickness of “${material.name}”` });
  const strand = strandOf({ ...material.strand, capped: cappedForms.has(material.form), pile: pileForms.has(material.form) });
  strands.set(material, strand);
  return strand;
}

class Composer {
  readonly hook: HookGeometry;
  readonly lengths: Lengths;
  /** Length that a bead takes against the eye. */
  private readonly beadMm: number;
  readonly parts = new Map<string, FlyPart>();
  readonly flySteps: FlyStep[] = [];
  private readonly components: Map<string, Component>;
  private readonly chosen = new Map<string, Material>();

  constructor(
    readonly recipe: Recipe,
    readonly choice: FlyChoice,
    model: HookModel,
    readonly materials: Materials,
  ) {
    this.hook = hookAt(model, choice.size);
    const form = recipe.forms.find((f) => f.id === choice.form);
    const omitted = new Set(form?.omit ?? []);
    const variant = recipe.variants.find((v) => v.id === choice.variant);
    if (!variant) throw new DomainError("PATTERN_VARIANT_UNKNOWN", { variant: choice.variant, known: recipe.variants.map((v) => v.name) });
    this.components = new Map(recipe.components.filter((c) => !omitted.has(c.id)).map((c) => [c.id, c]));
    const swaps = { ...variant.swaps, ...form?.swaps };
    for (const c of this.components.values()) if (c.role !== "hook") this.chooseMaterial(c, swaps[c.id] ?? c.material);
    this.beadMm = this.beadLength();
    this.lengths = new Lengths(recipe, this.hook, this.beadMm);
  }

  private chooseMaterial(c: Component, options: BySize<string>[]): void {
    const buys = c.bought && this.choice.buy?.includes(c.id);
    const code = buys ? c.bought?.material : forSize(options, this.choice.size);
    const material = code === undefined ? undefined : this.materials.get(code);
    if (!material) throw new DomainError("MATERIAL_UNKNOWN", { material: code ?? "none for this size", component: c.role });
    this.chosen.set(c.id, material);
    this.parts.set(c.id, {
      component: c.id,
      role: c.role,
      material,
      alternates: c.alternates ?? [],
      uses: [],
      made: c.bought !== undefined && !buys,
      makeMinutes: buys ? 0 : (c.makeMinutes ?? 0),
    });
  }

  private beadLength(): number {
    for (const step of this.recipe.steps) {
      if (step.do !== "seat" || !step.component || !this.components.has(step.component)) continue;
      if (placeAt(step.from, this.hook) < 1e-9) return this.chosen.get(step.component)?.part?.length ?? 0;
    }
    return 0;
  }

  /** Steps that this fly has: those of omitted components fall away. */
  steps(): TyingStep[] {
    return this.recipe.steps.filter((s) => !s.component || this.components.has(s.component)).map((s) => this.resolve(s));
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
    if (!material?.thread) throw new DomainError("STEP_NEEDS", { step: component.role, missing: "a thread with its denier" });
    return material.thread;
  }

  firstThread(): Component {
    const thread = [...this.components.values()].find((c) => c.role === "thread");
    if (!thread) throw new DomainError("PATTERN_INCOMPLETE", { missing: ["the thread is not named"] });
    return thread;
  }

  private resolve(step: RecipeStep): TyingStep {
    const component = step.component ? this.components.get(step.component) : undefined;
    const flyStep: FlyStep = { id: step.id, name: step.name, step, role: component?.role, material: step.component ? this.chosen.get(step.component) : undefined };
    this.flySteps.push(flyStep);
    const resolved = this.resolveUse(step, flyStep);
    if (step.tieIn) resolved.tieIn = { at: step.tieIn.at, wraps: step.tieIn.wraps ?? 5 };
    return resolved;
  }

  private resolveUse(step: RecipeStep, flyStep: FlyStep): TyingStep {
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
        return { id: step.id, name: step.name, do: "thread", thread: this.threadOf(step) };
      case "whip":
        return this.whip(step);
    }
  }

  private threadOf(step: RecipeStep): Thread {
    const component = this.components.get(step.component ?? "");
    if (!component) throw new DomainError("STEP_NEEDS", { step: step.name, missing: "the thread that it changes to" });
    return this.thread(component);
  }

  private seat(step: RecipeStep & { do: "seat" }): Extract<TyingStep, { do: "seat" }> {
    const { part, name } = this.material(step);
    if (!part) throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the diameter, length and weight of “${name}”` });
    const count = step.count ?? 1;
    this.use(step, { kind: "pieces", each: count });
    return { id: step.id, name: step.name, do: "seat", from: step.from, part, count };
  }

  /** Bound length of a wound material: what its own laid zone, or the step that bound it in, holds down. */
  private boundMm(step: RecipeStep & { do: "wind" }): number {
    const bead = this.beadMm;
    const span = (z: { from: Place; to: Place }) =>
      Math.abs(Math.max(bead, placeAt(z.to, this.hook, bead)) - Math.max(bead, placeAt(z.from, this.hook, bead)));
    const tiedIn = step.tiedIn ? this.recipe.steps.find((s) => s.id === step.tiedIn) : undefined;
    return (step.laid ? span(step.laid) : 0) + (tiedIn?.do === "lay" ? span(tiedIn) : 0);
  }

  private wind(step: RecipeStep & { do: "wind" }, flyStep: FlyStep): Extract<TyingStep, { do: "wind" }> {
    const material = this.material(step);
    const { id, name, from, to, rule, passes, stretch, rope, laid } = step;
    if (material.form === "thread") return { id, name, do: "wind", from, to, rule, strand: "thread", passes };
    const strand = strandFor(material, step);
    const bound = this.boundMm(step);
    if (step.barb) flyStep.barbMm = [this.lengths.mm(step.barb[0]), this.lengths.mm(step.barb[1])];
    const take = this.take(step, material, bound);
    return { id, name, do: "wind", from, to, rule, strand, passes, stretch, rope, laid, take };
  }

  private take(step: RecipeStep & { do: "wind" }, material: Material, bound: number): Take {
    const rule = step.take ?? (material.form === "hackle" ? { from: "feather" as const } : { from: "spool" as const, trimMm: 20 });
    switch (rule.from) {
      case "spool":
        return { from: "spool", bound, trim: rule.trimMm };
      case "pieces":
        return { from: "pieces", bound, piece: rule.pieceMm, grip: rule.gripMm, trim: rule.trimMm };
      case "feather": {
        const f = material.feather;
        if (!f) throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the usable stem of “${material.name}”` });
        return { from: "feather", usable: f.usable, grip: f.grip, bound: Math.max(bound, 4) };
      }
    }
  }

  private lay(step: RecipeStep & { do: "lay" }, flyStep: FlyStep): Extract<TyingStep, { do: "lay" }> {
    const material = this.material(step);
    const bead = this.beadMm;
    const bound = Math.abs(Math.max(bead, placeAt(step.to, this.hook, bead)) - Math.max(bead, placeAt(step.from, this.hook, bead)));
    const shown = step.shown ? this.lengths.mm(step.shown) : 0;
    flyStep.shownMm = shown;
    const taken = this.layAmount(step, step.amount, material, shown + bound, flyStep);
    const strandLength = step.countedWhenWound ? undefined : shown + bound;
    return { id: step.id, name: step.name, do: "lay", from: step.from, to: step.to, strand: taken.strand, strands: taken.strands, strandLength };
  }

  private layAmount(step: RecipeStep, amount: LayAmount, material: Material, lengthMm: number, flyStep: FlyStep): { strand: Strand; strands: number } {
    const strand = () => strandFor(material, step);
    const bought = this.components.get(step.component ?? "")?.bought;
    if (material.form === "made part" && bought) {
      flyStep.fibres = bought.perFly;
      this.use(step, { kind: "pieces", each: bought.perFly });
      return { strand: strand(), strands: bought.perFly };
    }
    const counted = step.do === "lay" && step.countedWhenWound === true;
    if ("clump" in amount) {
      const q = this.lengths.mm(amount.clump);
      const density = material.hair?.density ?? 1.3;
      flyStep.widthMm = q;
      this.use(step, { kind: "mass", mg: clumpMass(q, lengthMm, density) });
      const area = clumpArea(q);
      return { strand: { width: q, thickness: q, core: q, area, massPerMm: area * density * 0.6, capped: false, pile: false }, strands: 1 };
    }
    if ("slipWidth" in amount) {
      const width = this.lengths.mm(amount.slipWidth);
      const f = this.featherOf(material, step);
      flyStep.widthMm = width;
      flyStep.fibres = fibresInSpan(width, f.perMm);
      this.use(step, { kind: "slips", widthMm: width, perFeather: Math.max(1, slipsPerFeather(f.span, width)) });
      return { strand: strand(), strands: 2 * flyStep.fibres };
    }
    if ("fibres" in amount || "spanMm" in amount) {
      const f = this.featherOf(material, step);
      const fibres = "fibres" in amount ? amount.fibres : fibresInSpan(amount.spanMm, f.perMm);
      flyStep.fibres = fibres;
      if (!counted) this.use(step, { kind: "fibres", fibres, perFeather: fibresPerFeather(f), lengthMm });
      return { strand: strand(), strands: fibres };
    }
    if ("strands" in amount) {
      flyStep.fibres = amount.strands;
      if (!counted) {
        const s = strandPieces({ hank: material.pieceMm ?? 0, piece: lengthMm, ends: amount.strands, folded: amount.folded });
        this.use(step, { kind: "strands", ...s, pieceMm: amount.folded ? 2 * lengthMm : lengthMm });
      }
      return { strand: strand(), strands: amount.strands };
    }
    flyStep.fibres = amount.pieces;
    if (!counted) this.use(step, { kind: "pieces", each: amount.pieces });
    return { strand: strand(), strands: amount.pieces };
  }

  private featherOf(material: Material, step: RecipeStep) {
    if (!material.feather) throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the fibres per mm of “${material.name}”` });
    return material.feather;
  }

  private dress(step: RecipeStep & { do: "dress" }): Extract<TyingStep, { do: "dress" }> {
    const material = this.material(step);
    const dubbing: Dubbing | undefined = material.dubbing;
    if (!dubbing) throw new DomainError("STEP_NEEDS", { step: step.name, missing: `the packed density of “${material.name}”` });
    const rule = step.noodle
      ? { noodle: this.lengths.mm(step.noodle) }
      : step.fullness
        ? { target: [this.lengths.mm(step.fullness[0]), this.lengths.mm(step.fullness[1])] as [number, number] }
        : undefined;
    if (!rule) throw new DomainError("STEP_NEEDS", { step: step.name, missing: "how full, or how long a noodle" });
    return { id: step.id, name: step.name, do: "dress", from: step.from, to: step.to, rule, dubbing, loop: step.loopMm };
  }

  private whip(step: RecipeStep & { do: "whip" }): Extract<TyingStep, { do: "whip" }> {
    const finish = this.recipe.finish;
    const liquid: LiquidKind | undefined = finish.state === "given" ? this.chosen.get(finish.component)?.liquid?.kind : undefined;
    return {
      id: step.id,
      name: step.name,
      do: "whip",
      from: step.from,
      to: step.to,
      turns: step.turns,
      liquid,
      coats: finish.state === "given" ? finish.coats : 0,
    };
  }

  /** Once tied: what windings, dubbing, threads and coats took. */
  collect(tied: TiedFly): void {
    for (const result of tied.steps) {
      const flyStep = this.flySteps.find((s) => s.id === result.id);
      if (!flyStep) continue;
      if (result.do === "dress") this.use(flyStep.step, { kind: "mass", mg: result.mass ?? 0 });
      if (result.do === "wind" && flyStep.material?.form !== "thread") this.use(flyStep.step, this.woundUse(flyStep, result));
      if (result.do === "whip" && this.recipe.finish.state === "given" && result.volume)
        this.parts.get(this.recipe.finish.component)?.uses.push({ step: result.id, use: { kind: "volume", ul: result.volume } });
    }
    const threads = [this.firstThread().id, ...this.flySteps.filter((s) => s.step.do === "thread").map((s) => s.step.component ?? "")];
    tied.threads.forEach((t, i) => this.parts.get(threads[i] ?? "")?.uses.push({ step: "thread", use: { kind: "length", mm: t.use.total } }));
  }

  private woundUse(flyStep: FlyStep, result: TiedFly["steps"][number]): ComponentUse {
    const length = result.length ?? 0;
    const bound = result.bound ?? 0;
    if (flyStep.material?.form === "hackle") {
      const f = this.featherOf(flyStep.material, flyStep.step);
      return { kind: "wound feather", length, bound: Math.max(bound, 4), usable: f.usable, grip: f.grip, barb: flyStep.barbMm };
    }
    const strands = result.strands ?? 1;
    const take = flyStep.step.do === "wind" ? flyStep.step.take : undefined;
    const one = result.strandLength ?? 0;
    if (flyStep.material?.unit === "count") return { kind: "pieces", each: strands };
    if (take?.from === "pieces") return { kind: "cut", length: one - bound, bound, piece: take.pieceMm, grip: take.gripMm, trim: take.trimMm };
    return { kind: "length", mm: strands * (result.use ?? one) };
  }
}

/**
 * Tie one fly of a pattern by computation, for a size, variant and weight form.
 *
 * @param materials by code; every material that the recipe names for this choice must be there
 * @param options.keepProfiles keep D after each step, for drawing
 * @returns the tied fly, and per component what one fly uses
 * @throws DomainError PATTERN_INCOMPLETE, PATTERN_SIZE_OUTSIDE, PATTERN_VARIANT_UNKNOWN, MATERIAL_UNKNOWN, STEP_NEEDS
 *   and whatever a step refuses (with `step` set)
 */
export function composeFly(recipe: Recipe, choice: FlyChoice, model: HookModel, materials: Materials, options: { keepProfiles?: boolean } = {}): ComposedFly {
  const missing = missingFrom(recipe);
  if (missing.length > 0) throw new DomainError("PATTERN_INCOMPLETE", { missing });
  if (!sizeWithin(choice.size, recipe.sizes)) throw new DomainError("PATTERN_SIZE_OUTSIDE", { size: choice.size, ...recipe.sizes });
  const composer = new Composer(recipe, choice, model, materials);
  const tied = tieFly(composer.hook, composer.thread(composer.firstThread()), composer.steps(), options);
  composer.collect(tied);
  return { choice, hook: composer.hook, tied, parts: [...composer.parts.values()].filter((p) => p.uses.length > 0), steps: composer.flySteps };
}
