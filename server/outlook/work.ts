import type { Line, PromisedLines } from "../schedule";

/** Who computes what the outlook keeps: a thread beside the server, or the program itself. */
export interface Reckoner {
  reckon: () => Promise<void>;
  promise: (lines: Line[]) => Promise<PromisedLines>;
}
