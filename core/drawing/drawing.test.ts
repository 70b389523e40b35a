import { describe, expect, test } from "vitest";
import { hookAt, type HookModel } from "../hooks";
import { composeFly } from "../fly";
import { type FlyChoice, type Recipe, type RecipeStep, type Role } from "../recipe";
import { choose, materials, model, recipe } from "../testing/nymph";
import { drawFly, drawHook, pathsOf, shaded, svgFile } from ".";
import { type Shape } from "./shapes";
import { HookLine } from "./hook";

const bend = { landmark: "bend" } as const;
const half = { fraction: 0.5 } as const;
/** The nymph with one more part, or with its body done otherwise. */
function withPart(code: string, role: Role, step: Partial<RecipeStep> & { do: RecipeStep["do"] }): Recipe {
  const r = recipe();
  r.components.push({ id: "x", role, material: [{ value: code }] });
  r.steps.splice(r.steps.length - 1, 0, { id: "x", name: "it", component: "x", ...step } as RecipeStep);
  return r;
}
const draw = (r: Recipe, options: { inside?: boolean; c?: Partial<FlyChoice>; m?: HookModel } = {}) =>
  drawFly(composeFly(r, choose(options.c), options.m ?? model, materials, { keepProfiles: true }), {
    seed: "a",
    inside: options.inside,
  });
const points = (s: Shape) => (s.kind === "disc" ? [s.at] : s.points);
const ofX = (shapes: Shape[]) => shapes.filter((s) => s.step === "x");
const wound = (rule: object, more: object = {}) =>
  ({ do: "wind" as const, from: half, to: bend, rule, ...more }) as Partial<RecipeStep> & { do: "wind" };
const laid = (amount: object, attitude: string, more: object = {}) =>
  ({
    do: "lay" as const,
    from: { fraction: 0.3 },
    to: half,
    amount,
    attitude,
    shown: { mm: 10 },
    ...more,
  }) as Partial<RecipeStep> & { do: "lay" };

/** Bound in at the bend and taken over what was there already. */
function over(role: Role, code: string, more: object = {}): Recipe {
  const r = withPart(code, role, laid({ strands: 1, folded: false }, "over", { shown: undefined, ...more }));
  const last = r.steps.findIndex((s) => s.id === "x");
  const hung = {
    ...(r.steps[last] as RecipeStep),
    id: "hung",
    hanging: true,
    attitude: undefined,
    round: undefined,
  } as RecipeStep;
  r.steps[last] = {
    ...(r.steps[last] as RecipeStep),
    from: { fraction: 0.2 },
    to: bend,
    tiedIn: "hung",
    countedWhenWound: true,
  } as RecipeStep;
  r.steps.splice(last, 0, hung);
  return r;
}

