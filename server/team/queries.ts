import { row, type Db } from "../database/rows";

/** Wrong passwords of the last minutes, for a name or from an address, and the seconds until they are forgotten. */
export async function failuresOf(
  db: Db,
  { login, address, minutes }: { login: string; address: string; minutes: number },
): Promise<{ n: number; seconds: number }> {
  const found = await row<{ n: number; seconds: number }>(
    db,
    `SELECT count(*)::int AS n, COALESCE(ceil(extract(epoch FROM max(at) + make_interval(mins => $3) - now())), 0)::int AS seconds
     FROM sign_in_failure WHERE at > now() - make_interval(mins => $3) AND (login = $1 OR address = $2)`,
    [login, address, minutes],
  );
  return found ?? { n: 0, seconds: 0 };
}
