import { DomainError } from "../errors";
import type { MaterialForm } from "../materials";
import type { Place } from "../hooks";
import { dressings, type Dressing, type FlyChoice, type Recipe, type RecipeStep, type Role } from "../recipe";

/**
 * Where good tiers differ: the questions, the schools that answer each, and what a school costs.
 * No school is marked right. Figures are the room's nominal ones until its own log says otherwise.
 */
export interface School {
  id: string;
  words: string;
  /** Minutes a fly more (or fewer) than the pattern's own. */
  minutes?: number;
  tools?: string[];
  /** From so many flies on this is the usual way; below, the other. */
  fromFlies?: number;
}

export interface StepFacts {
  step: RecipeStep;
  role?: Role;
  form?: MaterialForm;
  recipe: Recipe;
}

export interface Question {
  id: string;
  asks: string;
  /** What the answer changes. */
  changes: "quantities" | "order" | "direction" | "look";
  /** Whether a step raises the question. */
  raisedBy: (f: StepFacts) => boolean;
  schools: (f: StepFacts) => School[];
  /** The school of a step that names none: what its quantities already say. */
  usual: (f: StepFacts) => string;
}

const fixed =
  (...schools: School[]) =>
  () =>
    schools;

/** Lengths and shares that a school brings with it, in mm; docs/arithmetic.md, "Methods". */
export const methodFigures = {
  /** Tied in by the tip, the fine end is doubled back and bound. */
  tipDoubledBack: 5,
  /** Wire broken by twisting leaves this much at the hook. */
  brokenEnd: 2,
  /** Butts trimmed after tying in stand this far out. */
  longButts: 12,
  /** A piece cut beforehand is longer than it winds, for holding. */
  cutHandling: 20,
  /** Share of touched dubbing that does not stay on the waxed thread. */
  touchedLoss: 0.5,
  /** Hair that a stacker leaves behind, as a multiple of what stays. */
  stackedOver: 1.15,
  /** Wraps more where the thread alone holds weighted eyes. */
  threadOnlyWraps: 6,
} as const;

/** From so many flies on pairs are matched, and pieces cut, for all of them beforehand. */
const PAIRS_IN_BULK = 24;
const PIECES_IN_BULK = 36;
const bulkFrom = [PAIRS_IN_BULK, PIECES_IN_BULK];
/** Between two of these numbers, more flies change no way of tying. */
export const bulkStep = (flies: number | undefined): number =>
  bulkFrom.filter((n) => flies !== undefined && flies >= n).length;

