/** What becomes of a plan when its minutes, deliveries, rejects and people turn out as they do: odds for every job. */
export * from "./rehearse";
export * from "./types";
