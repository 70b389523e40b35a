import { missingWords } from "@kasten/core/sentences";
import { describe, expect, test } from "vitest";
import type { Material } from "@kasten/core/materials";
import { missingFrom, sameContent, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import { addLine, draftOf, emptyRecipe, fileOf, readRow, recipeOfDraft, slug, type Draft } from "./draft";
import { sizeRuleOf, sizeRuleWords } from "./sizeRules";

const material = (
  code: string,
  name: string,
  form: Material["form"],
  more: Partial<Material> = {},
): [string, Material] => [code, { code, name, form, unit: "count", measured: false, lead: false, ...more }];
const materials = new Map<string, Material>([
  material("TH", "thread 70 denier, olive", "thread", { thread: { denier: 70, fibre: "polyester" } }),
  material("PT", "pheasant tail feather", "feather fibre"),
  material("WI", "copper wire, small", "wire"),
  material("DU", "hare fur, natural", "dubbing"),
  material("BD", "tungsten bead 2.8 mm", "bead"),
  material("HK", "stiff dry hackle, brown", "hackle"),
]);
const fresh = (): Draft => ({
  base: 0,
  name: "Mooring Bug",
  style: "nymph",
  origin: "",
  species: "",
  recipe: emptyRecipe(),
  rows: [],
});
/** Types lines as somebody would, and puts in what each adds. */
function typed(lines: string[], draft = fresh(), family?: string): { draft: Draft; problems: string[] } {
  const problems: string[] = [];
  for (const line of lines) {
    const { row, component, problem } = addLine(draft, line, materials, {}, family);
    if (problem !== undefined) {
      problems.push(problem);
      continue;
    }
    if (component) draft.recipe.components.push(component);
    draft.rows.push(row);
  }
  return { draft, problems };
}
const recipe = (draft: Draft): Recipe =>
  recipeOfDraft(
    draft,
    draft.rows.map((_, i) => readRow(draft, i, materials, {})),
  );

describe("lines typed one after another", () => {
  const { draft } = typed([
    "bead: tungsten bead 2.8 mm",
    "thread 70 denier olive, touching",
    "tail: pheasant tail, 6 fibres, = half shank",
    "rib: copper wire, bound in, 1 strand",
    "body: hare, noodle 60 mm sparse",
    "rib 5 turns counter",
    "brush back",
    "whip finish, 5 turns",
  ]);
  const made = recipe(draft);

  test("make the parts and the steps, each once", () => {
    expect(made.components.map((c) => [c.id, c.material[0]?.value])).toEqual([
      ["hook", undefined],
      ["bead", "BD"],
      ["thread", "TH"],
      ["tail", "PT"],
      ["rib", "WI"],
      ["body", "DU"],
    ]);
    expect(made.steps.map((s) => [s.id, s.do])).toEqual([
      ["bead", "seat"],
      ["thread", "wind"],
      ["tail", "lay"],
      ["rib", "lay"],
      ["body", "dress"],
      ["rib-2", "wind"],
      ["act", "act"],
      ["whip", "whip"],
    ]);
  });
  test("wind the rib from where it was bound in, without being told", () =>
    expect(made.steps[5]).toMatchObject({ component: "rib", tiedIn: "rib", counter: true, rule: { turns: 5 } }));
  test("lack only what was not said", () => {
    const lacks = missingFrom({
      ...made,
      hookModel: "N1",
      sizes: { from: "12", to: "14" },
      minutesPerFly: 5,
      finish: { state: "none" },
    });
    expect(lacks).toEqual([]);
    expect(missingFrom(made).map(missingWords).join()).toMatch(/hook is not named.*finish is not stated/s);
  });
});

describe("one line", () => {
  test("without a part is asked for one, and adds nothing", () => {
    const { draft, problems } = typed(["6 fibres, = half shank"]);
    expect(problems[0]).toMatch(/^Begin with the part/);
    expect(draft.rows).toEqual([]);
  });
  test("with a material that nobody knows keeps it word for word, so that the pattern says what it lacks", () => {
    const { draft } = typed(["tail: unicorn hair, 6 fibres"]);
    expect(draft.recipe.components.at(-1)).toMatchObject({
      role: "tail",
      material: [],
      asStated: "tail: unicorn hair, 6 fibres",
    });
    expect(missingFrom(recipe(draft)).map(missingWords).join()).toMatch(
      /material of the tail is not known \(“tail: unicorn hair/,
    );
  });
  test("of a second tail of another material is a part of its own", () => {
    const { draft } = typed(["tail: pheasant tail, 6 fibres", "tail: hare fur, noodle 3 mm"]);
    expect(draft.recipe.components.filter((c) => c.role === "tail").map((c) => c.id)).toEqual(["tail", "tail-2"]);
  });
  test("takes the usual lengths of the hook's family, and writes them out", () => {
    const { draft } = typed(["tail: pheasant tail, 6 fibres"], fresh(), "dry");
    expect(draft.rows[0]?.text).toContain("= 1 shank");
    expect(recipe(draft).steps[0]).toMatchObject({ shown: { of: "shank", times: 1 } });
  });
});

describe("a row that is no longer understood", () => {
  const { draft } = typed(["tail: pheasant tail, 6 fibres, = half shank"]);
  const row = draft.rows[0];
  if (!row) throw new Error("no row");
  row.was = recipe(draft).steps[0];
  test("keeps its words, says what would be understood, and counts as it was", () => {
    row.text = "a few fibres";
    const reading = readRow(draft, 0, materials, { "a few": 7 });
    expect(reading.step).toBeUndefined();
    expect(reading.doubts[0]?.sentence).toContain("With you it is 7");
    expect(recipe(draft).steps[0]).toMatchObject({ amount: { fibres: 6 } });
  });
  test("keeps what the words do not say: instruction, caution, checks, order", () => {
    row.was = {
      ...(row.was as RecipeStep),
      instruction: "tips level",
      caution: "points",
      checks: [{ feature: "level", when: "dry" }],
      after: [{ step: "x" }],
    };
    row.text = "9 fibres, = shank";
    expect(readRow(draft, 0, materials, {}).step).toMatchObject({
      amount: { fibres: 9 },
      instruction: "tips level",
      caution: "points",
      checks: [{ feature: "level", when: "dry" }],
      after: [{ step: "x" }],
    });
  });
});

type DemoPattern = { id: string; name: string; style: string; origin: string; species: string; recipe: Recipe };
const demo = Object.values(
  import.meta.glob<DemoPattern>("../../demo/patterns/*.json", { eager: true, import: "default" }),
);
const csv = Object.values(
  import.meta.glob<string>("../../demo/materials.csv", { eager: true, query: "?raw", import: "default" }),
)
  .join("")
  .split("\n")
  .map((l) => l.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/));
const cabinet = new Map(
  csv.slice(1).map((c) => material(c[0] ?? "", (c[1] ?? "").replaceAll('"', ""), c[2] as Material["form"])),
);

describe("every demo pattern, opened and saved without a change", () => {
  test("there are many of them", () => expect(demo.length).toBeGreaterThan(10));
  test.each(demo.map((p) => [p.name, p] as const))("%s is the same", (_name, p) => {
    const draft = draftOf({ ...p, version: 3 });
    expect(draft.base).toBe(3);
    const readings = draft.rows.map((_, i) => readRow(draft, i, cabinet, {}));
    const saved = fileOf(draft, p.id, recipeOfDraft(draft, readings));
    expect(
      sameContent(saved, {
        id: p.id,
        name: p.name,
        style: p.style,
        origin: p.origin,
        species: p.species,
        recipe: p.recipe,
      }),
    ).toBe(true);
  });
});

describe("what is saved", () => {
  test("a part that no step uses any more is left out; hook, thread and what was said word for word stay", () => {
    const { draft } = typed([
      "thread 70 denier olive, touching",
      "tail: pheasant tail, 6 fibres",
      "wing: griffin, 2 feathers",
    ]);
    draft.rows = draft.rows.slice(0, 1);
    expect(fileOf(draft, "x", recipe(draft)).recipe.components.map((c) => c.id)).toEqual(["hook", "thread", "wing"]);
  });
  test("the address comes from the name", () =>
    expect([slug("Mooring Bug"), slug("  Écume & Fils! "), slug("—")]).toEqual(["mooring-bug", "ecume-fils", ""]));
});

describe("other quantities at other sizes", () => {
  const tail: RecipeStep = {
    id: "t",
    name: "tail",
    do: "lay",
    component: "tail",
    from: { fraction: 0.5 },
    to: { landmark: "bend" },
    amount: { fibres: 6 },
    shown: { of: "shank", times: 0.5 },
    attitude: "back",
  };
  const rib: RecipeStep = {
    id: "r",
    name: "rib",
    do: "wind",
    component: "rib",
    from: { fraction: 0.3 },
    to: { landmark: "bend" },
    rule: { turns: 5 },
  };
  test.each([
    ["4 fibres", tail, "tail", "feather fibre", { amount: { fibres: 4 } }],
    [
      "4 fibres, = 0.4 shank",
      tail,
      "tail",
      "feather fibre",
      { amount: { fibres: 4 }, shown: { of: "shank", times: 0.4 } },
    ],
    ["6 fibres", tail, "tail", "feather fibre", {}],
    ["4 turns", rib, "rib", "wire", { rule: { turns: 4 } }],
    ["gibberish", tail, "tail", "feather fibre", {}],
  ] as const)("“%s” changes only what it says", (words, step, role, form, change) =>
    expect(sizeRuleOf(words, step, role, form)).toEqual(change),
  );
  test("and is said back", () => {
    expect(sizeRuleWords(tail, { amount: { fibres: 4 } })).toBe("4 fibres");
    expect(sizeRuleWords(rib, { rule: { turns: 4 } })).toBe("4 turns");
  });
});
