export * from "./entities";
export * from "./proposals";
