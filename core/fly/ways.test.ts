import type { DomainError } from "../errors";
import { methodSentence, takenAwaySentence } from "../sentences";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { partQuantity, type Material } from "../materials";
import {
  dressedAs,
  dressingDifferences,
  judgeLeavingOut,
  judgeSubstitute,
  methodDifferences,
  rangesOf,
  requirementsOf,
  workingOf,
} from "../needs";
import type { Place } from "../hooks";
import { choose, materials, model, recipe } from "../testing/nymph";
import { changed, withStep } from "../testing/recipes";
import { composeFly, wrapsOfHold, type ComposedFly } from ".";
import {
  allowedFor,
  hookOf,
  missingFrom,
  notPromised,
  priceOf,
  shareOut,
  shareWords,
  type FlyChoice,
  type Recipe,
  type RecipeStep,
} from "../recipe";
import { benchStepOf, threadWay } from "../bench";
import { dressingShare } from "../methods";

const cabinet = (...more: [string, Partial<Material>][]): Map<string, Material> =>
  new Map([
    ...materials,
    ...more.map(([code, m]): [string, Material] => [
      code,
      { code, name: code, form: "wire", unit: "um", measured: false, lead: false, ...m },
    ]),
  ]);
const tie = (r: Recipe, c: Partial<FlyChoice> = {}, from = materials): ComposedFly =>
  composeFly(r, choose(c), model, from, { keepProfiles: true });
const result = (f: ComposedFly, id: string) => {
  const found = f.tied.steps.find((s) => s.id === id);
  if (!found) throw new Error(`no step ${id}`);
  return found;
};
const request = (r: Recipe, c: Partial<FlyChoice> = {}, from = materials) => ({
  recipe: r,
  choice: choose(c),
  model,
  materials: from,
});
const need = (f: ComposedFly, component: string, flies = 48) =>
  requirementsOf(f, flies).find((q) => q.component === component)?.issue ?? 0;
const half = { fraction: 0.5 } as const;
const bend = { landmark: "bend" } as const;

describe("how densely it is dressed", () => {
  const banded = changed((r) => {
    r.densityBand = ["slim", "full"];
    r.steps = r.steps.map((s) =>
      s.id === "body" && s.do === "dress" ? { ...s, fullness: undefined, noodle: { mm: 100 } } : s,
    );
  });
  const all = (dressing: string) => dressedAs(tie(banded), dressing as "slim");

  test("a pattern that allows no other rating asks nothing", () => {
    expect(dressingDifferences(request(recipe()), 48)).toEqual([]);
    expect(tie(recipe()).steps.flatMap((s) => s.methods.filter((m) => m.question === "dressing"))).toEqual([]);
  });
  test("only the ratings of its band, and its own, are offered", () => {
    expect(dressingDifferences(request(banded), 48).map((d) => d.dressing)).toEqual(["slim", "full"]);
    expect(() => tie(banded, { methods: { "body/dressing": "sparse" } })).toThrow("METHOD_UNKNOWN");
  });
  test("a noodle gets longer by the share, a count of fibres stays whole", () => {
    const full = tie(banded, { methods: all("full") });
    expect(result(full, "body").noodle).toBeCloseTo(125, 9);
    expect(full.steps.find((s) => s.id === "tail")?.fibres).toBe(8);
    expect(tie(banded, { methods: all("slim") }).steps.find((s) => s.id === "tail")?.fibres).toBe(4);
  });
  test("fuller takes more dubbing and weighs more, slimmer less; the differences say so", () => {
    const [slim, full] = dressingDifferences(request(banded), 48);
    expect(slim?.massMg).toBeLessThan(0);
    expect(full?.massMg).toBeGreaterThan(0);
    expect(full?.differences.find((d) => d.material === "fur")).toMatchObject({
      before: need(tie(banded), "body"),
      after: need(tie(banded, { methods: all("full") }), "body"),
    });
  });
  test("a shape grows in its section, so that its volume follows the share", () => {
    const r = changed((x) => {
      x.densityBand = ["full"];
    });
    const fullness = (c: Partial<FlyChoice>) => result(tie(r, c), "body").endDiameters?.[0] ?? 0;
    expect(fullness({ methods: { "body/dressing": "full" } }) / fullness({})).toBeCloseTo(Math.sqrt(1.25), 2);
  });
  test("ribs and bodies of floss are dressed the same in every rating", () => {
    expect(
      tie(banded)
        .steps.find((s) => s.id === "rib")
        ?.methods.map((m) => m.question),
    ).not.toContain("dressing");
    expect(result(tie(banded, { methods: all("full") }), "rib").turns).toBe(5);
  });
  test("what a sparse pattern says is its standard: dressed full it takes more than a standard one would", () => {
    expect(dressingShare({ density: "sparse" }, "full")).toBeCloseTo(1.25 / 0.8, 9);
    expect(dressingShare({}, "standard")).toBe(1);
  });
});

