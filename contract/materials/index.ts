export * from "./material";
export * from "./need";
export * from "./requests";
export * from "./requirement";
export * from "./working";
