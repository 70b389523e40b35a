export * from "./mix";
export * from "./reorder";
export * from "./season";
