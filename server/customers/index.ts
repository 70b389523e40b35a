export * from "./entities";
export * from "./read";
export * from "./routes";
