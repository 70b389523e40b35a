import { piecePrior, type Outcomes } from "../learning";
import type { ComponentUse } from "../fly";
import type { MaterialForm } from "../materials";
import type { Role } from "../recipe";

/** Kinds of part that break differently often, with what a careful room sees before it has counted its own. */
export const breakagePriors = {
  hook: { good: 198, bad: 2 },
  bead: { good: 495, bad: 5 },
  "wire or tinsel": { good: 97, bad: 3 },
  hackle: { good: 45, bad: 5 },
  "herl or fibres": { good: 46, bad: 4 },
  slips: { good: 40, bad: 10 },
  "stiff eyes or cheeks": { good: 47, bad: 3 },
  other: piecePrior,
} as const satisfies Record<string, Outcomes>;
export type BreakageKind = keyof typeof breakagePriors;

const byForm: Partial<Record<MaterialForm, BreakageKind>> = {
  hook: "hook",
  bead: "bead",
  wire: "wire or tinsel",
  tinsel: "wire or tinsel",
  "weight wire": "wire or tinsel",
  hackle: "hackle",
  herl: "herl or fibres",
  "feather fibre": "herl or fibres",
  eyes: "stiff eyes or cheeks",
};

/** As which kind of part a component breaks: by how it is used first, then its role, then its material. */
export function breakageKind(
  role: Role,
  form: MaterialForm | undefined,
  uses: readonly Pick<ComponentUse, "kind">[],
): BreakageKind {
  if (uses.some((u) => u.kind === "slips")) return "slips";
  if (uses.some((u) => u.kind === "wound feather")) return "hackle";
  if (role === "eyes" || role === "cheeks") return "stiff eyes or cheeks";
  return (role === "hook" ? "hook" : form && byForm[form]) ?? "other";
}
