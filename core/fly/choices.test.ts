import { beadSentence, methodSentence, orderWords, takenAwaySentence } from "../sentences";
import { describe, expect, test } from "vitest";
import fc from "fast-check";
import { plainParts, denierOfNumber, threadNumberOf, type Material } from "../materials";
import { differencesBetween, judgeSubstitute, methodDifferences, requirementsOf } from "../needs";
import { choose, materials, model, recipe } from "../testing/nymph";
import { changed as change, withStep } from "../testing/recipes";
import { composeFly, proportionsOf, sharesOfShank, tieInsOf, type FlyStep } from ".";
import { benchStepOf, cautionsOf, checksOf, directionWords, judgeBead, ownBeadFaults } from "../bench";
import { changesBetween } from "../versions";
import {
  circleIn,
  hookOf,
  missingFrom,
  moveStep,
  orderFaults,
  precedences,
  rehomed,
  roomToMove,
  sameContent,
  type FlyChoice,
  type Recipe,
  type RecipeStep,
} from "../recipe";
import { habitsOn } from "../methods";

const fly = (r: Recipe = recipe(), c: Partial<FlyChoice> = {}) =>
  composeFly(r, choose(c), model, materials, { keepProfiles: true });
const request = (r: Recipe, c: Partial<FlyChoice> = {}) => ({ recipe: r, choice: choose(c), model, materials });
const half = { fraction: 0.5 } as const;
const find = (r: Recipe, question: string, school: string, flies = 120, c: Partial<FlyChoice> = {}) =>
  methodDifferences(request(r, c), flies).find((d) => d.question === question && d.other.id === school);

/** The fly with a body that is wound in touching turns. */
const withWoundBody = (material: string, passes: number): Recipe =>
  change((r) => {
    r.components = r.components.map((c) => (c.id === "body" ? { ...c, material: [{ value: material }] } : c));
    r.steps[4] = {
      id: "body",
      name: "body",
      do: "wind",
      component: "body",
      from: { fraction: 0.5 },
      to: { landmark: "bend" },
      rule: { touching: true },
      passes,
    };
  });