const parts: [string, Recipe, number][] = [
  ["herl, with its pile", withPart("herl", "thorax", wound({ touching: true }, { rope: 3 })), 100],
  ["chenille", withPart("chenille", "body", wound({ touching: true })), 60],
  ["yarn", withPart("yarn", "body", wound({ touching: true })), 60],
  ["stretch body, in segments", withPart("stretch", "body", wound({ touching: true }, { stretch: 2 })), 6],
  ["floss", withPart("floss", "body", wound({ touching: true })), 4],
  ["flat tinsel, bright", withPart("tinsel", "body", wound({ touching: true })), 4],
  [
    "weight wire, seen inside",
    withPart("tin", "weight", { do: "wind", from: { fraction: 0.4 }, rule: { touching: true, turns: 5 } } as never),
    6,
  ],
  [
    "dubbing in a loop",
    withPart("fur", "body", {
      do: "dress",
      from: half,
      to: bend,
      fullness: [{ mm: 3 }, { mm: 3 }],
      loopMm: 60,
    } as never),
    60,
  ],
  [
    "dubbing brushed out",
    withPart("weak-fur", "body", {
      do: "dress",
      from: half,
      to: bend,
      fullness: [{ mm: 3 }, { mm: 3 }],
      brushed: true,
    } as never),
    60,
  ],
  ["a clump of hair", withPart("hair", "wing", laid({ clump: { mm: 1.2 } }, "over")), 50],
  ["flash", withPart("flash", "flash", laid({ strands: 4, folded: true }, "over")), 8],
  ["rubber legs", withPart("rubber", "tail", laid({ strands: 2, folded: false }, "back")), 4],
  ["a plume", withPart("plume", "tail", laid({ fibres: 60 }, "back")), 60],
  ["matched slips", withPart("quill", "wing", laid({ slipWidth: { mm: 2 } }, "over")), 10],
  ["an extended body", withPart("body", "body", laid({ pieces: 1 }, "back")), 10],
  ["legs of fibres to both sides", withPart("pheasant", "legs", laid({ fibres: 6 }, "sides")), 12],
  ["knotted legs", withPart("legs", "legs", laid({ pieces: 4 }, "sides")), 12],
  ["rubber legs that hang", withPart("rubber", "legs", laid({ strands: 4, folded: false }, "sides")), 6],
  ["spent wings", withPart("pheasant", "wing", laid({ fibres: 20 }, "sides")), 40],
  ["a tail of yarn", withPart("yarn", "tail", laid({ strands: 1, folded: false }, "back")), 16],
  ["cheeks", withPart("stiff", "cheeks", laid({ feathers: 2 }, "over")), 34],
  ["a crest over all", withPart("pheasant", "topping", laid({ feathers: 1 }, "over")), 20],
  ["a throat", withPart("pheasant", "throat", laid({ fibres: 8 }, "down")), 8],
  ["breathers, forward", withPart("plume", "tail", laid({ fibres: 4 }, "forward")), 4],
  ["dumbbell eyes, with a pupil", withPart("dumbbell", "eyes", { do: "seat", from: { fraction: 0.1 } } as never), 8],
  [
    "a soft collar",
    withPart("hackle", "collar", {
      do: "wind",
      from: half,
      to: half,
      rule: { turns: 3 },
      barb: [{ mm: 8 }, { mm: 9 }],
    } as never),
    20,
  ],
  [
    "a stiff palmer",
    withPart("stiff", "hackle", wound({ turns: 6 }, { barb: [{ mm: 6 }, { mm: 7 }], sweep: "forward" })),
    60,
  ],
  ["a back pulled over", over("wing case", "stretch"), 5],
];

describe("a strip of hide", () => {
  const yarn = materials.get("yarn");
  const hide = { ...yarn, strand: { ...yarn?.strand, width: 4, thickness: 1.5, core: 0.8, lineDensity: 1.2 } };
  const drawn = (of: object) => {
    const r = withPart("yarn", "tail", laid({ strands: 1, folded: false }, "back", { shown: { mm: 30 } }));
    const stock = new Map([...materials, ["yarn", of as typeof yarn & object]]);
    return ofX(drawFly(composeFly(r, choose({}), model, stock, { keepProfiles: true }), { seed: "a" }).shapes);
  };
  test("is a band of skin as long as it is shown, with its fur standing off", () => {
    const shapes = drawn(hide);
    const [skin] = shapes.filter((s) => s.kind === "stroke" && s.width === 0.8);
    const xs = skin ? points(skin).map(([x]) => x) : [];
    expect(Math.max(...xs) - Math.min(...xs)).toBeGreaterThan(27);
    const heights = shapes.flatMap(points).map(([, y]) => y);
    expect(Math.max(...heights) - Math.min(...heights)).toBeGreaterThan(4);
    expect(shapes.length).toBeGreaterThan(90);
  });
  test("yarn, which weighs less, stays a tuft", () => {
    expect(
      drawn({ ...hide, strand: { ...hide.strand, lineDensity: 0.3 } }).some((s) => "width" in s && s.width === 0.8),
    ).toBe(false);
  });
});

