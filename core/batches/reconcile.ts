import type { Coded } from "../errors";
import { ceilSafe } from "../numeric";
import { guard, type StockUnit } from "../units";

/** What was tied of a batch: good flies, and the tries that were not, by what each of them cost. */
export interface Tied {
  good: number;
  /** Lost with its hook. */
  wholeFly: number;
  /** The materials were lost, the hook was tied on again. */
  hookKept: number;
  /** Nothing but time. */
  timeOnly: number;
}

/** What one material came to, in its own whole units. */
export interface KitUse {
  key: string;
  material: string;
  unit: StockUnit;
  isHook: boolean;
  /** Counted in pieces, of which every fly takes so many whole ones; undefined for what is measured or shared. */
  piecesPerFly?: number;
  taken: number;
  used: number;
  spoilt: number;
  /** Somebody has said why it does not agree. */
  explained: boolean;
}

/** Where a kit does not agree with the flies. Quantities in the base units of the material. */
export interface DiscrepancyDetails {
  MORE_THAN_TAKEN: { key: string; material: string; unit: StockUnit; said: number; taken: number };
  MORE_FLIES_THAN_HOOKS: { key: string; material: string; flies: number; taken: number };
  FEWER_THAN_FLIES: { key: string; material: string; least: number; used: number };
  MORE_THAN_FLIES: { key: string; material: string; most: number; used: number };
}
export type Discrepancy = Coded<DiscrepancyDetails>;

/** Flies for which materials were used up: all tries but those that cost time only. */
export const fliesDressed = ({ good, wholeFly, hookKept }: Tied): number => good + wholeFly + hookKept;

/** Hooks that are gone: one a fly, good or thrown away with its hook. */
export const hooksSpent = ({ good, wholeFly }: Tied): number => good + wholeFly;

/**
 * Where a kit does not agree with what was tied from it. Nothing explains more flies than hooks, or more than was
 * taken; the rest may be explained by a person.
 *
 * @param tied whole counts, ≥ 0
 * @param uses quantities ≥ 0, each in its own unit
 * @returns in the order of `uses`, at most one for each; empty where everything adds up
 * @throws DomainError FIGURE_OUT_OF_BOUNDS
 * @example reconcile({ good: 63, wholeFly: 0, hookKept: 0, timeOnly: 0 },
 *   [{ key: "hook", material: "N1-14", unit: "count", isHook: true, piecesPerFly: 1, taken: 39, used: 39, spoilt: 0,
 *     explained: false }]) // MORE_FLIES_THAN_HOOKS: 63 flies, 39 hooks
 */
export function reconcile(tied: Tied, uses: readonly KitUse[]): Discrepancy[] {
  for (const count of Object.values(tied)) guard("flies tallied", count, { least: 0, most: 1_000_000, whole: true });
  return uses.flatMap((u) => of(tied, u) ?? []);
}

function of(tied: Tied, u: KitUse): Discrepancy | undefined {
  guard("what was used", u.used, { least: 0, most: Number.MAX_SAFE_INTEGER });
  guard("what was spoilt", u.spoilt, { least: 0, most: Number.MAX_SAFE_INTEGER });
  const { key, material, unit, taken, used } = u;
  const flies = hooksSpent(tied);
  const said = used + u.spoilt;
  if (u.isHook && flies > taken) return { code: "MORE_FLIES_THAN_HOOKS", details: { key, material, flies, taken } };
  if (said > taken) return { code: "MORE_THAN_TAKEN", details: { key, material, unit, said, taken } };
  if (u.explained || u.piecesPerFly === undefined || u.piecesPerFly < 1) return undefined;
  const least = ceilSafe(u.piecesPerFly * flies);
  const most = ceilSafe(u.piecesPerFly * (u.isHook ? flies : fliesDressed(tied)));
  if (used < least) return { code: "FEWER_THAN_FLIES", details: { key, material, least, used } };
  return used > most ? { code: "MORE_THAN_FLIES", details: { key, material, most, used } } : undefined;
}
