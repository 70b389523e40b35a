import { materialForms, standings, stockUnits, type Material } from "@kasten/core/materials";
import { hookBends, normalSize, type HookModel } from "@kasten/core/hooks";
import { eyeForms, hookFamilies } from "@kasten/contract/hooks";
import { patternFileSchema } from "@kasten/contract/patterns";
import { z } from "zod";
import type { EntityManager } from "typeorm";
import { row } from "../database/source";
import { Problem } from "../http/problems";
import { insertLot, move, placeId } from "../stock";
import { readCsv } from "./csv";

const number = z.coerce.number().finite();
const flag = z
  .enum(["0", "1"])
  .transform((f) => f === "1")
  .default(false);
const um = (mm: number | undefined): number | null => (mm === undefined ? null : Math.round(mm * 1000));

const modelRow = z.object({
  id: z.string(),
  name: z.string(),
  family: z.enum(hookFamilies),
  shank_steps: number,
  wire_steps: number,
  barbless: flag,
  bend: z.enum(hookBends),
  gape_steps: number.default(0),
  points: number.default(1),
  eye_form: z.enum(eyeForms).default("turned down"),
  finish: z.string().default(""),
  wire_reason: z.string().default(""),
  /** Near equivalents, "model: what differs", by semicolon. */
  near: z.string().default(""),
});
const sizeRow = z.object({
  model: z.string(),
  size: z.string(),
  shank_mm: number.optional(),
  gape_mm: number.optional(),
  wire_mm: number.optional(),
  eye_mm: number.optional(),
  mass_mg: number.optional(),
});

export async function importHooks(db: EntityManager, models: string, sizes: string): Promise<void> {
  for (const m of readCsv("hook-models.csv", models, modelRow))
    await db.query(
      "INSERT INTO hook_model (id, name, family, bend, shank_steps, wire_steps, gape_steps, barbless, points, eye_form, finish, wire_reason, near) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13)",
      [
        m.id,
        m.name,
        m.family,
        m.bend,
        m.shank_steps,
        m.wire_steps,
        m.gape_steps,
        m.barbless,
        m.points,
        m.eye_form,
        m.finish,
        m.wire_reason,
        JSON.stringify(nearOf(m.near)),
      ],
    );
  for (const s of readCsv("hook-sizes.csv", sizes, sizeRow))
    await db.query(
      "INSERT INTO hook_size (model_id, size, shank_um, gape_um, wire_um, eye_um, mass_ug) VALUES ($1, $2, $3, $4, $5, $6, $7)",
      [s.model, normalSize(s.size), um(s.shank_mm), um(s.gape_mm), um(s.wire_mm), um(s.eye_mm), um(s.mass_mg)],
    );
}

const nearOf = (text: string): { model: string; differs: string }[] =>
  text.split(";").flatMap((entry) => {
    const [model, ...differs] = entry.split(":").map((t) => t.trim());
    return model ? [{ model, differs: differs.join(": ") }] : [];
  });

/** Stock quantities in files are in pieces, metres, grams and millilitres. */
export const perFileUnit: Record<Material["unit"], number> = { count: 1, um: 1_000_000, ug: 1_000_000, nl: 1_000_000 };

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
  piece_mm: number.optional(),
  hair_density: number.optional(),
  liquid: z.enum(["lacquer", "resin", "glue"]).optional(),
  lead: flag,
  controlled_species: z.string().optional(),
  measured: flag,
  caution: z.string().optional(),
  blend_parts: z.string().optional(),
  blend_least_mg: number.optional(),
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
        },
      }),
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
      },
    }),
  };
}

/** The materials of a file as the computation takes them, without a database: for timing and for tests. */
export const materialsFrom = (text: string): Map<string, Material> =>
  new Map(
    readCsv("materials.csv", text, materialRow).map((m) => [
      m.code,
      {
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
      },
    ]),
  );

/** The hook models of two files, without a database. */
export function hooksFrom(models: string, sizes: string): Map<string, HookModel> {
  const rows = readCsv("hook-sizes.csv", sizes, sizeRow);
  return new Map(
    readCsv("hook-models.csv", models, modelRow).map((m) => [
      m.id,
      {
        id: m.id,
        name: m.name,
        shankSteps: m.shank_steps,
        wireSteps: m.wire_steps,
        barbless: m.barbless,
        bend: m.bend,
        gapeSteps: m.gape_steps,
        points: m.points === 2 ? (2 as const) : (1 as const),
        rows: rows
          .filter((r) => r.model === m.id)
          .map((r) => ({
            size: normalSize(r.size),
            shank: r.shank_mm,
            gape: r.gape_mm,
            wire: r.wire_mm,
            eye: r.eye_mm,
          })),
      },
    ]),
  );
}

