import { dressings, type Recipe } from "../../recipe";
import { dressingWords, isDressed, ownDressing } from "../density";
import { fixed, type Question } from "../question";

/** What concerns the fly as a whole: order, eyes, head, density, the vise. */
export const wholeQuestions: readonly Question[] = [
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
];

const finishing = (recipe: Recipe): string[] =>
  recipe.finish.state === "given"
    ? [recipe.finish.component, ...(recipe.finish.then ?? []).map((c) => c.component)]
    : [];
