import { RateLimiterPostgres, RateLimiterRes } from "rate-limiter-flexible";
import { LessThan } from "typeorm";
import type { Db } from "../database/rows";
import { Problem } from "../http/problems";
import { knownAddressEntity, signInTryEntity } from "./entities";
import { isKnownAddress } from "./queries";

const WINDOW_SECONDS = 900;
const TRIES_OF_NAME = 5;
const TRIES_OF_ADDRESS = 20;
/** An address is known for so long after the last signing in. */
const KNOWN_DAYS = 180;
const DAY_MS = 86_400_000;

type Source = Db["connection"];
interface Limits {
  ofName: RateLimiterPostgres;
  ofAddress: RateLimiterPostgres;
}
const made = new WeakMap<Source, Limits>();

/** Counted in the database, for all servers alike; a try is counted before it is made. */
function limitsOf(source: Source): Limits {
  const known = made.get(source);
  if (known) return known;
  const limiter = (keyPrefix: string, points: number) =>
    new RateLimiterPostgres({
      storeClient: source,
      storeType: "typeorm",
      tableName: "sign_in_try",
      tableCreated: true,
      clearExpiredByTimeout: false,
      keyPrefix,
      points,
      duration: WINDOW_SECONDS,
    });
  const limits = { ofName: limiter("name", TRIES_OF_NAME), ofAddress: limiter("address", TRIES_OF_ADDRESS) };
  made.set(source, limits);
  return limits;
}

/** A try under a name from an address. Where the person has signed in from before, strangers' tries do not count. */
export interface Try {
  login: string;
  address: string;
  isKnown: boolean;
}
const nameKey = ({ login, address, isKnown }: Try): string => (isKnown ? `${login} at ${address}` : login);

/**
 * Counts a try to sign in before it is made, so that many at once are counted like many in turn.
 * @returns the try, to be told of when it succeeds
 * @throws Problem too-many-tries
 */
export async function countTry(db: Db, login: string, address: string): Promise<Try> {
  const { ofName, ofAddress } = limitsOf(db.connection);
  const one = { login, address, isKnown: await isKnownAddress(db, login, address) };
  try {
    await ofName.consume(nameKey(one));
    if (!one.isKnown) await ofAddress.consume(address);
  } catch (refusal) {
    if (refusal instanceof RateLimiterRes) throw tooMany(refusal.msBeforeNext);
    throw refusal;
  }
  return one;
}

function tooMany(waitMs: number): Problem {
  const wait = Math.max(1, Math.ceil(waitMs / 60_000));
  const minutes = wait === 1 ? "a minute" : `${wait} minutes`;
  return new Problem(
    "too-many-tries",
    "Too many tries",
    `Too many wrong passwords. Wait ${minutes}, or ask the owner.`,
  );
}

/** It was the right password: the tries of that name from here are forgotten, and the address is known. */
export async function succeeded(db: Db, person: string, one: Try): Promise<void> {
  const { ofName, ofAddress } = limitsOf(db.connection);
  await ofName.delete(nameKey(one));
  if (!one.isKnown) await ofAddress.reward(one.address);
  const known = { personId: person, address: one.address, at: new Date() };
  await db.getRepository(knownAddressEntity).upsert(known, ["personId", "address"]);
}

/** Forgets what counts no more. */
export async function forgetOldTries(db: Db, now: Date): Promise<void> {
  await db.getRepository(signInTryEntity).delete({ expire: LessThan(now.getTime()) });
  await db.getRepository(knownAddressEntity).delete({ at: LessThan(new Date(now.getTime() - KNOWN_DAYS * DAY_MS)) });
}
