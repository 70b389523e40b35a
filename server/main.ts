import { createServer, type Server } from "node:http";
import type { AddressInfo } from "node:net";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import pino from "pino";
import { buildApp } from "./app";
import { batchPage } from "./batches";
import { keepHouse } from "./housekeeping";
import { Live } from "./http/live";
import { openJobs } from "./jobs";
import { loadFolder } from "./import";
import { Outlook } from "./outlook";
import { runSearch } from "./plans";
import { readEffort } from "./schedule";
import { openDatabase } from "./source";
import { isNobodyThere, setUpCode } from "./team";
import { threads } from "./threads";

const root = process.env.KASTEN_ROOT ?? process.cwd();
const log = pino({ level: process.env.LOG_LEVEL ?? "warn" });
const databaseUrl = process.env.DATABASE_URL;
if (!databaseUrl)
  throw new Error("Set DATABASE_URL to a PostgreSQL database, or start with npm start, which brings its own.");

const WANTED_PORT = 4680;
const PORT_TRIES = 50;

/** Listens on the wanted port, or says that it is taken and takes the next free one; 0 is any free one. */
async function listen(server: Server, wanted: number, host: string): Promise<number> {
  for (let port = wanted; port < wanted + PORT_TRIES; port++) {
    const taken = await new Promise<boolean>((resolve, reject) => {
      server.once("error", (error: NodeJS.ErrnoException) =>
        error.code === "EADDRINUSE" ? resolve(true) : reject(error),
      );
      server.listen(port, host, () => resolve(false));
    });
    server.removeAllListeners("error");
    if (!taken) return (server.address() as AddressInfo).port;
    console.log(`Port ${port} is taken; trying ${port + 1}.`);
  }
  throw new Error(`No free port from ${wanted} to ${wanted + PORT_TRIES - 1}.`);
}

const source = await openDatabase(databaseUrl);
const live = new Live(databaseUrl, log);
const isEmpty = await isNobodyThere(source.manager);
if (isEmpty && process.env.KASTEN_DEMO) {
  console.log("Loading the demo room …");
  await source.transaction((db) => loadFolder(db, process.env.KASTEN_DEMO ?? "", new Date()));
}
const work = threads(join(root, "server/dist/thread.js"), { databaseUrl, effort: readEffort(process.env.PLAN_EFFORT) });
const warned = (what: string) => (error: unknown) =>
  log.warn({ error: error instanceof Error ? error.message : error }, what);
const outlook = new Outlook(work, warned("the plan could not be made anew"));
const jobs = await openJobs(
  databaseUrl,
  {
    search: async () => {
      await runSearch(source, work.search, warned("how far a search is could not be kept"));
      outlook.changed();
    },
  },
  warned("a search for a better plan failed"),
);
live.onChange((change) => {
  if (change.subject !== "outlook" && live.isHeard()) outlook.changed();
});
await live.open();
// Whoever comes first finds everything read and composed, as everybody after.
if (!(await isNobodyThere(source.manager))) await batchPage(source.manager, { limit: 50 });
const stopHousekeeping = keepHouse(source, log);

const { version } = JSON.parse(readFileSync(join(root, "package.json"), "utf8")) as { version: string };
const { app, close } = await buildApp({
  source,
  databaseUrl,
  live,
  outlook,
  takeIn: work.takeIn,
  files: work,
  jobs,
  cheapest: work.cheapest,
  ...(process.env.SCALE && { scale: process.env.SCALE }),
  standInScale: process.env.SCALE_IS_STAND_IN === "1",
  log,
  version,
  web: join(root, "web/dist"),
  trustProxy: process.env.TRUST_PROXY === "1",
  hosts: [process.env.HOST ?? "", ...(process.env.HOSTS ?? "").split(",")],
  ...(process.env.REQUESTS_PER_MINUTE && { requestsPerMinute: Number(process.env.REQUESTS_PER_MINUTE) }),
});
const server = createServer(app);
server.requestTimeout = 30_000;
const host = process.env.HOST ?? "127.0.0.1";
const port = await listen(server, Number(process.env.PORT ?? WANTED_PORT), host);
const address = `http://${host.includes(":") ? `[${host}]` : host}:${port}`;
console.log(`Kasten is ready: ${address}`);
// Behind the # nothing of an address goes over the wire or into a log.
if (await isNobodyThere(source.manager))
  console.log(
    `The room is empty. Open this link to make yourself its owner; it holds until somebody has: ${address}/#begin=${setUpCode}`,
  );

let stopping = false;
async function stop(): Promise<void> {
  if (stopping) return;
  stopping = true;
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  stopHousekeeping();
  await live.close();
  server.closeIdleConnections();
  await Promise.race([closed, new Promise((resolve) => setTimeout(resolve, 8000))]);
  outlook.close();
  await jobs.close();
  await work.close();
  await close();
  await source.destroy();
  process.exit(0);
}
process.on("SIGTERM", () => void stop());
process.on("SIGINT", () => void stop());
