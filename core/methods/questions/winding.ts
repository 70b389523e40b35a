import { isSame } from "../../numeric";
import type { Place } from "../../hooks";
import { PIECES_IN_BULK } from "../figures";
import { fixed, type Question } from "../question";

/** Feathers, wires, floss and bodies that are wound. */
export const windingQuestions: readonly Question[] = [
  {
    id: "hackle tied in",
    asks: "By which end is the feather tied in?",
    changes: "quantities",
    raisedBy: ({ step, form }) => step.do === "wind" && form === "hackle",
    schools: fixed(
      { id: "butt", words: "by the stripped butt" },
      {
        id: "tip",
        words: "by the tip, doubled back",
        minutes: 0.1,
        checks: [{ feature: "the tip is doubled back and held", when: "before the cover" }],
      },
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
      {
        id: "until it stops",
        words: "until the stem goes bare or thick",
        minutes: 0.1,
        checks: [{ feature: "no bare stem shows", when: "finished" }],
      },
    ),
    usual: () => "count",
  },
  {
    id: "feather face",
    asks: "Which way does the hollow side look?",
    changes: "look",
    raisedBy: ({ step, form }) => step.do === "wind" && form === "hackle",
    schools: fixed(
      { id: "in", words: "to the hook, so that the barbs sit swept back" },
      { id: "out", words: "away from the hook, as it turns over when it is wound" },
    ),
    usual: ({ step }) => (step.do === "wind" ? (step.face ?? "in") : "in"),
  },
  {
    id: "palmer",
    asks: "Which way does the palmer run?",
    changes: "direction",
    raisedBy: ({ step, form, recipe }) =>
      step.do === "wind" &&
      form === "hackle" &&
      step.to !== undefined &&
      !isSame(step.from, step.to) &&
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
    id: "thread lay",
    asks: "How does the thread lie?",
    changes: "quantities",
    raisedBy: ({ step, form, role }) => step.do === "wind" && form === "thread" && role !== "thread",
    schools: fixed(
      { id: "as it comes", words: "as it comes off the spool" },
      { id: "flat", words: "spun flat: wide and thin", minutes: 0.1 },
      { id: "corded", words: "spun to a cord: narrow and round", minutes: 0.1 },
    ),
    usual: () => "as it comes",
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
];

/** Where a place lies from the eye to beyond the bend, near enough to tell which of two comes first on any hook. */
function alongShank(place: Place): number {
  if ("part" in place) return 0.5;
  if ("fraction" in place) return place.fraction;
  if ("eyeLengths" in place) return 0.1 * place.eyeLengths;
  return { eye: 0, point: 0.75, barb: 0.9, bend: 1, betweenBends: 1.1, intoBend: 1.2 }[place.landmark];
}
