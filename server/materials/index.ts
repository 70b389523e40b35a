export * from "./entities";
export * from "./keep";
export * from "./read";
export * from "./routes";
