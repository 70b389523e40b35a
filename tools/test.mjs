import { spawn } from "node:child_process";
import { ensureChromium } from "./lib/chromium.mjs";
import { ensureModules, root } from "./lib/run.mjs";
import { ensureBuilt } from "./lib/serve.mjs";
import { startPostgres } from "./lib/postgres.mjs";

/**
 * npm test: layout, types, lint, unit, API against a real PostgreSQL, and the browser; stops at the first that does
 * not hold.
 */
const began = Date.now();
ensureModules();
ensureChromium("for the browser tests");
const database = await startPostgres("test-postgres", { fast: true });
const env = { ...process.env, TEST_POSTGRES: database.url("postgres"), PG_BIN: database.bin };

const step = (name, command, args) =>
  new Promise((resolve, reject) => {
    const from = Date.now();
    console.log(`\n── ${name}`);
    spawn(command, args, { cwd: root, stdio: "inherit", env }).on("exit", (code) => {
      console.log(`── ${name}: ${((Date.now() - from) / 1000).toFixed(1)} s`);
      if (code === 0) resolve();
      else reject(new Error(`${name} does not hold`));
    });
  });

let failed = 0;
try {
  await Promise.all(["formatted", "types", "lint"].map((name) => step(name, "npm", ["run", "-s", name])));
  await step("unit", "npm", ["run", "-s", "unit"]);
  ensureBuilt();
  await step("API", "npm", ["run", "-s", "api"]);
  await step("browser", "npm", ["run", "-s", "browser"]);
} catch (error) {
  failed = 1;
  console.error(String(error.message ?? error));
} finally {
  await database.stop();
}
console.log(`\nAll in ${((Date.now() - began) / 1000).toFixed(0)} s${failed ? ", and not everything holds" : ""}.`);
process.exit(failed);
