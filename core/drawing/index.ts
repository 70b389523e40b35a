export * from "./draw";
export * from "./paths";
export type * from "./shapes";
