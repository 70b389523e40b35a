export * from "./lots";
export * from "./needs";
export * from "./proposals";
export * from "./routes";