export const questions: readonly Question[] = [
  {
    id: "dubbing amount",
    asks: "How is the dubbing measured?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "dress" && step.noodle !== undefined && step.fullness !== undefined,
    schools: fixed(
      { id: "noodle", words: "by the noodle's length and thickness" },
      { id: "shape", words: "by the finished shape" },
    ),
    usual: () => "noodle",
  },
  {
    id: "dubbing way",
    asks: "How is the dubbing put on?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "dress",
    schools: fixed(
      { id: "twisted", words: "twisted on the thread" },
      { id: "loop", words: "in a dubbing loop", minutes: 0.8, tools: ["loop spinner"] },
      { id: "touched", words: "touched on waxed thread", minutes: -0.2, tools: ["wax"] },
    ),
    usual: ({ step }) => (step.do === "dress" && step.loopMm !== undefined ? "loop" : "twisted"),
  },
  {
    id: "hackle tied in",
    asks: "By which end is the feather tied in?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "wind" && form === "hackle",
    schools: fixed(
      { id: "butt", words: "by the stripped butt" },
      { id: "tip", words: "by the tip, doubled back", minutes: 0.1 },
    ),
    usual: () => "butt",
  },
  {
    id: "hackle turns",
    asks: "How many turns of hackle?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "wind" && form === "hackle",
    schools: fixed(
      { id: "count", words: "a count, sparse" },
      { id: "whole feather", words: "the whole usable feather", minutes: 0.2 },
    ),
    usual: () => "count",
  },
  {
    id: "bundle",
    asks: "Is the bundle carried on?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "wind" && step.carries !== undefined,
    schools: fixed(
      { id: "fold back", words: "fold the ends back and wind them" },
      { id: "cut anew", words: "cut, and tie a new bundle in", minutes: 0.4 },
    ),
    usual: () => "fold back",
  },
  {
    id: "body ground",
    asks: "What is the body wound of?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "wind" && form === "floss",
    schools: fixed(
      { id: "floss", words: "floss laid for it" },
      { id: "flat thread", words: "the thread itself, flattened", minutes: -0.3 },
    ),
    usual: () => "floss",
  },
  {
    id: "rib direction",
    asks: "Which way does the rib run?",
    changes: "direction",
    raisedBy: ({ step, role }) => step.do === "wind" && role === "rib",
    schools: fixed(
      { id: "against", words: "against the body, as a guard" },
      { id: "with", words: "with the body, bedded in its grooves" },
    ),
    usual: ({ step }) => (step.do === "wind" && step.counter ? "against" : "with"),
  },
  {
    id: "wire ends",
    asks: "How does the wire end?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "wind" && (form === "wire" || form === "weight wire"),
    schools: fixed(
      { id: "cut", words: "cut with snips", tools: ["wire snips"] },
      { id: "broken", words: "broken by twisting", minutes: 0.05 },
    ),
    usual: () => "cut",
  },
  {
    id: "order",
    asks: "When does it go on?",
    changes: "order",
    raisedBy: ({ step, recipe }) => step.mayPrecede !== undefined && recipe.steps.some((s) => s.id === step.mayPrecede),
    schools: ({ step, recipe }) => {
      const other = recipe.steps.find((s) => s.id === step.mayPrecede)?.name ?? "";
      return [
        { id: "after", words: `after ${other}` },
        { id: "before", words: `before ${other}` },
      ];
    },
    usual: () => "after",
  },
  {
    id: "butts",
    asks: "What becomes of the butts?",
    changes: "quantities",
    raisedBy: ({ step }) =>
      step.do === "lay" &&
      step.shown !== undefined &&
      !step.hanging &&
      ("fibres" in step.amount || "clump" in step.amount || "spanMm" in step.amount || "strands" in step.amount),
    schools: fixed(
      { id: "cut first", words: "cut to length before tying in" },
      { id: "trimmed after", words: "tied in long and trimmed", minutes: 0.1 },
    ),
    usual: ({ step }) => (step.do === "lay" && step.trimMm ? "trimmed after" : "cut first"),
  },
  {
    id: "weighted eyes",
    asks: "What holds the eyes?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "seat" && step.glue !== undefined,
    schools: fixed(
      { id: "glued", words: "thread and a drop of glue", minutes: 0.3 },
      { id: "thread only", words: "thread only", minutes: 0.1 },
    ),
    usual: () => "glued",
  },
  {
    id: "head",
    asks: "How is the head finished?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "whip",
    schools: ({ recipe }) => [
      { id: "as stated", words: recipe.finish.state === "given" ? "as the pattern says" : "no finish, whipped once" },
      { id: "none", words: "no finish, whip finished twice", minutes: 0.1 },
      ...recipe.components
        .filter((c) => c.role === "finish" && !finishing(recipe).includes(c.id))
        .map((c) => ({ id: c.id, words: `${c.id}, one coat` })),
    ],
    usual: () => "as stated",
  },
  {
    id: "pieces",
    asks: "Straight from the spool?",
    changes: "quantities",
    raisedBy: ({ step, form }) =>
      step.do === "wind" &&
      step.carries === undefined &&
      ["wire", "tinsel", "floss", "yarn", "chenille", "stretch body"].includes(form ?? ""),
    schools: fixed(
      { id: "spool", words: "straight from the spool" },
      { id: "cut", words: "cut to length beforehand", minutes: -0.1, fromFlies: PIECES_IN_BULK },
    ),
    usual: ({ step }) => (step.do === "wind" && step.take?.from === "pieces" ? "cut" : "spool"),
  },
  {
    id: "feather use",
    asks: "What of the fibres left over?",
    changes: "quantities",
    raisedBy: ({ step, form }) =>
      (step.do === "lay" && ("fibres" in step.amount || "spanMm" in step.amount) && !step.countedWhenWound) ||
      (step.do === "wind" && form === "feather fibre"),
    schools: fixed(
      { id: "pooled", words: "pooled for the next fly" },
      { id: "whole flies", words: "each feather for whole flies only" },
    ),
    usual: () => "pooled",
  },
  {
    id: "tips",
    asks: "How level are the tips?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "lay" && form === "hair",
    schools: fixed(
      { id: "natural", words: "their natural stagger, which makes the look" },
      { id: "stacked", words: "levelled in a stacker", minutes: 0.4, tools: ["stacker"] },
    ),
    usual: () => "natural",
  },
  {
    id: "pairing",
    asks: "When are pairs matched?",
    changes: "look",
    raisedBy: ({ step }) =>
      step.do === "lay" && ("slipWidth" in step.amount || ("feathers" in step.amount && step.amount.paired === true)),
    schools: fixed(
      { id: "one by one", words: "singly, at the vise" },
      { id: "in bulk", words: "all pairs beforehand", minutes: -0.4, fromFlies: PAIRS_IN_BULK },
    ),
    usual: () => "one by one",
  },
  {
    id: "symmetry",
    asks: "How even are the legs?",
    changes: "look",
    raisedBy: ({ step, role }) => step.do === "lay" && role === "legs",
    schools: fixed(
      { id: "matched", words: "matched and even", minutes: 0.3 },
      { id: "loose", words: "deliberately loose" },
    ),
    usual: () => "loose",
  },
  {
    id: "dressing",
    asks: "How densely is it dressed?",
    changes: "quantities",
    raisedBy: ({ step, form, recipe }) => (recipe.densityBand?.length ?? 0) > 0 && isDressed(step, form),
    schools: ({ recipe }) =>
      dressings
        .filter((d) => d === ownDressing(recipe) || recipe.densityBand?.includes(d))
        .map((d) => ({ id: d, words: dressingWords[d] })),
    usual: ({ recipe }) => ownDressing(recipe),
  },
  {
    id: "vise",
    asks: "Can the hook be turned in the vise?",
    changes: "look",
    raisedBy: ({ step }) => step.rotary !== undefined,
    schools: ({ step }) => [
      { id: "rotary", words: "turned in a rotary vise", tools: ["rotary vise"] },
      { id: "fixed", words: `in a fixed vise: ${step.rotary?.fixedWay ?? ""}`, minutes: step.rotary?.minutes },
    ],
    usual: () => "rotary",
  },
  {
    id: "palmer",
    asks: "Which way does the palmer run?",
    changes: "direction",
    raisedBy: ({ step, form, recipe }) =>
      step.do === "wind" &&
      form === "hackle" &&
      step.to !== undefined &&
      !samePlace(step.from, step.to) &&
      recipe.steps.some(
        (s) => s.do === "wind" && recipe.components.some((c) => c.id === s.component && c.role === "rib"),
      ),
    schools: fixed(
      { id: "rearward", words: "wound rearward, crossed by the rib coming forward" },
      { id: "forward", words: "wound forward, crossed by the wire" },
    ),
    usual: ({ step }) =>
      step.do === "wind" && step.to !== undefined && alongShank(step.from) > alongShank(step.to)
        ? "forward"
        : "rearward",
  },
  {
    id: "underbody",
    asks: "What levels the underbody?",
    changes: "quantities",
    raisedBy: ({ step }) => step.do === "wind" && step.levels !== undefined,
    schools: ({ step, form }) => [
      { id: "as stated", words: form === "thread" ? "thread, wound for it" : "floss, laid for it" },
      { id: "flat thread", words: "the thread itself, spun flat", minutes: 0.1 },
      { id: "burnished", words: "burnished smooth afterwards", minutes: 0.3, tools: ["burnisher"] },
      ...(step.do === "wind" && step.levels?.butts !== undefined
        ? [{ id: "long butts", words: "the butts left on, full length", minutes: -0.2 }]
        : []),
    ],
    usual: () => "as stated",
  },
];

