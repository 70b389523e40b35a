import { describe, expect, test } from "vitest";
import { prepTasks } from "../batches";
import { composeFly } from "../fly";
import { type FlyChoice, type Recipe, type RecipeStep, type Role } from "../recipe";
import { choose, materials, model, recipe } from "../testing/nymph";
import { hookRequirement, minutesWorking, requirementsOf, weightWorking, workingOf } from ".";

/** The nymph with one more part. */
function withPart(code: string, role: Role, step: object): Recipe {
  const r = recipe();
  r.components.push({ id: "x", role, material: [{ value: code }] });
  r.steps.splice(r.steps.length - 1, 0, { id: "x", name: "it", component: "x", ...step } as RecipeStep);
  return r;
}
const fly = (r: Recipe, c: Partial<FlyChoice> = {}) =>
  composeFly(r, choose(c), model, materials, { keepProfiles: true });
const laid = (amount: object) => ({
  do: "lay",
  from: { fraction: 0.3 },
  to: { fraction: 0.5 },
  amount,
  shown: { mm: 10 },
});
const wound = (more: object) => ({
  do: "wind",
  from: { fraction: 0.5 },
  to: { landmark: "bend" },
  rule: { touching: true },
  ...more,
});

const ways: [string, Recipe, string, string, number | undefined][] = [
  ["pieces", withPart("bead", "eyes", { do: "seat", from: { fraction: 0.35 }, count: 2 }), "Count", "pieces", 2],
  [
    "a wound feather",
    withPart("hackle", "collar", { do: "wind", from: { fraction: 0.4 }, to: { fraction: 0.4 }, rule: { turns: 2 } }),
    "Wound feather",
    "flies",
    undefined,
  ],
  [
    "pieces cut beforehand",
    withPart("wire", "rib", wound({ take: { from: "pieces", pieceMm: 300, gripMm: 10, trimMm: 5 } })),
    "Cut pieces",
    "flies",
    undefined,
  ],
  ["fibres", withPart("pheasant", "tail", laid({ fibres: 9 })), "Fibres", "feathers", 9 / 180],
  ["matched slips", withPart("quill", "wing", laid({ slipWidth: { mm: 2 } })), "Matched slips", "feathers", 1 / 25],
  ["whole feathers", withPart("quill", "wing", laid({ feathers: 1.5 })), "Whole feathers", "feathers", 1.5],
  ["a patch of hide", withPart("hide", "wing", laid({ patchMm2: 20 })), "Patch of hide", "pieces", 1 / 36],
  ["strands", withPart("flash", "flash", laid({ strands: 2, folded: false })), "Strands", "pieces", undefined],
  ["a length from the spool", withPart("wire", "rib", wound({})), "From the spool", "mm", undefined],
  [
    "dubbing",
    withPart("fur", "body", {
      do: "dress",
      from: { fraction: 0.5 },
      to: { landmark: "bend" },
      fullness: [{ mm: 2 }, { mm: 2 }],
    }),
    "Dress",
    "mg",
    undefined,
  ],
  ["hair by clump", withPart("hair", "wing", laid({ clump: { mm: 1 } })), "Hair by clump", "mg", undefined],
  ["glue by the drop", withPart("glue", "finish", { do: "glue", at: { fraction: 0.5 }, drops: 1 }), "Liquid", "µl", 3],
];

describe("the working of every way of taking a material", () => {
  test.each(ways)(
    "%s: the batch's figure is reached from one fly's, and that from its formula",
    (_name, r, formula, unit, value) => {
      const f = fly(r);
      const q = requirementsOf(f, 48).find((x) => x.component === "x");
      if (!q) throw new Error("nothing is required");
      const w = workingOf(q, f, 48);
      const step = w.parts?.find((p) => p.result.name.startsWith("it"));
      expect(step?.formula).toBe(formula);
      expect(step?.result.unit).toBe(unit);
      if (value !== undefined) expect(step?.result.value).toBeCloseTo(value, 9);
      expect(w.inputs[0]).toMatchObject({ name: "flies started", value: 48 });
      expect(
        [...w.inputs.map((i) => i.value), ...w.through.map((t) => t.value), w.result.value].every(Number.isFinite),
      ).toBe(true);
    },
  );

  test("every requirement opens to a working that gives its own figure", () => {
    for (const [name, r] of ways) {
      const f = fly(r);
      for (const q of requirementsOf(f, 30)) {
        const { result } = workingOf(q, f, 30);
        // Pieces cut from a spool are counted in the working, and issued as their length: 300 mm each.
        const base = q.unit === "count" ? 1 : result.unit === "pieces" ? 300_000 : 1000;
        expect(result.value * base, `${name}, ${q.key}`).toBeCloseTo(q.issue, 6);
      }
    }
  });

  test("twice the flies never need less", () => {
    for (const [name, r] of ways) {
      const f = fly(r);
      const [some, more] = [requirementsOf(f, 24), requirementsOf(f, 48)];
      some.forEach((q, i) => expect(more[i]?.issue ?? 0, `${name}, ${q.key}`).toBeGreaterThanOrEqual(q.issue));
    }
  });

  test("no flies need nothing", () =>
    expect(requirementsOf(fly(recipe()), 0).every((q) => q.issue === 0 || q.unit !== "count")).toBe(true));
  test("hooks are required like anything else, by model and size", () =>
    expect(hookRequirement({ id: "B2", name: "Breakwater" }, "2/0", 12)).toMatchObject({
      material: "B2-2-0",
      materialName: "Breakwater, 2/0",
      net: 12,
    }));
});

