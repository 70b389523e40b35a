import { z } from "zod";
import { endpoint, none, short } from "../http";
import { fileFields } from "./fields";

export * from "./fields";

export const fileKinds = ["customers", "materials", "hooks", "lots", "prices", "counts", "orders"] as const;
export type FileKind = (typeof fileKinds)[number];

/** What becomes of a line: added, put in place of what is there, there already, or not right. */
export const fates = ["new", "changes", "same", "wrong"] as const;
export type Fate = (typeof fates)[number];

/** More than any room has; what is larger is told so before it is read. */
export const MOST_FILE_LINES = 20_000;
/** No field is two columns. */
const MOST_COLUMNS = 40;
export const MOST_FILE_BYTES = 12_000_000;

const anyField = z.enum([...new Set(Object.values(fileFields).flatMap((f) => f.map((x) => x.id)))] as [
  string,
  ...string[],
]);
const count = z.number().int().min(0).max(MOST_FILE_LINES);
const counts = z.object({ new: count, changes: count, same: count, wrong: count });

const file = z.object({
  kind: z.enum(fileKinds),
  /** The file as it is. */
  text: z.string().max(MOST_FILE_BYTES, "A file of at most 12 MB"),
  /** Which field each column is; a column that is not named is left out. By itself the heads decide. */
  mapping: z
    .record(
      z
        .string()
        .max(3)
        .regex(/^\d{1,3}$/),
      anyField,
    )
    .refine((m) => Object.keys(m).length <= MOST_COLUMNS, `No more than ${MOST_COLUMNS} columns`)
    .meta({ maxProperties: MOST_COLUMNS })
    .optional(),
  /** What parts a whole number from its decimals; by itself the figures decide. */
  decimal: z.enum(["point", "comma"]).optional(),
});
export const filePreviewSchema = z.object({
  delimiter: z.string(),
  decimal: z.enum(["point", "comma"]).nullable(),
  /** A figure that could be read either way, where nobody has said. */
  unclear: z.string().nullable(),
  columns: z.array(z.object({ head: z.string(), samples: z.array(z.string()), field: z.string().nullable() })),
  /** Fields without which no line can be taken in, and that no column is. */
  missing: z.array(z.string()),
  counts,
  /** The first lines, those that are wrong before the others. */
  lines: z.array(
    z.object({ line: z.number().int(), fate: z.enum(fates), says: z.string(), shown: z.array(z.string()) }),
  ),
});
export type FilePreview = z.infer<typeof filePreviewSchema>;

const base = { room: "files", params: none, query: none, permission: "set up the room" } as const;
export const previewFile = endpoint({
  ...base,
  id: "previewFile",
  method: "post",
  path: "/files/preview",
  summary: "What would become of each line of a file; nothing is stored",
  body: file,
  reply: filePreviewSchema,
});
export const takeInFile = endpoint({
  ...base,
  id: "takeInFile",
  method: "post",
  path: "/files",
  summary: "Take in a file as it was previewed: all of it, or nothing",
  body: file.extend({
    name: short,
    /** Lines that are wrong are left out; by themselves they keep the whole file out. */
    leaveWrong: z.boolean().default(false),
    /** What the preview said: where the room has changed since, nothing is taken in. */
    expects: counts,
  }),
  reply: z.object({ taken: count, left: count }),
});
export const fileEndpoints = [previewFile, takeInFile];
