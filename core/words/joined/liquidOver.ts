import { formTold, type Told } from "../told";
import type { Role } from "../../recipe";

const coated = new Set<Role | undefined>(["body", "thorax", "tag", "butt", "rib"]);

/** “Body: resin over pearl tinsel”: the tinsel is wound, and the resin goes on it. */
export const withLiquidOver = (all: Told[]): Told[] =>
  all.flatMap((t): Told[] => {
    const { onto, role } = t;
    const isOver = t.kind === "glue" && t.verb === undefined && formTold(t) === "liquid" && coated.has(role);
    if (!isOver || !onto || t.isInherited) return [t];
    const under: Told = { ...t, kind: "wind", description: onto, onto: undefined, said: {}, alternates: [], rest: [] };
    const over: Told = {
      ...t,
      verb: "finish",
      onto: undefined,
      said: { coats: 1, ...t.said },
      understood: [],
      kept: [],
    };
    return [under, over];
  });
