import type { StockUnit } from "../../units";
import type { Role } from "../../recipe";
import type { Requirement } from "../requirements";

/** What one of two ways needs more (positive) or less of, in stock units. */
export interface Difference {
  key: string;
  role: Role;
  material: string;
  materialName: string;
  unit: StockUnit;
  before: number;
  after: number;
}

/** Requirements that differ, by part and material. */
export function differencesBetween(before: Requirement[], after: Requirement[]): Difference[] {
  const of = (list: Requirement[]) => new Map(list.map((r) => [`${r.key}/${r.material}`, r]));
  const [was, is] = [of(before), of(after)];
  return [...new Set([...was.keys(), ...is.keys()])].flatMap((key) => {
    const [a, b] = [was.get(key), is.get(key)];
    const r = b ?? a;
    if (!r || a?.issue === b?.issue) return [];
    return [
      {
        key: r.key,
        role: r.role,
        material: r.material,
        materialName: r.materialName,
        unit: r.unit,
        before: a?.issue ?? 0,
        after: b?.issue ?? 0,
      },
    ];
  });
}
