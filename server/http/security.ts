import type { NextFunction, Request, Response } from "express";
import helmet from "helmet";
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
      "other-origin",
      "Not allowed",
      "This change was sent from another site. Open Kasten itself and do it there.",
    );
  next();
}
