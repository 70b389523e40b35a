import { z } from "zod";
import { PATTERN_FORMAT, patternBookSchema } from "./index";

/** The published JSON Schema of a file of patterns; docs/schema holds it, one file for each version of the format. */
export function patternBookJsonSchema(): Record<string, unknown> {
  const { $schema, ...schema } = z.toJSONSchema(patternBookSchema, {
    target: "draft-2020-12",
    io: "input",
    reused: "ref",
  }) as Record<string, unknown>;
  return {
    $schema,
    $id: `kasten-patterns-${PATTERN_FORMAT}.schema.json`,
    title: `Kasten patterns, version ${PATTERN_FORMAT}`,
    description:
      "Lengths in millimetres, masses in milligrams, money in the smallest coin. Hook sizes as text: 14, 2/0.",
    ...schema,
  };
}

export const patternSchemaFile = `docs/schema/kasten-patterns-${PATTERN_FORMAT}.schema.json`;
