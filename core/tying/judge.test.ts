import { warningSentence } from "../sentences";
import { describe, expect, test } from "vitest";
import { hookAt, type HookModel } from "../hooks";
import { diameterAt, strandOf, threadStrand, tieFly, type TiedFly, type TyingStep, type Warning } from ".";

const model: HookModel = { id: "m", name: "m", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] };
const hook = hookAt(model, "12");
const base: TyingStep = {
  id: "base",
  name: "base",
  do: "wind",
  strand: "thread",
  from: { eyeLengths: 1 },
  to: { landmark: "bend" },
  rule: { touching: true },
};
const whip = (toEyes: number): TyingStep => ({
  id: "whip",
  name: "whip finish",
  do: "whip",
  from: { eyeLengths: 0 },
  to: { eyeLengths: toEyes },
  turns: 5,
  coats: 0,
});
const tie = (...steps: TyingStep[]): TiedFly => tieFly(hook, { denier: 70, fibre: "polyester" }, [base, ...steps]);
const codes = (f: TiedFly): Warning["code"][] => f.warnings.map((w) => w.code);
const yarn = strandOf({ width: 1.5, thickness: 0.9, core: 0.5, lineDensity: 0.25 });
const wire = (mm: number) => strandOf({ section: "round", width: mm, thickness: mm, density: 7.3 });
const tinsel = strandOf({ section: "flat", width: 0.8, thickness: 0.03, density: 1.4 });
const dubbing = { density: 0.35, lineDensity: 0.1 };
const body = (full: number): TyingStep => ({
  id: "body",
  name: "body",
  do: "dress",
  from: { fraction: 0.45 },
  to: { landmark: "bend" },
  rule: { target: [full, full] },
  dubbing,
});

describe("the head", () => {
  test("of an eye length and a half is not too long; longer is, and the knot is named", () => {
    expect(codes(tie(whip(1.5)))).toEqual([]);
    const [w] = tie(whip(1.6)).warnings;
    expect(w).toMatchObject({ step: "whip", code: "HEAD_CROWDS_EYE" });
    expect(w && warningSentence(w)).toContain(`${(1.6 * hook.eye).toFixed(1)} mm long`);
  });
  test("that is too full names what adds most to it", () => {
    const lump = (passes: number): TyingStep => ({
      id: "lump",
      name: "wing butts",
      do: "wind",
      strand: "thread",
      from: { eyeLengths: 0.1 },
      to: { eyeLengths: 1 },
      rule: { touching: true },
      passes,
    });
    expect(codes(tie(lump(2), whip(1)))).not.toContain("HEAD_BULKY");
    const big = tie(lump(60), whip(1));
    expect(big.warnings.find((w) => w.code === "HEAD_BULKY")).toMatchObject({ step: "lump" });
  });
  test("with a part wound into its room says where to end it; behind a bead it does not", () => {
    const collar: TyingStep = {
      id: "collar",
      name: "yarn collar",
      do: "wind",
      strand: yarn,
      from: { eyeLengths: 0.2 },
      to: { eyeLengths: 1.4 },
      rule: { turns: 2 },
      take: { from: "spool", bound: 0, trim: 0 },
    };
    expect(tie(collar, whip(1)).warnings.find((w) => w.code === "PART_IN_HEAD")).toMatchObject({ step: "collar" });
    const bead: TyingStep = {
      id: "bead",
      name: "bead",
      do: "seat",
      from: { landmark: "eye" },
      part: { diameter: 2.8, length: 2.4, mass: 160 },
      count: 1,
    };
    const beaded = tieFly(hook, { denier: 70, fibre: "polyester" }, [
      bead,
      { ...base, from: { landmark: "eye" } },
      collar,
      whip(0.8),
    ]);
    expect(codes(beaded)).not.toContain("PART_IN_HEAD");
  });
});

