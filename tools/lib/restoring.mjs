import { spawnSync } from "node:child_process";
import { join } from "node:path";

/** What every backup of a room holds; a file without them is something else. */
const TABLES = ["person", "customer_order", "batch", "movement", "balance", "reservation", "migrations"];

/** Rules that a whole room keeps, as statements that count what breaks them. */
const RULES = {
  "balances that are not the sum of their movements": `
    SELECT count(*) FROM balance b WHERE b.quantity <> COALESCE((SELECT sum(CASE WHEN m.to_place = b.place_id
      THEN m.quantity ELSE -m.quantity END) FROM movement m
      WHERE m.lot_id = b.lot_id AND b.place_id IN (m.from_place, m.to_place)), 0)`,
  "reservations that are not counted as reserved": `
    SELECT count(*) FROM balance b WHERE b.reserved <> COALESCE((SELECT sum(r.quantity) FROM reservation r
      WHERE r.lot_id = b.lot_id AND r.place_id = b.place_id), 0)`,
};

/** Another database on the same server. */
export function beside(url, name) {
  const other = new URL(url);
  other.pathname = `/${name}`;
  return other.href;
}
export const nameOf = (url) => decodeURIComponent(new URL(url).pathname.slice(1));

/** Runs statements by psql. @returns its output @throws with what PostgreSQL says */
export function psql(bin, url, sql) {
  const done = spawnSync(join(bin, "psql"), ["-q", "-tA", "-v", "ON_ERROR_STOP=1", `--dbname=${url}`, "-c", sql], {
    encoding: "utf8",
    cwd: "/",
  });
  if (done.status !== 0) throw new Error((done.stderr || String(done.error)).trim());
  return done.stdout.trim();
}

const quoted = (name) => `"${name.replaceAll('"', '""')}"`;

/** Looks into a file without touching anything. @throws where it is no backup of a room, or cut off */
export function checkFile(bin, file) {
  const listed = spawnSync(join(bin, "pg_restore"), ["--list", file], { encoding: "utf8", cwd: "/" });
  if (listed.status !== 0)
    throw new Error(`${file} is no backup that can be read. Take one that npm run backup has written.`);
  const missing = TABLES.filter((t) => !new RegExp(`TABLE DATA public ${t} `).test(listed.stdout));
  if (missing.length > 0)
    throw new Error(`${file} is no backup of a room: it has no ${missing.join(", ")}. Nothing has been changed.`);
}

/**
 * Restores a backup into a new database beside the room, and looks whether it is whole.
 * @returns what it holds
 * @throws where it is not; the new database is gone then, and nothing else was touched
 */
export function restoreBeside(bin, url, file, name) {
  const [server, fresh] = [beside(url, "postgres"), beside(url, name)];
  psql(bin, server, `CREATE DATABASE ${quoted(name)}`);
  try {
    const restored = spawnSync(
      join(bin, "pg_restore"),
      ["--exit-on-error", "--single-transaction", "--no-owner", "--no-privileges", `--dbname=${fresh}`, file],
      { encoding: "utf8", cwd: "/" },
    );
    if (restored.status !== 0) throw new Error(`The file cannot be restored: ${restored.stderr.trim()}`);
    for (const [what, sql] of Object.entries(RULES)) {
      const broken = Number(psql(bin, fresh, sql));
      if (broken > 0) throw new Error(`What was restored has ${broken} ${what}: the file is not whole.`);
    }
    const counts = TABLES.map((t) => `'${t}', (SELECT count(*) FROM ${t})`).join(", ");
    return JSON.parse(psql(bin, fresh, `SELECT json_build_object(${counts})`));
  } catch (error) {
    forget(bin, url, name);
    throw error;
  }
}

/** Drops a database beside the room. */
export const forget = (bin, url, name) =>
  psql(bin, beside(url, "postgres"), `DROP DATABASE IF EXISTS ${quoted(name)} WITH (FORCE)`);

/** Whether anybody is connected to the room. */
export const isOpen = (bin, url) =>
  Number(
    psql(
      bin,
      beside(url, "postgres"),
      `SELECT count(*) FROM pg_stat_activity WHERE datname = '${nameOf(url).replaceAll("'", "''")}'`,
    ),
  ) > 0;

/** Puts a database in the room's place, in one step: the room as it was stays under another name. */
export function swap(bin, url, fresh, old) {
  const room = nameOf(url);
  psql(
    bin,
    beside(url, "postgres"),
    `BEGIN; ALTER DATABASE ${quoted(room)} RENAME TO ${quoted(old)}; ALTER DATABASE ${quoted(fresh)} RENAME TO ${quoted(room)}; COMMIT;`,
  );
}
