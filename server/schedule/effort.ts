/**
 * How hard a plan is looked for and how often it is played through, as a share of the usual: above 0, at most 1. A
 * small machine, or one with much else to do, is asked for less and has a plan sooner, only not one as good.
 */
export type Effort = number;
export const FULL_EFFORT: Effort = 1;

/** So much of the usual number of changes or runs, at least one. */
export const shareOf = (usual: number, effort: Effort): number => Math.max(1, Math.round(usual * effort));

/** As it is set for a server; nothing set is the usual. */
export function readEffort(text: string | undefined): Effort {
  if (text === undefined || text.trim() === "") return FULL_EFFORT;
  const effort = Number(text);
  if (!(effort > 0 && effort <= FULL_EFFORT))
    throw new Error(`PLAN_EFFORT is ${text}: set it to a share above 0 and at most 1, as 0.5, or leave it away.`);
  return effort;
}
