import { join } from "node:path";
import { ensureModules, output, root, run } from "./lib/run.mjs";

/**
 * npm run perf [factors]: every *.perf.ts, built as the server is built, one after another; then the demo room as it is
 * and ten times as large, or as many times as is said. npm run perf -- some/file.perf.ts: those files alone.
 * They print ratios and sizes and judge nothing.
 */
ensureModules();
const { bundleNode } = await import("./lib/bundle.mjs");
const named = process.argv.slice(2).filter((said) => said.endsWith(".perf.ts"));
const odd = process.argv.slice(2).filter((said) => !named.includes(said) && !(Number(said) >= 1));
if (odd.length > 0) throw new Error(`Neither a timing script nor how many times as large: ${odd.join(", ")}.`);
const known = (output("git", ["ls-files", "--cached", "--others", "--exclude-standard", "*.perf.ts"]) ?? "")
  .split("\n")
  .filter(Boolean);
const unknown = named.filter((file) => !known.includes(file));
if (unknown.length > 0)
  throw new Error(`No such timing script: ${unknown.join(", ")}. There are:\n${known.join("\n")}`);
const files = named.length > 0 ? named : known;
for (const file of files) {
  const built = join(root, "server/dist/perf", file.replace(/[/.]/g, "-").replace(/-ts$/, ".js"));
  await bundleNode(join(root, file), built);
  run(process.execPath, [built]);
}
if (named.length === 0) {
  const { measureGrown } = await import("./lib/roomPerf.mjs");
  const factors = process.argv.slice(2).map(Number);
  await measureGrown(factors.length > 0 ? factors : [1, 10]);
}
