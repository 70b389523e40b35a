import { readFileSync } from "node:fs";
import { join } from "node:path";
import { build } from "esbuild";
import { root } from "./run.mjs";

const dependencies = (floor) =>
  Object.keys(JSON.parse(readFileSync(join(root, floor, "package.json"), "utf8")).dependencies ?? {});

/** Bundles one entry and our own floors for Node.js; installed packages stay where they are. */
export async function bundleNode(entry, outfile) {
  const external = [...new Set(["core", "contract", "server"].flatMap(dependencies))].flatMap((name) => [
    name,
    `${name}/*`,
  ]);
  await build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: "node",
    target: "node20",
    format: "esm",
    sourcemap: true,
    external,
    logLevel: "warning",
  });
}
