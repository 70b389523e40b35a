import type { RecipeStep } from "../../recipe";

/** Ways that are told in the words of a step, by question and school: how each is said back. */
const saidWays: Record<string, Record<string, string>> = {
  tips: { stacked: "tips stacked", "by hand": "tips levelled by hand", natural: "tips left natural" },
  "fibre ends": { torn: "torn off square", cut: "cut from the stem" },
  "fibre dose": { eye: "measured by eye", count: "counted out" },
  securing: { few: "held by as few wraps as will do", several: "secured with several wraps" },
  "dubbing dose": { reduced: "ample and reduced", added: "little and added to" },
  "dubbing way": { touched: "touched on waxed thread" },
};

/** Whether words say this question, so that what they no longer say is no longer meant. */
export const isSaidWay = (question: string): boolean => question in saidWays;

/** The ways of a step that have words of their own. */
export const wayWords = (step: RecipeStep): string[] =>
  Object.entries(step.methods ?? {}).flatMap(([question, school]) => saidWays[question]?.[school] ?? []);
