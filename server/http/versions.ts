import { Problem } from "./problems";

const text = (value: unknown): string => (typeof value === "object" ? JSON.stringify(value) : String(value ?? ""));

/** A stale write: refused, with what the other person's version says where yours says something else. */
export function stale(version: number, theirs: object, yours: object, fields: string[]): Problem {
  const a = theirs as Record<string, unknown>;
  const b = yours as Record<string, unknown>;
  const changes = fields
    .filter((f) => text(a[f]) !== text(b[f]))
    .map((field) => ({ field, yours: text(b[field]), theirs: text(a[field]) }));
  return new Problem(
    409,
    "changed-meanwhile",
    "Changed meanwhile",
    "Somebody has changed this since you opened it. Look at what changed, then save again.",
    { changes, version },
  );
}
