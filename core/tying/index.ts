export * from "./dress";
export * from "./fly";
export * from "./lay";
export * from "./profile";
export * from "./seat";
export * from "./strand";
export * from "./take";
export * from "./wind";
