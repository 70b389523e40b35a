import type { StockUnit } from "@kasten/core/units";
import type { makeKinds } from "@kasten/contract/preparing";
import { baseOf } from "../parts/written";

/** One lot that goes in, as it is written. */
export interface Input {
  id: number;
  material: string | undefined;
  lot: string | undefined;
  place: number | undefined;
  much: number | undefined;
  culled: number | undefined;
}

export const emptyInput = (id: number): Input => ({
  id,
  material: undefined,
  lot: undefined,
  place: undefined,
  much: undefined,
  culled: undefined,
});

type Whole = { lot: string; place: number; quantity: number; culled: number };

/** Inputs in base units; undefined while one of them lacks something. */
export function wholeInputs(inputs: readonly Input[], unitOf: (material: string) => StockUnit): Whole[] | undefined {
  const whole = inputs.flatMap(({ material, lot, place, much, culled }): Whole[] => {
    if (!material || !lot || place === undefined || !much) return [];
    const unit = unitOf(material);
    return [{ lot, place, quantity: baseOf(much, unit), culled: baseOf(culled ?? 0, unit) }];
  });
  return whole.length === inputs.length && whole.length > 0 ? whole : undefined;
}

export type MakeKind = (typeof makeKinds)[number];

/** What is named after what it is made of, with the words for it. */
export const onHooks: Partial<Record<MakeKind, string>> = {
  "bead hooks": "hooks with their beads on",
  "weight hooks": "hooks with weight wound on them",
};

/** Where the work can hurt: said before it is done. The maker's data sheet goes first. */
export const makeCautions: Partial<Record<MakeKind, string>> = {
  dye: "Gloves, a pan that is used for nothing else, and air: dyes and acids by the maker’s data sheet.",
  chop: "A mask against the dust, and the blades stay guarded.",
  "weight hooks": "Glasses; points away from the fingers. Wash hands after lead, and keep it from the mouth.",
  "bead hooks": "Glasses; points away from the fingers. Wash hands after lead.",
  "strip and sort": "A mask where skins were treated; look for moth and mite.",
};
