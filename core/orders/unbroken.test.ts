import { describe, expect, test } from "vitest";
import { doubtSentence } from "../sentences";
import { isWhole, readOrder, wishWords } from ".";
import { catalogue } from "./corpus/catalogue";
import { joinedAt, surelyBroken } from "./unbroken";

const lines = (text: string) =>
  readOrder(text, catalogue).lines.map((l) => [l.flies, l.pattern, l.size, l.variant, wishWords(l)]);

/** A text as a mail breaks it, at a width. */
const brokenAt = (text: string, width: number): string => {
  const out: string[] = [];
  for (const word of text.split(" ")) {
    const last = out.at(-1);
    if (last === undefined || `${last} ${word}`.length > width) out.push(word);
    else out[out.length - 1] = `${last} ${word}`;
  }
  return out.join("\n");
};

describe("an order that a mail broke", () => {
  const orders = [
    "Hollow Mere Lodge, 20 March: 4 dz Copper Lodger olive weighted 14, 2 dz in 16, 3 dz Slate Wisp 14 amber, no lead in any of them and barbless please",
    "For Quayhead Tackle: 3 dz Old Pilot 10 by 2 April, 3 dz Slate Wisp 12 amber by 16 April, and 2 dz Tar Pupa black, one in 14 and one in 16, by 20 April.",
  ];
  test.each(orders.flatMap((text) => [48, 60, 72].map((width): [number, string] => [width, text])))(
    "at %i is the same, or asked about: %s",
    (width, text) => {
      const whole = readOrder(text, catalogue);
      const broken = readOrder(brokenAt(text, width), catalogue);
      expect(isWhole(whole)).toBe(true);
      if (isWhole(broken)) expect(lines(brokenAt(text, width))).toEqual(lines(text));
    },
  );

  test("behind a word after which something must follow a line goes on", () => {
    const text = "Ida Pellworth, 12 March: 2 dz Slate Wisp 14 amber and\n1 dz in slate";
    expect(lines(text)).toEqual(lines(text.replace("\n", " ")));
  });

  test("where it would be another order, it is asked, and either answer settles it", () => {
    const text = "Hollow Mere Lodge 12 Feb 2027: Copper Lodger weighted 14 olive 3dz\nbarbless, 16 olive 3dz";
    const order = readOrder(text, catalogue);
    const [doubt] = order.doubts;
    expect(doubt && doubtSentence(doubt)).toBe(
      "Does the line that begins “barbless, 16 olive” go on with the one above it, or is it one of its own?",
    );
    const answered = doubt?.candidates.map((c) => text.slice(0, doubt.at[0]) + c.text + text.slice(doubt.at[1])) ?? [];
    expect(answered).toHaveLength(2);
    for (const said of answered)
      expect(readOrder(said, catalogue).doubts.filter((d) => d.code === "ONE_LINE")).toEqual([]);
    expect(lines(answered[0] ?? "").map(([, , size, , wish]) => [size, wish])).toContainEqual(["14", "barbless"]);
  });

  test.each([
    "Ida Pellworth, 12 March\n2 dz Slate Wisp 14 amber\n1 dz Old Pilot 10",
    "Ida Pellworth, 12 March\n1. 2 dz Slate Wisp 14 amber\n2. 1 dz Old Pilot 10",
    "Ida Pellworth, 12 March\n- 2 dz Slate Wisp 14 amber\n- 1 dz Old Pilot 10",
  ])("lines of their own stay so: %j", (text) => {
    expect(isWhole(readOrder(text, catalogue))).toBe(true);
    expect(lines(text).map(([flies]) => flies)).toEqual([24, 12]);
  });

  test("lines that all end openly are one no further than a statement is long, and none where there are too many", () => {
    const line = "please send us some more of these as soon as you find the time and";
    const many = (n: number): string => Array.from({ length: n }, () => line).join("\n");
    const joined = joinedAt(many(100), surelyBroken(many(100)));
    expect(joined).toHaveLength(many(100).length);
    const lengths = joined.split("\n").map((l) => l.length);
    expect(lengths.length).toBeLessThan(30);
    expect(Math.max(...lengths)).toBeLessThan(420);
    expect(surelyBroken(many(2000))).toEqual([]);
  });
});
