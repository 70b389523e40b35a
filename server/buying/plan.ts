import { addDays, differenceInCalendarDays, format, parseISO } from "date-fns";
import { quantityWords } from "@kasten/core/materials";
import { groupBy } from "@kasten/core/numeric";
import {
  gapAfter,
  isInSeason,
  leadOf,
  reorderPoint,
  useOfWeeks,
  type Mix,
  type MixNeed,
  type MixOffer,
  type MixProblem,
} from "@kasten/core/purchasing";
import { feathersToBuy, type SortedClass } from "@kasten/core/stock";
import { quantity, type Quantity } from "@kasten/core/units";
import type { Need } from "@kasten/contract/materials";
import type { BuyingPlan } from "@kasten/contract/purchasing";
import type { Settings } from "@kasten/contract/settings";
import type { Db } from "../database/rows";
import { materialEntity, type MaterialRow } from "../materials";
import {
  arrivalsByMaterial,
  latenessBySupplier,
  sourcesByMaterial,
  supplierEntity,
  weeklyUse,
  type Source,
  type SupplierRow,
} from "../purchasing";
import { readSettings, todayIn } from "../settings";
import { dyedMaterials, dyeLotsPutBy, sortedClasses, thereByMaterial } from "./queries";
import { termsOf } from "./purchases";

/** Solves a purchase problem beside the server. */
export type Cheapest = (problem: MixProblem) => Promise<Mix>;

interface BuyingRoom {
  settings: Settings;
  today: string;
  materials: Map<string, MaterialRow>;
  sources: Map<string, Source[]>;
  suppliers: Map<string, SupplierRow>;
  dyeLots: Map<string, string>;
  late: Map<string, number[]>;
  dyed: Set<string>;
}

/** What is bought beside the needs of the open batches, and of whom. */
interface Wishes {
  withStock: boolean;
  inTime: boolean;
  /** Dyed materials are bought for all that is used until that day. */
  dyedUntil?: string;
}

type Wanted = BuyingPlan["wanted"][number];

/** What to order and from whom: open batches first, then what keeps the usual use covered until the next delivery. */
export async function buyingPlan(db: Db, needs: Need[], wishes: Wishes, cheapest: Cheapest): Promise<BuyingPlan> {
  const settings = await readSettings(db);
  const room: BuyingRoom = {
    settings,
    today: todayIn(settings.timeZone),
    materials: new Map((await db.getRepository(materialEntity).find()).map((m) => [m.code, m])),
    sources: await sourcesByMaterial(db),
    suppliers: new Map((await db.getRepository(supplierEntity).find()).map((s) => [s.id, s])),
    dyeLots: await dyeLotsPutBy(db),
    late: await latenessBySupplier(db),
    dyed: await dyedMaterials(db),
  };
  const wanted = await wantedOf(db, room, needs, wishes);
  const problem = problemOf(room, wanted, wishes.inTime);
  const mix = await cheapest(problem);
  return { wanted, seasons: await seasonsOf(db, room), ...told(room, mix, wanted) };
}