describe("methods", () => {
  const collar = withStep(
    {
      id: "collar",
      name: "collar",
      do: "wind",
      component: "hackle",
      from: { eyeLengths: 0.6 },
      to: { eyeLengths: 0.6 },
      rule: { turns: 2 },
      barb: [
        { of: "gape", times: 1 },
        { of: "gape", times: 1.4 },
      ],
    },
    { id: "hackle", role: "collar", material: [{ value: "hackle" }] },
  );
  const folded = withStep({
    id: "abdomen",
    name: "fibre abdomen",
    do: "wind",
    component: "tail",
    from: { fraction: 0.5 },
    to: { landmark: "bend" },
    rule: { touching: true },
    rope: 6,
    carries: "tail",
  });

  test("folding the ends back spares the feathers that a new bundle would take, to the feather", () => {
    const feathers = (c: Partial<FlyChoice>) =>
      requirementsOf(composeFly(folded, choose(c), model, materials), 120).filter((x) => x.component === "tail")[0]
        ?.issue ?? 0;
    const [fold, anew] = [feathers({}), feathers({ methods: { "abdomen/bundle": "cut anew" } })];
    // 6 + 6 fibres instead of 6; a feather gives 40 · 2.5 · 2 · 0.9 = 180: 720 fibres are 4 feathers, 1440 are 8,
    // before spoilage.
    expect(anew).toBeGreaterThan(fold);
    const d = find(folded, "bundle", "cut anew");
    expect(d?.differences.find((x) => x.material === "pheasant")).toMatchObject({ before: fold, after: anew });
    expect(d && methodSentence(d)).toBe(
      `cut, and tie a new bundle in: takes ${anew - fold} pheasant more, 48 minutes more`,
    );
  });

  test("a bundle carried on must be long enough for both", () => {
    const use = fly(folded).parts.find((p) => p.component === "tail")?.uses[0]?.use;
    const alone = fly().parts.find((p) => p.component === "tail")?.uses[0]?.use;
    if (use?.kind !== "fibres" || alone?.kind !== "fibres") throw new Error("the tail is taken by fibres");
    expect(use.lengthMm).toBeGreaterThan(alone.lengthMm + 8);
  });

  test("the whole feather: as many turns as its usable stem gives, one feather a fly", () => {
    const whole = fly(collar, { methods: { "collar/hackle turns": "whole feather" } });
    const turned = whole.tied.steps.find((s) => s.id === "collar");
    expect(turned?.length).toBeCloseTo(60 - 20 - 4, 6);
    expect(turned?.turns).toBeGreaterThan(2);
    expect(requirementsOf(whole, 100).find((r) => r.component === "hackle")?.perFly).toBe(1);
  });

  test("by the tip the pliers hold the butt, so that the usable stem is longer", () => {
    const tip = fly(collar, { methods: { "collar/hackle tied in": "tip", "collar/hackle turns": "whole feather" } });
    expect(tip.tied.steps.find((s) => s.id === "collar")?.length).toBeCloseTo(60 - 9, 6);
  });

  test("a whole feather over a zone is wound closer until it is used up", () => {
    const palmer = withStep(
      {
        id: "palmer",
        name: "palmer",
        do: "wind",
        component: "hackle",
        from: { fraction: 0.5 },
        to: { fraction: 0.9 },
        rule: { turns: 3 },
        methods: { "hackle turns": "whole feather" },
      },
      { id: "hackle", role: "hackle", material: [{ value: "hackle" }] },
    );
    expect(fly(palmer).tied.steps.find((s) => s.id === "palmer")?.length).toBeCloseTo(36, 3);
  });

  test("dubbing in a loop takes thread for the loop and none for the noodle", () => {
    const threads = (c: Partial<FlyChoice>) => fly(recipe(), c).tied.threads[0]?.use;
    const [twisted, loop] = [threads({}), threads({ methods: { "body/dubbing way": "loop" } })];
    expect(loop?.underDubbing).toBe(0);
    expect(loop?.loops).toBeCloseTo(2 * (twisted?.underDubbing ?? 0) + 40, 6);
  });

  test("touched dubbing loses more: mass is that of the same body over half", () => {
    const mass = (c: Partial<FlyChoice>) => fly(recipe(), c).tied.steps.find((s) => s.id === "body")?.mass ?? 0;
    expect(mass({ methods: { "body/dubbing way": "touched" } }) / mass({})).toBeCloseTo(0.7 / 0.5, 6);
  });

  test("floss or the thread itself: the floss falls away, the thread grows", () => {
    const floss = withWoundBody("floss", 2);
    const d = find(floss, "body ground", "flat thread");
    expect(d?.differences.find((x) => x.material === "floss")?.after).toBe(0);
    expect(
      (d?.differences.find((x) => x.material === "olive")?.after ?? 0) >
        (d?.differences.find((x) => x.material === "olive")?.before ?? 0),
    ).toBe(true);
  });

  test("thread spun flat lies wide and thin: fewer turns cover the body", () => {
    const ofThread = withWoundBody("olive", 4);
    const lies = (lay?: string) => {
      const { tied } = fly(ofThread, lay === undefined ? {} : { methods: { "body/thread lay": lay } });
      return tied.steps.find((x) => x.id === "body")?.turns ?? 0;
    };
    // Widths go with the root of the aspect: 3 as it comes, 6 flat, 1.2 corded.
    expect(lies("flat") / lies()).toBeCloseTo(Math.sqrt(3 / 6), 1);
    expect(lies("corded") / lies()).toBeCloseTo(Math.sqrt(3 / 1.2), 1);
  });

  test.each([
    ["wire ends", "broken", "wire", -1],
    ["butts", "trimmed after", undefined, 0],
    ["feather use", "whole flies", "pheasant", 0],
    ["head", "none", "lacquer", -1],
    ["pieces", "cut", "wire", -1],
  ] as const)("%s: %s", (question, school, code, sign) => {
    const d = find(recipe(), question, school);
    expect(d?.fault).toBeUndefined();
    if (code && sign !== 0)
      expect(
        Math.sign(
          (d?.differences.find((x) => x.material === code)?.after ?? 0) -
            (d?.differences.find((x) => x.material === code)?.before ?? 0),
        ),
      ).toBe(sign);
    expect(d && methodSentence(d)).toMatch(/: /);
  });

  test("no finish, whipped twice: twice the turns of the whip", () => {
    const whip = (c: Partial<FlyChoice>) => fly(recipe(), c).tied.threads[0]?.use.whip ?? 0;
    expect(whip({ methods: { "whip/head": "none" } })).toBeCloseTo(2 * whip({}), 9);
  });

  test("another finish of the pattern is one of the schools", () => {
    const r = change((x) => x.components.push({ id: "resin", role: "finish", material: [{ value: "glue" }] }));
    expect(fly(r, { methods: { "whip/head": "resin" } }).parts.map((p) => p.component)).toContain("resin");
    expect(fly(r).parts.map((p) => p.component)).not.toContain("resin");
  });

  test("coats follow each other in different products", () => {
    const r = change((x) => {
      x.components.push({ id: "glue", role: "finish", material: [{ value: "glue" }] });
      x.finish = {
        state: "given",
        component: "glue",
        coats: 1,
        dryMinutes: 1,
        then: [{ component: "finish", coats: 2, dryMinutes: 360 }],
      };
    });
    const parts = fly(r).parts;
    expect(parts.find((p) => p.component === "finish")?.uses[0]?.use).toMatchObject({ kind: "volume" });
    expect(missingFrom(r)).toEqual([]);
  });

  test("weighted eyes: a drop of glue, or six wraps more", () => {
    const r = withStep(
      {
        id: "eyes",
        name: "eyes",
        do: "seat",
        component: "eyes",
        from: { eyeLengths: 0.2 },
        glue: "glue",
        tieIn: { at: { eyeLengths: 0.2 }, wraps: 10 },
      },
      { id: "eyes", role: "eyes", material: [{ value: "eyes" }] },
    );
    r.components.push({ id: "glue", role: "finish", material: [{ value: "glue" }] });
    const use = (c: Partial<FlyChoice>) => fly(r, c);
    const thread = { methods: { "eyes/weighted eyes": "thread only" } };
    expect(use({}).parts.find((p) => p.component === "glue")?.uses[0]?.use).toEqual({ kind: "volume", ul: 3 });
    expect(use(thread).parts.some((p) => p.component === "glue")).toBe(false);
    const told = (c: Partial<FlyChoice>) =>
      benchStepOf(use(c), use(c).steps.find((s) => s.id === "eyes") as FlyStep, "right").figures.join();
    expect([told({}), told(thread)]).toEqual([
      expect.stringContaining("10 wraps"),
      expect.stringContaining("16 wraps"),
    ]);
    expect((use(thread).tied.threads[0]?.use.tieIns ?? 0) > (use({}).tied.threads[0]?.use.tieIns ?? 0)).toBe(true);
  });

  test("dubbing stated both ways: the noodle counts unless the shape is chosen", () => {
    const r = change((x) => {
      x.steps[4] = { ...(x.steps[4] as RecipeStep), noodle: { mm: 40 }, thickness: "sparse" } as RecipeStep;
    });
    const body = (c: Partial<FlyChoice>) => fly(r, c).tied.steps.find((s) => s.id === "body");
    expect(body({})?.noodle).toBe(40);
    expect(body({})?.mass).toBeCloseTo((40 * 0.04) / 0.7, 9);
    expect(body({ methods: { "body/dubbing amount": "shape" } })?.endDiameters?.[0]).toBeCloseTo(
      0.4 * fly(r).hook.gape,
      1,
    );
  });

  test("an unknown school is refused with those that are known", () =>
    expect(() => fly(recipe(), { methods: { "body/dubbing way": "glued" } })).toThrow(
      expect.objectContaining({ code: "METHOD_UNKNOWN" }),
    ));

  test("choosing the pattern's own way changes nothing", () => {
    const own = fly();
    const chosen = fly(recipe(), {
      methods: Object.fromEntries(own.steps.flatMap((s) => s.methods.map((m) => [`${s.id}/${m.question}`, m.school]))),
    });
    expect(chosen.tied).toEqual(own.tied);
    expect(chosen.minutes).toBe(own.minutes);
  });
});