export async function importMaterials(db: EntityManager, text: string): Promise<void> {
  for (const m of readCsv("materials.csv", text, materialRow)) {
    const drawer = await placeId(db, "drawer", m.drawer, `Drawer ${m.drawer}`);
    await db.query(
      "INSERT INTO material (code, name, form, unit, colour, colour_name, lead, controlled_species, caution, figures, measured, drawer_id) VALUES ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)",
      [
        m.code,
        m.name,
        m.form,
        m.unit,
        m.colour ?? null,
        m.colour_name ?? null,
        m.lead,
        m.controlled_species ?? null,
        m.caution ?? null,
        JSON.stringify(figuresOf(m)),
        m.measured,
        drawer,
      ],
    );
    const supplier = m.supplier.toLowerCase().replace(/[^a-z0-9]+/g, "-");
    await db.query("INSERT INTO supplier (id, name) VALUES ($1, $2) ON CONFLICT DO NOTHING", [supplier, m.supplier]);
    await db.query(
      "INSERT INTO material_source (material_code, supplier_id, pack, price_cents, lead_days) VALUES ($1, $2, $3, $4, $5)",
      [m.code, supplier, Math.round(m.pack * perFileUnit[m.unit]), m.price_cents, m.lead_days],
    );
  }
}

const lotRow = z.object({
  material: z.string(),
  lot: z.string(),
  drawer: z.string(),
  quantity: number.positive(),
  dye_lot: z.string().default(""),
  grade: z.string().default(""),
  side: z.enum(["left", "right"]).optional(),
  barb_from_mm: number.optional(),
  barb_to_mm: number.optional(),
  received_days_ago: number,
  price_cents: number.default(0),
  remnant: flag,
});

/** Lots arrive as movements from their supplier, like any delivery. */
export async function importLots(db: EntityManager, person: { id: string }, text: string, now: Date): Promise<void> {
  for (const l of readCsv("lots.csv", text, lotRow)) {
    const m = await row<{ unit: Material["unit"]; supplier: string }>(
      db,
      "SELECT m.unit, u.name AS supplier FROM material m JOIN material_source s ON s.material_code = m.code JOIN supplier u ON u.id = s.supplier_id WHERE m.code = $1 LIMIT 1",
      [l.material],
    );
    if (!m) throw new Problem(422, "import-refused", "Nothing was imported", `lots.csv: no material ${l.material}.`);
    const at = new Date(now.getTime() - l.received_days_ago * 86_400_000);
    const lot = await insertLot(db, {
      code: l.lot,
      material: l.material,
      dyeLot: l.dye_lot,
      grade: l.grade,
      side: l.side,
      receivedAt: at,
      priceCents: Math.round(l.price_cents),
      remnant: l.remnant,
      barb: l.barb_from_mm !== undefined && l.barb_to_mm !== undefined ? [l.barb_from_mm, l.barb_to_mm] : null,
    });
    const from = await placeId(db, "supplier", `SUP-${m.supplier}`, m.supplier);
    const to = await placeId(db, "drawer", l.drawer, `Drawer ${l.drawer}`);
    await move(db, person, {
      lot,
      quantity: Math.round(l.quantity * perFileUnit[m.unit]),
      from,
      to,
      reason: "received",
      at,
    });
  }
}

/** One pattern file; its first version. */
export async function importPattern(db: EntityManager, person: { id: string }, json: unknown): Promise<void> {
  const p = patternFileSchema.parse(json);
  await db.query("INSERT INTO pattern (id, name, style, origin, species) VALUES ($1, $2, $3, $4, $5)", [
    p.id,
    p.name,
    p.style,
    p.origin ?? "",
    p.species ?? "",
  ]);
  await db.query("INSERT INTO pattern_version (pattern_id, version, recipe, person_id) VALUES ($1, 1, $2, $3)", [
    p.id,
    JSON.stringify(p.recipe),
    person.id,
  ]);
}
