import { randomBytes } from "node:crypto";
import pg from "pg";

const addressOf = (admin: string, name: string): string => {
  const url = new URL(admin);
  url.pathname = `/${name}`;
  return url.href;
};

/** Runs statements on the server's own database, one after another. */
async function asAdmin(admin: string, ...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  try {
    for (const s of statements) await client.query(s);
  } finally {
    await client.end();
  }
}

const freshName = (kind: string): string => `test_${kind}_${randomBytes(5).toString("hex")}`;

/** A new database: empty, or a copy of another to which nobody is connected. @returns its address */
export async function createDatabase(admin: string, kind: string, template?: string): Promise<string> {
  const name = freshName(kind);
  const from = template === undefined ? "" : ` TEMPLATE "${new URL(template).pathname.slice(1)}"`;
  await asAdmin(admin, `CREATE DATABASE "${name}"${from}`);
  return addressOf(admin, name);
}

const LOOKS = 100;
const BETWEEN_MS = 20;

/** Drops a database once those who closed their connections have really left: a pool says so a little earlier. */
export async function dropDatabase(admin: string, address: string): Promise<void> {
  const name = new URL(address).pathname.slice(1);
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  try {
    for (let i = 0; i < LOOKS; i++) {
      const { rowCount } = await client.query("SELECT 1 FROM pg_stat_activity WHERE datname = $1", [name]);
      if (!rowCount) break;
      await new Promise((resolve) => setTimeout(resolve, BETWEEN_MS));
    }
    await client.query(`DROP DATABASE IF EXISTS "${name}" WITH (FORCE)`);
  } finally {
    await client.end();
  }
}

/** Drops what runs before this one have left. */
export async function dropOldDatabases(admin: string): Promise<void> {
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  const old = await client.query<{ datname: string }>("SELECT datname FROM pg_database WHERE datname LIKE 'test\\_%'");
  for (const { datname } of old.rows) await client.query(`DROP DATABASE "${datname}" WITH (FORCE)`);
  await client.end();
}
