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
