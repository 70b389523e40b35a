import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { anyStep } from "@kasten/core/testing";
import { endpoints } from "./all";
import { tallySchema } from "./bench";
import { flies, isoDay } from "./http";
import { openApiDocument } from "./openapi";
import { orderInput } from "./orders";
import { patternBookSchema, patternFileSchema } from "./patterns";
import { patternBookJsonSchema, patternSchemaFile } from "./patterns/schema";
import { mayDo, permissions, roles, whoMay } from "./permissions";

const folder = join(import.meta.dirname, "../demo/patterns");
const files = readdirSync(folder).map(
  (f) => [f, JSON.parse(readFileSync(join(folder, f), "utf8")) as Record<string, unknown>] as const,
);
const [, lodger] = files.find(([f]) => f === "copper-lodger.json") ?? [];

describe("requests", () => {
  test("each has its own id and address", () => {
    expect(new Set(endpoints.map((e) => e.id)).size).toBe(endpoints.length);
    expect(new Set(endpoints.map((e) => `${e.method} ${e.path}`)).size).toBe(endpoints.length);
  });
  test("a read changes nothing, so it carries no body", () => {
    for (const e of endpoints.filter((x) => x.method === "get")) expect(e.body.safeParse({}).success, e.id).toBe(true);
  });
  test("nothing but signing in, signing up and health is open to strangers", () => {
    expect(
      endpoints
        .filter((e) => e.permission === "anyone")
        .map((e) => e.id)
        .sort(),
    ).toEqual(["health", "me", "setUp", "signIn", "signInDemo"]);
  });
  test("the description is made of schemas for every one", () => {
    const { paths } = openApiDocument("x") as {
      paths: Record<string, Record<string, { responses: Record<string, unknown>; parameters: { name: string }[] }>>;
    };
    for (const e of endpoints) {
      const o = paths[`/api${e.path.replace(/:(\w+)/g, "{$1}")}`]?.[e.method];
      expect(o?.responses[200], e.id).toBeDefined();
      expect(
        o?.parameters.some((p) => p.name === "Idempotency-Key"),
        e.id,
      ).toBe(e.method !== "get" && !e.keyless);
    }
  });
});

describe("the published schema of pattern files", () => {
  const published = JSON.parse(readFileSync(join(import.meta.dirname, "..", patternSchemaFile), "utf8")) as unknown;
  test("is the one that the contract has now: npm run schema writes it anew", () =>
    expect(published).toEqual(JSON.parse(JSON.stringify(patternBookJsonSchema()))));
  test("leaves no field open, and bounds every list and text", () => {
    const loose: string[] = [];
    const walk = (node: unknown, path: string): void => {
      if (Array.isArray(node)) return node.forEach((n, i) => walk(n, `${path}/${i}`));
      if (typeof node !== "object" || node === null) return;
      const s = node as Record<string, unknown>;
      if (s.type === "object" && s.properties !== undefined && s.additionalProperties !== false)
        loose.push(`${path}: fields`);
      if (s.type === "array" && s.maxItems === undefined && s.prefixItems === undefined) loose.push(`${path}: list`);
      for (const [k, v] of Object.entries(s)) walk(v, `${path}/${k}`);
    };
    walk(published, "");
    expect(loose).toEqual([]);
  });
  test("takes every demo pattern", () => {
    const book = { format: "kasten-patterns", version: 1, patterns: files.map(([, f]) => f) };
    expect(patternBookSchema.safeParse(book).error?.issues ?? []).toEqual([]);
  });
  test("takes whatever step can be said, and gives it back as it was", () => {
    fc.assert(
      fc.property(anyStep, ({ step }) => {
        const book = structuredClone(lodger) as { recipe: { steps: unknown[] } };
        book.recipe.steps = [step];
        const read = patternFileSchema.safeParse(JSON.parse(JSON.stringify(book)));
        expect(read.error?.issues ?? [], JSON.stringify(step)).toEqual([]);
        expect(read.data?.recipe.steps[0]).toEqual(step);
      }),
      { numRuns: 300 },
    );
  });
  test.each([
    ["a length of 10 m", { of: "shank", times: 4000 }],
    ["a length in words", "half shank"],
    ["two rules at once", { mm: 3, of: "shank", times: 1 }],
    ["no number", { mm: Number.NaN }],
  ])("%s is none", (_what, shown) => {
    const spoiled = structuredClone(lodger) as { recipe: { steps: { id: string; shown?: unknown }[] } };
    const tail = spoiled.recipe.steps.findIndex((s) => s.id === "tail");
    Object.assign(spoiled.recipe.steps[tail] ?? {}, { shown });
    const read = patternFileSchema.safeParse(spoiled);
    expect(read.success).toBe(false);
    expect(read.error?.issues.some((i) => i.path.join(".").startsWith(`recipe.steps.${tail}.shown`))).toBe(true);
  });
});

