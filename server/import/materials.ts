import { materialForms, standings, type Material } from "@kasten/core/materials";
import { quantity, stockUnits, type StockUnit } from "@kasten/core/units";
import { materialSchema } from "@kasten/contract/materials";
import { z } from "zod";
import { insert, type Db } from "../database/rows";
import { placeId } from "../ledger";
import { insertMaterial } from "../materials";
import { materialSourceEntity, supplierNamed } from "../purchasing";
import { flag, number, readCsv } from "./csv";

/** Stock quantities in files are in pieces, metres, grams and millilitres. */
export const perFileUnit: Record<StockUnit, number> = { count: 1, um: 1_000_000, ug: 1_000_000, nl: 1_000_000 };

const materialRow = z.object({
  code: z.string(),
  name: z.string(),
  form: z.enum(materialForms),
  unit: z.enum(stockUnits),
  colour: z.string().optional(),
  colour_name: z.string().optional(),
  drawer: z.string(),
  section: z.enum(["round", "oval", "flat"]).optional(),
  width_mm: number.optional(),
  thickness_mm: number.optional(),
  core_mm: number.optional(),
  density: number.optional(),
  line_density: number.optional(),
  denier: number.optional(),
  fibre: z.enum(["polyester", "nylon", "gel-spun"]).optional(),
  part_diameter_mm: number.optional(),
  part_length_mm: number.optional(),
  part_mass_mg: number.optional(),
  bore_mm: number.optional(),
  usable_mm: number.optional(),
  grip_mm: number.optional(),
  fibres_per_mm: number.optional(),
  span_mm: number.optional(),
  sides: number.optional(),
  unusable: number.optional(),
  /** A soft feather serves one fly. */ soft: flag,
  /** Fibres a mm on the feather's other side, where they differ. */ other_per_mm: number.optional(),
  fibre_mm: number.optional(),
  mobility: number.optional(),
  strength: number.optional(),
  floats: number.optional(),
  piece_mm: number.optional(),
  hair_density: number.optional(),
  liquid: z.enum(["lacquer", "resin", "glue"]).optional(),
  lead: flag,
  controlled_species: z.string().optional(),
  measured: flag,
  caution: z.string().optional(),
  blend_parts: z.string().optional(),
  blend_least_mg: number.optional(),
  /** Its parts lie over each other in a loop and are not milled. */ blend_laid: flag,
  gauge: z.string().optional(),
  glue_body: z.enum(["thin", "gel"]).optional(),
  flies_per_packet: number.optional(),
  prep_loss: number.optional(),
  prep_what: z.string().optional(),
  /** Faces of a tinsel, "name:colour", by semicolon. */ faces: z.string().optional(),
  standing: z.enum(standings).optional(),
  supplier: z.string(),
  pack: number.positive(),
  price_cents: number,
  lead_days: number,
});
type MaterialRow = z.infer<typeof materialRow>;

/** How lively, strong and buoyant it is, where anybody has said. */
function qualitiesOf({ mobility, strength, floats }: MaterialRow): Pick<Material, "qualities"> {
  if (mobility === undefined && strength === undefined && floats === undefined) return {};
  return {
    qualities: {
      ...(mobility !== undefined && { mobility }),
      ...(strength !== undefined && { strength }),
      ...(floats !== undefined && { floats }),
    },
  };
}

/** The figures of a material that its columns give. */
function figuresOf(m: MaterialRow): Partial<Material> {
  const isDubbing = m.form === "dubbing" || m.form === "blend";
  return {
    ...(m.width_mm !== undefined &&
      m.thickness_mm !== undefined && {
        strand: {
          section: m.section,
          width: m.width_mm,
          thickness: m.thickness_mm,
          core: m.core_mm,
          density: m.density,
          lineDensity: m.line_density,
        },
      }),
    ...(isDubbing &&
      m.density !== undefined &&
      m.line_density !== undefined && { dubbing: { density: m.density, lineDensity: m.line_density } }),
    ...(m.part_diameter_mm !== undefined &&
      m.part_length_mm !== undefined &&
      m.part_mass_mg !== undefined && {
        part: { diameter: m.part_diameter_mm, length: m.part_length_mm, mass: m.part_mass_mg, bore: m.bore_mm },
      }),
    ...(m.denier !== undefined && m.fibre && { thread: { denier: m.denier, fibre: m.fibre } }),
    ...(m.usable_mm !== undefined &&
      m.span_mm !== undefined && {
        feather: {
          usable: m.usable_mm,
          grip: m.grip_mm ?? 0,
          perMm: m.fibres_per_mm ?? 0,
          span: m.span_mm,
          sides: m.sides ?? 2,
          unusable: m.unusable ?? 0,
          ...(m.other_per_mm !== undefined && { otherPerMm: m.other_per_mm }),
          ...(m.soft && { soft: true }),
        },
      }),
    ...(m.fibre_mm !== undefined && { fibreMm: m.fibre_mm }),
    ...qualitiesOf(m),
    ...(m.piece_mm !== undefined && { pieceMm: m.piece_mm }),
    ...(m.hair_density !== undefined && { hair: { density: m.hair_density } }),
    ...(m.liquid && { liquid: { kind: m.liquid, ...(m.glue_body && { body: m.glue_body }) } }),
    ...(m.gauge && { gauge: m.gauge }),
    ...(m.flies_per_packet !== undefined && { fliesPerPacket: m.flies_per_packet }),
    ...(m.prep_loss !== undefined && { prepLoss: { share: m.prep_loss, what: m.prep_what ?? "" } }),
    ...(m.faces && {
      faces: m.faces.split(";").map((f) => {
        const [name, colour] = f.split(":");
        return { name: name ?? "", colour: colour ?? "" };
      }),
    }),
    ...(m.standing && { standing: m.standing }),
    ...(m.blend_parts && {
      blend: {
        parts: Object.fromEntries(
          m.blend_parts.split(";").map((p) => {
            const [code, share] = p.split(":");
            return [code ?? "", Number(share)];
          }),
        ),
        leastChargeMg: m.blend_least_mg ?? 0,
        ...(m.blend_laid && { laid: true }),
      },
    }),
  };
}

/** A material of a file as the contract has it: with figures that it can have, or a refusal. */
const materialOf = (m: MaterialRow): Material =>
  materialSchema.parse({
    ...figuresOf(m),
    code: m.code,
    name: m.name,
    form: m.form,
    unit: m.unit,
    colour: m.colour,
    colourName: m.colour_name,
    measured: m.measured,
    lead: m.lead,
    controlledSpecies: m.controlled_species,
    caution: m.caution,
  });

/** The materials of a file as the computation takes them, without a database: for timing and for tests. */
export const materialsFrom = (text: string): Map<string, Material> =>
  new Map(readCsv("materials.csv", text, materialRow).map((m) => [m.code, materialOf(m)]));

export async function importMaterials(db: Db, text: string): Promise<void> {
  for (const m of readCsv("materials.csv", text, materialRow)) {
    await insertMaterial(db, materialOf(m), await placeId(db, "drawer", m.drawer, `Drawer ${m.drawer}`));
    const supplierId = await supplierNamed(db, m.supplier);
    const pack = quantity(m.pack * perFileUnit[m.unit], m.unit);
    const source = { pack, priceCents: m.price_cents, leadDays: m.lead_days };
    await insert(db, materialSourceEntity, { materialCode: m.code, supplierId, ...source });
  }
}
