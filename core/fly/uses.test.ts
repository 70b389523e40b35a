import { describe, expect, test } from "vitest";
import type { Material } from "../materials";
import { requirementsOf } from "../needs";
import type { Component, FlyChoice, LayAmount, RecipeStep, Role } from "../recipe";
import { sentenceOf, warningSentence } from "../sentences";
import { choose, materials, model } from "../testing/nymph";
import { refusalOf } from "../testing/refusal";
import { changed, withStep } from "../testing/recipes";
import { diameterAt } from "../tying";
import { composeFly, type ComponentUse, type ComposedFly } from ".";

/** The cabinet with some materials put in, each like one that is there. */
const cabinet = (...more: [code: string, like: string, figures: Partial<Material>][]): Map<string, Material> =>
  new Map([
    ...materials,
    ...more.map(([code, like, figures]): [string, Material] => {
      const base = materials.get(like);
      if (!base) throw new Error(`no ${like}`);
      return [code, { ...base, ...figures, code, name: code }];
    }),
  ]);
const light = (c: Partial<FlyChoice> = {}): FlyChoice => choose({ form: "light", ...c });
const part = (id: string, role: Component["role"], material: string): Component => ({
  id,
  role,
  material: [{ value: material }],
});
const compose = (step: RecipeStep, own: Component, from = materials, c: Partial<FlyChoice> = {}): ComposedFly =>
  composeFly(withStep(step, own), light(c), model, from, { keepProfiles: true });
const useOf = (fly: ComposedFly, component: string): ComponentUse | undefined =>
  fly.parts.find((p) => p.component === component)?.uses[0]?.use;

const collar: RecipeStep = {
  id: "collar",
  name: "collar",
  do: "wind",
  component: "h",
  from: { eyeLengths: 0.6 },
  to: { eyeLengths: 0.6 },
  rule: { turns: 1 },
};
const tail = (amount: LayAmount, more: object = {}): RecipeStep => ({
  id: "x",
  name: "long tail",
  do: "lay",
  component: "x",
  from: { fraction: 0.9 },
  to: { landmark: "bend" },
  amount,
  shown: { mm: 20 },
  attitude: "back",
  ...more,
});

describe("pieces of yarn tied across the shank", () => {
  const across = (from: object): RecipeStep =>
    ({ ...tail({ strands: 8, folded: false }, { shown: { mm: 30 }, attitude: "sides" }), from }) as RecipeStep;
  const grossOf = (role: Role, from: object): number =>
    compose(across(from), part("x", role, "yarn")).steps.find((s) => s.id === "x")?.grossMm ?? NaN;

  test("are each as long as they are from side to side, however far along the hook they lie", () => {
    expect(grossOf("body", { fraction: 0.3 })).toBeCloseTo(30);
    expect(grossOf("body", { fraction: 0.9 })).toBeCloseTo(30);
  });
  test("of another part what is bound along the hook comes to it", () =>
    expect(grossOf("legs", { fraction: 0.3 })).toBeGreaterThan(32));
});

describe("feathers that serve one fly", () => {
  const feather = { usable: 75, grip: 20, perMm: 1.8, span: 40, sides: 2, unusable: 0.1 };
  const soft = cabinet(["soft", "stiff", { feather: { ...feather, soft: true } }]);
  const perFly = (code: string, from = soft, c: Partial<FlyChoice> = {}): number => {
    const fly = compose(collar, part("h", "collar", code), from, c);
    return requirementsOf(fly, 1000).find((r) => r.component === "h")?.perFly ?? NaN;
  };
  test("a long hackle tied in by the butt is taken up again, a soft one is not", () => {
    expect(perFly("stiff")).toBeLessThan(0.5);
    expect(perFly("soft")).toBe(1);
  });
  test("nor is one that was tied in by its tip, whatever it is", () =>
    expect(perFly("stiff", soft, { methods: { "collar/hackle tied in": "tip" } })).toBe(1));
  test("a turn that needs more than one takes several, soft or not", () => {
    const many = { ...collar, rule: { turns: 30 } } as RecipeStep;
    const fly = compose(many, part("h", "collar", "soft"), soft);
    expect(requirementsOf(fly, 100).find((r) => r.component === "h")?.perFly).toBeGreaterThan(1);
  });
});

