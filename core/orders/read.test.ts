import { doubtSentence } from "../sentences";
import { describe, expect, test } from "vitest";
import { isWhole, readDate, readOrder, type Catalogue } from ".";

const catalogue: Catalogue = {
  today: "2026-11-23",
  patterns: [
    {
      id: "lodger",
      name: "Copper Lodger",
      sizes: { from: "10", to: "16" },
      variants: [
        { id: "olive", name: "olive" },
        { id: "rust", name: "rust" },
      ],
      forms: [
        { id: "weighted", name: "weighted" },
        { id: "plain", name: "unweighted" },
      ],
    },
    {
      id: "wisp",
      name: "Slate Wisp",
      sizes: { from: "10", to: "18" },
      variants: [{ id: "slate", name: "slate" }],
      forms: [{ id: "plain", name: "unweighted" }],
    },
    {
      id: "wharf",
      name: "Wharf Lantern",
      sizes: { from: "2", to: "3/0" },
      variants: [
        { id: "pearl", name: "pearl" },
        { id: "ember", name: "ember" },
      ],
      forms: [{ id: "plain", name: "unweighted" }],
    },
  ],
  customers: [
    { id: "mere", name: "Hollow Mere Lodge" },
    { id: "quay", name: "Quayhead Tackle" },
    { id: "quarry", name: "Quarry Tackle" },
  ],
  seasons: [
    { name: "char run", date: "2027-04-18" },
    { name: "ice-out", date: "2027-03-28" },
  ],
  numberWords: { couple: 2 },
};
const read = (text: string) => readOrder(text, catalogue);

describe("readOrder", () => {
  test("reads the whole of a typed line", () => {
    const order = read("6dz Copper Lodger 14 olive, 4dz 16; Hollow Mere Lodge, 12 Mar");
    expect(order.customer).toBe("mere");
    expect(order.due).toBe("2027-03-12");
    expect(order.lines.map((l) => [l.flies, l.pattern, l.size, l.variant, l.form])).toEqual([
      [72, "lodger", "14", "olive", "weighted"],
      [48, "lodger", "16", "olive", "weighted"],
    ]);
    expect(isWhole(order)).toBe(true);
  });

  test("reads several pasted lines, dozens with singles, forms, aught sizes and a season", () => {
    const order = read(
      "2dz+6 slate wisp #12\n3 dozen Wharf Lantern 1/0 ember\n18 flies copper lodger unweighted rust 12\nQuayhead Tackle\nbefore the char run",
    );
    expect(order.lines.map((l) => [l.flies, l.pattern, l.size, l.variant, l.form])).toEqual([
      [30, "wisp", "12", "slate", "plain"],
      [36, "wharf", "1/0", "ember", "plain"],
      [18, "lodger", "12", "rust", "plain"],
    ]);
    expect([order.customer, order.due, order.dueReason]).toEqual(["quay", "2027-04-18", "char run"]);
    expect(isWhole(order)).toBe(true);
  });

  test("reads spreadsheet rows whose last number is dozens", () => {
    const order = read("Copper Lodger\t14\tolive\t6\nSlate Wisp\t16\tslate\t3");
    expect(order.lines.map((l) => [l.pattern, l.size, l.flies])).toEqual([
      ["lodger", "14", 72],
      ["wisp", "16", 36],
    ]);
  });

  const doubts: [string, string, string, RegExp, string?][] = [
    [
      "an unknown pattern, with the nearest",
      "6dz Kopr Logger 14 olive; Hollow Mere Lodge, 12 Mar",
      "pattern",
      /No pattern is called/,
      "Copper Lodger",
    ],
    ["a size outside the pattern", "6dz Copper Lodger 8 olive", "size", /10 to 16/, "10"],
    ["a size that is none", "6dz Copper Lodger 4/7 olive", "size", /not a hook size/],
    ["an unknown colour", "6dz Copper Lodger 14 purplish", "rest", /purplish/],
    ["a missing colour", "6dz Copper Lodger 14", "variant", /Which colour/, "olive"],
    ["part of a fly", "1.3dz Copper Lodger 14 olive", "quantity", /whole number/, "1dz + 3"],
    ["no dozen at all", "0dz Copper Lodger 14 olive", "quantity", /at least one/],
    ["less than none", "-3dz Copper Lodger 14 olive", "quantity", /less than none/],
    ["far too many", "10,000 dozen Copper Lodger 14 olive", "quantity", /10,000 dozen is more/],
    [
      "a loose word, with the person's own number",
      "a couple of dozen Copper Lodger 14 olive",
      "quantity",
      /different number/,
      "2 dz, as you use the word",
    ],
    ["no quantity", "Copper Lodger 14 olive", "quantity", /How many/],
  ];
  test.each(doubts)("asks about %s", (_what, text, field, sentence, candidate) => {
    const doubt = read(text).lines[0]?.doubts.find((d) => d.field === field);
    expect(doubt && doubtSentence(doubt)).toMatch(sentence);
    if (candidate) expect(doubt?.candidates.map((c) => c.label)).toContain(candidate);
  });

  test("asks about a customer who is not there, and one who could be two", () => {
    const unknown = read("6dz Slate Wisp 12; Zebra Fishing Club, 12 Mar");
    expect(unknown.customer).toBeUndefined();
    expect(unknown.doubts.map(doubtSentence)[0]).toContain("Zebra Fishing Club");
    const two = read("6dz Slate Wisp 12; Qua Tackle, 12 Mar").doubts.find((d) => d.field === "customer");
    expect(two?.candidates.map((c) => c.label)).toEqual(expect.arrayContaining(["Quarry Tackle", "Quayhead Tackle"]));
  });

  test("a candidate put in place of the doubtful text settles it", () => {
    const text = "6dz Copper Lodger 8 olive; Hollow Mere Lodge, 12 Mar";
    const doubt = read(text).lines[0]?.doubts[0];
    const mended = text.slice(0, doubt?.at[0]) + (doubt?.candidates[0]?.text ?? "") + text.slice(doubt?.at[1]);
    expect(isWhole(read(mended))).toBe(true);
  });

  test("says so when a day has passed or cannot be read", () => {
    expect(read("6dz Slate Wisp 12; Hollow Mere Lodge, 2026-03-12").doubts.map(doubtSentence)[0]).toMatch(/has passed/);
    expect(read("6dz Slate Wisp 12; Hollow Mere Lodge, 42 Flob").doubts.map((d) => d.field)).toContain("due");
  });
});

