import { spawn, spawnSync } from "node:child_process";
import { join } from "node:path";
import { programsFolder, startPostgres } from "../tools/lib/postgres.mjs";
import { root } from "../tools/lib/run.mjs";

/** The built application on a fresh demo database, for the browser tests and the screenshots. */
const own = process.env.TEST_POSTGRES ? undefined : await startPostgres("test-postgres", { fast: true });
const admin = process.env.TEST_POSTGRES ?? own.url("postgres");
const name = process.env.E2E_DATABASE ?? "e2e_room";
const psql = (sql) =>
  spawnSync(join(own?.bin ?? process.env.PG_BIN ?? programsFolder(), "psql"), ["-q", "-d", admin, "-c", sql], {
    stdio: "inherit",
    cwd: "/",
  });
psql(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`);
psql(`CREATE DATABASE ${name}`);
const url = new URL(admin);
url.pathname = `/${name}`;
const server = spawn(process.execPath, [join(root, "server/dist/main.js")], {
  cwd: root,
  stdio: "inherit",
  env: {
    ...process.env,
    NODE_ENV: "production",
    DATABASE_URL: url.href,
    KASTEN_ROOT: root,
    KASTEN_DEMO: join(root, "demo"),
    REQUESTS_PER_MINUTE: "100000",
  },
});
const stop = () => server.kill("SIGTERM");
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, stop);
server.on("exit", async (code) => {
  await own?.stop();
  process.exit(code ?? 0);
});