describe("several wound as one", () => {
  const wound = (more: object): ComponentUse | undefined =>
    useOf(compose({ ...collar, ...more } as RecipeStep, part("h", "collar", "stiff")), "h");
  test("each of two hackles is taken, and each winds as far as one would", () => {
    const [one, two] = [wound({}), wound({ rope: 2, ribbon: true })];
    expect(one).toMatchObject({ kind: "wound feather" });
    expect(one).not.toHaveProperty("together");
    expect(two).toMatchObject({ kind: "wound feather", together: 2 });
    if (one?.kind !== "wound feather" || two?.kind !== "wound feather") throw new Error("no feather is wound");
    expect(two.length / one.length).toBeCloseTo(1, 1);
    const perFly = (more: object): number => {
      const fly = compose({ ...collar, ...more } as RecipeStep, part("h", "collar", "stiff"));
      return requirementsOf(fly, 1000).find((r) => r.component === "h")?.perFly ?? NaN;
    };
    expect(perFly({ rope: 2, ribbon: true })).toBeCloseTo(2 * perFly({}), 10);
  });
  test("each of four strands cut to length is taken", () => {
    const cut = (rope: number): number => {
      const own = {
        take: { from: "pieces", pieceMm: 40, gripMm: 10, trimMm: 5 },
        rule: { turns: 3 },
        rope,
        ribbon: true,
      };
      const step = { ...collar, ...own } as RecipeStep;
      const fly = compose(step, part("h", "rib", "wire"), materials, { methods: { "collar/pieces": "cut" } });
      return requirementsOf(fly, 120).find((r) => r.component === "h")?.net ?? NaN;
    };
    expect(cut(4)).toBe(4 * cut(1));
  });
});

describe("fibres and biots", () => {
  test("a biot is one of many on its quill: one every 1.2 mm", () => {
    const biots = cabinet([
      "biot",
      "pheasant",
      { feather: { usable: 50, grip: 10, perMm: 1 / 1.2, span: 48, sides: 1, unusable: 0 } },
    ]);
    const fly = compose(tail({ fibres: 2 }), part("x", "tail", "biot"), biots);
    // 48 mm give 40 biots: twenty flies of two.
    expect(requirementsOf(fly, 20).find((r) => r.component === "x")?.net).toBe(1);
    expect(requirementsOf(fly, 21).find((r) => r.component === "x")?.net).toBe(2);
  });
  test("a side with a density of its own counts with it", () => {
    const feather = { usable: 60, grip: 15, perMm: 2, span: 50, sides: 2, unusable: 0, otherPerMm: 1 };
    const fly = compose(
      tail({ fibres: 30 }),
      part("x", "tail", "uneven"),
      cabinet(["uneven", "pheasant", { feather }]),
    );
    expect(useOf(fly, "x")).toMatchObject({ kind: "fibres", perFeather: 150 });
  });
  test("a wound quill takes slips of it, not whole quills", () => {
    const body = {
      ...collar,
      id: "b",
      component: "x",
      from: { fraction: 0.6 },
      to: { landmark: "bend" },
      rule: { touching: true },
    };
    const fly = compose(body as RecipeStep, part("x", "body", "quill"));
    expect(requirementsOf(fly, 12).find((r) => r.component === "x")?.perFly).toBeLessThan(0.1);
  });
  test("a winding longer than its herl takes more herls, one after another", () => {
    const short = cabinet(["short", "herl", { fibreMm: 25 }], ["long", "herl", { fibreMm: 400 }]);
    const body = (code: string) =>
      compose(
        {
          ...collar,
          id: "b",
          component: "x",
          from: { fraction: 0.4 },
          to: { landmark: "bend" },
          rule: { touching: true },
          rope: 3,
        } as RecipeStep,
        part("x", "body", code),
        short,
      );
    expect(useOf(body("long"), "x")).toEqual({ kind: "pieces", each: 3 });
    const one = body("short").tied.steps.find((s) => s.id === "b")?.strandLength ?? 0;
    expect(useOf(body("short"), "x")).toEqual({ kind: "pieces", each: 3 * Math.ceil(one / 25) });
  });
  test("a strand of a hank that is wound is cut from it", () => {
    const rib = {
      ...collar,
      id: "b",
      component: "x",
      from: { fraction: 0.5 },
      to: { landmark: "bend" },
      rule: { turns: 6 },
    };
    const fly = compose(rib as RecipeStep, part("x", "rib", "flash"));
    const one = fly.tied.steps.find((s) => s.id === "b")?.strandLength ?? 0;
    expect(useOf(fly, "x")).toMatchObject({ kind: "strands", piecesPerFly: 1, piecesPerStrand: Math.floor(250 / one) });
  });
});