describe("ways that pay for many", () => {
  const floss = withStep(
    {
      id: "tag",
      name: "tag",
      do: "wind",
      component: "tag",
      from: { fraction: 0.95 },
      to: bend,
      rule: { touching: true },
    },
    { id: "tag", role: "tag", material: [{ value: "floss" }] },
  );
  const school = (f: ComposedFly, step: string, q: string) =>
    f.steps.find((s) => s.id === step)?.methods.find((m) => m.question === q)?.school;

  test("for a dozen from the spool, for three dozen cut beforehand", () => {
    expect([undefined, 12, 35, 36, 400].map((flies) => school(tie(floss, { flies }), "tag", "pieces"))).toEqual([
      "spool",
      "spool",
      "spool",
      "cut",
      "cut",
    ]);
  });
  test("what the pattern or the batch says goes before what pays", () => {
    const own = {
      ...floss,
      steps: floss.steps.map((s): RecipeStep => (s.id === "tag" ? { ...s, methods: { pieces: "spool" } } : s)),
    };
    expect(school(tie(own, { flies: 400 }), "tag", "pieces")).toBe("spool");
    expect(school(tie(floss, { flies: 400, methods: { "tag/pieces": "spool" } }), "tag", "pieces")).toBe("spool");
  });
  test("pieces are cut to what the room has learned that a fly takes, and teach nothing themselves", () => {
    const cut = tie(floss, { flies: 48 });
    const q = (m: number) =>
      requirementsOf(cut, 48, { calibration: (c) => (c === "rib" ? { m, v: 0.01, batches: 4 } : undefined) }).find(
        (x) => x.component === "rib",
      );
    const [plain, learned] = [q(0), q(Math.log(1.6))];
    expect((plain?.cutTo ?? 0) % 5).toBe(0);
    expect(learned?.cutTo).toBeGreaterThan(plain?.cutTo ?? 0);
    expect(plain).toMatchObject({ teaches: false, perFly: plain?.cutTo, net: 48 * (plain?.cutTo ?? 0) * 1000 });
    expect(learned?.words).toMatch(new RegExp(`^cut \\d+ lengths of ${learned?.cutTo} mm$`));
    expect(learned && workingOf(learned, cut, 48).inputs.find((i) => i.name === "cut to")?.value).toBe(learned?.cutTo);
    expect(requirementsOf(tie(floss), 12).find((x) => x.component === "rib")?.teaches).toBe(true);
  });
  test("it spares the minutes that it says, and pairs are matched in bulk", () => {
    expect(tie(floss, { flies: 48 }).minutes).toBeLessThan(tie(floss).minutes);
    expect(school(tie(recipe(), { flies: 24 }), "wing", "pairing")).toBe("in bulk");
    // Rib and tag cut, pairs matched beforehand: 0.1 + 0.1 + 0.4 minutes.
    expect(tie(floss).minutes - tie(floss, { flies: 48 }).minutes).toBeCloseTo(0.6, 6);
  });
});

