import { join } from "node:path";
import { ensureModules, root, runNode } from "./lib/run.mjs";
import { ensureBuilt } from "./lib/serve.mjs";
import { startPostgres } from "./lib/postgres.mjs";

/**
 * npm start: everything that a fresh machine lacks, then the application. DATABASE_URL points at another PostgreSQL;
 * KASTEN_DEMO=off starts an empty installation.
 */
ensureModules();
ensureBuilt();
let database;
let url = process.env.DATABASE_URL;
if (!url) {
  database = await startPostgres("postgres");
  database.createDatabase("kasten");
  url = database.url("kasten");
}
const demo =
  process.env.KASTEN_DEMO === "off" || process.env.DATABASE_URL
    ? (process.env.KASTEN_DEMO ?? "off")
    : join(root, "demo");
const server = runNode(join(root, "server/dist/main.js"), [], {
  env: {
    ...process.env,
    NODE_ENV: "production",
    DATABASE_URL: url,
    KASTEN_ROOT: root,
    ...(demo === "off" ? { KASTEN_DEMO: "" } : { KASTEN_DEMO: demo === "on" ? join(root, "demo") : demo }),
  },
});
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => server.kill("SIGTERM"));
server.on("exit", async (code) => {
  await database?.stop();
  process.exit(code ?? 0);
});
