import { DomainError } from "../errors";
import { hookAt, placeAt, type HookGeometry, type HookModel, type Place } from "../hooks";
import { layersOf, type Material, type Materials } from "../materials";
import { Schooling } from "../methods";
import { codeOf, componentsOf, sameFor, type Component, type FlyChoice, type Recipe, type RecipeStep } from "../recipe";
import type { Thread, Warning } from "../tying";
import { Lengths } from "./lengths";
import { stepsOfThisFly } from "./order";
import { PlacesOfParts, saysPartPlaces } from "./places";
import type { ComponentUse, FlyPart, FlyStep } from "./types";

/** One fly of a recipe while it is composed: what its choice comes down to, and what its steps have taken so far. */
export class FlyContext {
  readonly hook: HookGeometry;
  /** Parts of this fly, with the material that each is tied of. */
  readonly components: ReadonlyMap<string, Component>;
  readonly chosen: ReadonlyMap<string, Material>;
  readonly schooling: Schooling;
  /** The steps that this fly has, in the order and the way in which it is tied. */
  readonly order: RecipeStep[];
  /** The recipe's steps, with the places that parts give settled. */
  readonly steps: RecipeStep[];
  /** Stretches that stay bare, as the recipe says them, on this hook. */
  readonly bare: NonNullable<Recipe["bare"]>;
  /** Length that a bead takes against the eye. */
  readonly beadMm: number;
  readonly lengths: Lengths;
  readonly parts = new Map<string, FlyPart>();
  readonly flySteps: FlyStep[] = [];
  /** What its parts ask that cannot be had, noticed while they are counted. */
  readonly warnings: Warning[] = [];

  /** @throws DomainError PATTERN_VARIANT_UNKNOWN, MATERIAL_UNKNOWN, METHOD_UNKNOWN, NOT_OPTIONAL, HOOK_SIZE_TOO_FAR */
  constructor(
    readonly recipe: Recipe,
    readonly choice: FlyChoice,
    model: HookModel,
    private readonly materials: Materials,
  ) {
    this.hook = hookAt(model, choice.size);
    if (!recipe.variants.some((v) => v.id === choice.variant))
      throw new DomainError("PATTERN_VARIANT_UNKNOWN", {
        variant: choice.variant,
        known: recipe.variants.map((v) => v.name),
      });
    this.components = new Map(componentsOf(recipe, choice).map((c) => [c.id, c]));
    this.chosen = this.chooseMaterials(materials);
    this.schooling = new Schooling(recipe, choice, (step) => ({
      role: this.roleOf(step),
      form: this.chosen.get(step.component ?? "")?.form,
    }));
    this.beadMm = this.beadLength(recipe.steps);
    const settle = this.settler(materials);
    this.steps = settle(recipe.steps);
    this.order = stepsOfThisFly(this);
    this.bare = settle(recipe.bare ?? []);
    this.lengths = new Lengths(this.order, (id) => this.components.get(id)?.role, this.hook, this.beadMm);
  }

  /** The colours of what a blend is mixed of, as far as they are known. */
  flecksOf(material: Material | undefined): { colour: string; share: number }[] | undefined {
    if (!material?.blend) return undefined;
    return Object.entries(material.blend.parts).flatMap(([code, share]) => {
      const colour = this.materials.get(code)?.colour;
      return colour === undefined ? [] : [{ colour, share }];
    });
  }

  private chooseMaterials(materials: Materials): Map<string, Material> {
    const chosen = new Map<string, Material>();
    for (const c of this.components.values()) {
      if (c.role === "hook") continue;
      const code = codeOf(this.recipe, this.choice, c);
      const material = code === undefined ? undefined : materials.get(code);
      if (!material) throw new DomainError("MATERIAL_UNKNOWN", { material: code, component: c.role });
      const buys = c.bought !== undefined && this.choice.buy?.includes(c.id) === true;
      chosen.set(c.id, material);
      this.parts.set(c.id, {
        component: c.id,
        role: c.role,
        material,
        alternates: sameFor(c, material, materials).map((a) => a.material),
        uses: [],
        layers: layersOf(material, materials),
        made: c.bought !== undefined && !buys,
        makeMinutes: buys ? 0 : (c.makeMinutes ?? 0),
        ...(c.area && this.choice.use?.[c.id] === undefined && { area: c.area }),
      });
    }
    return chosen;
  }

  /** Settles the places that parts give; most recipes say none. */
  private settler(materials: Materials): <T>(value: T) => T {
    if (!saysPartPlaces(this.recipe)) return (value) => value;
    const { recipe, choice, components, hook, beadMm } = this;
    const places = new PlacesOfParts({
      // Parts that this fly leaves out still give their places.
      steps: recipe.steps,
      hook,
      beadMm,
      materialOf: (id) => {
        const component = components.get(id) ?? recipe.components.find((c) => c.id === id);
        return this.chosen.get(id) ?? (component && materials.get(codeOf(recipe, choice, component) ?? ""));
      },
      nameOf: (id) => recipe.components.find((c) => c.id === id)?.role ?? id,
    });
    return (value) => places.settle(value);
  }

  private beadLength(steps: RecipeStep[]): number {
    for (const step of steps) {
      if (step.do !== "seat" || !step.component || !this.components.has(step.component) || "part" in step.from)
        continue;
      if (placeAt(step.from, this.hook) < 1e-9) return this.chosen.get(step.component)?.part?.length ?? 0;
    }
    return 0;
  }

  /** By which school a step answers a question; undefined where it does not raise it. */
  school(step: RecipeStep, question: string): string | undefined {
    return this.schooling.school(step, question)?.id;
  }

  roleOf(step: RecipeStep): Component["role"] | undefined {
    return this.components.get(step.component ?? "")?.role;
  }

  /** The material of a step. @throws DomainError STEP_NEEDS for a step without a component */
  material(step: RecipeStep): Material {
    const material = this.chosen.get(step.component ?? "");
    if (!material) throw new DomainError("STEP_NEEDS", { step: step.name, missing: "a component" });
    return material;
  }

  /** The thread that a component is. @throws DomainError STEP_NEEDS for one without a denier */
  thread(component: Component): Thread {
    const material = this.chosen.get(component.id);
    if (!material?.thread)
      throw new DomainError("STEP_NEEDS", { step: component.role, missing: "a thread with its denier" });
    return material.thread;
  }

  /** The thread on the hook at the start. */
  firstThread(): Component {
    const thread = [...this.components.values()].find((c) => c.role === "thread");
    if (!thread) throw new DomainError("PATTERN_INCOMPLETE", { missing: [{ code: "THREAD_NOT_NAMED", details: {} }] });
    return thread;
  }

  /** Length of a zone in mm, without what a bead covers. */
  span(zone: { from: Place; to: Place }): number {
    const at = (p: Place) => Math.max(this.beadMm, placeAt(p, this.hook, this.beadMm));
    return Math.abs(at(zone.to) - at(zone.from));
  }

  /** Notes what a step takes of its own component, or of another that is named. */
  take(step: RecipeStep, use: ComponentUse, component = step.component): void {
    this.parts.get(component ?? "")?.uses.push({ step: step.id, use });
  }
}
