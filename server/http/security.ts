import type { NextFunction, Request, Response } from "express";
import helmet from "helmet";
import type { DataSource } from "typeorm";
import { row } from "../database/source";
import { Problem } from "./problems";

/** Everything comes from this server; nothing inline, nothing framed. */
export const headers = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'"],
      imgSrc: ["'self'", "data:", "blob:"],
      fontSrc: ["'self'"],
      connectSrc: ["'self'"],
      workerSrc: ["'self'"],
      objectSrc: ["'none'"],
      baseUri: ["'self'"],
      formAction: ["'self'"],
      frameAncestors: ["'none'"],
    },
  },
  strictTransportSecurity: false,
  referrerPolicy: { policy: "same-origin" },
});

const changes = new Set(["POST", "PUT", "PATCH", "DELETE"]);

/** A change must come from a page of this server: browsers always say where a request comes from. */
export function sameOrigin(request: Request, _response: Response, next: NextFunction): void {
  if (!changes.has(request.method)) return next();
  const origin = request.get("Origin");
  const site = request.get("Sec-Fetch-Site");
  const host = request.get("Host");
  const foreign =
    origin !== undefined
      ? !URL.canParse(origin) || new URL(origin).host !== host
      : site !== undefined && site !== "same-origin" && site !== "none";
  if (foreign)
    throw new Problem(
      403,
      "other-origin",
      "Not allowed",
      "This change was sent from another site. Open Kasten itself and do it there.",
    );
  next();
}

const WINDOW_MINUTES = 15;
const FREE_TRIES = 5;

/** After some wrong passwords, for a name or from an address, sign-in rests a while. Kept in the database, for all servers alike. */
export const slowSignIn =
  (source: DataSource) =>
  async (request: Request, response: Response, next: NextFunction): Promise<void> => {
    const login = String((request.body as { login?: unknown } | undefined)?.login ?? "")
      .trim()
      .toLowerCase()
      .slice(0, 80);
    const address = request.ip ?? "";
    const failed = await row<{ n: number; seconds: number }>(
      source.manager,
      `SELECT count(*)::int AS n, COALESCE(ceil(extract(epoch FROM max(at) + ($3 || ' minutes')::interval - now())), 0)::int AS seconds FROM sign_in_failure
     WHERE at > now() - ($3 || ' minutes')::interval AND (login = $1 OR address = $2)`,
      [login, address, WINDOW_MINUTES],
    );
    if (failed && failed.n >= FREE_TRIES) {
      response.set("Retry-After", String(failed.seconds));
      throw new Problem(
        429,
        "too-many-tries",
        "Too many tries",
        `Too many wrong passwords. Wait ${Math.max(1, Math.ceil(failed.seconds / 60))} minutes, or ask the owner.`,
      );
    }
    response.on("finish", () => {
      const record =
        response.statusCode === 401
          ? source.query("INSERT INTO sign_in_failure (login, address) VALUES ($1, $2)", [login, address])
          : response.statusCode === 200
            ? source.query("DELETE FROM sign_in_failure WHERE login = $1", [login])
            : undefined;
      record?.catch((error: unknown) => request.log.warn({ error }, "a failed sign-in could not be kept"));
    });
    next();
  };