describe("every form of material", () => {
  test.each(parts)("%s is drawn where it is, in finite numbers", (_name, r, least) => {
    const d = draw(r, { inside: true });
    const own = ofX(d.shapes);
    expect(own.length).toBeGreaterThanOrEqual(least);
    expect(own.flatMap(points).flat().every(Number.isFinite)).toBe(true);
    const [x, y, w, h] = d.box;
    for (const [px, py] of own.flatMap(points)) expect(px >= x && px <= x + w && py >= y && py <= y + h).toBe(true);
  });

  test("a part never shows longer than it is", () => {
    for (const [name, r] of parts) {
      const shown = r.steps.find((s) => s.id === "x");
      if (shown?.do !== "lay" || !shown.shown || name.includes("extended") || name.includes("slips")) continue;
      const strokes = ofX(draw(r).shapes).flatMap((s) => (s.kind === "stroke" ? [s.points] : []));
      for (const p of strokes)
        expect(
          Math.hypot((p[0]?.[0] ?? 0) - (p.at(-1)?.[0] ?? 0), (p[0]?.[1] ?? 0) - (p.at(-1)?.[1] ?? 0)),
          name,
        ).toBeLessThanOrEqual(10.01);
    }
  });

  test("what lies inside comes to the front only when asked for", () => {
    const r = withPart("tin", "weight", {
      do: "wind",
      from: { fraction: 0.4 },
      rule: { touching: true, turns: 5 },
    } as never);
    expect(ofX(draw(r).shapes)).toEqual([]);
    const shown = draw(r, { inside: true }).shapes;
    const order = shown.map((s) => s.layer);
    expect(order.indexOf("inside")).toBeGreaterThan(order.lastIndexOf("body"));
  });

  test("a barb on the far side lies behind the body, one on the near side before it", () => {
    const layers = ofX(draw(parts.find(([n]) => n === "a soft collar")?.[1] as Recipe).shapes).map((s) => s.layer);
    expect(new Set(layers)).toEqual(new Set(["far", "hackle"]));
  });

  test("a fly that swims point up is drawn so: the point above the shank", () => {
    const eyes = (lashed?: "on top") =>
      draw(withPart("dumbbell", "eyes", { do: "seat", from: { fraction: 0.1 }, lashed } as never));
    const lowest = (d: ReturnType<typeof draw>) =>
      Math.max(
        ...d.shapes
          .filter((s) => s.layer === "hook")
          .flatMap(points)
          .map((p) => p[1]),
      );
    expect(lowest(eyes())).toBeGreaterThan(3);
    expect(lowest(eyes("on top"))).toBeLessThan(1);
    expect(eyes("on top").landmarks.find((l) => l.name === "point")?.at[0]).toBeCloseTo(
      eyes().landmarks.find((l) => l.name === "point")?.at[0] ?? 0,
      9,
    );
  });

  test("a counter-wound rib leans the other way", () => {
    const lean = (counter: boolean) => {
      const r = recipe();
      r.steps[5] = { ...(r.steps[5] as RecipeStep), counter } as RecipeStep;
      const turn = draw(r).shapes.find((s) => s.step === "rib" && s.kind === "stroke");
      const p = turn?.kind === "stroke" ? turn.points : [];
      return Math.sign((p[0]?.[0] ?? 0) - (p.at(-1)?.[0] ?? 0));
    };
    expect(lean(true)).toBe(-lean(false));
  });

  test("measures come in the order of working and say the fly's own mm", () => {
    const f = composeFly(recipe(), choose(), model, materials, { keepProfiles: true });
    const d = drawFly(f, { seed: "a" });
    expect(d.measures.map((m) => m.label)).toEqual(["tail", "body", "legs", "wing", "head"]);
    expect(d.measures[0]?.mm).toBe(f.steps.find((s) => s.id === "tail")?.shownMm);
    expect(d.landmarks.map((l) => l.name)).toEqual(["behind the bead", "point", "barb", "bend", "into the bend"]);
  });
});

describe("the hook", () => {
  test("a straight one runs level to the bend, and its bend opens to the gape", () => {
    const hook = hookAt(model, "12");
    const line = new HookLine(hook);
    expect(line.at(hook.shank).point[0]).toBeCloseTo(-hook.shank, 1);
    expect(line.at(hook.shank).point[1]).toBeCloseTo(0, 3);
    expect(line.at(line.end).point[1]).toBeCloseTo(hook.gape, 1);
    expect(line.at(-1).point[0]).toBeCloseTo(1, 6);
  });
  test("a curved one has turned by the time its bend begins, and its line is as long", () => {
    const hook = hookAt({ ...model, bend: "curved" }, "12");
    const line = new HookLine(hook);
    expect(line.at(hook.shank).turned).toBeGreaterThan(0.6);
    let length = 0;
    for (let i = 0; i < 200; i++) {
      const [a, b] = [line.at((hook.shank * i) / 200).point, line.at((hook.shank * (i + 1)) / 200).point];
      length += Math.hypot(a[0] - b[0], a[1] - b[1]);
    }
    expect(length).toBeCloseTo(hook.shank, 1);
  });
  test("a double has a second spear, a barbless hook no barb", () => {
    const count = (m: Partial<HookModel>) => drawHook(hookAt({ ...model, ...m }, "12")).length;
    expect(count({ points: 2 })).toBe(count({}) + 2);
    expect(count({ barbless: true })).toBe(count({}) - 1);
  });
});

