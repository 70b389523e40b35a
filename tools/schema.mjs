import { writeFileSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { ensureModules, root } from "./lib/run.mjs";

/** npm run schema: writes the published JSON Schema of pattern files anew from the contract. */
ensureModules();
const { bundleNode } = await import("./lib/bundle.mjs");
const built = join(root, "server/dist/schema.js");
await bundleNode(join(root, "contract/patterns/schema.ts"), built);
const { patternBookJsonSchema, patternSchemaFile } = await import(pathToFileURL(built).href);
writeFileSync(join(root, patternSchemaFile), `${JSON.stringify(patternBookJsonSchema(), null, 1)}\n`);
console.log(`Written: ${patternSchemaFile}`);
