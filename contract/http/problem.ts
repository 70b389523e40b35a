import { z } from "zod";
import type { ErrorCode } from "@kasten/core/errors";

type Kebab<S extends string> = S extends `${infer A}_${infer B}` ? `${Lowercase<A>}-${Kebab<B>}` : Lowercase<S>;
/** What core refuses, under its own code. */
export type DomainProblem = Kebab<ErrorCode>;

/** Core's codes as types of problems; a new code does not compile until it is here. */
const domainProblems = {
  "hook-size-unreadable": 422,
  "hook-size-not-made": 422,
  "hook-size-too-far": 422,
  "zone-over-eye": 422,
  "zone-beyond-profile": 422,
  "zone-empty": 422,
  "zone-under-bead": 422,
  "spot-under-bead": 422,
  "spot-off-profile": 422,
  "too-many-turns": 422,
  "wind-rule-invalid": 422,
  "stretch-invalid": 422,
  "piece-too-short": 422,
  "feather-too-short": 422,
  "patch-too-small": 422,
  "fibres-too-few": 422,
  "feather-without-fibres": 422,
  "slip-too-wide": 422,
  "figure-out-of-bounds": 422,
  "too-many-steps": 422,
  "step-needs": 422,
  "length-rule-unresolved": 422,
  "length-leaves-nothing": 422,
  "pattern-incomplete": 422,
  "pattern-size-outside": 422,
  "pattern-variant-unknown": 422,
  "material-unknown": 422,
  "probability-invalid": 422,
  "too-little-known": 422,
  "quantity-invalid": 422,
  "named-twice": 422,
  "solver-failed": 422,
  "schedule-invalid": 422,
  "rehearsal-invalid": 422,
  "minutes-invalid": 422,
  "method-unknown": 422,
  "blend-cycle": 422,
  "blend-empty": 422,
  "blend-too-deep": 422,
  "not-optional": 422,
  "place-not-there": 422,
  "landmark-not-there": 422,
  "leftover-impossible": 422,
  "fibre-too-short": 422,
  "use-absurd": 422,
  "kept-otherwise": 422,
} as const satisfies Record<DomainProblem, number>;

/** Every kind of problem that an answer can name, with its status. Names are permanent. */
export const problemStatus = {
  ...domainProblems,
  /** Fields that are not as the contract has them; each is named by its path. */
  invalid: 400,
  "not-json": 400,
  /** An address, a header or a text that no program of ours would send. */
  "bad-request": 400,
  "key-missing": 400,
  "not-signed-in": 401,
  "wrong-password": 401,
  "not-allowed": 403,
  "other-origin": 403,
  /** The last owner cannot be undone: nobody could manage people any more. */
  "last-owner": 409,
  "not-a-demo": 403,
  "not-new": 403,
  "wrong-code": 403,
  "not-found": 404,
  /** Not possible in the state in which it is now. */
  conflict: 409,
  /** Somebody changed it since it was opened; `changes` tells what. */
  "changed-meanwhile": 409,
  taken: 409,
  "not-enough-stock": 409,
  ledger: 409,
  "already-undone": 409,
  "too-large": 413,
  "unsupported-media": 415,
  /** Sent to this server under a name that it was not told. */
  "other-host": 421,
  /** A rule of the room refuses it; `detail` says which and what would be right. */
  refused: 422,
  "key-reused": 422,
  "destination-forbids": 422,
  "import-refused": 422,
  "too-many-requests": 429,
  "too-many-tries": 429,
  unexpected: 500,
  /** Never sent: what a page tells itself when no answer comes. */
  away: 503,
  "database-away": 503,
  /** Others work on the very same rows; it is tried again by itself. */
  busy: 503,
} as const satisfies Record<string, number>;
export type ProblemType = keyof typeof problemStatus;
const problemTypes = Object.keys(problemStatus) as [ProblemType, ...ProblemType[]];

/** The type under which a refusal of core goes over the wire. */
export const domainProblem = (code: ErrorCode): DomainProblem =>
  code.toLowerCase().replaceAll("_", "-") as DomainProblem;

/** RFC 9457 problem details: a stable type, a sentence to act on, and the path of each wrong field. */
export const problemSchema = z.object({
  type: z.enum(problemTypes).describe("Stable name of the kind of problem"),
  title: z.string(),
  status: z.number().int(),
  detail: z.string().describe("A sentence that says what to do"),
  errors: z.array(z.object({ path: z.string(), detail: z.string() })).optional(),
  /** What the other person changed, when a stale version was sent. */
  changes: z.array(z.object({ field: z.string(), yours: z.string(), theirs: z.string() })).optional(),
  version: z.number().int().optional(),
});
export type ProblemDetails = z.infer<typeof problemSchema>;
