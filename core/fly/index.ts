export * from "./tools";
export * from "./types";
export { composeFly } from "./compose";
export * from "./kept";
export { cutLength, noodleDensities, wrapsOfHold } from "./steps";
export { rootOf } from "./lengths";
export * from "./proportions";
export * from "./room";
export * from "./coats";
