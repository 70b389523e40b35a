export * from "./needs";
export * from "./routes";
