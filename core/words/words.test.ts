import { readdirSync, readFileSync } from "node:fs";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import type { MaterialForm, Material } from "../materials";
import type { Recipe, RecipeStep, Role } from "../recipe";
import { readLength, readNumber, readPlace, readRecipe, readStep, sayLength, sayNumber, sayPlace, sayStep } from ".";
import { cabinet as demoCabinet, hooks } from "./corpus/cabinet";

const wound = { id: "s", role: "rib" as Role, form: "wire" as MaterialForm };
const laid = { id: "s", role: "tail" as Role, form: "feather fibre" as MaterialForm };
const dubbed = { id: "s", role: "body" as Role, form: "dubbing" as MaterialForm };
const hackle = { id: "s", role: "hackle" as Role, form: "hackle" as MaterialForm };

describe("numbers", () => {
  test.each([
    ["10", 10],
    ["2½", 2.5],
    ["½", 0.5],
    ["1,5", 1.5],
    ["1/2", 0.5],
    ["half", 0.5],
    ["half a", 0.5],
    ["six", 6],
    ["two and a half", 2.5],
    ["a", 1],
  ])("%s is %d", (text, n) => expect(readNumber(text)).toBeCloseTo(n));
  test.each(["", "few", "1/0", "x2"])("“%s” is none", (text) => expect(readNumber(text)).toBeUndefined());
  test("any number reads back", () => {
    fc.assert(
      fc.property(fc.double({ min: 0.001, max: 999, noNaN: true }), (n) => {
        expect(readNumber(sayNumber(Number(n.toFixed(4))))).toBeCloseTo(n, 3);
      }),
    );
  });
});

describe("lengths and places", () => {
  test.each([
    ["12 mm", { mm: 12 }],
    ["half an inch", { mm: 12.7 }],
    ["0.5 inch", { mm: 12.7 }],
    ["shank", { of: "shank", times: 1 }],
    ["half shank", { of: "shank", times: 0.5 }],
    ["1.5 gapes", { of: "gape", times: 1.5 }],
    ["twice", undefined],
    ["to the point", { reach: "point" }],
    ["2 mm past the wing", { reach: "wing", pastMm: 2 }],
    ["just past the wing", { reach: "wing", pastMm: 1 }],
    ["level with the tail tip", { reach: "tail" }],
    ["to mid-tail", { reach: "mid-tail" }],
  ])("length “%s”", (text, rule) => {
    if (rule === undefined) expect(readLength(text)).toBeUndefined();
    else expect(readLength(text)).toEqual(rule);
  });
  test.each([
    ["bend", { landmark: "bend" }],
    ["into the bend", { landmark: "intoBend" }],
    ["mid-shank", { fraction: 0.5 }],
    ["30 %", { fraction: 0.3 }],
    ["0.28 shank", { fraction: 0.28 }],
    ["a third of the shank", { fraction: 1 / 3 }],
    ["1.2 eyes", { eyeLengths: 1.2 }],
    ["two eye lengths behind the eye", { eyeLengths: 2 }],
    ["behind the bead", { landmark: "eye" }],
  ])("place “%s”", (text, place) => expect(readPlace(text)).toEqual(place));
  test("said places and lengths read back", () => {
    for (const p of [{ landmark: "barb" }, { fraction: 0.5 }, { fraction: 0 }, { eyeLengths: 0.3 }] as const)
      expect(readPlace(sayPlace(p))).toEqual(p);
    for (const l of [
      { mm: 3.25 },
      { of: "body", times: 2 },
      { reach: "wing", pastMm: 1.5 },
      { reach: "mid-tail" },
    ] as const)
      expect(readLength(sayLength(l))).toEqual(l);
  });
});

