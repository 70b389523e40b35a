import { mostOwedFor, type Sku } from "@kasten/core/batches";
import type { Requirement } from "@kasten/core/needs";
import { finishedKey, type Asked } from "@kasten/core/recipe";
import { lotKey } from "@kasten/core/stock";
import { nothing, quantity } from "@kasten/core/units";
import {
  freeOf,
  jobOf,
  Promises,
  type Free,
  type PlanningPerson,
  type Promised,
  type ScheduleResult,
} from "@kasten/core/schedule";
import type { ReplyOf } from "@kasten/contract/http";
import type { promise as promiseEndpoint } from "@kasten/contract/orders";
import { computeBatch, onPaper, readLearned, shareLots, takeFor, type Learned, type OpenBatch } from "../batches";
import type { Db } from "../database/rows";
import { freeFlyLots, type StockedLot } from "../ledger";
import { classDemands, Coming, comingAfter, standingOf } from "../needs";
import { proposalFor, sourcesByMaterial, type Source } from "../purchasing";
import { todayIn } from "../settings";
import { readWorld, type World } from "../world";
import { plannable, type Planning } from "./build";
import { frameOf, HORIZON_DAYS, type Frame } from "./frame";

export type Line = Sku & { flies: number; asked?: Asked };
export type PromisedLine = ReplyOf<typeof promiseEndpoint>["lines"][number];

const reasons: Record<Promised["holds"], string> = {
  material: "material that must be ordered holds it",
  skill: "nobody in the room has every skill for it",
  hours: "the hours of the people who can tie it hold it",
  drying: "the drying of its coats holds it",
};

/** What is imagined is not tied: nobody's rules speak against it. */
const noRules = {
  policy: "tier" as const,
  destination: { noLead: false, barblessOnly: false, forbiddenSpecies: [] },
  exception: null,
};

/** A batch that is not there yet, for what the shelf does not cover. */
const imagined = (
  { pattern, variant, form, size, asked = {} }: Line,
  flies: number,
  version: number,
  id: string,
): OpenBatch => ({
  id,
  number: 0,
  pattern,
  patternName: "",
  patternVersion: version,
  variant,
  form,
  size,
  state: "planned",
  held: false,
  mode: "fly by fly",
  buy: asked.buy ?? [],
  methods: asked.methods ?? {},
  leave: asked.leave ?? [],
  use: asked.use ?? {},
  asked,
  mixLots: false,
  exceptions: [],
  storedStarts: null,
  kitId: null,
  version: 0,
  good: 0,
  rejected: 0,
  claims: [{ line: "new", order: 0, orderId: "", customer: "", due: "9999-12-31", flies, wishes: "", ...noRules }],
});

/**
 * What promises are made against, as data: the hours that the plan leaves free, and what the drawers still hold once
 * the open batches have taken theirs. Made with each plan, and kept beside it.
 */
export interface Basis {
  free: Free;
  planners: PlanningPerson[];
  lots: [material: string, lots: StockedLot[]][];
  /** What is on its way and claimed by nobody yet. */
  coming: [material: string, arrivals: { day: string; quantity: number }[]][];
}

export const basisOf = (planning: Planning, plan: ScheduleResult): Basis => ({
  free: freeOf(planning.problem, plan),
  planners: planning.planners.map((p) => ({ ...p, windows: [] })),
  lots: [...leftAfter(planning)],
  coming: comingAfter(planning.room),
});

interface Against {
  basis: Basis;
  world: World;
  learned: Learned;
  frame: Frame;
  today: string;
  /** Taken from on paper, line by line. */
  lots: Map<string, StockedLot[]>;
  coming: Map<string, Coming>;
  promises: Promises;
  /** The most flies that one batch of a pattern is made of. */
  most: (pattern: string) => number;
  /** How many batches have been imagined: each has a name of its own. */
  imagined: number;
  sources: Map<string, Source[]>;
  shelf: Map<string, number>;
}

/** Flies that may fill a line: of its kind, tied as it asks. */
const flyKey = (s: Sku, tied: Asked): string => [s.pattern, s.variant, s.form, s.size, finishedKey(tied)].join("|");

/** What is on the shelf for nobody, of the kinds that are asked for. */
async function freeShelf(db: Db, lines: Line[]): Promise<Map<string, number>> {
  const shelf = new Map<string, number>();
  const kinds = new Map(lines.map((l) => [flyKey(l, {}), l]));
  for (const kind of kinds.values())
    for (const lot of await freeFlyLots(db, kind)) {
      const key = flyKey(kind, lot.tied);
      shelf.set(key, (shelf.get(key) ?? 0) + lot.free);
    }
  return shelf;
}

/**
 * For each line the earliest day on which it can be ready without making any other order late, and what holds it.
 * @param madeAt when the plan was made from which the basis is: its minutes count from that day
 */
