import { describe, expect, test } from "vitest";
import { asksOf, stepsByPart } from "./corpus/reading";

const nymph = "Test\nHook: nymph 12\nThread: brown 70\n";
const said = (lines: string): string[] => stepsByPart(nymph + lines);

describe("a cover that is folded over", () => {
  test("is of single strands", () =>
    expect(said("Wing case: peacock herl, 6 strands, folded over")[0]).toMatch(/^wing case: 6 strands, left hanging/));

  test("is of doubled ones where that is said", () =>
    expect(said("Wing case: 6 strands of peacock herl, doubled and folded over")[0]).toMatch(/6 strands folded/));

  test("leaves its butts for legs as it leaves its tips", () => {
    const cover =
      "Wing case: 8 fibres of pheasant tail, tied in at mid-shank\nThorax: hare\nPull it over and tie down behind the eye\n";
    for (const ends of ["butts", "tips"]) {
      const legs = said(`${cover}Legs: ${ends} of the wing case pulled back, 3 each side`).find((s) =>
        s.startsWith("legs: "),
      );
      expect(legs, ends).toMatch(/^legs: 6 fibres, .*shared 1 near and 1 far/);
    }
  });
});

describe("a thread by its colour", () => {
  const body = "Body: pearl braided tubing, slid over, tied off at both ends with red thread";
  test("that the recipe has not is asked about", () => expect(asksOf(nymph + body).join()).toMatch(/“red thread”/));
  test("that it has is held", () => expect(asksOf(`${nymph.replace("brown", "red")}${body}`)).toEqual([]));
});

describe("what a size counts", () => {
  test("one size 12 feather is one", () =>
    expect(said("Take a brown hackle, one size 12 feather, tie it in by the stem behind the eye")[0]).toMatch(
      /^collar: 1 feather/,
    ));
});

describe("the same amount and length", () => {
  test("is that of one bunch, whatever lies between", () => {
    const wing =
      "Wing: white bucktail, 3 mm, twice the shank\n10 strands of pearl flash, a little longer than the bucktail\n";
    expect(said(`${wing}Wing: olive bucktail, same amount, same length`).at(-1)).toMatch(
      /^wing: clump of 3 mm, = 2 × the shank/,
    );
  });
});

describe("wire that is only named", () => {
  test("waits for the line that ribs with it", () => {
    const rib = said("Tail: 6 cock fibres\nfine gold wire\nBody: hare, slim\nrib 5 turns").filter((s) =>
      s.startsWith("rib: "),
    );
    expect(rib).toHaveLength(2);
    expect(rib[0]).toMatch(/counted when wound/);
    expect(rib[1]).toMatch(/^rib: 5 turns/);
  });
});