describe("how a step is done, as it is said", () => {
  const cases: [string, Parameters<typeof readStep>[1], Partial<Record<string, unknown>>][] = [
    ["10 fibres", laid, { do: "lay", amount: { fibres: 10 } }],
    [
      "3 mm of fibres, = half shank",
      laid,
      { amount: { spanMm: 3 }, shown: { of: "shank", times: 0.5 }, attitude: "back" },
    ],
    ["tail = shank, six fibres", laid, { amount: { fibres: 6 }, shown: { of: "shank", times: 1 } }],
    [
      "2 strands folded, 12 mm long",
      { ...laid, form: "flash" },
      { amount: { strands: 2, folded: true }, shown: { mm: 12 } },
    ],
    [
      "clump of 0.15 gape, just past the wing",
      { ...laid, form: "hair" },
      { amount: { clump: { of: "gape", times: 0.15 } }, shown: { reach: "wing", pastMm: 1 } },
    ],
    [
      "clump as thick as a matchstick, 2 times as much",
      { ...laid, form: "hair" },
      { amount: { clump: { mm: 2 } }, overTake: 2 },
    ],
    ["half a feather", laid, { amount: { feathers: 0.5 } }],
    ["1 pair of feathers to both sides", laid, { amount: { feathers: 2, paired: true }, attitude: "sides" }],
    ["patch of 12 mm²", { ...laid, form: "hair" }, { amount: { patchMm2: 12 } }],
    [
      "slips 2 mm wide over the back",
      { ...laid, role: "wing", form: "quill" },
      { amount: { slipWidth: { mm: 2 } }, attitude: "over" },
    ],
    ["4 turns round the post", { ...wound, role: "hackle", form: "hackle" }, { rule: { turns: 4 }, roundPost: true }],
    ["5 turns counter", wound, { do: "wind", rule: { turns: 5 }, counter: true }],
    [
      "2½ turns from 0.95 shank to bend",
      wound,
      { rule: { turns: 2.5 }, from: { fraction: 0.95 }, to: { landmark: "bend" } },
    ],
    [
      "six touching turns from mid-shank",
      { ...wound, role: "weight", form: "weight wire" },
      { rule: { touching: true, turns: 6 }, from: { fraction: 0.5 } },
    ],
    [
      "touching, there and back, stretched 2 times",
      { ...wound, role: "body", form: "stretch body" },
      { rule: { touching: true }, passes: 2, stretch: 2 },
    ],
    ["overlapping by half, 3 layers", { ...wound, role: "body", form: "floss" }, { rule: { overlap: 0.5 }, passes: 3 }],
    ["rope of 3, touching", { ...wound, role: "body", form: "herl" }, { rope: 3 }],
    [
      "ramp 0.5 to 0.2 gape, from the eye to mid-shank",
      { ...wound, role: "thread", form: "thread" },
      {
        rule: { touching: true },
        fill: [
          { of: "gape", times: 0.5 },
          { of: "gape", times: 0.2 },
        ],
        to: { fraction: 0.5 },
      },
    ],
    ["filled to 1.2 mm", { ...wound, role: "body", form: "floss" }, { fill: [{ mm: 1.2 }, { mm: 1.2 }] }],
    ["zigzag, 6 turns", wound, { passes: 2, rule: { turns: 6 } }],
    ["in an open spiral, every 2 mm", wound, { rule: { pitch: 2 } }],
    [
      "stacked, 6 turns from 1.2 eyes",
      { ...wound, role: "thread", form: "thread" },
      { rule: { turns: 6 }, from: { eyeLengths: 1.2 }, to: { eyeLengths: 1.2 } },
    ],
    ["gold face showing, touching", { ...wound, role: "body", form: "tinsel" }, { shows: "gold" }],
    [
      "begun with 120 mm, 45 mm left, touching",
      { ...wound, role: "body", form: "stretch body" },
      { take: { from: "leftover", startMm: 120, leftMm: 45 } },
    ],
    ["12 fibres, half to each side", { ...laid, role: "legs" }, { round: { near: 1, far: 1 } }],
    ["9 fibres shared 2 top and 1 underside", { ...laid, role: "throat" }, { round: { top: 2, underside: 1 } }],
    ["6 fibres on the near side", { ...laid, role: "legs" }, { round: { near: 1 } }],
    [
      "clump of 1.5 mm as a tent set by wraps at the root",
      { ...laid, role: "wing", form: "hair" },
      { stance: "tent", setBy: "wraps at the root" },
    ],
    ["clump of 1.5 mm in a V", { ...laid, role: "wing", form: "hair" }, { stance: "V" }],
    [
      "8 fibres, tied in at bend as a loose hold with 3 wraps",
      laid,
      { tieIn: { at: { landmark: "bend" }, hold: "loose hold", wraps: 3 } },
    ],
    ["loop of 60 mm, 3 layers, 0.4 mg a mm", dubbed, { loopMm: 60, loopLayers: 3, loopLoad: 0.4 }],
    ["just a trace", dubbed, { trace: true }],
    ["8 side by side, touching", { ...wound, role: "body", form: "feather fibre" }, { rope: 8, ribbon: true }],
    ["pieces of 60 mm, touching", wound, { take: { from: "pieces", pieceMm: 60, gripMm: 0, trimMm: 0 } }],
    [
      "3 turns at 1.2 eyes, barbs 1.2 to 1.7 gape, by the tip, swept back",
      hackle,
      {
        rule: { turns: 3 },
        from: { eyeLengths: 1.2 },
        to: { eyeLengths: 1.2 },
        barb: [
          { of: "gape", times: 1.2 },
          { of: "gape", times: 1.7 },
        ],
        methods: { "hackle tied in": "tip" },
        sweep: "back",
      },
    ],
    ["the whole feather at 1.2 eyes", hackle, { methods: { "hackle turns": "whole feather" } }],
    ["noodle 90 mm sparse", dubbed, { do: "dress", noodle: { mm: 90 }, thickness: "sparse" }],
    [
      "noodle of 2 shanks full, from mid-shank to bend",
      dubbed,
      { noodle: { of: "shank", times: 2 }, thickness: "full", from: { fraction: 0.5 } },
    ],
    [
      "0.4 to 0.2 gape full, brushed out",
      dubbed,
      {
        fullness: [
          { of: "gape", times: 0.4 },
          { of: "gape", times: 0.2 },
        ],
        brushed: true,
      },
    ],
    [
      "cigar 0.5 gape, in a loop of 40 mm",
      dubbed,
      {
        shape: "cigar",
        fullness: [
          { of: "gape", times: 0.5 },
          { of: "gape", times: 0.5 },
        ],
        loopMm: 40,
      },
    ],
    ["6 to 8 fibres", laid, { amount: { fibres: 7 }, spread: [6, 8] }],
    ["about 8 fibres", laid, { amount: { fibres: 8 }, spread: [6, 10] }],
    ["2 to 4 strands folded", { ...laid, form: "flash" }, { amount: { strands: 3, folded: true }, spread: [2, 4] }],
    ["3 to 4 turns at 1.2 eyes, hollow side in", hackle, { rule: { turns: 3.5 }, spread: [3, 4], face: "in" }],
    [
      "the whole feather, at most 4 turns, at 1.2 eyes, shiny side out",
      hackle,
      { atMost: 4, face: "in", methods: { "hackle turns": "whole feather" } },
    ],
    ["2 tips", laid, { amount: { feathers: 2, part: "tip" } }],
    ["1 feather, centre cut out", laid, { amount: { feathers: 1, part: "centre out" } }],
    ["one flank, = half shank", laid, { amount: { feathers: 1, part: "one flank" } }],
    [
      "at 1 eye, lashed on top",
      { id: "s", role: "eyes", form: "eyes" },
      { do: "seat", from: { eyeLengths: 1 }, lashed: "on top" },
    ],
    [
      "touching, from between the bends to mid-shank",
      { ...wound, role: "body", form: "floss" },
      { from: { landmark: "betweenBends" } },
    ],
    ["whip finish, 5 turns", { id: "s", role: "thread", form: "thread" }, { do: "whip", turns: 5 }],
    [
      "2 drops at mid-shank, open 5 min",
      { id: "s", role: "finish", form: "liquid" },
      { do: "glue", drops: 2, openMinutes: 5 },
    ],
    ["brush back, 0.5 min", { id: "s" }, { do: "act", act: "brush", direction: "back", minutes: 0.5 }],
    [
      "bound in, 1 strand, 4 wraps",
      wound,
      {
        do: "lay",
        countedWhenWound: true,
        amount: { strands: 1, folded: false },
        tieIn: { at: { landmark: "bend" }, wraps: 4 },
      },
    ],
  ];
  test.each(cases)("“%s”", (text, context, expected) => {
    const read = readStep(text, context);
    expect(read.doubts).toEqual([]);
    expect(read.step).toMatchObject(expected);
  });

  test.each([
    ["a few fibres", /different number to each tier/],
    ["a pinch", /^“a pinch” is no size[^?]*Squeeze it[^?]*$/],
    ["10 fibres, wibbly", /“wibbly” is not understood\. Here one can say/],
    ["= half shank", /How much of it\?/],
  ])("“%s” stays as typed, and asks", (text, sentence) =>
    expect(
      readStep(text, laid)
        .doubts.map((d) => d.sentence)
        .join(" "),
    ).toMatch(sentence),
  );

  test("as it was said and as it was understood are both kept, unless they are the same words", () => {
    const read = readStep("six fibres, tail = shank", laid).step;
    expect(read?.stated).toBe("six fibres, tail = shank");
    expect(readStep(sayStep(read as RecipeStep), { ...laid, was: read }).step).toEqual(read);
    expect(
      readStep(sayStep({ ...(read as RecipeStep), amount: { fibres: 7 } } as RecipeStep), { ...laid, was: read }).step
        ?.stated,
    ).toBeUndefined();
    expect(readStep(sayStep(read as RecipeStep), laid).step?.stated).toBeUndefined();
  });

  test("every way of saying a step reads back from what is said of it", () => {
    for (const [text, context] of cases) {
      const step = readStep(text, context).step as RecipeStep;
      const again = readStep(sayStep(step), { ...context, was: step });
      expect(again.doubts, sayStep(step)).toEqual([]);
      expect(again.step, sayStep(step)).toEqual(step);
    }
  });

  test("a length that nobody says is the usual one of the hook's family, and is told", () => {
    const tail = readStep("8 fibres", { ...laid, family: "dry" });
    expect(tail.step).toMatchObject({ shown: { of: "shank", times: 1 } });
    expect(tail.assumed).toContain("the shank length, as on a dry hook");
    expect(readStep("3 turns at 1.2 eyes", { ...hackle, family: "dry" }).step).toMatchObject({
      barb: [
        { of: "gape", times: 1.5 },
        { of: "gape", times: 2 },
      ],
    });
    expect(readStep("8 fibres, = half shank", { ...laid, family: "dry" }).step).toMatchObject({
      shown: { times: 0.5 },
    });
  });

  test("the tier's own number word is offered, never put in", () => {
    const read = readStep("a few fibres", { ...laid, numberWords: { "a few": 6 } });
    expect(read.step).toBeUndefined();
    expect(read.doubts[0]?.sentence).toContain("With you it is 6");
  });
});

