import type { Telling } from "../bench";
import { anyOf } from "../parse";
import { objectOf } from "./making";
import { verb } from "./verb";

/**
 * What was just done is held: wraps, a place and what stays free belong to it. A line that only ties off says no more.
 */
function tellHold(t: Telling): void {
  const { told, bench, line } = t;
  const { said } = told;
  // “lock it down with thread, 6/0 black”: the first thread that is named is the one on the hook.
  if (told.description && bench.thread === undefined && formOf(told) === "thread") nameThread(t);
  const last = bench.made.findLast((m) => m.line === line.number) ?? bench.made[bench.made.length - 1];
  // Where the line asks what it is about, nothing before it is held by its wraps.
  if (!last || (last.line !== line.number && line.asks.length > 0)) return;
  const { step } = last;
  const isTakenOver = step.do === "lay" && step.tiedIn !== undefined;
  const target = isTakenOver ? (said.there ?? said.end ?? said.begin) : undefined;
  const at = target ?? step.tieIn?.at ?? ("from" in step ? step.from : undefined);
  const wraps = said.wraps ?? step.tieIn?.wraps;
  let held = step;
  if (at && (said.wraps !== undefined || target))
    held = { ...held, tieIn: { ...held.tieIn, at, ...(wraps !== undefined && { wraps }) } };
  if (held.do === "lay" && said.free) held = { ...held, free: said.free };
  if (held.do === "lay" && target) {
    held = { ...held, from: target };
    bench.hangs = target;
    const waiting = bench.waiting.find((w) => w.step === held.tiedIn);
    if (waiting) waiting.at = target;
  }
  last.step = held;
}

const formOf = ({ description }: Telling["told"]) => description?.exact?.form ?? description?.means?.form;
function nameThread(t: Telling): void {
  const { component } = objectOf({ ...t, told: { ...t.told, role: "thread" } });
  if (component) t.bench.thread = component.id;
}

export const hold = verb(
  "hold",
  anyOf(
    "(?:tie|bind|lash|secure|fasten|hold|trap|fix|catch|clamp)(?:\\s+(?:it|them|this|the\\s+\\w+))?\\s+(?:off|down|in\\s+place|there|here|fast|securely|back\\s+with)",
    "(?:hold|secure|fasten|bind|trap|catch|lock|fix)(?=\\s+(?:it|them|this|the\\s+\\w+)?\\s*(?:down\\s+)?(?:with|by)\\b)",
    "lock(?:\\s+(?:it|them))?(?:\\s+(?:in|down))?",
    "(?:worry|waggle|wiggle|rock|bend)\\s+(?:it|the\\s+(?:wire|rib|mono|tinsel))(?=\\s+(?:until|till|off|back|to\\s+and))",
    "(?:helicopter|break|twist|worry|snap)\\s+(?:it\\s+|the\\s+\\w+\\s+)?off(?:\\s+the\\s+(?:end|rest|tag))?(?:\\s+end)?",
  ),
  tellHold,
);
