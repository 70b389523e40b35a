import type { RecipeStep, RecipeStepBase } from "../recipe";
import { sayStep } from "./say/step";
import { isSaidWay } from "./say/ways";
import type { Kind, Said } from "./said";
import type { StepContext } from "./types";

const where = (said: Said, asks: string): string | undefined =>
  said.from === undefined || said.to === undefined ? `${asks} Say “from mid-shank to the bend”.` : undefined;

/** What is still to be said before a step can be made of it, as a question; undefined when nothing is. */
export function missingQuantity(said: Said, kind: Kind): string | undefined {
  switch (kind) {
    case "wind":
      if (!said.rule) return "How is it wound? Say “touching”, “5 turns”, “every 1.1 mm” or “overlapping by half”.";
      return said.from === undefined ? "Where is it wound? Say “from mid-shank to the bend”." : undefined;
    case "lay":
      if (said.amount === undefined && said.isSlips) return "How wide is each? Say “slips 2 mm wide”.";
      if (said.amount === undefined)
        return "How much of it? Say “10 fibres”, “2 strands folded”, “clump of 1.5 mm”, “slips 2 mm wide” or “1 pair of feathers”.";
      return where(said, "Where is it bound down?");
    case "dress": {
      const loaded = said.loopMm !== undefined && said.loopLoad !== undefined;
      if (said.noodle === undefined && said.fullness === undefined && said.trace === undefined && !loaded)
        return "How much dubbing? Say “noodle 90 mm sparse” or “0.5 gape full”.";
      return where(said, "Where is it dubbed?");
    }
    case "whip":
      return said.turns === undefined ? "How many turns of the whip finish? Say “5 turns”." : undefined;
    case "glue":
      return said.drops === undefined && said.along === undefined
        ? "How much of it? Say “1 drop” or “2 coats”."
        : undefined;
    case "act":
      return said.act === undefined
        ? "What is done? Say “brush back”, “trim”, “half hitch”, “wax” or “turn the hook”."
        : undefined;
    case "seat":
    case "thread":
      return undefined;
  }
}

/** What the words of a step say; everything else of a step is kept when it is read again. */
const saidKeys: Record<Kind, readonly (keyof Said)[]> = {
  seat: ["from", "count", "lashed"],
  wind: [
    "from",
    "to",
    "rule",
    "passes",
    "stretch",
    "rope",
    "ribbon",
    "laid",
    "take",
    "barb",
    "counter",
    "clockwise",
    "intoBead",
    "roundPost",
    "sweep",
    "tiedIn",
    "spread",
    "atMost",
    "face",
    "fill",
    "shows",
    "carries",
  ],
  lay: [
    "from",
    "to",
    "amount",
    "spread",
    "face",
    "shown",
    "attitude",
    "countedWhenWound",
    "hanging",
    "overTake",
    "trimMm",
    "round",
    "stance",
    "setBy",
    "free",
    "stretch",
    "tiedIn",
  ],
  dress: [
    "from",
    "to",
    "fullness",
    "shape",
    "noodle",
    "taper",
    "thickness",
    "loopMm",
    "loopLayers",
    "loopLoad",
    "trace",
    "brushed",
  ],
  thread: [],
  glue: ["at", "drops", "openMinutes", "along"],
  act: ["act", "at", "minutes", "direction", "leave"],
  whip: ["from", "to", "turns", "times", "spread"],
};
const spoken = new Set<string>([...Object.values(saidKeys).flat(), "do", "tieIn", "methods"]);
const spokenWays = ["hackle tied in", "hackle turns"];

/** What another step is linked by; kept only while the kind of step stays the same. */
const links = ["tiedIn", "carries", "glue"];

const pick = (from: object, fits: (key: string) => boolean): Record<string, unknown> =>
  Object.fromEntries(Object.entries(from).filter(([k, v]) => v !== undefined && fits(k)));

/** The step that was said, with everything of the step before that words do not say. Nothing is missing any more. */
export function build(text: string, said: Said, kind: Kind, { was, id, component }: StepContext): RecipeStep {
  const keptWays = Object.entries(was?.methods ?? {}).filter(([q]) => !spokenWays.includes(q) && !isSaidWay(q));
  const methods = { ...Object.fromEntries(keptWays), ...said.methods };
  const base: RecipeStepBase = {
    name: nameOf(said, kind),
    ...pick(was ?? {}, (k) => !spoken.has(k)),
    id,
    ...(component !== undefined && { component }),
  };
  // missingQuantity has seen to it that what this kind needs is there; which keys those are, only the table above
  // knows.
  const step = {
    ...base,
    do: kind,
    ...(was?.do === kind ? pick(was, (k) => links.includes(k)) : {}),
    ...pick(said, (k) => saidKeys[kind].some((own) => own === k)),
    ...(said.tieIn !== undefined && { tieIn: said.tieIn }),
    ...(Object.keys(methods).length > 0 && { methods }),
  } as RecipeStep;
  return asStated(text, step, was);
}

/** As it was said and as it was understood are both kept, where they are not the same words. */
function asStated(text: string, { stated: _before, ...plain }: RecipeStep, was: RecipeStep | undefined): RecipeStep {
  const spelled = sayStep(plain);
  if (text.trim() !== spelled) return { ...plain, stated: text.trim() };
  return was?.stated !== undefined && sayStep(was) === spelled ? { ...plain, stated: was.stated } : plain;
}

const nameOf = (said: Said, kind: Kind): string =>
  kind === "whip" ? "whip finish" : kind === "act" ? String(said.act ?? "act") : "step";