describe("the hook point", () => {
  test("is clear up to six tenths of the gape, and not beyond; the step that fills it is named", () => {
    expect(codes(tie(body(0.59 * hook.gape), whip(1)))).toEqual([]);
    const [w] = tie(body(0.62 * hook.gape), whip(1)).warnings;
    expect(w).toMatchObject({ step: "body", code: "POINT_NOT_CLEAR" });
  });
  test("is not in the way of a thorax well ahead of it, but is of one that reaches half a gape before it", () => {
    const thorax: TyingStep = {
      ...body(0.8 * hook.gape),
      id: "thorax",
      name: "thorax",
      from: { fraction: 0.15 },
      to: { fraction: 0.38 },
    } as TyingStep;
    expect(codes(tie(thorax, whip(1)))).not.toContain("POINT_NOT_CLEAR");
    const reach = (hook.point - 0.45 * hook.gape) / hook.shank;
    const nearer = { ...thorax, to: { fraction: reach } } as TyingStep;
    expect(codes(tie(nearer, whip(1)))).toContain("POINT_NOT_CLEAR");
  });
  test("soft pile counts half: a yarn body clears where solid dubbing of its fullness does not", () => {
    const wound: TyingStep = {
      id: "yarn",
      name: "yarn",
      do: "wind",
      strand: { ...yarn, pile: true },
      from: { fraction: 0.45 },
      to: { landmark: "bend" },
      rule: { touching: true },
      passes: 2,
      take: { from: "spool", bound: 0, trim: 0 },
    };
    const solid: TyingStep = { ...wound, strand: { ...yarn, pile: false } };
    expect(codes(tie(wound, whip(1)))).not.toContain("POINT_NOT_CLEAR");
    expect(codes(tie(solid, whip(1)))).toContain("POINT_NOT_CLEAR");
  });
});

describe("ledges", () => {
  const weight = (mm: number): TyingStep => ({
    id: "weight",
    name: "weight wire",
    do: "wind",
    strand: wire(mm),
    from: { fraction: 0.35 },
    rule: { touching: true, turns: 6 },
    take: { from: "spool", bound: 0, trim: 5 },
  });
  const over = (step: Partial<TyingStep>): TyingStep =>
    ({
      id: "over",
      name: "body",
      do: "wind",
      strand: tinsel,
      from: { fraction: 0.3 },
      to: { landmark: "bend" },
      rule: { touching: true },
      take: { from: "spool", bound: 0, trim: 20 },
      smooth: true,
      ...step,
    }) as TyingStep;

  test("a quarter of a millimetre shows through tinsel, at either end of a weight; a body that is not smooth shows none", () => {
    const atFront = tie(weight(0.13), over({ from: { fraction: 0.2 }, to: { fraction: 0.4 } } as Partial<TyingStep>));
    expect(atFront.warnings).toMatchObject([{ step: "weight", code: "STEP_SHOWS", details: { over: "body" } }]);
    const atRear = tie(weight(0.13), over({ from: { fraction: 0.4 } } as Partial<TyingStep>));
    expect(atRear.warnings).toMatchObject([{ step: "weight", code: "STEP_SHOWS" }]);
    // Two layers of it stand 0.24 mm high.
    expect(codes(tie(weight(0.12), over({}), whip(1)))).toEqual([]);
    expect(codes(tie(weight(0.5), over({ strand: yarn, smooth: false } as Partial<TyingStep>), whip(1)))).not.toContain(
      "STEP_SHOWS",
    );
  });
  test("are told with their place and height", () => {
    const [w] = tie(weight(0.5), over({ from: { fraction: 0.4 } } as Partial<TyingStep>)).warnings;
    if (w?.code !== "STEP_SHOWS") throw new Error("no ledge");
    expect(w.details.heightMm).toBeCloseTo(1, 1);
    expect(w.details.atMm).toBeCloseTo(0.35 * hook.shank + 6 * 0.5, 0);
    expect(warningSentence(w)).toMatch(/^The end of “weight wire” makes a step of 1.00 mm/);
  });
  test("what ends before the ledge does not show it", () =>
    expect(codes(tie(weight(0.5), over({ from: { fraction: 0.8 } } as Partial<TyingStep>), whip(1)))).toEqual([]));
  test("where nothing is known to end, the body itself is named", () => {
    const cone: TyingStep = { ...body(2), rule: { target: [2.4, 0.6] }, from: { fraction: 0.7 } } as TyingStep;
    const [w] = tie(cone, over({ from: { fraction: 0.75 } } as Partial<TyingStep>)).warnings;
    expect(w && warningSentence(w)).toMatch(/is wound over a step|The end of “body”/);
  });
});

