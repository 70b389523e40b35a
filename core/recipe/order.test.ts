import { missingWords, orderNotices } from "../sentences";
import fc from "fast-check";
import { describe, expect, test } from "vitest";
import { recipe } from "../testing/nymph";
import { changed } from "../testing/recipes";
import { circleIn, missingFrom, moveStep, orderFaults, precedences, roomToMove, type Recipe, type RecipeStep } from ".";

/** Steps that say of some others that they come after them, none of them a bead, bound in or a knot. */
const graph = fc.integer({ min: 2, max: 9 }).chain((n) =>
  fc
    .array(fc.tuple(fc.integer({ min: 0, max: n - 1 }), fc.integer({ min: 0, max: n - 1 })), { maxLength: 14 })
    .map((links): Pick<Recipe, "steps" | "components"> => ({
      components: [],
      steps: Array.from({ length: n }, (_, i): RecipeStep => ({
        id: `s${i}`,
        name: `step ${i}`,
        do: "act",
        act: "wax",
        minutes: 0.1,
        after: links
          .filter(([then, first]) => then === i && first !== i)
          .map(([, first]) => ({ step: `s${first}`, hard: true })),
      })),
    })),
);
/** Repeatedly takes the first step whose predecessors are all there: slow and plainly right. */
function sorted(r: Pick<Recipe, "steps" | "components">): RecipeStep[] | undefined {
  const edges = precedences(r);
  const done: RecipeStep[] = [];
  let rest = r.steps;
  while (rest.length > 0) {
    const next = rest.find((s) => edges.every((e) => e.then !== s.id || done.some((d) => d.id === e.first)));
    if (!next) return undefined;
    done.push(next);
    rest = rest.filter((s) => s !== next);
  }
  return done;
}

describe("any graph of steps", () => {
  test("has a circle just where no order is right, and the circle is one", () =>
    fc.assert(
      fc.property(graph, (r) => {
        const circle = circleIn(r);
        expect(circle === undefined).toBe(sorted(r) !== undefined);
        circle?.forEach((id, i) => {
          const next = circle[(i + 1) % circle.length];
          expect(precedences(r).some((e) => e.hard && e.first === id && e.then === next)).toBe(true);
        });
      }),
    ));

  test("sorted, it breaks nothing; every fault names two steps that stand the wrong way round", () =>
    fc.assert(
      fc.property(graph, (r) => {
        const steps = sorted(r);
        if (steps) expect(orderFaults({ ...r, steps })).toEqual([]);
        const at = new Map(r.steps.map((s, i) => [s.id, i]));
        for (const f of orderFaults(r)) expect(at.get(f.first) ?? -1).toBeGreaterThan(at.get(f.then) ?? Infinity);
      }),
    ));

  test("a step moved within the room that it has breaks nothing that was right, and just beyond it does", () =>
    fc.assert(
      fc.property(graph, fc.nat(), (r, pick) => {
        const steps = sorted(r);
        fc.pre(steps !== undefined);
        const whole = { ...r, steps: steps ?? [] };
        const i = pick % whole.steps.length;
        const { first, last } = roomToMove(whole, i);
        for (let to = 0; to < whole.steps.length; to++) {
          const broken = orderFaults({ ...whole, steps: moveStep(whole.steps, i, to) }).some((f) => f.hard);
          expect(broken, `${i} to ${to}, room ${first} to ${last}`).toBe(to < first || to > last);
        }
      }),
    ));

  test("moving a step loses none and doubles none", () =>
    fc.assert(
      fc.property(graph, fc.nat(), fc.nat(), (r, a, b) => {
        const n = r.steps.length;
        expect(
          moveStep(r.steps, a % n, b % n)
            .map((s) => s.id)
            .sort(),
        ).toEqual(r.steps.map((s) => s.id).sort());
        expect(moveStep(r.steps, a % n, b % n)[b % n]?.id).toBe(r.steps[a % n]?.id);
      }),
    ));
});

