import { describe, expect, test } from "vitest";
import { DomainError } from "../errors";
import type { RecipeStep } from "../recipe";
import { choose, materials, recipe } from "../testing";
import {
  bulkStep,
  dressed,
  dressingShare,
  habits,
  habitsOn,
  isDressed,
  PAIRS_IN_BULK,
  PIECES_IN_BULK,
  questions,
  questionsOf,
  schoolOf,
  Schooling,
  type StepFacts,
} from ".";

const own = recipe();
const stepNamed = (id: string): RecipeStep => {
  const step = own.steps.find((s) => s.id === id);
  if (!step) throw new Error(`The test's recipe has no step ${id}.`);
  return step;
};
const partOf = (step: RecipeStep): Pick<StepFacts, "role" | "form"> => {
  const component = own.components.find((c) => c.id === step.component);
  return { role: component?.role, form: materials.get(component?.material.at(-1)?.value ?? "")?.form };
};
const facts = (step: RecipeStep): StepFacts => ({ step, ...partOf(step), recipe: own });
const question = (id: string) => {
  const found = questions.find((q) => q.id === id);
  if (!found) throw new Error(`There is no question ${id}.`);
  return found;
};

describe("questions", () => {
  test("have names of their own, and are answered by two schools at least", () => {
    expect(new Set(questions.map((q) => q.id)).size).toBe(questions.length);
    for (const q of questions)
      for (const step of own.steps)
        if (q.raisedBy(facts(step))) {
          const ids = q.schools(facts(step)).map((s) => s.id);
          expect([q.id, ids.length >= 2, new Set(ids).size === ids.length]).toEqual([q.id, true, true]);
        }
  });

  test("of a step that names no school have a usual one among them", () => {
    for (const step of own.steps)
      for (const q of questionsOf(facts(step)))
        expect([q.id, q.schools(facts(step)).some((s) => s.id === q.usual(facts(step)))]).toEqual([q.id, true]);
  });

  test.each<[string, string[]]>([
    ["rib", ["rib direction", "wire ends", "pieces"]],
    ["base", []],
    ["body", ["dubbing way", "dubbing dose"]],
  ])("are raised by what is tied: %s", (id, expected) => {
    const raised = questionsOf(facts(stepNamed(id))).map((q) => q.id);
    expect(raised).toEqual(expect.arrayContaining(expected));
    expect(raised).not.toContain("hackle tied in");
  });

  test("that are a tier's habits have the same schools on every step", () => {
    for (const q of habits) {
      const answers = own.steps.filter((s) => q.raisedBy(facts(s))).map((s) => q.schools(facts(s)).map((x) => x.id));
      expect([q.id, new Set(answers.map(String)).size <= 1]).toEqual([q.id, true]);
    }
  });
});

describe("the school of a step", () => {
  const rib = stepNamed("rib");
  const of = (step: RecipeStep, choice = {}): string => schoolOf(question("wire ends"), facts(step), choice).id;

  test("is the order's choice, else the pattern's, else what its quantities say", () => {
    const broken = { ...rib, methods: { "wire ends": "broken" } };
    expect(of(rib)).toBe("cut");
    expect(of(broken)).toBe("broken");
    expect(of(broken, { methods: { "rib/wire ends": "cut" } })).toBe("cut");
  });

  test("is what pays for so many flies only where nobody chose", () => {
    const pieces = (flies: number, step = rib): string => schoolOf(question("pieces"), facts(step), { flies }).id;
    expect([pieces(PIECES_IN_BULK - 1), pieces(PIECES_IN_BULK)]).toEqual(["spool", "cut"]);
    expect(pieces(PIECES_IN_BULK, { ...rib, methods: { pieces: "spool" } })).toBe("spool");
  });

  test("is refused where it answers another question", () => {
    expect(() => of(rib, { methods: { "rib/wire ends": "chewed" } })).toThrow(
      expect.objectContaining({
        code: "METHOD_UNKNOWN",
        details: expect.objectContaining({ known: ["cut", "broken"] }),
      }),
    );
    expect(() => of(rib, { methods: { "rib/wire ends": "" } })).toThrow(DomainError);
  });
});

