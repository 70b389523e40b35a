import { join } from "node:path";
import { ensureModules, root, runNode } from "./lib/run.mjs";
import { ensureBuilt } from "./lib/serve.mjs";
import { startPostgres } from "./lib/postgres.mjs";
import { startScale } from "./lib/scale.mjs";

/**
 * npm start: everything that a fresh machine lacks, then the application with its demo room. With --empty, or
 * KASTEN_EMPTY in a service, it is a room of one's own, in a database beside that of the demo. DATABASE_URL points at
 * another PostgreSQL, SCALE
 * (host:port) at a scale that speaks lines; without it a stand-in is started.
 */
ensureModules();
ensureBuilt();
const saysYes = (value) => value !== undefined && !["", "0", "off", "no", "false"].includes(value.toLowerCase());
const isEmpty = process.argv.includes("--empty") || saysYes(process.env.KASTEN_EMPTY);
let database;
let url = process.env.DATABASE_URL;
if (!url) {
  database = await startPostgres("postgres");
  const name = isEmpty ? "kasten_room" : "kasten";
  database.createDatabase(name);
  url = database.url(name);
}
const scale = process.env.SCALE ? undefined : await startScale();
const isDemo = !isEmpty && (process.env.DATABASE_URL === undefined || process.env.KASTEN_DEMO === "on");
const server = runNode(join(root, "server/dist/main.js"), [], {
  env: {
    ...process.env,
    NODE_ENV: "production",
    DATABASE_URL: url,
    KASTEN_ROOT: root,
    ...(scale && { SCALE: scale.address, SCALE_IS_STAND_IN: "1" }),
    KASTEN_DEMO: isDemo ? join(root, "demo") : "",
  },
});
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => server.kill("SIGTERM"));
server.on("exit", async (code) => {
  scale?.stop();
  await database?.stop();
  process.exit(code ?? 0);
});
