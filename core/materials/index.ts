export * from "./allocate";
export * from "./calibration";
export * from "./material";
export * from "./pieces";
export * from "./requirements";
export * from "./words";
export * from "./blend";
export * from "./compare";