describe("the order of the steps", () => {
  test("the pattern as it stands breaks nothing", () => expect(orderFaults(recipe())).toEqual([]));
  test("a bead goes before all else, a bound-in rib before its winding, the knot last", () => {
    const hard = precedences(recipe()).filter((p) => p.hard);
    expect(hard).toContainEqual({
      first: "rib-in",
      then: "rib",
      hard: true,
      because: { code: "BOUND_IN_THERE", details: {} },
    });
    expect(new Set(hard.filter((p) => p.first === "bead").map((p) => p.then)).size).toBe(recipe().steps.length - 1);
    expect(new Set(hard.filter((p) => p.then === "whip").map((p) => p.first)).size).toBe(recipe().steps.length - 1);
  });
  test("a step can move as far as its hard precedences let it", () => {
    const r = recipe();
    const rib = r.steps.findIndex((s) => s.id === "rib");
    expect(roomToMove(r, rib)).toEqual({
      first: r.steps.findIndex((s) => s.id === "rib-in") + 1,
      last: r.steps.length - 2,
    });
    for (let to = 0; to < r.steps.length; to++) {
      const moved = { ...r, steps: moveStep(r.steps, rib, to) };
      const { first, last } = roomToMove(r, rib);
      expect(
        orderFaults(moved).some((f) => f.hard),
        `to ${to}`,
      ).toBe(to < first || to > last);
    }
  });
  test("moving a step and moving it back gives the same list", () =>
    fc.assert(
      fc.property(fc.nat(8), fc.nat(8), (a, b) => {
        expect(moveStep(moveStep(recipe().steps, a, b), b, a)).toEqual(recipe().steps);
      }),
    ));
  test("a soft precedence is told, but does not hold the pattern back", () => {
    const r = change((x) => {
      x.steps[2] = { ...(x.steps[2] as RecipeStep), after: [{ step: "legs", because: "the legs hide it" }] };
    });
    expect(orderFaults(r).map((f) => orderWords({ ...f, ...f.names }))).toEqual([
      "“tail” comes earlier than usual: “legs” goes first, as the legs hide it",
    ]);
    expect(missingFrom(r)).toEqual([]);
  });
  test("steps that wait for each other are found", () => {
    const r = change((x) => {
      x.steps[2] = { ...(x.steps[2] as RecipeStep), after: [{ step: "legs", hard: true }] };
      x.steps[6] = { ...(x.steps[6] as RecipeStep), after: [{ step: "tail", hard: true }] };
    });
    expect(circleIn(r)?.sort()).toEqual(["legs", "tail"]);
    expect(missingFrom(r)).toEqual([{ code: "STEPS_IN_CIRCLE", details: { names: ["tail", "legs"] } }]);
  });
  test("a step that may go before another goes there when its school says so", () => {
    const r = change((x) => {
      x.steps[7] = { ...(x.steps[7] as RecipeStep), mayPrecede: "legs" };
    });
    const order = (c: Partial<FlyChoice>) => fly(r, c).steps.map((s) => s.id);
    expect(order({}).indexOf("wing")).toBe(order({}).indexOf("legs") + 1);
    expect(order({ methods: { "wing/order": "before" } }).indexOf("wing")).toBe(
      order({ methods: { "wing/order": "before" } }).indexOf("legs") - 1,
    );
  });
});

/** A wing of hair, but for how much of it. */
const hairWing = {
  id: "h",
  name: "hair",
  do: "lay" as const,
  component: "h",
  from: { eyeLengths: 0.2 },
  to: { eyeLengths: 0.6 },
  shown: { mm: 8 },
};

