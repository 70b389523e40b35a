export * from "./calendar";
export * from "./routes";
export * from "./search";