describe("the second profile, on which bulk is judged", () => {
  const bulkAt = (f: TiedFly, x: number) => diameterAt(f.profile, x, f.profile.body);
  const tieIn = (wraps: number): TyingStep => ({
    id: "in",
    name: "tie in",
    do: "act",
    tieIn: { at: { fraction: 0.5 }, wraps },
  });
  const middle = 0.5 * hook.shank;
  test("a tie-in of five wraps costs about 0.07 mm, within half a millimetre of it and not in D itself", () => {
    const [bare, tied] = [tie(), tie(tieIn(5))];
    expect(bulkAt(tied, middle) - bulkAt(bare, middle)).toBeGreaterThan(0.05);
    expect(bulkAt(tied, middle) - bulkAt(bare, middle)).toBeLessThan(0.12);
    expect(bulkAt(tied, middle + 0.8)).toBeCloseTo(bulkAt(bare, middle + 0.8), 6);
    expect(diameterAt(tied.profile, middle)).toBe(diameterAt(bare.profile, middle));
  });
  test("by hand: wraps' volume over 1 mm", () => {
    const [bare, tied] = [tie(), tie(tieIn(40))];
    const thread = threadStrand({ denier: 70, fibre: "polyester" });
    const d = diameterAt(bare.profile, middle);
    const volume = 40 * Math.PI * (d + thread.thickness) * thread.area;
    const before = bulkAt(bare, middle);
    expect(bulkAt(tied, middle)).toBeCloseTo(Math.sqrt(before ** 2 + (4 * volume) / Math.PI), 1);
  });
  test("half hitches and turns of thread at one spot heap up alike", () => {
    const hitches = tie({ id: "h", name: "hitch", do: "act", at: { fraction: 0.5 }, hitches: 12 });
    const turns = tie({
      id: "t",
      name: "turns",
      do: "wind",
      strand: "thread",
      from: { fraction: 0.5 },
      to: { fraction: 0.5 },
      rule: { turns: 12 },
    });
    expect(bulkAt(hitches, middle)).toBeCloseTo(bulkAt(tie(tieIn(12)), middle), 9);
    expect(bulkAt(turns, middle)).toBeCloseTo(bulkAt(hitches, middle), 2);
  });
  test("tie-ins alone make a head bulky", () => {
    const parts = Array.from({ length: 14 }, (_, i): TyingStep => ({
      id: `p${i}`,
      name: `part ${i}`,
      do: "act",
      tieIn: { at: { eyeLengths: 0.5 }, wraps: 12 },
    }));
    expect(codes(tie(whip(1)))).toEqual([]);
    expect(codes(tie(...parts, whip(1)))).toEqual(["HEAD_BULKY"]);
  });
  test("behind a bead the knot may be as full as the bead", () => {
    const bead = (diameter: number): TyingStep => ({
      id: "bead",
      name: "bead",
      do: "seat",
      from: { landmark: "eye" },
      part: { diameter, length: 2, mass: 60 },
      count: 1,
    });
    const lump: TyingStep = { ...base, id: "lump", name: "lump", from: { landmark: "eye" }, to: { eyeLengths: 1 } };
    const filled = (diameter: number) =>
      tieFly(hook, { denier: 400, fibre: "nylon" }, [bead(diameter), { ...lump, passes: 8 } as TyingStep, whip(0.9)]);
    expect(codes(filled(3.3))).toEqual([]);
    const [w] = filled(1.6).warnings;
    expect(w && warningSentence(w)).toContain("the bead before it");
  });
});

describe("parts and dubbing that come to nothing", () => {
  test("a part shorter than its own wraps", () => {
    const tail = (shown: number): TyingStep => ({
      id: "tail",
      name: "tail",
      do: "lay",
      strand: tinsel,
      strands: 1,
      from: { fraction: 0.7 },
      to: { landmark: "bend" },
      shown,
      tieIn: { at: { landmark: "bend" }, wraps: 6 },
    });
    expect(codes(tie(tail(0.3), whip(1)))).toEqual(["SHORTER_THAN_TIE_IN"]);
    expect(codes(tie(tail(4), whip(1)))).toEqual([]);
  });
  test("dubbing to a fullness that is there already", () =>
    expect(tie(body(hook.wire), whip(1)).warnings).toMatchObject([{ step: "body", code: "NOTHING_TO_FILL" }]));
});
