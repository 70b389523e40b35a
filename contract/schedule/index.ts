import { endCalendarKey, makeCalendarKey, readCalendarKey } from "./calendar";
import { listPlanVersions, pinBatch, publishPlan, readPlanVersion, splitTying, unpinBatch } from "./change";
import { readLate, readOdds, readPlan, readTurns } from "./plan";
import { readProblem } from "./problem";
import { readSearch, startSearch, stopSearch } from "./search";

export * from "./calendar";
export * from "./change";
export * from "./plan";
export * from "./problem";
export * from "./search";

export const scheduleEndpoints = [
  readPlan,
  readProblem,
  readLate,
  readOdds,
  readTurns,
  pinBatch,
  splitTying,
  unpinBatch,
  publishPlan,
  listPlanVersions,
  readPlanVersion,
  readCalendarKey,
  makeCalendarKey,
  endCalendarKey,
  readSearch,
  startSearch,
  stopSearch,
];
