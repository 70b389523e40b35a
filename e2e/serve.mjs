import { spawn } from "node:child_process";
import { once } from "node:events";
import { join } from "node:path";
import pg from "pg";
import { root } from "../tools/lib/run.mjs";

/** Rooms for browsers: the built application on demo databases of their own, for the browser tests and the pictures. */
const admin = process.env.TEST_POSTGRES;
if (!admin) throw new Error("Run the browser tests with npm test, which starts a PostgreSQL for them.");

/** Runs statements on the server's own database, one after another. */
export async function asAdmin(...statements) {
  const client = new pg.Client({ connectionString: admin });
  await client.connect();
  try {
    for (const s of statements) await client.query(s);
  } finally {
    await client.end();
  }
}

async function start(name) {
  const url = new URL(admin);
  url.pathname = `/${name}`;
  const server = spawn(process.execPath, [join(root, "server/dist/main.js")], {
    cwd: root,
    stdio: ["ignore", "pipe", "inherit"],
    env: {
      ...process.env,
      NODE_ENV: "production",
      PORT: "0",
      DATABASE_URL: url.href,
      KASTEN_ROOT: root,
      KASTEN_DEMO: join(root, "demo"),
      REQUESTS_PER_MINUTE: "100000",
    },
  });
  const base = await new Promise((resolve, reject) => {
    server.on("exit", (code) => reject(new Error(`The application ended with ${code} before it could be reached.`)));
    server.stdout.on("data", (text) => {
      const at = /http:\/\/127\.0\.0\.1:\d+/.exec(String(text));
      if (at) resolve(at[0]);
    });
  });
  const stop = async () => {
    if (server.exitCode !== null || server.signalCode !== null) return;
    server.kill("SIGTERM");
    await once(server, "exit");
  };
  return { base, stop };
}

/** Makes the demo room once; others are copies of it. */
export async function makeTemplate(name) {
  await asAdmin(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`, `CREATE DATABASE ${name}`);
  await (await start(name)).stop();
}

/** A room of its own, as a copy of the template: its address, its database, and how it ends. */
export async function openRoom(name, template) {
  await asAdmin(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`, `CREATE DATABASE ${name} TEMPLATE ${template}`);
  const { base, stop } = await start(name);
  return { base, database: name, stop };
}
