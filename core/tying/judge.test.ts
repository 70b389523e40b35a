import { warningSentence } from "../sentences";
import { describe, expect, test } from "vitest";
import { hookAt, type HookModel } from "../hooks";
import { strandOf, tieFly, type TiedFly, type TyingStep, type Warning } from ".";

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
  test("is not in the way of what stands before the middle of the shank", () => {
    const thorax: TyingStep = {
      ...body(0.8 * hook.gape),
      id: "thorax",
      name: "thorax",
      from: { fraction: 0.15 },
      to: { fraction: 0.38 },
    } as TyingStep;
    expect(codes(tie(thorax, whip(1)))).not.toContain("POINT_NOT_CLEAR");
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
      ...step,
    }) as TyingStep;

  test("thick weight shows through thin tinsel; thin weight, or yarn over it, does not", () => {
    expect(tie(weight(0.5), over({}), whip(1)).warnings).toMatchObject([{ step: "weight", code: "STEP_SHOWS" }]);
    expect(codes(tie(weight(0.2), over({}), whip(1)))).toEqual([]);
    expect(codes(tie(weight(0.5), over({ strand: yarn } as Partial<TyingStep>), whip(1)))).not.toContain("STEP_SHOWS");
  });
  test("what ends before the ledge does not show it", () =>
    expect(codes(tie(weight(0.5), over({ from: { fraction: 0.8 } } as Partial<TyingStep>), whip(1)))).toEqual([]));
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
