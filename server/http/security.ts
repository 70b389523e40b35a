import { randomBytes } from "node:crypto";
import type { ServerResponse } from "node:http";
import type { NextFunction, Request, RequestHandler, Response } from "express";
import helmet from "helmet";
import { Problem } from "./problems";

/** A word that is new for each page: only styles that know it are taken, beside those of this server. */
export const nonced: RequestHandler = (_request, response, next) => {
  response.locals.nonce = randomBytes(18).toString("base64url");
  next();
};
export const nonceOf = (response: ServerResponse): string => String((response as Response).locals.nonce);

/** Everything comes from this server; nothing inline but what an editor adds to its own page, nothing framed. */
export const headers = helmet({
  contentSecurityPolicy: {
    useDefaults: false,
    directives: {
      defaultSrc: ["'self'"],
      scriptSrc: ["'self'"],
      styleSrc: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`],
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

/** Names under which a server on this machine is always known. */
const here = ["localhost", "127.0.0.1", "[::1]"];

/**
 * A server answers under the names that it was told and no other: a page elsewhere, whose name is made to point here,
 * would otherwise be taken for one of ours.
 */
export function knownHost(told: readonly string[]): RequestHandler {
  const known = new Set([...here, ...told].map((name) => name.trim().toLowerCase()).filter(Boolean));
  return (request, _response, next) => {
    const name = (request.get("Host") ?? "").toLowerCase().replace(/:\d*$/, "");
    if (!known.has(name))
      throw new Problem(
        "other-host",
        "Not this server",
        "This server was not told that it is known under this name. Whoever runs it lists its names in HOSTS.",
      );
    next();
  };
}

/** Nothing of the room is left in a browser's store or a proxy's. */
export const notStored: RequestHandler = (_request, response, next) => {
  response.set("Cache-Control", "no-store");
  next();
};

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
      "other-origin",
      "Not allowed",
      "This change was sent from another site. Open Kasten itself and do it there.",
    );
  next();
}
