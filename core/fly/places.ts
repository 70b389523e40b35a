import { DomainError } from "../errors";
import { placeAt, shiftMm, type HookGeometry, type PartPlace, type Place } from "../hooks";
import type { Material } from "../materials";
import type { Recipe, RecipeStep } from "../recipe";
import { liesAlong } from "./liesAlong";
import { strandFor } from "./strands";

interface OnThisHook {
  steps: readonly RecipeStep[];
  hook: HookGeometry;
  beadMm: number;
  /** What a component is tied of, whether this fly has it or leaves it out. */
  materialOf: (component: string) => Material | undefined;
  nameOf: (component: string) => string;
}
interface Extent {
  front: number;
  rear: number;
}

/**
 * Places that parts give, settled on one hook: behind the weight, in front of the eyes. A part gives the same places on
 * a fly that leaves it out, so that what lies behind it does not move.
 */
export class PlacesOfParts {
  private readonly known = new Map<string, Extent>();
  private readonly open = new Set<string>();

  constructor(private readonly on: OnThisHook) {}

  /** The value with every place of a part in it as a share of the shank. @throws DomainError PLACE_NOT_THERE */
  settle<T>(value: T): T {
    if (value === null || typeof value !== "object") return value;
    if (Array.isArray(value)) return value.map((v: unknown) => this.settle(v)) as T;
    if (isPartPlace(value)) return { fraction: this.mm(value) / this.on.hook.shank } as T;
    return Object.fromEntries(Object.entries(value).map(([k, v]) => [k, this.settle(v as unknown)])) as T;
  }

  private mm(place: Place): number {
    const { hook, beadMm } = this.on;
    if (!isPartPlace(place)) return placeAt(place, hook, beadMm);
    const { front, rear } = this.extent(place.part);
    const at = place.end === "front" ? front : place.end === "rear" ? rear : (front + rear) / 2;
    return at + shiftMm(place.plus, hook);
  }

  private extent(part: string): Extent {
    const known = this.known.get(part);
    if (known) return known;
    const notThere = () => new DomainError("PLACE_NOT_THERE", { part: this.on.nameOf(part) });
    if (this.open.has(part)) throw notThere();
    this.open.add(part);
    try {
      const found = this.on.steps.filter((s) => s.component === part).flatMap((s) => this.extentOf(s) ?? []);
      if (found.length === 0) throw notThere();
      const extent = {
        front: Math.min(...found.map((e) => e.front)),
        rear: Math.max(...found.map((e) => e.rear)),
      };
      this.known.set(part, extent);
      return extent;
    } finally {
      this.open.delete(part);
    }
  }

  private extentOf(step: RecipeStep): Extent | undefined {
    switch (step.do) {
      case "seat": {
        const at = this.mm(step.from);
        // What is slid up to the eye fills the shank from there to where tying begins.
        if ("landmark" in step.from && step.from.landmark === "eye" && this.on.beadMm > 0)
          return { front: 0, rear: this.on.beadMm };
        return { front: at, rear: at + (this.on.materialOf(step.component ?? "")?.part?.length ?? 0) };
      }
      case "wind": {
        const [from, to] = [this.mm(step.from), step.to ? this.mm(step.to) : this.endOfTurns(step)];
        // Turns at one spot are as wide as one of them.
        return ordered(from, to === from ? from + this.widthOf(step) : to);
      }
      case "dress":
        return ordered(this.mm(step.from), this.mm(step.to));
      case "lay":
        // What is taken over lies from its tie-in to where it is held; what only waits to be wound gives no place.
        if (step.tiedIn !== undefined) return ordered(this.mm(step.from), this.mm(step.to));
        if (step.countedWhenWound) return undefined;
        return step.tieIn && !liesAlong(step)
          ? ordered(this.mm(step.tieIn.at), this.mm(step.tieIn.at))
          : ordered(this.mm(step.from), this.mm(step.to));
      default:
        return undefined;
    }
  }

  private widthOf(step: RecipeStep & { do: "wind" }): number {
    const material = this.on.materialOf(step.component ?? "");
    return material ? strandFor(material, step).width / Math.sqrt(step.stretch ?? 1) : 0;
  }

  /** Touching with so many turns ends where they end. */
  private endOfTurns(step: RecipeStep & { do: "wind" }): number {
    const from = Math.max(this.on.beadMm, this.mm(step.from));
    return (
      from + (step.rule.turns ?? 0) * this.widthOf(step) * (step.ribbon ? (step.rope ?? 1) : Math.sqrt(step.rope ?? 1))
    );
  }
}

const ordered = (a: number, b: number): Extent => ({ front: Math.min(a, b), rear: Math.max(a, b) });

const isPartPlace = (value: object): value is PartPlace => "part" in value && "end" in value;

const told = new WeakMap<Recipe, boolean>();
/** Whether any place of a recipe is said against a part: most say none, and are spared the walk. */
export function saysPartPlaces(recipe: Recipe): boolean {
  const known = told.get(recipe);
  if (known !== undefined) return known;
  const says = JSON.stringify([recipe.steps, recipe.bare]).includes('"part":');
  told.set(recipe, says);
  return says;
}
