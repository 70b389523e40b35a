import { spawnSync } from "node:child_process";
import { existsSync } from "node:fs";
import { join, resolve } from "node:path";
import { ensureModules } from "./lib/run.mjs";
import { programsFolder, startPostgres } from "./lib/postgres.mjs";

/**
 * npm run restore FILE: puts the database back as the backup has it. All of it or nothing; stop the application first.
 */
ensureModules();
const file = resolve(process.argv[2] ?? "");
if (!process.argv[2] || !existsSync(file)) {
  console.error("Name the backup file: npm run restore -- path/to/file.dump");
  process.exit(1);
}
const database = process.env.DATABASE_URL ? undefined : await startPostgres("postgres");
database?.createDatabase("kasten");
const url = process.env.DATABASE_URL ?? database.url("kasten");
const bin = database?.bin ?? programsFolder();
const emptied = spawnSync(
  join(bin, "psql"),
  ["-q", "-v", "ON_ERROR_STOP=1", `--dbname=${url}`, "-c", "DROP SCHEMA public CASCADE; CREATE SCHEMA public;"],
  { stdio: ["ignore", "ignore", "inherit"], cwd: "/" },
);
const restored =
  emptied.status === 0 &&
  spawnSync(
    join(bin, "pg_restore"),
    ["--exit-on-error", "--single-transaction", "--no-owner", "--no-privileges", `--dbname=${url}`, file],
    { stdio: ["ignore", "inherit", "inherit"], cwd: "/" },
  );
await database?.stop();
if (!restored || restored.status !== 0) {
  console.error("The restore failed. The database is not to be used until a restore succeeds.");
  process.exit(1);
}
console.log(`Restored from ${file}.`);