describe("what may differ from fly to fly", () => {
  test("a size rule sets whole numbers where they would not scale", () => {
    const r = change((x) => {
      x.steps[2] = {
        ...(x.steps[2] as RecipeStep),
        bySize: [{ sizes: { from: "15", to: "18" }, set: { amount: { fibres: 4 } } }],
      };
    });
    const fibres = (size: string) => fly(r, { size }).steps.find((s) => s.id === "tail")?.fibres;
    expect([fibres("14"), fibres("16")]).toEqual([6, 4]);
  });
  test("a size rule may switch the method", () => {
    const r = change((x) => {
      x.steps[4] = {
        ...(x.steps[4] as RecipeStep),
        bySize: [{ sizes: { from: "16", to: "16" }, set: { methods: { "dubbing way": "touched" } } }],
      };
    });
    expect(fly(r, { size: "16" }).steps.find((s) => s.id === "body")?.methods).toContainEqual(
      expect.objectContaining({ question: "dubbing way", school: "touched" }),
    );
  });
  test("leaving an optional part out takes its step, its material and its minutes away", () => {
    const without = fly(recipe(), { leave: ["wing"] });
    expect(without.steps.map((s) => s.id)).not.toContain("wing");
    expect(without.parts.map((p) => p.component)).not.toContain("wing");
    expect(without.minutes).toBeCloseTo(5 - 5 / 9, 9);
  });
  test("what is not optional cannot be left out", () =>
    expect(() => fly(recipe(), { leave: ["body"] })).toThrow(expect.objectContaining({ code: "NOT_OPTIONAL" })));
  test("several parts of one feather: their fibres are needed together", () => {
    const r = withStep(
      {
        id: "throat",
        name: "throat",
        do: "lay",
        component: "throat",
        from: { eyeLengths: 0.2 },
        to: { eyeLengths: 0.6 },
        amount: { fibres: 10 },
        shown: { of: "gape", times: 0.8 },
        attitude: "down",
      },
      { id: "throat", role: "throat", material: [{ value: "pheasant" }], sharesWith: "tail" },
    );
    const tail = requirementsOf(fly(r), 90).find((x) => x.component === "tail");
    expect(tail?.perFly).toBeCloseTo(16 / 180, 9);
    expect(requirementsOf(fly(r), 90).some((x) => x.component === "throat")).toBe(false);
  });
  test("whole feathers in pairs come from both sides", () => {
    const r = withStep(
      {
        id: "cheeks",
        name: "cheeks",
        do: "lay",
        component: "cheeks",
        from: { eyeLengths: 0.2 },
        to: { eyeLengths: 0.6 },
        amount: { feathers: 2, paired: true },
        shown: { of: "gape", times: 0.8 },
        attitude: "over",
      },
      { id: "cheeks", role: "cheeks", material: [{ value: "quill" }] },
    );
    const rows = requirementsOf(fly(r), 50).filter((x) => x.component === "cheeks");
    expect(rows.map((x) => [x.side, x.perFly])).toEqual([
      ["left", 1],
      ["right", 1],
    ]);
    expect(rows[0]?.words).toMatch(/left feathers: 1 a fly/);
  });
  test("half a feather a fly: ten of them take five", () => {
    const r = withStep(
      {
        id: "x",
        name: "half a feather",
        do: "lay",
        component: "x",
        from: { eyeLengths: 0.2 },
        to: { eyeLengths: 0.6 },
        amount: { feathers: 0.5 },
        shown: { mm: 8 },
      },
      { id: "x", role: "wing", material: [{ value: "quill" }] },
    );
    expect(requirementsOf(fly(r), 10).find((x) => x.component === "x")?.net).toBe(5);
  });
  test("a patch of hide serves whole clumps only", () => {
    const r = (mm2: number) =>
      withStep({ ...hairWing, amount: { patchMm2: mm2 } }, { id: "h", role: "wing", material: [{ value: "hide" }] });
    expect(requirementsOf(fly(r(25)), 56).find((x) => x.component === "h")).toMatchObject({ perFly: 1 / 28, net: 2 });
    expect(() => fly(r(800))).toThrow(
      expect.objectContaining({ code: "PATCH_TOO_SMALL", step: { id: "h", name: "hair" } }),
    );
  });
  test("hair that tapers is taken at a multiple, and the rest culled", () => {
    const r = (overTake?: number) =>
      withStep(
        { ...hairWing, amount: { clump: { mm: 1 } }, overTake },
        { id: "h", role: "wing", material: [{ value: "hair" }] },
      );
    const mg = (x: Recipe) => requirementsOf(fly(x), 12).find((q) => q.component === "h")?.perFly ?? 0;
    expect(mg(r(2.5)) / mg(r())).toBeCloseTo(2.5, 9);
  });
  test("hair that is counted weighs what its hairs do, as fibres and as strands", () => {
    const r = (amount: { fibres: number } | { strands: number; folded: false } | { clump: { mm: number } }) =>
      withStep({ ...hairWing, amount }, { id: "h", role: "wing", material: [{ value: "hair" }] });
    const mg = (x: Recipe) => requirementsOf(fly(x), 12).find((q) => q.component === "h")?.perFly ?? 0;
    const forty = mg(r({ fibres: 40 }));
    expect(forty / mg(r({ fibres: 20 }))).toBeCloseTo(2, 6);
    expect(mg(r({ strands: 40, folded: false }))).toBeCloseTo(forty, 9);
    // By hand: a clump of 0.1 · √(40 / 0.6) mm holds as much.
    expect(mg(r({ clump: { mm: 0.1 * Math.sqrt(40 / 0.6) } }))).toBeCloseTo(forty, 6);
    expect(() => fly(r({ fibres: 3000 }))).toThrow(expect.objectContaining({ code: "FIGURE_OUT_OF_BOUNDS" }));
  });
  test("a shape is fullest where it says: a cigar in its middle, a ball round", () => {
    const r = (shape: "cigar" | "ball") =>
      change((x) => {
        x.steps[4] = { ...(x.steps[4] as RecipeStep), shape, fullness: [{ mm: 2.4 }, { mm: 2.4 }] } as RecipeStep;
      });
    for (const shape of ["cigar", "ball"] as const) {
      const f = fly(r(shape));
      const { from = 0, to = 0, after = [] } = f.tied.steps.find((s) => s.id === "body") ?? {};
      const at = (t: number) => after[Math.round((from + (to - from) * t) / f.tied.profile.step)] ?? 0;
      expect(at(0.5)).toBeCloseTo(2.4, 1);
      expect(at(0.03)).toBeLessThan(1.7);
    }
  });
  test("a length reaches to a landmark, or just past another part", () => {
    const r = change((x) => {
      x.steps[6] = { ...(x.steps[6] as RecipeStep), attitude: "over", shown: { reach: "point" } } as RecipeStep;
      x.steps[7] = { ...(x.steps[7] as RecipeStep), shown: { reach: "tail", pastMm: 1 } } as RecipeStep;
    });
    const f = fly(r);
    const legs = f.steps.find((s) => s.id === "legs")?.shownMm ?? 0;
    expect(legs + 0.42 * f.hook.shank).toBeCloseTo(f.hook.point, 9);
    const tail = f.steps.find((s) => s.id === "tail")?.shownMm ?? 0;
    const wing = f.steps.find((s) => s.id === "wing")?.shownMm ?? 0;
    expect(wing + f.tied.beadMm + 0.2 * f.hook.eye).toBeCloseTo(f.hook.shank + tail + 1, 9);
  });
  test("a reach that lies in front of the tie-in is refused at its step", () => {
    const r = change((x) => {
      x.steps[2] = { ...(x.steps[2] as RecipeStep), shown: { reach: "point" } } as RecipeStep;
    });
    expect(() => fly(r)).toThrow(
      expect.objectContaining({ code: "LENGTH_LEAVES_NOTHING", step: { id: "tail", name: "tail" } }),
    );
  });
  test("glue, half hitches and brushing are steps of their own", () => {
    const r = withStep(
      { id: "g", name: "glue", do: "glue", component: "glue", at: { fraction: 0.5 }, drops: 2 },
      { id: "glue", role: "finish", material: [{ value: "glue" }] },
    );
    r.steps.splice(3, 0, {
      id: "hitch",
      name: "half hitch",
      do: "act",
      act: "half hitch",
      at: { fraction: 0.5 },
      minutes: 0.1,
    });
    r.steps.splice(8, 0, { id: "brush", name: "brush", do: "act", act: "brush", minutes: 0.3, direction: "back" });
    expect(missingFrom(r)).toEqual([]);
    const f = fly(r);
    expect(f.parts.find((p) => p.component === "glue")?.uses[0]?.use).toEqual({ kind: "volume", ul: 6 });
    expect((f.tied.threads[0]?.use.tieIns ?? 0) > (fly().tied.threads[0]?.use.tieIns ?? 0)).toBe(true);
    expect(cautionsOf(f).map((c) => c.step)).toEqual(expect.arrayContaining(["g", "brush"]));
  });
});

