import { importPatterns } from "@kasten/contract/patterns";
import type { ProblemDetails, ReplyOf } from "@kasten/contract/http";
import { previewFile, takeInFile, type FilePreview } from "@kasten/contract/files";
import type { DataSource } from "typeorm";
import { cheapestMix, type Mix, type MixProblem } from "@kasten/core/purchasing";
import { mixedIntegerSolver, type Cheapest } from "../buying";
import { look, take } from "../files";
import { bodyFromText, changeFromText, type TextChange } from "../http/handle";
import { promised, reckon, type Reckoner } from "../outlook";
import { takeIn } from "../patterns";
import { SearchControl, searchOn, type Effort, type Line, type PromisedLines, type SearchOutcome } from "../schedule";

/** What takes long and is therefore done beside the server. */
export interface Work extends Reckoner {
  takeIn: (change: TextChange) => Promise<ReplyOf<typeof importPatterns>>;
  previewed: (change: TextChange) => Promise<FilePreview>;
  takenIn: (change: TextChange) => Promise<ReplyOf<typeof takeInFile>>;
  cheapest: Cheapest;
  search: (seconds: number, control: SearchControl) => Promise<SearchOutcome>;
  close: () => Promise<void>;
}

/** The same as data: what a thread is asked. */
export type Task =
  | { do: "reckon" }
  | { do: "promise"; lines: Line[] }
  | { do: "buy"; problem: MixProblem }
  | { do: "search"; seconds: number; memory: SharedArrayBuffer }
  | { do: "take in" | "preview file" | "take in file"; change: TextChange };
/** What it answers. A refusal does not keep its class on the way between threads: it goes as data. */
export type Done =
  | { promised: PromisedLines }
  | { mix: Mix }
  | { found: SearchOutcome }
  | { taken: ReplyOf<typeof importPatterns> }
  | { preview: FilePreview }
  | { file: ReplyOf<typeof takeInFile> }
  | { problem: ProblemDetails }
  | { reckoned: true };

const takeInto = (source: DataSource, change: TextChange): Promise<ReplyOf<typeof importPatterns>> =>
  changeFromText(source, importPatterns, change, (db, body) => takeIn(db, { id: change.person }, body));

const takeFileInto = (source: DataSource, change: TextChange): Promise<ReplyOf<typeof takeInFile>> =>
  changeFromText(source, takeInFile, change, (db, body) => take(db, { id: change.person }, body));

/** What would become of a file, seen in one moment of the room; nothing is written. */
const lookAt = (source: DataSource, { text }: TextChange): Promise<FilePreview> =>
  source.transaction("REPEATABLE READ", async (db) => (await look(db, bodyFromText(previewFile, text))).preview);

const cheapest: Cheapest = async (problem) => cheapestMix(problem, await mixedIntegerSolver());

/** Does a task, in whatever program it is called. */
export async function perform(source: DataSource, task: Task, effort: Effort): Promise<Done> {
  if (task.do === "promise") return { promised: await promised(source, task.lines, { effort }) };
  if (task.do === "buy") return { mix: await cheapest(task.problem) };
  if (task.do === "search")
    return { found: await searchOn(source, task.seconds, new SearchControl(task.memory), { effort }) };
  if (task.do === "take in") return { taken: await takeInto(source, task.change) };
  if (task.do === "preview file") return { preview: await lookAt(source, task.change) };
  if (task.do === "take in file") return { file: await takeFileInto(source, task.change) };
  await reckon(source, { effort });
  return { reckoned: true };
}

/** In this very program: for tests and tools, where nobody else waits. */
export const inline = (source: DataSource, effort: Effort): Work => ({
  reckon: () => reckon(source, { effort }),
  promise: (lines) => promised(source, lines, { effort }),
  takeIn: (change) => takeInto(source, change),
  previewed: (change) => lookAt(source, change),
  takenIn: (change) => takeFileInto(source, change),
  cheapest,
  search: (seconds, control) => searchOn(source, seconds, control, { effort }),
  close: () => Promise.resolve(),
});
