import {
  codeFor,
  materialForms,
  newMaterial,
  withGauge,
  type Material,
  type MaterialForm,
} from "@kasten/core/materials";
import { quantity } from "@kasten/core/units";
import { wrongIn } from "@kasten/contract/http";
import { materialSchema } from "@kasten/contract/materials";
import { drawerCode } from "@kasten/contract/stock";
import type { Db } from "../database/rows";
import { perFileUnit } from "../import";
import { drawerFor, insertMaterial, readMaterials } from "../materials";
import { materialSourceEntity, supplierNamed } from "../purchasing";
import type { Line } from "./line";
import { same, wrong, type FileReader } from "./reader";

const forms = materialForms.filter((f): f is Exclude<MaterialForm, "hook" | "blend"> => f !== "hook" && f !== "blend");
const MOST_LEAD_DAYS = 730;

interface Bought {
  supplier: string;
  pack: number;
  priceCents: number;
  leadDays: number;
}

/** A material as a line has it, with the nominal figures of its form. */
function materialOf(line: Line, code: string): Material {
  const form = line.one("form", forms, "wire");
  const colour = line.text("colour");
  const isHex = /^#[0-9a-f]{6}$/i.test(colour);
  const plain = newMaterial(code, line.text("name"), form);
  return withGauge(
    {
      ...plain,
      lead: line.yes("lead") ?? false,
      ...(colour && (isHex ? { colour } : { colourName: colour })),
      ...(line.text("controlled_species") && { controlledSpecies: line.text("controlled_species") }),
      ...(line.text("caution") && { caution: line.text("caution") }),
    },
    line.text("gauge") || undefined,
  );
}

/** Where it is bought, when a line says it. */
function boughtAt(line: Line): Bought | undefined {
  const supplier = line.text("supplier");
  const [pack, price, days] = [line.number("pack"), line.number("price"), line.number("lead_days")];
  if (!supplier) return undefined;
  if (pack !== undefined && pack <= 0) line.says("pack", "must be more than nothing");
  if (price !== undefined && price < 0) line.says("price", "must not be less than nothing");
  if (days !== undefined && (days < 0 || days > MOST_LEAD_DAYS)) line.says("lead_days", "must be from 0 to 730");
  return { supplier, pack: pack ?? 1, priceCents: Math.round((price ?? 0) * 100), leadDays: Math.round(days ?? 0) };
}

async function writeSource(db: Db, material: Material, bought: Bought): Promise<void> {
  await db.getRepository(materialSourceEntity).insert({
    materialCode: material.code,
    supplierId: await supplierNamed(db, bought.supplier),
    pack: quantity(bought.pack * perFileUnit[material.unit], material.unit),
    priceCents: bought.priceCents,
    leadDays: bought.leadDays,
  });
}

export const materials: FileReader = async (db) => {
  const known = await readMaterials(db);
  const names = new Map([...known.values()].map((m) => [m.name.toLowerCase(), m]));
  const seen = new Map<string, number>();
  const codes = new Set(known.keys());
  return {
    judge: (line) => {
      const name = line.text("name");
      const there = known.get(line.text("code")) ?? names.get(name.toLowerCase());
      const code =
        there?.code ?? (line.text("code") || codeFor(name, line.one("form", forms, "wire"), (c) => codes.has(c)));
      const material = materialOf(line, code);
      const [drawer, bought] = [line.text("drawer"), boughtAt(line)];
      if (drawer && !drawerCode.safeParse(drawer).success) line.says("drawer", "is no code such as A12");
      const faults =
        line.wrong.length > 0 ? [] : wrongIn(materialSchema, material).map((w) => `${w.path}: ${w.detail}`);
      if (line.wrong.length + faults.length > 0) return wrong(...new Set([...line.wrong, ...faults]));
      if (there) return same(`${there.name} is in the cabinet already; change it there`);
      const earlier = seen.get(code) ?? seen.get(name.toLowerCase());
      if (earlier !== undefined) return wrong(`the same material as line ${earlier}`);
      seen.set(code, line.line).set(name.toLowerCase(), line.line);
      codes.add(code);
      return {
        fate: "new",
        says: `a new ${material.form}, ${name}, under ${code}${drawer ? `, drawer ${drawer}` : ""}; its figures are nominal`,
        take: async (tx) => {
          await insertMaterial(tx, material, await drawerFor(tx, drawer || undefined));
          if (bought) await writeSource(tx, material, bought);
        },
      };
    },
  };
};
