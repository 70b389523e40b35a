import { importPatterns } from "@kasten/contract/patterns";
import type { ProblemDetails, ReplyOf } from "@kasten/contract/http";
import type { DataSource } from "typeorm";
import { changeFromText, type TextChange } from "../http/handle";
import { promised, reckon, type Reckoner } from "../outlook";
import { takeIn } from "../patterns";
import type { Line, PromisedLine } from "../schedule";

/** What takes long and is therefore done beside the server. */
export interface Work extends Reckoner {
  takeIn: (change: TextChange) => Promise<ReplyOf<typeof importPatterns>>;
  close: () => Promise<void>;
}

/** The same as data: what a thread is asked. */
export type Task = { do: "reckon" } | { do: "promise"; lines: Line[] } | { do: "take in"; change: TextChange };
/** What it answers. A refusal does not keep its class on the way between threads: it goes as data. */
export type Done =
  | { lines: PromisedLine[] }
  | { taken: ReplyOf<typeof importPatterns> }
  | { problem: ProblemDetails }
  | { reckoned: true };

const takeInto = (source: DataSource, change: TextChange): Promise<ReplyOf<typeof importPatterns>> =>
  changeFromText(source, importPatterns, change, (db, body) => takeIn(db, { id: change.person }, body));

/** Does a task, in whatever program it is called. */
export async function perform(source: DataSource, task: Task): Promise<Done> {
  if (task.do === "promise") return { lines: await promised(source, task.lines) };
  if (task.do === "take in") return { taken: await takeInto(source, task.change) };
  await reckon(source);
  return { reckoned: true };
}

/** In this very program: for tests and tools, where nobody else waits. */
export const inline = (source: DataSource): Work => ({
  reckon: () => reckon(source),
  promise: (lines) => promised(source, lines),
  takeIn: (change) => takeInto(source, change),
  close: () => Promise.resolve(),
});