/** Where a place lies from the eye to beyond the bend, near enough to tell which of two comes first on any hook. */
function alongShank(place: Place): number {
  if ("fraction" in place) return place.fraction;
  if ("eyeLengths" in place) return 0.1 * place.eyeLengths;
  return { eye: 0, point: 0.75, barb: 0.9, bend: 1, betweenBends: 1.1, intoBend: 1.2 }[place.landmark];
}

const samePlace = (a: Place, b: Place): boolean => JSON.stringify(a) === JSON.stringify(b);

/** How the pattern itself is dressed. */
export const ownDressing = (recipe: Pick<Recipe, "density">): Dressing => recipe.density ?? "standard";

const dressingWords: Record<Dressing, string> = {
  slim: "slim",
  sparse: "sparse",
  standard: "neither sparse nor full",
  full: "full, each part showing",
};

/** How much goes on under each rating, as a share of the standard; docs/arithmetic.md, "Methods". */
const dressingShares: Record<Dressing, number> = { slim: 0.65, sparse: 0.8, standard: 1, full: 1.25 };

/** By what share the quantities of a pattern change when it is dressed otherwise than it was written. */
export const dressingShare = (recipe: Pick<Recipe, "density">, chosen: Dressing): number =>
  dressingShares[chosen] / dressingShares[ownDressing(recipe)];

