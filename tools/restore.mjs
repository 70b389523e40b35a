import { existsSync } from "node:fs";
import { resolve } from "node:path";
import { ensureModules } from "./lib/run.mjs";
import { programsFolder, startPostgres } from "./lib/postgres.mjs";
import { checkFile, forget, isOpen, nameOf, restoreBeside, swap } from "./lib/restoring.mjs";

/**
 * npm run restore -- FILE            puts the room back as the backup has it; the room as it was is kept beside it
 * npm run restore -- --try FILE      only tries whether the backup can be restored and is whole
 * npm run restore -- --forget NAME   drops a room that a restore has kept
 */
const usage = `Name the backup file: npm run restore -- path/to/file.dump
  --try FILE     only tries whether it can be restored
  --forget NAME  drops a room that an earlier restore has kept`;
const [first = "", second = ""] = process.argv.slice(2);
const stamp = new Date().toISOString().replace(/\D/g, "").slice(0, 14);

function restore(bin, url) {
  const file = resolve(first === "--try" ? second : first);
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`);
  checkFile(bin, file);
  const room = nameOf(url);
  const fresh = `${room}_restored_${stamp}`;
  const holds = restoreBeside(bin, url, file, fresh);
  console.log(
    `The backup is whole: ${Object.entries(holds)
      .map(([t, n]) => `${n} ${t}`)
      .join(", ")}.`,
  );
  if (first === "--try") return forget(bin, url, fresh);
  if (isOpen(bin, url)) {
    forget(bin, url, fresh);
    throw new Error("The room is open. Stop the application first; nothing has been changed.");
  }
  const old = `${room}_before_${stamp}`;
  swap(bin, url, fresh, old);
  console.log(`Restored from ${file}.
The room as it was is kept as ${old}. When all is well: npm run restore -- --forget ${old}`);
}

function forgetKept(bin, url) {
  if (!new RegExp(`^${nameOf(url)}_before_\\d{14}$`).test(second))
    throw new Error("Name the room that a restore has kept, as it was printed then. Nothing has been changed.");
  forget(bin, url, second);
  console.log(`${second} is gone.`);
}

ensureModules();
if (first === "") {
  console.error(usage);
  process.exit(1);
}
const database = process.env.DATABASE_URL ? undefined : await startPostgres("postgres");
database?.createDatabase("kasten");
const url = process.env.DATABASE_URL ?? database.url("kasten");
const bin = database?.bin ?? programsFolder();
let failed = 0;
try {
  if (first === "--forget") forgetKept(bin, url);
  else restore(bin, url);
} catch (error) {
  failed = 1;
  console.error(error.message);
}
await database?.stop();
process.exit(failed);
