import { join } from "node:path";
import { spawn } from "node:child_process";
import { ensureModules, root } from "./lib/run.mjs";
import { startPostgres } from "./lib/postgres.mjs";

/** npm run dev: the server restarted and the page reloaded as sources change; Vite passes /api on to the server. */
ensureModules();
const database = process.env.DATABASE_URL ? undefined : await startPostgres("postgres");
database?.createDatabase("kasten");
const port = process.env.PORT ?? "4680";
const env = {
  ...process.env,
  DATABASE_URL: process.env.DATABASE_URL ?? database.url("kasten"),
  KASTEN_ROOT: root,
  KASTEN_DEMO: join(root, "demo"),
  PORT: port,
  KASTEN_API: `http://127.0.0.1:${port}`,
};
const children = [
  spawn("npx", ["tsx", "watch", "--clear-screen=false", "server/main.ts"], { cwd: root, stdio: "inherit", env }),
  spawn("npx", ["vite", "web", "--host", "127.0.0.1"], { cwd: root, stdio: "inherit", env }),
];
const stop = async () => {
  for (const c of children) c.kill("SIGTERM");
  await database?.stop();
  process.exit(0);
};
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => void stop());
