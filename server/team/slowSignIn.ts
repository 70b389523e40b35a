import type { NextFunction, Request, Response } from "express";
import type { DataSource } from "typeorm";
import { insert } from "../database/rows";
import { Problem } from "../http/problems";
import { signInFailureEntity } from "./entities";
import { failuresOf } from "./queries";

const WINDOW_MINUTES = 15;
const FREE_TRIES = 5;

/**
 * After some wrong passwords, for a name or from an address, sign-in rests a while. Kept in the database, for all
 * servers alike.
 */
export const slowSignIn =
  (source: DataSource) =>
  async (request: Request, response: Response, next: NextFunction): Promise<void> => {
    const login = String((request.body as { login?: unknown } | undefined)?.login ?? "")
      .trim()
      .toLowerCase()
      .slice(0, 80);
    const address = request.ip ?? "";
    const failed = await failuresOf(source.manager, { login, address, minutes: WINDOW_MINUTES });
    if (failed.n >= FREE_TRIES) {
      response.set("Retry-After", String(failed.seconds));
      const wait = Math.max(1, Math.ceil(failed.seconds / 60));
      throw new Problem(
        "too-many-tries",
        "Too many tries",
        `Too many wrong passwords. Wait ${wait} minutes, or ask the owner.`,
      );
    }
    response.on("finish", () => {
      keep(source, response.statusCode, login, address).catch((error: unknown) =>
        request.log.warn({ error }, "a failed sign-in could not be kept"),
      );
    });
    next();
  };

async function keep(source: DataSource, status: number, login: string, address: string): Promise<void> {
  if (status === 401) await insert(source.manager, signInFailureEntity, { login, address });
  if (status === 200) await source.manager.getRepository(signInFailureEntity).delete({ login });
}
