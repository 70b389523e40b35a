export * from "./diff";
