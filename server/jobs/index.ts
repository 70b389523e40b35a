export * from "./jobs";