describe("a material in another's place", () => {
  const withAlternates = change((r) => {
    r.components = r.components.map((c) =>
      c.id === "body"
        ? {
            ...c,
            alternates: [
              {
                material: "weak-fur",
                effect: "livelier, wears sooner",
                changes: {
                  body: {
                    fullness: [
                      { of: "gape", times: 0.3 },
                      { of: "gape", times: 0.15 },
                    ],
                  },
                },
              },
            ],
          }
        : c.id === "rib"
          ? { ...c, alternates: [{ material: "thin-wire", changes: { rib: { rule: { turns: 7 } } } }] }
          : c,
    );
    r.steps[5] = { ...(r.steps[5] as RecipeStep), counter: true, guard: "locks the body" } as RecipeStep;
  });
  const strong = new Map([
    ...materials,
    ["fur", { ...(materials.get("fur") as Material), qualities: { strength: 4 } }],
  ]);

  test("brings its own quantities", () => {
    const rib = composeFly(withAlternates, choose({ use: { rib: "thin-wire" } }), model, materials).tied.steps.find(
      (s) => s.id === "rib",
    );
    expect(rib?.turns).toBeCloseTo(7, 9);
  });
  test("a thinner body leaves a gap that is told with its remedy; a weaker one is told too", () => {
    const j = judgeSubstitute({ ...request(withAlternates), materials: strong }, "body", "weak-fur", 60);
    expect(j.warnings.map((w) => w.code)).toEqual(["STRENGTH_LOST", "GAP_LEFT"]);
    expect(j.warnings.map(takenAwaySentence)[1]).toMatch(/thinner at “body”\. Fill it with \d+\.\d m more thread/);
    expect(j.effect).toBe("livelier, wears sooner");
  });
  test("a durability measure that goes with its component is told", () => {
    const r = {
      ...withAlternates,
      components: withAlternates.components.map((c) => (c.id === "rib" ? { ...c, optional: true } : c)),
    };
    const before = composeFly(r, choose(), model, materials);
    const after = composeFly(r, choose({ leave: ["rib"] }), model, materials);
    expect(
      differencesBetween(requirementsOf(before, 12), requirementsOf(after, 12)).some(
        (d) => d.role === "rib" && d.after === 0,
      ),
    ).toBe(true);
  });
  test("what cannot be tied says why", () =>
    expect(judgeSubstitute(request(withAlternates), "body", "nowhere", 12).fault).toMatchObject({
      code: "MATERIAL_UNKNOWN",
      details: { material: "nowhere" },
    }));
});

describe("beads", () => {
  const weighted = withStep(
    {
      id: "tin",
      name: "tin",
      do: "wind",
      component: "tin",
      from: { landmark: "eye" },
      rule: { touching: true, turns: 4 },
    },
    { id: "tin", role: "weight", material: [{ value: "tin" }] },
  );
  const get = (code: string) => materials.get(code) as Material;
  test("a lighter bead asks for more turns of weight wire, a heavier one for fewer", () => {
    const lighter = judgeBead(fly(weighted), get("brass-bead"), undefined);
    expect(lighter).toMatchObject({ difference: 82, turnsNow: expect.closeTo(4, 9) as number });
    expect((lighter?.turns ?? 0) > 0).toBe(true);
    const heavier = judgeBead(fly(weighted), get("big-bead"), undefined);
    expect((heavier?.turns ?? 0) < 0).toBe(true);
    // Only the four that are there can be left off.
    expect(heavier?.turnsThatFit).toBe(-4);
    expect(heavier?.fits).toBe(false);
    expect(heavier?.missing).toBeLessThan(0);
  });
  test("the turns make up the difference within half a turn, when they fit", () => {
    const j = judgeBead(fly(weighted), get("brass-bead"), undefined);
    expect(Math.abs((j?.difference ?? 0) - (j?.turns ?? 0) * (j?.massPerTurn ?? 0))).toBeLessThanOrEqual(
      (j?.massPerTurn ?? 0) / 2 + 1e-9,
    );
  });
  test("a bore that is too narrow and a size that is too small are said", () => {
    const r = change((x) => {
      x.components = x.components.map((c) => (c.id === "bead" ? { ...c, material: [{ value: "small-bead" }] } : c));
    });
    const faults = ownBeadFaults(fly(r))
      .map((f) => beadSentence(f.fault))
      .join(" ");
    expect(faults).toMatch(/does not pass/);
    expect(faults).toMatch(/usually goes on hooks 18 to 20; for size 14 take 2\.5 or 2\.8 or 3 or 3\.3 mm/);
  });
  test("a fly without a bead has none to exchange", () =>
    expect(judgeBead(fly(recipe(), { form: "light" }), get("brass-bead"), get("tin"))).toBeUndefined());
});

describe("faults that are told at their step", () => {
  const warnings = (r: Recipe) => fly(r).tied.warnings;
  const head = (to: number, turns: number) =>
    change((x) => {
      x.steps.splice(
        x.steps.length - 1,
        1,
        {
          id: "head",
          name: "head",
          do: "wind",
          component: "thread",
          from: { eyeLengths: 0 },
          to: { eyeLengths: to },
          rule: { turns },
        },
        { id: "whip", name: "whip finish", do: "whip", from: { eyeLengths: 0 }, to: { eyeLengths: to }, turns: 5 },
      );
    });
  test("the nymph as it stands has none", () => expect(warnings(recipe())).toEqual([]));
  test("a tail shorter than its own tie-in", () => {
    const r = change((x) => {
      x.steps[2] = { ...(x.steps[2] as RecipeStep), shown: { mm: 0.5 } } as RecipeStep;
    });
    expect(warnings(r)).toEqual([
      expect.objectContaining({
        step: "tail",
        code: "SHORTER_THAN_TIE_IN",
        details: expect.objectContaining({ name: "tail", shownMm: 0.5 }) as object,
      }),
    ]);
  });
  test("a head too long crowds the eye", () =>
    expect(warnings(head(1.8, 8)).map((w) => [w.step, w.code])).toContainEqual(["whip", "HEAD_CROWDS_EYE"]));
  test("a head wound too often is bulky, and the step that does it is named", () =>
    expect(
      fly(head(1, 64), { variant: "mixed", form: "light" }).tied.warnings.map((w) => [w.step, w.code]),
    ).toContainEqual(["head", "HEAD_BULKY"]));
  test("a body too full keeps the point from clearing, and the step is named", () => {
    const r = change((x) => {
      x.steps[4] = {
        ...(x.steps[4] as RecipeStep),
        fullness: [
          { of: "gape", times: 0.9 },
          { of: "gape", times: 0.9 },
        ],
      } as RecipeStep;
    });
    expect(warnings(r)).toContainEqual(
      expect.objectContaining({
        step: "body",
        code: "POINT_NOT_CLEAR",
        details: expect.objectContaining({ name: "body" }) as object,
      }),
    );
  });
  test("a hackle in the room of the head", () => {
    const r = withStep(
      {
        id: "h",
        name: "front hackle",
        do: "wind",
        component: "h",
        from: { eyeLengths: 0.1 },
        to: { eyeLengths: 0.5 },
        rule: { turns: 3 },
      },
      { id: "h", role: "hackle", material: [{ value: "hackle" }] },
    );
    expect(fly(r, { form: "light" }).tied.warnings.map((w) => [w.step, w.code])).toContainEqual(["h", "PART_IN_HEAD"]);
  });
  test("thick wire that ends abruptly shows through thin floss, and is told; under dubbing it does not", () => {
    const weight: RecipeStep = {
      id: "w",
      name: "lead",
      do: "wind",
      component: "w",
      from: { fraction: 0.5 },
      rule: { touching: true, turns: 4 },
    };
    const over = (code: string, step: RecipeStep) =>
      change((x) => {
        x.components.push({ id: "w", role: "weight", material: [{ value: "lead" }] });
        x.components = x.components.map((c) => (c.id === "body" ? { ...c, material: [{ value: code }] } : c));
        x.steps[4] = step;
        x.steps.splice(4, 0, weight);
      });
    const floss: RecipeStep = {
      id: "body",
      name: "floss body",
      do: "wind",
      component: "body",
      from: { fraction: 0.45 },
      to: { landmark: "bend" },
      rule: { touching: true },
    };
    expect(warnings(over("floss", floss)).map((w) => [w.step, w.code])).toContainEqual(["w", "STEP_SHOWS"]);
    expect(warnings(over("fur", recipe().steps[4] as RecipeStep)).map((w) => w.code)).not.toContain("STEP_SHOWS");
  });
});

