import { newMaterial, quantityWords } from "@kasten/core/materials";
import { nothing, quantity } from "@kasten/core/units";
import type { BodyOf } from "@kasten/contract/http";
import type { identifyFound, keepFound, salvage } from "@kasten/contract/stock";
import { locked, update, type Db } from "../database/rows";
import { conflict, fieldProblem, notFound, refused } from "../http/problems";
import { bench, counted, freeLotCode, insertLot, lotEntity, move } from "../ledger";
import { logEvent } from "../log";
import { drawerFor, insertMaterial, materialEntity } from "../materials";
import { claimsOnMaterial, isMaterialNamed } from "./foundQueries";

type Who = { id: string };

/** Something that nobody can name is there all the same: counted, seen, in a drawer, and held from promises. */
export async function found(
  db: Db,
  person: Who,
  body: BodyOf<typeof keepFound>,
): Promise<{ material: string; lot: string }> {
  const code = await freeCode(db);
  const material = { ...newMaterial(code, body.looks, body.form), standing: "unidentified" as const };
  const much = quantity(body.quantity, material.unit);
  if (much === nothing) throw refused("That is less than the smallest amount that is counted.");
  const drawer = await drawerFor(db, body.drawer);
  await insertMaterial(db, material, drawer);
  const { origin, note } = body;
  const lot = await insertLot(db, { code: await freeLotCode(db, code), material: code, origin, note });
  await move(db, person, { lot, quantity: much, from: await counted(db), to: drawer, reason: "found", note });
  const told = `Found ${quantityWords(much, material.unit)} of something: ${body.looks}`;
  await logEvent(db, person, "stock", code, "found", told);
  return { material: code, lot };
}

async function freeCode(db: Db): Promise<string> {
  for (let n = 1; ; n++) {
    const code = `FOUND-${n}`;
    if (!(await db.getRepository(materialEntity).existsBy({ code }))) return code;
  }
}

/**
 * Somebody knows what it is: its lots become lots of that material, with every movement they have. Its own entry in
 * the cabinet goes, unless a recipe, a batch or an order to a supplier names it.
 */
export async function identify(db: Db, person: Who, code: string, body: BodyOf<typeof identifyFound>): Promise<void> {
  const unknown = await locked(db, materialEntity, { code });
  if (!unknown) throw notFound("material");
  if (unknown.figures.standing !== "unidentified")
    throw conflict(`${unknown.name} is identified already. Its lots can be put together or split on their own pages.`);
  const known = await db.getRepository(materialEntity).findOneBy({ code: body.as });
  if (!known || known.code === code)
    throw fieldProblem("Not identified", "as", "There is no such material. Add it to the cabinet first.");
  if (known.unit !== unknown.unit)
    throw fieldProblem(
      "Not identified",
      "as",
      `${known.name} is counted by another unit. Count this in at ${known.name} and throw the unidentified lot away.`,
    );
  if ((await claimsOnMaterial(db, code)) > 0)
    throw conflict("Batches have some of it put by. Give those reservations back first, then say what it is.");
  const lots = await db.getRepository(lotEntity).findBy({ materialCode: code });
  for (const lot of lots)
    await update(db, lotEntity, { id: lot.id }, { materialCode: known.code, note: withLooks(lot.note, unknown.name) });
  const note = body.note ? `: ${body.note}` : "";
  const told = `“${unknown.name}” is ${known.name}${note}; ${lots.map((l) => `lot ${l.code}`).join(", ")}`;
  await logEvent(db, person, "stock", known.code, "identified", told);
  if (await isMaterialNamed(db, code)) await logEvent(db, person, "stock", code, "identified", told);
  else await db.getRepository(materialEntity).delete({ code });
}

const MOST_NOTE = 400;
const withLooks = (note: string, looks: string): string =>
  `${note ? `${note}; ` : ""}found as “${looks}”`.slice(0, MOST_NOTE);

/** What was stripped of a spoilt dressing comes back off the bench as a lot of used ones. */
export async function takeSalvaged(
  db: Db,
  person: Who,
  code: string,
  body: BodyOf<typeof salvage>,
): Promise<{ lot: string }> {
  const material = await db.getRepository(materialEntity).findOneBy({ code });
  if (!material) throw notFound("material");
  if (material.form !== "hook" && material.form !== "bead")
    throw refused(`${material.name} cannot be stripped of a fly and tied with again: hooks and beads can.`);
  const much = quantity(body.quantity, material.unit);
  const lot = await insertLot(db, {
    code: await freeLotCode(db, `${code}-used`),
    material: code,
    traits: { used: true },
    note: body.note,
  });
  const from = await bench(db);
  const { note } = body;
  await move(db, person, { lot, quantity: much, from, to: material.drawerId, reason: "stripped and kept", note });
  const told = `Stripped ${quantityWords(much, material.unit)} of ${material.name} of a dressing: ${note}`;
  await logEvent(db, person, "stock", code, "salvaged", told);
  return { lot };
}
