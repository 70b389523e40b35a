import { join } from "node:path";
import { ensureModules, root, run } from "./lib/run.mjs";

/** npm run grow FACTOR: makes the demo room in DATABASE_URL so many times as large, to see how it holds. */
ensureModules();
if (!process.env.DATABASE_URL) {
  console.error("Point DATABASE_URL at a database of its own: an empty one, or one with the demo room.");
  process.exit(1);
}
const { bundleNode } = await import("./lib/bundle.mjs");
const built = join(root, "server/dist/grow.js");
await bundleNode(join(root, "server/testing/grow.ts"), built);
run(process.execPath, [built, process.argv[2] ?? "10"], { env: { ...process.env, KASTEN_ROOT: root } });
