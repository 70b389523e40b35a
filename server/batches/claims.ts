import { randomUUID } from "node:crypto";
import type { PlannedBatch, Sku } from "@kasten/core/batches";
import type { Asked } from "@kasten/core/recipe";
import { insert, insertAll, update, type Db } from "../database/rows";
import { notFound } from "../http/problems";
import { giveBack } from "../ledger";
import { patternEntity } from "../recipes";
import { batchClaimEntity, batchEntity } from "./entities";

/** A new planned batch of a fly, bound to the newest version of its pattern. */
export async function insertBatch(db: Db, sku: Sku, asked: Asked, held = false): Promise<string> {
  const { pattern, variant, form, size } = sku;
  const current = await db.getRepository(patternEntity).findOneBy({ id: pattern });
  if (!current) throw notFound("pattern");
  const made = { patternId: pattern, patternVersion: current.version, variant, form, size, held, ...tiedAs(asked) };
  return (await insert(db, batchEntity, made)).id;
}

/** A batch begins as its lines ask; whoever makes it up may tie it otherwise. */
const tiedAs = (asked: Asked) => ({
  asked,
  leave: asked.leave ?? [],
  use: asked.use ?? {},
  methods: asked.methods ?? {},
  buy: asked.buy ?? [],
});

/** Many new planned batches of one kind of fly, with what their lines ask and their claims. */
export async function insertBatches(
  db: Db,
  sku: Sku,
  batches: { asked: Asked; claims: PlannedBatch["claims"] }[],
): Promise<void> {
  if (batches.length === 0) return;
  const current = await db.getRepository(patternEntity).findOneBy({ id: sku.pattern });
  if (!current) throw notFound("pattern");
  const { pattern: patternId, variant, form, size } = sku;
  const made = batches.map((own) => ({ id: randomUUID(), ...own }));
  await insertAll(
    db,
    batchEntity,
    made.map(({ id, asked }) => ({
      id,
      patternId,
      patternVersion: current.version,
      variant,
      form,
      size,
      ...tiedAs(asked),
    })),
  );
  await insertAll(
    db,
    batchClaimEntity,
    made.flatMap((b) => b.claims.map((c) => ({ batchId: b.id, orderLineId: c.line, flies: c.flies }))),
  );
}

/** Claims change what a batch needs, so its reservations are given back and made anew when asked for. */
export async function writeClaims(db: Db, batchId: string, claims: PlannedBatch["claims"]): Promise<void> {
  await giveBack(db, { batchId });
  await db.getRepository(batchClaimEntity).delete({ batchId });
  await insertAll(
    db,
    batchClaimEntity,
    claims.map((c) => ({ batchId, orderLineId: c.line, flies: c.flies })),
  );
  // Whoever has it open learns that it is another one now.
  await update(db, batchEntity, { id: batchId }, {});
}

export async function dissolve(db: Db, batchId: string): Promise<void> {
  await giveBack(db, { batchId });
  await db.getRepository(batchClaimEntity).delete({ batchId });
  await update(db, batchEntity, { id: batchId }, { state: "dissolved" });
}
