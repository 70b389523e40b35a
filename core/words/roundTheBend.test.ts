import { describe, expect, test } from "vitest";
import { landmarks } from "../hooks";
import { stepsOf as steps, read } from "./corpus/reading";

const hook = "Hook: curved grub 12\nThread: black 70 denier\n";

describe("where the thread went round the bend", () => {
  const round = `${hook}Start the thread behind the eye, leave one eye free, and go down halfway round the bend.\n`;

  test("it begins where room was left, and ends there", () =>
    expect(steps(round)).toEqual(["touching, from 1 eye behind the eye to into the bend"]));

  test.each([
    ["a dubbed body", "Body: olive fur, 0.3 gape full", "from 0.3 of the shank to into the bend"],
    ["a wound body", "Body: black floss", "from 0.3 of the shank to into the bend"],
    ["a tail", "Tail: 6 partridge fibres, gape length", "to into the bend"],
    ["a rib", "Rib: fine copper wire, 6 turns", "from into the bend"],
  ])("%s of a list begins there", (_what, line, words) => expect(steps(round + line).at(-1)).toContain(words));

  test("of parts that lie in front nothing changes", () =>
    expect(steps(`${round}Thorax: black fur, 0.3 gape full`).at(-1)).toContain(
      "from 1.1 eyes behind the eye to 0.35 of the shank",
    ));

  test("what is tied in just round it is tied in there", () =>
    expect(steps(`${hook}Tie in a strip of clear shellback just round the bend.`).at(-1)).toContain(
      "tied in at into the bend",
    ));
});

describe("every place of a hook can be told of every kind of part", () => {
  const words: Record<(typeof landmarks)[number], string> = {
    eye: "the eye",
    point: "above the point",
    barb: "above the barb",
    bend: "the bend",
    intoBend: "into the bend",
    betweenBends: "between the bends",
  };
  const parts = [
    "Body: olive fur, 0.3 gape full",
    "Body: black floss",
    "Rib: fine copper wire, 6 turns",
    "Tail: 6 partridge fibres, gape length",
    "Wing case: a strip of black foam, pulled over",
    "Hackle: black hen, 2 turns",
    "Whip finish, 4 turns",
  ];
  test.each(landmarks)("%s", (landmark) => {
    const place = words[landmark];
    const told = parts.map((part) => `${part}\nRun the thread to ${place}.\n${part}, at ${place}`).join("\n");
    const { lines } = read(`Hook: 8\nThread: black\nThread from the eye to ${place}\n${told}`);
    expect(lines).toHaveLength(3 + 3 * parts.length);
    expect(lines.filter((l) => l.steps.length > 0).length).toBeGreaterThan(parts.length);
  });
});
