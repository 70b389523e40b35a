import { z } from "zod";

type Raw = Parameters<NonNullable<Parameters<typeof z.config>[0]>["customError"] & object>[0];

const letters = (n: unknown): string => `${String(n)} ${Number(n) === 1 ? "character" : "characters"}`;
const some = (n: unknown): string => `${String(n)} ${Number(n) === 1 ? "entry" : "entries"}`;

/** What would be right, where a field of the contract does not say it itself; as a person reads it beside the field. */
function sentenceOf(issue: Raw): string | undefined {
  if (issue.code === "invalid_type") {
    if (issue.input === undefined || issue.input === null || issue.input === "") return "Write something here";
    return issue.expected === "number" || issue.expected === "int" ? "Write a number here" : undefined;
  }
  if (issue.code === "too_small") {
    if (issue.origin === "string")
      return Number(issue.minimum) === 1 ? "Write something here" : `Write at least ${letters(issue.minimum)}`;
    if (issue.origin === "array") return `At least ${some(issue.minimum)}`;
    return `Give ${issue.inclusive ? "at least" : "more than"} ${String(issue.minimum)}`;
  }
  if (issue.code === "too_big") {
    if (issue.origin === "string") return `Write at most ${letters(issue.maximum)}`;
    if (issue.origin === "array") return `At most ${some(issue.maximum)}`;
    return `Give ${issue.inclusive ? "at most" : "less than"} ${String(issue.maximum)}`;
  }
  if (issue.code === "invalid_value") return `Choose one of: ${issue.values.map(String).join(", ")}`;
  return undefined;
}

z.config({ customError: sentenceOf });

/** A wrong field: its path, as the contract names it, and what would be right. */
export interface Wrong {
  path: string;
  detail: string;
}

/** What is not as the contract has it, field by field; nothing where all is right. */
export function wrongIn(schema: z.ZodType, value: unknown): Wrong[] {
  const read = schema.safeParse(value);
  return read.success ? [] : read.error.issues.map((i) => ({ path: i.path.join("."), detail: i.message }));
}
