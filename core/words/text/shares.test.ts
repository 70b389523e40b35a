import { describe, expect, test } from "vitest";
import { sharesInFigures } from "./shares";
import { read } from "../corpus/reading";

describe("shares in figures", () => {
  test.each<[string, number[] | undefined]>([
    ["60/40", [60, 40]],
    ["50/30/20", [50, 30, 20]],
    ["2:1", [2, 1]],
    ["three to one", [3, 1]],
    ["(about 70 % / 30 %)", [70, 30]],
    ["mixed 80-20", [80, 20]],
    ["in a ratio of 3 to 2", [3, 2]],
    // What looks like it, and is another thing.
    ["5/32", undefined],
    ["8/0", undefined],
    ["2 to 3.5 mm", undefined],
    ["6 to 8 turns", undefined],
    ["10-12", undefined],
  ])("%s", (text, shares) => {
    expect(sharesInFigures(text, 0)?.value).toEqual(shares);
  });
});

const of = (line: string) => {
  const { newMaterials, lines } = read(`Hook: wet 12\n${line}`);
  const asks = lines.flatMap((l) => l.asks.map((a) => a.sentence));
  return { shares: newMaterials.filter((m) => m.blend).map((m) => Object.values(m.blend?.parts ?? {})), asks };
};

describe("a mixture is milled as its figures say", () => {
  test.each([
    ["Body: hare mixed with orange seal's fur, 80/20", [80, 20]],
    ["Body: 60/40 hare and rabbit dubbing", [60, 40]],
    ["Body: a 3:1 mix of hare and olive rabbit", [3, 1]],
    ["Body: mixed claret and blue seal's fur 2:1", [2, 1]],
    ["Body: blend of hare, olive seal and orange seal fur, 50/30/20", [50, 30, 20]],
    ["Body: hare with a touch of orange", [90, 10]],
    ["Dub tan/pink mix 60/40 in a loop of 60 mm, wind to the eye", [60, 40]],
  ])("%s", (line, shares) => {
    expect(of(line)).toEqual({ shares: [shares], asks: [] });
  });

  test("figures that fit no mixture are asked about", () => {
    const { shares, asks } = of("Body: olive dubbing, 60/40");
    expect(shares).toEqual([]);
    expect(asks.join(" ")).toContain("60/40");
  });
});