/**
 * Whether a step's quantity is one that dressing changes: fibres, clumps, dubbing, turns of hackle; never ribs, bodies
 * or pairs.
 */
function isDressed(step: RecipeStep, form: MaterialForm | undefined): boolean {
  if (step.do === "dress") return step.trace !== true;
  if (step.do === "wind") return form === "hackle" && step.rule.turns !== undefined;
  return (
    step.do === "lay" &&
    !step.countedWhenWound &&
    ("fibres" in step.amount ||
      "spanMm" in step.amount ||
      "clump" in step.amount ||
      "strands" in step.amount ||
      "patchMm2" in step.amount)
  );
}

/** Questions that a tier answers once for all their work: their schools are the same on every step. */
export const habits: readonly Question[] = questions.filter((q) =>
  [
    "dubbing way",
    "hackle tied in",
    "hackle turns",
    "rib direction",
    "wire ends",
    "butts",
    "weighted eyes",
    "feather use",
    "tips",
    "pairing",
    "symmetry",
    "palmer",
  ].includes(q.id),
);

/**
 * A tier's own ways on the steps of a fly, as a choice: each question that a step raises and this tier has an answer
 * to.
 * @param own school by question
 */
export function habitsOn(steps: StepFacts[], own: Record<string, string>): Record<string, string> {
  return Object.fromEntries(
    steps.flatMap((facts) =>
      questionsOf(facts).flatMap((q) => {
        const school = own[q.id];
        return school !== undefined && q.schools(facts).some((s) => s.id === school)
          ? [[`${facts.step.id}/${q.id}`, school]]
          : [];
      }),
    ),
  );
}

const finishing = (recipe: Recipe): string[] =>
  recipe.finish.state === "given"
    ? [recipe.finish.component, ...(recipe.finish.then ?? []).map((c) => c.component)]
    : [];

/** The questions that a step raises. */
export const questionsOf = (facts: StepFacts): Question[] => questions.filter((q) => q.raisedBy(facts));

/** The school that pays when so many flies are tied at once, or undefined. */
export const bulkSchool = (schools: School[], flies: number | undefined): School | undefined =>
  flies === undefined ? undefined : schools.find((s) => s.fromFlies !== undefined && flies >= s.fromFlies);

/**
 * The school by which a step is tied: the order's or the tier's choice, else the pattern's, else what pays for so many
 * flies, else what its quantities say.
 * @throws DomainError METHOD_UNKNOWN for a school that does not answer the question
 */
export function schoolOf(question: Question, facts: StepFacts, choice: Pick<FlyChoice, "methods" | "flies">): School {
  const schools = question.schools(facts);
  const id =
    choice.methods?.[`${facts.step.id}/${question.id}`] ??
    facts.step.methods?.[question.id] ??
    bulkSchool(schools, choice.flies)?.id ??
    question.usual(facts);
  const school = schools.find((s) => s.id === id);
  if (!school)
    throw new DomainError("METHOD_UNKNOWN", {
      step: facts.step.name,
      question: question.id,
      school: id,
      known: schools.map((s) => s.id),
    });
  return school;
}
