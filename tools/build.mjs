import { readFileSync } from "node:fs";
import { join } from "node:path";
import { build as bundle } from "esbuild";
import { build as buildWeb } from "vite";
import { root } from "./lib/run.mjs";

/** Builds the web application into web/dist and the server into server/dist. */
const dependencies = (floor) => Object.keys(JSON.parse(readFileSync(join(root, floor, "package.json"), "utf8")).dependencies ?? {});
const external = [...new Set(["core", "contract", "server"].flatMap(dependencies))].flatMap((name) => [name, `${name}/*`]);

await bundle({
  entryPoints: [join(root, "server/main.ts")],
  outfile: join(root, "server/dist/main.js"),
  bundle: true,
  platform: "node",
  target: "node20",
  format: "esm",
  sourcemap: true,
  external,
  logLevel: "warning",
});
await buildWeb({ root: join(root, "web"), configFile: join(root, "web/vite.config.ts"), logLevel: "warn" });
