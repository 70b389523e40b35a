export * from "./look";
export * from "./routes";
export * from "./take";
