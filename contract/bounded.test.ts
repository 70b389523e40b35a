import { expect, test } from "vitest";
import { z } from "zod";
import { endpoints } from "./all";

type Json = Record<string, unknown>;
/** Where Zod itself says nothing: a whole number is within these without anybody having thought of it. */
const SAFE = Number.MAX_SAFE_INTEGER;

const isObject = (value: unknown): value is Json => typeof value === "object" && value !== null;

const hasBounds = ({ minimum, exclusiveMinimum, maximum, exclusiveMaximum }: Json): boolean => {
  const [least, most] = [minimum ?? exclusiveMinimum, maximum ?? exclusiveMaximum];
  return typeof least === "number" && typeof most === "number" && least > -SAFE && most < SAFE;
};
const isClosedText = (s: Json): boolean => "enum" in s || "const" in s || "format" in s || "maxLength" in s;

/** What a schema leaves open: a number without both bounds, a text, a list or a table of any length. */
function openEnds(schema: unknown, path: string): string[] {
  if (Array.isArray(schema)) return schema.flatMap((s) => openEnds(s, path));
  if (!isObject(schema)) return [];
  const open: string[] = [];
  if ((schema.type === "number" || schema.type === "integer") && !("enum" in schema) && !("const" in schema))
    if (!hasBounds(schema)) open.push(`${path}: number`);
  if (schema.type === "string" && !isClosedText(schema)) open.push(`${path}: text`);
  if (schema.type === "array" && !("maxItems" in schema) && !("prefixItems" in schema)) open.push(`${path}: list`);
  const namesAreKnown = isObject(schema.propertyNames) && "enum" in schema.propertyNames;
  if (isObject(schema.additionalProperties) && !("maxProperties" in schema) && !namesAreKnown)
    open.push(`${path}: table`);
  for (const [name, below] of Object.entries(schema))
    if (name === "properties" || name === "$defs")
      for (const [key, s] of Object.entries(isObject(below) ? below : {})) open.push(...openEnds(s, `${path}.${key}`));
    else if (
      ["items", "prefixItems", "anyOf", "oneOf", "allOf", "additionalProperties", "propertyNames"].includes(name)
    )
      open.push(...openEnds(below, path));
  return open;
}

test("finds what is left open", () => {
  const loose = z.object({ n: z.number().min(0), i: z.number().int(), s: z.string(), l: z.array(z.boolean()) });
  expect(openEnds(z.toJSONSchema(loose, { io: "input" }), "x")).toEqual([
    "x.n: number",
    "x.i: number",
    "x.s: text",
    "x.l: list",
  ]);
});

test.each(endpoints.map((e) => [e.id, e] as const))("%s bounds every number, text, list and table", (_id, e) => {
  const parts = { params: e.params, query: e.query, body: e.body };
  const open = Object.entries(parts).flatMap(([part, schema]) =>
    openEnds(z.toJSONSchema(schema, { io: "input", unrepresentable: "any" }), part),
  );
  expect(open).toEqual([]);
});
