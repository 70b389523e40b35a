import { row, type Db } from "../database/rows";

/** One at a time: whoever makes, changes or ends owners. */
export const lockOwners = async (db: Db): Promise<void> => {
  await db.query("SELECT pg_advisory_xact_lock(4683)");
};

/** Whether the person of that name has signed in from that address before. */
export async function isKnownAddress(db: Db, login: string, address: string): Promise<boolean> {
  const found = await row<{ known: boolean }>(
    db,
    `SELECT EXISTS (SELECT 1 FROM known_address k JOIN person p ON p.id = k.person_id
       WHERE p.login = $1 AND k.address = $2) AS known`,
    [login, address],
  );
  return found?.known ?? false;
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
