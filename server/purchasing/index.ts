export * from "./arrivals";
export * from "./entities";
export * from "./proposals";
export * from "./routes";
export * from "./suppliers";
