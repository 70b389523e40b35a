export * from "./nymph";
export * from "./recipes";
export * from "./steps";
