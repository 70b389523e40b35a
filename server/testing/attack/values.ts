import type { Chance } from "./random";

export type Json = null | boolean | number | string | Json[] | { [name: string]: Json };
export type Schema = Record<string, unknown>;

/** What no screen would send. */
const nastyTexts = [
  "",
  " ",
  "\u0000",
  "a\u0000b",
  "\ud800",
  "x\udfff",
  "🪶".repeat(40),
  "ÄÖÜß日本語",
  "٣٤",
  "\u202eabc",
  "'; DROP TABLE batch; --",
  "__proto__",
  "constructor",
  "../../etc/passwd",
  "%00",
  "2027-02-30",
  "0000-01-01",
  "9999-12-31",
  "10000-01-01",
  "-1",
  "NaN",
  "1e999",
  "=1+1",
  "\n=cmd",
  "＝1",
  "00000000-0000-0000-0000-000000000000",
  "null",
  "x".repeat(81),
  "y".repeat(9000),
];
const nastyNumbers = [
  0, -0, -1, 0.1, 1.5, 1e-300, 1e300, -1e300, 2_147_483_647, 2_147_483_648, 9_007_199_254_740_991, 9e18, 1e12, 5e-324,
  1_000_000_000_001,
];

export const nasty = (chance: Chance): Json =>
  chance.pick<Json>([
    chance.pick(nastyTexts),
    chance.pick(nastyNumbers),
    null,
    true,
    [],
    {},
    [[[[]]]],
    { constructor: { prototype: 1 } },
  ]);
export const nastyText = (chance: Chance): string => chance.pick(nastyTexts);

/** Real values of a room, by the name of the field: ids that are there make an attack reach further. */
export type Known = Map<string, Json[]>;

const isSchema = (value: unknown): value is Schema => typeof value === "object" && value !== null;
const numberOr = (value: unknown, other: number): number => (typeof value === "number" ? value : other);

/** A value of a JSON schema: mostly one that it takes, often at its ends, and sometimes none at all. */
export class Values {
  constructor(
    private readonly chance: Chance,
    private readonly known: Known,
    private readonly components: Record<string, unknown>,
    /** How many fields in a hundred hold what they should not. */
    private readonly badness: number,
  ) {}

  of(schema: unknown, name = "", depth = 0): Json {
    const { chance } = this;
    if (!isSchema(schema) || depth > 12) return null;
    if (chance.percent(this.badness)) return nasty(chance);
    const real = this.known.get(name);
    if (real && real.length > 0 && chance.percent(80)) return chance.pick(real);
    if (typeof schema.$ref === "string")
      return this.of(this.components[schema.$ref.split("/").at(-1) ?? ""], name, depth);
    if ("const" in schema) return schema.const as Json;
    if (Array.isArray(schema.enum)) return chance.pick(schema.enum as Json[]);
    for (const many of [schema.anyOf, schema.oneOf])
      if (Array.isArray(many) && many.length > 0) return this.of(chance.pick(many), name, depth + 1);
    if (Array.isArray(schema.allOf)) return this.of(schema.allOf[0], name, depth + 1);
    return this.plain(schema, name, depth);
  }

  private plain(schema: Schema, name: string, depth: number): Json {
    const { chance } = this;
    switch (schema.type) {
      case "boolean":
        return chance.percent(50);
      case "integer":
      case "number":
        return this.number(schema);
      case "string":
        return this.text(schema);
      case "array":
        return this.list(schema, name, depth);
      case "object":
        return this.object(schema, depth);
      default:
        return null;
    }
  }

  private number(schema: Schema): number {
    const { chance } = this;
    const low = numberOr(schema.minimum ?? schema.exclusiveMinimum, -1000);
    const high = numberOr(schema.maximum ?? schema.exclusiveMaximum, 1000);
    const at = chance.pick([
      low,
      high,
      low + (high - low) * chance.next(),
      low + Math.min(20, high - low) * chance.next(),
    ]);
    return schema.type === "integer" ? Math.round(at) : at;
  }

  private text(schema: Schema): string {
    const { chance } = this;
    if (schema.format === "uuid") return "00000000-0000-4000-8000-00000000000" + String(chance.below(10));
    if (schema.format === "date") return chance.pick(["2027-03-12", "2000-01-01", "2999-12-31", "2028-02-29"]);
    if (schema.format === "date-time")
      return chance.pick(["0000-01-01T00:00:00Z", "2026-11-23T05:30:00Z", "9999-12-31T23:59:59Z"]);
    const most = numberOr(schema.maxLength, 40);
    return chance.pick([
      "a",
      "Zz-9",
      "14",
      "2/0",
      "wort",
      "m".repeat(Math.min(most, 400)),
      nastyText(chance).slice(0, most),
    ]);
  }

  private list(schema: Schema, name: string, depth: number): Json[] {
    const { chance } = this;
    if (Array.isArray(schema.prefixItems)) return schema.prefixItems.map((s) => this.of(s, name, depth + 1));
    const least = numberOr(schema.minItems, 0);
    const most = Math.min(numberOr(schema.maxItems, 3), least + 3);
    const length = least + chance.below(most - least + 1);
    return Array.from({ length }, () => this.of(schema.items, name, depth + 1));
  }

  private object(schema: Schema, depth: number): Json {
    const { chance } = this;
    const made: Record<string, Json> = {};
    const required = new Set(Array.isArray(schema.required) ? schema.required : []);
    for (const [name, s] of Object.entries(isSchema(schema.properties) ? schema.properties : {}))
      if (required.has(name) ? !chance.percent(2) : chance.percent(45)) made[name] = this.of(s, name, depth + 1);
    if (isSchema(schema.additionalProperties))
      for (let n = chance.below(3); n > 0; n--)
        made[chance.pick(["few", "x/y", "__proto__", "a b", "0"])] = this.of(
          schema.additionalProperties,
          "",
          depth + 1,
        );
    return made;
  }
}