export async function promiseLines(
  db: Db,
  basis: Basis,
  madeAt: Date,
  now: Date,
  lines: Line[],
): Promise<PromisedLine[]> {
  const world = await readWorld(db);
  const learned = await readLearned(db);
  const { tray, serviceLevel } = world.settings;
  const against: Against = {
    basis,
    world,
    learned,
    most: (pattern) => mostOwedFor(tray, learned.outcomes(pattern), serviceLevel),
    coming: new Map(basis.coming.map(([material, list]) => [material, new Coming(list)])),
    promises: new Promises(basis.free),
    imagined: 0,
    frame: frameOf(world.settings.timeZone, madeAt, now),
    today: todayIn(world.settings.timeZone, now),
    lots: onPaper(new Map(basis.lots)),
    sources: await sourcesByMaterial(db),
    shelf: await freeShelf(db, lines),
  };
  return lines.map((line) => promiseLine(against, line));
}

function promiseLine(against: Against, line: Line): PromisedLine {
  const { world, frame, shelf } = against;
  const key = flyKey(line, line.asked ?? {});
  const fromShelf = Math.min(line.flies, shelf.get(key) ?? 0);
  shelf.set(key, (shelf.get(key) ?? 0) - fromShelf);
  if (fromShelf === line.flies) return { ...line, day: against.today, holds: "shelf", sentence: "It is on the shelf." };
  const nobody = (sentence: string): PromisedLine => ({ ...line, day: null, holds: "nothing", sentence });
  const pattern = world.patterns.get(line.pattern);
  if (!pattern || pattern.missing.length > 0) return nobody("The pattern is not complete enough to be promised.");
  const most = against.most(line.pattern);
  const owed = line.flies - fromShelf;
  const parts = Array.from({ length: Math.ceil(owed / most) }, (_, i) => Math.min(most, owed - i * most));
  let worst: { at: number; holds: Promised["holds"] } | undefined;
  for (const flies of parts) {
    const part = promisePart(against, imagined(line, flies, pattern.version, `new ${against.imagined++}`));
    if ("fault" in part) return nobody(part.fault);
    if (part.at === undefined)
      return {
        ...line,
        day: null,
        holds: part.holds,
        sentence: `No day within ${HORIZON_DAYS} days: ${reasons[part.holds]}.`,
      };
    if (!worst || part.at > worst.at) worst = { at: part.at, holds: part.holds };
  }
  const { at = 0, holds = "hours" } = worst ?? {};
  const day = frame.dayOf(at - 1);
  return { ...line, day, holds, sentence: `${day} at the earliest: ${reasons[holds]}.` };
}

/** A batch of a line, no larger than the tray, put where what is planned and promised before it leaves room. */
function promisePart(against: Against, fresh: OpenBatch): Promised | { fault: string } {
  const { basis, frame } = against;
  const computed = computeBatch(against.world, against.learned, fresh);
  if (computed.fault) return { fault: computed.fault };
  const arrives = materialDay(against, computed.requirements);
  const release = arrives ? frame.minuteOf(arrives) : 0;
  const batch = plannable(computed, frame, { release, prepDone: new Set(), rank: 3 });
  const job = jobOf({ ...batch, due: HORIZON_DAYS * 1440 }, basis.planners);
  return against.promises.add(job, frame.now);
}

/** What the drawers still hold once the open batches have taken theirs; of classes what sharing leaves. */
function leftAfter({ room }: Planning): Map<string, StockedLot[]> {
  const lots = onPaper(room.lots);
  const classed = classDemands(room);
  for (const { batch, requirements } of room.batches)
    for (const r of requirements)
      if (!classed.has(r.material)) takeFor(r, standingOf(room, batch.id, r).missing, batch.mixLots, lots);
  for (const [material, demands] of classed) {
    const left = new Map(shareLots(demands, room.lots.get(material) ?? []).left.map((l) => [l.class, l.feathers]));
    for (const l of lots.get(material) ?? []) l.free = quantity(left.get(lotKey(l)) ?? l.free, "count");
  }
  return lots;
}

/**
 * The day on which the last of the materials is here, when something is on its way or must be ordered. What is there is
 * taken on paper: the next line finds the rest.
 */
function materialDay(against: Against, requirements: Requirement[]): string | undefined {
  const { world, lots, coming, sources, today } = against;
  const days = requirements.flatMap((r) => {
    const { short } = takeFor(r, r.issue, false, lots);
    if (short === nothing || world.materials.get(r.material)?.blend) return [];
    const claimed = coming.get(r.material)?.claim(short) ?? { short, day: undefined };
    const comes = claimed.day === undefined ? [] : [claimed.day];
    if (claimed.short === 0) return comes;
    return [...comes, proposalFor(claimed.short, sources.get(r.material), today)?.arrives ?? "9999-12-31"];
  });
  return days.sort().at(-1);
}
