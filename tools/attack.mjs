import { spawnSync } from "node:child_process";
import { join } from "node:path";
import { ensureModules, root } from "./lib/run.mjs";
import { ensureBuilt, serveRoom } from "./lib/serve.mjs";
import { startPostgres } from "./lib/postgres.mjs";

/** npm run attack [seed] [requests for each of three seeds] [clients]: everything against a demo room of its own. */
ensureModules();
ensureBuilt();
const { bundleNode } = await import("./lib/bundle.mjs");
const attacker = join(root, "server/dist/attack.js");
await bundleNode(join(root, "server/testing/attack/main.ts"), attacker);
const database = await startPostgres("test-postgres", { fast: true });
const name = `attack_${process.pid}`;
database.createDatabase(name);
const url = database.url(name);
const { base, pid, stop } = await serveRoom(url, { LOG_LEVEL: "error" });
const done = spawnSync(process.execPath, [attacker, ...process.argv.slice(2)], {
  stdio: "inherit",
  env: { ...process.env, ATTACK_BASE: base, ATTACK_PID: String(pid), DATABASE_URL: url },
});
await stop();
database.dropDatabase(name);
await database.stop();
process.exit(done.status ?? 1);
