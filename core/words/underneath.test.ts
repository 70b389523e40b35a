import { describe, expect, test } from "vitest";
import { asksOf, read, stepsByStuff } from "./corpus/reading";

const hook = "Hook: dry 14\nThread: tan 70\nStart the thread and run it to the bend\n";
const steps = (text: string): string[] => stepsByStuff(hook + text);
const lays = (text: string) => read(hook + text).recipe.steps.flatMap((s) => (s.do === "lay" ? [s] : []));

describe("a coat beneath what is wound", () => {
  test.each([
    ["in a layer", "Body: olive biot wound over a wet layer of cement, from the bend to a third of the shank"],
    ["as a coat", "Body: flat silver tinsel wound over a coat of superglue, from the bend to a third of the shank"],
  ])("%s comes first, over as much", (_, line) => {
    const [glue, body, ...others] = read(hook + line).recipe.steps.slice(-2);
    expect([glue?.do, body?.do, others]).toEqual(["glue", "wind", []]);
    expect(glue).toMatchObject({ along: { from: { landmark: "bend" } } });
    expect(body).toMatchObject({ from: { landmark: "bend" } });
    expect(asksOf(hook + line)).toEqual([]);
  });

  test("is not the finish of the fly", () => {
    const { recipe } = read(`${hook}Body: stripped peacock quill over wet varnish, 8 turns`);
    expect(recipe.finish.state).toBe("not stated");
    expect(recipe.steps.filter((s) => s.do === "wind" && s.rule.turns === 8)).toHaveLength(1);
  });

  test("a coat between the quill and its turns makes no second body", () => {
    expect(
      steps("Body: stripped quill, lacquered, touching turns over 60% of the shank").filter((s) => /^body/.test(s)),
    ).toHaveLength(1);
  });
});

test("fur that is spun on the silk is one body, and the silk none", () => {
  expect(steps("Body hare's ear, spun on the silk").filter((s) => /^body/.test(s))).toHaveLength(1);
});

describe("turns of the thread about what was laid", () => {
  const tail = "Tail: 8 fibres of pheasant tail, shank long\n";
  test.each([
    ["beneath it", "Lift them and take one turn underneath to cock them up."],
    ["beneath it, of the thread", "Take one turn of thread under the tail to cock it."],
  ])("%s hold it, and wind no hackle", (_, line) => {
    expect(lays(tail + line)).toMatchObject([{ tieIn: { wraps: 1 } }]);
    expect(steps(tail + line).some((s) => /^hackle|^head/.test(s))).toBe(false);
  });

  test("behind a wing and in front of it stand it up", () => {
    const text =
      "Two hen hackle tips as wings, the same length as the shank, tied back to back, a third of the way back from the eye. " +
      "Figure of eight between them, then two turns behind and two in front to keep them up.";
    expect(lays(text)).toMatchObject([
      { amount: { feathers: 2, part: "tip" }, attitude: "up", tieIn: { at: { fraction: 1 / 3 }, wraps: 4 } },
    ]);
  });

  test("loose ones and tight ones together hold a bunch", () => {
    const text = "Wing: 20 elk hairs, a shank long\nTie it down on top with two loose turns, then six tight ones";
    expect(lays(text)[0]?.tieIn?.wraps).toBe(8);
  });
});

describe("weight along the sides", () => {
  test.each([
    ["lashed there", "Underbody: one length of .020 lead wire lashed along each side of the shank"],
    ["in strips", "Two strips of lead wire along the sides"],
  ])("%s is laid, and not wound", (_, line) => {
    expect(lays(line)).toMatchObject([{ amount: { strands: 2 }, round: { near: 1, far: 1 } }]);
  });
});

test("a tail that is split with turns of the thread stands apart, held by as many", () => {
  const text = "Tail: 8 fibres of pheasant tail, shank long\nI split them with a couple of turns of thread (2).";
  expect(lays(text)).toMatchObject([{ stance: "V", tieIn: { wraps: 2 } }]);
});
