export * from "./scale";
export * from "./supplier";
