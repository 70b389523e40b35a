import { row, type Db } from "../database/rows";

/** One at a time: whoever tries to sign in under a name, or from an address. */
export const lockTries = async (db: Db, login: string, address: string): Promise<void> => {
  await db.query(
    "SELECT pg_advisory_xact_lock(4682, k) FROM unnest(ARRAY[hashtext($1), hashtext($2)]) AS k ORDER BY k",
    [`name ${login}`, `address ${address}`],
  );
};

/** One at a time: whoever makes, changes or ends owners. */
export const lockOwners = async (db: Db): Promise<void> => {
  await db.query("SELECT pg_advisory_xact_lock(4683)");
};

export interface Tries {
  /** From an address where the person of that name has signed in before. */
  isKnown: boolean;
  /** Tries of the last minutes under the name: from this address where it is known, else from all that are not. */
  ofName: number;
  /** From this address, under whatever name. */
  ofAddress: number;
  /** Until the oldest of them is forgotten. */
  seconds: number;
}

/** Tries of the last minutes that did not succeed, for a name and from an address. */
export async function triesOf(
  db: Db,
  { login, address, minutes }: { login: string; address: string; minutes: number },
): Promise<Tries> {
  const found = await row<Tries>(
    db,
    `WITH known AS (
       SELECT k.address FROM known_address k JOIN person p ON p.id = k.person_id WHERE p.login = $1),
     here AS (SELECT EXISTS (SELECT 1 FROM known WHERE address = $2) AS known),
     recent AS (SELECT * FROM sign_in_failure WHERE at > now() - make_interval(mins => $3))
     SELECT here.known AS "isKnown",
       (SELECT count(*)::int FROM recent r WHERE r.login = $1 AND CASE WHEN here.known THEN r.address = $2
         ELSE r.address NOT IN (SELECT address FROM known) END) AS "ofName",
       (SELECT count(*)::int FROM recent r WHERE r.address = $2) AS "ofAddress",
       COALESCE((SELECT ceil(extract(epoch FROM min(at) + make_interval(mins => $3) - now()))::int FROM recent r
         WHERE r.login = $1 OR r.address = $2), 0) AS seconds
     FROM here`,
    [login, address, minutes],
  );
  return found ?? { isKnown: false, ofName: 0, ofAddress: 0, seconds: 0 };
}

/** Ends sessions of a person, all or all but one, and the streams that hang on them. */
export async function endSessions(db: Db, person: string, but = ""): Promise<void> {
  await db.query(
    `WITH ended AS (DELETE FROM session WHERE sess->>'person' = $1 AND sid <> $2 RETURNING sid)
     SELECT pg_notify('kasten_session', sid) FROM ended`,
    [person, but],
  );
}

/** The streams of one session end. */
export const endStreams = async (db: Db, session: string): Promise<void> => {
  await db.query("SELECT pg_notify('kasten_session', $1)", [session]);
};
