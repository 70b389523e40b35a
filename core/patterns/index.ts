export * from "./completeness";
export * from "./compose";
export * from "./lengths";
export * from "./recipe";
