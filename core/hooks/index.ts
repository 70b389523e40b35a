export * from "./geometry";
export * from "./near";
export * from "./place";
export * from "./size";
export * from "./made";
export * from "./sizesFor";
export * from "./wanted";
