export * from "./requirements";
export * from "./taken";
export * from "./workings";
export * from "./compare";
export * from "./benchWords";
