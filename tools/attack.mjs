import { spawnSync, spawn } from "node:child_process";
import { once } from "node:events";
import { join } from "node:path";
import { ensureModules, root } from "./lib/run.mjs";
import { ensureBuilt } from "./lib/serve.mjs";
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
const server = spawn(process.execPath, [join(root, "server/dist/main.js")], {
  cwd: root,
  stdio: ["ignore", "pipe", "inherit"],
  env: {
    ...process.env,
    NODE_ENV: "production",
    PORT: "0",
    DATABASE_URL: url,
    KASTEN_ROOT: root,
    KASTEN_DEMO: join(root, "demo"),
    REQUESTS_PER_MINUTE: "100000000",
    LOG_LEVEL: "error",
  },
});
const base = await new Promise((resolve, reject) => {
  server.on("exit", (code) => reject(new Error(`The application ended with ${code} before it could be reached.`)));
  server.stdout.on("data", (text) => {
    const at = /http:\/\/127\.0\.0\.1:\d+/.exec(String(text));
    if (at) resolve(at[0]);
  });
});
const done = spawnSync(process.execPath, [attacker, ...process.argv.slice(2)], {
  stdio: "inherit",
  env: { ...process.env, ATTACK_BASE: base, ATTACK_PID: String(server.pid), DATABASE_URL: url },
});
server.kill("SIGTERM");
if (server.exitCode === null) await once(server, "exit");
database.dropDatabase(name);
await database.stop();
process.exit(done.status ?? 1);
