export * from "./line";
export { stanceWords } from "./clauses";
export { kindOf, readStep, sayStep, type StepContext, type StepDoubt, type StepReading } from "./read";
export { readLength, readNumber, readPlace, sayLength, sayNumber, sayPlace } from "./text";