describe("as SVG", () => {
  test("strokes of one look become one path; nothing of the drawing is lost", () => {
    const d = draw(recipe());
    const paths = pathsOf(d);
    expect(paths.length).toBeLessThan(d.shapes.length);
    const strokes = d.shapes.filter((s) => s.kind === "stroke").length;
    expect(paths.filter((p) => p.stroke !== undefined).reduce((n, p) => n + (p.d.match(/M/g)?.length ?? 0), 0)).toBe(
      strokes,
    );
  });
  test("shades go towards white and black", () =>
    expect([shaded("#808080", 1), shaded("#808080", -1), shaded("#204060", 0)]).toEqual([
      "#ffffff",
      "#000000",
      "#204060",
    ]));
  test("an unknown colour is hatched", () => {
    const file = svgFile(draw(withPart("nameless", "body", wound({ touching: true }))), "x");
    expect(file).toContain("url(#hatch)");
  });
  test("a hostile name does not become markup", () => {
    const file = svgFile(draw(recipe()), `<script>alert("x")</script>&`);
    expect(file).not.toContain("<script");
    expect(file.match(/<title>(.*?)<\/title>/)?.[1]).toBe("&#60;script&#62;alert(&#34;x&#34;)&#60;/script&#62;&#38;");
  });
  test("the file is in true mm", () => {
    const d = draw(recipe());
    expect(svgFile(d, "x")).toContain(`width="${Number(d.box[2].toFixed(2))}mm"`);
  });
});

test("a zone narrower than a station of the profile is drawn without a gap", () => {
  const { shapes } = draw(
    withPart("fur", "body", {
      do: "dress",
      from: { eyeLengths: 1.1 },
      to: { eyeLengths: 1.11 },
      fullness: [{ mm: 2 }, { mm: 2 }],
    } as never),
  );
  expect(ofX(shapes).length).toBeGreaterThan(2);
  expect(
    ofX(shapes)
      .flatMap(points)
      .flat()
      .filter((v) => !Number.isFinite(v)),
  ).toEqual([]);
});

describe("how a part stands, and on which side", () => {
  const wing = (more: object) => ofX(draw(withPart("hair", "wing", laid({ clump: { mm: 1.2 } }, "over", more))).shapes);
  const heights = (shapes: Shape[]) => shapes.flatMap(points).map(([, y]) => y);
  const highest = (more: object) => -Math.min(...heights(wing(more)));
  const spread = (more: object) => Math.max(...heights(wing(more))) - Math.min(...heights(wing(more)));

  test("as a V it is lifted, as a tent it lies lower, flat lowest of all", () => {
    const [v, none, tent, flat] = [
      highest({ stance: "V" }),
      highest({}),
      highest({ stance: "tent" }),
      highest({ stance: "flat" }),
    ];
    expect(v).toBeGreaterThan(none);
    expect(none).toBeGreaterThan(tent);
    expect(tent).toBeGreaterThan(flat);
  });
  test("splayed it opens wider", () => expect(spread({ stance: "splayed" })).toBeGreaterThan(1.2 * spread({})));
  test("shared out, the far side is drawn behind and each side has its own number", () => {
    const shapes = ofX(
      draw(withPart("pheasant", "throat", laid({ fibres: 9 }, "down", { round: { near: 2, far: 1 } }))).shapes,
    );
    const far = shapes.filter((s) => s.layer === "far").length;
    expect(far).toBeGreaterThan(0);
    expect(shapes.length - far).toBe(2 * far);
  });
  test("what goes underneath points down", () => {
    const tips = (round: object) =>
      Math.max(...heights(ofX(draw(withPart("pheasant", "wing", laid({ fibres: 9 }, "over", { round }))).shapes)));
    expect(tips({ underside: 1 })).toBeGreaterThan(tips({ top: 1 }) + 2);
  });

  test("a wing's lower half lies along the underside, as far back as the upper one", () => {
    const ends = (round: object) => {
      const all = ofX(draw(withPart("pheasant", "wing", laid({ fibres: 9 }, "over", { round }))).shapes).flatMap(
        points,
      );
      return {
        back: Math.max(...all.map(([x]) => x)),
        low: Math.max(...all.map(([, y]) => y)),
        high: Math.min(...all.map(([, y]) => y)),
      };
    };
    const [above, below] = [ends({ top: 1 }), ends({ underside: 1 })];
    expect(below.back).toBeCloseTo(above.back, 0);
    expect(below.low).toBeGreaterThan(above.low + 1);
    // The fibres are 10 mm long: what hung down would reach half of that.
    expect(below.low - below.high).toBeLessThan(5);
  });
  test("a tinsel shows the face that is said", () => {
    const faced = new Map(materials);
    const tinsel = faced.get("tinsel");
    if (tinsel)
      faced.set("tinsel", {
        ...tinsel,
        faces: [
          { name: "gold", colour: "#c0a030" },
          { name: "silver", colour: "#c8ccd0" },
        ],
      });
    const colours = (shows: string | undefined) =>
      new Set(
        ofX(
          drawFly(
            composeFly(withPart("tinsel", "body", wound({ touching: true }, { shows })), choose(), model, faced, {
              keepProfiles: true,
            }),
            { seed: "a" },
          ).shapes,
        ).map((s) => s.colour),
      );
    expect(colours("gold")).toContain("#c0a030");
    expect(colours("silver")).toContain("#c8ccd0");
    expect(colours(undefined)).not.toContain("#c0a030");
  });
});

