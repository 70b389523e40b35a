import { warningSentence } from "../sentences";
import { describe, expect, test } from "vitest";
import { choose, materials, model } from "../testing/nymph";
import { changed, withStep } from "../testing/recipes";
import { composeFly, headRoomOf } from ".";
import { benchStepOf } from "../bench";
import { type FlyChoice, type Recipe, type RecipeStep } from "../recipe";

const tie = (r: Recipe, c: Partial<FlyChoice> = {}) => composeFly(r, choose(c), model, materials);
const warnings = (r: Recipe, code: string, c: Partial<FlyChoice> = {}) =>
  tie(r, c).tied.warnings.filter((w) => w.code === code);
const moved =
  (id: string, more: Partial<RecipeStep>): ((r: Recipe) => void) =>
  (r) => {
    r.steps = r.steps.map((s) => (s.id === id ? ({ ...s, ...more } as RecipeStep) : s));
  };

describe("stretches that stay bare", () => {
  const bare = (from: number, to: number, thread: boolean) =>
    changed((r) => {
      r.bare = [{ from: { fraction: from }, to: { fraction: to }, thread, why: "the wing sits there" }];
    });

  test("whatever covers it is told at its step, with how much and why", () => {
    const [w] = warnings(bare(0.45, 0.6, true), "KEPT_BARE").filter((x) => x.step === "body");
    expect(w && warningSentence(w)).toMatch(
      /“body” covers \d\.\d mm of the stretch from 0.45 of the shank to 0.6 of the shank, which stays bare thread: the wing sits there/,
    );
  });
  test("thread may lie on bare thread, not on a bare hook", () => {
    const steps = (thread: boolean) => warnings(bare(0.35, 0.41, thread), "KEPT_BARE").map((w) => w.step);
    expect(steps(true)).not.toContain("base");
    expect(steps(false)).toContain("base");
  });
  test("what only touches it is let be", () => expect(warnings(bare(0.49, 0.5, true), "KEPT_BARE")).toEqual([]));
});

describe("room in front of the body", () => {
  const collar: RecipeStep = {
    id: "collar",
    name: "collar",
    do: "wind",
    component: "hackle",
    from: { eyeLengths: 0.6 },
    to: { eyeLengths: 0.6 },
    rule: { turns: 2 },
  };
  const hackle = { id: "hackle", role: "collar" as const, material: [{ value: "hackle" }] };

  test("the head as it is wound, half an eye length for a wing, its own width for a collar", () => {
    const fly = tie(withStep(collar, hackle), { form: "light" });
    const room = headRoomOf(fly);
    // Wing and collar come after the body; the whip finish takes half an eye length, the stem is 0.6 mm wide.
    expect(room).toMatchObject({ step: "body", parts: ["wing", "collar"] });
    expect(room?.neededMm).toBeCloseTo(fly.hook.eye + 0.6, 9);
    const along = headRoomOf(
      tie(withStep({ ...collar, to: { eyeLengths: 1.4 } } as RecipeStep, hackle), { form: "light" }),
    );
    expect(along?.neededMm).toBeCloseTo(fly.hook.eye + 0.8 * fly.hook.eye, 9);
  });
  test("two steps of one wing are one part; behind a bead only the parts count", () => {
    const two = withStep(collar, hackle);
    const wing = two.steps.find((s) => s.id === "wing") as RecipeStep;
    two.steps.splice(two.steps.indexOf(wing), 0, { ...wing, id: "wing-in" });
    expect(headRoomOf(tie(two, { form: "light" }))?.neededMm).toBe(
      headRoomOf(tie(withStep(collar, hackle), { form: "light" }))?.neededMm,
    );
    const beaded = tie(withStep(collar, hackle));
    expect(headRoomOf(beaded)?.neededMm).toBeCloseTo(0.5 * beaded.hook.eye + 0.6, 9);
  });
  test("a body too far forward is told with the figures; further back it is not", () => {
    const crowded = (fraction: number) => {
      const r = withStep(collar, hackle);
      moved("body", { from: { fraction } } as Partial<RecipeStep>)(r);
      return warnings(r, "HEAD_ROOM", { form: "light" });
    };
    expect(crowded(0.05)[0]).toMatchObject({ step: "body" });
    expect(crowded(0.05).map(warningSentence)[0]).toMatch(
      /leaves 0\.\d mm in front of it; “wing”, “collar”, the head need \d\.\d mm, 1\.5 eye lengths/,
    );
    expect(crowded(0.5)).toEqual([]);
  });
});