describe("hooks of a pattern", () => {
  test("on another family of hooks, usual lengths become usual there; what was set on purpose stays", () => {
    const r = change((x) => {
      x.steps[2] = { ...(x.steps[2] as RecipeStep), shown: { of: "shank", times: 0.5 } } as RecipeStep;
    });
    const { recipe: dry, changed } = rehomed(r, "D", "nymph", "dry");
    expect(changed).toEqual(["tail"]);
    expect(dry.hookModel).toBe("D");
    expect(dry.steps[2]).toMatchObject({ shown: { of: "shank", times: 1 }, amount: { fibres: 6 } });
    expect(dry.steps[7]).toEqual(r.steps[7]);
    expect(dry.components).toEqual(r.components);
  });
  test("a weight form may have a hook of its own", () => {
    const r = change((x) => {
      x.forms[1] = { id: "light", name: "light", omit: ["bead"], hookModel: "D" };
    });
    expect([hookOf(r, { form: "all" }), hookOf(r, { form: "light" }), hookOf(r, { form: "nowhere" })]).toEqual([
      "N",
      "D",
      "N",
    ]);
  });
  test("between the bends is a place on a double only", () => {
    const r = withStep(
      {
        id: "x",
        name: "floss",
        do: "wind",
        component: "x",
        from: half,
        to: { landmark: "betweenBends" },
        rule: { touching: true },
      },
      { id: "x", role: "tag", material: [{ value: "floss" }] },
    );
    expect(() => fly(r)).toThrow(
      expect.objectContaining({ code: "LANDMARK_NOT_THERE", step: { id: "x", name: "floss" } }),
    );
    const double = composeFly(r, choose(), { ...model, points: 2 }, materials);
    expect(double.tied.steps.find((s) => s.id === "x")?.to).toBeCloseTo(double.hook.shank + 0.15 * double.hook.gape, 9);
    expect(double.tied.mass.hook).toBeGreaterThan(fly().tied.mass.hook);
  });
});

describe("what else a step may say", () => {
  test("a rib of thread is a material of its own, not the thread on the hook", () => {
    const r = change((x) => {
      x.components = x.components.map((c) => (c.id === "rib" ? { ...c, material: [{ value: "red" }] } : c));
    });
    const f = fly(r);
    expect(f.parts.find((p) => p.component === "rib")?.uses[0]?.use).toMatchObject({ kind: "length" });
    expect(f.tied.threads).toHaveLength(1);
    expect(f.tied.steps.find((s) => s.id === "rib")?.strands).toBe(1);
  });
  test("fibres side by side go round less often than a rope of as many, and each is shorter", () => {
    const body = (ribbon: boolean) =>
      fly(
        withStep({
          id: "b",
          name: "body",
          do: "wind",
          component: "tail",
          from: half,
          to: { landmark: "bend" },
          rule: { touching: true },
          rope: 8,
          ribbon,
        }),
      ).tied.steps.find((s) => s.id === "b");
    const [rope, ribbon] = [body(false), body(true)];
    expect((rope?.turns ?? 0) / (ribbon?.turns ?? 1)).toBeCloseTo(Math.sqrt(8), 6);
    expect(ribbon?.strandLength ?? 0).toBeLessThan((rope?.strandLength ?? 0) / 2.5);
    expect(ribbon?.growthMm).toBeCloseTo(0.12, 9);
  });
  test("until the feather is used up, but no more than so many turns", () => {
    const whole = (atMost?: number) =>
      fly(
        withStep(
          {
            id: "c",
            name: "collar",
            do: "wind",
            component: "h",
            from: { eyeLengths: 0.6 },
            to: { eyeLengths: 0.6 },
            rule: { turns: 2 },
            atMost,
            methods: { "hackle turns": "whole feather" },
          },
          { id: "h", role: "collar", material: [{ value: "hackle" }] },
        ),
      ).tied.steps.find((s) => s.id === "c")?.turns ?? 0;
    expect(whole()).toBeGreaterThan(4);
    expect(whole(3)).toBeCloseTo(3, 9);
    const zone = (atMost?: number) =>
      fly(
        withStep(
          {
            id: "c",
            name: "palmer",
            do: "wind",
            component: "h",
            from: half,
            to: { fraction: 0.9 },
            rule: { turns: 2 },
            atMost,
            methods: { "hackle turns": "whole feather" },
          },
          { id: "h", role: "hackle", material: [{ value: "hackle" }] },
        ),
      ).tied.steps.find((s) => s.id === "c")?.turns ?? 0;
    expect(zone(2)).toBeCloseTo(2, 9);
    expect(zone()).toBeGreaterThan(2);
  });
  test("weighted eyes lashed on top turn the fly over", () => {
    const r = (lashed?: "on top") =>
      withStep(
        { id: "e", name: "eyes", do: "seat", component: "e", from: { eyeLengths: 0.2 }, lashed },
        { id: "e", role: "eyes", material: [{ value: "eyes" }] },
      );
    expect([fly(r()).ridesPointUp, fly(r("on top")).ridesPointUp]).toEqual([false, true]);
  });
  test("stacked hair leaves a share behind", () => {
    const r = withStep(
      {
        id: "h",
        name: "hair",
        do: "lay",
        component: "h",
        from: { eyeLengths: 0.2 },
        to: { eyeLengths: 0.6 },
        amount: { clump: { mm: 1 } },
        shown: { mm: 8 },
      },
      { id: "h", role: "wing", material: [{ value: "hair" }] },
    );
    const mg = (c: Partial<FlyChoice>) => requirementsOf(fly(r, c), 12).find((q) => q.component === "h")?.perFly ?? 0;
    expect(mg({ methods: { "h/tips": "stacked" } }) / mg({})).toBeCloseTo(1.15, 9);
  });
  test("brushing back under a rib that is still to come is told", () => {
    const r = recipe();
    r.steps.splice(5, 0, { id: "b", name: "brush", do: "act", act: "brush", direction: "back", minutes: 0.2 });
    expect(orderFaults(r).map((f) => [f.then, f.hard, f.because])).toEqual([
      ["b", false, { code: "BRUSHED_AFTER_RIB", details: {} }],
    ]);
  });
  test("threads by the older numbers", () => {
    expect([threadNumberOf(70), threadNumberOf(72), threadNumberOf(140), threadNumberOf(200)]).toEqual([
      "8/0",
      "8/0",
      "6/0",
      "3/0",
    ]);
    expect([denierOfNumber("6/0"), denierOfNumber("99/0")]).toEqual([140, undefined]);
  });
});

