export * from "./derive";
export * from "./entities";
export * from "./move";
export * from "./places";
export * from "./queries";
