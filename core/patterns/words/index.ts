export * from "./line";
export { kindOf, readStep, sayStep, type StepContext, type StepDoubt, type StepReading } from "./read";
export { readLength, readNumber, readPlace, sayLength, sayNumber, sayPlace } from "./text";