describe("which way, and what instead", () => {
  const palmer = (from: Place, to: Place) =>
    withStep(
      {
        id: "palmer",
        name: "palmer",
        do: "wind",
        component: "hackle",
        from,
        to,
        rule: { turns: 4 },
        tieIn: { at: from },
      },
      { id: "hackle", role: "hackle", material: [{ value: "hackle" }] },
    );

  test("a palmer is wound rearward or forward; its tie-in goes where it begins, its length stays", () => {
    const r = palmer(half, bend);
    const [back, forward] = [tie(r), tie(r, { methods: { "palmer/palmer": "forward" } })];
    const begins = (f: ComposedFly) => f.steps.find((s) => s.id === "palmer")?.step.tieIn?.at;
    expect([begins(back), begins(forward)]).toEqual([half, bend]);
    expect(result(forward, "palmer").length).toBeCloseTo(result(back, "palmer").length ?? 0, 9);
    expect(threadWay(forward).find((t) => t.step === "palmer")?.hangsAt).toBeCloseTo(forward.hook.shank / 2, 6);
  });
  test("a pattern that winds it from the bend is taken as it says", () => {
    const facts = tie(palmer(bend, half)).steps.find((s) => s.id === "palmer");
    expect(facts?.methods.find((m) => m.question === "palmer")?.school).toBe("forward");
    expect(facts?.step).toMatchObject({ from: bend, to: half });
  });

  const levelled = changed((r) => {
    r.components.push({ id: "under", role: "body", material: [{ value: "floss" }] });
    r.steps.splice(4, 0, {
      id: "under",
      name: "underbody",
      do: "wind",
      component: "under",
      from: { fraction: 0.45 },
      to: bend,
      rule: { touching: true },
      levels: { butts: "tail" },
    });
  });
  test("the underbody by floss, by flat thread, burnished, or by the tail's butts left on", () => {
    const ways = ["as stated", "flat thread", "burnished", "long butts"].map((way) =>
      tie(levelled, { methods: { "under/underbody": way } }),
    );
    const floss = ways.map((f) => need(f, "under"));
    expect(floss[0]).toBeGreaterThan(0);
    expect([floss[1], floss[3]]).toEqual([0, 0]);
    expect(floss[2]).toBe(floss[0]);
    const butts = ways[3] as ComposedFly;
    expect(result(butts, "under")).toMatchObject({ do: "act" });
    expect(butts.minutes - (ways[0]?.minutes ?? 0)).toBeCloseTo(-0.2, 9);
    // The question is still there, so that the way back is.
    const back = methodDifferences(request(levelled, { methods: { "under/underbody": "long butts" } }), 24).find(
      (d) => d.question === "underbody" && d.other.id === "as stated",
    );
    expect(back?.differences.find((d) => d.material === "floss")).toMatchObject({
      before: 0,
      after: need(ways[0] as ComposedFly, "under", 24),
    });
    expect(result(butts, "tail").from).toBeCloseTo(0.45 * butts.hook.shank, 6);
    expect(ways[1]?.tied.threads[0]?.use.windings).toBeGreaterThan(ways[0]?.tied.threads[0]?.use.windings ?? 0);
    expect((ways[2]?.minutes ?? 0) - (ways[0]?.minutes ?? 0)).toBeCloseTo(0.3, 9);
  });
  test("longer butts need longer fibres", () => {
    const length = (c: Partial<FlyChoice>) => tie(levelled, c).parts.find((p) => p.component === "tail")?.uses[0]?.use;
    const [cut, left] = [length({}), length({ methods: { "under/underbody": "long butts" } })];
    if (cut?.kind !== "fibres" || left?.kind !== "fibres") throw new Error("the tail is taken by fibres");
    expect(left.lengthMm).toBeGreaterThan(cut.lengthMm);
  });
  test("a step for a rotary vise says what is done in a fixed one, and what that costs", () => {
    const r = changed((x) => {
      x.steps = x.steps.map((s): RecipeStep =>
        s.id === "rib" ? { ...s, rotary: { fixedWay: "pass the bobbin over", minutes: 0.5 } } : s,
      );
    });
    const d = methodDifferences(request(r), 24).find((m) => m.question === "vise");
    expect(d).toMatchObject({ minutes: 12 });
    expect(d && methodSentence(d)).toBe("in a fixed vise: pass the bobbin over: 12 minutes more");
  });
  test("how firmly it is held decides the wraps, unless they are counted", () => {
    const held = (hold: keyof typeof wrapsOfHold | undefined, wraps?: number) =>
      tie(
        changed((r) => {
          r.steps = r.steps.map((s): RecipeStep => (s.id === "tail" ? { ...s, tieIn: { at: bend, hold, wraps } } : s));
        }),
      ).steps.find((s) => s.id === "tail")?.wraps;
    expect([held("loose hold"), held(undefined), held("lock"), held("final"), held("final", 3)]).toEqual([
      2, 5, 5, 7, 3,
    ]);
  });
});