describe("permissions", () => {
  test("the owner may do everything", () => {
    for (const p of Object.keys(permissions) as (keyof typeof permissions)[]) expect(mayDo("owner", p), p).toBe(true);
  });
  test.each([
    ["tier", "write orders", false],
    ["shop", "make up batches", false],
    ["shop", "tie and tally", false],
    ["tier", "tie and tally", true],
    ["shop", "write orders", true],
    ["tier", "manage people", false],
  ] as const)("a %s to %s: %s", (role, what, may) => {
    expect(roles).toContain(role);
    expect(mayDo(role, what)).toBe(may);
  });
  test("says whom to ask", () => expect(whoMay("write orders")).toBe("the owner or the shop"));
});

describe("what is refused at the door", () => {
  test.each([["0"], ["1.5"], ["-12"], ["6001"], ["NaN"]])("%s flies", (n) =>
    expect(flies.safeParse(Number(n)).success).toBe(false),
  );
  test.each(["12 Mar", "2027-3-1", "", "2027-03-12T00:00"])("“%s” as a day", (d) =>
    expect(isoDay.safeParse(d).success).toBe(false),
  );
  test("an order names the path of what is wrong", () => {
    const read = orderInput.safeParse({
      text: "",
      customer: "x",
      due: "2027-03-12",
      lines: [
        { pattern: "p", variant: "v", form: "f", size: "14", flies: 12 },
        { pattern: "p", variant: "v", form: "f", size: "14", flies: 0 },
      ],
    });
    expect(read.error?.issues.map((i) => i.path.join("."))).toEqual(["lines.1.flies"]);
  });
  test("a tally without an id of its own", () =>
    expect(tallySchema.safeParse({ batch: "x", kind: "good", at: "now" }).error?.issues.map((i) => i.path[0])).toEqual([
      "id",
      "batch",
      "at",
    ]));
});

describe("pattern files", () => {
  test.each(files)("%s is one, and nothing of it is lost", (_name, json) =>
    expect(patternFileSchema.parse(json)).toEqual(json),
  );
  const wrong: [string, (p: Record<string, unknown>) => object][] = [
    ["an unknown field", (p) => ({ ...p, colour: "red" })],
    [
      "a role that is none",
      (p) => ({ ...p, recipe: { ...(p.recipe as object), components: [{ id: "x", role: "engine", material: [] }] } }),
    ],
    [
      "a step that does nothing known",
      (p) => ({ ...p, recipe: { ...(p.recipe as object), steps: [{ id: "x", name: "x", do: "glue" }] } }),
    ],
    [
      "61 steps",
      (p) => ({
        ...p,
        recipe: {
          ...(p.recipe as object),
          steps: Array.from({ length: 61 }, (_, i) => ({
            id: `${i}`,
            name: "whip",
            do: "whip",
            from: { fraction: 0 },
            to: { fraction: 0.1 },
            turns: 5,
          })),
        },
      }),
    ],
    [
      "a length in inches",
      (p) => ({
        ...p,
        recipe: {
          ...(p.recipe as object),
          steps: [
            {
              id: "x",
              name: "x",
              do: "lay",
              component: "tail",
              from: { fraction: 0.1 },
              to: { fraction: 0.2 },
              amount: { fibres: 3 },
              shown: { inch: 1 },
            },
          ],
        },
      }),
    ],
    ["figures that are no numbers", (p) => ({ ...p, recipe: { ...(p.recipe as object), minutesPerFly: Infinity } })],
  ];
  test.each(wrong)("refuses %s", (_what, change) =>
    expect(patternFileSchema.safeParse(change(lodger as Record<string, unknown>)).success).toBe(false),
  );
});
