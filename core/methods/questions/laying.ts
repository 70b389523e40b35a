import { PAIRS_IN_BULK } from "../figures";
import { fixed, type Question } from "../question";

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
];
