export * from "./entry";
export * from "./files";
export { placeSchema } from "./lengths";
export { recipeSchema } from "./recipe";
export * from "./requests";
