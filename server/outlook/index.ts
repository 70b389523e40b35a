export * from "./entities";
export * from "./outlook";
export * from "./reckon";
export * from "./routes";
export * from "./work";
