import { quantityWords } from "@kasten/core/materials";
import { quantity, type StockUnit } from "@kasten/core/units";
import { wrongIn } from "@kasten/contract/http";
import { sourceSchema, type Source } from "@kasten/contract/purchasing";
import { perFileUnit } from "../import";
import { materialEntity } from "../materials";
import { keepSource, materialSourceEntity, supplierEntity, supplierNamed } from "../purchasing";
import type { Line } from "./line";
import { same, wrong, type FileReader } from "./reader";

const CENTS = 100;
const MOST_NAME = 80;

/** "5=9.50 / 20=8": from five packs on a pack costs 9.50, from twenty on 8. */
function breaksOf(line: Line): Source["breaks"] {
  const text = line.text("breaks");
  return text === ""
    ? []
    : text.split("/").flatMap((part) => {
        const [packs, price] = part.split("=").map((x) => line.figure(x));
        if (packs !== undefined && price !== undefined) return [{ fromPacks: packs, cents: Math.round(price * CENTS) }];
        line.says("breaks", `“${part.trim()}” is no break: write 5=9.50 for 9.50 a pack from five packs on`);
        return [];
      });
}

/** Months of a season, from and to; both or neither. */
function seasonOf(line: Line, before: Source["season"]): Source["season"] {
  const [from, to] = [line.number("season_from"), line.number("season_to")];
  if (from === undefined && to === undefined) return before;
  return { from: from ?? to ?? 0, to: to ?? from ?? 0 };
}

/** A source as a line has it; what the line does not say stays as it was. */
function sourceOf(line: Line, unit: StockUnit, before: Source | undefined): Source {
  const [pack, price] = [line.number("pack"), line.number("price")];
  const breaks = breaksOf(line);
  return {
    supplier: before?.supplier ?? line.text("supplier"),
    pack: pack === undefined ? (before?.pack ?? 0) : Math.round(pack * perFileUnit[unit]),
    priceCents: price === undefined ? (before?.priceCents ?? 0) : Math.round(price * CENTS),
    leadDays: line.number("lead_days") ?? before?.leadDays ?? 0,
    breaks: breaks.length > 0 ? breaks : (before?.breaks ?? []),
    usable: line.number("usable") ?? before?.usable ?? 100,
    grade: line.text("grade") || (before?.grade ?? ""),
    season: seasonOf(line, before?.season ?? null),
    note: line.text("note") || (before?.note ?? ""),
  };
}

const plain = ({ pack, priceCents, leadDays, breaks, usable, grade, season, note }: Source): string =>
  JSON.stringify([
    pack,
    priceCents,
    leadDays,
    breaks.map((b) => [b.fromPacks, b.cents]),
    usable,
    grade,
    season && [season.from, season.to],
    note,
  ]);

/** Price lists: what a supplier has of a material, in which packs, at what price, how long it takes. */
export const prices: FileReader = async (db) => {
  const all = await db.getRepository(materialEntity).find();
  const materials = new Map(
    all.flatMap((m) => [[m.name.toLowerCase(), m] as const, [m.code.toLowerCase(), m] as const]),
  );
  const suppliers = await db.getRepository(supplierEntity).find();
  const idOf = new Map(suppliers.map((s) => [s.name.toLowerCase(), s.id]));
  const known = new Map(
    (await db.getRepository(materialSourceEntity).find()).map(({ materialCode, supplierId, ...s }) => [
      `${materialCode}|${supplierId}`,
      { ...s, supplier: supplierId } as Source,
    ]),
  );
  const seen = new Map<string, number>();
  return {
    judge: (line) => {
      const name = line.text("supplier");
      const material = materials.get(line.text("material").toLowerCase());
      if (line.text("material") && !material)
        return wrong(`there is no material “${line.text("material")}” in the cabinet. Take in the materials first`);
      if (name.length > MOST_NAME) line.says("supplier", `is longer than ${MOST_NAME} characters`);
      if (!material || line.wrong.length > 0) return wrong(...line.wrong);
      const key = `${material.code}|${name.toLowerCase()}`;
      const before = known.get(`${material.code}|${idOf.get(name.toLowerCase()) ?? ""}`);
      const given = sourceOf(line, material.unit, before);
      const faults = wrongIn(sourceSchema, given).map((w) => `${w.path}: ${w.detail}`);
      if (line.wrong.length + faults.length > 0) return wrong(...line.wrong, ...(line.wrong.length > 0 ? [] : faults));
      const earlier = seen.get(key);
      if (earlier !== undefined) return wrong(`the same material of the same supplier as line ${earlier}`);
      seen.set(key, line.line);
      if (before && plain(before) === plain(given)) return same();
      const pack = quantityWords(quantity(given.pack, material.unit), material.unit);
      const cost = (cents: number): string => (cents / CENTS).toFixed(2);
      const was = before && before.priceCents !== given.priceCents ? `, was ${cost(before.priceCents)}` : "";
      return {
        fate: before ? "changes" : "new",
        says: `${material.name} of ${name}: ${pack} for ${cost(given.priceCents)}${was}`,
        take: async (tx) => {
          const supplier = await supplierNamed(tx, suppliers.find((s) => s.id === before?.supplier)?.name ?? name);
          await keepSource(tx, material.code, material.unit, { ...given, supplier });
        },
      };
    },
  };
};
