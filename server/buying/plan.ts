import { addDays, format, parseISO } from "date-fns";
import { quantityWords } from "@kasten/core/materials";
import { groupBy } from "@kasten/core/numeric";
import {
  leadOf,
  reorderPoint,
  useOfWeeks,
  type Mix,
  type MixNeed,
  type MixOffer,
  type MixProblem,
} from "@kasten/core/purchasing";
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
import { dyeLotsPutBy, thereByMaterial } from "./queries";
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
}

type Wanted = BuyingPlan["wanted"][number];

/** What to order and from whom: open batches first, then what keeps the usual use covered until the next delivery. */
export async function buyingPlan(db: Db, needs: Need[], withStock: boolean, cheapest: Cheapest): Promise<BuyingPlan> {
  const settings = await readSettings(db);
  const room: BuyingRoom = {
    settings,
    today: todayIn(settings.timeZone),
    materials: new Map((await db.getRepository(materialEntity).find()).map((m) => [m.code, m])),
    sources: await sourcesByMaterial(db),
    suppliers: new Map((await db.getRepository(supplierEntity).find()).map((s) => [s.id, s])),
    dyeLots: await dyeLotsPutBy(db),
    late: await latenessBySupplier(db),
  };
  const wanted = await wantedOf(db, room, needs, withStock);
  const problem = problemOf(room, wanted);
  const mix = await cheapest(problem);
  return { wanted, ...told(room, mix) };
}

async function wantedOf(db: Db, room: BuyingRoom, needs: Need[], withStock: boolean): Promise<Wanted[]> {
  const there = await thereByMaterial(db);
  const coming = await arrivalsByMaterial(db);
  const use = await weeklyUse(db);
  const bought = needs.filter((n) => !n.milled);
  const byMaterial = groupBy(bought, (n) => n.material);
  const codes = new Set([...byMaterial.keys(), ...(withStock ? use.keys() : [])]);
  return [...codes].flatMap((code): Wanted[] => {
    const material = room.materials.get(code);
    if (!material) return [];
    const own = byMaterial.get(code) ?? [];
    const forBatches = own.reduce((sum, n) => sum + n.toOrder, 0);
    const needed = own.reduce((sum, n) => sum + n.need, 0);
    const weeks = useOfWeeks(use.get(code) ?? []);
    const source = room.sources.get(code)?.[0];
    const lead = source ? leadOf(source.leadDays, room.late.get(source.supplierId) ?? []) : undefined;
    const point = withStock && lead ? reorderPoint(weeks, lead, room.settings.serviceLevel).point : 0;
    const onHand = (there.get(code) ?? 0) + (coming.get(code) ?? []).reduce((sum, a) => sum + a.quantity, 0);
    const left = onHand + forBatches - needed;
    const forStock = Math.max(0, Math.ceil(point - Math.max(0, left)));
    if (forBatches === 0 && forStock === 0) return [];
    const due = own.filter((n) => n.toOrder > 0).flatMap((n) => n.batches.map((b) => b.due));
    return [
      {
        material: code,
        materialName: material.name,
        unit: material.unit,
        forBatches,
        forStock,
        reorderAt: Math.round(point),
        perWeek: Math.round(weeks.perWeek),
        firstDue: due.sort()[0] ?? null,
      },
    ];
  });
}

function problemOf(room: BuyingRoom, wanted: Wanted[]): MixProblem {
  const needs = wanted.map((w): MixNeed => ({
    material: w.material,
    quantity: w.forBatches + w.forStock,
    ...(room.dyeLots.has(w.material) && { together: true }),
  }));
  const offers = wanted.flatMap((w) => inSeason(room, room.sources.get(w.material) ?? []).map(offerOf));
  return { needs, offers, suppliers: [...room.suppliers.values()].map(termsOf) };
}

const offerOf = (s: Source): MixOffer => ({
  supplier: s.supplierId,
  material: s.material,
  pack: s.pack,
  usable: s.usable / 100,
  prices: [{ fromPacks: 1, cents: s.priceCents }, ...s.breaks],
});

/** Who has it this month; a season may go over the turn of the year. */
function inSeason({ today }: BuyingRoom, sources: Source[]): Source[] {
  const month = Number(today.slice(5, 7));
  return sources.filter(({ season }) => {
    if (!season) return true;
    const { from, to } = season;
    return from <= to ? month >= from && month <= to : month >= from || month <= to;
  });
}

function told(room: BuyingRoom, mix: Mix): Omit<BuyingPlan, "wanted"> {
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
      arrives: arrivesFrom(
        room,
        supplier,
        lines.map((l) => l.material),
      ),
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

/** The day by which all of an order is here, on average: the slowest of its lines, with how late they usually are. */
function arrivesFrom(room: BuyingRoom, supplier: string, materials: string[]): string {
  const days = materials.map((code) => {
    const source = room.sources.get(code)?.find((s) => s.supplierId === supplier);
    return leadOf(source?.leadDays ?? 0, room.late.get(supplier) ?? []).days;
  });
  return format(addDays(parseISO(room.today), Math.ceil(Math.max(0, ...days))), "yyyy-MM-dd");
}
