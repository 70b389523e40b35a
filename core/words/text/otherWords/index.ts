import type { Rule } from "../leftOut";
import { colours } from "./colours";
import { feathers } from "./feathers";
import { inParts } from "./inParts";
import { parts } from "./parts";
import { synonyms } from "./synonyms";
import { windings } from "./windings";

/**
 * What is said in other words than the readers know, and what stands there instead. Each is looked for by itself; where
 * two are about one stretch, the first of them holds.
 */
export const otherWords: readonly Rule[] = [...inParts, ...parts, ...windings, ...feathers, ...colours, ...synonyms];
