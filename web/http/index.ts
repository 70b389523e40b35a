export * from "./client";
export * from "./connection";
export * from "./live";
export * from "./usePages";
export * from "./useRead";
