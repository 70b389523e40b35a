import type { LotTraits } from "@kasten/core/stock";

const PER_CENT = 100;
const inPercent = (share: number | undefined): number | undefined =>
  share === undefined ? undefined : Number((share * PER_CENT).toFixed(4));
const ofPercent = (written: number | undefined): number | undefined =>
  written === undefined ? undefined : written / PER_CENT;

/** As a form shows them: shares in per cent. */
export const writtenTraits = (traits: LotTraits): LotTraits => ({
  ...traits,
  splits: inPercent(traits.splits),
  unusable: inPercent(traits.unusable),
});

/** As they are kept: what nobody filled in is left out. */
export function keptTraits(written: LotTraits): LotTraits {
  const { splits, unusable } = written;
  const shares = { ...written, splits: ofPercent(splits), unusable: ofPercent(unusable) };
  return Object.fromEntries(
    Object.entries(shares).filter(([, value]) => value !== undefined && value !== "" && value !== false),
  );
}
