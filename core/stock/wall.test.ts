import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { placesIn, wallAfter, wallOf, type Placed } from "./wall";

const at = (code: string, cabinet: string, row: number | null, position: number | null): Placed => ({
  code,
  cabinet,
  row,
  position,
});
const shown = (drawers: Placed[]) =>
  wallOf(drawers).map((c) => [c.name, ...c.rows.map((r) => r.map((d) => d.code).join(" "))]);

describe("the wall of drawers", () => {
  test("stands as it was placed, whatever the order they come in; what nobody placed comes last, by number", () => {
    const drawers = [
      at("B2", "Right", 4, 9),
      at("C10", "", null, null),
      at("A2", "Left", 1, 2),
      at("C9", "", null, null),
      at("A1", "Left", 1, 1),
      at("A3", "Left", 3, 1),
    ];
    expect(shown(drawers)).toEqual([
      ["Left", "A1 A2", "A3"],
      ["Right", "B2"],
      ["", "C9 C10"],
    ]);
  });
  test("two in one spot stand beside each other", () =>
    expect(shown([at("B", "L", 1, 1), at("A", "L", 1, 1)])).toEqual([["L", "A B"]]));
  test("no drawer is no wall", () => expect(wallOf([])).toEqual([]));

  const wall = wallOf([at("A1", "L", 1, 1), at("A2", "L", 1, 2), at("B1", "L", 2, 1), at("C1", "R", 1, 1)]);
  const codes = (w: ReturnType<typeof wallOf>) => w.map((c) => c.rows.map((r) => r.map((d) => d.code)));
  test.each([
    ["A1", "right", [[["A2", "A1"], ["B1"]], [["C1"]]]],
    ["A1", "left", [[["A1", "A2"], ["B1"]], [["C1"]]]],
    ["A2", "down", [[["A1"], ["B1", "A2"]], [["C1"]]]],
    ["B1", "up", [[["B1", "A1", "A2"], []], [["C1"]]]],
    ["B1", "down", [[["A1", "A2"], []], [["B1", "C1"]]]],
    ["A1", "up", [[["A1", "A2"], ["B1"]], [["C1"]]]],
    [
      "C1",
      "up",
      [
        [
          ["A1", "A2"],
          ["C1", "B1"],
        ],
        [[]],
      ],
    ],
    ["NONE", "up", [[["A1", "A2"], ["B1"]], [["C1"]]]],
  ] as const)("%s goes %s", (code, way, after) => {
    expect(codes(wallAfter(wall, code, way))).toEqual(after);
  });
  test("below the last row a new one is begun, and the wall given stays as it was", () => {
    const two = wallOf([at("A1", "L", 1, 1), at("A2", "L", 1, 2)]);
    expect(codes(wallAfter(two, "A2", "down"))).toEqual([[["A1"], ["A2"]]]);
    expect(codes(two)).toEqual([[["A1", "A2"]]]);
  });

  test("whatever is moved, no drawer is lost or doubled, and places read back as the same wall", () => {
    const drawer = fc.record({
      cabinet: fc.constantFrom("L", "R"),
      row: fc.option(fc.integer({ min: 1, max: 4 })),
      position: fc.integer({ min: 1, max: 5 }),
    });
    const way = fc.constantFrom("left", "right", "up", "down");
    fc.assert(
      fc.property(
        fc.array(drawer, { maxLength: 9 }),
        fc.array(fc.tuple(fc.nat(8), way), { maxLength: 12 }),
        (list, moves) => {
          const drawers = list.map((d, i) =>
            d.row === null ? at(`D${i}`, "", null, null) : at(`D${i}`, d.cabinet, d.row, d.position),
          );
          let now = wallOf(drawers);
          for (const [i, to] of moves) now = wallAfter(now, `D${i}`, to);
          const places = placesIn(now);
          expect(places.map((d) => d.code).sort()).toEqual(drawers.map((d) => d.code).sort());
          expect(placesIn(wallOf(places))).toEqual(
            places
              .filter((d) => d.row !== null)
              .concat(
                wallOf(places)
                  .filter((c) => c.name === "")
                  .flatMap((c) => c.rows.flat()),
              ),
          );
        },
      ),
      { seed: 8, numRuns: 300 },
    );
  });
});
