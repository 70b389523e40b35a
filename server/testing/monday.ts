/**
 * The moment at which every API test happens: before the hours of a plain working week. What holds a promise, or who
 * ties first, depends on the hour, and a test must answer alike at each.
 */
export const MONDAY_MORNING = new Date("2026-11-23T05:30:00Z");