describe("ways of one fly", () => {
  const ways = (choice = choose()) => {
    const schooling = new Schooling(own, choice, partOf);
    for (const s of own.steps) schooling.settle(s);
    return schooling;
  };

  test("cost what they take more than the pattern's own", () => {
    const rib = stepNamed("rib");
    expect(ways().minutesOver(rib)).toBe(0);
    expect(ways(choose({ methods: { "rib/wire ends": "broken" } })).minutesOver(rib)).toBeCloseTo(0.05);
    expect(ways(choose({ methods: { "body/dubbing way": "loop" } })).minutesOver(stepNamed("body"))).toBeCloseTo(0.8);
  });

  test("bring their tools and checks along", () => {
    const [way] = ways(choose({ methods: { "body/dubbing way": "loop" } }))
      .waysOf(stepNamed("body"))
      .filter((w) => w.question === "dubbing way");
    expect(way).toMatchObject({ school: "loop", tools: ["loop spinner"] });
    expect(way?.checks?.[0]?.when).toBe("wet");
    expect(way?.inBulk).toBeUndefined();
  });

  test("say where nobody chose them, and many flies did", () => {
    const pieces = (flies: number) =>
      ways(choose({ flies }))
        .waysOf(stepNamed("rib"))
        .find((w) => w.question === "pieces");
    expect([pieces(PIECES_IN_BULK)?.inBulk, pieces(12)?.inBulk]).toEqual([true, undefined]);
  });

  test("are not mixed up between one number of flies and another", () => {
    const school = (flies: number) => ways(choose({ flies })).school(stepNamed("rib"), "pieces")?.id;
    expect([school(12), school(120), school(12)]).toEqual(["spool", "cut", "spool"]);
  });
});

test("between the numbers at which something pays nothing changes", () => {
  expect(
    [undefined, 0, PAIRS_IN_BULK - 1, PAIRS_IN_BULK, PIECES_IN_BULK - 1, PIECES_IN_BULK, 1000].map(bulkStep),
  ).toEqual([0, 0, 0, 1, 1, 2, 2]);
});

describe("a tier's own ways", () => {
  test("hold where a step raises the question and has such a school", () => {
    const all = own.steps.map(facts);
    expect(habitsOn(all, { "wire ends": "broken" })).toEqual({ "rib/wire ends": "broken" });
    expect(habitsOn(all, { "wire ends": "chewed", "hackle turns": "count" })).toEqual({});
    expect(habitsOn([], { "wire ends": "broken" })).toEqual({});
  });
});

describe("dressing", () => {
  test.each<[string, RecipeStep["do"] | string, boolean]>([
    ["tail", "fibres", true],
    ["body", "dubbing", true],
    ["rib", "turns of a wire", false],
    ["rib-in", "a strand that waits", false],
    ["wing", "slips of a width", false],
    ["bead", "a bead", false],
  ])("changes %s (%s): %s", (id, _what, changes) => {
    const step = stepNamed(id);
    expect(isDressed(step, partOf(step).form)).toBe(changes);
  });

  test("is a share of what the pattern was written in", () => {
    expect(dressingShare({}, "standard")).toBe(1);
    expect(dressingShare({ density: "sparse" }, "sparse")).toBe(1);
    expect(dressingShare({ density: "sparse" }, "full")).toBeCloseTo(1.25 / 0.8);
    expect(dressingShare({ density: "full" }, "slim") * dressingShare({ density: "slim" }, "full")).toBeCloseTo(1);
  });

  test("keeps counts whole, never none, and turns by halves", () => {
    const tail = stepNamed("tail");
    const fibres = (k: number) => {
      const step = dressed(tail, k);
      return step.do === "lay" && "fibres" in step.amount ? step.amount.fibres : undefined;
    };
    expect([fibres(0.65), fibres(1), fibres(1.25), fibres(0.01)]).toEqual([4, 6, 8, 1]);
    const turns = (n: number, k: number) => {
      const step = dressed({ ...stepNamed("rib"), rule: { turns: n } } as RecipeStep, k);
      return step.do === "wind" ? step.rule.turns : undefined;
    };
    expect([turns(3, 0.8), turns(5, 1.25), turns(1, 0.01)]).toEqual([2.5, 6.5, 0.5]);
  });

  test("lets a section hold k times as much, and not a thickness", () => {
    const body = dressed(stepNamed("body"), 0.64);
    const [front] = body.do === "dress" ? (body.fullness ?? []) : [];
    expect(front && "of" in front ? front.times : undefined).toBeCloseTo(0.4 * 0.8);
  });

  test("of one leaves a step as it is", () => {
    expect(dressed(stepNamed("tail"), 1)).toBe(stepNamed("tail"));
  });
});
