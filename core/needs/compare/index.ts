export * from "./differences";
export * from "./methods";
export * from "./substitute";
export * from "./leavingOut";
export * from "./ranges";
export type { FlyRequest, Outcome } from "./outcome";