describe("what every pattern's order holds", () => {
  const faults = (change: (r: Recipe) => void) => orderFaults(changed(change)).map((f) => [f.first, f.then, f.hard]);
  const put =
    (id: string, to: number) =>
    (r: Recipe): void => {
      r.steps = moveStep(
        r.steps,
        r.steps.findIndex((s) => s.id === id),
        to,
      );
    };

  test("the nymph as it is breaks nothing", () => expect(orderFaults(recipe())).toEqual([]));
  test("a bead after anything else cannot be", () => {
    expect(faults(put("bead", 1))).toEqual([["bead", "base", true]]);
    expect(
      missingFrom(changed(put("bead", 1)))
        .map(missingWords)
        .join(),
    ).toContain("a bead goes on the bare hook before anything else");
  });
  test("what is bound in is wound later", () => expect(faults(put("rib", 2))).toContainEqual(["rib-in", "rib", true]));
  test("nothing is tied after the last knot", () =>
    expect(faults(put("wing", 8))).toContainEqual(["wing", "whip", true]));
  test("tying before the thread is on the hook is told, not forbidden", () => {
    expect(faults(put("base", 3))).toEqual([
      ["base", "tail", false],
      ["base", "rib-in", false],
    ]);
    expect(missingFrom(changed(put("base", 3)))).toEqual([]);
  });
  test("brushing back under a rib that still follows is told", () => {
    expect(
      faults((r) => {
        r.steps.splice(5, 0, { id: "brush", name: "brush", do: "act", act: "brush", direction: "back", minutes: 0.2 });
      }),
    ).toEqual([["rib", "brush", false]]);
    expect(
      faults((r) => {
        r.steps.splice(5, 0, {
          id: "brush",
          name: "brush",
          do: "act",
          act: "brush",
          direction: "forward",
          minutes: 0.2,
        });
      }),
    ).toEqual([]);
  });
  test("a step that leans on one that is not there is missing something", () => {
    const r = changed((x) => {
      x.steps = x.steps.map((s): RecipeStep => (s.id === "rib" && s.do === "wind" ? { ...s, tiedIn: "gone" } : s));
    });
    expect(missingFrom(r)).toContainEqual({ code: "EARLIER_STEP_LOST", details: { name: "rib" } });
  });
});

describe("a thread base that comes late", () => {
  const wound = (id: string, component: string, more: object): RecipeStep =>
    ({ id, name: id, do: "wind", component, rule: { turns: 5 }, from: { fraction: 0.5 }, ...more }) as RecipeStep;
  const components = ["thread", "rib", "body"].map((role) => ({ id: role, role, material: [] }));
  const told = (...steps: RecipeStep[]) =>
    orderNotices(orderFaults({ steps, components } as unknown as Pick<Recipe, "steps" | "components">));
  const [rib, body] = [wound("rib", "rib", {}), wound("body", "body", {})];
  const base = wound("base", "thread", { to: { landmark: "bend" } });

  test("is told once, where it stands, for all that it usually comes before", () =>
    expect(told(rib, body, base)).toEqual([
      {
        step: "base",
        sentence: "“base” usually comes before “rib” and “body”, as the thread is not on the hook before it.",
        hard: false,
      },
    ]));
  test("is told at the one step that it usually comes before", () =>
    expect(told(rib, base, body)).toEqual([
      {
        step: "rib",
        sentence: "“rib” comes earlier than usual: “base” goes first, as the thread is not on the hook before it.",
        hard: false,
      },
    ]));
  test("is none where the thread binds down what was tied in with it", () => {
    const under = { ...rib, do: "lay", from: { fraction: 0.5 }, to: { landmark: "bend" } } as unknown as RecipeStep;
    expect(told(under, base, body)).toEqual([]);
  });
  test("is no dam: turns at one place are of a thread that is there", () =>
    expect(told(rib, body, wound("dam", "thread", {}))).toEqual([]));
});
