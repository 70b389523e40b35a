import { DomainError } from "../errors";
import { placeAt, type HookGeometry, type Place } from "../hooks";
import type { AddedLength, LengthRule, Measure, PlainLength, RecipeStep, Role } from "../recipe";
import { liesAlong } from "./liesAlong";

/** A bundle carried on as the body is body, whatever it began as. */
export const isCarriedOn = (step: RecipeStep): boolean => step.do === "wind" && step.carries !== undefined;

/** Front of the eye to the back of the bend. */
const wholeHook = (hook: HookGeometry) => hook.eye + hook.shank + 0.5 * hook.gape;

function something(against: string, mm: number): number {
  if (!(mm > 0)) throw new DomainError("LENGTH_LEAVES_NOTHING", { against, mm });
  return mm;
}

const asFarAs = (mm: number, { share = 1, pastMm = 0 }: { share?: number; pastMm?: number }): number =>
  mm * share + pastMm;

/**
 * Resolves lengths stated as rules into mm, for one hook.
 * Rules against body, tail or wing look the part up among the steps of this fly.
 */
export class Lengths {
  private readonly open = new Set<string>();

  constructor(
    private readonly steps: readonly RecipeStep[],
    private readonly roleOf: (component: string) => Role | undefined,
    private readonly hook: HookGeometry,
    private readonly beadMm: number,
  ) {}

  /**
   * @param rootMm where the part is tied in, for rules that reach to a landmark or another part's tip
   * @throws DomainError LENGTH_RULE_UNRESOLVED when the part is not there or leans on itself; LENGTH_LEAVES_NOTHING
   *   when it lies behind the reach, or less is left than nothing
   */
  mm(rule: LengthRule, rootMm?: number): number {
    if ("between" in rule) return (this.plain(rule.between[0], rootMm) + this.plain(rule.between[1], rootMm)) / 2;
    return this.plain(rule, rootMm);
  }

  private plain(rule: PlainLength, rootMm?: number): number {
    if ("mm" in rule) return rule.mm;
    if ("of" in rule) {
      const length = rule.times * this.measure(rule.of) + (rule.plus ? this.added(rule.plus) : 0);
      // Less than there is of it leaves nothing.
      return rule.plus ? something(rule.of, length) : length;
    }
    const root = rootMm ?? this.hook.shank;
    // A part may lie forward or back of the place that it reaches.
    if ("to" in rule) {
      return something("place", asFarAs(Math.abs(placeAt(rule.to, this.hook, this.beadMm) - root), rule));
    }
    return something(rule.reach, asFarAs(this.tip(rule.reach) - root, rule));
  }

  private added(plus: AddedLength): number {
    return "mm" in plus ? plus.mm : plus.times * this.measure(plus.of);
  }

  private measure(of: Measure): number {
    switch (of) {
      case "shank":
      case "gape":
      case "eye":
        return this.hook[of];
      case "hook":
        return wholeHook(this.hook);
      case "body":
      case "thorax":
        return this.zoneLength(of);
      case "hackle":
        return this.barbLength();
      default:
        return this.shownLength(of).length;
    }
  }

  /** Where something ends, in mm behind the eye. */
  private tip(reach: Extract<LengthRule, { reach: string }>["reach"]): number {
    switch (reach) {
      case "point":
      case "barb":
      case "bend":
        return placeAt({ landmark: reach }, this.hook, this.beadMm);
      case "mid-tail":
      case "tail": {
        const { root, length } = this.shownLength("tail");
        return root + (reach === "tail" ? length : length / 2);
      }
      case "wing": {
        const { root, length } = this.shownLength("wing");
        return root + length;
      }
    }
  }

  private stepsOf(role: Role): RecipeStep[] {
    return this.steps.filter((s) => s.component !== undefined && this.roleOf(s.component) === role);
  }

  private spansOf(role: Role, counts = (_: RecipeStep): boolean => true): number[] {
    return this.stepsOf(role).flatMap((s) => {
      if (!counts(s)) return [];
      if ((s.do !== "wind" && s.do !== "dress") || s.to === undefined) return [];
      return [placeAt(s.from, this.hook, this.beadMm), placeAt(s.to, this.hook, this.beadMm)];
    });
  }

  /** Where a strip lies that is bound along the shank: a body of foam. */
  private laidSpansOf(role: Role): number[] {
    return this.stepsOf(role).flatMap((s) =>
      s.do === "lay" && liesAlong(s)
        ? [placeAt(s.from, this.hook, this.beadMm), placeAt(s.to, this.hook, this.beadMm)]
        : [],
    );
  }

  private zoneLength(part: "body" | "thorax"): number {
    const wound = this.spansOf(part);
    const own = wound.length > 0 ? wound : this.laidSpansOf(part);
    // The fibres of a tail that are wound on are the body of a fly that has no other.
    const spans = own.length > 0 || part === "thorax" ? own : this.spansOf("tail", isCarriedOn);
    if (spans.length === 0) throw new DomainError("LENGTH_RULE_UNRESOLVED", { part });
    return Math.max(...spans) - Math.max(this.beadMm, Math.min(...spans));
  }

  /** The middle of what its barbs may measure. */
  private barbLength(): number {
    const wound = [...this.stepsOf("hackle"), ...this.stepsOf("collar")].find((s) => s.do === "wind" && s.barb);
    if (wound?.do !== "wind" || !wound.barb || this.open.has("hackle"))
      throw new DomainError("LENGTH_RULE_UNRESOLVED", { part: "hackle" });
    this.open.add("hackle");
    try {
      const root = middleOf(wound, this.hook, this.beadMm);
      return (this.mm(wound.barb[0], root) + this.mm(wound.barb[1], root)) / 2;
    } finally {
      this.open.delete("hackle");
    }
  }

  private shownLength(part: Role & Measure): { root: number; length: number } {
    const step = this.stepsOf(part).find((s) => s.do === "lay" && s.shown);
    if (!step || step.do !== "lay" || !step.shown || this.open.has(part))
      throw new DomainError("LENGTH_RULE_UNRESOLVED", { part });
    this.open.add(part);
    try {
      const root = rootOf(step, this.hook, this.beadMm);
      return { root, length: this.mm(step.shown, root) };
    } finally {
      this.open.delete(part);
    }
  }
}

/** Where the barbs of a winding stand, on the mean. */
export const middleOf = (step: { from: Place; to?: Place }, hook: HookGeometry, beadMm: number): number =>
  (placeAt(step.from, hook, beadMm) + placeAt(step.to ?? step.from, hook, beadMm)) / 2;

/** Where a laid part leaves the shank: its rear end when it points back, else its front. */
export const rootOf = (step: RecipeStep & { do: "lay" }, hook: HookGeometry, beadMm: number): number => {
  const ends = [placeAt(step.from, hook, beadMm), placeAt(step.to, hook, beadMm)];
  return (step.attitude ?? "back") === "back" ? Math.max(...ends) : Math.min(...ends);
};
