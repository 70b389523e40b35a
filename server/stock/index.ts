export * from "./csv";
export * from "./routes";
export * from "./scaleRoutes";
