import { describe, expect, test } from "vitest";
import { asksOf, read } from "./corpus/reading";

const dry = "Hook: dry 12\nThread: brown 70\n";
const lays = (text: string) => read(dry + text).recipe.steps.flatMap((s) => (s.do === "lay" ? [s] : []));

describe("sentences that only say more of what a line has laid", () => {
  test("its length and how it stands", () => {
    const [wing, ...others] = lays(
      "Wing: a clump of deer hair as thick as a wooden match. One shank long. Tips forward over the eye.",
    );
    expect(others).toEqual([]);
    expect(wing).toMatchObject({ amount: { clump: { mm: 2 } }, shown: { of: "shank", times: 1 }, attitude: "forward" });
  });

  test("the turns that hold what is never wound", () => {
    const [wing] = lays("Tie in a clump of 2 mm of elk hair for the wing, reaching the bend. Eight tight turns.");
    expect(wing?.tieIn?.wraps).toBe(8);
  });

  test("a second length is no more of the first", () => {
    const text = `${dry}Wing: clump of 2 mm of deer hair, one shank long. Twice the gape long.`;
    expect(asksOf(text)).not.toEqual([]);
  });

  test("a strip over the back is a cover that a later line pulls over", () => {
    const reading = read(
      "Hook: pupa 14\nThread: olive 70\nclear stretch film 3 mm over back\nbody: olive hare\npull film over",
    );
    const cover = reading.recipe.components.find((c) => c.role === "wing case");
    const taken = reading.recipe.steps.find((s) => s.do === "lay" && s.component === cover?.id && s.tiedIn);
    expect(taken).toBeDefined();
    expect(reading.recipe.steps.filter((s) => s.component === cover?.id && s.do === "wind")).toEqual([]);
  });

  test("slips that a later line pulls over by their stuff are a wing case", () => {
    const reading = read(
      "Hook: nymph 10\nThread: brown 70\nBody: brown hare to mid-shank\nTie in a strip of turkey tail 4 mm wide\n" +
        "Dub the thorax\nPull the turkey over the top and tie it down",
    );
    expect(reading.recipe.components.map((c) => c.role)).toContain("wing case");
    expect(reading.recipe.components.map((c) => c.role)).not.toContain("wing");
  });

  test("a drop on the knot is the finish", () => {
    expect(read(`${dry}Whip finish twice and add a drop of head cement.`).recipe.finish).toMatchObject({
      state: "given",
      coats: 1,
    });
    expect(read(`${dry}Body: hare\nAdd a drop of glue at mid-shank`).recipe.finish.state).toBe("not stated");
  });
});
