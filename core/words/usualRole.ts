import type { MaterialForm } from "../materials";
import type { Role } from "../recipe";

const roleOfForm: Partial<Record<MaterialForm, Role>> = {
  bead: "bead",
  eyes: "eyes",
  "weight wire": "weight",
  thread: "thread",
  wire: "rib",
  tinsel: "rib",
  floss: "body",
  yarn: "body",
  chenille: "body",
  herl: "body",
  "stretch body": "body",
  hackle: "hackle",
  quill: "wing",
  hair: "wing",
  flash: "flash",
  rubber: "legs",
  dubbing: "body",
  blend: "body",
  "extended body": "body",
  liquid: "finish",
  "made part": "legs",
};
/** The part that is mostly of a form, where nobody says which. */
export const usualRole = (form: MaterialForm): Role | undefined => roleOfForm[form];
