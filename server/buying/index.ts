export * from "./csv";
export * from "./plan";
export * from "./purchases";
export * from "./routes";
export * from "./solver";