const folder = new URL("../../demo/patterns/", import.meta.url);
const csv = readFileSync(new URL("../../demo/materials.csv", import.meta.url), "utf8")
  .split("\n")
  .map((l) => l.split(/,(?=(?:[^"]*"[^"]*")*[^"]*$)/));
const formOf = new Map(csv.map((c) => [c[0], c[2] as MaterialForm]));
const recipes = readdirSync(folder)
  .map((f) => JSON.parse(readFileSync(new URL(f, folder), "utf8")) as { id: string; recipe: Recipe })
  .filter((p) => p.id !== "old-pilot");
const everyStep = recipes.flatMap(({ id, recipe }) =>
  recipe.steps.map((step) => {
    const c = recipe.components.find((x) => x.id === step.component);
    return [
      `${id}: ${step.name}`,
      step,
      {
        id: step.id,
        was: step,
        component: step.component,
        role: c?.role ?? (step.do === "whip" ? ("thread" as Role) : undefined),
        form: formOf.get(c?.material[0]?.value ?? "") ?? (step.do === "whip" ? ("thread" as const) : undefined),
      },
    ] as const;
  }),
);

describe("every step of the demo patterns, said and read again", () => {
  test("there are many of them", () => expect(everyStep.length).toBeGreaterThan(90));
  test.each(everyStep)("%s", (_name, step: RecipeStep, context) => {
    const read = readStep(sayStep(step), context);
    expect(read.doubts).toEqual([]);
    expect(read.step).toEqual(step);
  });
});

describe("a line of a recipe", () => {
  const material = (code: string, name: string, form: MaterialForm): [string, Material] => [
    code,
    { code, name, form, unit: "count", measured: false, lead: false },
  ];
  const cabinet = new Map([
    material("PT", "pheasant tail feather", "feather fibre"),
    material("PTO", "pheasant tail feather, olive", "feather fibre"),
    material("WI", "copper wire, small", "wire"),
    material("DU", "hare fur, natural", "dubbing"),
  ]);
  const read = (text: string) => readRecipe(text, { materials: cabinet, hooks: [] });
  const codes = (text: string) =>
    read(text).recipe.components.flatMap((c) => c.material.map((m) => `${c.role} ${m.value}`));

  test.each([
    ["tail: olive pheasant tail, 6 fibres, = half shank", ["tail PTO"]],
    ["tail pheasant tail 6 fibres", ["tail PT"]],
    ["abdomen: hare, noodle 60 mm", ["body DU"]],
    ["Tie in 6 fibres of olive pheasant tail at the bend", ["tail PTO"]],
    ["tail: 6 olive pheasant tail fibres", ["tail PTO"]],
  ])("“%s” is of %j", (text, parts) => {
    expect(codes(text)).toEqual(parts);
    expect(read(text).lines[0]?.asks).toEqual([]);
  });
  test("a material that nobody has is described in the same breath, with the usual figures of its noun", () => {
    const { newMaterials, lines } = read("tail: barred wigeon flank, ember, 6 fibres");
    expect(newMaterials).toMatchObject([
      { name: "barred wigeon flank, ember", form: "feather fibre", measured: false },
    ]);
    expect(lines[0]?.asks).toEqual([]);
    expect(lines[0]?.notes.join()).toContain("is new");
  });
  test("what is no noun is asked about, with what it may be made of", () => {
    const [line] = read("tail: zzyx, 6 fibres").lines;
    expect(line?.asks[0]?.sentence).toBe("What is “zzyx”? Say what it is made of.");
    expect(line?.asks[0]?.answers.map((a) => a.text)).toContain("zzyx hair");
  });
  test("what was never tied in is told; so is what is tied in and never used", () => {
    expect(read("tie in copper wire at the bend").lines[0]?.notes).toContain("the rib is tied in here and never used");
    const wound = read("body: hare, noodle 40 mm\nrib with copper wire, 5 turns").lines[1];
    expect(wound?.notes.join()).toContain("was never tied in");
  });
  test("two figures for one thing are asked about, not chosen from", () =>
    expect(read("rib: copper wire, 6 turns, 1.2 mm apart").lines[0]?.asks[0]?.sentence).toMatch(
      /^6 turns, and 1.2 mm apart/,
    ));
  test("what stands in brackets is kept as an instruction", () => {
    const [line] = read("tail: pheasant tail, 6 fibres [spread them well]").lines;
    expect(line?.asks).toEqual([]);
    expect(line?.marks).toContainEqual({ at: [30, 48], kind: "aside" });
  });
});

describe("absurd recipes", () => {
  const materials = new Map<string, Material>();
  const read = (text: string) => readRecipe(text, { materials, hooks: [] });
  test("of 2,000 lines are read as far as a recipe goes; the rest is told at its place, and no line is lost", () => {
    const text = Array.from({ length: 2000 }, (_, i) => `tie in ${i} strands of wool yarn at the bend`).join("\n");
    const { lines } = read(text);
    expect(lines).toHaveLength(2000);
    expect(lines[200]?.asks[0]?.sentence).toContain("at most 60 steps");
    expect(lines.map((l) => l.text).join("\n")).toBe(text);
  });
  test("of one line of 50,000 characters ask for shorter lines", () => {
    const { lines } = read("tail: wool yarn, 3 strands, ".repeat(2000));
    expect(lines[0]?.asks.some((a) => a.sentence.includes("too long for one step"))).toBe(true);
  });
  test.each([
    "\u0000\u0001\u0007tail\u200b: \u202ewool",
    "尾巴：羊毛 три нити, 6 волокон",
    "((((((((((((((((",
    "tie in the tail tie in the tail tie in the tail",
    "change to the thread that is not there",
    "wind it, wind it, wind it",
    "9".repeat(400),
    "½½½ ½ ½/½ 1/0 turns",
  ])("“%s” is answered", (text) => {
    const { lines } = read(text);
    expect(lines.map((l) => l.text)).toEqual([text]);
    expect(lines[0]?.marks.every((m) => m.at[0] >= 0 && m.at[1] <= text.length && m.at[0] < m.at[1])).toBe(true);
  });
});

describe("what must not be mistaken", () => {
  const read = (text: string) =>
    readRecipe(`Hook: N1 12\nThread: black 70 denier\n${text}`, { materials: demoCabinet, hooks });
  const weightOf = (text: string) => {
    const { recipe, newMaterials } = read(text);
    const code = recipe.components.find((c) => c.role === "weight")?.material[0]?.value ?? "";
    return demoCabinet.get(code) ?? newMaterials.find((m) => m.code === code);
  };
  test.each([
    ["Weight: 10 turns of lead wire .015", true, 0.38],
    ["Weight: 10 turns of .015 leadfree", false, 0.38],
    ["Weight: 10 turns of lead-free wire .020", false, 0.51],
    ["Weight: 10 turns of lead .020", true, 0.51],
    ["Weight: 10 turns of non-toxic wire .010", false, 0.25],
  ])("lead is lead, and what is free of it is not: %s", (text, lead, width) => {
    const weight = weightOf(text);
    expect(weight?.lead).toBe(lead);
    expect(weight?.strand?.width).toBeCloseTo(width, 1);
    expect(weight?.strand?.density).toBeCloseTo(lead ? 11.34 : 7.3, 1);
  });
  test("a verb that says the direction says it of its turns", () => {
    for (const text of ["Counter-wind the rib 5 turns", "Rib the body with the wire, 5 turns counter to the thread"]) {
      const rib = read(`Rib: fine copper wire\nBody: hare fur, 0.4 gape full\n${text}`).recipe.steps.find(
        (s) => s.do === "wind" && s.name === "rib",
      );
      expect(rib, text).toMatchObject({ rule: { turns: 5 }, counter: true });
    }
  });
  test("what is named beside the hook is a thing of its own, never dropped", () => {
    const { lines, recipe } = readRecipe("N1 12-16, 2.8 mm brass bead", { materials: demoCabinet, hooks });
    expect(recipe).toMatchObject({ hookModel: "N1", sizes: { from: "12", to: "16" } });
    expect(lines[0]?.asks).toEqual([]);
    expect(recipe.steps.map((s) => [s.do, s.component])).toEqual([["seat", "bead"]]);
    const feather = readRecipe("N1 12-16, partridge hackle", { materials: demoCabinet, hooks }).lines[0];
    expect(feather?.asks.map((a) => a.sentence)).toEqual([
      "“partridge hackle” is not the hook. Give it a line of its own.",
    ]);
  });
  test("a bunch behind whose comma a measure stands is a loose bunch, and the measure its length", () => {
    const line = read("Throat: red hackle fibres, small bunch, gape length").lines[2];
    expect(line?.asks.map((a) => a.sentence).join()).toContain("“small bunch” is no size that can be computed");
  });
  test("a numbered part counts nothing", () => {
    const { recipe } = read(
      "wing 1 - white bucktail, clump 2 mm thick, shank length\nwing 2 - 6 peacock herls, shank length",
    );
    const amounts = recipe.steps.flatMap((s) => (s.do === "lay" ? [s.amount] : []));
    expect(amounts).toEqual([{ clump: { mm: 2 } }, { strands: 6, folded: false }]);
  });
  test("a hackle whose barbs go to a place is measured from where it is wound", () => {
    const step = read("Hackle: three turns of soft hen hackle, barbs just past the point").recipe.steps.at(-1);
    expect(step).toMatchObject({
      do: "wind",
      barb: [
        { reach: "point", pastMm: 1 },
        { reach: "point", pastMm: 1 },
      ],
    });
  });
});

describe("what the guide to writing says", () => {
  const guide = readFileSync(new URL("../../docs/patterns.md", import.meta.url), "utf8");
  const section = (head: string): string => guide.split(`## ${head}\n`)[1]?.split("\n## ")[0] ?? "";
  const phrases = (head: string): [row: string, phrase: string][] =>
    section(head)
      .split("\n")
      .filter((l) => l.startsWith("| ") && l.includes("`"))
      .flatMap((l) => {
        const [, row = "", said = ""] = l.split("|");
        return [...said.matchAll(/`([^`]+)`/g)].map((m): [string, string] => [row.trim(), m[1] ?? ""]);
      });
  const asks = (line: string): string[] => {
    const text = [
      "Hook: N1 10 to 14",
      "Thread: black 70 denier",
      "Weight: 8 turns of lead-free wire .010",
      "Tail: 6 pheasant tail fibres, half the shank",
      "Body: hare fur, 0.4 gape full, from the bend to mid-shank",
      "Wing: white bucktail, clump of 1.5 mm, shank length",
      "Thorax: peacock herl, 3 turns",
      line,
    ].join("\n");
    const { lines } = readRecipe(text, { materials: demoCabinet, hooks });
    return lines.at(-1)?.asks.map((a) => a.sentence) ?? [];
  };
  test("each place and length of its tables is read", () => {
    const places = phrases("Places");
    const lengths = phrases("Lengths");
    expect(places.length).toBeGreaterThan(12);
    expect(lengths.length).toBeGreaterThan(12);
    const where = (p: string) => [
      `tie in 8 strands of pearl flash as the flash, ${p}, shank length`,
      `tie in 8 strands of pearl flash as the flash at ${p}, shank length`,
      `Rear body: hare fur, 0.3 gape full, ${p}`,
    ];
    const notRead = [
      ...places.filter(([, p]) => where(p).every((line) => asks(line).length > 0)),
      ...lengths.filter(([, p]) => asks(`Legs: 6 pheasant tail fibres, ${p}`).length > 0),
    ];
    expect(notRead).toEqual([]);
  });
  test("each way of its table is read of some part", () => {
    const ways = phrases("How it is done");
    expect(ways.length).toBeGreaterThan(50);
    const lines = (p: string) => [
      `Legs: pheasant tail fibres, ${p}`,
      `Legs: 6 pheasant tail fibres, ${p}`,
      `Flash: pearl flash, ${p}`,
      `Rib: copper wire, ${p}`,
      `Tag: gold tinsel, ${p}`,
      `Hackle: brown hen hackle, ${p}`,
      `Abdomen: hare fur, ${p}`,
      `Underbody: black floss, ${p}`,
      `Wing: hide strip of rabbit, ${p}`,
      `Wing: slate quill, ${p}`,
      `Shuck: clear stretch strip 2 mm, ${p}`,
      `tie in 6 pheasant tail fibres as legs, ${p}`,
      `tie in the copper wire and ${p}`,
      `put on glue, ${p}`,
      `brush the body, ${p}`,
      p,
    ];
    expect(ways.filter(([, p]) => lines(p).every((line) => asks(line).length > 0))).toEqual([]);
  });
});
