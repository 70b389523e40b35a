import type { Check, Recipe } from "../recipe";
import { coatListOf, type ComposedFly, type FlyStep } from "../fly";
import type { LiquidKind } from "../tying";

export interface MasterCheck extends Check {
  step?: string;
}

const inMm = (mm: number): string => `${mm.toFixed(1)} mm`;

/**
 * What the master fly is compared by: the pattern's own checks at their steps, and those that its parts ask for.
 * Each is bound to its moment. Where rough or loose is the standard, it says so, and it is then no ground for
 * rejection.
 */
export function checksOf(fly: ComposedFly, say: (mm: number) => string = inMm): MasterCheck[] {
  const own = fly.steps.flatMap((s) => (s.step.checks ?? []).map((c) => ({ ...c, step: s.id })));
  const byWay = fly.steps.flatMap((s) =>
    s.methods.flatMap((m) => (m.checks ?? []).map((c) => ({ ...c, feature: `${s.name}: ${c.feature}`, step: s.id }))),
  );
  return [...own, ...byWay, ...fly.steps.flatMap((s) => derived(fly, s, say)), ...always(fly, say)];
}

function derived(fly: ComposedFly, s: FlyStep, say: (mm: number) => string): MasterCheck[] {
  const { step } = s;
  if (step.coveredBy !== undefined)
    return [
      {
        feature: `${s.name}: need not be tidy, it is covered`,
        when: "before the cover",
        tolerance: "loose",
        step: s.id,
      },
    ];
  if (step.do === "lay" && s.shownMm && s.role !== "legs" && !step.hanging)
    return [
      {
        feature: `${s.name} ${say(s.shownMm)}`,
        when: s.role === "wing" || s.role === "tail" ? "before the cover" : "finished",
        tolerance: `± ${say(fly.hook.eye / 2)}`,
        step: s.id,
      },
    ];
  if (step.do === "lay" && s.role === "legs") {
    const loose = s.methods.some((m) => m.question === "symmetry" && m.school === "loose");
    return [
      {
        feature: loose ? `${s.name}: uneven is right` : `${s.name}: both sides alike`,
        when: "finished",
        tolerance: loose ? "loose" : "strict",
        step: s.id,
      },
    ];
  }
  if (step.do === "seat" && s.role === "eyes")
    return [{ feature: `${s.name}: level, straight, equal`, when: "finished", tolerance: "strict", step: s.id }];
  if (step.do === "dress" && step.brushed)
    return [
      { feature: `${s.name}: rough and picked out is right`, when: "after brushing", tolerance: "loose", step: s.id },
    ];
  if (step.do === "wind" && s.material?.form === "hackle")
    return [{ feature: `${s.name}: sweeps the right way, nothing trapped`, when: "dry", step: s.id }];
  if (step.do === "wind" && s.role === "rib" && fly.tied.steps.find((r) => r.id === s.id)?.turns)
    return [{ feature: `${s.name}: evenly spaced`, when: "finished", step: s.id }];
  return [];
}

function always(fly: ComposedFly, say: (mm: number) => string): MasterCheck[] {
  const head = fly.tied.steps.findLast((r) => r.do === "whip");
  return [
    { feature: `Head ${say(head?.headLength ?? 0)}, thread covered, no fibres in front of it`, when: "finished" },
    { feature: "Eye clear, hook point free", when: "finished", tolerance: "strict" },
  ];
}

/** How a coat is seen to be through, whatever the clock says. */
const through: Record<LiquidKind, string> = {
  lacquer: "no longer takes a fingertip, bright all over; else it waits on",
  resin: "no tack left under a fingertip; else it is cured once more",
  glue: "set hard, nothing moves",
};

/** The end of each coat, by the clock and by what is seen and felt: both have to hold before the next one. */
export function coatChecks(recipe: Pick<Recipe, "finish">, fly: ComposedFly): MasterCheck[] {
  const kinds = new Map(fly.parts.map((p) => [p.component, p.material?.liquid?.kind]));
  return coatListOf(recipe, fly).map(({ component, minutes }, i) => ({
    feature: `Coat ${i + 1}, after ${clock(minutes)}: ${through[kinds.get(component ?? "") ?? "lacquer"]}`,
    when: "dry",
    tolerance: "strict",
  }));
}
const clock = (minutes: number): string =>
  minutes < 120 ? `${Math.round(minutes)} min` : `${Number((minutes / 60).toFixed(1))} h`;

const LEAD = "Lead: wash hands after, nothing to the mouth, keep it from children. Many waters forbid it; ask locally.";

/**
 * Cautions at their steps: the pattern's own, the material's, and those of what is done. Never says that something is
 * safe or legal.
 */
export function cautionsOf(fly: ComposedFly): { step: string; sentence: string }[] {
  const seen = new Set<string>();
  return fly.steps.flatMap((s) => {
    const own = [s.step.caution, s.material?.caution, s.material?.lead ? LEAD : undefined, byDoing(s)];
    return own.flatMap((sentence) => {
      if (!sentence || seen.has(sentence)) return [];
      if (/^Lead:/.test(sentence) && [...seen].some((x) => x.startsWith("Lead:"))) return [];
      seen.add(sentence);
      return [{ step: s.id, sentence }];
    });
  });
}

function byDoing(s: FlyStep): string | undefined {
  if (s.step.do === "act" && s.step.act === "brush")
    return "Brushing: fur dust and points; brush away from the hook point, wear a mask for long runs.";
  if (s.step.do === "glue" && s.material?.liquid?.kind === "glue") {
    const how = { thin: "it runs and sets at once", gel: "it stays wet for longer than it looks" }[
      s.material.liquid.body ?? "thin"
    ];
    return `Instant glue sticks skin and eyes${s.material.liquid.body ? `: ${how}` : ""}; air the room. See the maker's data sheet.`;
  }
  return undefined;
}
