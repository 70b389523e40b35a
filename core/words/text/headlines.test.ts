import { describe, expect, test } from "vitest";
import { headlinesIn } from "./headlines";

const found = (text: string) => [...headlinesIn(text.split("\n"))].map(([i, { of, name }]) => [i, name, of]);

describe("lines that name what the line below tells", () => {
  test("parts in one column and what they are in another", () =>
    expect(found("Long Night\nHook\nwet 12\nTail:\nred wool\n- Body\n- black fur")).toEqual([
      [1, "Hook", 2],
      [3, "Tail", 4],
      [5, "Body", 6],
    ]));
  test("one blank line may lie between", () =>
    expect(found("Long Night\nTail\n\nred wool\n\nRib\n\n\ngold wire")).toEqual([[1, "Tail", 3]]));
  test("on such a page a few words between two that are told are one as well", () =>
    expect(
      found("Long Night\nHook\nwet 12\nTail\nwool\nBody\nfur\nBreathers\nwhite floss, 4\nRib\nwire"),
    ).toContainEqual([7, "Breathers", 8]));
  test.each([
    ["the name of the fly", "Hackle\nwet 12"],
    ["a name with a line below that names its own", "Long Night\nTail\nBody: black fur"],
    ["two names", "Long Night\nTail\nLegs"],
    ["the last line", "Long Night\nBody: fur\nVarnish"],
    ["what says more than a name", "Long Night\nTail of wool\nred, a gape long"],
    ["what is done", "Long Night\nWhip finish\nTwo coats of varnish"],
  ])("%s is none", (_label, text) => expect(found(text)).toEqual([]));
});