async function wantedOf(db: Db, room: BuyingRoom, needs: Need[], wishes: Wishes): Promise<Wanted[]> {
  const { withStock, dyedUntil } = wishes;
  const there = await thereByMaterial(db);
  const coming = await arrivalsByMaterial(db);
  const use = await weeklyUse(db);
  const sorted = await sortedClasses(db);
  const bought = needs.filter((n) => !n.milled);
  const byMaterial = groupBy(bought, (n) => n.material);
  const codes = new Set([
    ...byMaterial.keys(),
    ...(withStock ? [...use.keys(), ...judgedByLevel(room)] : []),
    ...(dyedUntil ? room.dyed : []),
  ]);
  return [...codes].flatMap((code): Wanted[] => {
    const material = room.materials.get(code);
    if (!material) return [];
    const own = byMaterial.get(code) ?? [];
    const plain = own.reduce((sum, n) => sum + n.toOrder, 0);
    const { feathers, scarce } = byClass(own, plain, sorted.get(code) ?? []);
    const forBatches = Math.max(plain, feathers);
    const needed = own.reduce((sum, n) => sum + n.need, 0);
    const weeks = useOfWeeks(use.get(code) ?? []);
    const source = room.sources.get(code)?.[0];
    const lead = source ? leadOf(source.leadDays, room.late.get(source.supplierId) ?? []) : undefined;
    const point = withStock && lead ? reorderPoint(weeks, lead, room.settings.serviceLevel).point : 0;
    const onHand = (there.get(code) ?? 0) + (coming.get(code) ?? []).reduce((sum, a) => sum + a.quantity, 0);
    const left = onHand + plain - needed;
    const until = dyedUntil !== undefined && room.dyed.has(code) && weeks.perWeek > 0 ? dyedUntil : null;
    const season = until === null ? 0 : usedUntil(room, weeks.perWeek, until);
    const level = Math.max(season, withStock ? Math.max(point, material.figures.orderBelow ?? 0) : 0);
    const forStock = Math.max(0, Math.ceil(level - Math.max(0, left)));
    if (forBatches === 0 && forStock === 0) return [];
    const due = own.filter((n) => n.toOrder > 0).flatMap((n) => n.batches.map((b) => b.due));
    return [
      {
        material: code,
        materialName: material.name,
        unit: material.unit,
        forBatches,
        forStock,
        reorderAt: Math.round(level),
        perWeek: Math.round(weeks.perWeek),
        firstDue: due.sort()[0] ?? null,
        scarce,
        until: season > 0 && season >= level ? until : null,
        discontinued: isDiscontinued(material),
      },
    ];
  });
}

/** What the usual use takes from today until a day, that day included; nothing of one that has passed. */
const usedUntil = ({ today }: BuyingRoom, perWeek: number, day: string): number =>
  Math.max(0, ((differenceInCalendarDays(parseISO(day), parseISO(today)) + 1) / 7) * perWeek);

const isDiscontinued = (m: MaterialRow): boolean => m.figures.standing === "discontinued";

/** What is ordered by its level, such as wax and lacquer, whether any was booked as used or not. */
const judgedByLevel = ({ materials }: BuyingRoom): string[] =>
  [...materials.values()].flatMap((m) => (m.figures.orderBelow === undefined ? [] : [m.code]));

/** Feathers are bought by the length that runs short, not by their number: a skin has few of the small. */
function byClass(needs: Need[], plain: number, sorted: SortedClass[]): { feathers: number; scarce: Wanted["scarce"] } {
  const short = needs.flatMap((n) => n.classes);
  const asked = short.reduce((sum, c) => sum + c.short, 0);
  if (plain === 0 || asked === 0) return { feathers: plain, scarce: null };
  // What is on its way of all lengths comes off each alike.
  const open = short.map(({ fromMm, toMm, short: q }) => ({
    barbMm: [fromMm, toMm] as const,
    feathers: Math.ceil((q * plain) / asked - 1e-9),
  }));
  const { feathers, scarce } = feathersToBuy(sorted, open);
  return { feathers, scarce: scarce ? { fromMm: scarce[0], toMm: scarce[1], asked: plain } : null };
}

function problemOf(room: BuyingRoom, wanted: Wanted[], inTime: boolean): MixProblem {
  const needs = wanted.map((w): MixNeed => ({
    material: w.material,
    quantity: w.forBatches + w.forStock,
    ...((room.dyeLots.has(w.material) || w.until !== null) && { together: true }),
  }));
  const offers = wanted.flatMap((w) => {
    if (w.discontinued) return [];
    const sources = inSeason(room, room.sources.get(w.material) ?? []);
    return (inTime && w.firstDue !== null ? quickEnough(room, sources, w.firstDue) : sources).map(offerOf);
  });
  return { needs, offers, suppliers: [...room.suppliers.values()].map(termsOf) };
}

const offerOf = (s: Source): MixOffer => ({
  supplier: s.supplierId,
  material: s.material,
  pack: s.pack,
  usable: s.usable / 100,
  prices: [{ fromPacks: 1, cents: s.priceCents }, ...s.breaks],
});

/** Who sends it before it is needed; where nobody does, whoever is quickest. */
function quickEnough(room: BuyingRoom, sources: Source[], day: string): Source[] {
  const arrives = (s: Source): string => dayAfter(room, leadOf(s.leadDays, room.late.get(s.supplierId) ?? []).days);
  const inTime = sources.filter((s) => arrives(s) < day);
  if (inTime.length > 0) return inTime;
  const quickest = sources.map(arrives).sort()[0];
  return sources.filter((s) => arrives(s) === quickest);
}

