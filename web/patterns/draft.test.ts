import { missingWords } from "@kasten/core/sentences";
import { describe, expect, test } from "vitest";
import type { Material } from "@kasten/core/materials";
import { missingFrom, sameContent, type Recipe, type RecipeStep } from "@kasten/core/recipe";
import {
  draftOf,
  emptyDraft,
  fileOf,
  readDraft,
  resaid,
  settled,
  slug,
  withFact,
  type Draft,
  type Room,
} from "./draft";
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
  material("LQ", "clear lacquer", "liquid", { liquid: { kind: "lacquer" } }),
]);
const room: Room = {
  materials,
  hooks: [
    { id: "N1", name: "Yard Nymph", family: "nymph", wireSteps: 0, barbless: false, shankSteps: 0 },
    { id: "D1", name: "Yard Dry", family: "dry", wireSteps: 0, barbless: false, shankSteps: 0 },
  ],
  numberWords: { "a few": 7 },
};
/** A draft with this text, read and settled as the page does once the typing rests. */
function typed(lines: string[], draft: Draft = { ...emptyDraft(), name: "Mooring Bug", style: "nymph" }): Draft {
  const next = { ...draft, text: lines.join("\n") };
  return settled(next, readDraft(next, room));
}
const made = (draft: Draft): Recipe => readDraft(draft, room).recipe;
const lines = (draft: Draft): string[] => draft.text.split("\n");

describe("lines typed one after another", () => {
  const draft = typed([
    "bead: tungsten bead 2.8 mm",
    "thread 70 denier olive, touching",
    "tail: pheasant tail, 6 fibres, = half shank",
    "tie in the rib: copper wire, at the bend",
    "body: hare, noodle 60 mm sparse",
    "rib 5 turns counter",
    "brush back",
    "whip finish, 5 turns",
  ]);

  test("make the parts and the steps, each once", () => {
    expect(made(draft).components.map((c) => [c.id, c.material[0]?.value])).toEqual([
      ["hook", undefined],
      ["thread", "TH"],
      ["bead", "BD"],
      ["tail", "PT"],
      ["rib", "WI"],
      ["body", "DU"],
    ]);
    expect(made(draft).steps.map((s) => s.do)).toEqual(["seat", "wind", "lay", "lay", "dress", "wind", "act", "whip"]);
  });
  test("wind the rib from where it was bound in, without being told", () =>
    expect(made(draft).steps[5]).toMatchObject({
      component: "rib",
      tiedIn: made(draft).steps[3]?.id,
      counter: true,
      rule: { turns: 5 },
    }));
  test("lack only what was not said", () => {
    const lacks = missingFrom({
      ...made(draft),
      hookModel: "N1",
      sizes: { from: "12", to: "14" },
      minutesPerFly: 5,
      finish: { state: "none" },
    });
    expect(lacks).toEqual([]);
    expect(missingFrom(made(draft)).map(missingWords).join()).toMatch(/hook is not named.*finish is not stated/s);
  });
});

describe("a line that is changed", () => {
  const begun = typed(["tail: pheasant tail, 6 fibres, = half shank", "whip finish, 5 turns"]);
  const [tail] = begun.recipe.steps as [RecipeStep];
  const told: RecipeStep = { ...tail, instruction: "tips level", checks: [{ feature: "level", when: "dry" }] };
  const draft: Draft = { ...begun, recipe: { ...begun.recipe, steps: [told, ...begun.recipe.steps.slice(1)] } };

  test("keeps what no words say of it: instruction, checks", () => {
    const now = typed(["tail: pheasant tail, 9 fibres, = shank", "whip finish, 5 turns"], draft);
    expect(made(now).steps[0]).toMatchObject({
      id: tail.id,
      amount: { fibres: 9 },
      instruction: "tips level",
      checks: [{ feature: "level", when: "dry" }],
    });
  });
  test("and half typed for a while, has it again when it is whole", () => {
    const half = typed(["tail: pheasant tail, a few fi", "whip finish, 5 turns"], draft);
    expect(made(half).steps.map((s) => s.do)).toEqual(["whip"]);
    expect(made(half).told?.[0]?.asks?.[0]).toContain("With you it is 7");
    const now = typed(["tail: pheasant tail, 7 fibres, = shank", "whip finish, 5 turns"], half);
    expect(made(now).steps[0]).toMatchObject({ id: tail.id, amount: { fibres: 7 }, instruction: "tips level" });
  });
  test("and moved, is the same step in another place", () => {
    const now = typed(["whip finish, 5 turns", "tail: pheasant tail, 6 fibres, = half shank"], draft);
    expect(made(now).steps[1]).toMatchObject({ id: tail.id, instruction: "tips level" });
  });
  test("and taken out, takes its step with it", () => {
    const now = typed(["whip finish, 5 turns"], draft);
    expect(made(now).steps.map((s) => s.do)).toEqual(["whip"]);
    expect(now.past).toEqual([]);
  });
});

