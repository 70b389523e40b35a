import { describe, expect, test } from "vitest";
import { hookAt } from "../hooks";
import { codeOf, refusalOf } from "../testing/refusal";
import {
  bareProfile,
  clumpArea,
  clumpMass,
  dress,
  exchangeBead,
  feathersForFibres,
  feathersPerFly,
  fliesPerPiece,
  fromSpool,
  ribbonOf,
  ropeOf,
  slipsPerFeather,
  strandOf,
  strandPieces,
  threadStrand,
  wind,
  windAtSpot,
  windRoundPost,
  type Strand,
} from ".";

const hook = hookAt({ id: "n", name: "n", shankSteps: 0, wireSteps: 0, barbless: false, rows: [] }, "14");
const wire = strandOf({ section: "round", width: 0.14, thickness: 0.14, density: 8.96 });
const fur = { density: 0.35, lineDensity: 0.1 };
const zone = { from: 2, to: 6 };
const windWith = (rule: object, options: object = {}) => wind(bareProfile(hook), wire, zone, rule, options);

describe("figures that cannot be are refused, with what would be right", () => {
  test.each<[string, () => unknown, string]>([
    ["trim −60", () => fromSpool({ length: 50, trim: -60 }), "FIGURE_OUT_OF_BOUNDS"],
    [
      "a piece held by less than nothing",
      () => fliesPerPiece({ piece: 60, grip: -5 }, { length: 9 }),
      "FIGURE_OUT_OF_BOUNDS",
    ],
    ["a clump shown −30", () => clumpMass(1.5, -30, 1.3), "FIGURE_OUT_OF_BOUNDS"],
    ["clump −2", () => clumpArea(-2), "FIGURE_OUT_OF_BOUNDS"],
    ["slip width 0", () => slipsPerFeather(50, 0), "FIGURE_OUT_OF_BOUNDS"],
    ["a slip wider than its feather", () => slipsPerFeather(50, 51), "SLIP_TOO_WIDE"],
    ["width 0", () => strandOf({ section: "round", width: 0, thickness: 0.1 }), "FIGURE_OUT_OF_BOUNDS"],
    ["width 1e300", () => strandOf({ section: "round", width: 1e300, thickness: 0.1 }), "FIGURE_OUT_OF_BOUNDS"],
    ["a rope of 0", () => ropeOf(wire, 0), "FIGURE_OUT_OF_BOUNDS"],
    ["half a strand side by side", () => ribbonOf(wire, 2.5), "FIGURE_OUT_OF_BOUNDS"],
    ["denier 0", () => threadStrand({ denier: 0, fibre: "nylon" }), "FIGURE_OUT_OF_BOUNDS"],
    ["passes 1.5", () => windWith({ touching: true }, { passes: 1.5 }), "FIGURE_OUT_OF_BOUNDS"],
    ["stretch 0.5", () => windWith({ touching: true }, { stretch: 0.5 }), "STRETCH_INVALID"],
    ["stretch NaN", () => windWith({ touching: true }, { stretch: NaN }), "STRETCH_INVALID"],
    ["turns −1", () => windWith({ turns: -1 }), "FIGURE_OUT_OF_BOUNDS"],
    ["pitch 0", () => windWith({ pitch: 0 }), "FIGURE_OUT_OF_BOUNDS"],
    ["an overlap of all of it", () => windWith({ overlap: 1 }), "FIGURE_OUT_OF_BOUNDS"],
    ["a hundred thousand turns round a post", () => windRoundPost(wire, 3, 1, 1e5), "FIGURE_OUT_OF_BOUNDS"],
    ["no turns at a spot", () => windAtSpot(bareProfile(hook), wire, 3, 0), "FIGURE_OUT_OF_BOUNDS"],
    ["a noodle of nothing", () => dress(bareProfile(hook), fur, zone, { noodle: 0 }), "FIGURE_OUT_OF_BOUNDS"],
    [
      "a fullness below nothing",
      () => dress(bareProfile(hook), fur, zone, { target: [-1, 1] }),
      "FIGURE_OUT_OF_BOUNDS",
    ],
    [
      "all of it lost",
      () => dress(bareProfile(hook), { ...fur, loss: 1 }, zone, { noodle: 9 }),
      "FIGURE_OUT_OF_BOUNDS",
    ],
    ["a feather without fibres", () => feathersForFibres(12, 6, 0), "FIBRES_TOO_FEW"],
    ["a stem of nothing", () => feathersPerFly({ usable: 0 }, { length: 9 }), "FIGURE_OUT_OF_BOUNDS"],
    ["half an end", () => strandPieces({ hank: 250, piece: 60, ends: 1.5, folded: false }), "FIGURE_OUT_OF_BOUNDS"],
  ])("%s", (_what, run, code) => expect(codeOf(run)).toBe(code));

  test("the refusal holds the limits", () =>
    expect(refusalOf(() => fromSpool({ length: 50, trim: -60 }))?.details).toEqual({
      name: "trim",
      value: -60,
      least: 0,
      most: 600,
      unit: "mm",
    }));
});

describe("comparisons forgive what rounding adds", () => {
  test("twelve deep is the most, and is let pass in whatever binary fractions it comes", () => {
    const refused: string[] = [];
    for (let width = 5; width <= 76; width++)
      for (let turns = 1; turns <= 8; turns++) {
        const strand: Strand = { ...wire, width: width / 100, capped: true };
        // So many turns of this width lie just twelve deep in a zone of this length.
        const length = (turns * 12 * strand.width) / 12 / 12;
        const run = () => wind(bareProfile(hook), strand, { from: 0.3, to: 0.3 + length }, { turns: turns }, {});
        if (codeOf(run) === "TOO_MANY_TURNS") refused.push(`${strand.width} × ${turns}`);
      }
    expect(refused).toEqual([]);
  });
  test("a little deeper than twelve is refused", () =>
    expect(codeOf(() => windWith({ pitch: wire.width / 12.001 }))).toBe("TOO_MANY_TURNS"));
});

describe("another bead", () => {
  const turns = (massOld: number, massNew: number): number => {
    const perTurn = exchangeBead({ ...rest, massOld: 100, massNew: 50 }).massPerTurn;
    return exchangeBead({ ...rest, massOld: massOld * perTurn, massNew: massNew * perTurn }).turns;
  };
  const rest = { wire: { diameter: 0.38, density: 7.3 }, behindMm: 0.7, roomMm: 60, turnsThere: 20 };
  test.each([
    ["two and a half turns to add are three", 2.5, 0, 3],
    ["two and a half to leave off are two: half goes up", 0, 2.5, -2],
    ["a little more than that are three", 0, 2.500001, -3],
    ["none", 1, 1, 0],
  ])("%s", (_what, old, fresh, wanted) => expect(turns(old, fresh)).toBe(wanted));
});
