export * from "./entities";
export * from "./entry";
export * from "./recipes";
