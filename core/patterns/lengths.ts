import { DomainError } from "../errors";
import { placeAt, type HookGeometry } from "../hooks";
import type { LengthRule, Recipe } from "./recipe";

/** Front of the eye to the back of the bend. */
const wholeHook = (hook: HookGeometry) => hook.eye + hook.shank + 0.5 * hook.gape;

/**
 * Resolves lengths stated as rules into mm, for one hook.
 * Rules against body, tail or wing look the part up among the recipe's steps.
 */
export class Lengths {
  private readonly open = new Set<string>();

  constructor(
    private readonly recipe: Recipe,
    private readonly hook: HookGeometry,
    private readonly beadMm: number,
  ) {}

  /** @throws DomainError LENGTH_RULE_UNRESOLVED when the part is not there, or leans on itself */
  mm(rule: LengthRule): number {
    if ("mm" in rule) return rule.mm;
    return rule.times * this.measure(rule.of);
  }

  private measure(of: Exclude<LengthRule, { mm: number }>["of"]): number {
    switch (of) {
      case "shank":
      case "gape":
      case "eye":
        return this.hook[of];
      case "hook":
        return wholeHook(this.hook);
      case "body":
        return this.bodyLength();
      case "tail":
      case "wing":
        return this.shownLength(of);
    }
  }

  private rolesOf(role: string): Set<string> {
    return new Set(this.recipe.components.filter((c) => c.role === role).map((c) => c.id));
  }

  private bodyLength(): number {
    const bodies = this.rolesOf("body");
    const spans = this.recipe.steps.flatMap((s) => {
      if ((s.do !== "wind" && s.do !== "dress") || !s.component || !bodies.has(s.component) || s.to === undefined) return [];
      return [placeAt(s.from, this.hook, this.beadMm), placeAt(s.to, this.hook, this.beadMm)];
    });
    if (spans.length === 0) throw new DomainError("LENGTH_RULE_UNRESOLVED", { part: "body" });
    return Math.max(...spans) - Math.max(this.beadMm, Math.min(...spans));
  }

  private shownLength(part: "tail" | "wing"): number {
    const ids = this.rolesOf(part);
    const step = this.recipe.steps.find((s) => s.do === "lay" && s.component && ids.has(s.component) && s.shown);
    if (!step || step.do !== "lay" || !step.shown || this.open.has(part)) throw new DomainError("LENGTH_RULE_UNRESOLVED", { part });
    this.open.add(part);
    const mm = this.mm(step.shown);
    this.open.delete(part);
    return mm;
  }
}
