export * from "./common";
export * from "./endpoint";
export * from "./problem";
