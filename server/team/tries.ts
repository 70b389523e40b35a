import { LessThan } from "typeorm";
import { insert, type Db } from "../database/rows";
import { Problem } from "../http/problems";
import { knownAddressEntity, signInFailureEntity } from "./entities";
import { lockTries, triesOf } from "./queries";

const WINDOW_MINUTES = 15;
const TRIES_OF_NAME = 5;
const TRIES_OF_ADDRESS = 20;
/** An address is known for so long after the last signing in. */
const KNOWN_DAYS = 180;
const MINUTE_MS = 60_000;

/**
 * Counts a try to sign in before it is made, so that many at once are counted like many in turn. Kept in the database,
 * for all servers alike.
 * @returns the try, to be taken back when it succeeds
 * @throws Problem too-many-tries
 */
export const countTry = (db: Db, login: string, address: string): Promise<number> =>
  db.transaction(async (tx) => {
    await lockTries(tx, login, address);
    const tries = await triesOf(tx, { login, address, minutes: WINDOW_MINUTES });
    const isTooMany = tries.ofName >= TRIES_OF_NAME || (!tries.isKnown && tries.ofAddress >= TRIES_OF_ADDRESS);
    if (isTooMany) throw tooMany(tries.seconds);
    return (await insert(tx, signInFailureEntity, { login, address })).id;
  });

function tooMany(seconds: number): Problem {
  const wait = Math.max(1, Math.ceil(seconds / 60));
  return new Problem(
    "too-many-tries",
    "Too many tries",
    `Too many wrong passwords. Wait ${wait} minutes, or ask the owner.`,
  );
}

/** It was the right password: the tries of that name from here are forgotten, and the address is known. */
export async function succeeded(db: Db, person: string, login: string, address: string): Promise<void> {
  await db.getRepository(signInFailureEntity).delete({ login, address });
  await db
    .getRepository(knownAddressEntity)
    .upsert({ personId: person, address, at: new Date() }, ["personId", "address"]);
}

/** Forgets what counts no more. */
export async function forgetOldTries(db: Db, now: Date): Promise<void> {
  const before = (minutes: number) => LessThan(new Date(now.getTime() - minutes * MINUTE_MS));
  await db.getRepository(signInFailureEntity).delete({ at: before(WINDOW_MINUTES) });
  await db.getRepository(knownAddressEntity).delete({ at: before(KNOWN_DAYS * 1440) });
}
