import { spawnSync } from "node:child_process";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { randomInt } from "node:crypto";
import { ensureModules, output, root } from "./lib/run.mjs";

/**
 * npm run fuzz [-- minutes]: the property tests on new seeds, and what is thorough, again and again,
 * for so many minutes (10).
 * A failure names its seed: FUZZ_SEED=… npx vitest run FILE repeats it.
 */
ensureModules();
const minutes = Number(process.argv[2] ?? 10);
if (!(minutes > 0 && minutes <= 24 * 60)) throw new Error("Give the minutes as a number: npm run fuzz -- 10");
const until = Date.now() + minutes * 60_000;
const files = (output("git", ["ls-files", "core", "contract", "web"]) ?? "")
  .split("\n")
  .filter((f) => f.endsWith(".test.ts") && readFileSync(join(root, f), "utf8").match(/from "fast-check"|\bthorough\b/));
const projects = ["core", "contract", "web"].flatMap((p) => ["--project", p]);

let rounds = 0;
const failed = [];
while (Date.now() < until) {
  const seed = randomInt(1, 2 ** 31);
  const names = files.map((f) => f.replace(/^[a-z]+\//, ""));
  const run = spawnSync("npx", ["vitest", "run", ...projects, ...names, "--reporter", "dot"], {
    cwd: root,
    encoding: "utf8",
    env: { ...process.env, FUZZ_SEED: String(seed), NO_COLOR: "1" },
  });
  rounds++;
  if (run.status === 0) continue;
  failed.push(seed);
  console.log(`Seed ${seed} does not hold:\n${run.stdout.slice(-6000)}`);
}
console.log(
  `${rounds} rounds of ${files.length} files; ${failed.length} seeds failed${failed.length > 0 ? `: ${failed.join(", ")}` : ""}.`,
);
process.exit(failed.length > 0 ? 1 : 0);
