export * from "./destination";
export { isoDate, readDate } from "./dates";
export { fold, likeness, nearest } from "./nearest";
export { dozensText, MOST_DOZENS } from "./quantity";
export * from "./read";
export * from "./standing";
export * from "./types";
export * from "./wishedChoice";
export { findWish } from "./wishes";
