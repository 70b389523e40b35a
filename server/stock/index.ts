export * from "./csv";
export { count as countLotIn } from "./lots";
export { lockedBalance, lotsForCounting } from "./lotQueries";
export { photoOf } from "./photos";
export * from "./routes";
export * from "./scaleRoutes";
