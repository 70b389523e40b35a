export * from "./cost";
export * from "./differences";
export * from "./methods";
export * from "./substitute";
export * from "./takenAway";
export * from "./choiceTakesAway";
export * from "./leavingOut";
export * from "./ranges";
export type { FlyRequest, Outcome } from "./outcome";
