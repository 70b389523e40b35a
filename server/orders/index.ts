export * from "./entities";
export * from "./queries";
export * from "./routes";
export * from "./service";
