import Papa from "papaparse";
import { z } from "zod";
import { Problem } from "../http/problems";

/** A number in a cell, and a yes or no as 1 or 0. */
export const number = z.coerce.number();
export const flag = z
  .enum(["0", "1"])
  .transform((f) => f === "1")
  .default(false);

/** Rows of a CSV file, each checked; a wrong one is named by file, line and column, and nothing is taken. */
export function readCsv<S extends z.ZodType>(name: string, text: string, schema: S): z.infer<S>[] {
  const { data, errors } = Papa.parse<Record<string, string>>(text, {
    header: true,
    skipEmptyLines: true,
    transformHeader: (h) => h.trim(),
  });
  const wrong = errors.map((e) => ({ path: `${name}:${(e.row ?? 0) + 2}`, detail: e.message }));
  const read: z.infer<S>[] = [];
  data.forEach((raw, i) => {
    const filled = Object.fromEntries(Object.entries(raw).filter(([, v]) => v !== ""));
    const parsed = schema.safeParse(filled);
    if (parsed.success) read.push(parsed.data);
    else
      for (const issue of parsed.error.issues)
        wrong.push({ path: `${name}:${i + 2}:${issue.path.join(".")}`, detail: issue.message });
  });
  if (wrong.length > 0)
    throw new Problem(
      "import-refused",
      "Nothing was imported",
      `${wrong.length} things in ${name} are not right; the first: ${wrong[0]?.path ?? ""} ${wrong[0]?.detail ?? ""}.`,
      { errors: wrong.slice(0, 50) },
    );
  return read;
}
