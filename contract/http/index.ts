export * from "./common";
export * from "./endpoint";
export * from "./figures";
export * from "./problem";
export * from "./same";
export * from "./texts";
export * from "./wrong";
