import { z } from "zod";
import { endpoints } from "../all";
import { problemSchema, type AnyEndpoint } from "../http";

type Json = Record<string, unknown>;

const hasShape = (schema: z.ZodType): schema is z.ZodObject =>
  schema instanceof z.ZodObject && Object.keys(schema.shape).length > 0;

/** JSON Schema of one contract schema. Named parts (recursive ones) are moved to the document's components. */
function schemaOf(schema: z.ZodType, io: "input" | "output", components: Json): Json {
  const {
    $schema: _draft,
    $defs,
    ...rest
  } = JSON.parse(
    JSON.stringify(z.toJSONSchema(schema, { target: "draft-2020-12", io, unrepresentable: "any" })).replaceAll(
      "#/$defs/",
      "#/components/schemas/",
    ),
  ) as Json & { $defs?: Json };
  Object.assign(components, $defs);
  return rest;
}

const content = (type: string, schema: Json) => ({ content: { [type]: { schema } } });

function parametersOf(e: AnyEndpoint, components: Json): Json[] {
  const of = (schema: z.ZodType, where: "path" | "query") => {
    if (!hasShape(schema)) return [];
    const json = schemaOf(schema, "input", components) as { properties?: Record<string, Json>; required?: string[] };
    return Object.entries(json.properties ?? {}).map(([name, property]) => ({
      name,
      in: where,
      required: where === "path" || (json.required ?? []).includes(name),
      schema: property,
    }));
  };
  const key = {
    name: "Idempotency-Key",
    in: "header",
    required: true,
    description: "Sent twice, it happens once",
    schema: { type: "string", maxLength: 80 },
  };
  return [...of(e.params, "path"), ...of(e.query, "query"), ...(e.method === "get" || e.keyless ? [] : [key])];
}

/** The OpenAPI 3.1 description of the whole API, made from the contract. */
export function openApiDocument(version: string): Json {
  const components: Json = { Problem: schemaOf(problemSchema, "output", {}) };
  const refusal = {
    description: "What went wrong, as problem details (RFC 9457)",
    ...content("application/problem+json", { $ref: "#/components/schemas/Problem" }),
  };
  const paths: Record<string, Json> = {};
  for (const e of endpoints) {
    const path = `/api${e.path.replace(/:(\w+)/g, "{$1}")}`;
    const signedIn = e.permission !== "anyone";
    paths[path] = {
      ...paths[path],
      [e.method]: {
        operationId: e.id,
        summary: e.summary,
        tags: [e.room],
        "x-permission": e.permission,
        parameters: parametersOf(e, components),
        ...(hasShape(e.body) && {
          requestBody: { required: true, ...content("application/json", schemaOf(e.body, "input", components)) },
        }),
        responses: {
          200: { description: "Done", ...content("application/json", schemaOf(e.reply, "output", components)) },
          400: refusal,
          ...(signedIn && { 401: refusal, 403: refusal }),
          ...(e.method !== "get" && { 409: refusal, 422: refusal }),
          503: refusal,
        },
      },
    };
  }
  return {
    openapi: "3.1.0",
    info: { title: "Kasten", version, description: "Orders, batches, materials, stock and plan of a tying room." },
    paths,
    components: { schemas: components },
  };
}