describe("a tier's own ways", () => {
  const facts = () =>
    fly().steps.map((s) => ({ step: s.step, role: s.role, form: s.material?.form, recipe: recipe() }));
  test("fall on every step that raises the question, and on no other", () =>
    expect(
      habitsOn(facts(), {
        "dubbing way": "touched",
        "hackle tied in": "tip",
        butts: "trimmed after",
        nonsense: "x",
        "wire ends": "melted",
      }),
    ).toEqual({ "body/dubbing way": "touched", "tail/butts": "trimmed after", "legs/butts": "trimmed after" }));
  test("a left-handed tier winds towards themselves what a right-handed one winds away", () => {
    expect(directionWords(true, "right")).toBe(directionWords(false, "left"));
    expect(directionWords(true, "right")).not.toBe(directionWords(true, "left"));
  });
  test("a rib runs against the body however the body runs", () => {
    const rib = (bodyCounter: boolean, school: string) => {
      const r = change((x) => {
        x.components = x.components.map((c) => (c.id === "body" ? { ...c, material: [{ value: "floss" }] } : c));
        x.steps[4] = {
          id: "body",
          name: "body",
          do: "wind",
          component: "body",
          from: { fraction: 0.5 },
          to: { landmark: "bend" },
          rule: { touching: true },
          counter: bodyCounter,
        };
      });
      return fly(r, { methods: { "rib/rib direction": school } }).steps.find((s) => s.id === "rib")?.clockwise;
    };
    expect([rib(false, "against"), rib(false, "with"), rib(true, "against"), rib(true, "with")]).toEqual([
      false,
      true,
      true,
      false,
    ]);
  });
  test("a step at the bench is told in mm, in the chosen way", () => {
    const f = fly(recipe(), { methods: { "body/dubbing way": "loop" } });
    const step = (id: string) => benchStepOf(f, f.steps.find((s) => s.id === id) as FlyStep, "right");
    expect(step("tail").figures).toEqual([
      "6 fibres",
      expect.stringMatching(/^\d\.\d mm showing, \d\.\d mm in all$/) as string,
      expect.stringMatching(/^5 wraps at 7\.9 mm$/) as string,
    ]);
    expect(step("body").ways).toEqual(["in a dubbing loop"]);
    expect(step("rib").figures[0]).toMatch(/^5 turns, 0\.8 mm apart$/);
    expect(step("rib").figures).toContain("over the top, away from you");
  });
});

describe("what the card says", () => {
  test("proportions in working order, with their rule", () => {
    const p = proportionsOf(fly());
    expect(p.map((x) => x.step)).toEqual(["tail", "body", "rib", "legs", "wing", "whip"]);
    expect(p[0]).toMatchObject({ kind: "shown", rule: "half the body" });
    expect(p.at(-1)).toMatchObject({ part: "head", mm: expect.closeTo(0.5 * fly().hook.eye, 9) as number });
  });
  test("the parts share the shank, and the shares add up to one", () => {
    const shares = sharesOfShank(fly());
    expect(shares.map((s) => s.part)).toEqual(["head", "body"]);
    expect(shares.reduce((sum, s) => sum + s.share, 0)).toBeCloseTo(1, 12);
  });
  test("tie-ins by landmark", () =>
    expect(tieInsOf(fly())).toEqual([{ place: { landmark: "bend" }, steps: ["tail"], wraps: 5 }]));
  test("checks are bound to their moment; loose legs are no ground for rejection", () => {
    const r = change((x) => {
      x.steps[4] = {
        ...(x.steps[4] as RecipeStep),
        brushed: true,
        checks: [{ feature: "segments even", when: "wet" }],
      } as RecipeStep;
    });
    const checks = checksOf(fly(r));
    expect(checks[0]).toEqual({ feature: "segments even", when: "wet", step: "body" });
    expect(checks).toContainEqual(expect.objectContaining({ feature: "legs: uneven is right", tolerance: "loose" }));
    expect(checks).toContainEqual(expect.objectContaining({ when: "after brushing" }));
  });
  test("lead is warned of once, without saying what is legal", () => {
    const r = withStep(
      {
        id: "lead",
        name: "lead",
        do: "wind",
        component: "lead",
        from: { landmark: "eye" },
        rule: { touching: true, turns: 3 },
      },
      { id: "lead", role: "weight", material: [{ value: "lead" }] },
    );
    const lead = cautionsOf(fly(r)).filter((c) => /Lead/.test(c.sentence));
    expect(lead).toHaveLength(1);
    expect(lead[0]?.sentence).not.toMatch(/\b(safe|legal|allowed)\b/i);
  });
});

