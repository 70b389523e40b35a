export * from "./starts";
export * from "./calibration";
export * from "./pieces";
export * from "./minutes";
export * from "./prepPace";
export * from "./lotYield";
