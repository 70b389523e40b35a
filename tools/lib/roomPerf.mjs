import { join } from "node:path";
import { bundleNode } from "./bundle.mjs";
import { measureRoom } from "./measure.mjs";
import { measurePages } from "./measurePages.mjs";
import { startPostgres } from "./postgres.mjs";
import { root, run } from "./run.mjs";
import { ensureBuilt, serveRoom } from "./serve.mjs";

const wide = (text, width) => String(text).padStart(width);

/** Prints how long the answers and the screens of the demo room take, so many times as large. */
export async function measureGrown(factors) {
  ensureBuilt();
  const grow = join(root, "server/dist/grow.js");
  await bundleNode(join(root, "server/testing/grow.ts"), grow);
  const database = await startPostgres("test-postgres", { fast: true });
  for (const factor of factors) {
    const name = `perf_${process.pid}_${factor}`;
    database.createDatabase(name);
    const env = { ...process.env, DATABASE_URL: database.url(name), KASTEN_ROOT: root };
    run(process.execPath, [grow, String(factor)], { env });
    const { base, stop } = await serveRoom(env.DATABASE_URL);
    for (const r of await measureRoom(base))
      console.log(
        `  ${r.what.padEnd(18)} ${wide(r.median.toFixed(0), 6)} ms, longest ${wide(r.longest.toFixed(0), 5)} ms, ${wide(r.kB.toFixed(0), 5)} kB`,
      );
    const { rows, heapMb } = await measurePages(base);
    for (const r of rows)
      console.log(`  ${r.path.padEnd(18)} ${wide(r.nodes, 6)} nodes, longest task ${wide(r.longest.toFixed(0), 5)} ms`);
    console.log(
      `  memory of a page, four rounds through the stations: ${heapMb.map((m) => m.toFixed(1)).join(", ")} MB`,
    );
    await stop();
    database.dropDatabase(name);
  }
  await database.stop();
}
