export * from "./breakage";
export * from "./kitParts";
export * from "./requirements";
export * from "./taken";
export * from "./workings";
export * from "./wholeWorkings";
export * from "./compare";
export * from "./benchWords";
