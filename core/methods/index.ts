export * from "./methods";
export * from "./dressing";
export * from "./schooling";
