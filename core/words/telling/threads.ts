import { formSaid } from "../description";
import { type Reading, lineOf } from "../reading";
import { secondThreadOf } from "../secondThread";
import type { Telling } from "../bench";
import { verbOf } from "../verbs";
import { objectOf } from "../verbs/object";
import type { Told } from "../told";

/** “Thread: white, red for the head”: the second is changed to later, where the line names the first. */
export function takeSecondThread(r: Reading, i: number): void {
  const head = r.heads[i];
  const text = r.plain[i] ?? "";
  const second = head?.role === "thread" && r.bench.second === undefined && secondThreadOf(text, head.begin);
  if (!second) return;
  r.plain[i] = second.first;
  r.bench.second = second.description;
  for (const at of second.read) lineOf(r, i).marks.push({ at, kind: "known" });
}

/** The head is built, or the knot tied: a second thread that a list named for it is changed to first. */
export function changeForHead(r: Reading, t: Telling): void {
  const { told, bench } = t;
  if (bench.second === undefined || told.verb === "change") return;
  const isNamed = told.role === "head" && t.line.isListed && isToldBySteps(r, t.line.number);
  if ((told.kind === "whip" || told.role === "head") && !isNamed)
    verbOf("change")?.tell({ ...t, told: { ...told, said: {}, description: undefined } });
}

/** Where no line comes to the head, it is changed to at the end. */
export function changeAtLast(r: Reading): void {
  const i = r.heads.findIndex((h) => h.role === "thread");
  const told = r.bench.second === undefined || i < 0 ? undefined : r.told(i)[0];
  if (!told) return;
  const said = { told: { ...told, said: {}, description: undefined }, text: r.plain[i] ?? "", bench: r.bench };
  verbOf("change")?.tell({ ...said, line: r.notesOf(i) });
}

/** Whether lines behind a list tell step by step what it has named. */
export function isToldBySteps(r: Reading, i: number): boolean {
  const isStep = (_: string, n: number): boolean =>
    n > i && lineOf(r, n).kind === "steps" && !r.heads[n]?.isListed && r.told(n).some((t) => t.verb !== undefined);
  return r.lines.some(isStep);
}

/** The thread that a list names is on the hook from the start, wherever its line stands. */
export function declareThread(r: Reading, i: number): void {
  const head = r.heads[i];
  if (head?.role !== "thread" || lineOf(r, i).kind !== "steps" || r.bench.thread) return;
  const text = r.plain[i] ?? "";
  const told = r.told(i);
  const first = told[0];
  if (!first) return;
  const { component } = objectOf({ told: first, text, bench: r.bench, line: r.notesOf(i) });
  if (component) r.bench.thread = component.id;
}

/** “Red thread.”, “and yellow silk”: the first thread that is only named is the one on the hook. */
export function isThreadNamed(r: Reading, { verb, role, description, said }: Told): boolean {
  const form = formSaid(description);
  return (
    form === "thread" &&
    // “I tie this with 8/0 brown thread” names it, and ties nothing in.
    (verb === undefined || verb === "tie in") &&
    (role === undefined || role === "thread") &&
    r.bench.thread === undefined &&
    Object.keys(said).length === 0
  );
}

/** “Tie in yellow silk at the eye”: the first thread that is tied in is the one that ties. */
export function isThreadStarted(r: Reading, { verb, role, description, said }: Told): boolean {
  const form = formSaid(description);
  const isOnlyPlaced = Object.keys(said).every((k) => k === "there");
  return (
    verb === "tie in" &&
    form === "thread" &&
    (role === undefined || role === "thread") &&
    r.bench.thread === undefined &&
    isOnlyPlaced
  );
}
