import { breachSentence, destinationSentence } from "../sentences";
import { describe, expect, test } from "vitest";
import { destinationConflicts, dozensText, likeness, nearest, ruleBreaches, type Policy } from ".";

const free = { noLead: false, barblessOnly: false, forbiddenSpecies: [] };
const line = {
  label: "Lead Line 12",
  barbless: false,
  materials: [
    { name: "lead wire", lead: true },
    { name: "jungle neck", lead: false, controlledSpecies: "jungle fowl" },
  ],
};

describe("destinationConflicts", () => {
  test.each([
    ["nothing forbidden", free, []],
    ["lead", { ...free, noLead: true }, ["lead wire"]],
    ["barbs", { ...free, barblessOnly: true }, ["barbed hook"]],
    ["a species", { ...free, forbiddenSpecies: ["jungle fowl"] }, ["jungle neck"]],
    ["another species", { ...free, forbiddenSpecies: ["heron"] }, []],
    [
      "all of it",
      { noLead: true, barblessOnly: true, forbiddenSpecies: ["jungle fowl"] },
      ["lead wire", "barbed hook", "jungle neck"],
    ],
  ])("%s", (_what, destination, named) => {
    const conflicts = destinationConflicts(destination, line).map(destinationSentence);
    expect(conflicts).toHaveLength(named.length);
    named.forEach((n, i) => expect(conflicts[i]).toContain(n));
  });
  test("never says that something is allowed or legal", () =>
    expect(
      destinationConflicts({ noLead: true, barblessOnly: true, forbiddenSpecies: ["jungle fowl"] }, line)
        .map(destinationSentence)
        .join(" "),
    ).not.toMatch(/legal|safe|allowed/));
});

describe("nearest", () => {
  const names = ["Copper Lodger", "Slate Wisp", "Harbour Fleck", "Chandler's Slip"];
  test.each([
    ["coper lodger", "Copper Lodger"],
    ["wisp", "Slate Wisp"],
    ["harbor fleck", "Harbour Fleck"],
    ["chandlers slip", "Chandler's Slip"],
  ])("%s", (typed, name) => expect(nearest(typed, names, (n) => n)[0]?.item).toBe(name));
  test("nothing comes near nonsense", () => expect(nearest("zzzz qqqq", names, (n) => n)).toEqual([]));
  test("likeness runs from 0 to 1", () => {
    expect(likeness("Slate Wisp", "slate  wisp!")).toBe(1);
    expect(likeness("", "x")).toBe(0);
  });
});

test.each([
  [6, "6 flies"],
  [12, "1 dz"],
  [76, "6 dz + 4"],
])("%i flies are %s", (n, words) => expect(dozensText(n)).toBe(words));

describe("ruleBreaches", () => {
  const fly = { ...line, taken: [{ material: "dyed hen", part: "hackle" }], left: ["flash"] };
  test.each<[string, Policy, RegExp[]]>([
    [
      "originals only: each part of another material, and each left out",
      "original",
      [/dyed hen for the hackle/, /without its flash/],
    ],
    ["alternates accepted: nothing", "alternates", []],
    ["left to the tier: nothing", "tier", []],
  ])("%s", (_what, policy, told) => {
    const sentences = ruleBreaches({ policy, destination: free }, fly).map(breachSentence);
    expect(sentences).toHaveLength(told.length);
    told.forEach((t, i) => expect(sentences[i]).toMatch(t));
  });
  test("what the destination forbids comes first, whatever the policy", () =>
    expect(ruleBreaches({ policy: "tier", destination: { ...free, noLead: true } }, fly).map((b) => b.code)).toEqual([
      "HAS_LEAD",
    ]));
});
