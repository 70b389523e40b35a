import { leadOf, reorderPoint, useOfWeeks } from "@kasten/core/purchasing";
import { runwayOf } from "@kasten/core/stock";
import { sumOf } from "@kasten/core/units";
import type { MaterialOutlook } from "@kasten/contract/stock";
import type { Db } from "../database/rows";
import { notFound } from "../http/problems";
import { lotsInDrawers } from "../ledger";
import { materialEntity } from "../materials";
import type { Outlook } from "../outlook";
import { arrivalsByMaterial, latenessBySupplier, sourcesByMaterial, weeklyUse } from "../purchasing";
import { readSettings, todayIn } from "../settings";

/** A material against time: what the coming work takes and when, what is on its way, when to order. */
export async function materialOutlook(db: Db, outlook: Outlook, code: string): Promise<MaterialOutlook> {
  if (!(await db.getRepository(materialEntity).existsBy({ code }))) throw notFound("material");
  const settings = await readSettings(db);
  const today = todayIn(settings.timeZone);
  const kept = (await outlook.stock(db)).get(code) ?? { needs: [], share: null };
  const needs = [...kept.needs].sort((a, b) => a.day.localeCompare(b.day) || a.number - b.number);
  const there = sumOf(((await lotsInDrawers(db, [code])).get(code) ?? []).map((l) => l.quantity));
  const arrivals = (await arrivalsByMaterial(db, code)).get(code) ?? [];
  const [source] = (await sourcesByMaterial(db, code)).get(code) ?? [];
  const weeks = useOfWeeks((await weeklyUse(db, code)).get(code) ?? []);
  const lead = source && leadOf(source.leadDays, (await latenessBySupplier(db)).get(source.supplierId) ?? []);
  const runway = runwayOf({
    today,
    there,
    needs,
    arrivals,
    ...(lead && { leadDays: Math.ceil(lead.days) }),
  });
  return {
    today,
    there,
    needs,
    arrivals: arrivals.map(({ material: _material, ...a }) => a),
    levels: runway.levels,
    runsOut: runway.runsOut ?? null,
    orderBy: runway.orderBy ?? null,
    missing: runway.missing,
    leadDays: lead ? Math.ceil(lead.days) : null,
    supplier: source?.supplier ?? null,
    perWeek: Math.round(weeks.perWeek),
    reorderAt: lead ? Math.round(reorderPoint(weeks, lead, settings.serviceLevel).point) : null,
    share: kept.share,
  };
}
