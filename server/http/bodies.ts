import express from "express";
import { Problem } from "./problems";

const FILES = new Set(["/patterns/file", "/files", "/files/preview"]);
const small = express.json({ limit: "512kb" });
/**
 * A book of patterns is a file, and so is a table: taken in only once it is known who sends it, and read by somebody
 * else.
 */
const file = express.raw({ limit: "16mb", type: () => true });

/** What is sent is small, but for files. */
export const smallBodies: express.RequestHandler = (request, response, next) =>
  FILES.has(request.path) ? next() : small(request, response, next);

/** A file, from somebody who is signed in. */
export const fileBodies: express.RequestHandler = (request, response, next) => {
  if (!FILES.has(request.path)) return next();
  if (!request.session.person)
    throw new Problem("not-signed-in", "Not signed in", "Sign in first; the file is still where it was.");
  file(request, response, next);
};

/** Errors of Express and its readers that a client made: too large, not JSON, an address that cannot be read. */
export function bodyProblem(error: unknown): Problem | undefined {
  const type = typeof error === "object" && error !== null && "type" in error ? error.type : undefined;
  if (type === "entity.too.large")
    return new Problem(
      "too-large",
      "Too large",
      "That is more than one request may carry: 512 kB, or 16 MB for a file. Send it in parts.",
    );
  if (type === "entity.parse.failed") return new Problem("not-json", "Not JSON", "The request is not valid JSON.");
  const status = typeof error === "object" && error !== null && "status" in error ? error.status : undefined;
  if (typeof status !== "number" || status < 400 || status > 499) return undefined;
  if (status === 404) return new Problem("not-found", "Not found", "There is nothing at this address.");
  if (status === 415)
    return new Problem("unsupported-media", "Not readable", "Send JSON in UTF-8, as it is or packed by gzip.");
  return new Problem("bad-request", "Not readable", "The server cannot read this request. Load the page again.", {
    status,
  });
}
