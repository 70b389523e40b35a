export * from "./calendar";
export * from "./routes";
