import pg from "pg";
import { serveRoom } from "../tools/lib/serve.mjs";

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

/** Browsers and the server share a machine: less of a plan is looked for, unless it is said otherwise. */
const effort = process.env.PLAN_EFFORT ?? "0.3";

function start(name) {
  const url = new URL(admin);
  url.pathname = `/${name}`;
  return serveRoom(url.href, { PLAN_EFFORT: effort });
}

/** Makes the demo room once; others are copies of it. */
export async function makeTemplate(name) {
  await asAdmin(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`, `CREATE DATABASE ${name}`);
  const { base, stop } = await start(name);
  await lookAtPlan(base);
  await stop();
}

/** Has the needs and the plan of the room made, so that no copy has to begin with that. */
async function lookAtPlan(base) {
  const said = await (await fetch(`${base}/api/session`)).json();
  const signedIn = await fetch(`${base}/api/session/demo`, {
    method: "POST",
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify({ person: said.demo[0].id }),
  });
  const cookie = signedIn.headers.getSetCookie()[0]?.split(";")[0] ?? "";
  const plan = await fetch(`${base}/api/plan`, { headers: { cookie } });
  if (!plan.ok) throw new Error(`No plan could be made of the demo room: ${await plan.text()}`);
}

/** A room of its own, as a copy of the template: its address, its database, and how it ends. */
export async function openRoom(name, template) {
  await asAdmin(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`, `CREATE DATABASE ${name} TEMPLATE ${template}`);
  const { base, stop } = await start(name);
  return { base, database: name, stop };
}

/** A room that begins empty: with the link that makes its first owner. */
export async function openEmptyRoom(name) {
  await asAdmin(`DROP DATABASE IF EXISTS ${name} WITH (FORCE)`, `CREATE DATABASE ${name}`);
  const url = new URL(admin);
  url.pathname = `/${name}`;
  const { base, said, stop } = await serveRoom(url.href, { KASTEN_DEMO: "" });
  const link = async () => {
    for (;;) {
      const found = /http:\S+#begin=\S+/.exec(said());
      if (found) return found[0];
      await new Promise((resolve) => setTimeout(resolve, 50));
    }
  };
  return { base, database: name, link: await link(), stop };
}