/** The nymph with a body from a composite loop of two layers. */
const looped = (more: object): Recipe =>
  withPart("fur", "body", {
    do: "dress",
    from: { fraction: 0.5 },
    to: { landmark: "bend" },
    fullness: [{ mm: 2 }, { mm: 2 }],
    loopMm: 60,
    loopLayers: 2,
    loopLoad: 0.2,
    methods: { "dubbing way": "loop" },
    ...more,
  });

describe("preparation that a fly asks for", () => {
  const kinds = (r: Recipe, c: Partial<FlyChoice> = {}) =>
    prepTasks(fly(r, c), 24).flatMap((t) => [`${t.kind}: ${t.component}`, `${t.kind}: ${t.component} ${t.units}`]);
  test.each([
    ["a beaded hook", recipe(), {}, "bead hooks: bead"],
    ["slips", recipe(), {}, "pair slips: wing"],
    ["a wound feather", ways[1]?.[1] as Recipe, {}, "sort hackle: x"],
    ["cut lengths", ways[2]?.[1] as Recipe, {}, "cut lengths: x"],
    ["whole feathers", withPart("quill", "wing", laid({ feathers: 1.5 })), {}, "trim feathers: x 36"],
    ["feathers in pairs", withPart("quill", "wing", laid({ feathers: 2, paired: true })), {}, "pair feathers: x 24"],
    ["hair, clump by clump", withPart("hair", "wing", laid({ clump: { mm: 1 } })), {}, "clean hair: x 24"],
    [
      "bundles stacked beforehand",
      withPart("hair", "wing", laid({ clump: { mm: 1 } })),
      { methods: { "x/tips": "bundled" } },
      "stack bundles: x 24",
    ],
    [
      "bundles of feather fibre stacked beforehand",
      withPart("pheasant", "tail", laid({ fibres: 8 })),
      { methods: { "x/tips": "bundled" } },
      "stack bundles: x 24",
    ],
    ["hair on its hide", withPart("hide", "wing", laid({ patchMm2: 20 })), {}, "clean hair: x 24"],
    ["a rope of herls", withPart("herl", "thorax", wound({ rope: 3 })), {}, "level herls: x 24"],
    ["a loop that says what it carries", looped({}), {}, "lay out loops: x 48"],
    ["strands", ways[7]?.[1] as Recipe, {}, "cut lengths: x"],
    ["a blend", recipe(), { variant: "mixed" }, "mill blend: body"],
    ["legs made here", recipe(), {}, "make parts: legs"],
  ] as [string, Recipe, Partial<FlyChoice>, string][])("%s", (_name, r, c, task) =>
    expect(kinds(r, c)).toContain(task),
  );
  test("a loop is laid out only where it is tied as one and says what it carries", () => {
    expect(kinds(looped({ loopLoad: undefined }))).not.toContain("lay out loops: x");
    expect(kinds(looped({}), { methods: { "x/dubbing way": "twisted" } })).not.toContain("lay out loops: x");
  });
  test("dubbing of long fibre is broken down for small hooks, and goes into a loop as it is", () => {
    const dubbed = withPart("fur", "body", {
      do: "dress",
      from: { fraction: 0.5 },
      to: { landmark: "bend" },
      fullness: [{ mm: 2 }, { mm: 2 }],
    });
    const fur = materials.get("fur");
    if (!fur) throw new Error("no fur");
    const kindsWith = (fibreMm: number | undefined, r: Recipe) => {
      const cabinet = new Map([...materials, ["fur", { ...fur, ...(fibreMm && { fibreMm }) }]]);
      return prepTasks(composeFly(r, choose(), model, cabinet), 24).map((t) => `${t.kind}: ${t.component}`);
    };
    const { shank } = fly(dubbed).hook;
    expect(kindsWith(shank * 1.6, dubbed)).toContain("break fibre: x");
    expect(kindsWith(shank * 1.4, dubbed)).not.toContain("break fibre: x");
    expect(kindsWith(undefined, dubbed)).not.toContain("break fibre: x");
    expect(kindsWith(shank * 1.6, looped({}))).not.toContain("break fibre: x");
  });
  test("bought legs need no making, and no flies no preparation", () => {
    expect(kinds(recipe(), { buy: ["legs"] })).not.toContain("make parts: legs");
    expect(prepTasks(fly(recipe()), 0)).toEqual([]);
  });
  test("more flies take more minutes, but the mill only once", () => {
    const minutes = (n: number) =>
      Object.fromEntries(prepTasks(fly(recipe(), { variant: "mixed" }), n).map((t) => [t.kind, t.minutes]));
    const [few, many] = [minutes(12), minutes(120)];
    expect(many["mill blend"]).toBe(few["mill blend"]);
    expect(many["pair slips"]).toBeGreaterThan((few["pair slips"] ?? 0) * 4);
  });
});

