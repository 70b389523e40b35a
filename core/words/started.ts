import { deepCopy } from "./copy";
import type { Place } from "../hooks";
import type { Bench } from "./bench";
import { shifted, STARTED } from "./text/place";

/** Where a thread is started where nobody says it. */
const USUAL: Place = { eyeLengths: 0.5 };

/** Where the thread was put on the hook: its first winding begins there, or it still hangs there. */
export function startOf(bench: Bench): Place {
  const base = bench.made.find((m) => bench.component(m.step.component)?.role === "thread")?.step;
  if (base?.do === "wind") return base.from;
  return (bench.made.length === 0 ? bench.hangs : undefined) ?? USUAL;
}

/** “Back to where you started”: the place in what was said, once it is known. */
export function settleStart(value: unknown, start: Place = USUAL): void {
  if (value === null || typeof value !== "object") return;
  if ("part" in value && value.part === STARTED) {
    const { plus } = value as Partial<Place>;
    for (const key of Object.keys(value)) delete (value as Record<string, unknown>)[key];
    Object.assign(value, deepCopy(plus ? shifted(start, plus) : start));
    return;
  }
  for (const v of Object.values(value)) settleStart(v, start);
}