describe("quantities that are not weighed or counted off", () => {
  const from = cabinet(
    ["mole", { form: "dubbing", unit: "count", dubbing: { density: 0.3, lineDensity: 0.03 }, fliesPerPacket: 40 }],
    ["unknown", { form: "dubbing", unit: "count", dubbing: { density: 0.3, lineDensity: 0.03 } }],
    [
      "combed",
      {
        form: "dubbing",
        unit: "ug",
        dubbing: { density: 0.35, lineDensity: 0.1 },
        prepLoss: { share: 0.2, what: "underfur combed out" },
      },
    ],
  );
  const trace = (material: string) =>
    withStep(
      {
        id: "thorax",
        name: "a trace of fur",
        do: "dress",
        component: "trace",
        from: { fraction: 0.2 },
        to: { fraction: 0.45 },
        trace: true,
      },
      { id: "trace", role: "thorax", material: [{ value: material }] },
    );

  test("a trace is packets by flies, adds nothing to the body and no mass", () => {
    const [with_, without] = [tie(trace("mole"), {}, from), tie(recipe())];
    expect(requirementsOf(with_, 100).find((q) => q.component === "trace")).toMatchObject({ perFly: 1 / 40, net: 3 });
    expect(with_.tied.mass.total).toBeCloseTo(without.tied.mass.total, 9);
    expect([...with_.tied.profile.d]).toEqual([...without.tied.profile.d]);
  });
  test("its working says so; a packet that nobody has counted is taken as the usual one", () => {
    const f = tie(trace("mole"), {}, from);
    const q = requirementsOf(f, 100).find((x) => x.component === "trace");
    expect(q && workingOf(q, f, 100).parts?.[0]).toMatchObject({ formula: "A trace", result: { value: 1 / 40 } });
    expect(q?.words).toBe(`${q?.issue} packets: 40 flies a packet`);
    expect(requirementsOf(tie(trace("unknown"), {}, from), 100).find((x) => x.component === "trace")?.perFly).toBe(
      1 / 200,
    );
    expect(missingFrom(trace("mole"))).toEqual([]);
  });
  test("the bench is told a trace by the packet, and how full a ramp becomes", () => {
    const f = tie(trace("mole"), {}, from);
    const figures = (fly: ComposedFly, id: string) => {
      const s = fly.steps.find((x) => x.id === id);
      return s ? benchStepOf(fly, s, "right").figures.join("; ") : "";
    };
    expect(figures(f, "thorax")).toContain("a trace: a packet ties 40");
    const ramp = (mm: number) =>
      tie(
        withStep({
          id: "base",
          name: "ramp",
          do: "wind",
          component: "thread",
          from: { fraction: 0.4 },
          to: bend,
          rule: { touching: true },
          fill: [{ mm }, { mm: mm / 2 }],
        }),
      );
    expect(figures(ramp(1.6), "base")).toMatch(/1\.6 mm full to 0\.8 mm, about \d+ turns/);
    expect(figures(ramp(0.2), "base")).toContain("full enough already: nothing to wind");
  });
  test("what is lost before the vise is taken as well, and named in the working", () => {
    const r = changed((x) => {
      x.components = x.components.map((c) => (c.id === "body" ? { ...c, material: [{ value: "combed" }] } : c));
    });
    const q = (f: ComposedFly) => requirementsOf(f, 48).find((x) => x.component === "body");
    const [lossy, plain] = [tie(r, {}, from), tie(recipe())];
    expect((q(lossy)?.perFly ?? 0) / (q(plain)?.perFly ?? 1)).toBeCloseTo(1 / 0.8, 9);
    const named = q(lossy);
    expect(named && workingOf(named, lossy, 48).inputs.map((i) => i.name)).toContain(
      "lost before the vise: underfur combed out",
    );
  });
  test("a loop by its length, layers and load", () => {
    const loop = (layers: number, load: number) =>
      tie(
        withStep({
          id: "body",
          name: "loop",
          do: "dress",
          component: "body",
          from: half,
          to: bend,
          loopMm: 60,
          loopLayers: layers,
          loopLoad: load,
        }),
      );
    const [thin, thick] = [loop(1, 0.2), loop(3, 0.2)];
    expect(result(thin, "body").mass).toBeCloseTo((60 * 0.2) / 0.7, 6);
    expect(result(thick, "body").mass).toBeCloseTo(3 * (result(thin, "body").mass ?? 0), 6);
    expect(thin.tied.threads[0]?.use.loops).toBe(2 * 60 + 40);
  });
  test("the same step twisted on the thread has no loop's quantity", () => {
    const r = withStep({
      id: "body",
      name: "loop",
      do: "dress",
      component: "body",
      from: half,
      to: bend,
      loopMm: 60,
      loopLoad: 0.2,
    });
    expect(methodDifferences(request(r), 12).find((d) => d.other.id === "twisted")?.fault).toMatchObject({
      code: "STEP_NEEDS",
      details: { missing: "how full, or how long a noodle" },
    });
  });
  test("yarn that is chopped for a blend leaves its spool by the millimetre", () => {
    const yarn = materials.get("yarn") as Material;
    expect(partQuantity(yarn, 500)).toBeCloseTo(500 / 0.25, 9);
    expect(partQuantity(materials.get("fur") as Material, 500)).toBe(500);
    expect(() => partQuantity({ name: "thing", unit: "um" }, 500)).toThrow("mass of a millimetre");
  });
  test("the stretch of a piece measured before and after is told at the bench", () => {
    const r = withStep(
      {
        id: "back",
        name: "back",
        do: "wind",
        component: "back",
        from: { fraction: 0.5 },
        to: bend,
        rule: { touching: true },
        take: { from: "leftover", startMm: 60, leftMm: 46 },
      },
      { id: "back", role: "body", material: [{ value: "stretch" }] },
    );
    const f = tie(r);
    const s = f.steps.find((x) => x.id === "back");
    expect(s && benchStepOf(f, s, "right").figures.join()).toMatch(
      /stretched [\d.]+ times: begin with 60.0 mm, 46.0 mm are left/,
    );
    expect(requirementsOf(f, 10).find((q) => q.component === "back")?.perFly).toBeCloseTo(14, 6);
  });
});

