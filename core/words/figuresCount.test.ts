import { describe, expect, test } from "vitest";
import { read } from "./corpus/reading";

/** What a reading makes, without the names that hold the words as they were typed. */
function madeOf(text: string): string {
  const { recipe, newMaterials } = read(text);
  const names = new Set(["stated", "asStated", "told", "id", "component", "name", "code", "tiedIn", "value"]);
  return JSON.stringify([recipe.steps, recipe.finish, newMaterials], (key, value: unknown) =>
    names.has(key) ? undefined : value,
  );
}
const list = "Hook: N1 10\nThread: black\nBody: hare fur\n";

/** Every figure between brackets is said otherwise once: then something else must be made, or asked. */
const lines = [
  "Thread: tan [140]",
  "Thread: clear mono, [0.12] mm",
  "Tail: red wool [2]x gape",
  "Tail: a [60] mm bunch of black bucktail, pencil thick",
  "Tail: moose, [5], as long as the shank",
  "Tail: [6] white saddle hackles, [3] each side, [90] mm long",
  "Tail: black rabbit strip, [4] mm wide and [25] mm long",
  "Tail: white bucktail, [40] hairs, [25] mm long",
  "Tail: 60 mm strip of black rabbit, [4] mm wide",
  "Rib: [5] lb mono, [6] turns",
  "Rib: [4]x tippet, [6] turns",
  "Body: [3] mm pink chenille",
  "Body: olive extended body, [10] mm, tied on at mid-shank",
  "Back: black foam, [5] mm wide and [2] mm thick",
  "Back: [5] mm strip of [2] mm black foam",
  "Back: a strip of clear film, [3] mm wide",
  "[2] strands of white yarn [6] mm long as a wing",
  "Wing: two [3] mm thick bunches of deer hair, to the bend",
  "Wing: white calf tail, [2] mm thick, a gape high, [30]% behind the eye",
  "Hackle: [3] turns pale ginger behind the wing, [2] in front",
  "Legs: [3] wraps brown partridge",
  "one brown partridge feather, tied in by the tip, [2] wraps",
];
const figure = /\[([\d.]+)\]/g;
const cases = lines.flatMap((line) =>
  [...line.matchAll(figure)].map((m, n) => {
    const said = (of: (own: string, at: number) => string): string => {
      let at = 0;
      return line.replace(figure, (_, own: string) => of(own, at++));
    };
    const other = String(Number((Number(m[1]) * 1.5).toFixed(2)));
    return { usual: said((own) => own), changed: said((own, at) => (at === n ? other : own)) };
  }),
);

describe("a figure that is said otherwise", () => {
  test.each(cases)("“$usual” is not “$changed”", ({ usual, changed }) => {
    const isAsked = read(list + changed).lines.some((l) => l.asks.length > 0);
    expect(isAsked || madeOf(list + usual) !== madeOf(list + changed)).toBe(true);
    expect(read(list + usual).lines.flatMap((l) => l.asks)).toEqual([]);
  });
});

test("so many on each side are half of all, or it is asked", () => {
  const asked = (line: string): string[] => read(list + line).lines.flatMap((l) => l.asks.map((a) => a.sentence));
  expect(asked("Tail: 6 white saddle hackles, 3 each side, 90 mm long")).toEqual([]);
  expect(asked("Tail: 6 white saddle hackles, 4 each side, 90 mm long")).toEqual([
    "6 in all and 4 on each side cannot both be. Say which it is, and take the other out.",
  ]);
});

test("a strand is so wide as it is said to be, and never so wide as its piece is long", () => {
  const width = (line: string): number | undefined =>
    read(list + line).newMaterials.find((m) => m.form === "yarn")?.strand?.width;
  expect(width("Tail: 60 mm strip of black rabbit, 4 mm wide")).toBe(4);
  expect(width("Tail: 60 mm strip of black rabbit")).toBe(width("Tail: 90 mm strip of black rabbit"));
});
