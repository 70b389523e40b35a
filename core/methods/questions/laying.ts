import type { MaterialForm } from "../../materials";
import type { Check, LayAmount, Role } from "../../recipe";
import { PAIRS_IN_BULK } from "../figures";
import { fixed, type Question } from "../question";

const LEVEL_TIPS: Check = { feature: "tips level", when: "before the cover" };
const HOLDS: Check = { feature: "it does not turn or slip when pulled", when: "before the cover", tolerance: "strict" };

/** Parts that are seen, and so must not slip. */
const secured = new Set<Role>(["tail", "wing", "underwing", "throat", "legs", "topping", "cheeks", "wing case"]);

const isByFibres = (amount: LayAmount, form: MaterialForm | undefined): boolean =>
  form === "feather fibre" && ("fibres" in amount || "spanMm" in amount);

/** What is tied in and lies along the shank or stands from it. */
export const layingQuestions: readonly Question[] = [
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
    raisedBy: ({ step, form }) => step.do === "lay" && (form === "hair" || isByFibres(step.amount, form)),
    schools: ({ form }) => [
      { id: "natural", words: "their natural stagger, which makes the look" },
      { id: "stacked", words: "levelled in a stacker", minutes: 0.4, tools: ["stacker"], checks: [LEVEL_TIPS] },
      { id: "bundled", words: "bundles levelled and stacked beforehand", tools: ["stacker"], checks: [LEVEL_TIPS] },
      { id: "by hand", words: "levelled by hand", minutes: form === "hair" ? 0.6 : 0.2, checks: [LEVEL_TIPS] },
    ],
    usual: () => "natural",
  },
  {
    id: "fibre dose",
    asks: "How are the fibres measured?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "lay" && !step.countedWhenWound && isByFibres(step.amount, form),
    schools: fixed(
      { id: "count", words: "counted", minutes: 0.15 },
      { id: "span", words: "by the span of stem that they stand on", tools: ["rule"] },
      { id: "eye", words: "by eye", minutes: -0.05 },
    ),
    usual: ({ step }) => (step.do === "lay" && "fibres" in step.amount ? "count" : "span"),
  },
  {
    id: "fibre ends",
    asks: "How do the fibres come off the stem?",
    changes: "look",
    raisedBy: ({ step, form }) => step.do === "lay" && !step.countedWhenWound && isByFibres(step.amount, form),
    schools: fixed(
      { id: "cut", words: "cut", tools: ["scissors for feather"] },
      { id: "torn", words: "torn off square, so that the tips stay level", checks: [LEVEL_TIPS] },
    ),
    usual: () => "cut",
  },
  {
    id: "securing",
    asks: "How many turns of thread secure it?",
    changes: "quantities",
    raisedBy: ({ step, role, form }) =>
      form === "hackle" || (step.do === "lay" && !step.countedWhenWound && role !== undefined && secured.has(role)),
    schools: fixed(
      { id: "as stated", words: "as many as the pattern says" },
      { id: "few", words: "as few as hold, to save room", minutes: -0.02, checks: [HOLDS] },
      { id: "several", words: "several more, against slipping", minutes: 0.05 },
    ),
    usual: () => "as stated",
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
];
