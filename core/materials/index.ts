export * from "./describe";
export * from "./gauge";
export * from "./material";
export * from "./nominal";
export * from "./threadScale";
export * from "./words";
export * from "./blend";
export * from "./colours";
