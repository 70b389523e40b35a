export * from "./routes";
export * from "./scaleRoutes";