describe("what is changed beside the text", () => {
  test("goes into the line that told it", () => {
    const draft = typed(["Hook: nymph, 10-14", "Finish: clear lacquer, 2 coats"]);
    const reading = readDraft(draft, room);
    const other: Recipe = {
      ...reading.recipe,
      hookModel: "D1",
      sizes: { from: "12", to: "12" },
      finish: { state: "none" },
    };
    expect(lines({ ...draft, text: withFact(draft, reading, "hook", other, room) })[0]).toBe("Hook: Yard Dry, size 12");
    expect(lines({ ...draft, text: withFact(draft, reading, "finish", other, room) })[1]).toBe("Finish: none");
  });
  test("a line that the program said is said anew; typed words stay", () => {
    const said = draftOf(
      {
        name: "x",
        style: "y",
        origin: "",
        species: "",
        version: 1,
        recipe: { ...made(typed(["tail: pheasant tail, 6 fibres, = shank"])), told: undefined },
      },
      materials,
    );
    const fewer = (r: Recipe): Recipe => ({
      ...r,
      steps: r.steps.map((s) => ({ ...s, amount: { fibres: 4 } }) as RecipeStep),
    });
    expect(resaid(said, said.recipe, fewer(said.recipe), materials)).toContain("4 fibres");
    const own = typed(["tail: pheasant tail, 6 fibres, = shank"]);
    expect(resaid(own, own.recipe, fewer(own.recipe), materials)).toBe("tail: pheasant tail, 6 fibres, = shank");
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
    const draft = draftOf({ ...p, version: 3 }, cabinet);
    expect(draft.base).toBe(3);
    const { lines: read, recipe } = readDraft(draft, { ...room, materials: cabinet });
    expect(read.flatMap((l) => l.asks)).toEqual([]);
    const { told, ...plain } = fileOf(draft, p.id, recipe).recipe;
    expect(told?.map((l) => l.text).join("\n")).toBe(draft.text);
    expect(
      sameContent(
        { ...fileOf(draft, p.id, recipe), recipe: plain },
        {
          id: p.id,
          name: p.name,
          style: p.style,
          origin: p.origin,
          species: p.species,
          recipe: p.recipe,
        },
      ),
    ).toBe(true);
  });
});

describe("what is saved", () => {
  test("a part that no line is about any more is left out; hook and thread stay", () => {
    const draft = typed(["thread 70 denier olive, touching", "tail: pheasant tail, 6 fibres"]);
    const less = typed(["thread 70 denier olive, touching"], draft);
    expect(fileOf(less, "x", made(less)).recipe.components.map((c) => c.id)).toEqual(["hook", "thread"]);
  });
  test("the text itself, line by line, with what is still asked", () => {
    const draft = typed(["tail: zzyx, 6 fibres", "", "whip finish, 5 turns"]);
    expect(fileOf(draft, "x", made(draft)).recipe.told).toMatchObject([
      { text: "tail: zzyx, 6 fibres", steps: [], asks: ["What is “zzyx”? Say what it is made of."] },
      { text: "", steps: [] },
      { text: "whip finish, 5 turns", steps: ["whip-finish"] },
    ]);
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