describe("lengths staggered on purpose", () => {
  const staggered = (leastMm: number) =>
    changed((r) => {
      r.stagger = { steps: ["wing", "tail"], leastMm };
    });
  test("the next part is shorter by at least as much as was said", () => {
    expect(warnings(staggered(1), "NOT_STAGGERED")).toEqual([]);
    const [w] = warnings(staggered(50), "NOT_STAGGERED");
    expect(w).toMatchObject({ step: "tail" });
    expect(w && warningSentence(w)).toMatch(/only \d\.\d mm shorter than “wing”: it should be 50 mm shorter/);
  });
  test("a part that is longer than the one before it is told so", () => {
    const r = changed((x) => {
      x.stagger = { steps: ["tail", "wing"], leastMm: 0.5 };
    });
    expect(warnings(r, "NOT_STAGGERED").map(warningSentence)[0]).toMatch(/longer than “tail”/);
  });
  test("parts that this fly leaves out are not compared", () =>
    expect(warnings(staggered(50), "NOT_STAGGERED", { leave: ["wing"] })).toEqual([]));
});

describe("wraps that come together", () => {
  const held = (mostWraps: number | undefined) =>
    changed((r) => {
      r.mostWraps = mostWraps;
      r.steps = r.steps.map((s): RecipeStep =>
        s.id === "rib-in" ? { ...s, tieIn: { at: { landmark: "bend" }, hold: "final" } } : s,
      );
    });
  test("more than the pattern allows at one place are told, with the parts that share it", () => {
    // Tail 5 and rib 7 wraps at the bend.
    expect(warnings(held(12), "WRAPS_PILE_UP")).toEqual([]);
    const [w] = warnings(held(11), "WRAPS_PILE_UP");
    expect(w).toMatchObject({ step: "rib-in" });
    expect(w && warningSentence(w)).toMatch(
      /^12 wraps of thread come together at the bend \(tail, bind in the rib\); 11 is the most/,
    );
  });
  test("nobody counts where the pattern says nothing", () =>
    expect(warnings(held(undefined), "WRAPS_PILE_UP")).toEqual([]));
});

describe("which side is up", () => {
  const upsideDown = (lashed: "on top" | "underneath") =>
    withStep(
      { id: "eyes", name: "eyes", do: "seat", component: "eyes", from: { fraction: 0.36 }, lashed },
      { id: "eyes", role: "eyes", material: [{ value: "eyes" }] },
    );
  const figures = (r: Recipe) => {
    const fly = tie(r);
    const legs = fly.steps.find((s) => s.id === "legs");
    return legs ? benchStepOf(fly, legs, "right").figures.join("; ") : "";
  };
  test("weighted eyes on top turn it over: the bench is told where that is in the vise", () => {
    expect(figures(upsideDown("on top"))).toContain("under the shank in the vise, on top as it swims");
    expect(figures(upsideDown("underneath"))).not.toContain("in the vise");
  });
});

describe("parts that are there to be seen", () => {
  const unseen = (id: string, more: Partial<RecipeStep>) => {
    const r = changed(() => undefined);
    moved(id, { shown: undefined, ...more } as Partial<RecipeStep>)(r);
    return warnings(r, "SHOWS_NOTHING").map((w) => w.step);
  };
  test("a wing or legs without a length are told", () => {
    expect(unseen("wing", {})).toEqual(["wing"]);
    expect(unseen("legs", {})).toEqual(["legs"]);
  });
  test("what is left hanging or only bound in is not", () =>
    expect([unseen("wing", { hanging: true } as Partial<RecipeStep>), unseen("rib-in", {})]).toEqual([[], []]));
});

describe("what is said of the hook", () => {
  const said = (r: Recipe) => {
    r.hookWanted = { shank: { from: 4, to: 4 } };
  };
  test("where the hook taken is otherwise, the fly tells it", () => {
    const [w] = warnings(changed(said), "HOOK_OTHERWISE");
    expect(w && warningSentence(w)).toMatch(/^Of the hook is said: 4X long\. .* has: standard shank\./);
    expect(w?.step).toBe("");
  });
  test("of a weight form's own hook nothing is said", () => {
    const own = changed((r) => {
      said(r);
      r.forms = r.forms.map((f) => ({ ...f, hookModel: model.id }));
    });
    expect(warnings(own, "HOOK_OTHERWISE")).toEqual([]);
  });
});
