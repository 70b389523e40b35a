export * from "./entities";
export * from "./read";
