import { drawMore, finishBatch, sendTallies } from "@kasten/contract/bench";
import { drawMore as draw } from "../batches";
import type { Register } from "../http/handle";
import { countsOf, tellCounts } from "./queries";
import { finish, keepTally } from "./service";

export function benchRoutes(register: Register): void {
  register(sendTallies, async ({ db, person, body }) => {
    const refused: { id: string; detail: string }[] = [];
    // Batches in one order, so that two benches which send at once never wait for each other.
    for (const t of [...body.tallies].sort((a, b) => a.batch.localeCompare(b.batch))) {
      const detail = await keepTally(db, person, t);
      if (detail) refused.push({ id: t.id, detail });
    }
    const touched = [...new Set(body.tallies.map((t) => t.batch))];
    for (const b of touched.sort()) await tellCounts(db, b);
    const counts = await countsOf(db, touched);
    return { counts: counts.map(({ id, good, rejected }) => ({ batch: id, good, rejected })), refused };
  });
  register(drawMore, async ({ db, person, params, body }) => {
    await draw(db, person, params.id, body);
    return { ok: true as const };
  });
  register(finishBatch, async ({ db, person, params, body }) => {
    await finish(db, person, params.id, body);
    return { ok: true as const };
  });
}
