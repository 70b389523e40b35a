export * from "./routes";
