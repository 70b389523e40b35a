export * from "./calendar";
export * from "./check";
export * from "./cost";
export * from "./dispatch";
export * from "./types";
