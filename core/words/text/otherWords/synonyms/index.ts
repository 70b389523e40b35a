import type { Rule } from "../../leftOut";
import { amounts } from "./amounts";
import { covers, roundWings } from "./covers";
import { finishing, ofHackles } from "./finishing";
import { handling } from "./handling";
import { hooks } from "./hooks";
import { lengths } from "./lengths";
import { references } from "./references";
import { threads } from "./threads";
import { tying } from "./tying";
import { weights } from "./weights";

/** Words of one meaning, whichever of them a tier uses. */
export const synonyms: readonly Rule[] = [
  ...hooks,
  ...references,
  ...covers,
  ...roundWings,
  ...ofHackles,
  ...handling,
  ...tying,
  ...amounts,
  ...lengths,
  ...threads,
  ...weights,
  ...finishing,
];
