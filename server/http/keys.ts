import { createHash } from "node:crypto";
import { LessThan } from "typeorm";
import { insertNew, update, type Db } from "../database/rows";
import { requestKeyEntity } from "./entities";
import { Problem } from "./problems";

/** How long a change may be repeated under its key. */
export const KEY_DAYS = 30;
const DAY_MS = 86_400_000;

/** What a change is told by: the same key for another change is refused. */
export const fingerprintOf = (what: unknown[]): string =>
  createHash("sha256").update(JSON.stringify(what, withoutSecrets)).digest("hex");

/** Nothing is kept that a password could be guessed from, but its argon2 hash. */
const secrets = new Set(["password", "current"]);
const withoutSecrets = (name: string, value: unknown): unknown => (secrets.has(name) ? undefined : value);

/**
 * Runs a change once for its key: the key is kept in the transaction of the change, so that a repeat waits for the
 * first and is given the first one's reply.
 */
export async function once(
  db: Db,
  { key, person, fingerprint }: { key: string; person: string | null; fingerprint: string },
  change: () => Promise<unknown>,
): Promise<unknown> {
  const fresh = await insertNew(db, requestKeyEntity, { key, personId: person, fingerprint });
  if (!fresh) return repeated(db, key, fingerprint);
  const reply = await change();
  await update(db, requestKeyEntity, { key }, { status: 200, reply });
  return reply;
}

async function repeated(db: Db, key: string, fingerprint: string): Promise<unknown> {
  const kept = await db.getRepository(requestKeyEntity).findOneBy({ key });
  if (kept?.fingerprint !== fingerprint)
    throw new Problem(
      "key-reused",
      "Key used before",
      "This Idempotency-Key was used for another change. Use a new one.",
    );
  return kept.reply;
}

/** Forgets replies that nobody can still ask for. @returns how many */
export async function forgetOldKeys(db: Db, now: Date): Promise<number> {
  const before = new Date(now.getTime() - KEY_DAYS * DAY_MS);
  return (await db.getRepository(requestKeyEntity).delete({ at: LessThan(before) })).affected ?? 0;
}
