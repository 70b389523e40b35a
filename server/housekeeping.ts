import type { Logger } from "pino";
import type { DataSource } from "typeorm";
import { forgetOldKeys } from "./http/keys";
import { forgetOldTries } from "./team";

const EVERY_MS = 6 * 3_600_000;

/** Forgets what nobody can ask for any more, now and every few hours. @returns how to stop it */
export function keepHouse(source: DataSource, log: Logger, now: () => Date = () => new Date()): () => void {
  const once = () =>
    Promise.all([forgetOldKeys(source.manager, now()), forgetOldTries(source.manager, now())]).catch((error: unknown) =>
      log.warn({ error }, "what nobody asks for any more could not be forgotten"),
    );
  void once();
  const timer = setInterval(() => void once(), EVERY_MS);
  timer.unref();
  return () => clearInterval(timer);
}
