import { DomainError, sentenceOf, type ErrorCode } from "@kasten/core/errors";
import type { ProblemDetails } from "@kasten/contract/http";
import { ZodError } from "zod";

/** A refusal with words for a person; anything else that is thrown is unexpected and stays inside. */
export class Problem extends Error {
  override readonly name = "Problem";
  constructor(
    readonly status: number,
    readonly type: string,
    readonly title: string,
    detail: string,
    readonly extra: Partial<ProblemDetails> = {},
  ) {
    super(detail);
  }

  details(): ProblemDetails {
    return { type: this.type, title: this.title, status: this.status, detail: this.message, ...this.extra };
  }
}

export const notFound = (what: string) =>
  new Problem(
    404,
    "not-found",
    "Not found",
    `There is no such ${what}. It may have been merged or removed; go back to the list.`,
  );
export const refused = (detail: string) => new Problem(422, "refused", "Cannot be done", detail);
export const conflict = (detail: string) => new Problem(409, "conflict", "Not possible now", detail);

/** Status of each error of the core; a new code does not compile until it is here. */
const statusOf = {
  HOOK_SIZE_UNREADABLE: 422,
  HOOK_SIZE_TOO_FAR: 422,
  ZONE_OVER_EYE: 422,
  ZONE_BEYOND_PROFILE: 422,
  ZONE_EMPTY: 422,
  ZONE_UNDER_BEAD: 422,
  SPOT_UNDER_BEAD: 422,
  SPOT_OFF_PROFILE: 422,
  TOO_MANY_TURNS: 422,
  WIND_RULE_INVALID: 422,
  STRETCH_INVALID: 422,
  PIECE_TOO_SHORT: 422,
  FEATHER_TOO_SHORT: 422,
  FIBRES_TOO_FEW: 422,
  TOO_MANY_STEPS: 422,
  STEP_NEEDS: 422,
  LENGTH_RULE_UNRESOLVED: 422,
  PATTERN_INCOMPLETE: 422,
  PATTERN_SIZE_OUTSIDE: 422,
  PATTERN_VARIANT_UNKNOWN: 422,
  MATERIAL_UNKNOWN: 422,
  PROBABILITY_INVALID: 422,
  TOO_LITTLE_KNOWN: 422,
  QUANTITY_INVALID: 422,
  SCHEDULE_INVALID: 422,
  PATCH_TOO_SMALL: 422,
  METHOD_UNKNOWN: 422,
  BLEND_CYCLE: 422,
  NOT_OPTIONAL: 422,
  LANDMARK_NOT_THERE: 422,
  LEFTOVER_IMPOSSIBLE: 422,
  BLEND_EMPTY: 422,
} as const satisfies Record<ErrorCode, number>;

/** Rules that the database keeps, by the name of the constraint. */
const constraintProblems: Record<string, [string, string]> = {
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
  lot_code_key: ["taken", "A lot of that name is there already. Give it another."],
};

interface DatabaseError {
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
  "ENOENT",
]);

/** Whether an error means that the database cannot be reached just now. */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const e = error as Error & DatabaseError;
  const code = e.driverError?.code ?? e.code ?? "";
  return (
    awayCodes.has(code) ||
    /not currently accepting connections|timeout exceeded when trying to connect|Connection terminated|Client has encountered a connection error|Driver not Connected/i.test(
      error.message,
    )
  );
}

/** What goes over the wire for an error; undefined for the unexpected, of which nothing is told. */
export function problemOf(error: unknown): ProblemDetails | undefined {
  if (error instanceof Problem) return error.details();
  if (error instanceof DomainError) {
    const at = error.step ? `At “${error.step.name}”: ` : "";
    return {
      type: error.code.toLowerCase().replaceAll("_", "-"),
      title: "Cannot be done",
      status: statusOf[error.code as ErrorCode],
      detail: at + sentenceOf(error),
    };
  }
  if (error instanceof ZodError)
    return {
      type: "invalid",
      title: "Something is not right in what was sent",
      status: 400,
      detail: error.issues.map((i) => i.message).join(". "),
      errors: error.issues.map((i) => ({ path: i.path.join("."), detail: i.message })),
    };
  if (isDatabaseAway(error))
    return {
      type: "database-away",
      title: "The database is away",
      status: 503,
      detail: "The database cannot be reached just now. Nothing is lost: it is tried again.",
    };
  const constraint = (error as { driverError?: { constraint?: string } }).driverError?.constraint;
  const known = constraint ? constraintProblems[constraint] : undefined;
  if (known) return { type: known[0], title: "Not possible now", status: 409, detail: known[1] };
  return undefined;
}
