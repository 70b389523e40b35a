import type { NextFunction, Request, Response } from "express";
import type { Logger } from "pino";
import { bodyProblem } from "./bodies";
import { Problem, problemOf } from "./problems";

const unexpected = new Problem(
  "unexpected",
  "Something went wrong",
  "Something went wrong on the server. What you typed is kept; try again, and tell the owner if it stays.",
);

/** Answers whatever was thrown as problem details; of the unexpected nothing is told, and all is logged. */
export const refuse =
  (log: Logger) =>
  (error: unknown, request: Request, response: Response, _next: NextFunction): void => {
    const known = bodyProblem(error)?.details() ?? problemOf(error);
    if (!known) {
      const what = error instanceof Error ? { message: error.message, stack: error.stack } : error;
      (request.log ?? log).error({ error: what }, "unexpected");
    }
    const details = known ?? unexpected.details();
    if (response.headersSent) return void response.end();
    response.status(details.status).type("application/problem+json").send(JSON.stringify(details));
  };
