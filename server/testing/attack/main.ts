import { readFileSync } from "node:fs";
import pg from "pg";
import { cutWhileTallying } from "./faults";
import { enter, fuzz } from "./fuzz";
import { deafStreams, hostileFiles } from "./hostile";
import { invariants, Races } from "./races";
import { roleMatrix } from "./roles";

/**
 * Attacks a demo room that runs at ATTACK_BASE, process ATTACK_PID, on DATABASE_URL, and prints what it found.
 * Arguments: the first seed, requests for each seed, clients at once.
 */
const { ATTACK_BASE: base = "", DATABASE_URL: url = "", ATTACK_PID: pid = "" } = process.env;
const [seed = 1, requests = 6700, clients = 60] = process.argv.slice(2).map(Number);
const db = new pg.Client({ connectionString: url });
await db.connect();
let faults = 0;
const say = (what: string, found: unknown, isFault = false): void => {
  if (isFault) faults++;
  console.log(`${isFault ? "✗" : "✓"} ${what}: ${JSON.stringify(found)}`);
};
const failing = (statuses: Record<string, number>): boolean => Object.keys(statuses).some((s) => Number(s) >= 500);

async function broken(): Promise<string[]> {
  const found: string[] = [];
  for (const [rule, sql] of Object.entries(invariants)) {
    const { rowCount } = await db.query(sql);
    if (rowCount) found.push(`${rule}: ${rowCount}`);
  }
  return found;
}

async function deadlocks(): Promise<number> {
  const { rows } = await db.query(
    "SELECT deadlocks::int AS n FROM pg_stat_database WHERE datname = current_database()",
  );
  return rows[0]?.n ?? 0;
}

async function racing(): Promise<void> {
  for (let run = 0; run < 4; run++) {
    const races = await Races.begin(base, seed + run);
    const before = await deadlocks();
    const statuses = await races.crowd(clients, 6);
    say(
      `${clients} clients at once, run ${run + 1}`,
      { statuses, deadlocksMet: (await deadlocks()) - before },
      failing(statuses),
    );
  }
  const races = await Races.begin(base, seed);
  const against = await races.againstCancel(30);
  say("changes against a cancelled order", against, failing(against));
  const boxed = await races.boxing(16);
  say("boxing the other way round, and sending", boxed, failing(boxed));
  const person = await races.person(8);
  say("eight changes of one person at once", person, person[200] !== 1 || failing(person));
  const wrong = await broken();
  say("rules that do not hold afterwards", wrong, wrong.length > 0);
}

const memoryMb = (): number =>
  Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, "utf8"))?.[1] ?? 0) / 1024;

/** Streams that nobody reads, while the room is told of very much. */
async function deaf(): Promise<void> {
  if (pid === "") return;
  const before = memoryMb();
  const sockets = await deafStreams(base, 20);
  await new Promise((resolve) => setTimeout(resolve, 500));
  for (let i = 0; i < 40; i++)
    await db.query("SELECT tell_change(0, 'batch', repeat('x', 7000) || g, 'tallied') FROM generate_series(1, 500) g");
  await new Promise((resolve) => setTimeout(resolve, 1500));
  const grown = Math.round(memoryMb() - before);
  for (const s of sockets) s.destroy();
  say("memory in MB that 20 deaf streams take", grown, grown > 200);
}

const guesses = await (await Races.begin(base, seed)).guesses(120);
say("120 guesses at once", guesses, guesses[401] !== 5 || failing(guesses));
for (const s of [seed, seed + 1, seed + 2]) {
  const report = await fuzz(base, s, requests);
  say(`fuzz, seed ${s}`, report, report.failures.length > 0);
}
const roles = await roleMatrix(base);
say("roles", roles, roles.wrong.length > 0);
await racing();
for (const h of await hostileFiles(base)) say(h.what, { status: h.status, ms: Math.round(h.ms) }, h.status >= 500);
await deaf();
const client = await enter(base);
const faulty = await cutWhileTallying(client, db);
say("tallies while the database cuts every line", faulty, faulty.lost !== 0 || faulty.acknowledged === 0);
say("health afterwards", await (await client.raw("GET", "/api/health")).json());
await db.end();
console.log(faults === 0 ? "Nothing gave way." : `${faults} gave way.`);
process.exit(faults === 0 ? 0 : 1);