describe("what is taken over a body lies on it", () => {
  const heights = (shapes: Shape[]) => shapes.flatMap(points).map(([, y]) => -y);
  const area = (r: Recipe) => ofX(draw(r).shapes).find((s) => s.kind === "area");
  const fullest = (r: Recipe) =>
    Math.max(
      ...(composeFly(r, choose(), model, materials, { keepProfiles: true }).tied.steps.find((s) => s.id === "x")
        ?.after ?? []),
    );

  test("a narrow stripe covers less of the side than a wide strip", () => {
    const size = (r: Recipe) => {
      const ps = points(area(r) as Shape);
      return (
        Math.abs(ps.reduce((sum, [x, y], i) => sum + x * (ps.at(i - 1)?.[1] ?? 0) - (ps.at(i - 1)?.[0] ?? 0) * y, 0)) /
        2
      );
    };
    expect(size(over("wing case", "wire"))).toBeLessThan(0.6 * size(over("wing case", "stretch")));
  });
  test("it stands no higher than the body and its own edge, and spans what is lower in straight lines", () => {
    const r = over("wing case", "stretch");
    const cover = area(r);
    expect(Math.max(...heights(cover ? [cover] : []))).toBeLessThanOrEqual(fullest(r) / 2 + 0.121);
    const upper = cover && cover.kind === "area" ? cover.points.slice(0, cover.points.length / 2) : [];
    expect(upper.length).toBeGreaterThan(4);
    // From each place to the next but one it never sags below the line between them.
    for (let i = 0; i + 2 < upper.length; i++) {
      const [a, b, c] = [upper[i], upper[i + 1], upper[i + 2]] as [
        [number, number],
        [number, number],
        [number, number],
      ];
      const t = (b[0] - a[0]) / (c[0] - a[0] || 1);
      expect(-b[1]).toBeGreaterThanOrEqual(-(a[1] + (c[1] - a[1]) * t) - 1e-6);
    }
  });
  test("shared out to the sides it lies along the middle of the near one; what is on the far side alone is not seen", () => {
    const near = area(over("wing case", "stretch", { round: { near: 1 } }));
    const ys = heights(near ? [near] : []);
    expect(Math.max(...ys) + Math.min(...ys)).toBeCloseTo(0, 1);
    expect(area(over("wing case", "stretch", { round: { far: 1 } }))).toBeUndefined();
  });
});

