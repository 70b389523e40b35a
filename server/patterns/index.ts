export * from "./book";
export * from "./routes";
export * from "./versions";
