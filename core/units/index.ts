export * from "./bounds";
export * from "./length";
export * from "./quantity";