describe("two versions", () => {
  const names = (code: string) => code.toUpperCase();
  test("the same recipe differs in nothing, whatever the order of its keys", () => {
    const turned = (v: unknown): unknown =>
      Array.isArray(v)
        ? v.map(turned)
        : v !== null && typeof v === "object"
          ? Object.fromEntries(
              Object.entries(v)
                .reverse()
                .map(([k, x]) => [k, turned(x)]),
            )
          : v;
    expect(changesBetween(recipe(), recipe(), names)).toEqual([]);
    expect(changesBetween(recipe(), turned(recipe()) as Recipe, names)).toEqual([]);
    expect(sameContent(recipe(), { ...recipe(), minutesPerFly: 6 })).toBe(false);
  });
  test.each([
    [
      "a quantity",
      (r: Recipe) => {
        r.steps[2] = { ...(r.steps[2] as RecipeStep), amount: { fibres: 8 } } as RecipeStep;
      },
      {
        where: "step “tail”",
        before: expect.stringContaining("6 fibres") as string,
        after: expect.stringContaining("8 fibres") as string,
      },
    ],
    [
      "a material",
      (r: Recipe) => {
        r.components[5] = { id: "body", role: "body", material: [{ value: "mix" }] };
      },
      { where: "body, material", before: "FUR", after: "MIX" },
    ],
    [
      "the price",
      (r: Recipe) => {
        r.pricePerDozenCents = 3000;
      },
      { where: "price a dozen", before: "25.00", after: "30.00" },
    ],
    [
      "a caution",
      (r: Recipe) => {
        r.steps[4] = { ...(r.steps[4] as RecipeStep), caution: "Dust." };
      },
      { where: "step “body”, notes", before: "as before", after: "caution: Dust." },
    ],
    [
      "the order",
      (r: Recipe) => {
        r.steps = moveStep(r.steps, 2, 4);
      },
      { where: "order of the steps" },
    ],
    [
      "a step more",
      (r: Recipe) => {
        r.steps.splice(3, 0, { id: "wax", name: "wax", do: "act", act: "wax", minutes: 0.1 });
      },
      { where: "step “wax”", before: undefined },
    ],
    [
      "a colour",
      (r: Recipe) => {
        r.variants.push({ id: "red", name: "red", swaps: {} });
      },
      { where: "colour variant", after: "red" },
    ],
    [
      "an optional part",
      (r: Recipe) => {
        r.components[5] = { ...(r.components[5] as Recipe["components"][number]), optional: true };
      },
      { where: "body, how it may be replaced or left out", after: "may be left out" },
    ],
    [
      "a band of density",
      (r: Recipe) => {
        r.densityBand = ["sparse", "full"];
      },
      { where: "density", before: "not said", after: "not said, may be sparse or full" },
    ],
    [
      "a stretch kept bare",
      (r: Recipe) => {
        r.bare = [{ from: { landmark: "eye" }, to: { eyeLengths: 1 } }];
      },
      { where: "kept bare", before: "nothing", after: "the eye to 1 eye behind the eye" },
    ],
    [
      "what a part adds to the price",
      (r: Recipe) => {
        r.components[6] = { ...(r.components[6] as Recipe["components"][number]), priceCents: 250 };
      },
      { where: "wing, how it may be replaced or left out", after: "may be left out; adds 2.50" },
    ],
    [
      "a ramp",
      (r: Recipe) => {
        r.steps[1] = { ...(r.steps[1] as RecipeStep), fill: [{ mm: 1 }, { mm: 0.5 }] } as RecipeStep;
      },
      { where: "step “base”", after: expect.stringContaining("ramp 1 mm to 0.5 mm") as string },
    ],
    [
      "no finish",
      (r: Recipe) => {
        r.finish = { state: "none" };
      },
      { where: "finish", after: "none, on purpose" },
    ],
  ] as [string, (r: Recipe) => void, object][])("%s is said", (_what, edit, expected) => {
    expect(changesBetween(recipe(), change(edit), names)).toContainEqual(expect.objectContaining(expected));
  });
});

describe("blends", () => {
  const cabinet = new Map<string, { blend?: { parts: Record<string, number>; leastChargeMg: number } }>([
    ["a", {}],
    ["b", {}],
    ["ab", { blend: { parts: { a: 3, b: 1 }, leastChargeMg: 500 } }],
    ["abb", { blend: { parts: { ab: 0.5, b: 0.5 }, leastChargeMg: 100 } }],
    ["x", { blend: { parts: { y: 1 }, leastChargeMg: 0 } }],
    ["y", { blend: { parts: { x: 1 }, leastChargeMg: 0 } }],
  ]);
  test("a blend of nothing is none, wherever it is mixed in", () => {
    const empty = new Map([
      ...cabinet,
      ["none", { blend: { parts: {}, leastChargeMg: 0 } }],
      ["some", { blend: { parts: { a: 1, none: 1 }, leastChargeMg: 0 } }],
    ]);
    for (const code of ["none", "some"]) expect(() => plainParts(code, empty)).toThrow("BLEND_EMPTY");
  });
  test("a blend of blends comes down to its plain parts", () =>
    expect(plainParts("abb", cabinet)).toEqual({ a: 0.375, b: 0.625 }));
  test("a blend of itself is refused, naming the way round", () =>
    expect(() => plainParts("x", cabinet)).toThrow(
      expect.objectContaining({ code: "BLEND_CYCLE", details: { blend: "x", through: ["y", "x"] } }),
    ));
  const chainOf = (length: number) =>
    new Map<string, Pick<Material, "blend">>([
      ["b0", {}],
      ["a", {}],
      ...Array.from({ length }, (_, i): [string, Pick<Material, "blend">] => [
        `b${i + 1}`,
        { blend: { parts: { [`b${i}`]: 1, a: 1 }, leastChargeMg: 0 } },
      ]),
    ]);
  test("blends within blends are opened up to six deep, wherever one begins", () => {
    const deep = chainOf(2000);
    expect(plainParts("b6", deep).b0).toBeCloseTo(1 / 64, 12);
    expect(() => plainParts("b7", deep)).toThrow(
      expect.objectContaining({ code: "BLEND_TOO_DEEP", details: { blend: "b7", most: 6 } }),
    );
    expect(() => plainParts("b2000", deep)).toThrow("BLEND_TOO_DEEP");
    const opened = new Map();
    plainParts("b6", deep, opened);
    expect(() => plainParts("b7", deep, opened), "also over what was opened before").toThrow("BLEND_TOO_DEEP");
  });
  test("a part is looked up once, however many blends share it", () => {
    const asked = new Map<string, number>();
    class Counted extends Map<string, Pick<Material, "blend">> {
      override get(code: string) {
        asked.set(code, (asked.get(code) ?? 0) + 1);
        return super.get(code);
      }
    }
    const wide = new Counted([["p", {}]]);
    for (let level = 1; level <= 6; level++)
      for (const side of ["l", "r"]) {
        const below = level === 1 ? ["p"] : [`l${level - 1}`, `r${level - 1}`];
        wide.set(`${side}${level}`, {
          blend: { parts: Object.fromEntries(below.map((b) => [b, 1])), leastChargeMg: 0 },
        });
      }
    expect(plainParts("l6", wide)).toEqual({ p: 1 });
    expect(Math.max(...asked.values())).toBe(1);
  });
  test("a part that is not there is named", () =>
    expect(() => plainParts("zz", cabinet)).toThrow(expect.objectContaining({ code: "MATERIAL_UNKNOWN" })));
});
