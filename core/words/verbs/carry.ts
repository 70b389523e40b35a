import type { Telling } from "../bench";
import { tellTakeOver } from "./takeOver";
import { move } from "./thread";
import { verb } from "./verb";
import { tellWind } from "./wind";

/** “Take it to the bend”: what it is depends on what was told of last. */
function tellCarry(t: Telling): void {
  const { bench } = t;
  const last = bench.component(bench.last.component);
  if (bench.waits((w) => w.hangs)) return tellTakeOver(t);
  if (bench.waits((w) => !w.hangs)) return tellWind(t);
  if (last === undefined || last.role === "thread" || bench.hangs !== undefined) return move.tell(t);
  tellWind(t);
}

export const carry = verb(
  "carry",
  "(?:and\\s+)?(?:take|bring|run|carry|lead|work)\\s+(?:it|them)(?:\\s+(?:forward|forwards|back|up|down|along))*",
  tellCarry,
);