describe("the working of a fly as a whole", () => {
  const sum = (w: { inputs: { value: number }[] }) => w.inputs.reduce((all, i) => all + i.value, 0);
  test("its weight is the sum of what it is made of", () => {
    const w = weightWorking(fly(recipe()));
    expect(w.inputs.map((i) => i.name)).toEqual([
      "hook",
      "beads and eyes",
      "what is wound and laid",
      "dubbing that stays",
      "thread, without tags",
    ]);
    expect(sum(w)).toBeCloseTo(w.result.value, 9);
    expect(weightWorking(fly(recipe(), { form: "light" })).inputs.map((i) => i.name)).not.toContain("beads and eyes");
  });
  test("its minutes are the pattern's, its ways and what was left out", () => {
    const plain = minutesWorking(fly(recipe()));
    expect(plain.inputs.map((i) => [i.name, i.value])).toEqual([["the pattern's minutes", 5]]);
    const other = minutesWorking(fly(recipe(), { methods: { "body/dubbing way": "loop" }, leave: ["wing"] }));
    expect(other.inputs.map((i) => i.value)).toEqual([5, 0.8, -5 / 9]);
    expect(sum(other)).toBeCloseTo(other.result.value, 9);
  });
  test("a gap that is filled where the weight was left out costs the turns that it takes", () => {
    const r = withPart("olive", "thread", {
      do: "wind",
      from: { landmark: "eye" },
      to: { fraction: 0.5 },
      rule: { touching: true },
      fill: [{ mm: 1.4 }, { mm: 0.8 }],
    });
    r.steps.splice(
      2,
      0,
      r.steps.splice(
        r.steps.findIndex((s) => s.id === "x"),
        1,
      )[0] as RecipeStep,
    );
    r.components.push({ id: "weight", role: "weight", material: [{ value: "tin" }], optional: true });
    r.steps.splice(2, 0, {
      id: "weight",
      name: "weight",
      component: "weight",
      do: "wind",
      from: { landmark: "eye" },
      rule: { touching: true, turns: 6 },
    } as RecipeStep);
    const [whole, light] = [fly(r), fly(r, { leave: ["weight"] })];
    const turns = (f: typeof whole) => f.tied.steps.find((s) => s.id === "x")?.turns ?? 0;
    expect(turns(light)).toBeGreaterThan(turns(whole));
    expect(whole.minutesOf.filled).toBe(0);
    expect(light.minutesOf.filled).toBeCloseTo(0.011 * (turns(light) - turns(whole)), 9);
  });
  test("where the standard fly cannot be tied on a hook, the other form is its own standard", () => {
    const r = withPart("olive", "thread", {
      do: "wind",
      from: { fraction: 0.4 },
      to: { fraction: 0.6 },
      rule: { touching: true },
      fill: [{ mm: 1.4 }, { mm: 0.8 }],
    });
    r.components.push({ id: "short", role: "rib", material: [{ value: "wire" }] });
    r.steps.splice(r.steps.length - 1, 0, {
      id: "short",
      name: "short rib",
      component: "short",
      do: "wind",
      from: { fraction: 0.6 },
      to: { landmark: "bend" },
      rule: { turns: 4 },
      take: { from: "pieces", pieceMm: 6, gripMm: 0, trimMm: 0 },
    } as RecipeStep);
    r.forms[1] = { id: "light", name: "light", omit: ["short"] };
    expect(() => fly(r)).toThrow("PIECE_TOO_SHORT");
    expect(fly(r, { form: "light" }).minutesOf.filled).toBe(0);
  });
  test("what was entered stands in the working, with the spread that it leaves", () => {
    const r = recipe();
    r.steps = r.steps.map((s): RecipeStep => (s.id === "tail" ? { ...s, stated: "about 6", spread: [4, 8] } : s));
    const f = fly(r);
    const q = requirementsOf(f, 24).find((x) => x.component === "tail");
    expect(q && workingOf(q, f, 24).parts?.[0]?.entered).toBe("“about 6”: 4 to 8, computed with the middle");
    const rib = requirementsOf(f, 24).find((x) => x.component === "rib");
    expect(rib && workingOf(rib, f, 24).parts?.[0]?.entered).toBeUndefined();
  });
});