describe("whole feathers are their fibres", () => {
  const laid = (amount: LayAmount, code = "plume") => compose(tail(amount), part("x", "tail", code));
  const fibres = (amount: LayAmount, code?: string) => laid(amount, code).steps.find((s) => s.id === "x")?.fibres;
  test.each<[string, LayAmount, number]>([
    // 60 mm · 3 a mm · 2 sides · 0.8 usable.
    ["whole", { feathers: 1 }, 288],
    ["centre out", { feathers: 1, part: "centre out" }, 202],
    ["one flank", { feathers: 1, part: "one flank" }, 144],
    ["tip", { feathers: 1, part: "tip" }, 72],
    ["two tips", { feathers: 2, part: "tip" }, 144],
  ])("%s", (_, amount, n) => expect(fibres(amount)).toBe(n));
  test("of a pair, and of a hackle, the stems lie there", () => {
    expect(fibres({ feathers: 2, paired: true })).toBe(2);
    expect(fibres({ feathers: 3 }, "hackle")).toBe(3);
  });
  test("the other flank serves the next fly", () => {
    expect(useOf(laid({ feathers: 1, part: "one flank" }), "x")).toMatchObject({ kind: "feathers", each: 0.5 });
    expect(useOf(laid({ feathers: 1, part: "tip" }), "x")).toMatchObject({ kind: "feathers", each: 1 });
  });
  test("their butts make the fly fuller where they are bound down", () => {
    const at = (fly: ComposedFly) => diameterAt(fly.tied.profile, 0.95 * fly.hook.shank);
    expect(at(laid({ feathers: 1 }))).toBeGreaterThan(at(laid({ feathers: 1, part: "tip" })) + 0.2);
  });
});

describe("matched slips", () => {
  const wing = (layers?: number) =>
    compose(tail({ slipWidth: { mm: 5 }, ...(layers && { layers }) }), part("x", "wing", "quill"));
  const rights = (fly: ComposedFly) => requirementsOf(fly, 30).find((r) => r.key === "x:right")?.net;
  test("doubled take twice as many from either side, and lie twice as thick", () => {
    // Ten slips of 5 mm a quill.
    expect(rights(wing())).toBe(3);
    expect(rights(wing(2))).toBe(6);
    expect(wing(2).steps.find((s) => s.id === "x")?.fibres).toBe(24);
  });
});

describe("laid strands in the unit that the drawer counts in", () => {
  const yarn = (amount: LayAmount) => useOf(compose(tail(amount), part("x", "tail", "yarn")), "x");
  test("each as long as it shows, is bound and is trimmed; folded to double, twice that", () => {
    const fly = compose(tail({ strands: 2, folded: false }), part("x", "tail", "yarn"));
    const bound = 0.1 * fly.hook.shank;
    const one = yarn({ strands: 1, folded: false });
    const two = yarn({ strands: 2, folded: false });
    if (one?.kind !== "length" || two?.kind !== "length") throw new Error("yarn is taken by length");
    expect(one.mm).toBeCloseTo(20 + bound + 5, 6);
    expect(two.mm).toBeCloseTo(2 * one.mm, 6);
    const folded = yarn({ strands: 2, folded: true });
    expect(folded).toMatchObject({ kind: "length" });
    expect(folded?.kind === "length" && folded.mm).toBeCloseTo(2 * (20 + bound) + 5, 6);
  });
});

