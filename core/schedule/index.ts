export * from "./build";
export * from "./calendar";
export * from "./check";
export * from "./cost";
export * from "./promise";
export * from "./solve";
export * from "./types";