describe("what may take a place", () => {
  const from = cabinet(
    ["pearl", { form: "flash", unit: "count", colourName: "pearl", pieceMm: 250 }],
    ["gold", { form: "flash", unit: "count", colourName: "gold", pieceMm: 250 }],
    ["fine", { form: "thread", colourName: "olive", thread: { denier: 50, fibre: "polyester" } }],
    ["rope", { form: "thread", colourName: "olive", thread: { denier: 280, fibre: "polyester" } }],
    [
      "two",
      {
        form: "blend",
        unit: "ug",
        dubbing: { density: 0.35, lineDensity: 0.1 },
        blend: { parts: { fur: 0.3, "weak-fur": 0.7 }, leastChargeMg: 100 },
      },
    ],
  );
  const named = (c: Parameters<typeof allowedFor>[0], now: string) =>
    allowedFor(c, from.get(now) as Material, from).map((a) => [a.material, a.by]);

  test("anything of its class, in the shades named", () => {
    const c = { id: "f", role: "flash" as const, material: [{ value: "flash" }], anyOf: { form: "flash" as const } };
    expect(named(c, "flash")).toEqual([
      ["gold", "its class"],
      ["pearl", "its class"],
    ]);
    expect(named({ ...c, anyOf: { form: "flash", shades: ["pearl"] } }, "flash")).toEqual([["pearl", "its class"]]);
  });
  test("what the pattern names goes first and is not listed twice", () => {
    expect(
      named(
        {
          id: "f",
          role: "flash",
          material: [],
          alternates: [{ material: "pearl", effect: "paler" }],
          anyOf: { form: "flash" },
        },
        "flash",
      ),
    ).toEqual([
      ["pearl", "the pattern"],
      ["gold", "its class"],
    ]);
  });
  test("a blend's largest part alone, as one plain colour", () =>
    expect(named({ id: "b", role: "body", material: [] }, "two")).toEqual([["weak-fur", "one plain colour"]]));
  test("threads of the same colour that are not twice as thick or thin", () => {
    const olive = cabinet(["now", { form: "thread", colourName: "olive", thread: { denier: 70, fibre: "polyester" } }]);
    for (const [code, m] of from) olive.set(code, m);
    expect(
      allowedFor({ id: "t", role: "thread", material: [] }, olive.get("now") as Material, olive).map((a) => a.material),
    ).toEqual(["fine"]);
  });
  test("a heavier thread that crowds the head is told with the step", () => {
    const r = changed((x) => {
      x.steps = x.steps.map((s): RecipeStep => (s.id === "base" && s.do === "wind" ? { ...s, passes: 4 } : s));
    });
    const heavy = cabinet(["heavy", { form: "thread", thread: { denier: 1800, fibre: "nylon" } }]);
    const judged = judgeSubstitute(request(r, { form: "light" }, heavy), "thread", "heavy", 24);
    expect(
      judged.warnings
        .filter((w) => w.code === "NEWLY_CROWDED")
        .map(takenAwaySentence)
        .join(" "),
    ).toMatch(/head becomes .* full/);
  });
  test("thin and gel glue are told apart, each way", () => {
    const glues = cabinet(
      ["thin", { form: "liquid", unit: "nl", liquid: { kind: "glue", body: "thin" } }],
      ["gel", { form: "liquid", unit: "nl", liquid: { kind: "glue", body: "gel" } }],
    );
    const r = withStep(
      { id: "g", name: "glue the base", do: "glue", component: "g", at: half, drops: 1 },
      { id: "g", role: "finish", material: [{ value: "thin" }] },
    );
    expect(judgeSubstitute(request(r, {}, glues), "g", "gel", 24).warnings.map((w) => w.code)).toContain("OTHER_GLUE");
    expect(
      judgeSubstitute(request(r, { use: { g: "gel" } }, glues), "g", "thin", 24)
        .warnings.filter((w) => w.code === "OTHER_GLUE")
        .map(takenAwaySentence)
        .join(),
    ).toMatch(/sets at once/);
    expect(judgeSubstitute(request(r, {}, glues), "g", "thin", 24).warnings).toEqual([]);
  });
  test("a hook taken in its place is the one that is tied on", () => {
    expect(hookOf(recipe(), { form: "all", use: { hook: "N2" } })).toBe("N2");
    expect(hookOf(recipe(), { form: "all", use: { body: "fur" } })).toBe("N");
  });
  test("leaving a part out takes its price, its minutes and its weight off", () => {
    const r = changed((x) => {
      x.components = x.components.map((c) => (c.id === "wing" ? { ...c, priceCents: 300 } : c));
    });
    expect(priceOf(r, { leave: ["wing"] })).toBe(2200);
    const without = judgeLeavingOut(request(r), "wing", 12);
    expect(without).toMatchObject({ priceCents: -300 });
    expect(without.minutes).toBeLessThan(0);
    expect(without.massMg).toBeLessThan(0);
    expect(judgeLeavingOut(request(r), "body", 12).fault).toMatchObject({
      code: "NOT_OPTIONAL",
      details: { component: "body" },
    });
    // The wing is twice the tail: without the tail there is nothing to measure it by.
    const leans = changed((x) => {
      x.components = x.components.map((c) => (c.id === "tail" ? { ...c, optional: true } : c));
    });
    expect(judgeLeavingOut(request(leans), "tail", 12).fault).toMatchObject({
      code: "LENGTH_RULE_UNRESOLVED",
      details: { part: "tail" },
    });
  });
  test("a material that nobody has identified may be shown, not promised", () => {
    const old = cabinet([
      "fur",
      { form: "dubbing", unit: "ug", dubbing: { density: 0.35, lineDensity: 0.1 }, standing: "vintage" },
    ]);
    expect(notPromised(recipe(), choose(), old)).toEqual([{ material: "fur", standing: "vintage" }]);
    expect(notPromised(recipe(), choose({ variant: "mixed" }), old)).toEqual([]);
    const twice = changed((x) => {
      x.components.push({ id: "thorax", role: "thorax", material: [{ value: "fur" }] });
    });
    expect(notPromised(twice, choose(), old)).toHaveLength(1);
    expect(tie(recipe(), {}, old).tied.mass.total).toBeGreaterThan(0);
  });
});

