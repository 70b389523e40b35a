import { dispatch, jobOf, promise, type Promised } from "@kasten/core/schedule";
import { allocate } from "@kasten/core/materials";
import type { Sku } from "@kasten/core/batches";
import type { ReplyOf } from "@kasten/contract/http";
import type { promise as promiseEndpoint } from "@kasten/contract/orders";
import type { EntityManager } from "typeorm";
import { computeBatch, readLearned, type OpenBatch } from "../batches";
import { rows } from "../database/source";
import { proposalFor } from "../materials";
import { HORIZON_DAYS, plannable, readPlanning, type Planning } from "./build";

type Line = Sku & { flies: number };
type PromisedLine = ReplyOf<typeof promiseEndpoint>["lines"][number];

const reasons: Record<Promised["holds"], string> = {
  material: "material that must be ordered holds it",
  skill: "nobody in the room has every skill for it",
  hours: "the hours of the people who can tie it hold it",
  drying: "the drying of its coats holds it",
};

/** A batch that is not there yet, for what the shelf does not cover. */
const imagined = (line: Line, flies: number, version: number): OpenBatch => ({
  id: "new",
  number: 0,
  pattern: line.pattern,
  patternName: "",
  patternVersion: version,
  variant: line.variant,
  form: line.form,
  size: line.size,
  state: "planned",
  held: false,
  mode: "fly by fly",
  buy: [],
  methods: {},
  leave: [],
  use: {},
  mixLots: false,
  storedStarts: null,
  kitId: null,
  version: 0,
  good: 0,
  rejected: 0,
  claims: [{ line: "new", order: 0, orderId: "", customer: "", due: "9999-12-31", flies }],
});

async function freeOnShelf(db: EntityManager): Promise<Map<string, number>> {
  const free = await rows<Sku & { free: number }>(
    db,
    `SELECT l.pattern_id AS pattern, l.variant, l.form, l.size, sum(b.quantity - b.reserved)::int AS free FROM balance b JOIN lot l ON l.id = b.lot_id JOIN place p ON p.id = b.place_id WHERE p.kind = 'flies' AND l.pattern_id IS NOT NULL GROUP BY 1, 2, 3, 4`,
  );
  return new Map(free.map((f) => [`${f.pattern}|${f.variant}|${f.form}|${f.size}`, f.free]));
}

/** For each line the earliest day on which it can be ready without making any other order late, and what holds it. */
export async function promiseLines(db: EntityManager, lines: Line[]): Promise<PromisedLine[]> {
  const planning = await readPlanning(db);
  const learned = await readLearned(db);
  const shelf = await freeOnShelf(db);
  const plan = dispatch(planning.problem);
  const left = leftAfter(planning);
  return lines.map((line) => {
    const key = `${line.pattern}|${line.variant}|${line.form}|${line.size}`;
    const fromShelf = Math.min(line.flies, shelf.get(key) ?? 0);
    shelf.set(key, (shelf.get(key) ?? 0) - fromShelf);
    if (fromShelf === line.flies)
      return { ...line, day: planning.room.today, holds: "shelf" as const, sentence: "It is on the shelf." };
    const pattern = planning.room.world.patterns.get(line.pattern);
    if (!pattern || pattern.missing.length > 0)
      return {
        ...line,
        day: null,
        holds: "nothing" as const,
        sentence: "The pattern is not complete enough to be promised.",
      };
    const computed = computeBatch(
      planning.room.world,
      learned,
      imagined(line, line.flies - fromShelf, pattern.version),
    );
    if (computed.fault) return { ...line, day: null, holds: "nothing" as const, sentence: computed.fault };
    const arrives = materialDay(planning, computed.requirements, left);
    const batch = plannable(computed, planning.frame, arrives ? planning.frame.minuteOf(arrives) : 0, new Set(), 3);
    const result = promise(
      planning.problem,
      plan,
      jobOf({ ...batch, due: HORIZON_DAYS * 1440 }, planning.planners),
      planning.frame.now,
    );
    if (result.at === undefined)
      return {
        ...line,
        day: null,
        holds: result.holds,
        sentence: `No day within ${HORIZON_DAYS} days: ${reasons[result.holds]}.`,
      };
    const day = planning.frame.dayOf(result.at - 1);
    return { ...line, day, holds: result.holds, sentence: `${day} at the earliest: ${reasons[result.holds]}.` };
  });
}

/** What the drawers still hold once the open batches have taken theirs. */
function leftAfter(planning: Planning) {
  const lots = new Map([...planning.room.lots].map(([code, list]) => [code, list.map((l) => ({ ...l }))]));
  for (const { batch, requirements } of planning.room.batches)
    for (const r of requirements) {
      const missing = Math.max(0, r.issue - (planning.room.held.get(`${batch.id}|${r.key}`) ?? 0));
      const list = lots.get(r.material) ?? [];
      for (const t of allocate({ quantity: missing, side: r.side, barb: r.barb, mixLots: batch.mixLots }, list).take)
        for (const l of list) if (l.lot === t.lot && l.place === t.place) l.free -= t.quantity;
    }
  return lots;
}

/** The day on which the last of the materials is here, when something must be ordered. */
function materialDay(
  planning: Planning,
  requirements: ReturnType<typeof computeBatch>["requirements"],
  left: Planning["room"]["lots"],
): string | undefined {
  const days = requirements.flatMap((r) => {
    const { short } = allocate(
      { quantity: r.issue, side: r.side, barb: r.barb, mixLots: false },
      left.get(r.material) ?? [],
    );
    if (short === 0 || planning.room.world.materials.get(r.material)?.blend) return [];
    return [proposalFor(short, planning.room.sources.get(r.material), planning.room.today)?.arrives ?? "9999-12-31"];
  });
  return days.sort().at(-1);
}