const dayAfter = ({ today }: BuyingRoom, days: number): string =>
  format(addDays(parseISO(today), Math.ceil(days)), "yyyy-MM-dd");

/** Who has it this month; a season may go over the turn of the year. */
const inSeason = ({ today }: BuyingRoom, sources: Source[]): Source[] =>
  sources.filter(({ season }) => !season || isInSeason(season, Number(today.slice(5, 7))));

const DAYS_AHEAD = 60;

/** What can be ordered for some weeks only now, and then not until the next season. */
async function seasonsOf(db: Db, room: BuyingRoom): Promise<BuyingPlan["seasons"]> {
  const there = await thereByMaterial(db);
  const coming = await arrivalsByMaterial(db);
  const use = await weeklyUse(db);
  return [...room.sources].flatMap(([code, sources]) => {
    const material = room.materials.get(code);
    const [first] = sources;
    // Who has it all the year round makes no season.
    if (!material || !first || sources.some((s) => !s.season)) return [];
    const gaps = sources.flatMap((s) => (s.season ? [{ source: s, gap: gapAfter(s.season, room.today) }] : []));
    const open = gaps.flatMap(({ source, gap }) => (gap ? [{ source, ...gap }] : []));
    const [last] = open.sort((a, b) => b.until.localeCompare(a.until));
    if (!last || last.until > dayAfter(room, DAYS_AHEAD)) return [];
    const weeks = differenceInCalendarDays(parseISO(last.again), parseISO(room.today)) / 7;
    const taken = useOfWeeks(use.get(code) ?? []).perWeek * weeks;
    const onHand = (there.get(code) ?? 0) + (coming.get(code) ?? []).reduce((sum, a) => sum + a.quantity, 0);
    const { until, again, source } = last;
    return [
      {
        material: code,
        materialName: material.name,
        unit: material.unit,
        supplier: source.supplier,
        until,
        again,
        quantity: Math.max(0, Math.ceil(taken - onHand)),
      },
    ];
  });
}

function told(room: BuyingRoom, mix: Mix, wanted: Wanted[]): Omit<BuyingPlan, "wanted" | "seasons"> {
  const due = new Map(wanted.map((w) => [w.material, w.firstDue]));
  const nameOf = (code: string): string => room.materials.get(code)?.name ?? code;
  return {
    orders: mix.orders.map(({ supplier, lines, goodsCents, freightCents }) => ({
      supplierId: supplier,
      supplier: room.suppliers.get(supplier)?.name ?? supplier,
      lines: lines.map((l) => {
        const unit = room.materials.get(l.material)?.unit ?? "count";
        return {
          material: l.material,
          materialName: nameOf(l.material),
          unit,
          packs: l.packs,
          pack: l.pack,
          packWords: quantityWords(l.pack as Quantity, unit),
          packCents: l.cents,
          totalCents: l.totalCents,
          dyeLot: room.dyeLots.get(l.material) ?? "",
        };
      }),
      goodsCents,
      freightCents,
      ...arrivalOf(room, supplier, lines, (code) => due.get(code) ?? null),
    })),
    totalCents: mix.totalCents,
    boundCents: mix.boundCents,
    proved: mix.proved,
    uncovered: mix.uncovered.map(({ material, missing }) => {
      const unit = room.materials.get(material)?.unit ?? "count";
      return { material, materialName: nameOf(material), words: quantityWords(quantity(missing, unit), unit) };
    }),
  };
}

/** The day by which all of an order is here, on average: the slowest of its lines; and what of it is too late then. */
function arrivalOf(
  room: BuyingRoom,
  supplier: string,
  lines: { material: string }[],
  dueOf: (material: string) => string | null,
): { arrives: string; late: string[] } {
  const days = lines.map(({ material }) => {
    const source = room.sources.get(material)?.find((s) => s.supplierId === supplier);
    return leadOf(source?.leadDays ?? 0, room.late.get(supplier) ?? []).days;
  });
  const arrives = dayAfter(room, Math.max(0, ...days));
  const late = lines.filter(({ material }) => {
    const due = dueOf(material);
    return due !== null && due <= arrives;
  });
  return { arrives, late: late.map(({ material }) => room.materials.get(material)?.name ?? material) };
}
