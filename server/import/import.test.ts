import { readFileSync } from "node:fs";
import { join } from "node:path";
import { describe, expect, test } from "vitest";
import { z } from "zod";
import { Problem } from "../http/problems";
import { demoFolder } from "../testing/demo";
import { hooksFrom } from "./hooks";
import { materialsFrom } from "./materials";
import { readCsv } from "./csv";

const text = (name: string): string => readFileSync(join(demoFolder, name), "utf8");
const [head = "", ...rows] = text("materials.csv").trim().split("\n");
const columns = head.split(",");
/** The demo's materials with one cell of the first row changed. */
const spoiled = (column: string, value: string): string => {
  const cells = (rows[0] ?? "").match(/("[^"]*"|[^,]*)(,|$)/g)?.map((c) => c.replace(/,$/, "")) ?? [];
  cells[columns.indexOf(column)] = value;
  return [head, cells.slice(0, columns.length).join(","), ...rows.slice(1)].join("\n");
};
function problemOf(run: () => unknown): Problem {
  try {
    run();
  } catch (error) {
    if (error instanceof Problem) return error;
    throw error;
  }
  throw new Error("it was taken");
}
const row = z.object({ code: z.string(), pieces: z.coerce.number().int().positive(), note: z.string().default("") });

describe("a file of rows", () => {
  test("is read by its heads, in whichever order; empty cells count as not given", () => {
    expect(readCsv("x.csv", "pieces,code,note\n3,A,\n4,B,old\n\n", row)).toEqual([
      { code: "A", pieces: 3, note: "" },
      { code: "B", pieces: 4, note: "old" },
    ]);
    expect(readCsv("x.csv", ' code , pieces \r\n"a, b",2\r\n', row)).toEqual([{ code: "a, b", pieces: 2, note: "" }]);
  });
  test("that is not right is named by file, line and column, every fault of it", () => {
    const problem = problemOf(() => readCsv("x.csv", "code,pieces\nA,3\nB,many\n,-1\n", row));
    expect(problem.extra.errors?.map((e) => e.path)).toEqual(["x.csv:3:pieces", "x.csv:4:code", "x.csv:4:pieces"]);
    expect(problem.message).toMatch(/^3 things in x\.csv are not right; the first: x\.csv:3:pieces/);
  });
  test("with a quote that never ends is refused with its line", () =>
    expect(problemOf(() => readCsv("x.csv", 'code,pieces\nA,3\n"B,4\n', row)).extra.errors?.[0]?.path).toMatch(
      /^x\.csv:\d/,
    ));
  test("of thousands of faults names fifty, and how many there are", () => {
    const many = problemOf(() => readCsv("x.csv", `code,pieces\n${"A,none\n".repeat(3000)}`, row));
    expect(many.extra.errors).toHaveLength(50);
    expect(many.message).toMatch(/^3000 things/);
  });
});

describe("the demo's cabinet", () => {
  const materials = materialsFrom(text("materials.csv"));
  test("every form has the figures that it is computed by", () => {
    const lacks = [...materials.values()].filter((m) => {
      switch (m.form) {
        case "thread":
          return !m.thread;
        case "bead":
        case "eyes":
          return !m.part;
        case "dubbing":
        case "blend":
          return !m.dubbing;
        case "hackle":
        case "feather fibre":
        case "quill":
          return !m.feather || !m.strand;
        case "liquid":
          return !m.liquid;
        case "hook":
        case "made part":
        case "extended body":
          return false;
        default:
          return !m.strand;
      }
    });
    expect(lacks.map((m) => m.code)).toEqual([]);
  });
  test("what is said beside the figures comes with them", () => {
    expect(materials.get("LQ-GLU")?.liquid).toEqual({ kind: "glue", body: "gel" });
    expect(materials.get("HA-NT")?.prepLoss).toEqual({ share: 0.15, what: "underfur and short hairs combed out" });
    expect(materials.get("TI-FL-MD-G")?.faces).toEqual([
      { name: "gold", colour: "#c9a227" },
      { name: "silver", colour: "#c3c8cc" },
    ]);
    expect(materials.get("FL-SILK-YL")?.standing).toBe("vintage");
    expect(materials.get("BL-LODGER")?.blend?.leastChargeMg).toBeGreaterThan(0);
  });
  test.each([
    ["form", "velvet"],
    ["unit", "stone"],
    ["pack", "-2"],
    ["standing", "stolen"],
    ["glue_body", "runny"],
    ["prep_loss", "some"],
    ["lead", "maybe"],
  ])("a %s of “%s” is no material", (column, value) => {
    const problem = problemOf(() => materialsFrom(spoiled(column, value)));
    expect(problem.details().status).toBe(422);
    expect(problem.extra.errors?.[0]?.path).toBe(`materials.csv:2:${column}`);
  });
  test("hooks without measured rows have their sizes all the same", () => {
    const hooks = hooksFrom(text("hook-models.csv"), text("hook-sizes.csv"));
    expect([...hooks.values()].every((h) => h.rows.length > 0)).toBe(true);
    expect(hooks.get("P1")?.rows.every((r) => r.shank === undefined)).toBe(true);
    expect(hooks.get("N1")?.rows.some((r) => r.shank !== undefined)).toBe(true);
  });
});
