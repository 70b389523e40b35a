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

export const dropDatabase = (admin: string, address: string): Promise<void> =>
  asAdmin(admin, `DROP DATABASE IF EXISTS "${new URL(address).pathname.slice(1)}" WITH (FORCE)`);

/** Drops what runs before this one have left. */
export async function dropOldDatabases(admin: string): Promise<void> {
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  const old = await client.query<{ datname: string }>("SELECT datname FROM pg_database WHERE datname LIKE 'test\\_%'");
  for (const { datname } of old.rows) await client.query(`DROP DATABASE "${datname}" WITH (FORCE)`);
  await client.end();
}
