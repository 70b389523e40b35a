export * from "./destination";
export * from "./dates";
export * from "./nearest";
export * from "./read";
