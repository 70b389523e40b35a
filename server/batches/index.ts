export * from "./compute";
export * from "./csv";
export * from "./detail";
export * from "./knowledge";
export * from "./makeUp";
export * from "./open";
export * from "./routes";
export { pull, release, reserve } from "./service";
