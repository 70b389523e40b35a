export * from "./geometry";
export * from "./place";
export * from "./size";
