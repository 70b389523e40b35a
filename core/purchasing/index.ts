export * from "./mix";
export * from "./reorder";
