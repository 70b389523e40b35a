export * from "./build";
export * from "./calendar";
export * from "./check";
export * from "./cost";
export * from "./dispatch";
export * from "./promise";
export * from "./types";
