import { join } from "node:path";
import { build as buildWeb } from "vite";
import { bundleNode } from "./lib/bundle.mjs";
import { root } from "./lib/run.mjs";

/** Builds the web application into web/dist and the server into server/dist. */
await bundleNode(join(root, "server/main.ts"), join(root, "server/dist/main.js"));
await bundleNode(join(root, "server/thread.ts"), join(root, "server/dist/thread.js"));
await buildWeb({ root: join(root, "web"), configFile: join(root, "web/vite.config.ts"), logLevel: "warn" });