describe("ranges, sides and the thread's way", () => {
  test("a stated range leaves the need open, exact counts do not", () => {
    const r = changed((x) => {
      x.steps = x.steps.map((s): RecipeStep => (s.id === "tail" ? { ...s, spread: [4, 12] } : s));
    });
    const range = rangesOf(request(r), 120).ranges.find((x) => x.key === "tail");
    const at = (n: number) =>
      need(
        tie(
          changed((x) => {
            x.steps = x.steps.map((s): RecipeStep =>
              s.id === "tail" && s.do === "lay" ? { ...s, amount: { fibres: n } } : s,
            );
          }),
        ),
        "tail",
        120,
      );
    expect(range).toEqual({ key: "tail", least: at(4), most: at(12) });
    expect(rangesOf(request(recipe()), 120)).toEqual({ ranges: [] });
  });
  test("an end of the range that cannot be tied is told, not stumbled over", () => {
    const r = changed((x) => {
      x.steps = x.steps.map((s): RecipeStep => (s.id === "rib" ? { ...s, spread: [5, 900] } : s));
    });
    expect(rangesOf(request(r), 120)).toEqual({
      ranges: [],
      fault: expect.objectContaining({ code: "TOO_MANY_TURNS" }) as DomainError,
    });
  });
  test("pieces shared out add up, and no side is more than one off its share", () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 200 }),
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 5 }),
        fc.integer({ min: 1, max: 5 }),
        (n, top, near, far) => {
          const shared = shareOut(n, { top, near, far });
          expect((shared.top ?? 0) + (shared.near ?? 0) + (shared.far ?? 0)).toBe(n);
          for (const [side, part] of [
            ["top", top],
            ["near", near],
            ["far", far],
          ] as const)
            expect(Math.abs((shared[side] ?? 0) - (n * part) / (top + near + far))).toBeLessThan(1);
        },
      ),
    ));
  test("a share is said side by side", () => {
    expect(shareWords(shareOut(13, { near: 1, far: 1 }))).toBe("7 near and 6 far");
    expect(shareWords(shareOut(9, { top: 1 }))).toBe("9 top");
  });
  test("the thread hangs where the last winding left it, and is said to travel where the next step begins elsewhere", () => {
    const f = tie(recipe());
    const way = new Map(threadWay(f).map((t) => [t.step, t]));
    expect(way.get("base")).toMatchObject({ place: "the bend", travelled: 0 });
    expect(way.get("tail")?.travelled).toBe(0);
    expect(way.get("body")?.hangsAt).toBeCloseTo(f.hook.shank, 6);
    expect(way.get("legs")?.travelled).toBeCloseTo(f.hook.shank - 0.48 * f.hook.shank, 6);
    expect(way.get("whip")?.hangsAt).toBeCloseTo(f.tied.beadMm, 6);
  });
  test("there and back the thread is where it began", () => {
    const r = changed((x) => {
      x.steps = x.steps.map((s): RecipeStep => (s.id === "base" && s.do === "wind" ? { ...s, passes: 2 } : s));
    });
    expect(threadWay(tie(r)).find((t) => t.step === "base")).toMatchObject({ place: "the eye" });
  });
});

