import { spawnSync } from "node:child_process";
import { chmodSync, mkdirSync, statSync } from "node:fs";
import { dirname, join, resolve } from "node:path";
import { ensureModules, root } from "./lib/run.mjs";
import { programsFolder, startPostgres } from "./lib/postgres.mjs";

/** npm run backup [file]: the whole database into one file, consistent while the room works on. */
ensureModules();
const file = resolve(
  process.argv[2] ?? join(root, ".data/backups", `kasten-${new Date().toISOString().replace(/[:.]/g, "-")}.dump`),
);
mkdirSync(dirname(file), { recursive: true });
const database = process.env.DATABASE_URL ? undefined : await startPostgres("postgres");
const url = process.env.DATABASE_URL ?? database.url("kasten");
const dump = spawnSync(
  join(database?.bin ?? programsFolder(), "pg_dump"),
  ["--format=custom", "--no-owner", "--no-privileges", `--file=${file}`, `--dbname=${url}`],
  { stdio: ["ignore", "inherit", "inherit"], cwd: "/" },
);
await database?.stop();
if (dump.status !== 0) {
  console.error("The backup failed; nothing can be relied on in that file.");
  process.exit(1);
}
// It holds all that the room knows.
chmodSync(file, 0o600);
console.log(
  `Backed up to ${file} (${(statSync(file).size / 1024).toFixed(0)} kB). Try it: npm run restore -- --try ${file}`,
);
