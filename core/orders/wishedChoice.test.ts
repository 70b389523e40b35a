import { describe, expect, test } from "vitest";
import { composeFly } from "../fly";
import type { HookModel } from "../hooks";
import type { Material } from "../materials";
import type { Recipe } from "../recipe";
import { askedWords, isGranted, wishFateSentence } from "../sentences";
import { choose, materials, model } from "../testing/nymph";
import { changed } from "../testing/recipes";
import { findWish } from "./wishes";
import { wishedChoice, type Wish } from ".";

const coloured = (code: string, like: string, colourName: string): [string, Material] => {
  const known = materials.get(like);
  if (!known) throw new Error(`no ${like}`);
  return [code, { ...known, code, name: code, colourName }];
};
const cabinet = new Map([
  ...materials,
  coloured("tail fibres, red", "pheasant", "red"),
  coloured("pheasant", "pheasant", "brown"),
  coloured("pearl flash", "flash", "pearl"),
]);
const near: HookModel = { ...model, id: "B", name: "Barbless Nymph", barbless: true };
/** The nymph with a flash that may be left out, a red tail in reserve, and a sparser dressing. */
const flashy = (more: (r: Recipe) => void = () => undefined): Recipe =>
  changed((r) => {
    r.components = r.components.map((c) =>
      c.id === "tail" ? { ...c, alternates: [{ material: "tail fibres, red" }] } : c,
    );
    r.components.push({ id: "sparks", role: "topping", material: [{ value: "pearl flash" }], optional: true });
    r.steps.splice(r.steps.length - 1, 0, {
      id: "sparks",
      name: "flash",
      do: "lay",
      component: "sparks",
      from: { fraction: 0.4 },
      to: { fraction: 0.45 },
      amount: { strands: 2, folded: true },
      shown: { mm: 12 },
    });
    r.densityBand = ["sparse"];
    more(r);
  });
const wish = (words: string): Wish => {
  const found = findWish(words, 0);
  if (!found) throw new Error(`“${words}” is no wish`);
  return found;
};
const granted = (
  words: string[],
  recipe = flashy(),
  hooks = new Map([
    [model.id, model],
    [near.id, near],
  ]),
) =>
  wishedChoice(words.map(wish), {
    recipe,
    choice: { size: "14", variant: "olive", form: "light" },
    fly: composeFly(recipe, choose({ form: "light" }), model, cabinet),
    materials: cabinet,
    hooks,
  });

describe("a wish becomes a choice where the pattern has it", () => {
  test.each<[string, object]>([
    ["no flash", { leave: ["sparks"] }],
    ["without sparkle", { leave: ["sparks"] }],
    ["ohne Glitzer", { leave: ["sparks"] }],
    ["without wings", { leave: ["wing"] }],
    ["ohne Flügel", { leave: ["wing"] }],
    ["with a red tail", { use: { tail: "tail fibres, red" } }],
    ["rote Schwänzchen", { use: { tail: "tail fibres, red" } }],
    ["barbless please", { use: { hook: "B" } }],
    ["Schonhaken", { use: { hook: "B" } }],
  ])("%s", (words, asked) => {
    const found = granted([words]);
    expect(found.asked).toEqual(asked);
    expect(found.fates.every(isGranted)).toBe(true);
  });
  test("sparse changes every part that is dressed by a quantity", () => {
    const { asked, fates } = granted(["sparsely dressed"]);
    expect(Object.keys(asked.methods ?? {}).every((way) => way.endsWith("/dressing"))).toBe(true);
    expect(Object.keys(asked.methods ?? {}).length).toBeGreaterThan(1);
    expect(fates.map(wishFateSentence)).toEqual(["sparsely dressed: dressed sparse"]);
  });
  test("several at once, each with its own answer", () => {
    const { asked, fates } = granted(["no flash", "red tail", "barbless"]);
    expect(asked).toEqual({ leave: ["sparks"], use: { tail: "tail fibres, red", hook: "B" } });
    expect(fates.map((f) => f.code)).toEqual(["LEFT_OUT", "TAKEN", "OTHER_HOOK"]);
  });
});

describe("a wish that the pattern does not have stays one, with its reason", () => {
  test.each<[string, string, RegExp]>([
    ["no rib", "NOT_OPTIONAL", /cannot do without its rib/],
    ["yellow tail", "NOT_IN_COLOUR", /allows no tail in yellow/],
    ["red hackle", "NOT_IN_COLOUR", /in red/],
    ["fully dressed", "NOT_DRESSED_SO", /says nothing of dressing/],
  ])("%s", (words, code, sentence) => {
    const { asked, fates } = granted([words]);
    expect(asked).toEqual({});
    expect(fates.map((f) => f.code)).toEqual([code]);
    expect(fates.map(wishFateSentence).join()).toMatch(sentence);
    expect(fates.some(isGranted)).toBe(false);
  });
  test("no barbless hook near enough", () => {
    const wide: HookModel = { ...near, gapeSteps: 6 };
    const { asked, fates } = granted(
      ["barbless"],
      flashy(),
      new Map([
        [model.id, model],
        [wide.id, wide],
      ]),
    );
    expect([asked, fates[0]?.code]).toEqual([{}, "NO_SUCH_HOOK"]);
  });
  test("lead in a fly that should have none is named", () => {
    const leaded = flashy((r) => {
      r.components.push({ id: "w", role: "weight", material: [{ value: "lead" }] });
      r.steps.splice(2, 0, {
        id: "w",
        name: "lead",
        do: "wind",
        component: "w",
        from: { fraction: 0.2 },
        rule: { touching: true, turns: 4 },
      });
    });
    const { fates } = granted(["lead free"], leaded);
    expect(fates.map(wishFateSentence)).toEqual(["lead free: lead has lead in it: choose another weight form"]);
    expect(granted(["lead free"]).fates.map((f) => f.code)).toEqual(["SO_ALREADY"]);
  });
  test("what is not about the fly has no fate here", () => {
    for (const words of ["in two parcels", "rush", "sample first", "originals only"])
      expect(granted([words])).toEqual({ asked: {}, fates: [] });
  });
  test("what is so already asks nothing", () => {
    expect(granted(["no collar"])).toMatchObject({ asked: {}, fates: [{ code: "SO_ALREADY" }] });
    expect(granted(["brown tail"])).toMatchObject({ asked: {}, fates: [{ code: "SO_ALREADY" }] });
  });
});

describe("a choice in words", () => {
  test("for everyone who handles the flies", () => {
    const recipe = flashy();
    const { asked } = granted(["no flash", "red tail", "sparse"], recipe);
    expect(askedWords(recipe, { size: "14", variant: "olive", form: "light" }, asked, cabinet)).toEqual([
      "without topping",
      "tail: tail fibres, red",
      "dressed sparse",
    ]);
  });
  test("the pattern's own fly has none", () =>
    expect(askedWords(flashy(), { size: "14", variant: "olive", form: "light" }, {}, cabinet)).toEqual([]));
});
