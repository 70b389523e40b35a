import type { MadeStep, Telling } from "../bench";
import { DAM } from "../clauses/lay/howTied";
import { verb } from "./verb";

/** The wing that was tied in last, or what of it the line names. */
function wingOf({ told, bench }: Telling): MadeStep | undefined {
  const code = told.description && bench.resolve(told.description).material?.code;
  return bench.made.findLast(({ step }) => {
    const component = bench.component(step.component);
    const isIt = code === undefined || component?.material.some((m) => m.value === code);
    return step.do === "lay" && component?.role === "wing" && isIt === true;
  });
}

/** “Stand it up with wraps in front, then post the base with six wraps”: how the wing that is there stands. */
function tellStand(t: Telling): void {
  const { told, line, bench } = t;
  const wing = wingOf(t);
  if (wing?.step.do !== "lay") {
    // Of a wing that is told, but not how thick it is, that is asked already.
    if (bench.ofRole("wing")) return;
    line.asks.push({
      at: [told.at, told.end],
      sentence: "What is stood up? No wing is tied in yet; tie it in first.",
      answers: [],
    });
    return;
  }
  const turns = told.said.wraps ?? told.said.rule?.turns;
  const { step } = wing;
  const at = step.tieIn?.at ?? step.from;
  // What holds it up comes on top of what ties it in, where that was said.
  const stated = step.tieIn?.wraps ?? 0;
  wing.step = {
    ...step,
    attitude: "up",
    ...(told.said.shown && { shown: told.said.shown }),
    ...(turns !== undefined && { tieIn: { ...step.tieIn, at, wraps: Math.max(1, Math.round(stated + turns)) } }),
  };
}

export const stand = verb(
  "stand",
  `(?:stand|prop|set|pull|lift)\\s+(?:it|them|the\\s+(?:wings?|post|hair|feathers?|fibres?|yarn))\\s+(?:straight\\s+|bolt\\s+)?(?:up(?:right)?|erect)(?!\\s+(?:and\\s+over|over|to)\\b)(?:${DAM})?|post(?:\\s+up)?\\s+(?:the\\s+(?:base|wings?|foot)|it|them)(?:\\s+up)?`,
  tellStand,
);
