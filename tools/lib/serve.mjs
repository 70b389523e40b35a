import { spawn } from "node:child_process";
import { once } from "node:events";
import { existsSync, statSync } from "node:fs";
import { join } from "node:path";
import { newestChange, root, run } from "./run.mjs";

/** Builds what is not built yet, or is older than its sources. */
export function ensureBuilt() {
  const [server, web] = [join(root, "server/dist/main.js"), join(root, "web/dist/index.html")];
  const built = existsSync(server) && existsSync(web) ? Math.min(statSync(server).mtimeMs, statSync(web).mtimeMs) : 0;
  if (built >= newestChange(["core", "contract", "server", "web", "package-lock.json"])) return;
  console.log("Building …");
  run(process.execPath, ["tools/build.mjs"], { env: { ...process.env, NODE_ENV: "production" } });
}

/** More than any tool asks for. */
const NO_LIMIT = "100000000";

/**
 * The built application as a program of its own, on a database and a free port.
 * @returns {Promise<{ base: string, pid: number, said: () => string, stop: () => Promise<void> }>} once it can be
 *   reached; `said` is what it has printed so far
 */
export async function serveRoom(url, more = {}) {
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
      REQUESTS_PER_MINUTE: NO_LIMIT,
      ...more,
    },
  });
  let printed = "";
  const base = await new Promise((resolve, reject) => {
    server.on("exit", (code) => reject(new Error(`The application ended with ${code} before it could be reached.`)));
    server.stdout.on("data", (text) => {
      printed += String(text);
      const at = /http:\/\/127\.0\.0\.1:\d+/.exec(printed);
      if (at) resolve(at[0]);
    });
  });
  const stop = async () => {
    if (server.exitCode !== null || server.signalCode !== null) return;
    server.kill("SIGTERM");
    await once(server, "exit");
  };
  return { base, pid: server.pid, said: () => printed, stop };
}
