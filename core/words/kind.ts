import type { MaterialForm } from "../materials";
import type { Role } from "../recipe";
import type { Kind } from "./said";

const layWordsAt =
  /\b(?:fibres?|strands?|tips?\b(?<!the\s+tip)|flanks?|clump|slips?|patch|pairs?|pieces?(?!\s+of)|feathers?(?!\s+at)|bound\s+in|counted\s+when\s+wound|mm\s+of\s+(?:fibres?|stem))\b/i;

const windWords =
  /\b(?:turns?|side\s+by\s+side|touching|overlap\w*|layers?|rope|there\s+and\s+back|apart|every|whole\s+feather|pitch)\b/i;
/** Parts that stand off the shank are laid unless something is said that only a winding has. */
const laidRoles = new Set<Role>([
  "tail",
  "wing",
  "underwing",
  "throat",
  "legs",
  "topping",
  "cheeks",
  "flash",
  "wing case",
]);

/** What is done, from the material and the words. */
export function kindOf(text: string, role: Role | undefined, form: MaterialForm | undefined): Kind {
  if (/\bwhip\b|\bknot\b/i.test(text) && (role === undefined || role === "thread" || role === "head")) return "whip";
  if (form === undefined && role === undefined) return "act";
  if (form === "thread") return /\bchange\b/i.test(text) ? "thread" : "wind";
  if (form === "bead" || form === "eyes") return "seat";
  if (form === "dubbing" || form === "blend") return "dress";
  if (form === "liquid") return "glue";
  if (form === "hair" || form === "quill" || form === "extended body" || form === "made part") return "lay";
  if (role !== undefined && laidRoles.has(role) && !windWords.test(text)) return "lay";
  return layWordsAt.test(text) && !/\bwhole\s+feather\b/i.test(text) ? "lay" : "wind";
}
