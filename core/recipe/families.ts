import { isSame } from "../numeric";
import type { Role } from "./component";
import type { LengthRule } from "./lengths";
import type { Recipe } from "./recipe";
import type { RecipeStep } from "./step";

/** What a family of hooks is usually dressed with: starting points, where a pattern says nothing else. */
export interface FamilyProportions {
  /** Shown length by role. */
  shown: Partial<Record<Role, LengthRule>>;
  /** Barb length of a wound hackle and of a soft collar. */
  hackle: [LengthRule, LengthRule];
  collar: [LengthRule, LengthRule];
  /** Fullest body. */
  body: LengthRule;
}

const of = (measure: "shank" | "gape", times: number): LengthRule => ({ of: measure, times });
const soft: [LengthRule, LengthRule] = [of("shank", 1), of("shank", 1.3)];
/** Barbs of a stiff collar, on whatever hook. */
export const stiffBarbs: [LengthRule, LengthRule] = [of("gape", 1.5), of("gape", 2)];

const wet: FamilyProportions = {
  shown: { tail: of("shank", 0.5), wing: of("shank", 1.1), throat: of("gape", 0.9), legs: of("gape", 1) },
  hackle: [of("gape", 1.2), of("gape", 1.6)],
  collar: soft,
  body: of("gape", 0.35),
};

/** By family, nominal: docs/arithmetic.md, "Families". */
const families: Record<string, FamilyProportions> = {
  dry: {
    shown: { tail: of("shank", 1), wing: of("shank", 0.9), legs: of("gape", 1) },
    hackle: stiffBarbs,
    collar: stiffBarbs,
    body: of("gape", 0.3),
  },
  wet,
  nymph: {
    ...wet,
    shown: { tail: of("shank", 0.5), throat: of("gape", 0.7), legs: of("gape", 1.2), "wing case": of("shank", 0.4) },
    body: of("gape", 0.45),
  },
  pupa: {
    ...wet,
    shown: { tail: of("gape", 0.3), wing: of("shank", 0.5), legs: of("gape", 0.9) },
    body: of("gape", 0.35),
  },
  streamer: {
    ...wet,
    shown: {
      tail: of("shank", 0.4),
      wing: of("shank", 1.25),
      throat: of("gape", 0.9),
      topping: of("shank", 1.25),
      flash: of("shank", 1.25),
    },
    body: of("gape", 0.4),
  },
  "low-water": {
    ...wet,
    shown: { tail: of("shank", 0.35), wing: of("shank", 0.8), throat: of("gape", 0.7) },
    body: of("gape", 0.25),
  },
  double: { ...wet, shown: { tail: of("shank", 0.5), wing: of("shank", 1), throat: of("gape", 0.8) } },
  large: {
    ...wet,
    shown: { tail: of("shank", 1.5), wing: of("shank", 1.8), flash: of("shank", 1.6), throat: of("gape", 1) },
    body: of("gape", 0.5),
  },
};

/** On every hook, where its family says nothing else: no part that stands off the fly is without a length. */
const onAnyHook = { wing: of("shank", 1), throat: of("gape", 0.9), legs: of("gape", 1), cheeks: of("shank", 0.35) };
/** What goes with a wing is as long as one. */
function complete(own: FamilyProportions): FamilyProportions {
  const wing = own.shown.wing ?? onAnyHook.wing;
  return { ...own, shown: { ...onAnyHook, underwing: wing, topping: wing, flash: wing, ...own.shown } };
}
const completed = new Map(Object.entries(families).map(([family, own]) => [family, complete(own)]));
const wetCompleted = complete(wet);

/** The usual proportions of a family of hooks; those of a wet hook where it has none of its own. */
export const proportionsOfFamily = (family: string): FamilyProportions => completed.get(family) ?? wetCompleted;

/**
 * A recipe moved to a hook of another family. Materials and colours stay; lengths that were the old family's usual ones
 * become the new family's; lengths that the pattern set on purpose stay as they are.
 * @returns the recipe, and the names of the steps that changed
 */
export function rehomed(
  recipe: Recipe,
  hookModel: string,
  from: string,
  to: string,
): { recipe: Recipe; changed: string[] } {
  const [was, is] = [proportionsOfFamily(from), proportionsOfFamily(to)];
  const role = new Map(recipe.components.map((c) => [c.id, c.role]));
  const changed: string[] = [];
  const steps = recipe.steps.map((s): RecipeStep => {
    const next = moved(s, role.get(s.component ?? ""), was, is);
    if (next !== s) changed.push(s.name);
    return next;
  });
  return { recipe: { ...recipe, hookModel, steps }, changed };
}

function moved(s: RecipeStep, role: Role | undefined, was: FamilyProportions, is: FamilyProportions): RecipeStep {
  if (
    s.do === "lay" &&
    role &&
    s.shown &&
    isSame(s.shown, was.shown[role]) &&
    is.shown[role] &&
    !isSame(s.shown, is.shown[role])
  )
    return { ...s, shown: is.shown[role] };
  if (s.do !== "wind" || !s.barb) return s;
  // A hackle of a soft feather has the barbs of a collar.
  const isCollar = role === "collar" || isSame(s.barb, was.collar);
  const [old, fresh] = isCollar ? [was.collar, is.collar] : [was.hackle, is.hackle];
  return isSame(s.barb, old) && !isSame(old, fresh) ? { ...s, barb: fresh } : s;
}
