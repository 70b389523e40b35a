import { DomainError } from "../errors";
import { hookMass, placeAt, type HookGeometry, type Place } from "../hooks";
import { judge } from "./judge";
import { diameterAt } from "./profile";
import { runStep } from "./steps";
import type { Thread } from "./strand";
import type { StepResult, TiedFly, TyingStep } from "./types";
import { Vise } from "./vise";

const MOST_STEPS = 60;
/** What leaves the spool, as a multiple of what is used. */
const THREAD_SLACK = 1.15;

/**
 * Tie one fly by computation: each step reads the diameter that it finds, says what it uses and leaves a new one.
 *
 * @param thread the thread on the hook at the start; a `thread` step changes it
 * @param steps at most 60, in working order
 * @param options.keepProfiles keep D after every step (for drawing)
 * @returns per step its use; thread by cause; mass in mg; warnings with the step that causes them
 * @throws DomainError with `step` set to the step at which it happened
 *
 * Source: docs/arithmetic.md, "The profile".
 */
export function tieFly(
  hook: HookGeometry,
  thread: Thread,
  steps: TyingStep[],
  options: { keepProfiles?: boolean } = {},
): TiedFly {
  if (steps.length > MOST_STEPS) throw new DomainError("TOO_MANY_STEPS", { steps: steps.length, most: MOST_STEPS });
  const vise = new Vise(hook, thread);
  const results = steps.map((step): StepResult => {
    try {
      const result = runStep(vise, step);
      return options.keepProfiles ? { ...result, after: vise.profile.d.slice() } : result;
    } catch (error) {
      if (error instanceof DomainError) error.step = { id: step.id, name: step.name };
      throw error;
    }
  });
  return finished(vise, results);
}

/** The fly taken from the vise: its threads summed, its mass, and what is to be said of it. */
function finished(vise: Vise, results: StepResult[]): TiedFly {
  let thread = 0;
  for (const { use, thread: t } of vise.threads) {
    const onFly = use.windings + use.tieIns + use.overLays + use.underDubbing + use.loops + use.whip;
    use.total = THREAD_SLACK * (onFly + use.startTag + use.finishTag);
    thread += (onFly * t.denier) / 9000;
  }
  const parts = { hook: hookMass(vise.hook), ...vise.mass, thread };
  return {
    hook: vise.hook,
    profile: vise.profile,
    steps: results,
    threads: vise.threads,
    mass: { ...parts, total: parts.hook + parts.beads + parts.materials + parts.dubbing + parts.thread },
    warnings: [...vise.warnings, ...judge(vise.hook, vise.profile, results)],
    beadMm: vise.beadMm,
  };
}

/** D at a place of a tied fly, in mm. */
export const diameterAtPlace = (fly: TiedFly, place: Place): number =>
  diameterAt(fly.profile, placeAt(place, fly.hook, fly.beadMm));
