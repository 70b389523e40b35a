export * from "./read";
export * from "./routes";
export * from "./service";
