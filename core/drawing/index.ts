export * from "./draw";
export * from "./shapes";
