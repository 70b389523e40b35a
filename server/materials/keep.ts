import { DomainError } from "@kasten/core/errors";
import { plainParts, type Material, type OpenedBlends } from "@kasten/core/materials";
import { sentenceOf } from "@kasten/core/sentences";
import { insert, locked, update, type Db } from "../database/rows";
import { fieldProblem, notFound, refused, taken } from "../http/problems";
import { stale } from "../http/versions";
import { lotEntity, placeOf } from "../ledger";
import { logEvent } from "../log";
import { materialEntity } from "./entities";
import { readMaterials, rowOf } from "./read";

/** Materials that are only named wait here until somebody gives them a drawer of their own. */
const NEW_DRAWER = "NEW";

/** The drawer of that code, made when it is not there yet. */
export async function drawerFor(db: Db, code = NEW_DRAWER): Promise<number> {
  const drawer = await placeOf(
    db,
    "drawer",
    code,
    code === NEW_DRAWER ? "Newly named, no drawer yet" : `Drawer ${code}`,
  );
  if (drawer.kind !== "drawer" || drawer.bobbin)
    throw refused(`“${code}” is not a drawer. Give a drawer's code, such as A12.`);
  return drawer.id;
}

export async function insertMaterial(db: Db, material: Material, drawer: number): Promise<void> {
  await insert(db, materialEntity, rowOf(material, drawer));
}

export interface MaterialChange {
  material: Material;
  /** Code of its drawer; a new material without one waits to be given one. */
  drawer?: string;
  /** The version that the person saw; 0 for a new material. */
  version: number;
}

/** Adds a material, or changes what is known of one. What is in stock keeps its unit. */
export async function keepMaterial(db: Db, person: { id: string }, code: string, change: MaterialChange) {
  const { material, drawer, version } = change;
  if (material.code !== code) throw refused("The material in the body has another code than the address.");
  const known = await locked(db, materialEntity, { code });
  const cabinet = await readMaterials(db);
  const before = cabinet.get(code);
  if (version !== 0 && !known) throw notFound("material");
  if (known && version === 0)
    throw taken("material", `There is a material under the code ${code} already. Give the new one its own.`);
  if (known && before && known.version !== version)
    throw stale(known.version, before, material, fieldsOf(before, material));
  guardBlend(new Map<string, Material>([...cabinet, [code, material]]));
  if (!known) {
    await insertMaterial(db, material, await drawerFor(db, drawer));
    return logEvent(db, person, "stock", code, "added", `Added ${material.name} to the cabinet`);
  }
  if (known.unit !== material.unit && (await db.getRepository(lotEntity).existsBy({ materialCode: code })))
    throw refused(
      `${known.name} is in stock by another unit; its lots would no longer mean the same. Add it under a code of its own.`,
    );
  const drawerId = drawer === undefined ? known.drawerId : await drawerFor(db, drawer);
  await update(db, materialEntity, { code, version }, rowOf(material, drawerId));
  await logEvent(db, person, "stock", code, "described", `Changed what is known of ${material.name}`);
}

/** What one of them says; its version is not something that is said of a material. */
const fieldsOf = (...of: Material[]): string[] =>
  [...new Set(of.flatMap((m) => Object.keys(m)))].filter((field) => field !== "version");

/** A blend, and every blend that it is part of, must come down to plain materials that are there. */
function guardBlend(cabinet: Map<string, Material>): void {
  const opened: OpenedBlends = new Map();
  for (const [code, m] of cabinet) {
    if (!m.blend) continue;
    try {
      plainParts(code, cabinet, opened);
    } catch (error) {
      if (!(error instanceof DomainError)) throw error;
      throw fieldProblem("The blend cannot be mixed", "material.blend.parts", sentenceOf(error));
    }
  }
}
