export * from "./routes";
export * from "./settings";
export * from "./world";
