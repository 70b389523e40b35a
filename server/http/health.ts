import { monitorEventLoopDelay } from "node:perf_hooks";
import type { RequestHandler } from "express";
import type { DataSource } from "typeorm";
import { isDatabaseAway } from "./problems";
import { newestMigration } from "./queries";

const NANO = 1e6;
const LOOK_EVERY_MS = 10;
const START_MS = 3000;
const FORGET_AFTER_MS = 60_000;

/** The longest that the server itself kept anybody waiting in the last minute or two, in milliseconds. */
function watchLoop(): () => number {
  const delay = monitorEventLoopDelay({ resolution: LOOK_EVERY_MS });
  delay.enable();
  // What the start itself takes keeps nobody waiting.
  setTimeout(() => delay.reset(), START_MS).unref();
  let before = 0;
  setInterval(() => {
    before = delay.max;
    delay.reset();
  }, FORGET_AFTER_MS).unref();
  return () => Math.max(0, Math.max(before, delay.max) / NANO - LOOK_EVERY_MS);
}

/** Whether the server and its database are well, each measured by itself: a busy server is no absent database. */
export function healthOf({ manager }: DataSource, version: string): RequestHandler {
  const longestDelay = watchLoop();
  return async (_request, response) => {
    const began = performance.now();
    try {
      const migration = await newestMigration(manager);
      const answered = { database: "up", databaseMs: Math.round(performance.now() - began), migration };
      response.json({ ok: true, version, eventLoopDelayMs: Math.round(longestDelay()), ...answered });
    } catch (error) {
      if (!isDatabaseAway(error)) throw error;
      const away = { database: "away", databaseMs: null, migration: "" };
      response.status(503).json({ ok: false, version, eventLoopDelayMs: Math.round(longestDelay()), ...away });
    }
  };
}