describe("readDate", () => {
  const cases: [string, string | undefined][] = [
    ["12 Mar", "2027-03-12"],
    ["24 November", "2026-11-24"],
    ["23 Nov", "2026-11-23"],
    ["22 Nov", "2027-11-22"],
    ["2027-03-12", "2027-03-12"],
    ["12.3.2027", "2027-03-12"],
    ["by 3rd April", "2027-04-03"],
    ["in 3 weeks", "2026-12-14"],
    ["30 Feb", undefined],
    ["soon", undefined],
  ];
  test.each(cases)("%s", (text, iso) => expect(readDate(text, "2026-11-23")).toBe(iso));
});

test("a fly whose sizes are not said yet may be asked for in any, and no size is offered for it", () => {
  const only = [{ id: "only", name: "only" }];
  const draft = { id: "draft", name: "Harbour Draft", sizes: { from: "", to: "" }, variants: only, forms: only };
  const book = { ...catalogue, patterns: [...catalogue.patterns, draft] };
  const read = (text: string) => readOrder(text, book).lines[0];
  expect(read("2dz Harbour Draft 12; Ida Pellworth, 12 March")).toMatchObject({
    pattern: "draft",
    size: "12",
    flies: 24,
  });
  expect(read("2dz Harbour Draft; Ida Pellworth, 12 March")?.doubts).toMatchObject([
    { code: "WHICH_SIZE", candidates: [] },
  ]);
});

test("what stands beyond the longest row is asked about where it begins, and the rest is read", () => {
  const text = `3 dz Copper Lodger 12 olive; Ida Pellworth, 12 March, ${"a, ".repeat(15_000)}4 dz Old Pilot 10`;
  const order = readOrder(`${text}\n2 dz Old Pilot 12 brown`, catalogue);
  const [beyond] = order.doubts.filter((d) => d.code === "ROW_TOO_LONG");
  expect(beyond?.at[1]).toBe(text.length);
  expect(beyond?.at[0]).toBeGreaterThan(5900);
  expect(order.lines.map((l) => l.flies)).toEqual([36, 24]);
  expect(isWhole(order)).toBe(false);
});

test("tens of thousands of blanks within a line are no harm, and what stands beside them is read", () => {
  const order = readOrder(`3 dz Copper Lodger 12,${" ".repeat(50_000)}barbless all of them`, catalogue);
  expect(order.lines).toHaveLength(1);
  expect(order.lines[0]).toMatchObject({ flies: 36, pattern: "lodger", size: "12" });
  expect(order.lines[0]?.wishes.map((w) => w.words)).toContain("barbless");
});

test("tens of thousands of blank lines part one line of an order from the next, and no more", () => {
  const order = readOrder(`2 dz Copper Lodger 12 olive${" \n".repeat(25_000)}3 dz Copper Lodger 14 olive`, catalogue);
  expect(order.lines.map((l) => [l.flies, l.size])).toEqual([
    [24, "12"],
    [36, "14"],
  ]);
  expect(order.doubts.map((d) => d.field)).toEqual(["customer", "due"]);
});

describe("how many of each size, behind a colon", () => {
  const sized = (text: string) => read(text).lines.map((l) => [l.flies, l.size, l.variant]);

  test.each([
    ["5 dz Copper Lodger olive: two 12, two 14, one 16", [24, 24, 12]],
    ["5 dz Copper Lodger olive: 12s 2, 14s 2, 16s 1", [24, 24, 12]],
    ["5 dz Copper Lodger olive: 2 in 12, one in 14 and 2 in the 16s", [24, 12, 24]],
  ])("%s", (text, flies) => {
    expect(sized(text)).toEqual(["12", "14", "16"].map((size, i) => [flies[i], size, "olive"]));
    expect(read(text).lines.flatMap((l) => l.doubts)).toEqual([]);
  });

  test("what does not add up is asked about", () => {
    const { lines } = read("6 dz Copper Lodger olive: two 12, two 14, one 16");
    expect(lines.flatMap((l) => l.doubts.map((d) => ("words" in d.details ? d.details.words : d.code)))).toEqual([
      "two",
      "two 14, one 16",
    ]);
  });
});
