import type { ComposedFly, FlyStep } from "./types";

/** What a step has to have at hand: its own tools, and those of its ways. */
export const toolsOfStep = (s: FlyStep): string[] => [
  ...new Set([...(s.step.tools ?? []), ...s.methods.flatMap((m) => m.tools ?? [])]),
];

/** All tools that a fly is tied with, by name. */
export const toolsOf = (fly: ComposedFly): string[] => [...new Set(fly.steps.flatMap(toolsOfStep))];
