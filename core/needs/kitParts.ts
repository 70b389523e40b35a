import type { Material, Materials } from "../materials";
import type { Requirement } from "./requirements";
import { benchWords } from "./benchWords";

/** Pieces of each material in one ready-made part, of weight wire its turns: whole, at least one. */
type MadeOf = NonNullable<Material["madeOf"]>;

/** Half a turn more or less is what a tier’s eye allows. */
const SAME_TURNS = 0.5;

/** So many pieces, or turns of weight wire, that a requirement asks for in one fly; undefined for anything else. */
function inOneFly({ unit, uses }: Requirement): number | undefined {
  const each = uses.map(({ use }) =>
    unit === "count" && use.kind === "pieces" ? use.each : use.kind === "length" ? use.turns : undefined,
  );
  return each.reduce((sum, n) => (sum === undefined || n === undefined ? undefined : sum + n), 0);
}

/** The requirement that a material of a ready-made part would stand for: so many pieces or turns of it in every fly. */
const standsFor = (requirements: readonly Requirement[], code: string, each: number): Requirement | undefined =>
  requirements.find((r) => {
    const asked = r.material === code ? inOneFly(r) : undefined;
    return asked !== undefined && (r.unit === "count" ? asked === each : Math.abs(asked - each) <= SAME_TURNS);
  });

const coveredBy = (requirements: readonly Requirement[], madeOf: MadeOf): Requirement[] | undefined => {
  const covered = Object.entries(madeOf).map(([code, each]) => standsFor(requirements, code, each));
  return covered.length > 0 && covered.every((r) => r !== undefined) ? covered : undefined;
};

/** Ready-made parts that could be taken for a batch: all that they are made of is asked for, in these very numbers. */
export const kitPartsFor = (requirements: readonly Requirement[], materials: Materials): Material[] =>
  [...materials.values()].filter((m) => m.madeOf && coveredBy(requirements, m.madeOf));

/**
 * Requirements with ready-made parts taken from the drawer: each stands in the place of the hook, else of the first
 * thing that it is made of; what else it is made of comes on it.
 *
 * @param taken codes of the parts; one that does not fit what is asked for is passed over
 * @returns the requirements, and the components that come ready on a part
 * @example a hook and a bead, and “hooks with beads on” made of one of each: one requirement, for the hook
 */
export function withKitParts(
  requirements: readonly Requirement[],
  taken: readonly string[],
  materials: Materials,
): { requirements: Requirement[]; ready: Set<string> } {
  let all = [...requirements];
  const ready = new Set<string>();
  for (const code of taken) {
    const part = materials.get(code);
    const covered = part?.madeOf && coveredBy(all, part.madeOf);
    const head = covered?.find((r) => r.component === "hook") ?? covered?.[0];
    if (!part || !covered || !head) continue;
    for (const r of covered) if (r !== head) ready.add(r.component);
    const { alternates: _alternates, side: _side, barb: _barb, ...kept } = head;
    const stands = { ...kept, material: part.code, materialName: part.name, alternates: [] };
    const pieces = covered.filter((r) => r.unit === head.unit);
    const issue = pieces.reduce((most, r) => (r.issue > most ? r.issue : most), head.issue);
    const instead = { ...stands, issue, words: benchWords({ ...stands, issue }, part.form) };
    all = all.flatMap((r) => (r === head ? [instead] : covered.includes(r) ? [] : [r]));
  }
  return { requirements: all, ready };
}
