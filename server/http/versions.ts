import { Problem } from "./problems";

const text = (value: unknown): string => (typeof value === "object" ? JSON.stringify(value) : String(value ?? ""));

/** A stale write: refused, with what the other person's version says where yours says something else. */
export function stale(version: number, theirs: object, yours: object, fields: string[]): Problem {
  const [a, b] = [theirs, yours].map((o) => new Map<string, unknown>(Object.entries(o)));
  const changes = fields
    .map((field) => ({ field, yours: text(b?.get(field)), theirs: text(a?.get(field)) }))
    .filter((c) => c.yours !== c.theirs);
  return changedMeanwhile(version, changes);
}

/** Somebody has changed it since it was opened; `changes` tells what theirs says where yours says something else. */
export const changedMeanwhile = (
  version: number,
  changes: { field: string; yours: string; theirs: string }[],
  detail = "Somebody has changed this since you opened it. Look at what changed, then save again.",
): Problem => new Problem("changed-meanwhile", "Changed meanwhile", detail, { changes, version });
