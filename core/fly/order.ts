import { placeAt, type HookGeometry, type Place } from "../hooks";
import { dressed, dressingShare, type Schooling } from "../methods";
import {
  reordered,
  stepFor,
  type Component,
  type Dressing,
  type FlyChoice,
  type Recipe,
  type RecipeStep,
} from "../recipe";

/** What decides which steps a fly has and in which way they are done. */
interface Parts {
  recipe: Recipe;
  /** Its steps, with every place settled on this hook. */
  steps: readonly RecipeStep[];
  choice: FlyChoice;
  hook: HookGeometry;
  components: ReadonlyMap<string, Component>;
  schooling: Schooling;
  school: (step: RecipeStep, question: string) => string | undefined;
}
type WindStep = RecipeStep & { do: "wind" };

/**
 * Steps that this fly has, as they hold for its size, in the order of its methods. Those of components left out fall
 * away.
 */
export function stepsOfThisFly(c: Parts): RecipeStep[] {
  const here = c.steps
    .filter((s) => !s.component || c.components.has(s.component))
    .map((s) => stepFor(s, c.choice, s.component ? c.components.get(s.component) : undefined));
  for (const step of here) c.schooling.settle(step);
  const ordered = reordered(here, (s) => c.school(s, "order") === "before");
  const longButts = new Map(
    ordered.flatMap((s): [string, WindStep][] =>
      s.do === "wind" && c.school(s, "underbody") === "long butts" && s.levels?.butts !== undefined && s.to
        ? [[s.levels.butts, s]]
        : [],
    ),
  );
  return ordered.map((s) => inItsWay(c, s, longButts.get(s.id)));
}

/**
 * A step as its schools turn it: dressed otherwise, wound the other way, its butts carried over what would be levelled.
 */
function inItsWay(c: Parts, step: RecipeStep, levelled: WindStep | undefined): RecipeStep {
  const dressing = c.school(step, "dressing");
  const now = dressing === undefined ? step : dressed(step, dressingShare(c.recipe, dressing as Dressing));
  if (c.school(now, "underbody") === "long butts") return { ...now, tieIn: undefined };
  if (now.do === "wind" && now.to !== undefined && c.school(now, "palmer") !== undefined)
    return palmered(c, now, now.to);
  return now.do === "lay" && levelled?.to
    ? { ...now, ...spanning(c.hook, now, { from: levelled.from, to: levelled.to }) }
    : now;
}

/** A palmer begins in front and runs back, or begins at the bend and runs forward; its tie-in is where it begins. */
function palmered(c: Parts, step: WindStep, to: Place): RecipeStep {
  const { from: front, to: rear } = spanning(c.hook, { from: step.from, to });
  const forward = c.school(step, "palmer") === "forward";
  const [begins, ends] = forward ? [rear, front] : [front, rear];
  return { ...step, from: begins, to: ends, ...(step.tieIn && { tieIn: { ...step.tieIn, at: begins } }) };
}

/** The zone that holds all of these, from its front to its rear. */
export function spanning(hook: HookGeometry, ...zones: [{ from: Place; to: Place }, ...{ from: Place; to: Place }[]]) {
  const ends = zones.flatMap((z) => [z.from, z.to]).sort((p, q) => placeAt(p, hook) - placeAt(q, hook));
  return { from: ends[0] ?? zones[0].from, to: ends.at(-1) ?? zones[0].to };
}