describe("each part like itself", () => {
  const strokes = (r: Recipe) => ofX(draw(r).shapes).flatMap((s) => (s.kind === "stroke" ? [s] : []));
  const lastOf = (p: [number, number][]) => p[p.length - 1] ?? [0, 0];

  test("a crest rises over the wing and comes down again", () => {
    for (const { points: p } of strokes(withPart("pheasant", "topping", laid({ feathers: 1 }, "over"))).slice(0, 1)) {
      const highest = Math.min(...p.map(([, y]) => y));
      expect(highest).toBeLessThan((p[0]?.[1] ?? 0) - 1);
      expect(lastOf(p)[1]).toBeGreaterThan(highest + 0.05);
    }
  });
  test("a tail that curves up leaves the fly at its rear", () => {
    const tail = withPart("pheasant", "tail", laid({ fibres: 8 }, "up"));
    const x = draw(tail).landmarks.find((l) => l.name === "bend")?.at[0] ?? 0;
    for (const { points: p } of strokes(tail)) expect(p[0]?.[0]).toBeLessThan(x / 2 + 0.5);
  });
  test("rubber bends towards straight down; knotted legs have their knot; legs of fibres have none", () => {
    const discs = (r: Recipe) => ofX(draw(r).shapes).filter((s) => s.kind === "disc").length;
    expect(discs(withPart("legs", "legs", laid({ pieces: 4 }, "sides")))).toBe(4);
    expect(discs(withPart("pheasant", "legs", laid({ fibres: 6 }, "sides")))).toBe(0);
    const rubber = withPart("rubber", "legs", laid({ strands: 2, folded: false }, "sides"));
    expect(discs(rubber)).toBe(0);
    for (const { points: p } of strokes(rubber)) {
      const steep = (a: [number, number] | undefined, b: [number, number] | undefined) =>
        a && b ? Math.abs(Math.atan2(b[1] - a[1], b[0] - a[0]) - Math.PI / 2) : NaN;
      expect(steep(p.at(-2), p.at(-1))).toBeLessThanOrEqual(steep(p[0], p[1]) + 1e-9);
    }
  });
  test("cheeks lie flat at the head: a blade as long as it shows, at the height of the shank", () => {
    const blade = ofX(draw(withPart("stiff", "cheeks", laid({ feathers: 2 }, "over"))).shapes).find(
      (s) => s.kind === "area" && s.layer !== "far",
    );
    const ps = blade ? points(blade) : [];
    const [xs, ys] = [ps.map((p) => p[0]), ps.map((p) => p[1])];
    expect(Math.max(...xs) - Math.min(...xs)).toBeCloseTo(10, 0);
    expect(Math.min(...ys)).toBeLessThan(0);
    expect(Math.max(...ys)).toBeGreaterThan(0);
  });
  test("a blend shows the colours of its parts", () => {
    const blended = new Map(materials);
    const [fur, mix] = [materials.get("fur"), materials.get("mix")];
    if (!fur || !mix) throw new Error("no fur");
    blended.set("fur", { ...fur, colour: "#604020" });
    blended.set("weak-fur", { ...fur, code: "weak-fur", colour: "#6a7040" });
    blended.set("mix", { ...mix, colour: "#655830", blend: { parts: { fur: 2, "weak-fur": 1 }, leastChargeMg: 500 } });
    const r = recipe();
    const body = r.components.find((c) => c.id === "body");
    if (body) body.material = [{ value: "mix" }];
    const fly = composeFly(r, choose(), model, blended, { keepProfiles: true });
    const colours = drawFly(fly, { seed: "a" })
      .shapes.filter((s) => s.step === "body" && s.kind === "stroke")
      .map((s) => s.colour);
    const share = colours.filter((c) => c === "#604020").length / colours.length;
    expect(new Set(colours)).toEqual(new Set(["#604020", "#6a7040"]));
    expect(share).toBeGreaterThan(0.5);
    expect(share).toBeLessThan(0.85);
  });
  test("a hackle round a post lies level: it reaches far along the hook and hardly up or down", () => {
    const r = withPart("hair", "wing", laid({ clump: { mm: 1.2 } }, "up"));
    r.components.push({ id: "h", role: "hackle", material: [{ value: "stiff" }] });
    r.steps.splice(r.steps.length - 1, 0, {
      id: "h",
      name: "hackle",
      do: "wind",
      component: "h",
      from: half,
      to: half,
      rule: { turns: 4 },
      roundPost: true,
      barb: [{ mm: 8 }, { mm: 9 }],
    });
    const ps = draw(r)
      .shapes.filter((s) => s.step === "h")
      .flatMap(points);
    const range = (i: 0 | 1) => Math.max(...ps.map((p) => p[i])) - Math.min(...ps.map((p) => p[i]));
    expect(range(0)).toBeGreaterThan(12);
    expect(range(1)).toBeLessThan(0.4 * range(0));
  });
  test("pieces tied across the shank make a body all along their zone, above and below it", () => {
    const of = (to: object) => {
      const across = laid({ strands: 8, folded: false }, "sides", { from: { fraction: 0.3 }, to, shown: { mm: 20 } });
      const ps = draw(withPart("yarn", "body", across))
        .shapes.filter((s) => s.step === "x")
        .flatMap(points);
      return { xs: ps.map((p) => p[0]), ys: ps.map((p) => p[1]) };
    };
    const width = ({ xs }: { xs: number[] }) => Math.max(...xs) - Math.min(...xs);
    const long = of(bend);
    expect(width(long)).toBeGreaterThan(1.5 * width(of({ fraction: 0.4 })));
    // Seen from the side they are short: nothing stands off as far as a piece is long.
    const tall = Math.max(...long.ys) - Math.min(...long.ys);
    expect(tall).toBeGreaterThan(3);
    expect(tall).toBeLessThan(20);
  });
});
