import { readdirSync, readFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { describe, expect, test } from "vitest";

/** The imports of the whole house, read from its files: who may enter whom, and that nobody goes round in circles. */
const root = new URL("..", import.meta.url).pathname;
const floors = ["core", "contract", "server", "web"] as const;
type Floor = (typeof floors)[number];

const isSource = (path: string): boolean =>
  /\.(ts|vue)$/.test(path) && !/\.(test|perf|fuzz)\.ts$|\.config\.ts$|\/testing\//.test(path);

const filesOf = (floor: Floor): string[] =>
  readdirSync(join(root, floor), { recursive: true, encoding: "utf8" })
    .filter((f) => !/(^|\/)(node_modules|dist)\//.test(f))
    .map((f) => join(floor, f))
    .filter(isSource);

const sources = new Map(floors.flatMap((floor) => filesOf(floor).map((f) => [f, readFileSync(join(root, f), "utf8")])));

/** The file that an import leads to, or undefined where it leaves the house. */
function target(from: string, spec: string): string | undefined {
  const own = /^@kasten\/(core|contract|server|web)\/(.+)$/.exec(spec);
  const path = own ? join(own[1] ?? "", own[2] ?? "") : spec.startsWith(".") ? join(dirname(from), spec) : undefined;
  if (path === undefined) return undefined;
  return [path, `${path}.ts`, join(path, "index.ts")].find((p) => sources.has(p));
}

const importsOf = (file: string, text: string): string[] =>
  [...text.matchAll(/(?:^|\n)\s*(?:import|export)\b[^"';]*?from\s*"([^"]+)"|import\s*\(\s*"([^"]+)"\s*\)/g)].flatMap(
    (m) => target(file, m[1] ?? m[2] ?? "") ?? [],
  );

const imports = new Map([...sources].map(([file, text]) => [file, importsOf(file, text)]));

const roomOf = (file: string): string => {
  const [floor = "", room = "", ...rest] = file.split("/");
  return rest.length > 0 ? `${floor}/${room}` : floor;
};

/** Circles of a graph, each as its members; empty where it has none (Tarjan, SIAM J. Comput. 1(2), 1972). */
function circles(graph: ReadonlyMap<string, Iterable<string>>): string[][] {
  const index = new Map<string, number>();
  const low = new Map<string, number>();
  const stack: string[] = [];
  const found: string[][] = [];
  const visit = (node: string): void => {
    index.set(node, index.size);
    low.set(node, index.get(node) ?? 0);
    stack.push(node);
    for (const next of graph.get(node) ?? []) {
      if (!index.has(next)) visit(next);
      if (stack.includes(next)) low.set(node, Math.min(low.get(node) ?? 0, low.get(next) ?? 0));
    }
    if (low.get(node) !== index.get(node)) return;
    const circle = stack.splice(stack.indexOf(node));
    if (circle.length > 1) found.push(circle.sort());
  };
  for (const node of graph.keys()) if (!index.has(node)) visit(node);
  return found;
}

const rooms = new Map<string, Set<string>>();
for (const [file, targets] of imports) {
  const from = roomOf(file);
  const into = rooms.get(from) ?? new Set<string>();
  for (const t of targets) if (roomOf(t) !== from) into.add(roomOf(t));
  rooms.set(from, into);
}

/** Core's rooms from the ground up: each may enter only those before it. `sentences` speaks for all of them. */
const order = [
  "errors",
  "numeric",
  "derivation",
  "units",
  "hooks",
  "tying",
  "learning",
  "materials",
  "recipe",
  "words",
  "methods",
  "fly",
  "bench",
  "drawing",
  "needs",
  "versions",
  "orders",
  "batches",
  "stock",
  "purchasing",
  "schedule",
  "sentences",
];

describe("the house", () => {
  test("is seen as a whole", () => {
    expect(sources.size).toBeGreaterThan(300);
    expect([...imports.values()].flat().length).toBeGreaterThan(800);
  });

  test("finds a circle where there is one", () =>
    expect(
      circles(
        new Map([
          ["a", ["b"]],
          ["b", ["c"]],
          ["c", ["b"]],
        ]),
      ),
    ).toEqual([["b", "c"]]));

  test("has no circle of files", () => expect(circles(imports)).toEqual([]));
  test("has no circle of rooms", () => expect(circles(rooms)).toEqual([]));

  test("core's rooms enter only those below them", () => {
    const above = [...rooms].flatMap(([from, into]) => {
      const own = order.indexOf(from.replace("core/", ""));
      return from.startsWith("core/")
        ? [...into].filter((t) => order.indexOf(t.replace("core/", "")) >= own).map((t) => `${from} → ${t}`)
        : [];
    });
    expect(above).toEqual([]);
    expect([...rooms.keys()].filter((r) => r.startsWith("core/") && !order.includes(r.slice(5)))).toEqual([]);
  });

  test("floors point inward", () => {
    const allowed: Record<Floor, string[]> = {
      core: ["core"],
      contract: ["contract", "core"],
      server: ["server", "contract", "core"],
      web: ["web", "contract", "core"],
    };
    const wrong = [...imports].flatMap(([file, targets]) =>
      targets
        .filter((t) => !allowed[file.split("/")[0] as Floor].includes(t.split("/")[0] ?? ""))
        .map((t) => [file, t]),
    );
    expect(wrong).toEqual([]);
  });

  test("parts of the screen know no room", () =>
    expect([...(rooms.get("web/parts") ?? [])].filter((r) => r.startsWith("web/"))).toEqual(["web/http"]));
});
