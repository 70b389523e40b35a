import type { Place } from "../../hooks";
import type { MaterialForm } from "../../materials";
import type { RecipeStep, Role } from "../recipe";
import { clauses, sayStep, type Said } from "./clauses";
import { sayLength, sayPlace } from "./text";
import { proportionsOfFamily } from "../families";

/** What a line is about, as far as it is known before it is read. */
export interface StepContext {
  /** The step as it was, whose links, cautions and the like are kept. */
  was?: RecipeStep;
  id: string;
  component?: string;
  role?: Role;
  form?: MaterialForm;
  /** The same component was bound in by this earlier step. */
  boundIn?: string;
  /** Family of the hook, for lengths that nobody says. */
  family?: string;
  /** Loose number words of the person who types. */
  numberWords?: Record<string, number>;
}

export interface StepDoubt {
  /** As it was typed. */
  text: string;
  sentence: string;
}

export interface StepReading {
  step?: RecipeStep;
  /** Pieces that were understood, as typed. */
  understood: string[];
  /** What was taken as usual because nobody said it. */
  assumed: string[];
  doubts: StepDoubt[];
  /** Words that no clause took, for the reader of whole lines to look up as a material. */
  rest: string[];
}

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
export function kindOf(text: string, role: Role | undefined, form: MaterialForm | undefined): RecipeStep["do"] {
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

/** Words that carry nothing by themselves. */
const filler = /(?:and|then|of|the|with|in|by|wound|wind|as|to|it|change|whip(?:\s+finish)?|knot)\b/iy;
const looseWords =
  /\b(a\s+couple|a\s+few|several|some|plenty|a\s+pinch|a\s+touch|a\s+bit)\b(?:\s+of)?(?:\s+(?:fibres?|herls?|barbs?|strands?|turns?|feathers?|pieces?|wraps?))?/iy;

interface Scan {
  said: Said;
  understood: string[];
  doubts: StepDoubt[];
  rest: string[];
}

function scan(text: string, kind: RecipeStep["do"], context: StepContext): Scan {
  const result: Scan = { said: {}, understood: [], doubts: [], rest: [] };
  const fits = clauses.filter((c) => c.kinds === "any" || c.kinds.includes(kind));
  let at = 0;
  const matchAt = (re: RegExp) => {
    re.lastIndex = at;
    return re.exec(text);
  };
  while (at < text.length) {
    const gap = matchAt(/[\s,;:.]+/y);
    if (gap) {
      at += gap[0].length;
      continue;
    }
    const loose = matchAt(looseWords);
    if (loose) {
      result.doubts.push({ text: loose[0], sentence: looseSentence(loose[1] ?? loose[0], context.numberWords) });
      at += loose[0].length;
      continue;
    }
    const hit = firstHit(fits, matchAt, result.said);
    if (hit) {
      result.understood.push(hit.trim());
      at += hit.length;
      continue;
    }
    const skip = matchAt(filler);
    if (skip) {
      at += skip[0].length;
      continue;
    }
    const word = matchAt(/[^\s,;]+/y)?.[0] ?? text.slice(at, at + 1);
    result.rest.push(word);
    at += word.length;
  }
  return result;
}

function firstHit(
  fits: typeof clauses,
  matchAt: (re: RegExp) => RegExpExecArray | null,
  said: Said,
): string | undefined {
  for (const c of fits) {
    const m = matchAt(c.pattern);
    if (m && m[0].trim() !== "" && c.set(said, m.slice(1))) return m[0];
  }
  return undefined;
}

function looseSentence(words: string, numberWords: Record<string, number> = {}): string {
  const known = numberWords[words.toLowerCase()] ?? numberWords[words.toLowerCase().replace(/^a\s+/, "")];
  if (/pinch|touch|bit/.test(words))
    return `“${words}” is no size that can be computed. Squeeze it and write its thickness: clump of 1.5 mm.`;
  return `“${words}” is a different number to each tier.${known === undefined ? "" : ` With you it is ${known}.`} Write the number${known === undefined ? "" : `, ${known} for instance`}.`;
}

/** Zones where nobody says one: where the role usually lies. */
const usualZones: Partial<Record<Role, [Place, Place]>> = {
  tail: [{ fraction: 0.5 }, { landmark: "bend" }],
  tag: [{ fraction: 0.95 }, { landmark: "bend" }],
  butt: [{ fraction: 0.9 }, { landmark: "bend" }],
  rib: [{ fraction: 0.3 }, { landmark: "bend" }],
  body: [{ fraction: 0.3 }, { landmark: "bend" }],
  thorax: [{ eyeLengths: 1.1 }, { fraction: 0.35 }],
  throat: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  wing: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  underwing: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  topping: [{ eyeLengths: 1 }, { eyeLengths: 1.8 }],
  cheeks: [{ eyeLengths: 1 }, { eyeLengths: 1.8 }],
  flash: [{ eyeLengths: 1.1 }, { eyeLengths: 2 }],
  legs: [{ fraction: 0.34 }, { fraction: 0.42 }],
  hackle: [{ eyeLengths: 1.2 }, { eyeLengths: 2 }],
  collar: [{ eyeLengths: 1.2 }, { eyeLengths: 1.2 }],
  "wing case": [{ fraction: 0.25 }, { fraction: 0.5 }],
  weight: [{ fraction: 0.3 }, { fraction: 0.7 }],
  eyes: [{ eyeLengths: 1 }, { eyeLengths: 1 }],
  thread: [{ eyeLengths: 0.5 }, { landmark: "bend" }],
  head: [{ eyeLengths: 0.2 }, { eyeLengths: 1.1 }],
};
const usualAttitudes: Partial<Record<Role, string>> = {
  tail: "back",
  throat: "down",
  wing: "over",
  underwing: "over",
  topping: "over",
  flash: "over",
  cheeks: "over",
  legs: "sides",
  "wing case": "over",
};

/**
 * Read how a step is done, as it is typed: “6 fibres, = half shank, from mid-shank to bend”.
 *
 * @returns the step as far as it was understood, and what was not; `step` is absent while a needed quantity is missing.
 *   Reading what sayStep wrote gives the same step.
 */
export function readStep(text: string, context: StepContext): StepReading {
  const kind = kindOf(text, context.role, context.form);
  const { said, understood, doubts, rest } = scan(text, kind, context);
  const assumed = assume(said, kind, context);
  const missing = missingQuantity(said, kind);
  // A loose word asks for the very number that is missing: that is said already.
  if (missing && doubts.length === 0) doubts.push({ text: "", sentence: missing });
  return {
    step: missing ? undefined : build(text, said, kind, context),
    understood,
    assumed,
    doubts: [...doubts, ...restDoubts(rest, kind)],
    rest,
  };
}

function restDoubts(rest: string[], kind: RecipeStep["do"]): StepDoubt[] {
  if (rest.length === 0) return [];
  const examples = clauses
    .filter((c) => c.kinds !== "any" && c.kinds.includes(kind))
    .slice(0, 40)
    .map((c) => c.example);
  const shown = [...new Set(examples)]
    .slice(0, 5)
    .map((e) => `“${e}”`)
    .join(", ");
  return [{ text: rest.join(" "), sentence: `“${rest.join(" ")}” is not understood. Here one can say ${shown}.` }];
}

function assume(said: Said, kind: RecipeStep["do"], { role, form, boundIn, family, was }: StepContext): string[] {
  const assumed: string[] = [];
  const usual = role ? usualZones[kind === "whip" ? "head" : role] : kind === "whip" ? usualZones.head : undefined;
  const needsZone = kind === "wind" || kind === "lay" || kind === "dress" || kind === "whip";
  const touchingTurns =
    (said.rule as { touching?: boolean; turns?: number } | undefined)?.touching &&
    (said.rule as { turns?: number }).turns !== undefined;
  if (needsZone && said.from === undefined && usual) {
    said.from = usual[0];
    if (!touchingTurns) said.to = usual[1];
    assumed.push(touchingTurns ? `from ${sayPlace(usual[0])}` : `from ${sayPlace(usual[0])} to ${sayPlace(usual[1])}`);
  }
  if (kind === "wind" && said.stacked && said.from !== undefined) said.to = said.from;
  if (kind === "seat" && said.from === undefined) {
    const at: Place = role === "eyes" ? { eyeLengths: 1 } : { landmark: "eye" };
    said.from = at;
    assumed.push(`at ${sayPlace(at)}`);
  }
  if (kind === "glue" && said.at === undefined) {
    said.at = { fraction: 0.5 };
    assumed.push("at mid-shank");
  }
  if (kind === "lay" && said.attitude === undefined && said.shown !== undefined && role && usualAttitudes[role]) {
    said.attitude = usualAttitudes[role];
    assumed.push(`pointing ${said.attitude === "over" ? "over the back" : String(said.attitude)}`);
  }
  if (family !== undefined && was === undefined && role) assumed.push(...assumeLengths(said, kind, role, form, family));
  if (kind === "act" && said.minutes === undefined && said.act !== undefined) {
    said.minutes = 0.2;
    assumed.push("0.2 min");
  }
  if (said.wraps !== undefined) {
    const at = (kind === "lay" ? (said.to ?? said.from) : said.from) as Place | undefined;
    said.tieIn = { ...(at && { at }), ...(said.tieIn as object | undefined), wraps: said.wraps };
  }
  if (kind === "wind" && said.tiedIn === undefined && boundIn !== undefined) said.tiedIn = boundIn;
  return assumed;
}

/** What is usual on this family of hooks, for a new step that says no length of its own. */
function assumeLengths(
  said: Said,
  kind: RecipeStep["do"],
  role: Role,
  form: MaterialForm | undefined,
  family: string,
): string[] {
  const usual = proportionsOfFamily(family);
  const length = usual.shown[role];
  if (
    kind === "lay" &&
    said.shown === undefined &&
    said.hanging === undefined &&
    said.countedWhenWound === undefined &&
    length
  ) {
    said.shown = length;
    if (said.attitude === undefined) said.attitude = usualAttitudes[role];
    return [`${sayLength(length)}, as on a ${family} hook`];
  }
  if (kind === "wind" && form === "hackle" && said.barb === undefined) {
    said.barb = role === "collar" ? usual.collar : usual.hackle;
    return [`barbs as on a ${family} hook`];
  }
  return [];
}

function missingQuantity(said: Said, kind: RecipeStep["do"]): string | undefined {
  switch (kind) {
    case "wind": {
      const rule = said.rule as object | undefined;
      if (!rule) return "How is it wound? Say “touching”, “5 turns”, “every 1.1 mm” or “overlapping by half”.";
      if (said.from === undefined) return "Where is it wound? Say “from mid-shank to bend”.";
      return undefined;
    }
    case "lay":
      if (said.amount === undefined)
        return "How much of it? Say “10 fibres”, “2 strands folded”, “clump of 1.5 mm”, “slips 2 mm wide” or “1 pair of feathers”.";
      return said.from === undefined || said.to === undefined
        ? "Where is it bound down? Say “from mid-shank to bend”."
        : undefined;
    case "dress":
      if (
        said.noodle === undefined &&
        said.fullness === undefined &&
        said.trace === undefined &&
        (said.loopMm === undefined || said.loopLoad === undefined)
      )
        return "How much dubbing? Say “noodle 90 mm sparse” or “0.5 gape full”.";
      return said.from === undefined || said.to === undefined
        ? "Where is it dubbed? Say “from mid-shank to bend”."
        : undefined;
    case "whip":
      return said.turns === undefined ? "How many turns of the whip finish? Say “5 turns”." : undefined;
    case "glue":
      return said.drops === undefined ? "How much glue? Say “1 drop”." : undefined;
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
const saidKeys: Record<RecipeStep["do"], readonly string[]> = {
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
    "sweep",
    "tiedIn",
    "spread",
    "atMost",
    "face",
    "fill",
    "shows",
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
  ],
  dress: [
    "from",
    "to",
    "fullness",
    "shape",
    "noodle",
    "thickness",
    "loopMm",
    "loopLayers",
    "loopLoad",
    "trace",
    "brushed",
  ],
  thread: [],
  glue: ["at", "drops", "openMinutes"],
  act: ["act", "at", "minutes", "direction"],
  whip: ["from", "to", "turns"],
};
const spoken = new Set(Object.values(saidKeys).flat());
const spokenWays = ["hackle tied in", "hackle turns"];

function build(text: string, said: Said, kind: RecipeStep["do"], { was, id, component }: StepContext): RecipeStep {
  const kept = Object.fromEntries(
    Object.entries(was ?? {}).filter(([k]) => !spoken.has(k) && k !== "do" && k !== "tieIn" && k !== "methods"),
  );
  const links =
    was?.do === kind
      ? Object.fromEntries(Object.entries(was).filter(([k]) => ["tiedIn", "carries", "glue"].includes(k)))
      : {};
  const own = Object.fromEntries(saidKeys[kind].filter((k) => said[k] !== undefined).map((k) => [k, said[k]]));
  const keptWays = Object.fromEntries(
    Object.entries(was?.methods ?? {}).filter(
      ([q]) => !spokenWays.includes(q) && !(q === "dubbing way" && kind === "dress"),
    ),
  );
  const methods = { ...keptWays, ...said.methods };
  const step = {
    name: nameOf(said, kind),
    ...kept,
    id,
    ...(component !== undefined && { component }),
    do: kind,
    ...links,
    ...own,
    ...(said.tieIn !== undefined && { tieIn: said.tieIn }),
    ...(Object.keys(methods).length > 0 && { methods }),
  } as unknown as RecipeStep;
  // As it was said and as it was understood are both kept, where they are not the same words.
  const { stated: _stated, ...plain } = step;
  const spelled = sayStep(plain as RecipeStep);
  if (text.trim() !== spelled) return { ...step, stated: text.trim() };
  return was?.stated !== undefined && sayStep(was) === spelled
    ? { ...(plain as RecipeStep), stated: was.stated }
    : (plain as RecipeStep);
}

const nameOf = (said: Said, kind: RecipeStep["do"]): string =>
  kind === "whip" ? "whip finish" : kind === "act" ? String(said.act ?? "act") : "step";

export { sayStep };