describe("how far a material reaches", () => {
  const long = (mm: number, amount: LayAmount = { fibres: 8 }, code = "pheasant", from = materials) =>
    refusalOf(() => compose(tail(amount, { shown: { mm } }), part("x", "tail", code), from));
  test("a 93 mm tail of a 60 mm feather is refused, and the reach is said", () => {
    const refused = long(93);
    expect(refused).toMatchObject({ code: "FIBRE_TOO_SHORT", step: { id: "x" }, details: { reachMm: 60 } });
    expect(refused && sentenceOf(refused)).toMatch(
      /^“long tail” needs 93\.\d+ mm, 0\.\d+ of it bound down; pheasant reaches 60 mm\./,
    );
  });
  test("up to the reach it is tied, the bound end counted", () => {
    expect(long(58)).toBeUndefined();
    expect(long(59.5)?.code).toBe("FIBRE_TOO_SHORT");
  });
  test("the longest fibre, where it is stated, is what counts", () => {
    const known = cabinet(["short", "pheasant", { fibreMm: 30 }], ["coarse", "hair", { fibreMm: 40 }]);
    expect(long(35, { fibres: 8 }, "short", known)?.code).toBe("FIBRE_TOO_SHORT");
    expect(long(45, { clump: { mm: 2 } }, "coarse", known)?.code).toBe("FIBRE_TOO_SHORT");
    // Nobody has said how long this hair is.
    expect(long(45, { clump: { mm: 2 } }, "hair")).toBeUndefined();
  });
  test("so are whole feathers and slips", () => {
    expect(long(70, { feathers: 1 }, "plume")?.code).toBe("FIBRE_TOO_SHORT");
    expect(long(70, { slipWidth: { mm: 3 } }, "quill")?.code).toBe("FIBRE_TOO_SHORT");
  });
  test("a bundle that is folded back must be long enough for both, where its length is known", () => {
    const r = withStep({
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
    const known = new Map([...materials, ...cabinet(["p", "pheasant", { fibreMm: 40 }])].map(([k, v]) => [k, v]));
    known.set("pheasant", { ...(materials.get("pheasant") as Material), fibreMm: 40 });
    expect(refusalOf(() => composeFly(r, light(), model, known))).toMatchObject({ code: "FIBRE_TOO_SHORT" });
    expect(refusalOf(() => composeFly(r, light(), model, materials))).toBeUndefined();
  });
});

describe("what no fly takes is refused before it reaches a pull sheet", () => {
  test("more than twenty whole feathers", () => {
    const refused = refusalOf(() =>
      compose(
        tail({ fibres: 1900 }),
        part("x", "tail", "sparse"),
        cabinet([
          "sparse",
          "pheasant",
          { feather: { usable: 60, grip: 15, perMm: 0.5, span: 20, sides: 2, unusable: 0 } },
        ]),
      ),
    );
    expect(refused).toMatchObject({ code: "USE_ABSURD", details: { each: 95, of: "feathers" } });
    expect(refused && sentenceOf(refused)).toContain("fibres per mm");
  });
  test("an amount that its drawer does not count in", () => {
    const refused = refusalOf(() => compose(tail({ pieces: 2 }), part("x", "tail", "yarn")));
    expect(refused).toMatchObject({ code: "KEPT_OTHERWISE", step: { id: "x" } });
    expect(refused && sentenceOf(refused)).toMatch(/by the piece, and yarn is kept by length/);
  });
  test("a clump of what is not weighed is as many fibres as pack to it", () => {
    const strand = { section: "flat", width: 0.1, thickness: 0.06, density: 1.1 } as const;
    const feather = { usable: 60, grip: 15, perMm: 2.5, span: 40, sides: 2, unusable: 0.1 };
    const plumes = cabinet(["plume", "pheasant", { strand, feather, fibreMm: 60 }]);
    const fly = compose(tail({ clump: { mm: 2 } }), part("x", "tail", "plume"), plumes);
    // By hand: 0.6 · π/4 · 2² / 0.006 mm².
    expect(useOf(fly, "x")).toMatchObject({ kind: "fibres", fibres: 314, perFeather: 180 });
    const flash = { form: "flash", unit: "count", strand, pieceMm: 250 } as const;
    const strands = compose(tail({ clump: { mm: 1 } }), part("x", "tail", "flash"), cabinet(["flash", "fur", flash]));
    expect(useOf(strands, "x")).toMatchObject({ kind: "strands", piecesPerFly: 79 });
    expect(strands.steps.find((s) => s.id === "x")?.widthMm).toBe(1);
  });
  test("of what nobody knows how thick it is no clump can be told", () => {
    const bare = cabinet(["unknown", "fur", { form: "made part", unit: "count", strand: undefined }]);
    const refused = refusalOf(() => compose(tail({ clump: { mm: 1 } }), part("x", "tail", "unknown"), bare));
    expect(refused?.code).toBe("STEP_NEEDS");
  });
  test("a trace of dubbing that is kept by weight is an even share of its packet", () => {
    const trace: RecipeStep = {
      id: "t",
      name: "touch",
      do: "dress",
      component: "x",
      from: { fraction: 0.2 },
      to: { fraction: 0.3 },
      trace: true,
    };
    const fly = compose(trace, part("x", "thorax", "fur"));
    expect(useOf(fly, "x")).toEqual({ kind: "mass", mg: 5 });
    const counted = cabinet(["packet", "fur", { unit: "count", fliesPerPacket: 300 }]);
    expect(useOf(compose(trace, part("x", "thorax", "packet"), counted), "x")).toEqual({
      kind: "packets",
      fliesPerPacket: 300,
    });
  });
});

describe("what is taken over", () => {
  const backIn = (more: object = {}): RecipeStep => ({
    id: "in",
    name: "bind in the back",
    do: "lay",
    component: "back",
    from: { fraction: 0.9 },
    to: { landmark: "bend" },
    amount: { strands: 1, folded: false },
    hanging: true,
    attitude: "back",
    ...more,
  });
  const over = (id: string, front: number, rear: number, more: object = {}): RecipeStep => ({
    id,
    name: "pull the back over",
    do: "lay",
    component: "back",
    from: { fraction: front },
    to: { fraction: rear },
    amount: { strands: 1, folded: false },
    tiedIn: "in",
    countedWhenWound: true,
    attitude: "over",
    ...more,
  });
  const tied = (steps: RecipeStep[], material = "stretch", from = materials, role: Role = "wing case") =>
    composeFly(
      changed((r) => {
        r.components.push(part("back", role, material));
        const body = r.steps.findIndex((s) => s.id === "body");
        r.steps.splice(body, 0, steps[0] as RecipeStep);
        r.steps.splice(r.steps.length - 1, 0, ...steps.slice(1));
      }),
      light(),
      model,
      from,
      { keepProfiles: true },
    );
  const lengthOf = (fly: ComposedFly): number => {
    const use = useOf(fly, "back");
    if (use?.kind !== "length") throw new Error("a strip is taken by length");
    return use.mm;
  };
  test("is as long as its way over the fly, the bound end, what the fingers hold and what is trimmed", () => {
    const fly = tied([backIn(), over("o", 0.3, 1)]);
    const { shank } = fly.hook;
    const way = fly.tied.steps.find((s) => s.id === "o")?.wayMm ?? 0;
    expect(way).toBeGreaterThan(0.7 * shank);
    expect(way).toBeLessThan(0.7 * shank + 2);
    expect(lengthOf(fly)).toBeCloseTo(way + 0.1 * shank + 10 + 5, 6);
    expect(fly.steps.find((s) => s.id === "in")?.reachMm).toBeCloseTo(way + 10, 6);
  });
  test("what stays free is added, and a further way as often as it is taken on", () => {
    const plain = lengthOf(tied([backIn(), over("o", 0.3, 1)]));
    expect(lengthOf(tied([backIn(), over("o", 0.3, 1, { free: { mm: 6 } })]))).toBeCloseTo(plain + 6, 6);
    const further = tied([backIn(), over("o", 0.5, 1), over("p", 0.3, 0.5)]);
    expect(lengthOf(further)).toBeCloseTo(plain, 0);
  });
  test("drawn out it is as much shorter, and thinner on the fly", () => {
    const [plain, drawn] = [tied([backIn(), over("o", 0.3, 1)]), tied([backIn(), over("o", 0.3, 1, { stretch: 2 })])];
    const way = plain.tied.steps.find((s) => s.id === "o")?.wayMm ?? 0;
    expect(lengthOf(drawn)).toBeCloseTo(lengthOf(plain) - way / 2, 6);
    const at = (fly: ComposedFly) => diameterAt(fly.tied.profile, 0.4 * fly.hook.shank);
    expect(at(drawn)).toBeLessThan(at(plain));
  });
  test("over a fuller body the way is longer", () => {
    const steep = (full: number) =>
      composeFly(
        changed((r) => {
          r.components.push(part("back", "wing case", "stretch"));
          const body = r.steps.findIndex((s) => s.id === "body");
          r.steps[body] = {
            ...(r.steps[body] as RecipeStep),
            fullness: [{ mm: full }, { mm: 0.6 }],
          } as RecipeStep;
          r.steps.splice(body, 0, backIn());
          r.steps.splice(r.steps.length - 1, 0, over("o", 0.3, 1));
        }),
        light(),
        model,
        materials,
      ).tied.steps.find((s) => s.id === "o")?.wayMm ?? 0;
    expect(steep(2.2)).toBeGreaterThan(steep(1));
  });
  test("stated too short, it is counted as long as it takes and told; stated long, as stated", () => {
    const short = tied([backIn({ shown: { mm: 2 } }), over("o", 0.3, 1)]);
    expect(lengthOf(short)).toBeCloseTo(lengthOf(tied([backIn(), over("o", 0.3, 1)])), 6);
    const told = short.tied.warnings.find((w) => w.code === "CANNOT_REACH");
    expect(told).toMatchObject({ step: "in" });
    expect(told && warningSentence(told)).toMatch(/stated 2\.0 mm long/);
    const long = tied([backIn({ shown: { mm: 60 } }), over("o", 0.3, 1)]);
    expect(lengthOf(long)).toBeCloseTo(60 + 0.1 * long.hook.shank + 5, 6);
    expect(long.tied.warnings.map((w) => w.code)).not.toContain("CANNOT_REACH");
  });
  test("a tail whose butts are taken over is as long as both of its ends, and is counted once", () => {
    const steps = [backIn({ shown: { mm: 6 } }), over("o", 0.3, 1)];
    const fly = tied(steps, "stretch", materials, "tail");
    const way = fly.tied.steps.find((s) => s.id === "o")?.wayMm ?? 0;
    expect(lengthOf(fly)).toBeCloseTo(6 + way + 0.1 * fly.hook.shank + 10 + 5, 6);
    expect(fly.tied.warnings.map((w) => w.code)).not.toContain("CANNOT_REACH");
  });
  test("narrower than half of what it covers, it leaves the sides open", () => {
    const narrow = cabinet([
      "narrow",
      "stretch",
      { strand: { section: "flat", width: 0.4, thickness: 0.2, density: 1 } },
    ]);
    const codes = (fly: ComposedFly) => fly.tied.warnings.map((w) => w.code);
    const told = tied([backIn(), over("o", 0.3, 1)], "narrow", narrow);
    expect(codes(told)).toContain("COVER_NARROW");
    expect(told.tied.warnings.map(warningSentence).join(" ")).toContain("0.4 mm wide");
    expect(codes(tied([backIn(), over("o", 0.3, 1)]))).not.toContain("COVER_NARROW");
    // Fibres lie beside each other as they grew: ten of them at 2.5 a mm are 4 mm wide.
    expect(
      codes(tied([backIn({ amount: { fibres: 10 } }), over("o", 0.3, 1, { amount: { fibres: 10 } })], "pheasant")),
    ).not.toContain("COVER_NARROW");
  });
  test("what hangs and is never taken over is as long as it shows", () => {
    const fly = tied([backIn({ shown: { mm: 12 } })]);
    expect(lengthOf(fly)).toBeCloseTo(12 + 0.1 * fly.hook.shank + 5, 6);
  });
});

describe("eyes shorten the shank, and a bead takes wire in", () => {
  const eyesAt = (fraction: number): RecipeStep => ({
    id: "eyes",
    name: "lash the eyes",
    do: "seat",
    component: "e",
    from: { fraction },
  });
  const withEyes = (body: Partial<RecipeStep>): ComposedFly =>
    composeFly(
      changed((r) => {
        r.components.push(part("e", "eyes", "dumbbell"));
        const at = r.steps.findIndex((s) => s.id === "body");
        r.steps[at] = { ...(r.steps[at] as RecipeStep), ...body } as RecipeStep;
        r.steps.splice(at, 0, eyesAt(0.3));
      }),
      light({ size: "10" }),
      model,
      materials,
    );
  const zoneOf = (fly: ComposedFly) => {
    const r = fly.tied.steps.find((s) => s.id === "body");
    return [r?.from, r?.to];
  };
  test("a body that would run over them begins behind them", () => {
    const fly = withEyes({ from: { fraction: 0.1 } } as Partial<RecipeStep>);
    expect(zoneOf(fly)[0]).toBeCloseTo(0.3 * fly.hook.shank + 4.2, 9);
  });
  test("what is dubbed about them, or behind them, lies as it is said", () => {
    const behind = withEyes({ from: { fraction: 0.8 } } as Partial<RecipeStep>);
    expect(zoneOf(behind)[0]).toBeCloseTo(0.8 * behind.hook.shank, 9);
    const about = withEyes({ from: { fraction: 0.32 }, to: { fraction: 0.5 } } as Partial<RecipeStep>);
    expect(zoneOf(about)[0]).toBeCloseTo(0.32 * about.hook.shank, 9);
  });

  const weight = (intoBead: boolean): RecipeStep => ({
    id: "w",
    name: "weight",
    do: "wind",
    component: "w",
    from: { landmark: "eye" },
    rule: { touching: true, turns: 6 },
    ...(intoBead && { intoBead }),
  });
  const weighted = (intoBead: boolean, cavityMm?: number) => {
    const bead = materials.get("bead") as Material;
    const known = new Map(materials).set("bead", {
      ...bead,
      part: { diameter: 2.8, length: 2.4, mass: 160, cavityMm },
    });
    const fly = composeFly(
      changed((r) => {
        r.components.push(part("w", "weight", "tin"));
        r.steps.splice(2, 0, weight(intoBead));
      }),
      choose(),
      model,
      known,
    );
    const r = fly.tied.steps.find((s) => s.id === "w");
    return { from: r?.from ?? NaN, to: r?.to ?? NaN, turns: r?.turns, length: r?.length ?? NaN };
  };
  test("turns that are pushed into the cavity leave the shank behind it free", () => {
    const [out, deep] = [weighted(false), weighted(true, 1)];
    expect(out.to - out.from).toBeCloseTo(6 * 0.25, 9);
    // Four of six turns lie in the cavity.
    expect(deep.to - deep.from).toBeCloseTo(2 * 0.25, 9);
    expect(deep.turns).toBeCloseTo(6, 9);
    expect(deep.length).toBeLessThan(out.length);
    expect(deep.length).toBeGreaterThan(0.6 * out.length);
  });
  test("a cavity deep enough takes them all; unmeasured it is a quarter of the bead", () => {
    const all = weighted(true, 3);
    expect([all.from, all.turns]).toEqual([all.to, 6]);
    expect(weighted(true).to - weighted(true).from).toBeCloseTo(6 * 0.25 - 0.25 * 2.4, 9);
  });
});

describe("which way a part is wound", () => {
  const floss: RecipeStep = {
    id: "body",
    name: "body",
    do: "wind",
    component: "body",
    from: { fraction: 0.5 },
    to: { landmark: "bend" },
    rule: { touching: true },
  };
  const ways = (body: Partial<RecipeStep>, hackle: Partial<RecipeStep>) => {
    const fly = composeFly(
      changed((r) => {
        r.components = r.components.map((c) => (c.id === "body" ? { ...c, material: [{ value: "floss" }] } : c));
        r.components.push(part("h", "hackle", "stiff"));
        r.steps[r.steps.findIndex((s) => s.id === "body")] = { ...floss, ...body } as RecipeStep;
        r.steps.splice(r.steps.length - 1, 0, {
          ...collar,
          id: "h",
          from: { fraction: 0.5 },
          to: { landmark: "bend" },
          rule: { turns: 6 },
          ...hackle,
        } as RecipeStep);
      }),
      light(),
      model,
      materials,
    );
    return ["body", "h"].map((id) => fly.steps.find((s) => s.id === id)?.clockwise);
  };
  test.each<[string, Partial<RecipeStep>, Partial<RecipeStep>, [boolean, boolean]]>([
    ["nothing said: clockwise, as the thread goes", {}, {}, [true, true]],
    ["a hackle against its body", {}, { counter: true } as Partial<RecipeStep>, [true, false]],
    [
      "reversing the body turns it round",
      { counter: true } as Partial<RecipeStep>,
      { counter: true } as Partial<RecipeStep>,
      [false, true],
    ],
    [
      "with the body, whichever way that goes",
      { counter: true } as Partial<RecipeStep>,
      { counter: false } as Partial<RecipeStep>,
      [false, false],
    ],
    [
      "the way itself was said",
      { clockwise: false } as Partial<RecipeStep>,
      { counter: true } as Partial<RecipeStep>,
      [false, true],
    ],
    [
      "and holds against everything",
      { counter: true } as Partial<RecipeStep>,
      { clockwise: true } as Partial<RecipeStep>,
      [false, true],
    ],
  ])("%s", (_, body, hackle, expected) => expect(ways(body, hackle)).toEqual(expected));
  test("what does not lie on it is not turned by it", () =>
    expect(
      ways(
        { counter: true } as Partial<RecipeStep>,
        { counter: true, from: { eyeLengths: 0.3 }, to: { eyeLengths: 0.6 } } as Partial<RecipeStep>,
      ),
    ).toEqual([false, false]));
});
