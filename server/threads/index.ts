export * from "./pool";
export * from "./work";
