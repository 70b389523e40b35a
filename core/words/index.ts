export * from "./line";
export { kindOf } from "./kind";
export { sayStep, stanceWords } from "./kinds";
export { readStep } from "./read";
export { readLength, readNumber, readPlace, sayLength, sayNumber, sayPlace } from "./text";
export type { StepContext, StepDoubt, StepReading } from "./types";
