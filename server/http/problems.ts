import { DomainError } from "@kasten/core/errors";
import { sentenceOf } from "@kasten/core/sentences";
import { domainProblem, problemStatus, type ProblemDetails, type ProblemType } from "@kasten/contract/http";
import { ZodError } from "zod";
import { sqlState } from "./sqlState";

/** A refusal with words for a person; anything else that is thrown is unexpected and stays inside. */
export class Problem extends Error {
  override readonly name = "Problem";
  constructor(
    readonly type: ProblemType,
    readonly title: string,
    detail: string,
    readonly extra: Partial<Pick<ProblemDetails, "errors" | "changes" | "version">> & { status?: number } = {},
  ) {
    super(detail);
  }

  details(): ProblemDetails {
    const { type, title, message: detail, extra } = this;
    return { type, title, status: problemStatus[type], detail, ...extra };
  }
}

export const notFound = (what: string) =>
  new Problem(
    "not-found",
    "Not found",
    `There is no such ${what}. It may have been merged or removed; go back to the list.`,
  );
export const taken = (what: string, detail: string) => new Problem("taken", `The ${what} is there already`, detail);
export const refused = (detail: string) => new Problem("refused", "Cannot be done", detail);
export const busy = (): Problem =>
  new Problem(
    "busy",
    "Others are at the same work",
    "Others change the very same things just now. Nothing is lost: try it again in a moment.",
  );
/** What is computed beside the server waits for its turn too long, or takes too long. */
export const overloaded = (): Problem =>
  new Problem(
    "busy",
    "More is asked than can be computed just now",
    "The server has more to compute than it manages just now. Nothing is lost: try it again in a moment.",
  );
export const conflict = (detail: string) => new Problem("conflict", "Not possible now", detail);
/** A field that the contract lets pass and the room cannot: named by its path. */
export const fieldProblem = (title: string, path: string, detail: string) =>
  new Problem("invalid", title, detail, { status: 422, errors: [{ path, detail }] });

/** Rules that the database keeps, by the name of the constraint. */
const constraintProblems: Record<string, [ProblemType, string]> = {
  balance_not_negative: [
    "not-enough-stock",
    "There is not enough of it left in that place. Somebody may have taken some just now: look again, or receive a delivery.",
  ],
  balance_reserved_is_there: [
    "not-enough-stock",
    "What is left there is reserved or gone. Look again: somebody may have reserved it just now.",
  ],
  movement_is_for_good: ["ledger", "A movement is never changed. Write a correction instead."],
  tally_undoes_key: ["already-undone", "That tally has been taken back already."],
  person_login_key: ["taken", "Somebody signs in under that name already. Choose another."],
  customer_name_key: ["taken", "A customer of that name is there already."],
  stock_take_open: ["conflict", "A stock-take is open already. Go on with that one, or close it."],
  lot_code_key: ["taken", "A lot of that name is there already. Give it another."],
};

interface DatabaseError {
  syscall?: string;
  driverError?: { code?: string; constraint?: string };
  code?: string;
  message: string;
}

const awayCodes = new Set([
  "ECONNREFUSED",
  "ECONNRESET",
  "EPIPE",
  "57P01",
  "57P02",
  "57P03",
  "08006",
  "08001",
  "08003",
]);

/** Whether an error means that the database cannot be reached just now. */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const e: Error & DatabaseError = error;
  const code = e.driverError?.code ?? e.code ?? "";
  // A socket in the file system is not there while the server is away.
  if (code === "ENOENT") return e.syscall === "connect";
  return (
    awayCodes.has(code) ||
    /not currently accepting connections|Connection terminated|Client has encountered a connection error|Driver not Connected/i.test(
      error.message,
    )
  );
}

/** Whether no connection became free in time: the database is there, and all who may ask it are at work. */
const isCrowdedOut = (error: unknown): boolean =>
  error instanceof Error && error.message === "timeout exceeded when trying to connect";

/** What goes over the wire for an error; undefined for the unexpected, of which nothing is told. */
export function problemOf(error: unknown): ProblemDetails | undefined {
  const known = problemIn(error);
  return known?.details();
}

function problemIn(error: unknown): Problem | undefined {
  if (error instanceof Problem) return error;
  if (error instanceof DomainError) {
    const at = error.step ? `At “${error.step.name}”: ` : "";
    return new Problem(domainProblem(error.code), "Cannot be done", at + sentenceOf(error));
  }
  if (error instanceof ZodError)
    return new Problem(
      "invalid",
      "Something is not right in what was sent",
      error.issues.map((i) => i.message).join(". "),
      { errors: error.issues.map((i) => ({ path: i.path.join("."), detail: i.message })) },
    );
  if (isDatabaseAway(error))
    return new Problem(
      "database-away",
      "The database is away",
      "The database cannot be reached just now. Nothing is lost: it is tried again.",
    );
  if (isCrowdedOut(error)) return overloaded();
  return ruleOfDatabase(error);
}

/** What the database refused: by its own name where it has one, else by the kind of rule. */
function ruleOfDatabase(error: unknown): Problem | undefined {
  const constraint = (error as { driverError?: { constraint?: string } } | undefined)?.driverError?.constraint;
  const kept = constraint === undefined ? undefined : constraintProblems[constraint];
  if (kept) return new Problem(kept[0], "Not possible now", kept[1]);
  const state = sqlState(error);
  if (state === undefined || !/^[0-9A-Z]{5}$/.test(state)) return undefined;
  const kind = kindsOfRule.find(([states]) => states.test(state));
  return kind && (kind[1] === "busy" ? busy() : new Problem(kind[1], "Not possible now", kind[2]));
}

/** The net under the contract: whatever it let pass and the database does not take. */
const kindsOfRule: [RegExp, ProblemType, string][] = [
  [/^23505$/, "taken", "That is there already: somebody added it just now. Look again."],
  [/^23503$/, "conflict", "It belongs to something that is not there, or that others still need. Look again."],
  [/^(22|23)/, "invalid", "A value in what was sent cannot be kept. Look at its figures and texts again."],
  [/^(40P01|40001|55P03|57014|53300)$/, "busy", ""],
];
