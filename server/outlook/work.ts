import type { ProblemDetails } from "@kasten/contract/http";
import type { DataSource } from "typeorm";
import type { Line, PromisedLine } from "../schedule";
import { promised, reckon } from "./reckon";

/** Who computes: a thread of its own beside the server, or the program itself. */
export interface Work {
  reckon: () => Promise<void>;
  promise: (lines: Line[]) => Promise<PromisedLine[]>;
  close: () => Promise<void>;
}

/** What a thread is asked, and what it answers. */
export type Task = { do: "reckon" } | { do: "promise"; lines: Line[] };
/** A refusal does not keep its class on the way between threads: it goes as data. */
export type Done = { lines: PromisedLine[] } | { problem: ProblemDetails };

/** In this very program: for tests and tools, where nobody else waits. */
export const inline = (source: DataSource): Work => ({
  reckon: () => reckon(source),
  promise: (lines) => promised(source, lines),
  close: () => Promise.resolve(),
});
