import { createServer } from "node:http";
import type { AddressInfo } from "node:net";
import pino from "pino";
import type { DataSource } from "typeorm";
import { inject } from "vitest";
import type { Role } from "@kasten/contract/permissions";
import { me, signInDemo } from "@kasten/contract/team";
import { buildApp } from "../app";
import { Live } from "../http/live";
import { sqlState } from "../http/sqlState";
import { openJobs, type Jobs } from "../jobs";
import { Outlook } from "../outlook";
import { runSearch } from "../plans";
import type { Effort } from "../schedule";
import { openDatabase } from "../source";
import { inline, type Work } from "../threads";
import { Client } from "./client";
import { createDatabase, dropDatabase } from "./databases";

export { Client } from "./client";

const thrown = (error: unknown): never => {
  throw error;
};

/** A search lets nothing else happen in this program: whoever asks for ten minutes of it is given a moment. */
const MOST_SEARCHED_SECONDS = 1;

/** Most tests ask for a plan, and few for a good one. */
const LITTLE_EFFORT = 0.05;

/** Tests cut lines on purpose, and the queue then opens others; any other fault of it is one. */
const ADMIN_SHUTDOWN = "57P01";
const queueFailed = (error: unknown): void => {
  if (sqlState(error) !== ADMIN_SHUTDOWN) thrown(error);
};

export interface TestRoom {
  base: string;
  /** Address of its database. */
  url: string;
  source: DataSource;
  live: Live;
  signedIn: (role: Role) => Promise<Client>;
  stop: () => Promise<void>;
}

/** A room of its own behind a real port: a copy of the demo room, or an empty one. */
export async function openTestRoom({
  demo = true,
  requestsPerMinute = 100_000,
  search,
  effort = LITTLE_EFFORT,
  ...more
}: {
  demo?: boolean;
  requestsPerMinute?: number;
  trustProxy?: boolean;
  web?: string;
  /** In place of the room's own search for a better plan: that one lets nothing else happen in this program. */
  search?: Work["search"];
  /** How hard its plan is looked for; a test of the plan itself asks for all. */
  effort?: Effort;
} = {}): Promise<TestRoom> {
  const admin = inject("admin");
  const url = await createDatabase(admin, "room", demo ? inject("template") : undefined);
  const source = await openDatabase(url, { migrate: !demo });
  const log = pino({ level: "silent" });
  const live = new Live(url, log);
  await live.open();
  const work = inline(source, effort);
  const outlook = new Outlook(work, thrown, { quickMs: Infinity, patienceMs: 60_000 });
  const brief: Work["search"] = (seconds, control) => work.search(Math.min(seconds, MOST_SEARCHED_SECONDS), control);
  const jobs = lateJobs(() => openJobs(url, { search: () => runSearch(source, search ?? brief, thrown) }, queueFailed));
  const options = {
    source,
    databaseUrl: url,
    live,
    outlook,
    takeIn: work.takeIn,
    files: work,
    jobs,
    cheapest: work.cheapest,
    log,
    version: "test",
    requestsPerMinute,
    ...more,
  };
  const { app, close } = await buildApp(options);
  const server = createServer(app);
  await new Promise<void>((resolve) => server.listen(0, "127.0.0.1", resolve));
  const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  return {
    base,
    url,
    source,
    live,
    signedIn: (role) => signInAs(base, role),
    stop: async () => {
      await live.close();
      server.closeAllConnections();
      await new Promise((resolve) => server.close(resolve));
      outlook.close();
      await jobs.close();
      await close();
      await source.destroy();
      await dropDatabase(admin, url);
    },
  };
}

/** The queue, opened when something is first put into it: most tests put in nothing. */
function lateJobs(open: () => Promise<Jobs>): Jobs {
  let opened: Promise<Jobs> | undefined;
  return {
    search: async (db, seconds) => (await (opened ??= open())).search(db, seconds),
    close: async () => (await opened)?.close(),
  };
}

async function signInAs(base: string, role: Role): Promise<Client> {
  const client = new Client(base);
  const { demo: people } = await client.ok(me);
  const person = people.find((p) => p.role === role);
  if (!person) throw new Error(`nobody is a ${role}`);
  await client.ok(signInDemo, { body: { person: person.id } });
  return client;
}