describe("a hackle round a post", () => {
  const hackled = (more: Partial<RecipeStep & { do: "wind" }>): Recipe =>
    changed((r) => {
      r.components.push({ id: "post", role: "wing", material: [{ value: "hair" }] });
      r.components.push({ id: "hackle", role: "hackle", material: [{ value: "stiff" }] });
      r.steps.splice(
        r.steps.length - 1,
        0,
        {
          id: "post",
          name: "post",
          do: "lay",
          component: "post",
          from: { fraction: 0.3 },
          to: half,
          amount: { clump: { mm: 2 } },
          shown: { mm: 8 },
          attitude: "up",
        },
        {
          id: "hackle",
          name: "hackle",
          do: "wind",
          component: "hackle",
          from: { fraction: 0.3 },
          to: { fraction: 0.3 },
          rule: { turns: 4 },
          ...more,
        },
      );
    });

  test("its turns are measured round the wing, not round the body, and none climbs on another", () => {
    const f = tie(hackled({ roundPost: true }));
    // Four turns round a clump of 2 mm, on a stem whose core is 0.3 mm thick.
    expect(result(f, "hackle").length).toBeCloseTo(4 * Math.PI * 2.3, 6);
    expect(result(f, "hackle").after).toEqual(result(f, "post").after);
  });
  test("it is refused where no wing stands before it", () => {
    const r = hackled({ roundPost: true });
    r.steps = r.steps.filter((s) => s.id !== "post" && s.id !== "wing");
    r.components = r.components.filter((c) => c.role !== "wing");
    expect(() => tie(r)).toThrow(expect.objectContaining({ code: "STEP_NEEDS" }) as Error);
  });
  test("it takes no room in front of the body", () => {
    const parts = (more: Partial<RecipeStep & { do: "wind" }>) =>
      tie(hackled({ from: { eyeLengths: 1.5 }, to: { eyeLengths: 1.5 }, ...more })).tied.warnings.filter(
        (w) => w.code === "HEAD_ROOM",
      );
    expect(parts({ roundPost: true }).flatMap((w) => (w.code === "HEAD_ROOM" ? w.details.parts : []))).not.toContain(
      "hackle",
    );
  });
});
